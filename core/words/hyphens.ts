import createHyphenator from "hyphen/hyphen.js";
import english from "hyphen/patterns/en-gb.js";
import { remembering } from "../remember.ts";

const MARK = "\u00ad";
const LEAST = 6;
/** Its patterns are made ready when the first word is parted: pages that part none are not kept waiting for that. */
let part: ReturnType<typeof createHyphenator> | undefined;
const known = remembering<readonly number[]>(10_000);

/** Where an English word may be parted with a hyphen: offsets into it. A word that says it itself is parted there only. */
export const hyphensIn = (word: string): readonly number[] => known(word, () => hyphenate(word));

function hyphenate(word: string): readonly number[] {
  const found: number[] = [];
  let at = 0;
  if (word.length >= LEAST && !/[\d@/_]/.test(word)) {
    part ??= createHyphenator(english);
    const parted = word.includes(MARK) ? null : part(word, { hyphenChar: MARK, minWordLength: LEAST });
    for (const sign of parted ?? "") {
      if (sign === MARK) found.push(at);
      else at += sign.length;
    }
  }
  return found;
}
