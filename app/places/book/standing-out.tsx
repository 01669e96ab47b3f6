import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { leafName } from "#app/places/arrange/boards.ts";
import { many } from "#app/wording/count.ts";
import { EDGE_NAME, pastCover, pieceName } from "#app/wording/fit.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { Arrangement } from "#core/book/edit.ts";
import { pieceSize } from "#core/book/piece.ts";
import type { LeafRead } from "#core/book/read.ts";
import {
  EDGES,
  type Edge,
  hiddenBehind,
  isMovable,
  leavesPastCover,
  type StandsOut,
  stagger,
} from "#core/book/standing-out.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";

type Props = {
  readonly all: readonly StandsOut[];
  readonly leaves: readonly LeafRead[];
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly arrange: (changes: readonly Arrangement[]) => void;
};

/** What stands out of the closed book at each edge: how much, what hides what, what the cover does not shield. */
export function StandingOut({ all, leaves, format, unit, arrange }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  const large = leavesPastCover(leaves, format);
  if (all.length + large.length === 0) return null;
  const nameOf = ({ leaf, face, placed: { piece } }: StandsOut) => {
    const made = pieceSize(piece.what, leaf[face].content);
    return `${made ? pieceName(piece, made, unit) : "A piece"} of ${leafName(leaf, unit)}`;
  };
  const along = (edge: Edge) => {
    const done = stagger(all, edge, format);
    setSaid(
      done.ok
        ? null
        : `They do not all go along ${sayLength(done.along, unit)}: fewer of them, or each ${sayLength(done.each, unit)} at most.`,
    );
    if (done.ok) arrange(done.changes);
  };
  // At the side it is what tabs are for, and said once; above and below each is named.
  const bent = all.filter(({ edge, beyond }) => beyond > 0 && (edge === "top" || edge === "bottom"));
  const aside = all.filter(({ edge, beyond }) => beyond > 0 && edge !== "top" && edge !== "bottom");
  const farthest = aside.reduce<StandsOut | null>((a, b) => (a && a.beyond >= b.beyond ? a : b), null);
  return (
    <section className="grid gap-2 border-t border-line pt-4 text-sm" aria-label="What stands out">
      {EDGES.map((edge) => {
        const those = all.filter((one) => one.edge === edge);
        if (those.length === 0) return null;
        return (
          <div key={edge} className="flex flex-wrap items-center justify-between gap-2">
            <p>
              {many(those.length, "piece stands", "pieces stand")} out {EDGE_NAME[edge]}.
            </p>
            {those.filter(isMovable).length > 1 && (
              <Button small onClick={() => along(edge)}>
                Stagger them
              </Button>
            )}
          </div>
        );
      })}
      {hiddenBehind(all).map(({ one, behind }) => (
        <p key={`${one.leaf.leaf.id}${one.placed.piece.id}`} className="font-medium text-ember">
          {nameOf(one)} lies behind {nameOf(behind)}
        </p>
      ))}
      {bent.map((one) => (
        <p key={`${one.leaf.leaf.id}${one.placed.piece.id}`} className="font-medium text-ember">
          {nameOf(one)}: {pastCover(one.edge, one.beyond, unit)}
        </p>
      ))}
      {large.map(({ leaf, edge, beyond }) => (
        <p key={leaf.leaf.id} className="font-medium text-ember">
          {leafName(leaf, unit)}: {pastCover(edge, beyond, unit)}
        </p>
      ))}
      {farthest && (
        <p className="text-quiet">
          {aside.length === 1 ? "It stands" : `${aside.length} stand`} past the closed cover {EDGE_NAME[farthest.edge]},
          by {sayLength(farthest.beyond, unit)}
          {aside.length === 1 ? "" : " at most"}: leave the book room on its shelf.
        </p>
      )}
      {said && (
        <p role="alert" className="font-medium text-ember">
          {said}
        </p>
      )}
    </section>
  );
}
