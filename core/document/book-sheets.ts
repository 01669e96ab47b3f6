import { FACES } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { type BookPage, type LeafRead, wholeLeaf } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import type { Mark } from "../draw/marks.ts";
import { sideMarks } from "../draw/side.ts";
import { spreadMarks } from "../draw/spread.ts";
import { lineUnder } from "../finish/leafing.ts";
import { inches, millimetres, ticks } from "../measure/length.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { type Size, size, turned } from "../measure/size.ts";
import { type TrueSheet, UNPRINTED } from "../sheet/true-size.ts";

/** A whole book as a document: opening by opening or page by page, at true size or as large as a usual paper takes it. */
export const BOOK_AS = ["openings", "pages"] as const;
export const BOOK_FITS = ["true", "letter", "a4"] as const;
export type BookLook = { readonly as: (typeof BOOK_AS)[number]; readonly fit: (typeof BOOK_FITS)[number] };

/** Room under an opening for what the keeper says there. */
const LINE_FOOT = inches(3 / 8);
const LETTERS = millimetres(4);
/** The paper that a book is printed on where none is chosen is this much larger each way than what is drawn. */
const EDGE = inches(1 / 8);

type Drawn = { readonly title: string; readonly area: Size; readonly marks: readonly Mark[] };

const at = (x: number, y: number, { w, h }: Size, marks: readonly Mark[]): Mark => ({
  ...({ kind: "group", turn: 0, w, h } as const),
  ...{ x: ticks(x), y: ticks(y), marks },
});

function openings<P extends BookPage>(leaves: readonly LeafRead<P>[], format: AlbumFormat, title: string): Drawn[] {
  const spreads = placesOfSpreads(leaves).map((place) => spreadAt(leaves, place, format));
  // All of one size, so that the book does not jump as it is leafed through.
  const hasLines = spreads.some((spread) => lineUnder(spread) !== "");
  return spreads.map((spread, nth) => {
    const { frame } = spread;
    const line = lineUnder(spread);
    const area = size(frame.w, ticks(frame.h + (hasLines ? LINE_FOOT : 0)));
    const words: Mark[] =
      line === ""
        ? []
        : [
            {
              ...({ kind: "text", typeface: "book", size: LETTERS, fill: "ink", anchor: "middle" } as const),
              ...{ x: ticks(Math.round(frame.w / 2)), y: ticks(frame.h + Math.round(LINE_FOOT * 0.7)), text: line },
            },
          ];
    return {
      title: `${title}, opening ${nth + 1} of ${spreads.length}`,
      area,
      marks: [at(-frame.x, -frame.y, frame, spreadMarks(spread, format)), ...words],
    };
  });
}

/** Every side that is ever up, in the order in which it comes up. */
const sides = <P extends BookPage>(leaves: readonly LeafRead<P>[], format: AlbumFormat, title: string): Drawn[] =>
  leaves.flatMap((read, nth) =>
    FACES.filter((face) => !read[face].gluedOver).map((face): Drawn => {
      const whole = wholeLeaf(read.build, format, face);
      return {
        title: `${title}, leaf ${nth + 1}, ${face}`,
        area: size(whole.w, whole.h),
        marks: [at(-whole.x, -whole.y, read.build.page, sideMarks(read, face, format))],
      };
    }),
  );

/** A drawing on a paper a little larger than itself. */
const onOwnPaper = ({ title, area, marks }: Drawn): TrueSheet => ({
  title,
  paper: size(ticks(area.w + 2 * EDGE), ticks(area.h + 2 * EDGE)),
  marks: [at(EDGE, EDGE, area, marks)],
});

/** A drawing in the middle of a usual paper, turned so that it is largest; never larger than it is. */
function onUsualPaper({ title, area, marks }: Drawn, usual: Size): TrueSheet {
  const paper = area.w > area.h === usual.w > usual.h ? usual : turned(usual);
  const by = Math.min(1, (paper.w - 2 * UNPRINTED) / area.w, (paper.h - 2 * UNPRINTED) / area.h);
  const middle = (room: number, long: number) => ticks(Math.round((room - long * by) / 2));
  return { title, paper, marks, drawn: { by, x: middle(paper.w, area.w), y: middle(paper.h, area.h) } };
}

/** The pages of a book's document; none where the book has no leaf. */
export function bookSheets<P extends BookPage>(
  leaves: readonly LeafRead<P>[],
  format: AlbumFormat,
  { as, fit }: BookLook,
  title: string,
): TrueSheet[] {
  const drawn =
    leaves.length === 0 ? [] : as === "openings" ? openings(leaves, format, title) : sides(leaves, format, title);
  const usual = fit === "letter" ? LETTER : aSeries(4);
  return drawn.map((each) => (fit === "true" ? onOwnPaper(each) : onUsualPaper(each, usual)));
}
