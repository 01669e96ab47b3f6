import { useEffect, useEffectEvent } from "react";
import { drawingOf } from "#app/drawing/mat-text.ts";
import { speak } from "#app/parts/spoken.tsx";
import type { Piece } from "#core/album/leaf.ts";
import { madeAgain } from "#core/craft/built.ts";
import { stateOnSide } from "#core/craft/place.ts";
import { openedMarks } from "#core/draw/opened.ts";
import type { DrawnFor } from "#core/draw/piece.ts";
import type { Rect } from "#core/measure/rect.ts";
import { Still, ZERO } from "./drawn-parts.tsx";

type Props = {
  readonly piece: Piece;
  /** Where it lies closed. */
  readonly lies: Rect;
  readonly drawn: DrawnFor;
  readonly nth: number;
  /** It has no state so far on: it is closed. */
  readonly onOver: () => void;
  /** Where it reaches to as it lies open, on its side. */
  readonly onReach: (reach: Rect) => void;
};

/** A construction as it is opened where it lies. Loaded when one is opened: it needs the arithmetic of the bench. */
export function OpenedPiece({ piece, lies, drawn, nth, onOver, onReach }: Props) {
  const { what, turn } = piece;
  const built = "built" in what ? what.built : undefined;
  const done = built && madeAgain(built, piece.of?.material)?.done;
  const id = done?.opens[nth]?.state;
  const state = done?.states.find((each) => each.id === id);
  const reach = done && state ? stateOnSide(done, state, lies, turn) : null;
  const told = useEffectEvent(() => {
    if (!state || !reach) return onOver();
    speak(`${state.name}.`);
    onReach(reach);
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for every state it comes into
  useEffect(() => told(), [id]);
  if (!done || !state || !built || !("size" in what)) return null;
  const marks = openedMarks(done, state, built.holds, drawn);
  return <Still markup={drawingOf([{ kind: "group", ...ZERO, turn, ...what.size, marks }])} />;
}
