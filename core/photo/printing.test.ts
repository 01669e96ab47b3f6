import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContent, PLAIN_USE } from "../../tests/samples.ts";
import type { PhotoUse } from "../album/model.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { asMade, madeAs, type Print, type PrintState, standingOf } from "./printing.ts";

const use: PhotoUse = { id: "u", photoId: "p", print: size(inches(6), inches(4)), alt: "", ...PLAIN_USE };
const print = (state: PrintState, change: Partial<Print> = {}): Print => ({
  ...{ id: state, use: "u", from: { kind: "sheet", id: "s", number: 1 }, place: 0 },
  ...{ at: rect(0, 0, inches(6), inches(4)), turned: false, spare: false, madeAs: madeAs(use), state },
  ...change,
});

describe("where a print stands", () => {
  it("is told by the furthest of its prints that is not spoiled", () => {
    expect(standingOf(use, [print("made"), print("trimmed"), print("printed")], []).kind).toBe("trimmed");
    expect(standingOf(use, [print("spoiled"), print("made")], []).kind).toBe("on-sheet");
    expect(standingOf(use, [print("spoiled")], [])).toEqual({ kind: "wanted", spoiled: true });
    expect(standingOf(use, [], [])).toEqual({ kind: "wanted", spoiled: false });
  });

  it("does not count a print of another size, and counts one that lies turned on its sheet", () => {
    expect(standingOf(use, [print("printed", { at: rect(0, 0, inches(4), inches(6)) })], []).kind).toBe("wanted");
    expect(standingOf(use, [print("printed", { at: rect(0, 0, inches(4), inches(6)), turned: true })], []).kind).toBe(
      "printed",
    );
  });

  it("is by hand when its day says so and no print of ours was ever made", () => {
    expect(standingOf(use, [], ["print"]).kind).toBe("by-hand");
    expect(standingOf(use, [print("printed", { madeAs: "another" })], ["print"]).kind).toBe("wanted");
  });

  it("says where it waits", () => {
    const due = "2026-12-12" as CalendarDate;
    expect(standingOf(use, [print("made", { from: { kind: "lab", id: "o", number: 1, due } })], [])).toMatchObject({
      kind: "at-lab",
      due,
    });
  });
});

it("a print shows its picture as it was made, whatever the crop, the size and the look are since", () => {
  fc.assert(
    fc.property(anyContent, ({ photos }) => {
      for (const each of photos) {
        const look = { blackAndWhite: true, straighten: -30, light: 5, contrast: -7 };
        const was: PhotoUse = { ...each, picture: { ...each.picture, look } };
        const made = print("printed", { madeAs: madeAs(was), at: rect(0, 0, was.print.h, was.print.w), turned: true });
        const now: PhotoUse = { ...was, print: size(inches(2), inches(2)), crop: use.crop, picture: use.picture };
        const shown = asMade(now, made);
        expect(shown.print).toEqual(was.print);
        expect(madeAs(shown)).toBe(madeAs(was));
      }
    }),
  );
});
