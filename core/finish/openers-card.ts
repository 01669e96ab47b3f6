import type { AnyPage } from "../album/matter.ts";
import type { AlbumFormat } from "../album/model.ts";
import { laidMarks } from "../draw/card.ts";
import type { Mark } from "../draw/marks.ts";
import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { rectOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { FINE, onPaper, type TrueSheet } from "../sheet/true-size.ts";
import { layWords } from "../words/lay.ts";
import { type CardSetting, emOf, evenEdges, usualSetting } from "../words/lettering.ts";
import { drawnIn, openerMarks } from "./opener-drawing.ts";
import { openerSaid, placeSaid } from "./opener-said.ts";
import type { Opener } from "./openers.ts";

const MARGIN = inches(1 / 4);
const GAP = inches(1 / 8);
const HEADING = 56;
/** In quarters of a point. */
const WORDS = 34;

const setting = (of: Size, quarters: number): CardSetting => ({
  ...usualSetting(of),
  lettering: { kind: "typed", typeface: "plain", size: quarters, leading: 125, align: "left" },
  margins: evenEdges(ticks(0)),
  longWords: "break",
});

/** Words laid in a width: their marks from the left upper corner, and how high they are. */
function laid(text: string, w: Length, quarters: number): { marks: Mark[]; h: number } {
  const room = size(w, inches(20));
  const how = setting(room, quarters);
  const { words, lines } = layWords(text, room, how, "front");
  return { marks: laidMarks({ words }, how), h: Math.ceil(lines * emOf(quarters) * 1.25) };
}

const group = (x: number, y: number, marks: readonly Mark[]): Mark => ({
  ...({ kind: "group", turn: 0 } as const),
  ...{ x: ticks(Math.round(x)), y: ticks(Math.round(y)), w: ticks(0), h: ticks(0), marks },
});

type Row = { readonly marks: readonly Mark[]; readonly h: number };

/** One thing that opens: its small drawing, and beside it where it is, what to do and what is inside. */
function rowOf(opener: Opener, nth: number, wide: number, format: AlbumFormat, called: (page: AnyPage) => string): Row {
  const mini = size(ticks(Math.round(wide / 5)), ticks(Math.round(wide / 4)));
  const drawn = drawnIn(opener.read.build.page, mini);
  const beside = ticks(wide - mini.w - GAP);
  const { does, inside } = openerSaid(opener);
  const where = `${opener.page ? `${called(opener.page)}, ` : ""}${placeSaid(opener, format)}`;
  const head = laid(`${nth}  ${opener.name}: ${where}`, beside, WORDS);
  const words = laid([...does, ...(inside ? [inside] : [])].join(" "), beside, WORDS - 2);
  return {
    marks: [
      group(0, 0, openerMarks(opener, mini)),
      group(mini.w + GAP, 0, head.marks),
      group(mini.w + GAP, head.h + millimetres(0.6), words.marks),
    ],
    h: Math.max(drawn.h, head.h + words.h + millimetres(0.6)),
  };
}

/**
 * What opens where, as cards of a size for the back of the book, each to be cut out of its paper: as many as it takes. Empty
 * where nothing opens.
 */
export function openersCards(
  openers: readonly Opener[],
  card: Size,
  format: AlbumFormat,
  unit: Unit,
  title: string,
  called: (page: AnyPage) => string,
): TrueSheet[] {
  const wide = card.w - 2 * MARGIN;
  const heading = laid("What opens where", ticks(wide), HEADING);
  const cards: Mark[][] = [];
  let y = Number.POSITIVE_INFINITY;
  for (const [at, opener] of openers.entries()) {
    const row = rowOf(opener, at + 1, wide, format, called);
    if (y + row.h > card.h - MARGIN) {
      const isFirst = cards.length === 0;
      cards.push([
        { kind: "rect", at: rectOf(card), stroke: "pencil", line: FINE },
        ...(isFirst ? [group(MARGIN, MARGIN, heading.marks)] : []),
      ]);
      y = MARGIN + (isFirst ? heading.h + GAP : 0);
    }
    cards.at(-1)?.push(group(MARGIN, y, row.marks));
    y += row.h + GAP;
  }
  return cards.map((marks, at) =>
    onPaper(
      cards.length > 1 ? `${title}, ${at + 1} of ${cards.length}` : title,
      card,
      (x, top) => [{ kind: "group", turn: 0, x, y: top, w: card.w, h: card.h, marks }],
      unit,
    ),
  );
}
