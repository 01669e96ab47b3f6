import type { Held } from "../album/leaf.ts";
import { newCard } from "../album/model.ts";
import { pieceSize } from "../book/piece.ts";
import type { Made, State } from "../craft/craft.ts";
import { areaLaid, laidIn } from "../craft/lies.ts";
import { heldAt } from "../craft/slots.ts";
import { ticks } from "../measure/length.ts";
import { centredIn, type Rect, rectOf } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";
import { laidMarks } from "./blueprint.ts";
import { cardMarks } from "./card.ts";
import type { Mark } from "./marks.ts";
import { type DrawnFor, pieceMarks } from "./piece.ts";

/** Words of a construction's own keep this far from the edges of their face, as a share of it. */
const MARGIN = 0.06;

/** The face that words of its own are written on, without its margins. */
export const writtenOn = ({ w, h }: Size): Size => {
  const by = Math.round(Math.min(w, h) * MARGIN);
  return { w: ticks(w - 2 * by), h: ticks(h - 2 * by) };
};

/** Something that is carried, as it lies in the middle of its place; turned where only so it goes in. */
function heldMarks({ what }: Held, at: Rect, drawn: DrawnFor): Mark[] {
  if (what.kind === "words") {
    const size = writtenOn(at);
    const lies = centredIn(at, size);
    return [{ kind: "group", turn: 0, ...lies, marks: cardMarks(newCard("", size, what.says), "front") }];
  }
  const stands = what.kind === "photo" ? ({ ...what, cut: null } as const) : what;
  const size = pieceSize(stands, drawn.content);
  if (!size) return [];
  const isTurned = (size.w > at.w || size.h > at.h) && size.h <= at.w && size.w <= at.h;
  const { x, y } = centredIn(at, isTurned ? turned(size) : size);
  const piece = { id: "", at: { x, y }, turn: 0, outside: false, dayId: null, what: stands } as const;
  return [{ kind: "group", turn: isTurned ? 1 : 0, x, y, ...size, marks: pieceMarks(piece, size, drawn) }];
}

/** What it carries, as it is seen in a state, in the state's own ticks. */
export function carriedMarks(made: Made, state: State, holds: readonly Held[], drawn: DrawnFor): Mark[] {
  const places = heldAt(made, state, holds);
  return holds.flatMap((held) => {
    const at = places.get(held.slot);
    return at ? heldMarks(held, at, drawn) : [];
  });
}

/** A construction in a state, with what it carries, from the left upper corner of where it lies closed. */
export function openedMarks(made: Made, state: State, holds: readonly Held[], drawn: DrawnFor): Mark[] {
  const [closed] = made.states;
  const { x, y } = areaLaid(laidIn(made, closed ?? state));
  const marks = [...laidMarks(made, laidIn(made, state), false), ...carriedMarks(made, state, holds, drawn)];
  return [{ kind: "group", turn: 0, ...rectOf({ w: ticks(0), h: ticks(0) }), x: ticks(-x), y: ticks(-y), marks }];
}
