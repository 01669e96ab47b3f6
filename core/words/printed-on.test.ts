import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContent } from "../../tests/samples.ts";
import { printedOnMarks, seenOnPrint } from "../draw/printed-on.ts";
import { inches } from "../measure/length.ts";
import { contains, rect } from "../measure/rect.ts";
import { emOf } from "./lettering.ts";
import { onKey, type PrintedOn, readOnKey } from "./printed-on.ts";
import { linesOn, wordsOfOn } from "./printed-on-lines.ts";

const item: PrintedOn = {
  ...{ id: "a", kind: "label", text: "Ice on\nthe rail", typeface: "book", size: 48, tone: "light" },
  at: rect(inches(1), inches(2), inches(2), inches(1)),
};

describe("words printed on a picture", () => {
  it("stand line by line about the middle of their room", () => {
    const lines = linesOn(item);
    expect(lines.map(({ text, x }) => [text, x])).toEqual([
      ["Ice on", inches(2)],
      ["the rail", inches(2)],
    ]);
    // 48 quarters are 12 points, lines 1.2 of that apart: 14.4 points of an inch's 72.
    const [first, second] = lines;
    expect(((second?.y ?? 0) - (first?.y ?? 0)) / inches(1)).toBeCloseTo(14.4 / 72, 3);
    const alone = linesOn({ ...item, text: "Ice" })[0];
    const em = emOf(48);
    // Its letters reach as far above the middle as below it: a base line a third of an em under it, more or less.
    expect(Math.abs((alone?.y ?? 0) - inches(2.5)) / em).toBeLessThan(0.5);
    expect(linesOn({ ...item, text: "  " })).toEqual([]);
  });

  it("fit where they are no wider and no higher than it; on a disc, than the square in it", () => {
    expect(wordsOfOn(item).fits).toBe(true);
    expect(wordsOfOn({ ...item, size: 200 }).fits).toBe(false);
    const { w, h } = wordsOfOn(item);
    expect(wordsOfOn({ ...item, at: rect(0, 0, w, h) }).fits).toBe(true);
    expect(wordsOfOn({ ...item, at: rect(0, 0, w - 8, h) }).fits).toBe(false);
    expect(wordsOfOn({ ...item, at: rect(0, 0, w, h - 8) }).fits).toBe(false);
    expect(wordsOfOn({ ...item, kind: "disc", at: rect(0, 0, w, w) }).fits).toBe(false);
    expect(wordsOfOn({ ...item, kind: "disc", at: rect(0, 0, w * 2, w * 2) }).fits).toBe(true);
  });

  it("are told apart by all that shows, and read back as they were", () => {
    fc.assert(
      fc.property(anyContent, ({ photos }) => {
        for (const { onIt } of photos) {
          if (onIt.length === 0) expect(onKey(onIt)).toBe("");
          else expect(readOnKey(onKey(onIt))).toEqual(onIt.map((each, at) => ({ ...each, id: String(at) })));
        }
      }),
    );
    expect(onKey([item])).not.toBe(onKey([{ ...item, tone: "dark" }]));
    expect(onKey([item])).not.toBe(onKey([{ ...item, at: rect(inches(1), inches(2), inches(2), inches(1) + 1) }]));
  });

  it("are seen as far as the part of a print goes that is shown, light on dark and dark on light", () => {
    const part = rect(0, 0, inches(2), inches(3));
    expect(contains(part, item.at)).toBe(false);
    const [seen, ...others] = seenOnPrint([item], rect(inches(1), inches(1), 0, 0), part);
    expect(others).toEqual([]);
    expect(seen).toMatchObject({
      kind: "group",
      x: inches(1),
      y: inches(1),
      clip: part,
      marks: printedOnMarks([item]),
    });
    expect(seenOnPrint([], part, part)).toEqual([]);
    const inks = (kind: PrintedOn["kind"], tone: PrintedOn["tone"]) =>
      printedOnMarks([{ ...item, kind, tone }]).map((mark) => ("fill" in mark ? mark.fill : null));
    expect(inks("words", "light")).toEqual(["paper", "paper"]);
    expect(inks("label", "light")).toEqual(["paper", "ink", "ink"]);
    expect(inks("disc", "dark")).toEqual(["ink", "paper", "paper"]);
    expect(inks("frame", "dark")).toEqual(["none", "ink", "ink"]);
  });
});
