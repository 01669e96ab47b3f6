import { frontWords } from "../album/card-words.ts";
import type { NumeralLook, NumeralPiece, Piece } from "../album/leaf.ts";
import { INK_OF } from "../album/lettering-ink.ts";
import type { MadeOf } from "../album/made-of.ts";
import type { PageContent } from "../album/steps.ts";
import { type Numbered, numeralText } from "../book/numeral.ts";
import { pieceSize } from "../book/piece.ts";
import { pageOfPiece, type SideRead } from "../book/read.ts";
import { wordsHigh } from "../book/says.ts";
import { edgesOf, type Polygon } from "../craft/polygon.ts";
import type { Ink } from "../material/ink.ts";
import { type Length, millimetres, ticks } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { AS_IT_COMES } from "../photo/crop.ts";
import { LEAST_REPEAT } from "../photo/repeat.ts";
import { cardMarks, preprintMarks } from "./card.ts";
import type { Mark } from "./marks.ts";
import { paperFill } from "./paper-fill.ts";
import { printMarks } from "./print.ts";

const t = (n: number): Length => ticks(Math.round(n));

/** A paper as its picture shows it, at its true scale: repeated where the sheet is smaller. Nothing where there is no picture. */
export function paperMarks(of: MadeOf | null | undefined, at: Rect): Mark[] {
  if (!of?.shows) return [];
  const { photoId, picture, sheet } = of.shows;
  const repeat = sheet && Math.min(sheet.w, sheet.h) >= LEAST_REPEAT ? sheet : null;
  const print = { w: at.w, h: at.h };
  return printMarks({ photoId, picture, print, repeat, alt: "", crop: AS_IT_COMES, onIt: [], together: null }, at, at);
}

const RULE = millimetres(8);
export function ruled({ w, h }: Size, from: Length): Mark[] {
  const count = Math.max(0, Math.floor((h - 2 * from) / RULE));
  return Array.from({ length: count }, (_, at): Mark => {
    const y = t(from + (at + 0.5) * RULE);
    return { kind: "line", x1: t(w * 0.1), y1: y, x2: t(w * 0.9), y2: y, stroke: "film", line: t(140) };
  });
}

export type DrawnFor = Numbered & { readonly content: PageContent | null; readonly label: string };

/** A print, or the part of it that a piece is; nothing where its day has it no more. */
function photoMarks(
  { use: id, cut }: Extract<Piece["what"], { kind: "photo" }>,
  { w, h }: Size,
  content: DrawnFor["content"],
): Mark[] {
  const use = content?.photos.find((each) => each.id === id);
  if (!use) return [];
  const at = rect(0, 0, w, h);
  const print = cut ? rect(-cut.x, -cut.y, use.print.w, use.print.h) : at;
  return printMarks(use, print, at, use.alt || "A photo without a description yet");
}

/** Whether all that is seen of a piece is the thing it is made of, and the words on it. */
const isCutFrom = ({ kind }: Piece["what"]): boolean =>
  kind === "filler" || kind === "photo-mat" || kind === "tag" || kind === "embellishment" || kind === "overlay";

