import type { Mark } from "../draw/marks.ts";
import { type Length, ticks } from "../measure/length.ts";
import { type Rect, rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { Opener, Towards } from "./openers.ts";

const t = (n: number): Length => ticks(Math.round(n));

const ALONG: Record<Towards, readonly [number, number]> = { up: [0, -1], down: [0, 1], left: [-1, 0], right: [1, 0] };

/** An arrow from one place along a direction. */
function arrow(x: number, y: number, to: Towards, long: number): Mark[] {
  const [dx, dy] = ALONG[to];
  const [tipX, tipY] = [x + dx * long, y + dy * long];
  const head = long * 0.42;
  const corner = (side: 1 | -1) =>
    [t(tipX - dx * head - dy * side * head * 0.6), t(tipY - dy * head + dx * side * head * 0.6)] as const;
  return [
    {
      ...({ kind: "line", stroke: "ink", line: t(long * 0.1) } as const),
      ...{ x1: t(x), y1: t(y), x2: t(tipX - dx * head * 0.8), y2: t(tipY - dy * head * 0.8) },
    },
    { kind: "polygon", points: [[t(tipX), t(tipY)], corner(1), corner(-1)], fill: "ink" },
  ];
}

/** How large a page is drawn in a box: as large as it goes in. */
export function drawnIn({ w, h }: Size, box: Size): Size {
  const by = Math.min(box.w / w, box.h / h);
  return { w: t(w * by), h: t(h * by) };
}

/**
 * A small drawing of the page that something lies on: everything there in outline, what opens filled, and an arrow where to it
 * goes. From the drawing's left upper corner; it is as large as `drawnIn` says.
 */
export function openerMarks({ read, face, at, moves }: Opener, box: Size): Mark[] {
  const page = read.build.page;
  const area = drawnIn(page, box);
  const by = area.w / page.w;
  const scaled = ({ x, y, w, h }: Rect): Rect =>
    rect(Math.round(x * by), Math.round(y * by), Math.round(w * by), Math.round(h * by));
  const fine = t(Math.max(area.w, area.h) * 0.006);
  const here = at ?? rectOf(page);
  const others = read[face].pieces.filter((each) => each.rect !== at).map((each) => scaled(each.rect));
  const own = scaled(here);
  const long = Math.max(area.w, area.h) * 0.2;
  const ways = [...new Set(moves.flatMap(({ to }) => to))];
  return [
    { kind: "rect", at: rectOf(area), fill: "paper", stroke: "pencil", line: fine },
    ...others.map((each): Mark => ({ kind: "rect", at: each, stroke: "hair", line: fine })),
    ...read.build.pockets.map((each): Mark => ({ kind: "rect", at: scaled(each), stroke: "hair", line: fine })),
    { kind: "rect", at: own, fill: "ember", solid: 0.35, stroke: "ink", line: t(fine * 1.6) },
    ...ways.flatMap((to) => {
      // From the middle of what opens, as far as its edge and a little on.
      const [dx, dy] = ALONG[to];
      return arrow(own.x + own.w / 2 + (dx * own.w) / 8, own.y + own.h / 2 + (dy * own.h) / 8, to, long);
    }),
  ];
}
