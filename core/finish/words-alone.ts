import { frontWords } from "../album/card-words.ts";
import { FACES, type Piece } from "../album/leaf.ts";
import type { AnyPage } from "../album/matter.ts";
import type { LeafRead } from "../book/read.ts";
import { pageOfPiece } from "../book/read.ts";
import { escaped } from "../draw/svg.ts";
import { pageCalled, titlesOf } from "./page-called.ts";

/** What is written on one page of a book, in the order in which it is read there. */
export type Chapter = {
  readonly called: string;
  readonly title: string;
  readonly prompt: string;
  /** Texts of one kind each, with their own line breaks: cards, what is written on pieces, lines under openings. */
  readonly texts: readonly string[];
};

/** Written on a piece itself, or carried in it. */
function saidOn({ what }: Piece): string[] {
  if (!("name" in what)) return [];
  const inside = "built" in what && what.built ? what.built.holds : [];
  const carried = inside.flatMap((held) => (held.what.kind === "words" ? [held.what.says] : []));
  return [what.says ?? "", ...carried];
}

const trimmed = (texts: readonly string[]): string[] => texts.flatMap((text) => text.trim() || []);

/** Every word of a book by its pages, in the order of the days, without anything that is planned and written nowhere. */
export function wordsAlone(pages: readonly AnyPage[], leaves: readonly LeafRead<AnyPage>[]): Chapter[] {
  const onLeaves = new Map<AnyPage | null, string[]>();
  const add = (page: AnyPage | null, texts: readonly string[]) =>
    onLeaves.set(page, [...(onLeaves.get(page) ?? []), ...trimmed(texts)]);
  for (const read of leaves)
    for (const face of FACES) {
      const side = read[face];
      for (const { piece } of side.pieces) add(pageOfPiece(side, piece) ?? side.page, saidOn(piece));
      add(side.page, [read.leaf[face].line ?? ""]);
    }
  const chapters = pages.map((page): Chapter => {
    const { cards, prompt } = page.content;
    const onCards = cards.flatMap((card) => [frontWords(card), card.back]);
    return {
      called: pageCalled(page),
      title: "matter" in page ? "" : titlesOf(page),
      prompt: prompt.text.trim(),
      texts: [...trimmed(onCards), ...(onLeaves.get(page) ?? [])],
    };
  });
  const ofNobody = onLeaves.get(null) ?? [];
  const rest = { called: "On leaves of no day", title: "", prompt: "", texts: ofNobody };
  return [...chapters, rest].filter(({ title, prompt, texts }) => title !== "" || prompt !== "" || texts.length > 0);
}

/** The words as plain text: a heading a page, an empty line between texts. */
export const wordsAsText = (title: string, chapters: readonly Chapter[]): string =>
  `${[
    title,
    ...chapters.map(({ called, title: of, prompt, texts }) =>
      [of ? `${called}: ${of}` : called, ...(prompt ? [`(${prompt})`] : []), ...texts].join("\n\n"),
    ),
  ].join("\n\n\n")}\n`;

const paragraphs = (text: string): string =>
  text
    .split(/\n{2,}/)
    .map((each) => `<p>${escaped(each).replaceAll("\n", "<br>")}</p>`)
    .join("");

/** The same as a page of HTML that needs nothing else. */
export function wordsAsHtml(title: string, chapters: readonly Chapter[]): string {
  const sections = chapters.map(
    ({ called, title: of, prompt, texts }) =>
      `<section><h2>${escaped(called)}</h2>${of ? `<p class="title">${escaped(of)}</p>` : ""}${prompt ? `<p class="prompt">${escaped(prompt)}</p>` : ""}${texts.map((text) => `<div>${paragraphs(text)}</div>`).join("")}</section>`,
  );
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${WORDS_STYLE}</style></head><body><h1>${escaped(title)}</h1>${sections.join("")}</body></html>\n`;
}

const WORDS_STYLE =
  "body{max-width:36rem;margin:3rem auto;padding:0 1rem;font:1.05rem/1.55 Georgia,serif;color:#1c2023;background:#fdfdfb}h1{font-size:1.8rem}section{margin-top:2.5rem;break-inside:avoid}h2{font:600 .85rem/1.4 system-ui,sans-serif;color:#525b63;margin:0}.title{font-size:1.35rem;margin:.1rem 0 .6rem}.prompt{font-style:italic;color:#525b63}div{margin:1rem 0}p{margin:.5rem 0}@media print{body{margin:0;max-width:none}}";