/** What a piece looks like, its own left upper corner at zero, upright. */
export function pieceMarks({ what, dayId, of }: Piece, { w, h }: Size, { content, ...numbered }: DrawnFor): Mark[] {
  const at = rect(0, 0, w, h);
  const paper = paperMarks(of, at);
  if (paper.length > 0 && isCutFrom(what)) {
    return [...paper, ...(what.kind === "photo-mat" ? [caption(what.name, { w, h })] : said(what, { w, h }))];
  }
  switch (what.kind) {
    case "photo": {
      const seen = photoMarks(what, { w, h }, content);
      return seen.length > 0 ? [{ kind: "rect", at, fill: "paper" }, ...seen] : [];
    }
    case "card": {
      const card = content?.cards.find(({ id }) => id === what.card);
      const isWritten = card && frontWords(card).trim() !== "";
      const words = isWritten ? cardMarks(card, "front") : card?.preprint ? [] : ruled({ w, h }, t(h * 0.08));
      return [
        { kind: "rect", at, fill: "paper", stroke: "hair", line: t(50) },
        ...paper,
        ...preprintMarks(card, at),
        ...words,
      ];
    }
    case "numeral":
      return numeralMarks(what, { w, h }, numeralText(what, dayId, numbered));
    case "room":
      return [
        { kind: "rect", at, fill: "paper", solid: 0.3, stroke: "pencil", dashed: true, line: t(110) },
        caption(what.keeps === "photo" ? "a photo" : "words", { w, h }),
      ];
    case "filler":
      return [{ kind: "rect", at, fill: "base" }, ...lattice({ w, h }), ...said(what, { w, h })];
    case "photo-mat":
      return [{ kind: "rect", at, fill: "mat" }, caption(what.name, { w, h })];
    case "overlay":
      return [{ kind: "rect", at, fill: "film", solid: 0.3, stroke: "paper", dashed: true }, ...said(what, { w, h })];
    case "window":
      return [{ kind: "rect", at, stroke: "pencil", line: t(110) }];
    case "construction":
      return constructionMarks(what, { w, h });
    case "embellishment":
      return [
        { kind: "circle", x: t(w / 2), y: t(h / 2), r: t(Math.min(w, h) / 2), fill: "brass", solid: 0.8 },
        ...said(what, { w, h }),
      ];
    case "tag":
      return [...tagMarks({ w, h }), ...said(what, { w, h })];
    case "tab":
      return [
        { kind: "rect", at, fill: "kraft", round: millimetres(1.2), stroke: "pencil", line: t(50) },
        caption(what.says || what.name || "", { w, h }),
      ];
    case "flip":
      return [
        { kind: "rect", at, fill: "paper", solid: 0.55, stroke: "ember", line: t(110) },
        { kind: "line", x1: t(0), y1: t(h * 0.06), x2: w, y2: t(h * 0.06), stroke: "ember", dashed: true },
        caption(what.says || what.name || "lifts", { w, h }),
      ];
  }
}

/** A construction as it lies closed; one of which that is not known as its outline. */
function constructionMarks(what: Extract<Piece["what"], { name: string }>, { w, h }: Size): Mark[] {
  const points = (shape: Polygon) => shape.map(({ x, y }) => [x, y] as const);
  const closed = (what.built?.closed ?? []).flatMap(({ shape, face, of }): Mark[] => [
    { kind: "polygon", points: points(shape), ...paperFill(of, face) },
    // What is cut out of it has an edge of its own.
    ...edgesOf(shape).map((edge): Mark => ({ kind: "polygon", stroke: "pencil", line: t(50), points: points(edge) })),
  ]);
  return [
    ...(closed.length > 0
      ? closed
      : [{ kind: "rect", at: rect(0, 0, w, h), fill: "base", stroke: "pencil", line: t(110) } as const]),
    caption(what.says || what.name, { w, h }),
  ];
}

/** What a numeral lies on: its own card, a block, a clear sheet; nothing where it is put straight on the page. */
function numeralGround(style: NumeralLook["style"] | null, { w, h }: Size): Mark[] {
  const at = rect(0, 0, w, h);
  switch (style) {
    case null:
      return [{ kind: "rect", at, fill: "film", solid: 0.9 }];
    case "sticker":
      return [{ kind: "rect", at, fill: "paper", round: millimetres(2), stroke: "hair" }];
    case "wood":
      return [{ kind: "rect", at, fill: "kraft", round: millimetres(1) }];
    case "acrylic":
      return [{ kind: "rect", at, fill: "film", solid: 0.35, round: millimetres(2), stroke: "paper" }];
    case "chipboard":
    case "stamped":
    case "cut":
    case "printed":
      return [];
  }
}

