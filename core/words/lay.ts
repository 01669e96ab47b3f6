import { type Length, ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import { remembering } from "../remember.ts";
import { type Breaks, firstFit, linesOf, totalFit } from "./breaking.ts";
import { type Item, itemsOf } from "./items.ts";
import type { CardFace, CardSetting, Lettering } from "./lettering.ts";
import { goesLineByLine, type Measure, measureOf, measureOfHeadings, stampWidth } from "./measure.ts";
import { type Paragraph, paragraphsOf } from "./paragraph.ts";
import { areaOf, heightOf, type Stretch, stretchesIn } from "./stretches.ts";
import type { Typeface } from "./typeface.ts";
import { lettersOf, partsOf } from "./typefaces.ts";

/** A word, or the part of one that a line takes, where it is printed: `x` to `x + w` on the base line `y`. */
export type LaidWord = {
  readonly text: string;
  readonly x: Length;
  readonly y: Length;
  readonly w: Length;
  /** Of a heading that is set in another way than the rest: in what, and how large, in ticks. */
  readonly as?: { readonly typeface: Typeface; readonly em: Length };
};

/** Words laid in a card's face. Nothing of it lies outside the card's area. */
export type Laid = {
  readonly words: readonly LaidWord[];
  /** Lines the words take, the empty ones between them counted, and the lines there are. */
  readonly lines: number;
  readonly room: number;
  /** Where in the text the first line begins that has no room; null when all of it is in. */
  readonly cut: number | null;
  /** Words that are wider than the line they stand on. */
  readonly tooWide: readonly string[];
  /** The margins leave nothing to write on, or not one line of this lettering. */
  readonly noArea: boolean;
};

/** Lines that are counted beyond the last for which there is room, before the rest is not looked at any more. */
const COUNTED = 400;
const INDENT = 0.35;
/** Widths that differ by less are the same, in units. */
const NEARLY = 1e-6;

/** What a paragraph is laid with: how its words run, its items, and how far its lines stand in. */
type Laying = {
  readonly paragraph: Paragraph;
  readonly measure: Measure;
  readonly items: readonly Item[];
  readonly indent: number;
};

/** Items of paragraphs by their measure: a letter typed changes one paragraph, and a size none. */
const made = remembering<readonly Item[]>(2000);

function remembered(words: string, measure: Measure, justified: boolean, tearOver: number | null): readonly Item[] {
  const key = `${measure.key}|${justified}|${tearOver?.toFixed(2)}|${words}`;
  return made(key, () => itemsOf(words, measure, { justified, tearOver }));
}

const isJustified = (lettering: Lettering) => lettering.kind === "typed" && lettering.align === "justified";
const isCentred = (lettering: Lettering) => lettering.kind !== "handwriting" && lettering.align === "centre";

/** The point of a list whose mark leaves hardly any room beside it is a line like any other. */
const MOST_INDENT = 0.5;

/** A paragraph's items, its words broken where they are too wide for the narrowest line if that is wished. */
function setOf(said: Paragraph, measure: Measure, { lettering, longWords }: CardSetting, narrowest: number): Laying {
  const whole = narrowest / measure.unit;
  const isTypewritten = lettering.kind === "typewriter";
  // No typewriter has a dot for a list: a hyphen stands for it, and every line begins on a whole character.
  const given = isTypewritten && said.mark === "•" ? { ...said, mark: "-" } : said;
  const beside = isTypewritten ? measure.width("n") : INDENT * measure.width("n");
  const hangs = given.mark === null ? 0 : measure.width(given.mark) + beside;
  const isNarrow = hangs > whole * MOST_INDENT;
  const paragraph = isNarrow ? { ...given, mark: null } : given;
  const indent = isNarrow ? 0 : hangs;
  const room = Math.max(0, whole - indent);
  const { words } = paragraph;
  const isLong = words.split(/\s+/).some((word) => measure.width(word) > room);
  const tearOver = longWords === "break" && isLong ? room : null;
  return { paragraph, measure, indent, items: remembered(words, measure, isJustified(lettering), tearOver) };
}

/** Lays a text in one face of a card, at the top of its area, in the middle or at the foot. */
export function layWords(text: string, card: Size, setting: CardSetting, face: CardFace): Laid {
  const atTop = lay(text, card, setting, face, true);
  const area = areaOf(card, setting, face);
  const whole = atTop.cut === null && atTop.tooWide.length === 0 && atTop.lines > 0;
  if (!setting.stands || !area || !whole) return atTop;
  const share = setting.stands === "foot" ? 1 : 1 / 2;
  if (setting.keepOut[face].length === 0) {
    const free = area.h - heightOf(atTop.lines, measureOf(setting.lettering));
    const down = Math.floor(Math.max(0, free) * share);
    return { ...atTop, words: atTop.words.map((word) => ({ ...word, y: ticks(word.y + down) })) };
  }
  // Further down the lines may be narrower, so the words are laid anew, as far down as all of them go in.
  for (let from = Math.floor((atTop.room - atTop.lines) * share); from > 0; from--) {
    const { words, cut, tooWide } = lay(text, card, setting, face, true, from);
    if (cut === null && tooWide.length === 0) return { ...atTop, words };
  }
  return atTop;
}

/** The same without saying where each word stands: whether and how far the text goes in. */
export const countLines = (text: string, card: Size, setting: CardSetting, face: CardFace): Omit<Laid, "words"> =>
  lay(text, card, setting, face, false);

/** `skipped` lines at the top are left empty; without `placing` no word is given its place. */
function lay(text: string, card: Size, setting: CardSetting, face: CardFace, placing: boolean, skipped = 0): Laid {
  const measure = measureOf(setting.lettering);
  const ofHeadings = measureOfHeadings(setting.lettering);
  const area = areaOf(card, setting, face);
  const stretches = area ? stretchesIn(area, setting.keepOut[face], measure).slice(skipped) : [];
  const [first] = stretches;
  if (!first) return { words: [], lines: 0, room: 0, cut: text.trim() === "" ? null : 0, tooWide: [], noArea: true };
  const narrowest = stretches.reduce((least, { w }) => Math.min(least, w), first.w);
  const uniform = stretches.every(({ w }) => Math.abs(w - first.w) < 1);
  const last = stretches.at(-1) ?? first;
  const slotAt = (line: number): Stretch => stretches[line] ?? last;

  const words: LaidWord[] = [];
  const tooWide: string[] = [];
  let line = 0;
  let cut: number | null = null;
  let used = 0;
  for (const paragraph of paragraphsOf(text)) {
    if (line > stretches.length + COUNTED) break;
    if (paragraph.words.trim() === "" && paragraph.mark === null) {
      line += 1;
      continue;
    }
    const set = setOf(paragraph, paragraph.heading ? ofHeadings : measure, setting, narrowest);
    const begins = line;
    const width = (at: number) => slotAt(begins + at).w / set.measure.unit - set.indent;
    const breaks: Breaks = goesLineByLine(setting.lettering)
      ? firstFit(set.items, width)
      : totalFit(set.items, width, uniform);
    for (const [at, each] of linesOf(set.items, width, breaks.at).entries()) {
      const stretch = slotAt(line);
      line += 1;
      used = line;
      if (line > stretches.length) {
        const first = set.items.slice(each.from, each.to).find((item) => item.kind === "box");
        cut ??= paragraph.at + (first?.from ?? 0);
        continue;
      }
      if (!placing && each.ratio >= -1) continue;
      const laid = layLine(set, each, stretch, setting.lettering, at === 0);
      tooWide.push(...laid.tooWide);
      words.push(...laid.words);
    }
  }
  return { words, lines: used, room: stretches.length, cut, tooWide: [...new Set(tooWide)], noArea: false };
}

/** One line of a paragraph in its stretch. */
function layLine(
  { paragraph, measure, items, indent }: Laying,
  { from, to, ratio }: { from: number; to: number; ratio: number },
  stretch: Stretch,
  lettering: Lettering,
  isFirst: boolean,
): { words: LaidWord[]; tooWide: string[] } {
  const { unit } = measure;
  const runs: { text: string; x: number; w: number }[] = [];
  let x = 0;
  let run = null as { readonly from: number; readonly to: number; readonly x: number } | null;
  const close = (hyphen: boolean) => {
    if (!run) return;
    const text = paragraph.words.slice(run.from, run.to).replaceAll("\u00ad", "") + (hyphen ? "-" : "");
    if (text !== "") runs.push({ text, x: run.x, w: measure.width(text) });
    x = run.x + measure.width(text);
    run = null;
  };
  const justified = isJustified(lettering) && ratio !== 0 && ratio > -1.001 && ratio < 1e3;
  for (let at = from; at < to; at++) {
    const item = items[at];
    if (item?.kind === "box") {
      // Boxes without glue between them are one word.
      if (run && run.to === item.from) run = { ...run, to: item.to };
      else {
        close(false);
        run = { from: item.from, to: item.to, x };
      }
    } else if (item?.kind === "glue") {
      close(false);
      const give = ratio < 0 ? item.shrink : item.stretch;
      x += item.width + (justified ? Math.max(-1, ratio) * Math.min(give, 1e6) : 0);
    }
  }
  const last = items[to];
  close(last?.kind === "penalty" && last.hyphen);
  const natural = runs.at(-1);
  const wide = natural ? natural.x + natural.w : 0;
  const room = stretch.w / unit - indent;
  const shift = isCentred(lettering) ? Math.max(0, (room - wide) / 2) : 0;
  // What rounding and the kerning of a parted word add is taken from the spaces.
  const squeeze = wide > room && runs.length > 1 && ratio >= -1 ? (wide - room) / (runs.length - 1) : 0;
  // A word that is wider than its line is told, and not put where it would stand over the card's edge.
  const isOver = ({ w }: { w: number }) => w > room + NEARLY;
  const words = runs.flatMap((each, at) =>
    isOver(each)
      ? []
      : placed(
          each.text,
          stretch.x + (indent + shift + each.x - at * squeeze) * unit,
          stretch.base,
          measure,
          lettering,
        ),
  );
  if (isFirst && paragraph.mark !== null)
    words.unshift(...placed(paragraph.mark, stretch.x + shift * unit, stretch.base, measure, lettering));
  return { words, tooWide: runs.filter(isOver).map(({ text }) => text) };
}

/** A word where it stands, in the parts that are printed in one go; nothing for a letter that the typeface does not have. */
function placed(text: string, x: number, y: number, measure: Measure, lettering: Lettering): LaidWord[] {
  const at = (n: number) => ticks(Math.round(n));
  if (lettering.kind === "stamped") {
    let from = x;
    return lettersOf(text.toUpperCase()).flatMap((letter) => {
      const w = stampWidth(lettering.set, letter);
      const word = { text: letter, x: at(from), y: at(y), w: at(w) };
      from += w + lettering.set.between;
      return measure.lacks(letter).length > 0 ? [] : [word];
    });
  }
  // Words in the lettering's own typeface and size say nothing of it.
  const isAsTheRest = measure.key === measureOf(lettering).key;
  const as = isAsTheRest ? {} : { as: { typeface: measure.typeface, em: at(measure.unit) } };
  return partsOf(measure.typeface, measure.capitals ? text.toUpperCase() : text)
    .filter(({ gap }) => !gap)
    .map((part) => ({
      ...as,
      text: part.text,
      x: at(x + part.from * measure.unit),
      y: at(y),
      w: at(part.width * measure.unit),
    }));
}
