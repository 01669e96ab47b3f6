import { describe, expect, it } from "vitest";
import { makeOf, PLAIN_USE } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, newLeaf, type Owner, type Piece } from "../album/leaf.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { applyBookEdit } from "../book/edit.ts";
import { type BookPage, readBook } from "../book/read.ts";
import { spreadAt } from "../book/spread.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { UNKNOWN_PICTURE } from "../photo/crop.ts";
import { candidatesFor, spreadWith, spreadWithPicture } from "./candidates.ts";
import { seenSlips } from "./slips.ts";

const found = presetById("ring-6x8");
if (!found) throw new Error("shipped");
const preset = found;
const TODAY = "2026-12-09" as CalendarDate;
const owner: Owner = { kind: "day", dayId: "6" };
const lies = { turn: 0, outside: false, dayId: null } as const;
const faces = [{ x: 3000, y: 3000, w: 4000, h: 4000 }];
const page: BookPage = {
  ...{ label: "6", skipped: false, days: [{ id: "6" }] },
  content: {
    ...EMPTY_DAY,
    photos: [
      {
        ...{ id: "p6", photoId: "6", alt: "", ...PLAIN_USE, print: size(inches(4), inches(4)) },
        picture: { ...UNKNOWN_PICTURE, width: 3000, height: 3000, faces },
      },
    ],
  },
};
const leaf = (id: string, make: Partial<LeafMake>, front: Piece[]): Leaf => ({
  ...newLeaf(id, makeOf(make), owner, owner),
  front: { ...EMPTY_SIDE, owner, pieces: front },
});
const print: Piece = {
  ...{ id: "p", ...lies, at: { x: inches(1), y: inches(2) } },
  what: { kind: "photo", use: "p6", cut: null },
};
const WORDS = { kind: "overlay", size: size(inches(2), inches(1)), name: "", says: "Joy", ink: "white" } as const;
const words: Piece = { ...{ id: "o", ...lies, at: { x: inches(3), y: inches(3.5) } }, what: WORDS };
const book = { format: preset, unit: "inch", pages: [page], layouts: [] } as const;

function tried(leaves: readonly Leaf[], tones = new Map()) {
  const read = readBook<BookPage>(book, book.pages, leaves).leaves;
  const spread = spreadAt(read, 0, preset);
  const [slip] = seenSlips(spread, TODAY, tones);
  if (!slip) throw new Error("a slip");
  const all = candidatesFor(slip, spread, read, preset, "new").map((candidate) => {
    const after = spreadWith(book, read, spread, slip, candidate.edit);
    const done = applyBookEdit(leaves, candidate.edit);
    if (!after || !done.ok) throw new Error("cannot be done");
    // What is shown is what the book is once it is taken.
    const real = spreadAt(readBook<BookPage>(book, book.pages, done.leaves).leaves, after.at, preset);
    const left = [real, after].map((each) => seenSlips(each, TODAY, tones).map(({ slip: name }) => name));
    expect(left[0]).toEqual(left[1]);
    return { candidate, left: left[0] ?? [] };
  });
  return { slip, spread, read, all };
}

describe("what would help where something is seen that is not meant", () => {
  it("is lettering moved off a face to the nearest free place, or made smaller beside it, or hidden by paper between", () => {
    const black: Piece = { ...words, what: { ...WORDS, ink: "black" } };
    const { slip, all } = tried([leaf("film", { kind: "clear" }, [black]), leaf("six", { kind: "full" }, [print])]);
    expect(slip.kind).toBe("over-face");
    expect(all.map(({ candidate }) => candidate.kind)).toEqual(["moved", "vellum", "paper"]);
    expect(all.map(({ left }) => left)).toEqual([[], ["over-point p"], []]);
    const [away] = all;
    if (away?.candidate.kind !== "moved") throw new Error("moved");
    // Nothing nearer is clear: by a quarter less it still lies over the face.
    expect(Math.hypot(away.candidate.by.x, away.candidate.by.y)).toBeLessThan(inches(2.5));
    expect(all.map(({ candidate }) => candidate.thicker)).toEqual([0, 100, 180]);
  });

  it("is smaller lettering where a corner of it is clear, and nothing between where both lie on one page", () => {
    const number: Piece = {
      ...{ id: "n", ...lies, at: { x: inches(1), y: inches(2) } },
      what: { kind: "numeral", size: size(inches(1.5), inches(1.5)), look: null, zero: false },
    };
    const { slip, all } = tried([leaf("six", { kind: "full" }, [print, number])]);
    expect(slip.kind).toBe("over-face");
    expect(all.map(({ candidate }) => candidate.kind)).toEqual(["moved", "smaller"]);
    expect(all.map(({ left }) => left)).toEqual([[], []]);
  });

  it("is another colour that reads, the clearest first", () => {
    const snow = new Map([["6", { tone: Array(144).fill(245), busy: Array(144).fill(2) }]]);
    const beside = { ...words, at: { x: inches(1.75), y: inches(2) } };
    const { slip, all } = tried(
      [leaf("film", { kind: "clear" }, [beside]), leaf("six", { kind: "full" }, [print])],
      snow,
    );
    expect(slip.kind).toBe("alike");
    expect(all.map(({ candidate }) => (candidate.kind === "ink" ? candidate.ink : candidate.kind))).toEqual([
      ...["black", "red", "vellum", "paper"],
    ]);
    expect(all.slice(0, 2).map(({ left }) => left)).toEqual([[], []]);
  });

  it("is another picture in its place, whose faces are its own", () => {
    const { spread, read } = tried([leaf("film", { kind: "clear" }, [words]), leaf("six", { kind: "full" }, [print])]);
    const other = { id: "other", facts: { ...UNKNOWN_PICTURE, faces: [{ x: 0, y: 0, w: 1000, h: 1000 }] } };
    const after = spreadWithPicture(book, read, spread, "p6", other);
    expect(seenSlips(after, TODAY, new Map())).toEqual([]);
    const uses = after.right.flatMap(({ read: each }) => each.front.content?.photos ?? []);
    expect(new Set(uses.map(({ photoId }) => photoId))).toEqual(new Set(["other"]));
    // Nothing of the book itself has changed.
    expect(page.content.photos[0]?.photoId).toBe("6");
  });
});
