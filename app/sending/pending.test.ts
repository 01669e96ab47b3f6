import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyEdit, type DayEdit } from "#core/album/edit.ts";
import { EMPTY_DAY, newCard } from "#core/album/model.ts";
import { inches } from "#core/measure/length.ts";
import { size } from "#core/measure/size.ts";
import type { Entry } from "./entry.ts";
import { pendingOf, withPendingPart } from "./pending.ts";

const CARD = newCard("card", size(inches(3), inches(4)));
const EDIT: fc.Arbitrary<DayEdit> = fc.oneof(
  fc.string().map((text): DayEdit => ({ kind: "title", text })),
  fc.string().map((text): DayEdit => ({ kind: "card-text", id: "card", text })),
  fc.constant<DayEdit>({ kind: "add-card", card: CARD }),
  fc.constant<DayEdit>({ kind: "remove-card", id: "card" }),
  fc.boolean().map((done): DayEdit => ({ kind: "step", step: "print", done })),
  fc.boolean().map((on): DayEdit => ({ kind: "waive", part: "photos", on })),
);
const entry = (edit: DayEdit, at: number, dayId = "day"): Entry => ({
  ...{ id: `${at}`, album: "album", key: `${dayId}:${at}`, due: 0 },
  sent: { what: "edit", dayId, base: null, edit },
});

describe("what is on its way", () => {
  it("is shown as the server makes it: saved or not, a day says the same", () => {
    fc.assert(
      fc.property(fc.array(EDIT, { maxLength: 12 }), fc.nat(12), (edits, split) => {
        // What the server did with all of them, one after the other.
        const whole = edits.reduce((now, edit) => {
          const applied = applyEdit(now, edit, "ring");
          return applied.ok ? applied.content : now;
        }, EMPTY_DAY);
        // Some are saved by now, some are not, and those of another day are none of its business.
        const saved = edits.slice(0, split).reduce((now, edit) => {
          const applied = applyEdit(now, edit, "ring");
          return applied.ok ? applied.content : now;
        }, EMPTY_DAY);
        const waiting = edits.slice(split).map((edit, at) => entry(edit, at));
        const others = edits.map((edit, at) => entry(edit, 100 + at, "another"));
        const state = { entries: [...others, ...waiting], clashes: [] };
        expect(withPendingPart("day", saved, state)).toEqual(whole);
      }),
    );
  });

  it("is found under its key, the newest first, and words that clash are still the writer's", () => {
    const [older, newer] = [entry({ kind: "title", text: "Older" }, 1), entry({ kind: "title", text: "Newer" }, 1)];
    const clash = { kind: "leaf" as const, entry: older, leaf: "", by: "", at: "", version: 1 };
    expect(pendingOf({ entries: [newer], clashes: [clash] }, "day:1")).toBe(newer.sent);
    expect(pendingOf({ entries: [], clashes: [clash] }, "day:1")).toBe(older.sent);
    expect(withPendingPart("day", EMPTY_DAY, { entries: [], clashes: [clash] }).title).toBe("Older");
    expect(pendingOf({ entries: [newer], clashes: [] }, "day:2")).toBeNull();
  });
});
