import type { DayEdit } from "./edit.ts";
import type { DayContent } from "./model.ts";

/**
 * What a day now says where an edit would write, as text to show beside the edit's own; null when the piece the edit
 * writes on is gone.
 */
export function saidNow(content: DayContent, edit: DayEdit): string | null {
  const piece = <T extends { id: string }>(pieces: readonly T[], say: (piece: T) => string) => {
    const found = "id" in edit ? pieces.find(({ id }) => id === edit.id) : undefined;
    return found ? say(found) : null;
  };
  switch (edit.kind) {
    case "title":
      return content.title;
    case "note":
      return content.note;
    case "next-year":
      return content.nextYear;
    case "prompt":
      return content.prompt.text;
    case "technique":
      return content.technique.text;
    case "card-text":
      return piece(content.cards, ({ text }) => text);
    case "card-back":
      return piece(content.cards, ({ back }) => back);
    case "jotting-text":
      return piece(content.jottings, ({ text }) => text);
    case "photo-alt":
      return piece(content.photos, ({ alt }) => alt);
    case "numeral":
      return [content.numeral.style, content.numeral.note].filter(Boolean).join(", ");
    default:
      return "";
  }
}

/** What an edit itself would say there. */
export function saidByEdit(edit: DayEdit): string {
  switch (edit.kind) {
    case "title":
    case "note":
    case "next-year":
    case "prompt":
    case "technique":
    case "card-text":
    case "card-back":
    case "jotting-text":
      return edit.text;
    case "photo-alt":
      return edit.alt;
    case "numeral":
      return [edit.style, edit.note].filter(Boolean).join(", ");
    default:
      return "";
  }
}

/** The same edit with other words, for edits that are words; else null. */
export function withWords(edit: DayEdit, text: string): DayEdit | null {
  switch (edit.kind) {
    case "title":
    case "note":
    case "next-year":
    case "card-text":
    case "card-back":
    case "jotting-text":
      return { ...edit, text };
    case "technique":
    case "prompt":
      return { ...edit, text, slip: null };
    case "photo-alt":
      return { ...edit, alt: text };
    default:
      return null;
  }
}
