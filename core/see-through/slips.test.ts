import { describe, expect, it } from "vitest";
import { makeOf, PLAIN_USE } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import {
  EMPTY_SIDE,
  type Leaf,
  type LeafMake,
  type NumeralColour,
  newLeaf,
  numeralOf,
  type Owner,
  type Piece,
} from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { EMPTY_DAY, newCard } from "../album/model.ts";
import { applyBookEdit } from "../book/edit.ts";
import { type BookPage, readBook } from "../book/read.ts";
import { spreadAt } from "../book/spread.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { putBetween, thicknessOfBetween } from "./between.ts";
import { spreadWith } from "./candidates.ts";
import type { Tones } from "./ground.ts";
import { isLeft, seenSlips } from "./slips.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const NO_TONES = new Map();
const TODAY = "2026-12-09" as CalendarDate;
const owner = (dayId: string): Owner => ({ kind: "day", dayId });
const lies = { turn: 0, outside: false, dayId: null } as const;
const at = (x: number, y: number) => ({ x: inches(x), y: inches(y) });
const print = size(inches(4), inches(4));
const photo = (id: string, x: number, y: number): Piece => ({
  ...{ id, ...lies, at: at(x, y), what: { kind: "photo", use: id, cut: null } },
});
const made = (
  id: string,
  kind: "overlay" | "embellishment" | "filler",
  x: number,
  y: number,
  w: number,
  h: number,
): Piece => ({
  ...{
    id,
    ...lies,
    at: at(x, y),
    what: { kind, size: size(inches(w), inches(h)), name: "", says: kind === "overlay" ? "Joy" : undefined },
  },
});
const leaf = (id: string, day: string, make: Partial<LeafMake>, front: Piece[], back: Piece[] = []): Leaf => ({
  ...newLeaf(id, makeOf(make), owner(day), owner(day)),
  ...{
    front: { ...EMPTY_SIDE, owner: owner(day), pieces: front },
    back: { ...EMPTY_SIDE, owner: owner(day), pieces: back },
  },
});
const page = (id: string, privateUntil: CalendarDate | null = null): BookPage => ({
  ...{ label: id, skipped: false, days: [{ id }] },
  content: {
    ...EMPTY_DAY,
    photos: [{ id: `p${id}`, photoId: id, print, alt: "", ...PLAIN_USE, privateUntil }],
    cards: [newCard(`c${id}`, print, "words")],
  },
});
const slipsOf = (leaves: readonly Leaf[], pages: readonly BookPage[] = [page("5"), page("6")], turned = 0) =>
  seenSlips(
    spreadAt(readBook({ format: preset, unit: "inch" }, pages, leaves).leaves, turned, preset),
    TODAY,
    NO_TONES,
  );

/** Day 6's page with its print in the middle, under what is told. */
const six = leaf("six", "6", { kind: "full" }, [photo("p6", 1, 2)]);

