import type { LeafKind, MadeKind } from "../album/leaf.ts";
import { inches, type Length, millimetres } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { aSeries } from "../measure/sheets.ts";
import { type Size, size } from "../measure/size.ts";
import { lying, numeralAt, roomFor, type Template, type TemplatePiece } from "./template.ts";

/** Our own arrangements for each usual page size. Lengths are in the unit the page is measured in. */
type Unit = (n: number) => Length;
const mm10: Unit = (n) => millimetres(n * 10);

type Draw = {
  readonly photo: (x: number, y: number, w: number, h: number) => TemplatePiece;
  readonly card: (x: number, y: number, w: number, h: number) => TemplatePiece;
  readonly numeral: (x: number, y: number, w: number, h: number) => TemplatePiece;
  readonly made: (kind: MadeKind, name: string, x: number, y: number, w: number, h: number) => TemplatePiece;
};

function drawIn(unit: Unit): Draw {
  const area = (x: number, y: number, w: number, h: number): Rect => rect(unit(x), unit(y), unit(w), unit(h));
  return {
    photo: (...spot) => roomFor("photo", area(...spot)),
    card: (...spot) => roomFor("card", area(...spot)),
    numeral: (...spot) => numeralAt(area(...spot)),
    made: (kind, name, ...spot) => lying(area(...spot), { kind, name, size: size(unit(spot[2]), unit(spot[3])) }),
  };
}

const make =
  (page: Size, prefix: string) =>
  (id: string, name: string, kind: LeafKind, layout: string | null, ...pieces: readonly TemplatePiece[]): Template => ({
    id: `${prefix}/${id}`,
    name,
    page,
    kind,
    layout,
    pieces,
  });

function sixByEight(): Template[] {
  const template = make(size(inches(6), inches(8)), "6x8");
  const { photo, card, numeral, made } = drawIn(inches);
  return [
    template(
      "mantel",
      "Mantel: wide photo over words and number",
      "pocket",
      "one-over-two",
      photo(0, 0, 6, 4),
      card(0, 4, 3, 4),
      numeral(3, 4, 3, 4),
    ),
    template(
      "window",
      "Window: four pockets, three photos",
      "pocket",
      "four",
      photo(0, 0, 3, 4),
      photo(3, 0, 3, 4),
      card(0, 4, 3, 4),
      photo(3, 4, 3, 4),
    ),
    template(
      "hearthstone",
      "Hearthstone: words above, wide photo below",
      "pocket",
      "two-over-one",
      numeral(0, 0, 3, 4),
      card(3, 0, 3, 4),
      photo(0, 4, 6, 4),
    ),
    template(
      "full-light",
      "Full light: the photo is the page",
      "full",
      null,
      photo(0, 0, 6, 8),
      numeral(4.25, 6.25, 1.5, 1.5),
    ),
    template(
      "ledger",
      "Ledger: a tall print, number and words beside it",
      "pocket",
      "tall-beside-two",
      photo(0, 0, 3, 8),
      numeral(3, 0, 3, 4),
      card(3, 4, 3, 4),
    ),
    template(
      "matted",
      "Matted: one print on a mat, words beneath",
      "full",
      null,
      made("photo-mat", "Mat", 0.75, 0.75, 4.5, 3.5),
      photo(1, 1, 4, 3),
      card(0.75, 4.75, 3, 2.5),
      numeral(4, 5, 1.5, 1.5),
    ),
    template(
      "windowpanes",
      "Windowpanes: six small prints under a wide one",
      "pocket",
      "one-over-six",
      photo(0, 0, 6, 4),
      photo(0, 4, 2, 2),
      photo(2, 4, 2, 2),
      photo(4, 4, 2, 2),
      photo(0, 6, 2, 2),
      numeral(2, 6, 2, 2),
      photo(4, 6, 2, 2),
    ),
    template(
      "lift",
      "Lift: words under a flip-up photo",
      "full",
      null,
      numeral(0.5, 0.5, 1.5, 1.5),
      card(1.5, 2.5, 3, 4),
      made("flip", "Flip-up, hinged on top", 1, 2, 4, 5),
      photo(1.5, 2.25, 3, 4),
    ),
    template(
      "counting-house",
      "Counting house: twelve small things",
      "pocket",
      "twelve",
      photo(0, 0, 2, 2),
      photo(2, 0, 2, 2),
      photo(4, 0, 2, 2),
      numeral(2, 2, 2, 2),
      photo(0, 4, 2, 2),
      photo(4, 4, 2, 2),
      made("filler", "Filler", 0, 2, 2, 2),
      made("filler", "Filler", 4, 2, 2, 2),
    ),
  ];
}

