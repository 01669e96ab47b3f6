import type { AlbumFormat } from "../album/model.ts";
import type { BookPage, LeafRead } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import { madeAgain } from "../craft/built.ts";
import type { Mark } from "../draw/marks.ts";
import { openedMarks } from "../draw/opened.ts";
import { spreadMarks } from "../draw/spread.ts";
import { ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { lineUnder, openingInWords, type PageInWords } from "./leafing.ts";
import { type OpensHere, opensIn } from "./opened-here.ts";

/** A construction of an opening in each of the ways it opens, drawn over the opening; `lies` is where it is closed. */
export type Opens = {
  readonly name: string;
  readonly lies: Rect;
  readonly states: readonly { readonly name: string; readonly marks: readonly Mark[] }[];
};

/** One opening of a book as it lies, in ticks from the upper end of the spine. */
export type OpenBook = {
  /** The area that any opening of the book can take: all are drawn at one scale. */
  readonly frame: Rect;
  readonly marks: readonly Mark[];
  /** What the keeper says under it; empty where nothing is said. */
  readonly line: string;
  readonly words: readonly PageInWords[];
  readonly opens: readonly Opens[];
};

const AT_ZERO = { x: ticks(0), y: ticks(0) };

function opensAs({ piece, name, lies, corner, drawn }: OpensHere): Opens[] {
  const { what, turn } = piece;
  const built = "built" in what ? what.built : undefined;
  const done = built && madeAgain(built, piece.of?.material)?.done;
  if (!built || !done || !("size" in what)) return [];
  const { size } = what;
  const states = done.opens.flatMap(({ state: id }) => {
    const state = done.states.find((each) => each.id === id);
    if (!state) return [];
    const upright: Mark = {
      kind: "group",
      ...AT_ZERO,
      turn,
      ...size,
      marks: openedMarks(done, state, built.holds, drawn),
    };
    const there: Mark = { kind: "group", ...corner, turn: 0, w: lies.w, h: lies.h, marks: [upright] };
    return [{ name: state.name, marks: [there] }];
  });
  const there = { ...lies, ...corner };
  return states.length > 0 ? [{ name, lies: there, states }] : [];
}

/** The opening after so many leaves of a book, drawn as it lies. */
export function openingAt<P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  place: number,
  format: AlbumFormat,
  called: (page: P) => string,
): OpenBook {
  const spread = spreadAt(leaves, place, format);
  return {
    frame: spread.frame,
    marks: spreadMarks(spread, format),
    line: lineUnder(spread),
    words: openingInWords(spread, called),
    opens: opensIn(spread).flatMap(opensAs),
  };
}

/** Every opening of a book from the first to the last; none where the book has no leaf. */
export function openBook<P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  format: AlbumFormat,
  called: (page: P) => string,
): OpenBook[] {
  return leaves.length === 0 ? [] : placesOfSpreads(leaves).map((place) => openingAt(leaves, place, format, called));
}