describe("what is seen through an opening and may not be meant", () => {
  it("is another day's page through clear leaves and empty pockets, and not the same day's, nor through paper", () => {
    const through = (make: Partial<LeafMake>, day = "5") =>
      slipsOf([leaf("top", day, make, []), six]).map(({ kind }) => kind);
    expect(through({ kind: "clear" })).toEqual(["glimpse"]);
    expect(through({ kind: "vellum" })).toEqual(["glimpse"]);
    expect(through({ kind: "pocket", layout: "four" })).toEqual(["glimpse"]);
    expect(through({ kind: "clear" }, "6")).toEqual([]);
    expect(through({ kind: "full" })).toEqual([]);
    const [slip] = slipsOf([leaf("top", "5", { kind: "clear" }, []), six]);
    expect([slip?.page?.label, slip?.pieces.map(({ piece }) => piece.id)]).toEqual(["6", ["p6"]]);
  });

  it("is lettering over the point that a print must keep, on the day's own leaves too, and none beside it", () => {
    const film = (x: number, y: number, day = "6") =>
      leaf("film", day, { kind: "clear" }, [made("o", "overlay", x, y, 2, 1)]);
    const kinds = (top: Leaf) => slipsOf([top, six]).map(({ kind }) => kind);
    // The print's middle is 3 in from the page's left and 4 in down; the page lies ²⁹⁄₃₂ from the rings, the film at them.
    expect(kinds(film(3, 3.5))).toEqual(["over-point"]);
    expect(kinds(film(0.5, 6.5))).toEqual([]);
    const [slip] = slipsOf([film(3, 3.5), six]);
    if (slip?.kind !== "over-point") throw new Error("over the point");
    expect([slip.over.piece.id, slip.pieces[0]?.piece.id, slip.page?.label]).toEqual(["o", "p6", "6"]);
  });

  it("is lettering over a face that was marked, on its own page too, and none beside it", () => {
    // The print is 4 × 4 at 1, 2 of its page; its face is the upper left quarter.
    const faces = [{ x: 0, y: 0, w: 5000, h: 5000 }];
    const [plainSix] = [page("6")];
    const marked: BookPage = {
      ...plainSix,
      content: {
        ...plainSix.content,
        photos: plainSix.content.photos.map((use) => ({ ...use, picture: { ...use.picture, faces } })),
      },
    };
    const film = (x: number, y: number) => leaf("film", "6", { kind: "clear" }, [made("o", "overlay", x, y, 2, 1)]);
    const kinds = (leaves: Leaf[]) => slipsOf(leaves, [page("5"), marked]).map(({ kind }) => kind);
    expect(kinds([film(1.5, 2.5), six])).toEqual(["over-face"]);
    // Over the middle, which nobody marked.
    expect(kinds([film(4.5, 4.5), six])).toEqual([]);
    const number: Piece = { id: "n", ...lies, at: at(1.5, 2.5), what: numeralOf(size(inches(1), inches(1))) };
    expect(kinds([leaf("six", "6", { kind: "full" }, [photo("p6", 1, 2), number])])).toEqual(["over-face"]);
    expect(kinds([leaf("six", "6", { kind: "full" }, [number, photo("p6", 1, 2)])])).toEqual([]);
    // Of the middle, where nobody marked a face, nothing is told on its own page: that is told where the print is cropped.
    const middle: Piece = { ...number, at: at(2.5, 3.5) };
    expect(slipsOf([leaf("six", "6", { kind: "full" }, [photo("p6", 1, 2), middle])])).toEqual([]);
    // Of words in the middle of a large clear sheet only the words count.
    const large = leaf("film", "6", { kind: "clear" }, [made("o", "overlay", 0, 1.5, 7, 8)]);
    expect(kinds([large, six])).toEqual([]);
  });

  it("is something private behind a clear leaf, until its day", () => {
    const kinds = (until: string) =>
      slipsOf([leaf("top", "5", { kind: "clear" }, []), six], [page("5"), page("6", until as CalendarDate)]).map(
        ({ kind }) => kind,
      );
    expect(kinds("2026-12-24")).toEqual(["private"]);
    expect(kinds("2026-12-09")).toEqual(["glimpse"]);
  });

  it("is the back of what is stuck to film, unless something on this face covers it, and not of what lies in a pocket", () => {
    const back = [made("b", "embellishment", 1, 1, 1, 1)];
    const kinds = (make: Partial<LeafMake>, front: Piece[] = []) =>
      slipsOf([leaf("top", "5", make, front, back)]).map(({ kind, slip }) => [kind, slip]);
    expect(kinds({ kind: "clear" })).toEqual([["back", "back b"]]);
    expect(kinds({ kind: "full" })).toEqual([]);
    expect(kinds({ kind: "pocket", layout: "four" })).toEqual([]);
    // The film is 7 wide: what lies 1 in from the left of its back lies 5 in from the left of its front.
    expect(kinds({ kind: "clear" }, [made("f", "filler", 4.9, 0.9, 1.2, 1.2)])).toEqual([]);
  });

  it("is a fastener's back that comes through the page, unless something covers it there", () => {
    const brad: Piece = { ...made("b", "embellishment", 1, 1, 1, 1), of: { ...AS_USUAL, material: "brad" } };
    const kinds = (front: Piece[]) =>
      slipsOf([leaf("top", "5", { kind: "full" }, front, [brad])]).map(({ slip }) => slip);
    expect(kinds([])).toEqual(["pierced b"]);
    // The page is 6 wide: it comes out 4 in from the left.
    expect(kinds([made("f", "filler", 3.5, 0.5, 2, 2)])).toEqual([]);
    const stuck = { ...brad, of: { ...AS_USUAL, material: "felt" as const } };
    expect(slipsOf([leaf("top", "5", { kind: "full" }, [], [stuck])])).toEqual([]);
  });

  it("is a page behind a window cut through paper", () => {
    const window: Piece = { id: "w", ...lies, at: at(1, 2), what: { kind: "window", size: print, name: "" } };
    const kinds = (front: Piece[]) => slipsOf([leaf("top", "5", { kind: "full" }, front), six]).map(({ kind }) => kind);
    expect(kinds([window])).toEqual(["glimpse"]);
    expect(kinds([])).toEqual([]);
  });

  it("is lettering as light or as dark as what is behind it, or lost on what is busy, and says which colours read", () => {
    const map = (tone: number, busy: number) => ({ tone: Array(144).fill(tone), busy: Array(144).fill(busy) });
    const white = (ink: NumeralColour) =>
      leaf("film", "6", { kind: "clear" }, [
        { ...made("o", "overlay", 2, 3, 2, 1), what: { kind: "overlay", size: print, name: "", says: "Joy", ink } },
      ]);
    const told = (top: Leaf, tones: Tones) =>
      seenSlips(
        spreadAt(readBook({ format: preset, unit: "inch" }, [page("5"), page("6")], [top, six]).leaves, 0, preset),
        TODAY,
        tones,
      ).flatMap((slip) => (slip.kind === "alike" || slip.kind === "busy" ? [slip] : []));
    const snow = new Map([["6", map(245, 2)]]);
    const night = new Map([["6", map(25, 2)]]);
    const crowd = new Map([["6", map(128, 60)]]);
    expect(told(white("white"), snow)).toMatchObject([{ kind: "alike", contrast: 1.1, isBehind: true }]);
    expect(told(white("white"), snow)[0]?.inks[0]).toBe("black");
    expect(told(white("black"), snow)).toEqual([]);
    expect(told(white("black"), night)).toMatchObject([{ kind: "alike", inks: ["white", "kraft", "brass"] }]);
    expect(told(white("white"), night)).toEqual([]);
    expect(told(white("white"), crowd)).toMatchObject([{ kind: "busy", inks: [] }]);
    // Of a picture that nobody looked at yet, or that is gone, nothing is said.
    expect(told(white("white"), new Map())).toEqual([]);
    // A pattern on film without words is lost where it is busy, and only there.
    const pattern = leaf("film", "6", { kind: "clear" }, [
      { ...made("o", "overlay", 2, 3, 2, 1), what: { kind: "overlay", size: print, name: "" } },
    ]);
    expect(told(pattern, crowd)).toMatchObject([{ kind: "busy", contrast: null }]);
    expect(told(pattern, snow)).toEqual([]);
    // White on white paper, on the page itself.
    const number: Piece = {
      ...{ id: "n", ...lies, at: at(1, 0.25) },
      what: { ...numeralOf(size(inches(1), inches(1))), look: { style: "chipboard", colour: "white" } },
    };
    const onPaper = leaf("top", "6", { kind: "full" }, [number]);
    expect(told(onPaper, new Map())).toMatchObject([{ kind: "alike", contrast: 1, isBehind: false }]);
    // Black on paper stands out, whatever is laid over it; on the dark picture it does not.
    const black: Piece = {
      ...number,
      what: { ...numeralOf(size(inches(1), inches(1))), look: { style: "chipboard", colour: "black" } },
    };
    const under = leaf("top", "6", { kind: "full" }, [black, photo("p6", 0, 0)]);
    const over = leaf("top", "6", { kind: "full" }, [photo("p6", 0, 0), black]);
    expect([under, over].map((top) => told(top, night).length)).toEqual([0, 1]);
  });

  it("is glue behind vellum that is stuck to a page, with where something hides it, and not in a pocket or held by a staple", () => {
    const vellum = { ...AS_USUAL, material: "vellum" as const };
    const sheet: Piece = { ...made("v", "filler", 1, 1, 4, 4), of: vellum };
    const glue = (make: Partial<LeafMake>, front: Piece[]) =>
      slipsOf([leaf("top", "5", make, front)]).flatMap((slip) => (slip.kind === "glue" ? [slip.mayGo] : []));
    expect(glue({ kind: "paper" }, [sheet])).toEqual([[]]);
    expect(glue({ kind: "paper" }, [sheet, made("f", "filler", 4, 4, 2, 2)])).toEqual([
      [rect(inches(4), inches(4), inches(1), inches(1))],
    ]);
    expect(glue({ kind: "paper" }, [made("f", "filler", 4, 4, 2, 2), sheet])).toEqual([[]]);
    // Under a strip of an eighth of an inch no glue goes.
    expect(glue({ kind: "paper" }, [sheet, made("f", "filler", 2, 2, 2, 1 / 8)])).toEqual([[]]);
    expect(glue({ kind: "pocket", layout: "four" }, [sheet])).toEqual([]);
    expect(glue({ kind: "paper" }, [made("f", "filler", 1, 1, 4, 4)])).toEqual([]);
    const stapled: Piece = { ...sheet, of: { ...vellum, sits: "staple" } };
    const slips = slipsOf([leaf("top", "5", { kind: "paper" }, [], [stapled])]);
    expect(slips.map(({ slip }) => slip)).toEqual(["pierced v"]);
    const tucked: Piece = { ...made("t", "filler", 1, 1, 2, 3), of: { ...AS_USUAL, sits: "slit" } };
    expect(slipsOf([leaf("top", "5", { kind: "paper" }, [], [tucked])])).toMatchObject([
      { kind: "pierced", by: "slit" },
    ]);
    expect(glue({ kind: "paper" }, [stapled])).toEqual([]);
  });

  it("stays left once it was left, on its own leaf, until it is told again", () => {
    const leaves = [leaf("top", "5", { kind: "clear" }, []), six];
    const [slip] = slipsOf(leaves);
    if (!slip) throw new Error("a glimpse");
    expect(isLeft(slip)).toBe(false);
    const said = (on: boolean, now: readonly Leaf[]) => {
      const done = applyBookEdit(now, { kind: "leave-seen", leaf: "top", slip: slip.slip, on });
      if (!done.ok) throw new Error(done.reason);
      return done.leaves;
    };
    const left = said(true, said(true, leaves));
    expect(left[0]?.leftSeen).toEqual([slip.slip]);
    expect(slipsOf(left).map(isLeft)).toEqual([true]);
    expect(said(false, left)).toEqual(leaves);
  });

  it("is hidden by paper between, and still there behind vellum, on either side of an opening", () => {
    const pages = [page("5"), page("6")];
    const seen = (leaves: readonly Leaf[], turned: number, kind: "vellum" | "paper") => {
      const { leaves: read } = readBook({ format: preset, unit: "inch" }, pages, leaves);
      const spread = spreadAt(read, turned, preset);
      const [slip] = seenSlips(spread, TODAY, NO_TONES);
      const edit = slip && putBetween(leaves, slip, kind, "new");
      const book = { format: preset, unit: "inch", pages, layouts: [] } as const;
      const after = edit && spreadWith(book, read, spread, slip, edit);
      if (!slip || !after) throw new Error("a glimpse");
      // What is tried is what the book is once it is done.
      expect(edit).toMatchObject({ after: leaves[0]?.id });
      const done = applyBookEdit(leaves, edit);
      if (!done.ok) throw new Error(done.reason);
      const real = spreadAt(readBook({ format: preset, unit: "inch" }, pages, done.leaves).leaves, after.at, preset);
      const kinds = (each: typeof spread) => seenSlips(each, TODAY, NO_TONES).map((one) => one.kind);
      expect(kinds(real)).toEqual(kinds(after));
      // The same leaf is uppermost, and the new one lies right behind it.
      const stack = slip.face === "front" ? after.right : after.left;
      expect(stack.map(({ read: each }) => each.leaf.id).slice(0, 2)).toEqual([slip.through.leaf.id, "new"]);
      return kinds(after);
    };
    const clear = leaf("top", "5", { kind: "clear" }, []);
    expect(seen([clear, six], 0, "vellum")).toEqual(["glimpse"]);
    expect(seen([clear, six], 0, "paper")).toEqual([]);
    // From behind: day 6's back through the clear leaf that was turned after it.
    const back = leaf("six", "6", { kind: "full" }, [], [photo("p6", 1, 2)]);
    expect(seen([back, clear], 2, "paper")).toEqual([]);
    expect([thicknessOfBetween("vellum"), thicknessOfBetween("paper")]).toEqual([100, 180]);
  });

  it("is nothing in an empty book, nor of a picture that is gone", () => {
    expect(slipsOf([])).toEqual([]);
    const gone = leaf("six", "6", { kind: "full" }, [photo("nothing", 1, 2)]);
    expect(slipsOf([leaf("top", "5", { kind: "clear" }, []), gone])).toEqual([]);
  });
});
