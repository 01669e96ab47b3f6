import type { Held } from "../album/leaf.ts";
import { type Length, ticks } from "../measure/length.ts";
import { type Rect, sizeOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { Made, State } from "./craft.ts";
import { type LaidPanel, laidIn, seenShares } from "./lies.ts";
import { boundsOf } from "./polygon.ts";

/**
 * Where a construction carries something: what goes into it, and every face that is seen when it is open and not when it is
 * closed. `id` is what a piece keeps; `state` the one in which it is seen first, null where it is never seen alone.
 */
export type Slot = {
  readonly id: string;
  readonly goesIn: boolean;
  /** The part's name, of which it is a face, or that goes in. */
  readonly name: string;
  readonly size: Size;
  readonly state: string | null;
};

/** Smaller than this, each way, nothing is put on a face. In ticks: half an inch. */
const LEAST = 4064;
/** Seen, or covered, by so much of itself a face counts as seen, or as hidden. */
const SEEN = 0.6;
const HIDDEN = 0.2;

const faceOf = ({ part, copy, panel, faceUp }: LaidPanel): string =>
  `${part}:${panel}:${faceUp ? "front" : "back"}${copy > 0 ? `:${copy + 1}` : ""}`;
const goesInOf = (part: string): string => `in:${part}`;
const ITS_ROOM = goesInOf("its room");

/** What of each face is seen in a state: by face, its share; and where it lies. */
function facesIn(made: Made, state: State): ReadonlyMap<string, { readonly seen: number; readonly laid: LaidPanel }> {
  const all = laidIn(made, state);
  const seen = seenShares(all);
  return new Map(all.map((laid, nth) => [faceOf(laid), { laid, seen: seen[nth] ?? 0 }]));
}

/** Everywhere a construction carries something, what goes in first, then face by face as they come to light, each state's as they are read. */
export function slotsOf(made: Made): Slot[] {
  const [closed] = made.states;
  if (!closed) return [];
  const shut = facesIn(made, closed);
  const opened = made.opens.flatMap(({ state }) => made.states.find(({ id }) => id === state) ?? []);
  const partOf = (id: string) => made.parts.find((part) => part.id === id);
  const room = made.room;
  const goIn = made.parts
    .filter(({ count, isGround }) => count === 0 && !isGround && !room)
    .map(({ id, name, blank }): Slot => {
      const shown = opened.find((state) => [...facesIn(made, state).values()].some(isSeenOf(id)));
      return { id: goesInOf(id), goesIn: true, name, size: blank, state: shown?.id ?? null };
    });
  const faces = new Map<string, Slot>();
  for (const state of opened) {
    for (const [id, { laid, seen }] of inReadingOrder(facesIn(made, state))) {
      const part = partOf(laid.part);
      if (!part || part.count === 0 || part.isGround || faces.has(id)) continue;
      if (seen < SEEN || (shut.get(id)?.seen ?? 0) > HIDDEN) continue;
      const size = sizeOf(boundsOf([laid.shape]));
      if (Math.min(size.w, size.h) < LEAST) continue;
      faces.set(id, { id, goesIn: false, name: part.name, size, state: state.id });
    }
  }
  const its: Slot[] = room ? [{ id: ITS_ROOM, goesIn: true, name: "", size: room, state: null }] : [];
  return [...its, ...goIn, ...faces.values()];
}

/** Row by row as they lie, each row from the left. */
const inReadingOrder = (faces: ReturnType<typeof facesIn>) =>
  [...faces].sort(([, { laid: one }], [, { laid: other }]) => {
    const [a, b] = [boundsOf([one.shape]), boundsOf([other.shape])];
    // What is shortened by a fold's allowance is still in its row.
    return Math.abs(a.y - b.y) * 2 > Math.min(a.h, b.h) ? a.y - b.y : a.x - b.x;
  });

const isSeenOf =
  (part: string) =>
  ({ laid, seen }: { readonly laid: LaidPanel; readonly seen: number }): boolean =>
    laid.part === part && seen >= SEEN;

/** Where what is held lies in a state, by slot; what is not seen in it is left out. */
export function heldAt(made: Made, state: State, holds: readonly Pick<Held, "slot">[]): ReadonlyMap<string, Rect> {
  const faces = facesIn(made, state);
  const found = new Map<string, Rect>();
  for (const { slot } of holds) {
    const at = slot.startsWith("in:")
      ? [...faces.values()].find((each) => goesInOf(each.laid.part) === slot && each.seen > HIDDEN)
      : [faces.get(slot)].find((each) => each && each.seen >= SEEN);
    if (at) found.set(slot, boundsOf([at.laid.shape]));
  }
  return found;
}

/**
 * What a construction carries where it becomes another one, or is set anew: in the same places where there are such, else in
 * the next free ones, first those of its own sort. What finds no place keeps the name of its old one, and is not lost.
 */
export function reheld(holds: readonly Held[], slots: readonly Pick<Slot, "id" | "goesIn">[]): Held[] {
  const taken = new Set(holds.map(({ slot }) => slot).filter((id) => slots.some((each) => each.id === id)));
  return holds.map((held) => {
    if (taken.has(held.slot)) return held;
    const wentIn = held.slot.startsWith("in:");
    const free = slots.filter(({ id }) => !taken.has(id));
    const next =
      free.find(({ goesIn }) => goesIn === wentIn) ??
      free.find(() => held.what.kind !== "words") ??
      free.find(({ goesIn }) => !goesIn);
    if (!next) return held;
    taken.add(next.id);
    return { ...held, slot: next.id };
  });
}

/** How something fits where it is carried: as it is, turned by a quarter, or how much it is too large in each direction. */
export type SlotFit =
  | { readonly kind: "fits" }
  | { readonly kind: "turned" }
  | { readonly kind: "too-large"; readonly w: Length; readonly h: Length };

export function fitInSlot(thing: Size, { size }: Pick<Slot, "size">): SlotFit {
  if (thing.w <= size.w && thing.h <= size.h) return { kind: "fits" };
  if (thing.h <= size.w && thing.w <= size.h) return { kind: "turned" };
  return { kind: "too-large", w: ticks(Math.max(0, thing.w - size.w)), h: ticks(Math.max(0, thing.h - size.h)) };
}
