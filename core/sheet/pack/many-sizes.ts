import { type Length, ticks } from "../../measure/length.ts";
import { chanceFrom } from "./few-sizes.ts";
import { type PackedSheet, type PackTask, printed, type Region, WASTE, waysOf } from "./task.ts";

/** One print to be laid, with every way it may lie, its share of the gap included. */
type One = {
  readonly type: number;
  readonly ways: readonly { turned: boolean; w: number; h: number }[];
  readonly area: number;
};

/** A rectangle of a sheet being filled: free, taken by a print, or cut in two. */
type Node =
  | { kind: "free"; w: number; h: number }
  | { kind: "print"; one: One; turned: boolean }
  | { kind: "cut"; axis: "x" | "y"; at: number; first: Node; second: Node };
type Free = { readonly node: Node; readonly w: number; readonly h: number; readonly put: (made: Node) => void };
type Open = { paper: number; root: Node; free: Free[]; ones: One[]; used: number };

type Rules = { readonly choose: "short-side" | "area"; readonly split: "short-rest" | "long-rest" | "large-rest" };
const RULES: readonly Rules[] = (["short-side", "area"] as const).flatMap((choose) =>
  (["large-rest", "short-rest", "long-rest"] as const).map((split) => ({ choose, split })),
);

function newSheet(paper: number, w: number, h: number): Open {
  const sheet: Open = { paper, root: { kind: "free", w, h }, free: [], ones: [], used: 0 };
  sheet.free = [
    {
      node: sheet.root,
      w,
      h,
      put: (made) => {
        sheet.root = made;
      },
    },
  ];
  return sheet;
}

/** How badly a print fills a free rectangle; infinite where it does not fit. */
function looseness({ w, h }: Free, way: { w: number; h: number }, { choose }: Rules): number {
  if (way.w > w || way.h > h) return Number.POSITIVE_INFINITY;
  return choose === "area" ? w * h - way.w * way.h : Math.min(w - way.w, h - way.h);
}

/** Whether the cut along the print's height comes first, leaving the rest beside it as high as the rectangle. */
function beside(restX: number, restY: number, w: number, h: number, { split }: Rules): boolean {
  if (split === "short-rest") return restX >= restY;
  if (split === "long-rest") return restX < restY;
  return restX * h >= restY * w;
}

function put(sheet: Open, free: Free, one: One, way: { turned: boolean; w: number; h: number }, rules: Rules): void {
  const print: Node = { kind: "print", one, turned: way.turned };
  const [restX, restY] = [free.w - way.w, free.h - way.h];
  sheet.free = sheet.free.filter((each) => each !== free);
  sheet.ones.push(one);
  sheet.used += one.area;
  const opens = (parent: Extract<Node, { kind: "cut" }>, w: number, h: number) => {
    parent.second = { kind: "free", w, h };
    sheet.free.push({
      node: parent.second,
      w,
      h,
      put: (made) => {
        parent.second = made;
      },
    });
  };
  const cutX = (first: Node, high: number): Node => {
    if (restX === 0) return first;
    const made: Node = { kind: "cut", axis: "x", at: way.w, first, second: { kind: "free", w: 0, h: 0 } };
    opens(made, restX, high);
    return made;
  };
  const cutY = (first: Node, wide: number): Node => {
    if (restY === 0) return first;
    const made: Node = { kind: "cut", axis: "y", at: way.h, first, second: { kind: "free", w: 0, h: 0 } };
    opens(made, wide, restY);
    return made;
  };
  free.put(
    beside(restX, restY, free.w, free.h, rules) ? cutX(cutY(print, way.w), free.h) : cutY(cutX(print, way.h), free.w),
  );
}

/** Lays prints in order on the given sheets, each where it fits best; what fits nowhere is returned. */
function layAll(sheets: readonly Open[], ones: readonly One[], rules: Rules): One[] {
  return ones.filter((one) => {
    let best: { sheet: Open; free: Free; way: One["ways"][number]; loose: number } | null = null;
    for (const sheet of sheets) {
      for (const free of sheet.free) {
        for (const way of one.ways) {
          const loose = looseness(free, way, rules);
          if (loose < (best?.loose ?? Number.POSITIVE_INFINITY)) best = { sheet, free, way, loose };
        }
      }
    }
    if (!best) return true;
    put(best.sheet, best.free, one, best.way, rules);
    return false;
  });
}

function regionOf(node: Node): Region {
  if (node.kind === "free") return WASTE;
  if (node.kind === "print") return { kind: "print", type: node.one.type, turned: node.turned };
  return {
    kind: "cut",
    axis: node.axis,
    at: ticks(node.at) as Length,
    first: regionOf(node.first),
    second: regionOf(node.second),
  };
}

