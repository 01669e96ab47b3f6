import type { CardStanding } from "#core/album/card-printing.ts";
import type { Card } from "#core/album/model.ts";
import { inches, type Length, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { remembering } from "#core/remember.ts";
import { type CardFit, fitCard, type Verdict } from "#core/words/fit.ts";
import {
  type Align,
  type CardSetting,
  type HeadingStyle,
  type Lettering,
  SMALL_SIZE,
  type Stands,
  saySize,
  settingOf,
  type TypedIn,
} from "#core/words/lettering.ts";
import { many } from "./count.ts";
import { onItsWaySaid } from "./photo.ts";

/** Typefaces by what they are for, not by who cut them. */
export const TYPEFACE_NAME: Record<TypedIn, string> = {
  book: "Book",
  numeral: "Almanac",
  plain: "Plain",
  typed: "Like a typewriter",
};
export const STANDS_NAME: Record<Stands | "top", string> = {
  top: "At the top",
  middle: "In the middle",
  foot: "At the foot",
};
export const ALIGN_NAME: Record<Align, string> = {
  left: "From the left",
  centre: "Centred",
  justified: "Both edges even",
};
export const HEADING_NAME: Record<HeadingStyle | "plain", string> = {
  plain: "As the rest",
  bold: "Bold",
  capitals: "Small capitals",
};
export const LETTERING_NAME: Record<Lettering["kind"], string> = {
  typed: "Typed",
  typewriter: "Typewriter",
  handwriting: "By hand",
  stamped: "Stamped",
};
export const STOCK_NAME: Record<CardSetting["stock"], string> = {
  plain: "Plain card, printed and cut",
  printed: "Card with its own print, on a carrier sheet",
  clear: "Clear, printed on the back",
};

/** Room is said to the eighth of an inch or the millimetre, and never more than there is. */
const SAID_TO: Record<Unit, Length> = { inch: inches(1 / 8), cm: millimetres(1) };
function room(free: Length, unit: Unit): string {
  const said = ticks(Math.floor(free / SAID_TO[unit]) * SAID_TO[unit]);
  return said === 0 ? "just" : `${sayLength(said, unit)} to spare`;
}

const LONGEST_SAID = 20;
const shortened = (word: string) => (word.length > LONGEST_SAID ? `${word.slice(0, LONGEST_SAID)}…` : word);

/** Whether not all of the words would be on their card. */
export const doesNotFit = ({ kind }: Verdict): boolean =>
  kind === "over" || kind === "too-wide" || kind === "no-area" || kind === "over-boxes";

/** Whether the words fit, in a few words to be read at a glance. */
export function fitSaid(verdict: Verdict, unit: Unit): string {
  switch (verdict.kind) {
    case "no-area":
      return "The margins leave no room for a line";
    case "empty":
      return "No words yet";
    case "in-boxes":
      return "Fits its boxes";
    case "over-boxes":
      return verdict.words.length === 1
        ? `“${shortened(verdict.words[0] ?? "")}” is larger than its box`
        : `${verdict.words.length} words are larger than their boxes`;
    case "fits":
      return `Fits, ${room(verdict.free, unit)}`;
    case "too-wide":
      return verdict.words.length === 1
        ? `“${shortened(verdict.words[0] ?? "")}” is wider than the card`
        : `${verdict.words.length} words are wider than the card`;
    case "over":
      return `${many(verdict.words, "word")} too many`;
  }
}

/** What stands behind it: lines, the largest size that fits. */
export function fitReason(verdict: Verdict): string {
  switch (verdict.kind) {
    case "no-area":
      return "Make the margins smaller, or the card larger.";
    case "empty":
      return "Write, or add a jotting of the day.";
    case "in-boxes":
      return `${many(verdict.boxes, "box", "boxes")} with words.`;
    case "over-boxes":
      return "Fewer letters, smaller ones, or a larger box.";
    case "fits":
      return [
        `${verdict.lines} of ${many(verdict.room, "line")}.`,
        verdict.largest !== null && `All of it fits up to ${saySize(verdict.largest)} points.`,
      ]
        .filter(Boolean)
        .join(" ");
    case "too-wide":
      return verdict.largest === null
        ? "No size takes it whole."
        : `It is whole at ${saySize(verdict.largest)} points.`;
    case "over":
      return verdict.largest === null
        ? "No size takes all of it."
        : `All of it fits at ${saySize(verdict.largest)} points${verdict.largest < SMALL_SIZE ? ", which is hard to read" : ""}.`;
  }
}

/** How far a card is on its way to paper. */
export function standingSaid(standing: CardStanding): string {
  switch (standing.kind) {
    case "no-words":
      return "No words yet.";
    case "by-hand":
      return "Goes on by hand.";
    case "carrier":
      return "Goes on a carrier sheet.";
    case "elsewhere":
      return "Is on its card.";
    case "wanted":
      return onItsWaySaid(standing);
    case "on-sheet":
      return onItsWaySaid({ kind: "on-sheet", print: standing.print });
    case "printed":
      return "Printed.";
    case "trimmed":
      return standing.print.from.kind === "hand" ? "Is on its card." : "Printed and cut.";
  }
}

export type Glance = {
  readonly said: string;
  /** More words than the card holds. */
  readonly isOver: boolean;
  /** What would be missing on paper, of its front or its back; null when nothing would. */
  readonly trouble: string | null;
};

const glances = remembering<Glance>(2000);

function glanceAnew(card: Card, unit: Unit): Glance {
  const setting = settingOf(card);
  const front = fitCard(card.text, card.size, setting, "front");
  const back = card.back.trim() === "" ? null : fitCard(card.back, card.size, setting, "back");
  const isOver = ({ verdict }: CardFit) => doesNotFit(verdict);
  const behind = back && isOver(back) ? `Back: ${fitSaid(back.verdict, unit).toLowerCase()}` : null;
  const lacks = [...new Set([...front.lacks, ...(back?.lacks ?? [])])];
  const trouble = isOver(front)
    ? fitSaid(front.verdict, unit)
    : (behind ?? (lacks.length > 0 ? `A gap for ${lacks.slice(0, 5).join(" ")}` : null));
  return {
    said: behind && !isOver(front) ? behind : fitSaid(front.verdict, unit),
    isOver: isOver(front) || behind !== null,
    trouble,
  };
}

/** How a card stands to its words, front and back, at a glance; the same words are asked once. */
export function glanceAt(card: Card, unit: Unit): Glance {
  const key = `${unit} ${card.size.w} ${card.size.h} ${JSON.stringify([card.setting, card.text, card.back])}`;
  return glances(key, () => glanceAnew(card, unit));
}
