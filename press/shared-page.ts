import { createHash } from "node:crypto";
import path from "node:path";
import { LRUCache } from "lru-cache";
import type { SharedBook } from "../core/document/shared-book.ts";
import { type PictureMark, type PreprintMark, picturesOf, preprintsOf } from "../core/draw/marks.ts";
import { escaped } from "../core/draw/svg.ts";
import type { OpenBook } from "../core/finish/open-book.ts";
import { TO_LOOK_AT } from "./develop.ts";
import { allMarks, filtersOf, fontFaces, openingSection } from "./leafing-file.ts";
import { SHARED_SCRIPT, SHARED_STYLE } from "./leafing-page.ts";
import { type PhotoBytes, printKey, printsOf, straightOf } from "./prints.ts";

/** A page as it lies ready: all of it but what each answer has of its own. */
type Ready = { readonly opening: OpenBook; readonly style: string; readonly body: string };

/** The pages of one book as a link shows it, drawn as they are asked for. */
export type SharedPages = {
  readonly book: SharedBook;
  readonly ready: Map<string, Ready>;
};
export const sharedPages = (book: SharedBook): SharedPages => ({ book, ready: new Map() });

/** A picture by what is seen of it, so that nothing of where it is kept stands in its address. */
const keyOf = (mark: PictureMark | PreprintMark): string =>
  createHash("sha256")
    .update(
      mark.kind === "picture"
        ? printKey(mark)
        : `printed ${mark.preprint.photoId} ${JSON.stringify(mark.preprint.corners)} ${mark.at.w} ${mark.at.h}`,
    )
    .digest("base64url")
    .slice(0, 24);

async function readyAt({ book, ready }: SharedPages, nth: number, base: string): Promise<Ready | null> {
  const name = `${nth} ${base}`;
  const known = ready.get(name);
  if (known) return known;
  const opening = book.at(nth);
  if (!opening) return null;
  const style = await fontFaces(book.title, [opening], async (file) => `/letters/${path.basename(file)}`);
  const href = (mark: PictureMark | PreprintMark) => `${base}/${nth + 1}/pictures/${keyOf(mark)}`;
  const all = book.called.map((called, at) => {
    const said = `${at + 1} of ${book.count}${called ? `: ${called}` : ""}`;
    const current = at === nth ? ' aria-current="page"' : "";
    return `<li><a href="${base}/${at + 1}"${current}>${escaped(said)}</a></li>`;
  });
  const way = (to: number, id: string, rel: string, said: string) =>
    to >= 0 && to < book.count
      ? `<a class="way" id="${id}" rel="${rel}" href="${base}/${to + 1}">${said}</a>`
      : `<span class="way off" id="${id}">${said}</span>`;
  const body = [
    `<h1>${escaped(book.title)}</h1></header>${filtersOf([opening])}`,
    `<main>${openingSection(opening, nth, book.count, href)}</main>`,
    `<nav aria-label="Leaf through">${way(nth - 1, "back", "prev", "Back")}${way(nth + 1, "on", "next", "Turn the page")}`,
    `<details class="all"><summary>Opening ${nth + 1} of ${book.count}</summary><ol>${all.join("")}</ol></details>`,
    `<span id="said" class="said" aria-live="polite"></span></nav>`,
  ].join("");
  const made = { opening, style, body };
  ready.set(name, made);
  return made;
}

const framed = (title: string, nonce: string, style: string, body: string, script: string): string =>
  [
    `<!doctype html><html lang="en" class="one"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">`,
    `<meta name="robots" content="noindex, nofollow, noarchive"><meta name="referrer" content="no-referrer">`,
    `<title>${escaped(title)}</title><style nonce="${nonce}">${style}${SHARED_STYLE}</style></head><body>${body}`,
    script && `<script nonce="${nonce}">${script}</script>`,
    `</body></html>\n`,
  ].join("");

/** What a page that is not an opening says, in the same look. */
export const sharedNotice = (title: string, said: string, nonce: string): string =>
  framed(title, nonce, "", `<main class="notice"><h1>${escaped(title)}</h1><p>${escaped(said)}</p></main>`, "");

/**
 * The page of one opening, `nth` from 0, as whoever has the link sees it; null where there is none. `base`: the address
 * that its openings follow; `nonce`: of this answer; `home`: where there is
 * a way back to, for who did not come by a link.
 */
export async function sharedPage(
  pages: SharedPages,
  nth: number,
  base: string,
  nonce: string,
  home: string | null = null,
): Promise<string | null> {
  const ready = await readyAt(pages, nth, base);
  if (!ready) return null;
  const back = home === null ? "" : `<a class="home" href="${home}">The shelf</a>`;
  return framed(pages.book.title, nonce, ready.style, `<header>${back}${ready.body}`, SHARED_SCRIPT);
}

/** Pictures as they were last looked at by links, in bytes. */
const developedLast = new LRUCache<string, Buffer>({
  maxSize: 64 * 1024 * 1024,
  sizeCalculation: (bytes) => bytes.length,
});

/** A picture of an opening by its key, developed as far as it is seen there, as JPEG; null where the opening has none such. */
export async function sharedPicture(
  pages: SharedPages,
  nth: number,
  key: string,
  bytesOf: PhotoBytes,
): Promise<Buffer | null> {
  const opening = [...pages.ready].find(([name]) => name.startsWith(`${nth} `))?.[1].opening ?? pages.book.at(nth);
  if (!opening) return null;
  const marks = allMarks(opening);
  const mark = [...picturesOf(marks), ...preprintsOf(marks)].find((each) => keyOf(each) === key);
  if (!mark) return null;
  const known = developedLast.get(key);
  if (known) return known;
  const made =
    mark.kind === "picture"
      ? [...(await printsOf([mark], bytesOf, TO_LOOK_AT)).values()][0]
      : [...(await straightOf([mark], bytesOf)).values()][0];
  if (made) developedLast.set(key, made);
  return made ?? null;
}
