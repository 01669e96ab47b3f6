import { type Length, ticks } from "../measure/length.ts";
import { areaOf, type Rect, rectOf, sizeOf } from "../measure/rect.ts";
import { type Size, sameSize, size, turned } from "../measure/size.ts";
import { type CutStep, cutList } from "../sheet/cutting.ts";
import { BoundedPatterns } from "../sheet/pack/pattern.ts";
import { rasterOf } from "../sheet/pack/raster.ts";
import { fits, type PackTask, printed, type Region, WASTE, type Wanted, waysOf } from "../sheet/pack/task.ts";
import { halves, layOut, tidied } from "../sheet/pack/tidy.ts";
import { aroundMotif, keeperOf, stripsBeside, WAYS_ROUND, type WayRound } from "./motif.ts";

/** Sheets of one paper that are there, whole ones and what was left of some: so many of each size. */
export type StockSheet = {
  readonly thing: string;
  readonly size: Size;
  readonly count: number;
  /** A part of each of them that stays whole; nothing is cut out of it. */
  readonly motif?: Rect | null;
};
/** Something that is to be cut of it. */
export type ToCut = { readonly id: string; readonly size: Size };
export type CutOrder = {
  readonly sheets: readonly StockSheet[];
  readonly cuts: readonly ToCut[];
  /** Its pattern has no top: pieces may lie either way. */
  readonly canTurn: boolean;
  /** Cuts are laid at whole numbers of this wherever what is cut lets them. */
  readonly step: Length;
};

export type CutPiece = { readonly id: string; readonly at: Rect; readonly turned: boolean };
/** One sheet as it is cut. */
export type CutSheet = {
  readonly thing: string;
  readonly size: Size;
  readonly pieces: readonly CutPiece[];
  readonly cuts: readonly CutStep[];
  /** What is left of it, the largest first. */
  readonly rests: readonly Size[];
  /** The motif that stays whole, and the rest that keeps it; both where they lie on the sheet. */
  readonly kept: { readonly rest: Rect; readonly motif: Rect } | null;
};
export type CuttingPlan = {
  readonly sheets: readonly CutSheet[];
  /** What there is no paper for any more. */
  readonly short: readonly ToCut[];
  /** What is larger than any sheet, and how it may be joined; null: of sheets of no kind that are there. */
  readonly joined: readonly { readonly cut: ToCut; readonly from: Joined | null }[];
};
/** Equal parts along one edge, which meet in seams. `along`: the edge that is divided. */
export type Joined = { readonly parts: number; readonly along: "w" | "h"; readonly size: Size };

/** More fillings than these keep a keeper waiting: what is left then is laid the nearest way. */
const MOST_FILLS = 600;
/** How many ways to go on are kept at each sheet. */
const BEAM = 12;
/** So many places along an edge are looked at in one filling. */
const MOST_STEPS = 300;

/** Paper that may be cut up: a whole sheet, or a strip of one beside its motif. */
type Cuttable = {
  readonly of: StockSheet;
  readonly strip: number | null;
  readonly size: Size;
  readonly count: number;
};
type Kind = { readonly size: Size; readonly things: readonly Cuttable[] };
type State = {
  readonly left: readonly number[];
  readonly free: readonly number[];
  readonly area: number;
  readonly sheets: readonly { readonly kind: number; readonly counts: readonly number[]; readonly root: Region }[];
};

const cuttable = (of: StockSheet, way: WayRound): Cuttable[] =>
  of.motif
    ? stripsBeside(of.size, of.motif, way).map(({ at }, strip) => ({ of, strip, size: sizeOf(at), count: of.count }))
    : [{ of, strip: null, size: of.size, count: of.count }];

/** What may be cut up by its sizes, smaller ones first. */
function kindsOf(sheets: readonly StockSheet[], way: WayRound): Kind[] {
  const kinds: { size: Size; things: Cuttable[] }[] = [];
  for (const each of sheets.flatMap((sheet) => cuttable(sheet, way))) {
    if (each.count <= 0) continue;
    const same = kinds.find((kind) => sameSize(kind.size, each.size));
    if (same) same.things.push(each);
    else kinds.push({ size: each.size, things: [each] });
  }
  return kinds.sort((a, b) => areaOf(a.size) - areaOf(b.size));
}

/** What a piece takes on a sheet: up to the next line that cuts are laid on, where the sheet has room for that. */
function roundedUp(made: Size, sheet: Size, step: number): Size {
  const up = (length: Length, within: Length) => {
    const next = Math.ceil(length / step) * step;
    return ticks(length <= within && next > within ? within : next);
  };
  return size(up(made.w, sheet.w), up(made.h, sheet.h));
}