/**
 * Plans for prints of many sizes, better ones as they come: laid largest first by several rules, then again and again
 * some sheets are emptied, the least full among them, and their prints laid anew in a changed order on fewer sheets
 * (ruin and recreate, Schrimpf et al. 2000). A change stands when it fills full sheets fuller.
 */
export function* plansOfManySizes(task: PackTask): Generator<PackedSheet[]> {
  const { wanted, papers, gap } = task;
  const inner = papers.map(({ area }) => ({ w: area.w + gap, h: area.h + gap }));
  const ones = wanted.flatMap((each, type) => {
    const ways = waysOf(each).map((turned) => {
      const made = printed(each, turned);
      return { turned, w: made.w + gap, h: made.h + gap };
    });
    const [first] = ways;
    return Array.from({ length: each.count }, (): One => ({ type, ways, area: (first?.w ?? 0) * (first?.h ?? 0) }));
  });
  const chance = chanceFrom(ones.length * 7919 + wanted.length);
  /** The paper a print goes on when no open sheet takes it: the largest that does. */
  const paperFor = (one: One): number => {
    const takes = inner.flatMap(({ w, h }, paper) =>
      one.ways.some((way) => way.w <= w && way.h <= h) ? [{ paper, area: w * h }] : [],
    );
    return takes.reduce((a, b) => (b.area > a.area ? b : a), takes[0] ?? { paper: 0, area: 0 }).paper;
  };
  const build = (order: readonly One[], rules: Rules, given: readonly Open[] = []): Open[] => {
    const sheets = [...given];
    for (let rest = layAll(sheets, order, rules); rest[0]; ) {
      const paper = paperFor(rest[0]);
      const sheet = newSheet(paper, inner[paper]?.w ?? 0, inner[paper]?.h ?? 0);
      sheets.push(sheet);
      rest = layAll([sheet], rest, rules);
      if (sheet.ones.length === 0) throw new Error("something is wanted that fits no paper");
    }
    return sheets;
  };
  const fullness = (sheets: readonly Open[]) => sheets.reduce((sum, { used }) => sum + used * used, 0);
  const done = (sheets: readonly Open[]): PackedSheet[] =>
    sheets.map(({ paper, root, ones: laid }) => ({
      paper,
      root: regionOf(root),
      counts: wanted.map((_, type) => laid.filter((one) => one.type === type).length),
    }));
  const keys: readonly ((one: One) => number)[] = [
    ({ area }) => area,
    ({ ways }) => Math.max(ways[0]?.w ?? 0, ways[0]?.h ?? 0),
    ({ ways }) => ways[0]?.h ?? 0,
    ({ ways }) => ways[0]?.w ?? 0,
  ];
  const better = (a: readonly Open[], b: readonly Open[]) =>
    a.length < b.length || (a.length === b.length && fullness(a) > fullness(b));
  const first = keys
    .flatMap((key) => {
      const order = [...ones].sort((a, b) => key(b) - key(a));
      return RULES.map((rules) => build(order, rules));
    })
    .reduce((a, b) => (better(b, a) ? b : a));
  let best = first;
  yield done(best);
  for (let turn = 0; ; turn++) {
    const emptied = new Set<Open>();
    const leastFull = best.reduce((a, b) => (b.used < a.used ? b : a));
    emptied.add(leastFull);
    const many = Math.min(best.length, 2 + Math.floor(chance() * 3));
    while (emptied.size < many) {
      const other = best[Math.floor(chance() * best.length)];
      if (other) emptied.add(other);
    }
    const kept = best.filter((sheet) => !emptied.has(sheet));
    const key = keys[Math.floor(chance() * keys.length)] ?? (({ area }: One) => area);
    const noise = chance() * 0.6;
    const loose = [...emptied].flatMap((sheet) => sheet.ones);
    const weighed = loose.map((one) => ({ one, weight: key(one) * (1 + noise * (chance() - 0.5)) }));
    const order = weighed.sort((a, b) => b.weight - a.weight).map(({ one }) => one);
    const rules = RULES[Math.floor(chance() * RULES.length)] ?? { choose: "area", split: "large-rest" };
    // One new sheet after the other takes all it can before the next is begun, so that the last is left emptiest.
    const sheets = [...kept, ...build(order, rules)];
    if (better(sheets, best)) {
      best = sheets;
      yield done(best);
    } else if (turn % 16 === 15) yield done(best);
  }
}
