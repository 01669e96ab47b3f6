import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PLAIN_USE } from "../../tests/samples.ts";
import { tileAt, tilesOf } from "../album/tiles.ts";
import { inches, ticks } from "../measure/length.ts";
import { overlap, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { repeatsOf } from "../photo/repeat.ts";
import { printMarks, type ShownUse } from "./print.ts";
import { svgMarks } from "./svg.ts";

const use = (w: number, h: number, repeat: ShownUse["repeat"]): ShownUse => ({
  ...{ ...PLAIN_USE, photoId: "p", alt: "Nets", print: size(inches(w), inches(h)), repeat },
});
const SIX_BY_EIGHT = size(inches(6), inches(8));

describe("a print of a pattern", () => {
  it("is its picture over and over, cut off at the edge: eleven by two and a half from six by eight takes two", () => {
    const strip = use(11, 2.5, SIX_BY_EIGHT);
    expect(repeatsOf(strip)).toEqual({ across: 2, down: 1 });
    const at = rect(0, 0, strip.print.w, strip.print.h);
    const pictures = printMarks(strip, at, at).filter((mark) => mark.kind === "picture");
    expect(pictures.map(({ at: lies, shown }) => [lies.x, lies.w, lies.h, shown.w, shown.h])).toEqual([
      [0, inches(6), inches(8), inches(6), inches(2.5)],
      [inches(6), inches(6), inches(8), inches(5), inches(2.5)],
    ]);
    // One picture, said once.
    expect(pictures.map(({ alt }) => alt)).toEqual(["Nets", ""]);
  });

  it("shows in its parts, side by side, all of what is printed on it, and nothing of it beyond the print", () => {
    const item = { id: "i", kind: "label", text: "Ice", typeface: "book", size: 64, tone: "light" } as const;
    const onIt = [{ ...item, at: rect(inches(2), inches(1), inches(3), inches(2)) }];
    const whole = { ...use(6, 4, null), onIt };
    const clips = tilesOf({ across: 2, down: 1 }).map((tile) => {
      const { x, y, w, h } = tileAt(whole.print, tile);
      const marks = printMarks(whole, rect(-x, -y, whole.print.w, whole.print.h), rect(0, 0, w, h));
      const group = marks.find((mark) => mark.kind === "group");
      return group?.kind === "group" ? group.clip : undefined;
    });
    expect(clips).toEqual([rect(0, 0, inches(3), inches(4)), rect(inches(3), 0, inches(3), inches(4))]);
    const markup = svgMarks(
      printMarks(whole, rect(0, 0, inches(6), inches(4)), rect(0, 0, inches(6), inches(4))),
      () => "",
    );
    expect(markup).toContain('<svg x="0" y="0" width="152.4" height="101.6" viewBox="0 0 152.4 101.6">');
  });

  it("covers every part of it exactly once, whichever part is shown, and without one is the picture once", () => {
    const side = fc.integer({ min: 2032, max: 40_000 });
    fc.assert(
      fc.property(side, side, side, side, side, side, (w, h, repeatW, repeatH, partW, partH) => {
        const print = size(ticks(w), ticks(h));
        const pattern = { ...use(1, 1, null), print, repeat: size(ticks(repeatW), ticks(repeatH)) };
        const at = rect(100, 200, w, h);
        const shown = overlap(rect(100 + Math.floor(w / 3), 200 + Math.floor(h / 4), partW, partH), at);
        if (!shown) return;
        const seen = printMarks(pattern, at, shown).flatMap((mark) => (mark.kind === "picture" ? [mark.shown] : []));
        expect(seen.reduce((area, each) => area + each.w * each.h, 0)).toBe(shown.w * shown.h);
        for (const [nth, one] of seen.entries())
          for (const other of seen.slice(nth + 1)) expect(overlap(one, other)).toBeNull();
        const once = printMarks({ ...pattern, repeat: null, together: null }, at, shown);
        expect(once).toMatchObject([{ kind: "picture", at, shown }]);
      }),
    );
  });
});
