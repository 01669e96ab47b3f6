import { nextStep } from "#core/album/page.ts";
import type { EndGroup } from "#core/finish/end-mark.ts";
import type { LooseEnd } from "#core/finish/loose-ends.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import { many } from "./count.ts";
import { STEP_TO_DO } from "./day.ts";
import { mistakeSaid } from "./mistakes.ts";

/** The words for what hangs loose. */

export const END_GROUP: Readonly<Record<EndGroup, string>> = {
  matters: "First",
  open: "Still to be made",
  nicer: "If you like",
};

/** Names as one says them: `Ada, Ilo and Mara`. */
export function namesSaid(names: readonly string[]): string {
  const last = names.at(-1) ?? "";
  return names.length < 2 ? last : `${names.slice(0, -1).join(", ")} and ${last}`;
}

const are = (names: readonly string[]): string => (names.length === 1 ? "is" : "are");

/** What hangs loose, as a sentence that names what would close it; `nameOf` says what the page of a day is called. */
export function endSaid(end: LooseEnd, nameOf: (date: CalendarDate) => string): string {
  const n = end.of.length;
  const names = end.names ?? [];
  switch (end.kind) {
    case "note":
      return `Your note: ${end.note ?? ""}`;
    case "come":
      return `${many(n, "thing was", "things were")} private until a day that has come: open to all from now on, unless you say otherwise.`;
    case "spoiled":
      return `${many(n, "print is", "prints are")} spoiled: to be printed again.`;
    case "names":
      return `${namesSaid(names)} ${are(names)} on a picture, and the words do not say so.`;
    case "wordless":
      return `${many(n, "card has", "cards have")} no words.`;
    case "room":
      return `${many(n, "room is", "rooms are")} still empty.`;
    case "fit":
      return `${many(n, "thing does", "things do")} not fit as ${n === 1 ? "it lies" : "they lie"}.`;
    case "rings":
      return "Something opens towards the rings and catches there.";
    case "slip": {
      const [slip, ...others] = end.slips ?? [];
      return slip && others.length === 0
        ? mistakeSaid(slip, nameOf)
        : `${many(others.length + 1, "slip", "slips")} in its words.`;
    }
    case "nobody":
      return `${namesSaid(names)} ${are(names)} on no picture of this album.`;
    case "print":
      return `${many(n, "print is", "prints are")} not made yet.`;
    case "lab":
      return `${many(n, "print is", "prints are")} at the lab${end.due ? `, due ${printShort(end.due)}` : ""}.`;
    case "jotted":
      return `${many(n, "jotting", "jottings")}, and nothing written yet.`;
    case "nearly": {
      const next = end.page && nextStep(end.page);
      return `Nearly there${next ? `: ${STEP_TO_DO[next.step].toLowerCase()}` : ""}.`;
    }
    case "bare":
      return "Nothing of it is here yet.";
    case "skipped":
      if (!end.page) return `${many(n, "day is", "days are")} skipped: told after all, or left out for good.`;
      return `It is skipped, and holds ${many(n, "thing", "things")}.`;
    case "calendar":
      return "The calendar is still bare.";
    case "matter":
      return "Nothing is on it yet.";
    case "through":
      return `${many(n, "thing is", "things are")} seen through a page and may not be meant.`;
    case "hint":
      return "Something opens, and nothing on it says so.";
    case "pocket":
      return `${many(n, "pocket is", "pockets are")} empty.`;
    case "described":
      return `${many(n, "photo has", "photos have")} no description for who cannot see it.`;
    case "unmarked":
      return `Of ${many(n, "picture", "pictures")} nobody has said who is on ${n === 1 ? "it" : "them"}.`;
  }
}
