import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import { captionFeet } from "#app/drawing/captions.ts";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { drawingOf, letterOn, type MatBox, matGround, mm } from "#app/drawing/mat-text.ts";
import { speak } from "#app/parts/spoken.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { fitWords, pieceName } from "#app/wording/fit.ts";
import type { Piece } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { movePiece, nudgePiece, putInto, restack, turnPiece, withoutPiece } from "#core/book/arrange.ts";
import type { Arrangement } from "#core/book/edit.ts";
import { pieceSize } from "#core/book/piece.ts";
import { type Loose, markedFor, movedTo, type PlacedPiece, pieceFrom } from "#core/book/read.ts";
import { fillRoom } from "#core/book/rooms.ts";
import { stepOf } from "#core/book/snap.ts";
import { type DrawnFor, drawnFor, placedMarks } from "#core/draw/piece.ts";
import { sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { type Rect, rect, rectOf } from "#core/measure/rect.ts";
import { type Size, sameSize } from "#core/measure/size.ts";
import { spoken } from "#core/measure/spoken.ts";
import { type BesideItem, type Board, isAnothers, isBehindVellum, leafName, looseDrawing } from "./boards.ts";
import { BoardGround, LooseDrawing, Outline, PieceDrawing, Still, ZERO } from "./drawn-parts.tsx";
import { LiveMeasures } from "./live-measures.tsx";
import { nextOpened, type OpenedHere, OpenHere } from "./opened-here.ts";
import { around, OpenedOverlay } from "./opened-overlay.tsx";
import { roomUnder, type Target, targetFor } from "./targets.ts";
import { type Drop, type Grabbed, useDrag } from "./use-drag.ts";
import { useSteady } from "./use-steady.ts";

/** What is under the hand: a piece on a board, something beside, or a board itself. */
export type Selection =
  | { readonly kind: "piece"; readonly board: string; readonly id: string }
  | { readonly kind: "loose"; readonly id: string }
  | { readonly kind: "board"; readonly board: string };

type Props = {
  readonly boards: readonly Board[];
  readonly beside: readonly BesideItem[];
  readonly box: MatBox;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly label: string;
  /** Tells two mats of one page apart. */
  readonly name: string;
  /** `isNudge`: one of several steps, perhaps; they are saved together when they are done. */
  readonly onArrange: (changes: readonly Arrangement[], isNudge?: boolean) => void;
  /** Gives a print or card of the day another size: that of the room it goes into. */
  readonly onResize?: ((loose: Loose, size: Size) => void) | undefined;
  /** What stands under the mat, for what is selected. */
  readonly bar: (
    selection: Selection | null,
    select: (selection: Selection | null) => void,
    putOn: (item: BesideItem) => void,
  ) => ReactNode;
  readonly small?: boolean;
};

const FAR = 8;
/** The focus goes to the drawing itself, where the last piece of it is gone. */
const WHOLE = "";

export const piecesOf = (board: Board): Piece[] => board.read[board.face].pieces.map(({ piece }) => piece);
/** A side as it is to lie from now on. What a day that is set aside has on it is not seen, and stays. */
export function arrangement({ read, face }: Board, pieces: readonly Piece[]): Arrangement {
  const side = read[face];
  const isAside = side.owner.kind === "day" && side.page === null;
  const seen = new Set([...pieces, ...side.pieces.map(({ piece }) => piece)].map(({ id }) => id));
  const unseen = isAside ? (read.leaf[face].pieces ?? []).filter(({ id }) => !seen.has(id)) : [];
  return { leaf: read.leaf.id, face, pieces: [...unseen, ...pieces] };
}

/** The mat with pieces that can be taken up: by pointer, or by keys alone. */
export function Arranger({
  boards,
  beside,
  box,
  format,
  unit,
  label,
  name,
  onArrange,
  onResize,
  bar,
  small = false,
}: Props) {
  const [selection, select] = useState<Selection | null>(null);
  const [opened, open] = useState<OpenedHere | null>(null);
  // What lies open is seen whole, however far it reaches.
  const [reach, setReach] = useState<MatBox | null>(null);
  const close = () => open(null);
  const opening = useMemo(() => ({ opened, open }), [opened]);
  const svg = useRef<SVGSVGElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const { hold, style: steady } = useSteady(frame);
  const focusOn = useRef<string | null>(null);
  const byKey = useMemo(() => new Map(boards.map((board) => [board.key, board])), [boards]);

  const onDrop = ({ grabbed, board, at }: Drop) => {
    if (grabbed.kind === "loose") {
      const item = beside.find(({ loose }) => loose.id === grabbed.id);
      if (!item || board?.whose.kind !== "own") return;
      const lies = rect(at.x, at.y, item.loose.size.w, item.loose.size.h);
      const room = onResize && roomUnder(board, item.loose, lies);
      putOn(item, room ? { board, room } : { board, lies });
      return;
    }
    const from = byKey.get(grabbed.board);
    if (!from || (board && board.whose.kind === "other")) return;
    const piece = piecesOf(from).find(({ id }) => id === grabbed.id);
    if (!piece) return;
    const rest = withoutPiece(piecesOf(from), grabbed.id);
    if (board && board.key !== from.key) {
      const moved = movedTo({ ...piece, at }, from.read[from.face], board.read[board.face]);
      if (!moved) return;
      onArrange([arrangement(from, rest), arrangement(board, [...piecesOf(board), moved])]);
      take(board.key, moved.id);
    } else if (board) onArrange([arrangement(board, movePiece(piecesOf(board), grabbed.id, at))]);
    else {
      onArrange([arrangement(from, rest)]);
      select(null);
    }
  };
  const { drag, begin } = useDrag({ svg, boards, unit, onDrop });

  /** Puts something that lies beside where it goes, and takes it up there. */
  const putOn = ({ loose }: BesideItem, target: Target) => {
    const { board } = target;
    const pieces = piecesOf(board);
    const laid = (lies: Rect) => markedFor(pieceFrom(loose, lies, false), board.read[board.face], board.by);
    if ("room" in target) {
      const { w, h } = target.room.lies;
      if (!sameSize(loose.size, { w, h })) onResize?.(loose, { w, h });
      const { what } = laid(target.room.lies);
      onArrange([arrangement(board, fillRoom(pieces, target.room, loose.id, what))]);
    } else if ("lies" in target) onArrange([arrangement(board, [...pieces, laid(target.lies)])]);
    else {
      const piece = laid(rect(0, 0, loose.size.w, loose.size.h));
      const { content } = board.read[board.face];
      onArrange([arrangement(board, putInto([...pieces, piece], piece.id, target.pocket, content))]);
    }
    take(board.key, "room" in target ? loose.id : laid(rectOf(loose.size)).id);
  };

  /** Selects, and leads the focus to what is selected. */
  const pick = (next: Selection | null) => {
    select(next);
    focusOn.current = next?.kind === "piece" ? `${name}-${next.id}` : next ? null : WHOLE;
  };
  const take = (board: string, id: string) => pick({ kind: "piece", board, id });
  // A piece that came onto a board is another element than it was beside it: the focus follows it.
  useEffect(() => {
    const id = focusOn.current;
    const found =
      id && id !== WHOLE ? svg.current?.querySelector<SVGElement>(`[data-piece="${CSS.escape(id)}"]`) : null;
    const element = id === WHOLE ? svg.current : found;
    if (!element || id === null) return;
    focusOn.current = null;
    element.focus();
  });

  const onPieceKey = (event: React.KeyboardEvent, board: Board, placed: PlacedPiece) => {
    const pieces = piecesOf(board);
    const { id } = placed.piece;
    const { content } = board.read[board.face];
    const step = stepOf(unit) * (event.shiftKey ? FAR : 1);
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const arrange = (next: readonly Piece[]) => onArrange([arrangement(board, next)]);
    if (by) {
      const moved = nudgePiece(pieces, id, by[0] ?? 0, by[1] ?? 0);
      onArrange([arrangement(board, moved)], true);
      const at = moved.find((piece) => piece.id === id)?.at;
      if (at) speak(spoken(`From left ${sayLength(at.x, unit)}, from top ${sayLength(at.y, unit)}.`));
    } else if (event.key === "t" || event.key === "T") arrange(turnPiece(pieces, id, content));
    else if (event.key === "]") arrange(restack(pieces, id, 1));
    else if (event.key === "[") arrange(restack(pieces, id, -1));
    else if (event.key === "p" || event.key === "P") arrange(putInto(pieces, id, nextPlace(board, placed), content));
    else if (event.key === "o" || event.key === "O") {
      if (!("built" in placed.piece.what && placed.piece.what.built)) return;
      open(nextOpened(opened, board.key, id));
    } else if (event.key === "Delete" || event.key === "Backspace") {
      arrange(withoutPiece(pieces, id));
      pick(besides(boards, board, id));
    } else if (event.key === "Escape") select({ kind: "board", board: board.key });
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onLooseKey = (event: React.KeyboardEvent, item: BesideItem) => {
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    event.stopPropagation();
    const target = targetFor(boards, item.loose, selection, onResize !== undefined);
    if (target) putOn(item, target);
  };

  const view = opened && reach ? around(box, reach) : box;
  const ground = useMemo(() => matGround(box, unit, small, name), [box, unit, small, name]);
  const held = drag?.grabbed;
  const letter = letterOn(box);
  const feet = captionFeet([...boards.map(boardCaption), ...beside.map(besideCaption)], letter);
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-hidden">
      <Zoomed frame={frame} style={steady} small={small}>
        <svg
          ref={svg}
          viewBox={viewBoxOf(view)}
          preserveAspectRatio="xMidYMid meet"
          className="block h-full w-full touch-pan-y overflow-visible select-none"
          role="group"
          aria-label={label}
          tabIndex={-1}
        >
          <Still markup={ground} />
          {boards.map((board, at) => {
            const side = board.read[board.face];
            const isWorkedOn = selection !== null && "board" in selection && selection.board === board.key;
            const soft = !isWorkedOn && isBehindVellum(boards, at) ? "behind-vellum" : undefined;
            return (
              <g key={board.key} transform={`translate(${board.x} ${board.y})`}>
                <g
                  data-board={board.key}
                  className={soft}
                  onPointerDown={() => select({ kind: "board", board: board.key })}
                >
                  <BoardGround board={board} format={format} />
                </g>
                {(board.whose.kind === "other" ? [] : side.pieces).map((placed) => {
                  const { piece, rect: lies } = placed;
                  const chosen =
                    selection?.kind === "piece" && selection.id === piece.id && selection.board === board.key;
                  const away = held?.kind === "piece" && held.id === piece.id && held.board === board.key;
                  const drawn = drawnFor(side, piece);
                  const made = pieceSize(piece.what, drawn.content);
                  const on = leafName(board.read, unit, board.face).split(". ")[0];
                  const said = spoken(
                    `${made ? pieceName(piece, made, unit) : ""}. ${fitWords(placed.fit, unit)} ${on}.`,
                  );
                  if (isAnothers(board, piece))
                    return (
                      <g
                        key={piece.id}
                        data-anothers={piece.id}
                        className={soft}
                        transform={`translate(${mm(lies.x)} ${mm(lies.y)})`}
                        pointerEvents="none"
                      >
                        <title>{`${said} Another’s on this side: it is moved there.`}</title>
                        <PieceDrawing piece={piece} drawn={drawn} />
                      </g>
                    );
                  return (
                    <g
                      key={piece.id}
                      data-piece={`${name}-${piece.id}`}
                      transform={`translate(${mm(lies.x)} ${mm(lies.y)})`}
                      opacity={away ? 0.25 : 1}
                      role="button"
                      tabIndex={0}
                      aria-pressed={chosen}
                      aria-label={said}
                      className={soft ? `mat-piece ${soft}` : "mat-piece"}
                      onFocus={() => select({ kind: "piece", board: board.key, id: piece.id })}
                      onKeyDown={(event) => onPieceKey(event, board, placed)}
                      onPointerDown={(event) => {
                        hold();
                        select({ kind: "piece", board: board.key, id: piece.id });
                        begin(event, { kind: "piece", board: board.key, id: piece.id }, lies, board);
                      }}
                    >
                      <PieceDrawing piece={piece} drawn={drawn} />
                      {chosen && <Outline of={lies} tone={placed.fit.kind} />}
                    </g>
                  );
                })}
                {!small && (
                  <text
                    x={mm(board.whole.x)}
                    y={mm(ticks(board.whole.y + board.whole.h)) + (feet[at] ?? 0)}
                    className="fill-on-mat"
                    fontSize={letter}
                    aria-hidden="true"
                  >
                    {board.name}
                  </text>
                )}
              </g>
            );
          })}
          {beside.map((item, at) => (
            <g
              key={item.loose.id}
              data-piece={`${name}-beside-${item.loose.id}`}
              transform={`translate(${item.x} ${item.y})`}
              opacity={held?.kind === "loose" && held.id === item.loose.id ? 0.25 : 1}
              role="button"
              tabIndex={0}
              aria-label={`${item.name}, beside the page. Enter puts it on`}
              className="mat-piece"
              onFocus={() => select({ kind: "loose", id: item.loose.id })}
              onKeyDown={(event) => onLooseKey(event, item)}
              onPointerDown={(event) => {
                hold();
                select({ kind: "loose", id: item.loose.id });
                const { w, h } = item.loose.size;
                begin(event, { kind: "loose", id: item.loose.id }, rect(0, 0, w, h), { x: item.x, y: item.y });
              }}
            >
              <LooseDrawing loose={item.loose} drawn={drawnForBeside(boards)} />
              {selection?.kind === "loose" && selection.id === item.loose.id && (
                <Outline of={rectOf(item.loose.size)} tone="beside" />
              )}
              {!small && (
                <text
                  y={mm(item.loose.size.h) + (feet[boards.length + at] ?? 0)}
                  className="fill-on-mat"
                  fontSize={letter}
                  aria-hidden="true"
                >
                  {item.name}, beside
                </text>
              )}
            </g>
          ))}
          {opened && <OpenedOverlay {...{ boards, opened }} onOver={close} onReach={setReach} />}
          {drag && (
            <LiveMeasures drag={drag} drawing={heldDrawing(drag.grabbed, boards, beside)} unit={unit} letter={letter} />
          )}
        </svg>
      </Zoomed>
      <OpenHere value={opening}>
        {bar(selection, pick, (item) => {
          const target = targetFor(boards, item.loose, selection, onResize !== undefined);
          if (target) putOn(item, target);
        })}
      </OpenHere>
    </div>
  );
}

const boardCaption = ({ x, y, whole, name }: Board) => ({
  ...{ x: x + mm(whole.x), y: y + mm(whole.y), w: mm(whole.w), h: mm(whole.h) },
  caption: name,
});
const besideCaption = ({ x, y, name, loose: { size } }: BesideItem) => ({
  ...{ x, y, w: mm(size.w), h: mm(size.h) },
  caption: `${name}, beside`,
});

/** The piece that comes up when one is taken off: the next on its board in the order of Tab, the one before, or one of another. */
export function besides(boards: readonly Board[], { key, ...of }: Board, id: string): Selection | null {
  const pieces = piecesOf({ key, ...of });
  const at = pieces.findIndex((piece) => piece.id === id);
  const next = pieces[at + 1] ?? pieces[at - 1];
  if (next) return { kind: "piece", board: key, id: next.id };
  const other = boards.find((board) => board.key !== key && board.whose.kind !== "other" && piecesOf(board).length > 0);
  const [first] = other ? piecesOf(other) : [];
  return other && first ? { kind: "piece", board: other.key, id: first.id } : null;
}

const drawnForBeside = (boards: readonly Board[]): DrawnFor => {
  const board = boards.find(({ whose }) => whose.kind === "own");
  const page = board?.by ?? board?.read[board.face].page;
  return { content: page?.content ?? null, label: page?.label ?? "" };
};

function heldDrawing(grabbed: Grabbed, boards: readonly Board[], beside: readonly BesideItem[]): string {
  if (grabbed.kind === "loose") {
    const item = beside.find(({ loose }) => loose.id === grabbed.id);
    return item ? looseDrawing(item.loose, drawnForBeside(boards)) : "";
  }
  const board = boards.find(({ key }) => key === grabbed.board);
  const side = board?.read[board.face];
  const placed = side?.pieces.find(({ piece }) => piece.id === grabbed.id);
  return side && placed ? drawingOf(placedMarks({ ...placed.piece, at: ZERO }, drawnFor(side, placed.piece))) : "";
}

/** The pocket after the one a piece lies in; on an open page, the page. */
function nextPlace(board: Board, { pocket }: PlacedPiece): Rect {
  const { pockets } = board.read[board.face];
  return pockets[((pocket ?? -1) + 1) % Math.max(1, pockets.length)] ?? rectOf(board.read.build.page);
}
