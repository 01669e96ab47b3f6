import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContent, PLAIN_USE } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { PhotoUse } from "./model.ts";
import { asMade, madeAs, type Print, type PrintState, standingOf } from "./print.ts";
import { tileAt, tilesOf } from "./tiles.ts";

const use: PhotoUse = { id: "u", photoId: "p", print: size(inches(6), inches(4)), alt: "", ...PLAIN_USE };
const print = (state: PrintState, change: Partial<Print> = {}): Print => ({
  id: state,
  of: "u",
  from: { kind: "sheet", id: "s", number: 1 },
  place: 0,
  at: rect(0, 0, inches(6), inches(4)),
  turned: false,
  spare: false,
  madeAs: madeAs(use),
  state,
  tile: null,
  paper: null,
  ...change,
});

describe("where a print stands", () => {
  it("is told by the furthest of its prints that is not spoiled", () => {
    expect(standingOf(use, [print("made"), print("trimmed"), print("printed")], []).kind).toBe("trimmed");
    expect(standingOf(use, [print("spoiled"), print("made")], []).kind).toBe("on-sheet");
    expect(standingOf(use, [print("spoiled")], [])).toEqual({ kind: "wanted", spoiled: true, missing: [] });
    expect(standingOf(use, [], [])).toEqual({ kind: "wanted", spoiled: false, missing: [] });
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

describe("a print made in parts", () => {
  const tiles = tilesOf({ across: 2, down: 1 });
  const part = (at: 0 | 1, state: PrintState, of = tiles): Print => {
    const tile = of[at];
    if (!tile) throw new Error("there are two at least");
    const { w, h } = tileAt(use.print, tile);
    return print(state, { id: `${at}${state}`, at: rect(0, 0, w, h), tile: { ...tile, whole: use.print } });
  };

  it("is as far as its part that is least far, and wants the parts that are not there", () => {
    expect(standingOf(use, [part(0, "trimmed"), part(1, "printed")], []).kind).toBe("printed");
    expect(standingOf(use, [part(0, "trimmed"), part(1, "trimmed")], []).kind).toBe("trimmed");
    expect(standingOf(use, [part(0, "trimmed")], [])).toEqual({ kind: "wanted", spoiled: false, missing: [tiles[1]] });
    expect(standingOf(use, [part(0, "trimmed"), part(1, "spoiled")], [])).toEqual({
      kind: "wanted",
      spoiled: true,
      missing: [tiles[1]],
    });
    expect(standingOf(use, [part(0, "made"), part(1, "spoiled"), part(1, "printed")], []).kind).toBe("on-sheet");
  });

  it("is not made of parts of different grids, of another size, or of another crop", () => {
    const thirds = tilesOf({ across: 3, down: 1 });
    expect(standingOf(use, [part(0, "printed"), part(1, "printed", thirds)], []).kind).toBe("wanted");
    const larger = { ...use, print: size(inches(12), inches(8)) };
    const both = [part(0, "trimmed"), part(1, "trimmed")];
    expect(standingOf(larger, both, [])).toEqual({ kind: "wanted", spoiled: false, missing: [] });
    const closer = { ...use, crop: { ...use.crop, closer: 150 } };
    expect(standingOf(closer, both, [])).toEqual({ kind: "wanted", spoiled: false, missing: [] });
  });

  it("is done when it is there as a whole, however many parts are missing, and a part alone is never the whole", () => {
    expect(standingOf(use, [part(0, "made"), print("printed")], []).kind).toBe("printed");
    const half = { ...use, print: size(inches(3), inches(4)) };
    expect(standingOf(half, [part(0, "trimmed")], []).kind).toBe("wanted");
  });

  it("shows its picture at the size of the whole", () => {
    expect(asMade(use, part(1, "printed")).print).toEqual(use.print);
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
