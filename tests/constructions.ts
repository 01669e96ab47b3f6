import type { Held, OwnCut, Piece } from "../core/album/leaf.ts";
import { builtAs, stockOf } from "../core/craft/built.ts";
import { craftOf } from "../core/craft/catalog.ts";
import { made, NOWHERE, type Sizes, usualSizes } from "../core/craft/craft.ts";
import { ticks } from "../core/measure/length.ts";

type Given = { readonly sizes?: Sizes; readonly own?: readonly OwnCut[]; readonly holds?: readonly Held[] };

/** A construction as a piece in the left upper corner of its side, as it is usual but for what is given. */
export function constructionOf(id: string, kind = "flip-up", { sizes = {}, own = [], holds = [] }: Given = {}): Piece {
  const of = craftOf(kind);
  if (!of) throw new Error(kind);
  const all = { ...usualSizes(of, NOWHERE), ...sizes };
  const done = made(of, all, stockOf(of.paper), NOWHERE, own);
  if (!done.ok) throw new Error(`${kind} cannot be made`);
  const what = { kind: "construction", size: done.closed, name: of.name } as const;
  return {
    ...{ id, at: { x: ticks(0), y: ticks(0) }, turn: 0, outside: false, dayId: null },
    what: { ...what, built: { ...builtAs(of, all, done, of.paper, undefined, own), holds } },
  };
}
