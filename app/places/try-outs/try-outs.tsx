import { useMemo } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { mm } from "#app/drawing/mat-text.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import { Workplace } from "#app/parts/workplace.tsx";
import { AddPiece } from "#app/places/arrange/add-piece.tsx";
import { Arranger } from "#app/places/arrange/arranger.tsx";
import { SideNotes } from "#app/places/arrange/board-bar.tsx";
import { type Board, boardKey, leafName } from "#app/places/arrange/boards.ts";
import { PieceBar } from "#app/places/arrange/piece-bar.tsx";
import { StillBoards } from "#app/places/arrange/still-boards.tsx";
import type { BookData } from "#app/places/book/data.ts";
import { useBook } from "#app/places/book/use-book.ts";
import { pendingOf } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import type { Face, Piece, TryOut } from "#core/album/leaf.ts";
import { type LeafRead, readPieces, wholeLeaf } from "#core/book/read.ts";
import { rectOf } from "#core/measure/rect.ts";

type Candidate = {
  readonly key: string;
  readonly name: string;
  readonly tryOut: TryOut | null;
  readonly pieces: readonly Piece[];
};

/** Up to three arrangements of one side beside each other at one scale, each with what fits; one is kept. */
export function TryOuts({ data, leafId, face }: { data: BookData; leafId: string; face: Face }) {
  const { albumId, unit } = data;
  const { book, leaves, arrange, addTryOut } = useBook(data);
  const { state, put } = useOutbox();
  const read = book.leaves.find(({ leaf }) => leaf.id === leafId);
  if (!read) return <p className="p-6">That leaf is not in the book any more. It may lie in the tray.</p>;
  const side = read[face];
  const date = data.pages.find((page) => page === side.page)?.days[0]?.date;
  const waiting = data.tryOuts.filter((each) => each.leafId === leafId && each.face === face);
  const candidates: Candidate[] = [
    { key: "A", name: "A", tryOut: null, pieces: side.pieces.map(({ piece }) => piece) },
    ...waiting.map((tryOut): Candidate => {
      const pending = pendingOf(state, `try-out:${tryOut.id}`);
      const pieces = pending?.what === "try-out" && pending.how === "arrange" ? pending.pieces : tryOut.pieces;
      return { key: tryOut.id, name: tryOut.name, tryOut, pieces };
    }),
  ];
  const keep = (tryOut: TryOut | null) =>
    put(`try-out:keep:${leafId}:${face}`, { what: "try-out", how: "keep", id: tryOut?.id ?? null, leafId, face });
  return (
    <Workplace
      tabs={
        <>
          <header className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line px-4 py-3 wide:px-6">
            <h1 className="text-2xl">
              Try-outs for {side.page ? `page ${side.page.label ?? ""}` : leafName(read, unit)}
              {face === "back" ? ", back" : ""}
            </h1>
            <p className="text-sm text-quiet">
              Move pieces on any of them; nothing is glued. Those not kept wait in the tray.
            </p>
            <Link
              to={date ? to.day(albumId, date) : to.book(albumId, { at: leafId })}
              className={`${buttonLook("quiet", true)} ml-auto`}
            >
              {date ? "Back to the day" : "Back to the book"}
            </Link>
          </header>
          <div className="px-4 wide:px-6">
            <Refusal />
          </div>
        </>
      }
      foot={
        candidates.length < 3 && (
          <div className="border-t border-line px-4 py-3 wide:px-6">
            <Button
              onClick={() =>
                addTryOut(
                  leafId,
                  face,
                  side.pieces.map(({ piece }) => piece),
                )
              }
            >
              Try another
            </Button>
          </div>
        )
      }
    >
      <div
        className={`grid gap-px wide:h-full bg-line ${candidates.length === 3 ? "wide:grid-cols-3" : candidates.length === 2 ? "wide:grid-cols-2" : ""}`}
      >
        {candidates.map((candidate) => (
          <section
            key={candidate.key}
            aria-label={`Arrangement ${candidate.name}`}
            className="flex min-h-[60vh] min-w-0 flex-col bg-mat wide:min-h-0"
          >
            <div className="flex items-center gap-3 bg-soot px-4 py-2 text-on-soot">
              <h2 className="text-2xl">{candidate.name}</h2>
              <span className="text-sm text-on-soot-quiet">{candidate.tryOut ? "a try-out" : "on the page now"}</span>
              <span className="ml-auto flex gap-2">
                {candidate.tryOut && (
                  <button
                    type="button"
                    className="mat-button"
                    onClick={() =>
                      put(`try-out:drop:${candidate.key}`, { what: "try-out", how: "drop", id: candidate.key })
                    }
                  >
                    Drop
                  </button>
                )}
                {candidates.length > 1 && (
                  <button type="button" className="mat-button mat-button-strong" onClick={() => keep(candidate.tryOut)}>
                    Keep {candidate.name}
                  </button>
                )}
              </span>
            </div>
            <OneTryOut
              read={read}
              face={face}
              data={data}
              candidate={candidate}
              onArrange={(pieces) =>
                candidate.tryOut
                  ? put(`try-out:${candidate.tryOut.id}`, {
                      what: "try-out",
                      how: "arrange",
                      id: candidate.tryOut.id,
                      base: candidate.tryOut.version,
                      pieces: [...pieces],
                    })
                  : arrange(leaves, [{ leaf: leafId, face, pieces }])
              }
            />
          </section>
        ))}
      </div>
    </Workplace>
  );
}

