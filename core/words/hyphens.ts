import english from "hyphen/en-gb/index.js";

const MARK = "\u00ad";
const LEAST = 6;
const known = new Map<string, readonly number[]>();
const MOST_REMEMBERED = 10_000;

/** Where an English word may be parted with a hyphen: offsets into it. A word that says it itself is parted there only. */
export function hyphensIn(word: string): readonly number[] {
  const remembered = known.get(word);
  if (remembered) return remembered;
  const found: number[] = [];
  let at = 0;
  if (word.length >= LEAST && !/[\d@/_]/.test(word)) {
    const parted = word.includes(MARK) ? null : english.hyphenateSync(word, { hyphenChar: MARK, minWordLength: LEAST });
    for (const sign of parted ?? "") {
      if (sign === MARK) found.push(at);
      else at += sign.length;
    }
  }
  if (known.size > MOST_REMEMBERED) known.clear();
  known.set(word, found);
  return found;
}
