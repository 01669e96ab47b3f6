import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { decemberDays, fullDay, makeOf } from "../../tests/samples.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, newLeaf } from "../album/leaf.ts";
import { pagesOf } from "../album/page.ts";
import { inches } from "../measure/length.ts";
import { centredIn, contains, rect, rectOf, sizeOf } from "../measure/rect.ts";
import { alsoOn } from "./also.ts";
import { readBook } from "./read.ts";

const DATES = ["2026-12-01", "2026-12-02", "2026-12-03", "2026-12-04"] as const;
const PLACE = { x: inches(1), y: inches(2) };
const piece = { ...constructionOf("p", "cut-shape", { sizes: { width: inches(2), height: inches(3) } }), at: PLACE };

/** The first day's page has the piece; what each other page is made as. */
function book(...makes: readonly (Partial<LeafMake> & { face?: "back"; glued?: true; skipped?: true })[]) {
  const { plan, days: all } = decemberDays(Object.fromEntries(DATES.map((date) => [date, fullDay(date)])));
  const days = all.map((day) =>
    makes[DATES.indexOf(day.id as (typeof DATES)[number]) - 1]?.skipped ? { ...day, skipped: true } : day,
  );
  const leaves = [{}, ...makes].map((given, nth): Leaf => {
    const { face, glued, skipped: _, ...make } = given as (typeof makes)[number];
    const owner = { kind: "day", dayId: DATES[nth] ?? "" } as const;
    const nobody = { kind: "nobody" } as const;
    const made = makeOf({ kind: "full", ...make });
    const leaf = face ? newLeaf(`l${nth}`, made, nobody, owner) : newLeaf(`l${nth}`, made, owner, nobody);
    if (glued) return { ...leaf, glued: true };
    return nth === 0 ? { ...leaf, front: { ...EMPTY_SIDE, owner, pieces: [piece] } } : leaf;
  });
  const pages = pagesOf({ album: plan, days, leaves, prints: [] });
  const read = readBook(plan, pages, leaves);
  const from = read.leaves[0];
  const placed = from?.front.pieces.find((each) => each.piece.id === "p");
  if (!from || !placed) throw new Error("a piece");
  const found = alsoOn(read, from, "front", piece, placed.rect);
  return { size: sizeOf(placed.rect), found, said: found.map(({ page, face }) => `${page.days[0]?.id} ${face}`) };
}

describe("the same piece on other days", () => {
  it("lies in the same place, on the same face where it is theirs and on the other where it is not, never on its own day", () => {
    const { found, said, size } = book({}, { face: "back" });
    expect(said).toEqual([`${DATES[1]} front`, `${DATES[2]} back`]);
    for (const { lies } of found) expect(lies).toEqual(rect(PLACE.x, PLACE.y, size.w, size.h));
  });

  it("lies on a page rather than on what is put in before it", () => {
    const { plan, days } = decemberDays(Object.fromEntries(DATES.map((date) => [date, fullDay(date)])));
    const own = (date: string) => ({ kind: "day", dayId: date }) as const;
    const nobody = { kind: "nobody" } as const;
    const first = newLeaf("l0", makeOf({ kind: "full" }), own(DATES[0]), nobody);
    const menu = { insert: "menu", size: { w: inches(4), h: inches(8) } } as const;
    const leaves = [
      { ...first, front: { ...first.front, pieces: [piece] } },
      newLeaf("menu", makeOf(menu), own(DATES[1]), nobody),
      newLeaf("page", makeOf({ kind: "full" }), own(DATES[1]), nobody),
    ];
    const read = readBook(plan, pagesOf({ album: plan, days, leaves, prints: [] }), leaves);
    const [from] = read.leaves;
    const placed = from?.front.pieces.find((each) => each.piece.id === "p");
    if (!from || !placed) throw new Error("a piece");
    expect(alsoOn(read, from, "front", piece, placed.rect).map((each) => each.read.leaf.id)).toEqual(["page"]);
  });

  it("lies on no side that is glued over, and on no day that is skipped", () => {
    // Glued to the next, it covers that one's front.
    expect(book({ glued: true }, {}, {}).said).toEqual([`${DATES[1]} front`, `${DATES[3]} front`]);
    expect(book({}, { skipped: true }, {}).said).toEqual([`${DATES[1]} front`, `${DATES[3]} front`]);
  });

  it("lies in the middle of a pocket that takes it, where the page has pockets, and nowhere it is too large for", () => {
    const { found, said } = book(
      { kind: "pocket", layout: "four" },
      { insert: "tag", size: { w: inches(1.5), h: inches(4) } },
    );
    expect(said).not.toContain(`${DATES[2]} front`);
    expect(said).toContain(`${DATES[1]} front`);
    const inPocket = found.find(({ page }) => page.days[0]?.id === DATES[1]);
    expect(inPocket?.read.front.pockets).toHaveLength(4);
    const [room] = inPocket?.read.front.pockets ?? [];
    expect(inPocket?.lies).toEqual(room && inPocket && centredIn(room, sizeOf(inPocket.lies)));
    for (const { read, face, lies } of found) {
      const rooms = read[face].pockets.length > 0 ? read[face].pockets : [rectOf(read.build.page)];
      expect(rooms.some((room) => contains(room, lies))).toBe(true);
    }
  });
});
