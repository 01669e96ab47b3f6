import type { Card } from "../album/model.ts";
import { cardMarks } from "../draw/card.ts";
import type { Mark } from "../draw/marks.ts";
import { type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { type CardFace, settingOf } from "../words/lettering.ts";
import { type Stretch, unstretched, wasteMarks } from "./print-marks.ts";
import type { TrueSheet } from "./true-size.ts";

/** A card where it lies on its sheet, seen from the front. */
export type LyingCard = { readonly card: Card; readonly at: Rect; readonly turned: boolean };

/** Cards as they lie on a sheet seen from behind, when it is turned over like a page. */
const fromBehind = (paper: Size, { at, ...rest }: LyingCard): LyingCard => ({
  ...rest,
  at: rect(paper.w - at.x - at.w, at.y, at.w, at.h),
});

/**
 * The words of a card where it lies. A card that lies turned has its head at the right; seen from behind, at the left. On
 * something clear the front is printed on the back, reversed, so that it reads right through it.
 */
function wordsAt({ card, at, turned }: LyingCard, face: CardFace, reversed: boolean): Mark {
  return {
    kind: "group",
    x: at.x,
    y: at.y,
    w: card.size.w,
    h: card.size.h,
    turn: turned ? (face === "front" ? 1 : 3) : 0,
    ...(reversed ? { mirrored: true } : {}),
    marks: cardMarks(card, face),
  };
}

const isClear = (card: Card): boolean => settingOf(card).stock === "clear";
const hasBack = ({ card }: LyingCard): boolean => card.back.trim() !== "";

export type CardSheet = { readonly paper: Size; readonly cards: readonly LyingCard[]; readonly waste: readonly Rect[] };

/**
 * The pages of a sheet of cards: the fronts, and the backs where any card has one, so laid that they meet when the sheet
 * is turned over like a page. Made up for the printer's stretch; the name and a scale bar lie in the waste of the fronts.
 */
export function cardSheetPages(sheet: CardSheet, title: string, unit: Unit, stretch: Stretch): TrueSheet[] {
  const { paper, cards, waste } = sheet;
  const fronts = cards.map((lying) => wordsAt(lying, "front", isClear(lying.card)));
  const page = (marks: readonly Mark[], named: string): TrueSheet => ({
    title: named,
    paper,
    marks: unstretched(marks, stretch),
  });
  const first = page([...fronts, ...wasteMarks(waste, title, unit)], title);
  if (!cards.some(hasBack)) return [first];
  const backs = cards.filter(hasBack).map((lying) => wordsAt(fromBehind(paper, lying), "back", false));
  return [first, page(backs, `${title}, backs`)];
}

/** Room between cards on a carrier sheet, for the tape or the paste that holds them. */
const APART: Length = millimetres(8);
const OUTLINE: Length = millimetres(0.2);
const TICK: Length = millimetres(4);

/** Cards laid on carrier sheets in rows, upright, apart from each other: as many sheets as it takes. */
export function layOnCarriers(
  cards: readonly Card[],
  paper: Size,
  printable: Rect,
): { sheets: LyingCard[][]; tooLarge: Card[] } {
  const sheets: LyingCard[][] = [];
  const tooLarge: Card[] = [];
  let [x, y, row] = [0, 0, 0];
  // The tallest first: rows are as even as they can be.
  for (const card of [...cards].sort((a, b) => b.size.h - a.size.h || b.size.w - a.size.w)) {
    const { w, h } = card.size;
    if (w > printable.w || h > printable.h) {
      tooLarge.push(card);
      continue;
    }
    if (sheets.length === 0 || x + w > printable.w) {
      [x, y, row] = [0, sheets.length === 0 ? 0 : y + row + APART, 0];
      if (sheets.length === 0 || y + h > printable.h) {
        sheets.push([]);
        y = 0;
      }
    }
    sheets.at(-1)?.push({ card, at: rect(printable.x + x, printable.y + y, w, h), turned: false });
    x += w + APART;
    row = Math.max(row, h);
  }
  return { sheets: sheets.map((sheet) => centred(sheet, paper)), tooLarge };
}

/** Cards moved as one to the middle of their paper's width, so that turning the sheet over leaves them where they are. */
function centred(sheet: readonly LyingCard[], paper: Size): LyingCard[] {
  const left = Math.min(...sheet.map(({ at }) => at.x));
  const right = Math.max(...sheet.map(({ at }) => at.x + at.w));
  const by = Math.round((paper.w - right - left) / 2);
  return sheet.map((lying) => ({ ...lying, at: rect(lying.at.x + by, lying.at.y, lying.at.w, lying.at.h) }));
}

const label = ({ at }: LyingCard, number: number): Mark => ({
  kind: "text",
  x: ticks(at.x + at.w / 2),
  y: ticks(at.y + at.h / 2),
  text: String(number),
  typeface: "numeral",
  size: millimetres(12),
  anchor: "middle",
  fill: "hair",
});

/** Corners a little outside a card's own, so that it is seen to lie straight when it covers its outline. */
function corners({ x, y, w, h }: Rect): Mark[] {
  const line = (x1: number, y1: number, x2: number, y2: number): Mark => ({
    kind: "line",
    x1: ticks(x1),
    y1: ticks(y1),
    x2: ticks(x2),
    y2: ticks(y2),
    stroke: "pencil",
    line: OUTLINE,
  });
  return [
    [x, y, -1, -1],
    [x + w, y, 1, -1],
    [x, y + h, -1, 1],
    [x + w, y + h, 1, 1],
  ].flatMap(([cx = 0, cy = 0, dx = 1, dy = 1]) => [
    line(cx, cy + dy * OUTLINE, cx, cy + dy * TICK),
    line(cx + dx * OUTLINE, cy, cx + dx * TICK, cy),
  ]);
}

/** A carrier sheet to print once: the outline of every card that will be stuck on it, numbered in the order of its words. */
export function carrierPage(cards: readonly LyingCard[], paper: Size, title: string, stretch: Stretch): TrueSheet {
  const marks = cards.flatMap((lying, at): Mark[] => [
    { kind: "rect", at: lying.at, stroke: "pencil", line: OUTLINE },
    ...corners(lying.at),
    label(lying, at + 1),
  ]);
  return { title, paper, marks: unstretched(marks, stretch) };
}

/** What is printed onto the cards once they are stuck on their carrier: the words of one face, in place, and nothing else. */
export function carriedWords(
  cards: readonly LyingCard[],
  paper: Size,
  face: CardFace,
  title: string,
  stretch: Stretch,
): TrueSheet {
  // The cards are turned over one by one and stuck in the same places: nothing is exchanged.
  const marks = cards.map(
    ({ card, at }): Mark => ({
      kind: "group",
      x: at.x,
      y: at.y,
      turn: 0,
      w: card.size.w,
      h: card.size.h,
      marks: cardMarks(card, face),
    }),
  );
  return { title, paper, marks: unstretched(marks, stretch) };
}