/** Fills sheets of one size. */
function fillerOf(wanted: readonly Wanted[], { size: sheet }: Kind, step: Length) {
  const fine = (by: number): PackTask => ({
    gap: ticks(0),
    papers: [{ area: sheet }],
    wanted: by === 1 ? wanted : wanted.map((each) => ({ ...each, size: roundedUp(each.size, sheet, by) })),
  });
  const coarse = Math.ceil(Math.max(sheet.w, sheet.h) / MOST_STEPS / step) * step;
  for (const by of [1, step, coarse]) {
    const task = fine(by);
    const raster = rasterOf(task, 0);
    if (raster) return { search: new BoundedPatterns(raster, wanted.length), area: sheet };
  }
  throw new RangeError("a sheet of no size");
}

type Filled = { readonly counts: readonly number[]; readonly root: Region };

/** A filling with more of what is left laid where nothing lies, larger pieces first: two halves of it may have wanted the same pieces. */
function fuller(root: Region, sheet: Size, left: readonly number[], wanted: readonly Wanted[]): Filled {
  const counts = wanted.map(() => 0);
  for (const { type } of layOut(root, rectOf(sheet), wanted).prints) counts[type] = (counts[type] ?? 0) + 1;
  const order = wanted
    .map((_, type) => type)
    .sort((a, b) => areaOf(wanted[b]?.size ?? sheet) - areaOf(wanted[a]?.size ?? sheet));
  const put = (free: Size): Region => {
    for (const type of order) {
      const each = wanted[type];
      if (!each || (counts[type] ?? 0) >= (left[type] ?? 0)) continue;
      for (const isTurned of waysOf(each)) {
        const made = printed(each, isTurned);
        if (!fits(made, free)) continue;
        counts[type] = (counts[type] ?? 0) + 1;
        return beside({ kind: "print", type, turned: isTurned }, made, free, put);
      }
    }
    return WASTE;
  };
  const walk = (region: Region, at: Rect): Region => {
    if (region.kind === "waste") return put(sizeOf(at));
    if (region.kind === "print") {
      const each = wanted[region.type];
      return each ? beside(region, printed(each, region.turned), sizeOf(at), put) : region;
    }
    const [one, two] = halves(region, at);
    return { ...region, first: walk(region.first, one), second: walk(region.second, two) };
  };
  return { root: walk(root, rectOf(sheet)), counts };
}

/** A piece in the corner of a free rectangle, the larger rest cut off first and both filled in their turn. */
function beside(print: Region, made: Size, free: Size, fill: (rest: Size) => Region): Region {
  const [right, below] = [ticks(free.w - made.w), ticks(free.h - made.h)];
  const rightFirst = right * free.h >= below * free.w;
  const cut = (axis: "x" | "y", first: Region, rest: Size): Region =>
    rest.w <= 0 || rest.h <= 0
      ? first
      : { kind: "cut", axis, at: axis === "x" ? made.w : made.h, first, second: fill(rest) };
  return rightFirst
    ? cut("x", cut("y", print, size(made.w, below)), size(right, free.h))
    : cut("y", cut("x", print, size(right, made.h)), size(free.w, below));
}

/** How something larger than every sheet is joined of the fewest equal parts that sheets take. */
function joinedFrom(made: Size, sheets: readonly Size[], canTurn: boolean): Joined | null {
  const ways = sheets.flatMap((sheet) => (canTurn ? [sheet, turned(sheet)] : [sheet]));
  const found = (["w", "h"] as const).flatMap((along) => {
    const across = along === "w" ? "h" : "w";
    return ways.flatMap((sheet) => {
      if (made[across] > sheet[across]) return [];
      const parts = Math.ceil(made[along] / sheet[along]);
      return [{ parts, along, size: { ...made, [along]: ticks(Math.ceil(made[along] / parts)) } }];
    });
  });
  return found.reduce<Joined | null>((best, each) => (best && best.parts <= each.parts ? best : each), null);
}

/**
 * Lays everything that is to be cut of one paper on the sheets and remainders that are there, each sheet cut by straight
 * edge-to-edge cuts. The plan begins as little paper as it finds; of plans that begin as much the one with more of what
 * is a remainder already, and of each sheet the largest rest stays whole. A beam search over which sheet is begun next;
 * each is filled by the bounded dynamic program of the print sheets (after Gilmore and Gomory 1966).
 */