function OneTryOut({
  read,
  face,
  data,
  candidate,
  onArrange,
}: {
  read: LeafRead;
  face: Face;
  data: BookData;
  candidate: Candidate;
  onArrange: (pieces: readonly Piece[]) => void;
}) {
  const { format, unit } = data;
  const isKeeper = useIsKeeper();
  const board = useMemo((): Board => {
    const side = read[face];
    const pieces = readPieces(candidate.pieces, side.content, read.build, side.pockets, unit);
    const tried: LeafRead = { ...read, [face]: { ...side, pieces, auto: false } };
    const whole = wholeLeaf(read.build, format, face);
    return {
      key: boardKey(read.leaf.id, face),
      read: tried,
      face,
      whose: { kind: "own" },
      by: null,
      name: "",
      x: 0,
      y: 0,
      whole,
    };
  }, [read, face, candidate.pieces, format, unit]);
  const { whole } = board;
  const page = rectOf(read.build.page);
  const box = useMemo(
    () => ({
      x: mm(whole.x) - 10,
      y: mm(whole.y) - 10,
      w: mm(whole.w) + 20,
      h: Math.max(mm(whole.h), mm(page.h)) + 20,
    }),
    [whole, page],
  );
  const shown = { boards: [board], box, format, unit, name: `try-${candidate.name}` };
  if (!isKeeper) return <StillBoards {...shown} label={`Arrangement ${candidate.name}, to scale`} />;
  return (
    <Arranger
      {...shown}
      beside={[]}
      label={`Arrangement ${candidate.name}, to scale. Tab goes from piece to piece, arrow keys move one.`}
      onArrange={(changes) => {
        const pieces = changes.at(-1)?.pieces;
        if (pieces) onArrange(pieces);
      }}
      bar={(selection, select) => {
        const chosen =
          selection?.kind === "piece"
            ? board.read[face].pieces.find(({ piece }) => piece.id === selection.id)
            : undefined;
        return chosen ? (
          <PieceBar
            key={chosen.piece.id}
            albumId={data.albumId}
            board={board}
            placed={chosen}
            format={format}
            unit={unit}
            onArrange={onArrange}
            onDone={() => select(null)}
          />
        ) : (
          <div className="mat-bar">
            <SideNotes board={board} format={format} unit={unit} most={4} />
            <AddPiece board={board} albumId={data.albumId} unit={unit} onArrange={onArrange} />
          </div>
        );
      }}
    />
  );
}
