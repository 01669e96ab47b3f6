import { hasWords } from "../album/card-words.ts";
import { FACES, type Face, type Held, idOfHeld, type Piece } from "../album/leaf.ts";
import type { AnyPage } from "../album/matter.ts";
import type { AlbumFormat, Card, PhotoUse } from "../album/model.ts";
import { type BookRead, type LeafRead, type PlacedPiece, pageOfPiece } from "../book/read.ts";
import { madeAgain } from "../craft/built.ts";
import type { Does, Made } from "../craft/craft.ts";
import { stateOnSide, troublesThere } from "../craft/place.ts";
import { inches } from "../measure/length.ts";
import { contains, overlap, type Rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";

/** Where to something goes when it is opened, as its side is looked at. */
export type Towards = "up" | "down" | "left" | "right";
/** One thing to do: about a hinge or a fold, or straight out; and where to. What only comes off its place goes nowhere. */
export type Move = { readonly by: "hinge" | "slide" | "fold"; readonly to: readonly Towards[] };

/** What is found inside. */
export type Inside =
  | { readonly kind: "photo"; readonly use: PhotoUse }
  | { readonly kind: "card"; readonly card: Card }
  | { readonly kind: "words"; readonly says: string };

/** Something in the book that lifts, pulls, folds out, unties or hides. */
export type Opener = {
  readonly id: string;
  readonly read: LeafRead<AnyPage>;
  readonly face: Face;
  /** Where it lies on its side's page; null: it is the whole leaf. */
  readonly at: Rect | null;
  /** Whose it is. */
  readonly page: AnyPage | null;
  readonly name: string;
  readonly what:
    | { readonly kind: "construction"; readonly does: Does; readonly of: string }
    /** A flip of paper, an envelope that is a leaf, a leaf that comes off the rings. */
    | { readonly kind: "flip" | "envelope" | "lifts-off" }
    /** A card whose words lie behind something, or that has words on its back where it can be taken out. */
    | { readonly kind: "hidden-card"; readonly behind: string }
    | { readonly kind: "card-back" };
  /** What is done, in that order. */
  readonly moves: readonly Move[];
  readonly inside: readonly Inside[];
  /** Something on it says that it opens; a leaf says so itself. */
  readonly isHinted: boolean;
  /** It opens towards the rings, and catches there. */
  readonly intoRings: boolean;
  /** What lies over it and is taken off, or undone, first; null where nothing does. */
  readonly under: string | null;
};

/** What goes less far beyond its closed place than this is not said to go anywhere. */
const LEAST = inches(1 / 4);

/** Where to an opened state reaches beyond the closed one. */
function towards(closed: Rect, open: Rect): Towards[] {
  const reach: readonly (readonly [Towards, number])[] = [
    ["up", closed.y - open.y],
    ["down", open.y + open.h - closed.y - closed.h],
    ["left", closed.x - open.x],
    ["right", open.x + open.w - closed.x - closed.w],
  ];
  return reach.filter(([, by]) => by >= LEAST).map(([to]) => to);
}

function movesOf(made: Made, does: Does, lies: Rect, turn: PlacedPiece["piece"]["turn"]): Move[] {
  const moves = made.opens.flatMap(({ state, hinge }): Move[] => {
    const of = made.states.find(({ id }) => id === state);
    if (!of) return [];
    const slides = does === "pulls-out" || does === "holds";
    return [{ by: hinge ? "hinge" : slides ? "slide" : "fold", to: towards(lies, stateOnSide(made, of, lies, turn)) }];
  });
  return moves;
}

/** What is done with something that opens nowhere, and is there to be used all the same. */
const USED: readonly Does[] = ["shakes", "dangles", "lets-through", "holds"];

function insideOf(holds: readonly Held[], of: readonly AnyPage[]): Inside[] {
  return holds.flatMap((held): Inside[] => {
    if (held.what.kind === "words") return held.what.says.trim() === "" ? [] : [held.what];
    const id = idOfHeld(held);
    const use = of.flatMap(({ content }) => content.photos).find((each) => each.id === id);
    const card = of.flatMap(({ content }) => content.cards).find((each) => each.id === id);
    return use ? [{ kind: "photo", use }] : card ? [{ kind: "card", card }] : [];
  });
}

/** What is stuck over the edge of something that opens, so that it stays shut: a seal, a strip, a band. */
const STICKS: readonly Piece["what"]["kind"][] = ["embellishment", "overlay", "tag"];

/** What lies over a piece, and not wholly on it: that holds it shut. */
function overIt(pieces: readonly PlacedPiece[], placed: PlacedPiece): string | null {
  const over = pieces
    .slice(pieces.indexOf(placed) + 1)
    .find(
      ({ piece: { what }, rect }) =>
        STICKS.includes(what.kind) && overlap(rect, placed.rect) && !contains(placed.rect, rect),
    );
  const what = over?.piece.what;
  return what && "name" in what ? what.name.trim() || "what lies over it" : null;
}

type OnSide = { readonly read: LeafRead<AnyPage>; readonly face: Face; readonly placed: PlacedPiece };

function ofPiece({ read, face, placed }: OnSide, format: AlbumFormat): Opener[] {
  const { piece, rect: at } = placed;
  const side = read[face];
  const page = pageOfPiece(side, piece);
  const all = [side.page, ...side.guests].flatMap((each) => each ?? []);
  const others = side.pieces.filter((each) => each !== placed);
  const common = { id: piece.id, read, face, at, page, intoRings: false, under: overIt(side.pieces, placed) };
  const { what } = piece;
  if (what.kind === "card") {
    const card = all.flatMap(({ content }) => content.cards).find(({ id }) => id === what.card);
    if (!card) return [];
    const own = { ...common, moves: [], isHinted: false };
    return [
      ...(card.hidden.trim() && hasWords(card)
        ? [
            {
              ...{ ...own, name: "Hidden words", what: { kind: "hidden-card", behind: card.hidden.trim() } as const },
              inside: [{ kind: "card", card } as const],
            },
          ]
        : []),
      ...(card.back.trim() !== "" && placed.pocket !== null
        ? [
            {
              ...own,
              name: "A written back",
              what: { kind: "card-back" } as const,
              inside: [{ kind: "words", says: card.back } as const],
            },
          ]
        : []),
    ];
  }
  if (what.kind === "flip")
    return [
      {
        ...{
          ...common,
          name: what.name || "Flip",
          what: { kind: "flip" },
          moves: [{ by: "hinge", to: [] }],
          inside: [],
        },
        isHinted: others.some((each) => each.piece.what.kind === "tab"),
      },
    ];
  const built = "built" in what ? what.built : undefined;
  const making = built && madeAgain(built, piece.of?.material);
  if (!built || !making) return [];
  const { of, done } = making;
  const inside = insideOf(built.holds, all);
  const moves = movesOf(done, of.does, at, piece.turn);
  if (moves.length === 0 && inside.length === 0 && !USED.includes(of.does)) return [];
  if (moves.length === 0 && of.does === "holds" && inside.length === 0) return [];
  const there = { read, face, lies: at, turn: piece.turn, outside: piece.outside, others };
  const troubles = new Set(troublesThere(done, there, format).map(({ kind }) => kind));
  const name = "name" in what && what.name ? what.name : of.name;
  return [
    {
      ...{ ...common, name, what: { kind: "construction", does: of.does, of: of.kind }, moves, inside },
      isHinted: !troubles.has("no-hint"),
      intoRings: troubles.has("into-rings"),
    },
  ];
}

function ofLeaf(read: LeafRead<AnyPage>): Opener[] {
  const { leaf, build } = read;
  const page = read.front.page ?? read.back.page;
  const common = { read, face: "front" as const, at: null, page, inside: [], isHinted: true };
  const no = { intoRings: false, under: null };
  const inIt = FACES.flatMap((face) => read[face].pieces).length;
  return [
    ...(build.insert === "envelope"
      ? [
          {
            ...common,
            ...no,
            id: `${leaf.id} envelope`,
            name: "Envelope",
            what: { kind: "envelope" } as const,
            moves: [],
          },
        ]
      : []),
    ...(leaf.liftsOff
      ? [
          {
            ...{ ...common, ...no, id: `${leaf.id} lifts-off`, name: inIt > 0 ? "Leaf" : "Empty leaf" },
            ...{ what: { kind: "lifts-off" } as const, moves: [{ by: "slide" as const, to: [] }] },
          },
        ]
      : []),
  ];
}

/** Everything in a book that lifts, pulls, folds out, unties or hides, in the order in which it is come upon. */
export function openersIn({ leaves }: Pick<BookRead<AnyPage>, "leaves">, format: AlbumFormat): Opener[] {
  return leaves.flatMap((read) => [
    ...ofLeaf(read),
    ...FACES.flatMap((face) =>
      read[face].gluedOver ? [] : read[face].pieces.flatMap((placed) => ofPiece({ read, face, placed }, format)),
    ),
  ]);
}

/** Where something lies on its page, by thirds: `in the middle`, `at the upper left`. */
export function whereOn(at: Rect, area: Size): string {
  const third = (middle: number, long: number) => (middle < long / 3 ? 0 : middle > (long * 2) / 3 ? 2 : 1);
  const across = third(at.x + at.w / 2, area.w);
  const down = third(at.y + at.h / 2, area.h);
  if (across === 1 && down === 1) return "in the middle";
  const row = ["upper", "", "lower"][down];
  const column = ["left", "", "right"][across];
  if (across === 1) return down === 0 ? "at the head" : "at the foot";
  return row === "" ? `on the ${column}` : `at the ${row} ${column}`;
}
