import { type Leaf, leafOfDay, type Piece } from "../../core/album/leaf.ts";
import { pagesOf } from "../../core/album/page.ts";
import { readBook } from "../../core/book/read.ts";
import { spreadAt } from "../../core/book/spread.ts";
import { aheadOf } from "../../core/bulk/ahead.ts";
import { bindingOf } from "../../core/bulk/closing.ts";
import { layersOf } from "../../core/bulk/layers.ts";
import { bestSplit } from "../../core/bulk/split.ts";
import { sideMarks } from "../../core/draw/side.ts";
import { inches, ticks } from "../../core/measure/length.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { seenSlips } from "../../core/see-through/slips.ts";
import { makeOf } from "../samples.ts";
import { bigAlbum, median } from "./recompute.ts";

/** A page in its protector with thirteen pieces strewn over it: fillers, mats, and every fourth one round. */
function thickLeaf(dayId: string, nth: number): Leaf {
  const pieces = Array.from(
    { length: 13 },
    (_, at): Piece => ({
      ...{ id: `piece-${at}`, turn: at % 2 ? 1 : 0, outside: false, dayId: null },
      what: {
        kind: at % 4 === 0 ? "embellishment" : at % 2 ? "filler" : "photo-mat",
        ...{ size: { w: inches(0.75 + (at % 5) / 2), h: inches(0.75 + (at % 3) / 2) }, name: "" },
      },
      at: { x: ticks(((at + nth) * 3571) % inches(4)), y: ticks(((at + nth) * 7919) % inches(6)) },
    }),
  );
  const leaf = leafOfDay(`leaf-${dayId}`, makeOf({ kind: "full" }), dayId);
  return { ...leaf, front: { ...leaf.front, pieces } };
}

/** Median milliseconds to reckon a closed book of 62 leaves and 800 pieces anew, and to find where to part it. */
export function measureBulk(): { "bulk.recompute_ms": number; "bulk.split_ms": number } {
  const { plan, days } = bigAlbum(62);
  const leaves = days.map(({ id }, at) => thickLeaf(id, at));
  const pages = pagesOf({ album: plan, days, leaves, prints: [] });
  const book = readBook(plan, pages, leaves);
  const binding = bindingOf({ ...plan.format, capacity: 30_000 });
  const time = (work: () => void): number => {
    const times = Array.from({ length: 40 }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    });
    return median(times.slice(10));
  };
  const recompute = time(() => {
    const layers = layersOf(book.leaves, plan.format, new Map());
    const { planned } = aheadOf(layers, pages, binding);
    if (planned.gape === 0) throw new Error("a book that closes");
  });
  const byLeaf = book.leaves.map((leaf) => layersOf([leaf], plan.format, new Map()));
  const split = time(() => {
    if (!bestSplit(byLeaf, binding)) throw new Error("no place to part it");
  });
  return { "bulk.recompute_ms": recompute, "bulk.split_ms": split };
}

const TODAY = "2026-12-09" as CalendarDate;
const NO_TONES = new Map();

/** Median milliseconds to see and draw one opening, and to tell what of it is not meant, of a book of pages that are looked through: pockets, film and vellum. */
export function measureOpening(): number {
  const { plan, days } = bigAlbum(62);
  const kinds = [{ kind: "pocket", layout: "four" }, { kind: "clear" }, { kind: "vellum" }, { kind: "full" }] as const;
  const leaves = days.map(({ id }, at): Leaf => {
    const { front, back } = thickLeaf(id, at);
    const some = front.pieces?.slice(0, 4) ?? [];
    return {
      ...leafOfDay(`leaf-${id}`, makeOf(kinds[at % kinds.length]), id),
      front: { ...front, pieces: some },
      back,
    };
  });
  const pages = pagesOf({ album: plan, days, leaves, prints: [] });
  const times: number[] = [];
  for (let round = 0; round < 6; round++) {
    // Read anew, so that nothing of it is known from before.
    const book = readBook(plan, pages, leaves);
    for (let turned = 1; turned < 62; turned++) {
      const began = performance.now();
      const spread = spreadAt(book.leaves, turned, plan.format);
      for (const { read, face } of [...spread.left, ...spread.right]) sideMarks(read, face, plan.format);
      seenSlips(spread, TODAY, NO_TONES);
      if (round > 0) times.push(performance.now() - began);
    }
  }
  return median(times);
}
