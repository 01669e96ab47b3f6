import type { Mistake, SaidOn } from "#core/album/mistakes.ts";
import type { CalendarDate } from "#core/month/dates.ts";

/** The words for what is better seen before it is on paper. */

const SAID_ON: Record<SaidOn, string> = {
  card: "a card",
  back: "the back of a card",
  filler: "a filler",
  tag: "a tag",
  flip: "a flip",
  tab: "a tab",
  embellishment: "an embellishment",
  "photo-mat": "a mat",
  overlay: "an overlay",
  window: "a window",
  construction: "a construction",
};

/** What a phrase that comes twice stands on, where that is not two cards. */
const onWhat = ({ on, otherOn }: { on: SaidOn; otherOn: SaidOn }): string =>
  on === "card" && otherOn === "card"
    ? ""
    : `, on ${SAID_ON[on]} and ${SAID_ON[otherOn].replace(/^a /, on === otherOn ? "another " : "a ")}`;

/** A mistake as a sentence; `nameOf` says what the page of another day is called. */
export function mistakeSaid(mistake: Mistake, nameOf: (date: CalendarDate) => string): string {
  switch (mistake.kind) {
    case "twice":
      return mistake.other === mistake.date
        ? `“${mistake.phrase}” stands on this page twice${onWhat(mistake)}.`
        : `“${mistake.phrase}” stands here and on ${nameOf(mistake.other)}, which lies open beside it${onWhat(mistake)}.`;
    case "nameless":
      return `The note asks “${mistake.note}”, and no name is in the words.`;
    case "other-date":
      return `The words say ${mistake.said}, which is not this day.`;
    case "no-letter":
      return `Its lettering has no ${mistake.letters.join(" ")}. A gap is left there, to draw it by hand.`;
  }
}
