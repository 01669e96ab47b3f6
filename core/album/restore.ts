import type { Field } from "./edit.ts";
import type { Card, DayContent, Part, Step } from "./model.ts";

type Piece = { readonly id: string };

/** Puts one piece of a list back as it was: again in its old place, with its old values, or away if it was not there. */
function restorePiece<T extends Piece>(now: readonly T[], before: readonly T[], id: string): T[] {
  const rest = now.filter((piece) => piece.id !== id);
  const at = before.findIndex((piece) => piece.id === id);
  const old = before[at];
  return old ? [...rest.slice(0, at), old, ...rest.slice(at)] : rest;
}

const OF_CARD = {
  "card-back": ["back"],
  "card-size": ["size"],
  "card-setting": ["setting"],
  "card-secrecy": ["hidden", "privateUntil"],
} as const satisfies Record<string, readonly (keyof Card)[]>;

/** Some properties of one card as they were; whatever else was written on it since stays. */
const restoreOfCard = (now: readonly Card[], before: readonly Card[], id: string, names: readonly (keyof Card)[]) => {
  const old = before.find((card) => card.id === id);
  const was = old && Object.fromEntries(names.map((name) => [name, old[name]]));
  return now.map((card) => (card.id === id ? { ...card, ...was } : card));
};

/** A card whose front was written, or that came or went: its words as they were, or the whole card back, or away. */
const restoreFront = (now: readonly Card[], before: readonly Card[], id: string): Card[] =>
  now.some((card) => card.id === id) && before.some((card) => card.id === id)
    ? restoreOfCard(now, before, id, ["text"])
    : restorePiece(now, before, id);

const restoreMember = <T>(now: readonly T[], before: readonly T[], item: T): T[] => {
  const rest = now.filter((each) => each !== item);
  return before.includes(item) ? [...rest, item] : rest;
};

/** Takes a save back: the fields it wrote become what they were before; everything written since stays. */
export function restoreFields(now: DayContent, before: DayContent, fields: readonly Field[]): DayContent {
  return fields.reduce<DayContent>((content, field) => {
    const [name = "", id = ""] = field.split(":");
    switch (name) {
      case "title":
      case "note":
      case "prompt":
      case "technique":
      case "numeral":
        return { ...content, [name]: before[name] };
      case "waived":
        return { ...content, waived: restoreMember(content.waived, before.waived, id as Part) };
      case "step":
        return { ...content, done: restoreMember(content.done, before.done, id as Step) };
      case "card":
        return { ...content, cards: restoreFront(content.cards, before.cards, id) };
      case "card-back":
      case "card-size":
      case "card-setting":
      case "card-secrecy":
        return { ...content, cards: restoreOfCard(content.cards, before.cards, id, OF_CARD[name]) };
      case "jotting":
        return { ...content, jottings: restorePiece(content.jottings, before.jottings ?? [], id) };
      case "photo":
      case "photo-print":
      case "photo-crop":
        return { ...content, photos: restorePiece(content.photos, before.photos, id) };
      default:
        throw new Error("a field that no edit writes");
    }
  }, now);
}
