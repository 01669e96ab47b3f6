import { isHeading } from "./headings.ts";

/** One paragraph of a card's words: what it says, and the mark it hangs on when it is a point of a list. */
export type Paragraph = {
  /** Where its words begin in the whole text. */
  readonly at: number;
  readonly words: string;
  readonly mark: string | null;
  /** A few words on a line of their own, over others. */
  readonly heading: boolean;
};

const POINT = /^([ \t]*)([-*•·–]|\d{1,3}[.)])([ \t]+)(?=\S)/;

/** The paragraphs of a text: its own lines. A line that begins with a dash, a dot or a number is a point of a list. */
export function paragraphsOf(text: string): Paragraph[] {
  let at = 0;
  const lines = text.split("\n");
  const isEmpty = (nth: number) => (lines[nth] ?? "").trim() === "";
  // It begins its part of the text, and something stands under it, or will: another part follows.
  const heads = (nth: number, line: string) =>
    isEmpty(nth - 1) &&
    isHeading(line.trim()) &&
    lines.slice(nth + 1).some((_line, after) => !isEmpty(nth + 1 + after));
  return lines.map((line, nth) => {
    const from = at;
    at += line.length + 1;
    const whole = line.replace(/\r$/, "");
    const point = POINT.exec(whole);
    if (!point) return { at: from, words: whole, mark: null, heading: !isEmpty(nth) && heads(nth, whole) };
    const sign = point[2] ?? "";
    return {
      at: from + point[0].length,
      words: whole.slice(point[0].length),
      heading: false,
      mark: /\d/.test(sign) ? sign : sign === "–" ? "–" : "•",
    };
  });
}
