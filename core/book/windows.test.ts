import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, NOBODY, newLeaf, numeralOf, type Piece } from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { inches } from "../measure/length.ts";
import { areaOf, overlap, rect, rectOf } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { readBook } from "./read.ts";
import { spreadAt } from "./spread.ts";
import { seenThroughBase, seenThroughPiece, windowsOf } from "./windows.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const piece = (
  id: string,
  kind: "filler" | "overlay" | "window",
  x: number,
  y: number,
  w: number,
  h: number,
): Piece => ({
  ...{ id, turn: 0, outside: false, dayId: null, at: { x: inches(x), y: inches(y) } },
  what: { kind, size: size(inches(w), inches(h)), name: "" },
});
const leaf = (
  id: string,
  make: Partial<LeafMake>,
  front: readonly Piece[] = [],
  back: readonly Piece[] = [],
): Leaf => ({
  ...newLeaf(id, makeOf(make), NOBODY, NOBODY),
  ...{ front: { ...EMPTY_SIDE, pieces: front }, back: { ...EMPTY_SIDE, pieces: back } },
});
const read = (...leaves: Leaf[]) => readBook({ format: preset, unit: "inch" }, [], leaves).leaves;
const one = (each: Leaf) => {
  const [first] = read(each);
  if (!first) throw new Error("a leaf");
  return first;
};
const areaThrough = (each: Leaf, face: "front" | "back" = "front") =>
  windowsOf(one(each), face).reduce((sum, window) => sum + areaOf(window), 0);
// Film goes straight into the rings, as large as the leaves beside it.
const page = areaOf(preset.bare);
const inch = inches(1) * inches(1);

describe("where one looks through a leaf", () => {
  it("is film and vellum but for what lies there on either face, and nothing of an opaque page", () => {
    expect(areaThrough(leaf("a", { kind: "full" }))).toBe(0);
    expect(areaThrough(leaf("a", { kind: "clear" }))).toBe(page);
    expect(areaThrough(leaf("a", { kind: "vellum" }, [piece("p", "filler", 0, 0, 3, 4)]))).toBe(page - 12 * inch);
    const both = leaf("a", { kind: "clear" }, [piece("p", "filler", 0, 0, 3, 4)], [piece("q", "filler", 0, 4, 2, 4)]);
    expect(areaThrough(both)).toBe(page - 20 * inch);
    expect(areaThrough(both, "back")).toBe(page - 20 * inch);
    // Printed film over it is looked through too.
    expect(areaThrough(leaf("a", { kind: "clear" }, [piece("p", "overlay", 0, 0, 7, 8.25)]))).toBe(page);
  });

  it("is a window cut through an opaque page, from both sides, each part once, within the page, but for what lies over it", () => {
    const cut = leaf("a", { kind: "full" }, [piece("w", "window", 1, 1, 2, 2)]);
    expect(areaThrough(cut)).toBe(4 * inch);
    expect(areaThrough(cut, "back")).toBe(4 * inch);
    // The page is 6 wide: cut 1 in from the front's left, it is 3 in from the back's.
    expect(windowsOf(one(cut), "back")).toEqual([rect(inches(3), inches(1), inches(2), inches(2))]);
    const two = leaf("a", { kind: "full" }, [piece("w", "window", 1, 1, 2, 2)], [piece("v", "window", 2, 1, 2, 2)]);
    // From the back 2 to 4, which is 2 to 4 from the front too: half of both is shared.
    expect(areaThrough(two)).toBe(6 * inch);
    const covered = [piece("w", "window", 1, 1, 2, 2), piece("p", "filler", 1, 1, 1, 2)];
    expect(areaThrough(leaf("a", { kind: "full" }, covered))).toBe(2 * inch);
    const whole = [piece("w", "window", -2, -2, 12, 14)];
    expect(areaThrough(leaf("a", { kind: "full" }, whole))).toBe(areaOf(one(leaf("a", { kind: "full" })).build.page));
    expect(areaThrough(leaf("a", { kind: "full" }, [piece("w", "window", 20, 20, 2, 2)]))).toBe(0);
  });

  it("is what its material is, whatever its kind: a full page of vellum, film that is said to be cardstock", () => {
    const of = (material: "vellum" | "cardstock-80" | "transparency") => ({ ...AS_USUAL, material });
    const seen = (make: Partial<LeafMake>) => seenThroughBase(one(leaf("a", make)));
    expect(seen({ kind: "full", of: of("vellum") })).toBe("translucent");
    expect(seen({ kind: "paper", of: of("transparency") })).toBe("clear");
    expect(seen({ kind: "clear", of: of("cardstock-80") })).toBe("opaque");
    expect(seen({ kind: "pocket", layout: "four" })).toBe("clear");
  });

  it("is the pockets in which nothing lies, and of the others what is not filled", () => {
    const empty = one(leaf("a", { kind: "pocket", layout: "four" }));
    expect(windowsOf(empty, "front")).toHaveLength(4);
    const [pocket] = empty.build.pockets;
    if (!pocket) throw new Error("a pocket");
    const card = { ...piece("p", "filler", 0, 0, 3, 4), at: { x: pocket.x, y: pocket.y } };
    const filled = one(leaf("a", { kind: "pocket", layout: "four" }, [card]));
    // What is left beside the card is too narrow to make anything out.
    expect(windowsOf(filled, "front")).toHaveLength(3);
    expect(windowsOf(filled, "back")).toHaveLength(3);
    for (const window of windowsOf(filled, "front"))
      expect(overlap(window, rect(pocket.x, pocket.y, inches(3), inches(4)))).toBeNull();
  });

  it("counts a room as what will fill it, and ink as nothing", () => {
    const at = { turn: 0, outside: false, dayId: null, at: { x: inches(0), y: inches(0) } } as const;
    const room: Piece = { id: "r", ...at, what: { kind: "room", keeps: "photo", size: size(inches(3), inches(4)) } };
    const stamped: Piece = {
      id: "n",
      ...at,
      what: { ...numeralOf(size(inches(2), inches(2))), look: { style: "stamped", colour: "black" } },
    };
    expect([room, stamped].map(seenThroughPiece)).toEqual(["opaque", "clear"]);
    expect(seenThroughPiece({ ...stamped, of: { ...AS_USUAL, material: "chipboard" } })).toBe("opaque");
  });

  it("lets the leaf behind be seen there, and the one behind that no more; twenty clear leaves have an end", () => {
    const stack = read(
      leaf("pockets", { kind: "pocket", layout: "four" }),
      leaf("page", { kind: "full" }),
      leaf("last", {}),
    );
    const { right } = spreadAt(stack, 0, preset);
    expect(right.map(({ read: { leaf: of } }) => of.id)).toEqual(["pockets", "page"]);
    const [pockets, under] = right;
    if (!pockets || !under) throw new Error("both are seen");
    const open = windowsOf(pockets.read, "front").reduce((sum, each) => sum + areaOf(each), 0);
    expect(under.visible.reduce((sum, part) => sum + areaOf(part), 0)).toBe(open);
    expect([pockets, under].flatMap(({ stops }) => stops).reduce((sum, part) => sum + areaOf(part), 0)).toBe(
      areaOf(pockets.whole),
    );
    const clear = read(...Array.from({ length: 20 }, (_, at) => leaf(`${at}`, { kind: "clear" })));
    expect(spreadAt(clear, 0, preset).right).toHaveLength(16);
    expect(rectOf(preset.nominal).w).toBe(inches(6));
  });
});
