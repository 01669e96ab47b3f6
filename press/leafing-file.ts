import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import { setImmediate as turnOfEvents } from "node:timers/promises";
import type { Mark } from "../core/draw/marks.ts";
import { escaped, type PictureHref, svgMarks } from "../core/draw/svg.ts";
import type { OpenBook } from "../core/finish/open-book.ts";
import { type Length, toMillimetres } from "../core/measure/length.ts";
import type { Rect } from "../core/measure/rect.ts";
import type { Typeface } from "../core/words/typeface.ts";
import { TO_LOOK_AT } from "./develop.ts";
import type { Writing } from "./document.ts";
import { SCRIPT, STYLE } from "./leafing-page.ts";
import { type PhotoBytes, printKey, printsOf, straightOf } from "./prints.ts";
import { inside } from "./softened.ts";
import { faceOf, runsOf } from "./typefaces.ts";

type TextMark = Extract<Mark, { kind: "text" }>;

const textsOf = (marks: readonly Mark[]): TextMark[] =>
  marks.flatMap((mark) => (mark.kind === "text" ? [mark] : mark.kind === "group" ? textsOf(mark.marks) : []));
const softsOf = (marks: readonly Mark[]): Length[] =>
  marks.flatMap((mark) => (mark.kind === "group" ? [...(mark.soft ? [mark.soft] : []), ...softsOf(mark.marks)] : []));
/** Everything that is drawn of an opening, opened and closed. */
export const allMarks = ({ marks, opens }: OpenBook): Mark[] => [
  ...marks,
  ...opens.flatMap(({ states }) => states.flatMap((state) => state.marks)),
];

/** The font files whose letters a page has, each for the letters it is needed for; `sourceOf`: where the page has them from. */
export async function fontFaces(
  title: string,
  book: readonly OpenBook[],
  sourceOf: (file: string) => Promise<string>,
): Promise<string> {
  const letters = new Map<string, Set<string>>();
  const add = (text: string, typeface: Typeface) => {
    for (const { file, text: run } of runsOf(text, typeface)) {
      const known = letters.get(file) ?? new Set();
      for (const letter of run) known.add(letter);
      letters.set(file, known);
    }
  };
  for (const opening of book) {
    for (const { text, typeface } of textsOf(allMarks(opening))) add(text, typeface);
    add(opening.line, "book");
    for (const { called, says } of opening.words) add([called, ...says].join(""), "plain");
  }
  add(title, "numeral");
  // What its buttons say.
  const plain = Array.from({ length: 95 }, (_, at) => String.fromCharCode(32 + at)).join("");
  add(plain, "plain");
  add(plain, "plain-bold");
  const faces = [...letters].map(async ([file, of]) => {
    const { family, weight } = faceOf(file);
    const range = [...of].map((letter) => `U+${(letter.codePointAt(0) ?? 0).toString(16)}`).join(",");
    return `@font-face{font-family:"${family}";font-weight:${weight};src:url(${await sourceOf(file.replace(/woff$/, "woff2"))}) format("woff2");unicode-range:${range}}`;
  });
  return (await Promise.all(faces)).join("");
}

const written = async (file: string): Promise<string> =>
  `data:font/woff2;base64,${(await readFile(file)).toString("base64")}`;

const mm = (length: number): string => String(Math.round(toMillimetres(length as Length) * 100) / 100);
const boxOf = ({ x, y, w, h }: Rect): string => `x="${mm(x)}" y="${mm(y)}" width="${mm(w)}" height="${mm(h)}"`;
/** Bare mat round the book, in ticks. */
const ROUND = 1200;

/** The filters of these openings: one that stands in an opening which is not shown is no filter, so each stands apart. */
export function filtersOf(openings: readonly OpenBook[]): string {
  const softs = [...new Set(openings.flatMap((each) => softsOf(allMarks(each))))].map(
    (soft) =>
      `<filter id="soft-${soft}" x="0" y="0" width="1" height="1"><feGaussianBlur stdDeviation="${mm(soft)}"/></filter>`,
  );
  return `<svg class="filters" width="0" height="0" aria-hidden="true">${softs.join("")}</svg>`;
}

