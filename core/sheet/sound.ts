import { contains, overlap, type Rect, rect, rectOf } from "../measure/rect.ts";
import type { CutStep } from "./cutting.ts";
import type { GangedSheet } from "./gang.ts";

const same = (a: Rect, b: Rect) => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

/** The two pieces a cut makes, or null when the blade does not pass through the piece. */
function cutPiece({ piece, axis, line }: CutStep): readonly [Rect, Rect] | null {
  const [from, long] = axis === "x" ? [piece.x, piece.w] : [piece.y, piece.h];
  const at = line - from;
  if (at <= 0 || at >= long) return null;
  return axis === "x"
    ? [rect(piece.x, piece.y, at, piece.h), rect(line, piece.y, piece.w - at, piece.h)]
    : [rect(piece.x, piece.y, piece.w, at), rect(piece.x, line, piece.w, piece.h - at)];
}

/** Cuts a paper as a list says; the pieces that lie there at the end, or null when a cut is through none that is in hand. */
export function cutUp(paper: Rect, cuts: readonly CutStep[]): Rect[] | null {
  let pieces = [paper];
  for (const cut of cuts) {
    const made = cutPiece(cut);
    if (!made || !pieces.some((each) => same(each, cut.piece))) return null;
    const [first, second] = made;
    const kept = { left: first.w, top: first.h, right: second.w, bottom: second.h }[cut.from];
    if (cut.measure !== kept) return null;
    pieces = [...pieces.filter((each) => !same(each, cut.piece)), first, second];
  }
  return pieces;
}

/** Whether a sheet is what it says: its prints on the paper, none over another, and every one of them cut free by its list. */
export function isSound({ paper, prints, cuts, waste }: GangedSheet): boolean {
  const whole = rectOf(paper);
  if (![...prints.map(({ at }) => at), ...waste].every((each) => contains(whole, each))) return false;
  const apart = prints.every(({ at }, index) => prints.slice(index + 1).every((other) => !overlap(at, other.at)));
  const pieces = apart ? cutUp(whole, cuts) : null;
  return pieces !== null && prints.every(({ at }) => pieces.some((piece) => same(piece, at)));
}