export function planCutting(order: CutOrder): CuttingPlan {
  const [first, ...others] = order.sheets.some(({ motif }) => motif) ? WAYS_ROUND : [WAYS_ROUND[0]];
  return others.reduce((best, way) => better(best, planned(order, way)), planned(order, first));
}

/** Of two plans the one that leaves less without paper, and of such the one that begins less of it. */
function better(one: CuttingPlan, other: CuttingPlan): CuttingPlan {
  const sum = (sizes: readonly { readonly size: Size }[]) => sizes.reduce((area, { size: of }) => area + areaOf(of), 0);
  const without = ({ short, joined }: CuttingPlan) => sum([...short, ...joined.map(({ cut }) => cut)]);
  const [mine, its] = [without(one), without(other)];
  if (mine !== its) return mine < its ? one : other;
  return sum(other.sheets) < sum(one.sheets) ? other : one;
}

/** The plan with the paper beside motifs taken off in one way. */
function planned({ sheets, cuts, canTurn, step }: CutOrder, way: WayRound): CuttingPlan {
  const kinds = kindsOf(sheets, way);
  const fitting = (cut: ToCut) =>
    kinds.some((kind) =>
      waysOf({ ...cut, count: 1, canTurn }).some((way) => fits(printed({ ...cut, count: 1, canTurn }, way), kind.size)),
    );
  const some = cuts.filter(fitting);
  const wanted = bySize(some, canTurn);
  const joined = cuts
    .filter((cut) => !fitting(cut))
    .map((cut) => ({
      cut,
      from: joinedFrom(
        cut.size,
        kinds.map((kind) => kind.size),
        canTurn,
      ),
    }));
  const fillers = wanted.length === 0 ? [] : kinds.map((kind) => fillerOf(wanted, kind, step));
  const areas = wanted.map((each) => areaOf(each.size));
  const areaLeft = (left: readonly number[]) => left.reduce((sum, many, type) => sum + many * (areas[type] ?? 0), 0);
  const known = new Map<string, Filled | null>();
  let fills = 0;
  const fill = (kind: number, left: readonly number[]) => {
    const key = `${kind} ${left.join()}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    fills += 1;
    const found = fillers[kind]?.search.best(areas, left);
    const sheet = kinds[kind]?.size;
    const made = found && sheet && found.value > 0 ? fuller(found.root(), sheet, left, wanted) : null;
    known.set(key, made);
    return made;
  };
  const after = (state: State): State[] =>
    kinds.flatMap((kind, at) => {
      if ((state.free[at] ?? 0) === 0) return [];
      const made = fill(at, state.left);
      if (!made) return [];
      return {
        left: state.left.map((many, type) => many - (made.counts[type] ?? 0)),
        free: state.free.map((many, nth) => (nth === at ? many - 1 : many)),
        area: state.area + areaOf(kind.size),
        sheets: [...state.sheets, { kind: at, ...made }],
      };
    });
  const begun: State = {
    left: wanted.map(({ count }) => count),
    free: kinds.map(({ things }) => things.reduce((sum, { count }) => sum + count, 0)),
    area: 0,
    sheets: [],
  };
  /** Paper begun for what is not on it: the less the better. */
  const wasted = (state: State) => state.area + areaLeft(state.left);
  let best: State | null = null;
  const isBetter = (state: State) => {
    if (!best) return true;
    const [mine, its] = [areaLeft(state.left), areaLeft(best.left)];
    return mine !== its
      ? mine < its
      : state.area !== best.area
        ? state.area < best.area
        : state.sheets.length > best.sheets.length;
  };
  for (let beam = [begun]; beam.length > 0; ) {
    const next: State[] = [];
    for (const state of beam) {
      const more = after(state);
      if (more.length === 0 && isBetter(state)) best = state;
      next.push(...more);
    }
    const seen = new Set<string>();
    const width = fills > MOST_FILLS ? 1 : BEAM;
    const limit: number = best && areaLeft(best.left) === 0 ? best.area : Number.POSITIVE_INFINITY;
    beam = next
      .filter((state) => {
        const key = `${state.left.join()} ${state.free.join()}`;
        if (seen.has(key) || wasted(state) > limit) return false;
        seen.add(key);
        return true;
      })
      .sort((a, b) => wasted(a) - wasted(b) || areaLeft(a.left) - areaLeft(b.left))
      .slice(0, width);
  }
  return laidOut(best ?? begun, { kinds, fillers, wanted, some, areas, step, joined, way });
}

/** What is to be cut by its sizes, so many of each. */
function bySize(cuts: readonly ToCut[], canTurn: boolean): Wanted[] {
  const wanted: { size: Size; count: number; canTurn: boolean }[] = [];
  for (const { size: made } of cuts) {
    const same = wanted.find((each) => sameSize(each.size, made) || (canTurn && sameSize(each.size, turned(made))));
    if (same) same.count += 1;
    else wanted.push({ size: made, count: 1, canTurn });
  }
  return wanted;
}

type Found = {
  readonly kinds: readonly Kind[];
  readonly fillers: readonly { readonly search: BoundedPatterns }[];
  readonly wanted: readonly Wanted[];
  readonly some: readonly ToCut[];
  readonly areas: readonly number[];
  readonly step: Length;
  readonly joined: CuttingPlan["joined"];
  readonly way: WayRound;
};

/** One that is cut up, and how. */
type CutUp = { readonly cuttable: Cuttable; readonly region: Region };

/** Each of the smallest size that takes what is on it, its rest in one. */
function cutUp(state: State, { kinds, fillers, wanted, areas }: Found): CutUp[] {
  const free = [...state.free];
  const things = kinds.map((kind) => kind.things.flatMap((each) => Array.from({ length: each.count }, () => each)));
  return state.sheets.flatMap(({ kind, counts, root }): CutUp[] => {
    const used = counts.reduce((sum, many, type) => sum + many * (areas[type] ?? 0), 0);
    let [chosen, region] = [kind, root];
    for (let at = 0; at <= kind; at++) {
      const sheet = kinds[at]?.size;
      if (!sheet || (at !== kind && (free[at] ?? 0) === 0) || areaOf(sheet) < used) continue;
      const close = fillers[at]?.search.compact(areas, counts);
      if (!close) continue;
      [chosen, region] = [at, close.root()];
      break;
    }
    if (chosen !== kind) {
      free[chosen] = (free[chosen] ?? 0) - 1;
      free[kind] = (free[kind] ?? 0) + 1;
    }
    const cuttable = things[chosen]?.shift();
    return cuttable ? [{ cuttable, region: tidied(region, cuttable.size, wanted) }] : [];
  });
}

/** The strips of one sheet on that sheet again, which keeps its motif. */
function wholeSheets(all: readonly CutUp[], way: WayRound): { readonly sheet: StockSheet; readonly region: Region }[] {
  const met = new Set<StockSheet>();
  return all.flatMap(({ cuttable: { of: sheet, strip }, region }) => {
    const { motif } = sheet;
    if (strip === null || !motif) return [{ sheet, region }];
    if (met.has(sheet)) return [];
    met.add(sheet);
    const strips = stripsBeside(sheet.size, motif, way);
    const of = strips.map((_, nth) => all.filter(({ cuttable: each }) => each.of === sheet && each.strip === nth));
    const begun = Math.max(...of.map(({ length }) => length));
    return Array.from({ length: begun }, (_, nth) => ({
      sheet,
      region: aroundMotif(
        strips,
        of.map((regions) => regions[nth]?.region),
      ),
    }));
  });
}

/** The sheets as they are cut, their pieces by their names. */
function laidOut(state: State, found: Found): CuttingPlan {
  const { wanted, some, step, joined, way } = found;
  const queues = wanted.map((each) =>
    some.filter(({ size: made }) => sameSize(made, each.size) || (each.canTurn && sameSize(made, turned(each.size)))),
  );
  const sheets = wholeSheets(cutUp(state, found), way).map(
    ({ sheet: { thing, size: sheet, motif }, region }): CutSheet => {
      const { prints, waste } = layOut(region, rectOf(sheet), wanted);
      const keeper = motif ? keeperOf(waste, motif) : null;
      const rests = waste
        .filter((rest) => rest !== keeper)
        .map(sizeOf)
        .sort((a, b) => areaOf(b) - areaOf(a));
      const pieces = prints.flatMap(({ type, at, turned: isTurned }): CutPiece[] => {
        const cut = queues[type]?.shift();
        return cut
          ? [{ id: cut.id, at, turned: isTurned !== !sameSize(cut.size, wanted[type]?.size ?? cut.size) }]
          : [];
      });
      const kept = motif && keeper ? { rest: keeper, motif } : null;
      return { thing, size: sheet, pieces, cuts: cutList(region, sheet, step), rests, kept };
    },
  );
  return { sheets, short: queues.flat(), joined };
}
