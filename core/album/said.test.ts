import { describe, expect, it } from "vitest";
import { fullDay } from "../../tests/samples.ts";
import { applyEdit, type DayEdit } from "./edit.ts";
import type { DayContent } from "./model.ts";
import { saidByEdit, saidNow, withWords } from "./said.ts";

const jotting = { id: "jot", text: "A jotting", at: "2026-12-01T18:40", privateUntil: null };
const day: DayContent = { ...fullDay(), jottings: [jotting] };
const [card] = day.cards;
const [photo] = day.photos;
if (!card || !photo) throw new Error("a full day has a card and a photo");

/** An edit of every kind that writes words, or that two windows can choose between. */
const EDITS: readonly DayEdit[] = [
  { kind: "title", text: "Other title" },
  { kind: "note", text: "Other note" },
  { kind: "prompt", text: "Other cue", slip: null },
  { kind: "technique", text: "Other technique", slip: null },
  { kind: "card-text", id: card.id, text: "Other words" },
  { kind: "card-back", id: card.id, text: "Other back" },
  { kind: "jotting-text", id: "jot", text: "Other jotting" },
  { kind: "photo-alt", id: photo.id, alt: "Other description" },
  { kind: "numeral", style: "wood", note: "painted" },
];

describe("what two windows say of one thing", () => {
  it.each(EDITS.map((edit) => [edit.kind, edit] as const))("of %s, what stands there and what would", (_, edit) => {
    const after = applyEdit(day, edit, "ring");
    if (!after.ok) throw new Error(after.reason);
    expect(saidByEdit(edit)).not.toBe("");
    expect(saidNow(day, edit)).not.toBe(saidByEdit(edit));
    expect(saidNow(after.content, edit)).toBe(saidByEdit(edit));
  });

  it("is nothing of a piece that is gone, and not an empty text", () => {
    const bare: DayContent = { ...day, cards: [], photos: [], jottings: [] };
    for (const edit of EDITS.filter((each) => "id" in each)) expect(saidNow(bare, edit)).toBeNull();
    expect(saidNow({ ...day, cards: [{ ...card, text: "" }] }, { kind: "card-text", id: card.id, text: "" })).toBe("");
  });

  it("is kept together in the same edit where it is words, and in none where it is a choice", () => {
    for (const edit of EDITS) {
      const both = withWords(edit, "one and the other");
      if (edit.kind === "numeral") expect(both).toBeNull();
      else expect(both && saidByEdit(both)).toBe("one and the other");
    }
  });
});
