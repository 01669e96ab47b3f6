/** How many of each letter a set has. `onlyCapitals`: small letters are set in capitals. */
export type LetterSet = { readonly counts: Readonly<Record<string, number>>; readonly onlyCapitals: boolean };

/** The letters that some words are set with, as a set names them. */
export const asLetters = (text: string, { onlyCapitals }: LetterSet): string[] =>
  [...(onlyCapitals ? text.toLocaleUpperCase("en") : text).normalize("NFC")].filter((sign) => sign.trim() !== "");

/** The letters that would be missing to set some words, each once for each time, in the order in which they run out. */
export function missingLetters(set: LetterSet, words: string): string[] {
  const left = new Map(Object.entries(set.counts));
  return asLetters(words, set).filter((sign) => {
    const there = left.get(sign) ?? 0;
    left.set(sign, there - 1);
    return there <= 0;
  });
}

/** Reads `AAA B CC` or `A3 B1 C2` as how many of each letter there are; signs of any kind are letters here. */
export function readLetters(text: string, onlyCapitals: boolean): LetterSet {
  const counts: Record<string, number> = {};
  const add = (sign: string, count: number) => {
    const key = onlyCapitals ? sign.toLocaleUpperCase("en") : sign;
    counts[key] = (counts[key] ?? 0) + count;
  };
  for (const word of text.normalize("NFC").split(/\s+/).filter(Boolean)) {
    const [, sign, count] = /^(\D)[x×:]?(\d{1,3})$/u.exec(word) ?? [];
    if (sign && count) add(sign, Number(count));
    else for (const each of word) add(each, 1);
  }
  return { counts, onlyCapitals };
}

/** The same as it was typed: each letter with its number. */
export const writeLetters = ({ counts }: LetterSet): string =>
  Object.entries(counts)
    .filter(([, count]) => count > 0)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([sign, count]) => `${sign}${count}`)
    .join(" ");