function numeralMarks({ look }: NumeralPiece, made: Size, text: string): Mark[] {
  const { w, h } = made;
  const letters = Math.max(1, [...text].length);
  const high = Math.min(h * (look ? 0.8 : 0.6), (w * 0.8) / (letters * 0.62));
  const number = (by: number, fill: Ink, solid = 1): Mark => ({
    kind: "text",
    x: t(w / 2 + by),
    y: t(h / 2 + high * 0.36 + by),
    text,
    typeface: "numeral",
    size: t(high),
    anchor: "middle",
    fill,
    ...(solid < 1 ? { solid } : {}),
  });
  const ink = look ? INK_OF[look.colour] : "brass";
  // Chipboard and wood stand off the page; a stamp's ink lets the paper through.
  const stands = look?.style === "chipboard" || look?.style === "wood";
  return [
    ...numeralGround(look?.style ?? null, made),
    ...(stands ? [number(millimetres(0.6), "pencil", 0.5)] : []),
    number(0, ink, look?.style === "stamped" ? 0.75 : 1),
  ];
}

function tagMarks({ w, h }: Size): Mark[] {
  const corner = t(Math.min(w, h) * 0.2);
  const points = [
    [corner, t(0)],
    [t(w - corner), t(0)],
    [w, corner],
    [w, h],
    [t(0), h],
    [t(0), corner],
  ] as const;
  return [
    { kind: "polygon", points, fill: "paper", stroke: "hair" },
    { kind: "circle", x: t(w / 2), y: t(corner * 0.8), r: t(corner * 0.25), fill: "pencil" },
  ];
}

/** The words that stand on a piece, if any do. */
const said = (what: Piece["what"], size: Size): Mark[] =>
  "says" in what && what.says ? [caption(what.says, size, what.ink ? INK_OF[what.ink] : "pencil")] : [];

export function caption(text: string, { w, h }: Size, fill: Ink = "pencil"): Mark {
  const high = wordsHigh(text, { w, h });
  return {
    kind: "text",
    x: t(w / 2),
    y: t(h / 2 + high * 0.35),
    text,
    typeface: "plain",
    size: t(high),
    anchor: "middle",
    fill,
  };
}

/** A plain pattern that says: paper, nothing to read. */
function lattice({ w, h }: Size): Mark[] {
  const step = millimetres(12);
  const marks: Mark[] = [];
  for (let y = step / 2; y < h; y += step)
    for (let x = step / 2; x < w; x += step)
      marks.push({ kind: "circle", x: t(x), y: t(y), r: t(150), fill: "hair", solid: 0.8 });
  return marks.slice(0, 120);
}

/** A piece where it lies on its side. */
export function placedMarks(piece: Piece, drawn: DrawnFor): Mark[] {
  const made = pieceSize(piece.what, drawn.content);
  if (!made) return [];
  return [{ kind: "group", ...piece.at, turn: piece.turn, ...made, marks: pieceMarks(piece, made, drawn) }];
}

/**
 * What of a piece is printed where a whole page is: pictures, the words of a card, a number that is printed. What is stuck on,
 * stamped or filled later leaves its room white.
 */
export function printedOf({ what, dayId }: Piece, made: Size, { content, ...numbered }: DrawnFor): Mark[] {
  switch (what.kind) {
    case "photo":
      return photoMarks(what, made, content);
    case "card": {
      const card = content?.cards.find(({ id }) => id === what.card);
      return card ? cardMarks(card, "front") : [];
    }
    case "numeral":
      return what.look?.style === "printed" ? numeralMarks(what, made, numeralText(what, dayId, numbered)) : [];
    default:
      return [];
  }
}

/** What a piece of a side is drawn with: what its own day has, where several share the side. */
export function drawnFor(side: SideRead, piece: Piece): DrawnFor {
  const page = pageOfPiece(side, piece);
  return { content: page?.content ?? null, label: page?.label ?? "", days: page?.days ?? [] };
}