/** What lies open there, for the list of openings. */
export const namesOf = ({ words }: OpenBook): string => [...new Set(words.map(({ called }) => called))].join(" · ");

/** One opening as a part of a page: the drawing with what opens in it, the line, and all of it in words. */
export function openingSection(opening: OpenBook, nth: number, of: number, href: PictureHref): string {
  const { frame, marks, line, words, opens } = opening;
  const view = [frame.x - ROUND, frame.y - ROUND, frame.w + 2 * ROUND, frame.h + 2 * ROUND].map(mm).join(" ");
  const states = opens.flatMap(({ states: all }, thing) =>
    all.map(
      (state) =>
        `<g class="state" data-thing="${thing}" data-state="${escaped(state.name)}">${svgMarks(state.marks, href, "cropped")}</g>`,
    ),
  );
  const things = opens.map(({ lies }, thing) => `<rect class="thing" data-thing="${thing}" ${boxOf(lies)}/>`);
  const buttons = opens.map(
    ({ name }, thing) =>
      `<button type="button" data-thing="${thing}" data-up="-1" data-name="${escaped(name)}" aria-pressed="false">Open ${escaped(name.toLowerCase())}</button>`,
  );
  const said = words.map(
    ({ called, says }) =>
      `<div><p>${escaped(called)}</p><ul>${says.map((each) => `<li>${escaped(each)}.</li>`).join("")}</ul></div>`,
  );
  return [
    `<section class="opening" id="opening-${nth + 1}" aria-label="Opening ${nth + 1} of ${of}">`,
    `<div class="book"><svg viewBox="${view}" role="img" aria-label="The two pages that lie open">${svgMarks(marks, href, "cropped")}${states.join("")}${things.join("")}</svg></div>`,
    `<p class="line">${escaped(line)}</p>`,
    ...(buttons.length > 0 ? [`<p class="things">${buttons.join("")}</p>`] : []),
    `<details><summary>This opening in words</summary><div class="words">${said.join("")}</div></details></section>\n`,
  ].join("");
}

/**
 * A whole book as one page of HTML that needs nothing else: drawings, pictures at 150 pixels to the inch, letters and the way
 * to leaf. In pieces as they come, an opening at a time, so that a long book needs no more memory than a short one.
 */
export async function* leafingFile(
  { title, openings }: { readonly title: string; readonly openings: readonly OpenBook[] },
  bytesOf: PhotoBytes,
  { progress, signal }: Writing = {},
): AsyncGenerator<Buffer> {
  const sure = (text: string) => createHash("sha256").update(text).digest("base64");
  const policy = `default-src 'none'; img-src data:; font-src data:; style-src 'unsafe-inline'; script-src 'sha256-${sure(SCRIPT)}'`;
  const head = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${policy}"><meta name="viewport" content="width=device-width"><meta name="referrer" content="no-referrer"><title>${escaped(title)}</title><style>${await fontFaces(title, openings, written)}${STYLE}</style></head><body>${filtersOf(openings)}<header><h1>${escaped(title)}</h1></header><main>\n`;
  yield Buffer.from(head);
  for (const [nth, opening] of openings.entries()) {
    signal?.throwIfAborted();
    const marks = allMarks(opening);
    const prints = await printsOf(marks, bytesOf, TO_LOOK_AT);
    const href = inside((mark) => prints.get(printKey(mark)), await straightOf(marks, bytesOf));
    yield Buffer.from(openingSection(opening, nth, openings.length, href));
    progress?.(nth + 1, openings.length);
    await turnOfEvents();
  }
  const options = openings.map(
    (each, nth) =>
      `<option value="${nth}">${nth + 1} of ${openings.length}${namesOf(each) ? `: ${escaped(namesOf(each))}` : ""}</option>`,
  );
  yield Buffer.from(
    `</main><nav aria-label="Leaf through"><button type="button" id="back">Back</button><button type="button" id="on">Turn the page</button><label>Opening <select id="list">${options.join("")}</select></label><span id="said" class="said" aria-live="polite"></span></nav><script>${SCRIPT}</script></body></html>\n`,
  );
}
