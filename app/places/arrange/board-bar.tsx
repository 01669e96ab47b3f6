import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { MatButton } from "#app/parts/mat-button.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import { many } from "#app/wording/count.ts";
import { roomsLeft } from "#app/wording/fit.ts";
import type { Piece } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { otherFace } from "#core/book/numeral.ts";
import { roomsOn } from "#core/book/rooms.ts";
import type { Unit } from "#core/measure/length.ts";
import { AddPiece } from "./add-piece.tsx";
import type { Board } from "./boards.ts";
import { LayAnew } from "./lay-anew.tsx";
import { sideTroubles } from "./side-troubles.ts";

type Props = {
  readonly board: Board;
  readonly albumId: string;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly onArrange: (pieces: readonly Piece[] | null) => void;
  readonly onFlip?: (() => void) | undefined;
  /** How many candidates wait beside this side. */
  readonly waiting: number;
  readonly onTryOut?: (() => void) | undefined;
  readonly onTemplate?: (() => void) | undefined;
};

/** What can be done with a side, what on it wants doing first. */
export function BoardBar({ board, albumId, format, unit, onArrange, onFlip, waiting, onTryOut, onTemplate }: Props) {
  const { read, face } = board;
  const side = read[face];
  const { id } = read.leaf;
  const real = id !== "ghost";
  const file = (ending: string) => to.document(albumId, "leaf", `${id}.${face}.${ending}`);
  return (
    <div className="mat-bar" {...useOneStop<HTMLDivElement>()}>
      <SideNotes board={board} format={format} unit={unit} />
      {real && onFlip && !read[otherFace(face)].gluedOver && (
        <MatButton onClick={onFlip}>{face === "front" ? "See the back" : "See the front"}</MatButton>
      )}
      {real && <AddPiece board={board} albumId={albumId} unit={unit} onArrange={onArrange} />}
      {real && side.page && (
        <Link to={to.foundations(albumId, { copy: `${id}.${face}` })} className="mat-button">
          Copy to other days
        </Link>
      )}
      {real && onTemplate && <MatButton onClick={onTemplate}>Keep as a template</MatButton>}
      {real && waiting > 0 && (
        <Link to={to.tryOuts(albumId, id, face)} className="mat-button mat-button-strong">
          {many(waiting, "try-out waits", "try-outs wait")}
        </Link>
      )}
      {real && waiting === 0 && onTryOut && <MatButton onClick={onTryOut}>Try another</MatButton>}
      {real && !side.auto && <LayAnew board={board} onArrange={onArrange} />}
      {real && (
        <DropdownMenu.Root modal={false}>
          <DropdownMenu.Trigger className="mat-button">Print</DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="menu" side="top" align="end" sideOffset={6}>
              {(["pdf", "svg"] as const).map((ending) => (
                <DropdownMenu.Item key={ending} asChild className="menu-item">
                  <a href={file(ending)} download>
                    At true size, {ending.toUpperCase()}
                  </a>
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Item asChild className="menu-item">
                <a href={to.document(albumId, "page", `${id}.${face}.pdf`)} download>
                  The page itself: its pictures and words, rooms left white
                </a>
              </DropdownMenu.Item>
              {(["pdf", "svg"] as const).map((ending) => (
                <DropdownMenu.Item key={`opening-${ending}`} asChild className="menu-item">
                  <a href={to.document(albumId, "opening", `${id}.${face}.${ending}`)} download>
                    The whole opening as it is seen, {ending.toUpperCase()}
                  </a>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      )}
    </div>
  );
}

const MOST_NOTES = 3;

/** Said of what lies on the side alone: more of the day may still lie beside it. */
const allFit = (pieces: number): string => (pieces === 1 ? "The piece on it fits." : `All ${pieces} pieces on it fit.`);

/** What on a side wants doing before paper is cut; how well everything else lies, in one line. */
export function SideNotes({
  board,
  format,
  unit,
  most = MOST_NOTES,
}: Pick<Props, "board" | "format" | "unit"> & { most?: number }) {
  const { read, face } = board;
  const side = read[face];
  const notes = sideTroubles(board, format, unit);
  const rooms = roomsOn(side.pieces.map(({ piece }) => piece));
  const well = side.pieces.length - rooms.length - notes.filter(({ about }) => about === "fit").length;
  return (
    <div className="basis-full">
      {notes.slice(0, most).map(({ piece, about, act, name, words }) => (
        <p key={`${about}-${piece}`} className={act ? "font-semibold text-flame" : ""}>
          {name}: {words}
        </p>
      ))}
      {notes.length > most && <p>And {notes.length - most} more.</p>}
      {notes.length === 0 && (
        <p>
          {side.pieces.length === 0
            ? "Nothing on this side yet."
            : side.pieces.length > rooms.length
              ? allFit(side.pieces.length - rooms.length)
              : ""}
          {side.auto && side.pieces.length > 0 && " A first dry fit; move anything."}
        </p>
      )}
      {rooms.length > 0 && <p>{roomsLeft(rooms)}</p>}
      {notes.length > 0 && well > 0 && notes.length <= most && (
        <p className="text-on-soot-quiet">{well} more fit as they lie.</p>
      )}
    </div>
  );
}
