import type { Field } from "./edit.ts";
import type { DayContent, Part, Step } from "./model.ts";

type Piece = { readonly id: string };

/** Puts one piece of a list back as it was: again in its old place, with its old values, or away if it was not there. */
function restorePiece<T extends Piece>(now: readonly T[], before: readonly T[], id: string): T[] {
  const rest = now.filter((piece) => piece.id !== id);
  const at = before.findIndex((piece) => piece.id === id);
  const old = before[at];
  return old ? [...rest.slice(0, at), old, ...rest.slice(at)] : rest;
}

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
      case "foundation":
      case "numeral":
        return { ...content, [name]: before[name] };
      case "page-size":
        return { ...content, pageSize: before.pageSize };
      case "waived":
        return { ...content, waived: restoreMember(content.waived, before.waived, id as Part) };
      case "step":
        return { ...content, done: restoreMember(content.done, before.done, id as Step) };
      case "card":
      case "card-size":
        return { ...content, cards: restorePiece(content.cards, before.cards, id) };
      case "insert":
        return { ...content, inserts: restorePiece(content.inserts, before.inserts, id) };
      case "photo":
      case "photo-print":
        return { ...content, photos: restorePiece(content.photos, before.photos, id) };
      default:
        throw new Error("a field that no edit writes");
    }
  }, now);
}
