import type { AlbumFormat } from "../album/model.ts";
import type { Lying, Spread } from "../book/spread.ts";
import { seenThroughBase } from "../book/windows.ts";
import { millimetres, ticks } from "../measure/length.ts";
import type { Mark } from "./marks.ts";
import { sideMarks } from "./side.ts";

/** How far vellum spreads what lies right behind it. From memory. */
const SOFT = millimetres(0.8);
const ZERO = { x: ticks(0), y: ticks(0), turn: 0 } as const;

const leafOf = ({ read, face, page }: Lying, format: AlbumFormat): Mark => ({
  ...({ kind: "group", turn: 0, x: page.x, y: page.y, w: page.w, h: page.h } as const),
  marks: sideMarks(read, face, format),
});

/**
 * One side of a spread, the lowest leaf first. What is seen through vellum is drawn once more under it and softer; through
 * several sheets that is done under the uppermost alone, so that a book of vellum costs no more to draw than any other.
 */
function stackMarks(stack: readonly Lying[], format: AlbumFormat): Mark[] {
  const veil = stack.findIndex(({ read }) => seenThroughBase(read) === "translucent");
  const marks = stack.map((lying) => leafOf(lying, format));
  const page = stack[veil]?.page;
  if (!page) return marks.reverse();
  const lower = marks.slice(veil + 1).reverse();
  const softer: Mark = { kind: "group", ...ZERO, w: page.w, h: page.h, soft: SOFT, marks: lower };
  const clipped: Mark = { kind: "group", ...ZERO, w: page.w, h: page.h, clip: page, marks: [softer] };
  return [...lower, ...(lower.length > 0 ? [clipped] : []), ...marks.slice(0, veil + 1).reverse()];
}

/** A whole spread as the eye sees it, every leaf that is seen in it, in ticks from the upper end of the spine. */
export const spreadMarks = ({ left, right }: Spread, format: AlbumFormat): Mark[] =>
  [left, right].flatMap((stack) => stackMarks(stack, format));
