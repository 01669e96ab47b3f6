import { type LeafKind, numeralOf, type Piece, type PieceWhat, type Turn } from "../album/leaf.ts";
import { likeOf } from "../album/made-of.ts";
import type { PageContent } from "../album/steps.ts";
import { centredIn, at as place, type Rect } from "../measure/rect.ts";
import { type Size, sameSize, size, turned } from "../measure/size.ts";
import { pieceSize, turnedBy } from "./piece.ts";
import { type Loose, pieceFrom } from "./read.ts";

/** A foundation page to make again: its kind and pockets, and where room is kept, made pieces lie and the number goes. */
export type Template = {
  readonly id: string;
  readonly name: string;
  readonly page: Size;
  readonly kind: LeafKind;
  readonly layout: string | null;
  readonly pieces: readonly TemplatePiece[];
};
export type TemplatePiece = Omit<Piece, "id" | "what" | "dayId"> & {
  readonly what: Exclude<PieceWhat, { kind: "photo" | "card" }>;
};

/** The id of a template that is only copied from a side to others, and not kept. */
export const COPIED = "copied";

/** A template of a side as it lies: prints and cards become room for another day's. */
export function templateOf(
  pieces: readonly Piece[],
  content: PageContent | null,
  made: Pick<Template, "id" | "name" | "page" | "kind" | "layout">,
): Template {
  return {
    ...made,
    pieces: pieces.flatMap(({ id: _, dayId: __, of, what, ...lies }): TemplatePiece[] => {
      if (what.kind !== "photo" && what.kind !== "card") return [{ ...lies, what, ...(of ? { of: likeOf(of) } : {}) }];
      const known = pieceSize(what, content);
      return known ? [{ ...lies, what: { kind: "room", keeps: what.kind, size: known } }] : [];
    }),
  };
}

/** Sizes as they lie, the larger difference in area first, to find the room a print was meant for. */
const misfit = (thing: Size, room: Size): number =>
  sameSize(thing, room)
    ? 0
    : sameSize(turned(thing), room)
      ? 1
      : 2 + Math.abs(thing.w * thing.h - room.w * room.h) / (room.w * room.h);

/**
 * Lays a template out for a day: its prints and cards take the rooms of their kind, the best fitting first, and stay
 * centred on them; the number takes the number's place; rooms nothing is there for yet stay free.
 */
export function dress(template: Template, loose: readonly Loose[], newId: () => string): Piece[] {
  const waiting = [...loose];
  const hasNumeral = waiting.some(({ what }) => what === "numeral");
  let numbers = 0;
  return template.pieces.flatMap(({ what, ...laid }): Piece[] => {
    const lies = { ...laid, dayId: null };
    if (what.kind === "numeral")
      return hasNumeral ? [{ ...lies, what, id: numbers++ === 0 ? "numeral" : newId() }] : [];
    if (what.kind !== "room") return [{ ...lies, what, id: newId() }];
    const fitting = waiting
      .filter((each) => each.what === what.keeps)
      .sort((a, b) => misfit(a.size, what.size) - misfit(b.size, what.size))[0];
    if (!fitting) return [{ ...lies, what, id: newId() }];
    waiting.splice(waiting.indexOf(fitting), 1);
    const room = place(lies.at, turnedBy(what.size, lies.turn));
    const upright = turnedBy(fitting.size, lies.turn);
    const turnIt = !(upright.w <= room.w && upright.h <= room.h) && upright.h <= room.w && upright.w <= room.h;
    const turn = (turnIt ? (lies.turn + 1) % 4 : lies.turn) as Turn;
    const lying = centredIn(room, turnedBy(fitting.size, turn));
    return [{ ...pieceFrom(fitting, lying, false), turn, outside: lies.outside }];
  });
}

/** How many prints and cards a template keeps room for. */
export const roomsIn = ({ pieces }: Template, keeps: "photo" | "card"): number =>
  pieces.filter(({ what }) => what.kind === "room" && what.keeps === keeps).length;

export const lying = (area: Rect, what: TemplatePiece["what"]): TemplatePiece => ({
  what,
  at: { x: area.x, y: area.y },
  turn: 0,
  outside: false,
});
export const roomFor = (keeps: "photo" | "card", area: Rect): TemplatePiece =>
  lying(area, { kind: "room", keeps, size: size(area.w, area.h) });
export const numeralAt = (area: Rect): TemplatePiece => lying(area, numeralOf(size(area.w, area.h)));
