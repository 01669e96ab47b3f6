import { use, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { LengthBox } from "#app/parts/length-box.tsx";
import { MatButton } from "#app/parts/mat-button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Why } from "#app/parts/why.tsx";
import { NUMERAL_COLOUR_NAME } from "#app/wording/day.ts";
import { fitWords, pieceName } from "#app/wording/fit.ts";
import { whyFits } from "#app/wording/why.ts";
import { type Built, NUMERAL_COLOURS, type NumeralColour, type NumeralPiece, type Piece } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { usualOfPiece } from "#core/album/usual-material.ts";
import { movePiece, putInto, restack, splitPiece, turnPiece, withoutPiece } from "#core/book/arrange.ts";
import { numeralText } from "#core/book/numeral.ts";
import { pieceSize, turnedBy } from "#core/book/piece.ts";
import { type PlacedPiece, pageOfPiece, type SideRead } from "#core/book/read.ts";
import { splitOver } from "#core/fit/fit.ts";
import { TONE_OF } from "#core/fit/tone.ts";
import { type Length, minus, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { centredIn, rectOf, sizeOf } from "#core/measure/rect.ts";
import { printSize, type Size } from "#core/measure/size.ts";
import { piecesOf } from "./arranger.tsx";
import type { Board } from "./boards.ts";
import { MadeOfFields } from "./made-of-fields.tsx";
import { NumeralFields } from "./numeral-fields.tsx";
import { nextOpened, OpenHere } from "./opened-here.ts";
import { sideTroubles } from "./side-troubles.ts";
import { WhoseField } from "./whose-field.tsx";

type Props = {
  readonly albumId: string;
  readonly board: Board;
  readonly placed: PlacedPiece;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly onArrange: (pieces: readonly Piece[]) => void;
  readonly onDone: () => void;
  /** Orders a print of another size for a photo of the day. */
  readonly onPrint?: ((use: string, print: Size) => void) | undefined;
  /** Puts the same number on the other side of the leaf; left out where that is another's. */
  readonly onOtherSide?: ((piece: Piece, what: NumeralPiece) => void) | undefined;
};

/** What can be done with the piece under the hand, its verdict first. */
export function PieceBar({ albumId, board, placed, format, unit, onArrange, onDone, onPrint, onOtherSide }: Props) {
  const { piece, rect: lies, fit, pocket } = placed;
  const { id, what } = piece;
  const side = board.read[board.face];
  const { content } = side;
  const pieces = piecesOf(board);
  const made = pieceSize(what, content);
  if (!made) return null;
  const page = rectOf(board.read.build.page);
  const area = pocket === null ? page : (side.pockets[pocket] ?? page);
  const tone = TONE_OF[fit.kind];
  const moveTo = (next: { x?: Length; y?: Length }) => onArrange(movePiece(pieces, id, { ...piece.at, ...next }));
  const change = (next: Partial<Piece>) =>
    onArrange(pieces.map((each) => (each.id === id ? { ...each, ...next } : each)));
  return (
    <div className="mat-bar">
      <p className="basis-full">
        <strong className="font-semibold">{pieceName(piece, made, unit)}.</strong>{" "}
        <span className={tone === "act" ? "font-semibold text-flame" : ""}>{fitWords(fit, unit)}</span>
        <Why of="how it fits" reckoning={whyFits(fit, sizeOf(lies), sizeOf(area), pocket !== null, unit)} />
        {sideTroubles(board, format, unit)
          .filter(({ piece: of, about }) => of === id && about !== "fit")
          .map(({ about, words }) => (
            <span key={about} className="font-semibold text-flame">
              {" "}
              {words}
            </span>
          ))}
      </p>
      <LengthBox key={`x${id}`} label="From left" value={lies.x} unit={unit} onTake={(x) => moveTo({ x })} />
      <LengthBox key={`y${id}`} label="From top" value={lies.y} unit={unit} onTake={(y) => moveTo({ y })} />
      {("name" in what || what.kind === "room" || what.kind === "numeral") && !builtOf(what) && (
        <MadeSize key={id} made={what.size} unit={unit} onTake={(size) => change({ what: { ...what, size } })} />
      )}
      {builtOf(what) && <AtTheBench albumId={albumId} board={board} piece={piece} />}
      {"name" in what && (
        <WordsOnIt key={`says ${id}`} says={what.says ?? ""} onTake={(says) => change({ what: { ...what, says } })} />
      )}
      {"name" in what && what.says && (
        <ColourOfWords ink={what.ink} onTake={(ink) => change({ what: { ...what, ink } })} />
      )}
      {what.kind === "room" && (
        <MatButton onClick={() => change({ what: { ...what, keeps: what.keeps === "photo" ? "card" : "photo" } })}>
          {what.keeps === "photo" ? "Keep it for words" : "Keep it for a photo"}
        </MatButton>
      )}
      {what.kind === "numeral" && (
        <NumeralFields
          what={what}
          onChange={(next) => change({ what: next })}
          onOtherSide={onOtherSide && (() => onOtherSide(piece, what))}
        />
      )}
      {what.kind !== "room" && (
        <MadeOfFields
          key={`of ${id}`}
          albumId={albumId}
          name="it"
          usual={usualOfPiece(what, content?.numeral.style ?? "none")}
          of={piece.of}
          takes={what.kind === "numeral" ? "number" : "piece"}
          says={saysOf(piece, side)}
          look="mat"
          onTake={(of) => change({ of })}
        />
      )}
      {what.kind !== "photo" && what.kind !== "card" && (
        <WhoseField side={side} piece={piece} onTake={(dayId) => change({ dayId })} />
      )}
      {fit.kind === "turn" && (
        <MatButton strong onClick={() => onArrange(putInto(pieces, id, area, content))}>
          Turn it to fit
        </MatButton>
      )}
      {fit.kind === "trim" && what.kind === "photo" && !what.cut && fit.largest && onPrint && (
        <MatButton strong onClick={() => fit.largest && onPrint(what.use, turnedBy(fit.largest, piece.turn))}>
          Print at {printSize(turnedBy(fit.largest, piece.turn), unit)}
        </MatButton>
      )}
      {fit.kind === "wanders" && (
        <MatButton strong onClick={() => onArrange(withBacking(pieces, placed, fit.backing, area))}>
          Mount on {printSize(fit.backing, unit)}
        </MatButton>
      )}
      {fit.kind === "split" && what.kind === "photo" && (
        <SplitOffer board={board} placed={placed} unit={unit} onArrange={onArrange} />
      )}
      <MatButton onClick={() => onArrange(turnPiece(pieces, id, content))} keys="t">
        Turn
      </MatButton>
      <MatButton onClick={() => onArrange(putInto(pieces, id, area, content))}>
        {pocket === null ? "Centre" : "Into the pocket"}
      </MatButton>
      <MatButton onClick={() => onArrange(restack(pieces, id, 1))} keys="]">
        Forward
      </MatButton>
      <MatButton onClick={() => onArrange(restack(pieces, id, -1))} keys="[">
        Back
      </MatButton>
      {board.read.build.inProtector && (
        <MatButton pressed={piece.outside} onClick={() => change({ outside: !piece.outside })}>
          On the outside
        </MatButton>
      )}
      <MatButton
        onClick={() => {
          onArrange(withoutPiece(pieces, id));
          onDone();
        }}
        keys="Delete"
      >
        Take off
      </MatButton>
    </div>
  );
}

const builtOf = (what: Piece["what"]): Built | null => ("name" in what && what.built) || null;

/** The size of a construction follows its measures, which are set at the bench. */
function AtTheBench({ albumId, board, piece }: Pick<Props, "albumId" | "board"> & { piece: Piece }) {
  const { opened, open } = use(OpenHere);
  const built = builtOf(piece.what);
  if (!built) return null;
  const at = { leaf: board.read.leaf.id, face: board.face, piece: piece.id };
  const isOpen = opened?.board === board.key && opened.piece === piece.id;
  return (
    <>
      <MatButton onClick={() => open(nextOpened(opened, board.key, piece.id))} keys="O">
        {isOpen ? "Open further, or close it" : "Open it here"}
      </MatButton>
      <Link to={to.making(albumId, built.kind, at)} className="mat-button mat-button-strong">
        Measure or change it
      </Link>
    </>
  );
}

/** The number or the words on a piece; null where there are none. */
function saysOf(piece: Piece, side: SideRead): string | null {
  const { what, dayId } = piece;
  const page = pageOfPiece(side, piece);
  if (what.kind === "numeral") return page ? numeralText(what, dayId, page) : null;
  return "says" in what ? (what.says ?? null) : null;
}

/** The words that stand on a made piece: looked through for the same phrase twice, and drawn on it. */
function WordsOnIt({ says, onTake }: { says: string; onTake: (says: string | undefined) => void }) {
  const [typed, setTyped] = useState(says);
  const take = () => {
    if (typed.trim() !== says) onTake(typed.trim() || undefined);
  };
  return (
    <label className="flex items-center gap-1.5 text-sm">
      Words on it
      <input
        className="mat-field w-28"
        value={typed}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === "Enter" && take()}
      />
    </label>
  );
}

/** What colour the words are: on film and vellum it decides whether they are read. */
function ColourOfWords({
  ink,
  onTake,
}: {
  ink: NumeralColour | undefined;
  onTake: (ink: NumeralColour | undefined) => void;
}) {
  return (
    <select
      aria-label="Colour of the words"
      className="mat-field"
      value={ink ?? ""}
      onChange={(event) => onTake(NUMERAL_COLOURS.find((each) => each === event.target.value))}
    >
      <option value="">Any colour</option>
      {NUMERAL_COLOURS.map((colour) => (
        <option key={colour} value={colour}>
          {NUMERAL_COLOUR_NAME[colour]}
        </option>
      ))}
    </select>
  );
}

/** A backing of pocket size under a piece that would wander. */
function withBacking(
  pieces: readonly Piece[],
  { piece }: PlacedPiece,
  size: Size,
  area: ReturnType<typeof rectOf>,
): Piece[] {
  const { x, y } = centredIn(area, size);
  const backing: Piece = {
    id: newId(),
    what: { kind: "photo-mat", size, name: "backing" },
    at: { x, y },
    turn: 0,
    outside: false,
    dayId: null,
  };
  const at = pieces.findIndex(({ id }) => id === piece.id);
  return [...pieces.slice(0, at), backing, ...pieces.slice(at)];
}

/** Both ways to cut a print over a seam, with where to cut. */
function SplitOffer({ board, placed, unit, onArrange }: Pick<Props, "board" | "placed" | "unit" | "onArrange">) {
  const side = board.read[board.face];
  if (placed.fit.kind !== "split") return null;
  const [a, b] = placed.fit.pockets.map((at) => side.pockets[at]);
  if (!a || !b) return null;
  const ways = (["kept", "dropped"] as const).flatMap((way) => {
    const split = splitOver(placed.rect, a, b, way);
    return split.ok && (way === "kept" || split.cuts.length === 2) ? [{ way, cuts: split.cuts }] : [];
  });
  if (ways.length === 0)
    return <p className="basis-full text-sm">Too large for these two pockets: print it smaller to split it.</p>;
  return ways.map(({ way, cuts }) => (
    <MatButton
      key={way}
      strong
      onClick={() => {
        const split = splitPiece(piecesOf(board), placed.piece.id, [a, b], way, side.content, newId());
        if (split.ok) onArrange(split.pieces);
      }}
    >
      {way === "kept"
        ? `Cut at ${sayLength(cuts[0] ?? ticks(0), unit)}`
        : `Cut at ${sayLength(cuts[0] ?? ticks(0), unit)} and ${sayLength(cuts[1] ?? ticks(0), unit)}, drop ${sayLength(minus(cuts[1] ?? ticks(0), cuts[0] ?? ticks(0)), unit)}`}
    </MatButton>
  ));
}

function MadeSize({ made, unit, onTake }: { made: Size; unit: Unit; onTake: (size: Size) => void }) {
  return (
    <>
      <LengthBox label="Wide" value={made.w} unit={unit} range="positive" onTake={(w) => onTake({ ...made, w })} />
      <LengthBox label="High" value={made.h} unit={unit} range="positive" onTake={(h) => onTake({ ...made, h })} />
    </>
  );
}