function tenByEight(): Template[] {
  const template = make(size(inches(10), inches(8)), "10x8");
  const { photo, card, numeral, made } = drawIn(inches);
  return [
    template(
      "sill",
      "Sill: a wide photo, words down the side",
      "full",
      null,
      photo(0.5, 1, 6, 4),
      card(7, 1, 2.5, 4),
      numeral(7, 5.5, 1.5, 1.5),
    ),
    template(
      "settle",
      "Settle: two uprights and a number between",
      "full",
      null,
      photo(0.5, 1.5, 3, 4),
      photo(6.5, 1.5, 3, 4),
      numeral(4.25, 2, 1.5, 1.5),
      card(3.5, 4, 3, 3),
    ),
    template(
      "loaf",
      "Loaf: one large photo, matted",
      "full",
      null,
      made("photo-mat", "Mat", 0.75, 0.75, 8.5, 5.75),
      photo(1, 1, 8, 5.25),
      numeral(0.75, 6.5, 1.25, 1.25),
      card(2.5, 6.75, 6, 1),
    ),
    template(
      "four-square",
      "Four square: small things on mats in four pockets",
      "pocket",
      "four",
      made("photo-mat", "Mat", 0, 0, 5, 4),
      made("photo-mat", "Mat", 5, 0, 5, 4),
      made("photo-mat", "Mat", 0, 4, 5, 4),
      made("photo-mat", "Mat", 5, 4, 5, 4),
      photo(0.5, 0.5, 4, 3),
      photo(5.5, 0.5, 4, 3),
      card(0.5, 4.5, 4, 3),
      numeral(6, 4.5, 3, 3),
    ),
    template(
      "bench-row",
      "Bench row: three small prints over a strip of words",
      "full",
      null,
      photo(0.5, 1, 2.75, 2.75),
      photo(3.625, 1, 2.75, 2.75),
      photo(6.75, 1, 2.75, 2.75),
      numeral(0.5, 4.5, 1.5, 1.5),
      card(2.5, 4.5, 7, 2.5),
    ),
  ];
}

function eightByEight(): Template[] {
  const template = make(size(inches(8), inches(8)), "8x8");
  const { photo, card, numeral, made } = drawIn(inches);
  return [
    template(
      "kettle",
      "Kettle: a wide photo over words and number",
      "full",
      null,
      photo(1, 0.5, 6, 4),
      card(1, 5, 4, 2.5),
      numeral(5.5, 5.25, 1.5, 1.5),
    ),
    template(
      "quarters",
      "Quarters: four pockets",
      "pocket",
      "four",
      photo(0, 0, 4, 4),
      card(4, 0, 4, 4),
      photo(0, 4, 4, 4),
      numeral(4, 4, 4, 4),
    ),
    template(
      "corner",
      "Corner: one square print, words at its foot",
      "full",
      null,
      made("photo-mat", "Mat", 1.75, 0.75, 5.5, 5.5),
      photo(2, 1, 5, 5),
      numeral(0.25, 0.75, 1.5, 1.5),
      card(2, 6.5, 5, 1.25),
    ),
    template(
      "two-shelves",
      "Two shelves: a strip over a page",
      "pocket",
      "two-rows",
      made("photo-mat", "Mat", 0, 0, 8, 4),
      made("photo-mat", "Mat", 0, 4, 8, 4),
      photo(0, 0, 6, 4),
      numeral(6, 1, 2, 2),
      card(1, 4, 6, 4),
    ),
  ];
}

function a5(): Template[] {
  const template = make(aSeries(5), "a5");
  const { photo, card, numeral, made } = drawIn(mm10);
  return [
    template(
      "berth",
      "Berth: a wide photo over words",
      "paper",
      null,
      photo(1, 1, 12.8, 9),
      numeral(1, 11, 3, 3),
      card(4.4, 11, 9.4, 8.5),
    ),
    template(
      "chart",
      "Chart: an upright print, words beside",
      "paper",
      null,
      photo(1, 1.5, 8, 11),
      card(9.4, 1.5, 4.4, 11),
      numeral(1, 13.5, 4, 4),
    ),
    template(
      "portholes",
      "Portholes: three small squares",
      "paper",
      null,
      photo(1, 1, 6, 6),
      photo(7.8, 1, 6, 6),
      photo(1, 7.8, 6, 6),
      numeral(8.8, 8.8, 4, 4),
      card(1, 14.6, 12.8, 5.4),
    ),
    template(
      "log",
      "Log: mostly words, one small print",
      "paper",
      null,
      numeral(1, 1, 3, 3),
      card(1, 4.6, 12.8, 9),
      made("photo-mat", "Mat", 4.6, 13.8, 9.4, 6.4),
      photo(4.9, 14.1, 8.8, 5.8),
    ),
  ];
}

/** Shipped arrangements: nine for 6 × 8, five for 10 × 8, four each for 8 × 8 and A5. */
export const SHIPPED_TEMPLATES: readonly Template[] = [...sixByEight(), ...tenByEight(), ...eightByEight(), ...a5()];

/** Those made for a page of this size. */
export const templatesFor = (page: Size, own: readonly Template[] = []): Template[] =>
  [...SHIPPED_TEMPLATES, ...own].filter((template) => template.page.w === page.w && template.page.h === page.h);
