/** One paragraph of a card's words: what it says, and the mark it hangs on when it is a point of a list. */
export type Paragraph = {
  /** Where its words begin in the whole text. */
  readonly at: number;
  readonly words: string;
  readonly mark: string | null;
};

const POINT = /^([ \t]*)([-*•·–]|\d{1,3}[.)])([ \t]+)(?=\S)/;

/** The paragraphs of a text: its own lines. A line that begins with a dash, a dot or a number is a point of a list. */
export function paragraphsOf(text: string): Paragraph[] {
  let at = 0;
  return text.split("\n").map((line) => {
    const from = at;
    at += line.length + 1;
    const whole = line.replace(/\r$/, "");
    const point = POINT.exec(whole);
    if (!point) return { at: from, words: whole, mark: null };
    const sign = point[2] ?? "";
    return {
      at: from + point[0].length,
      words: whole.slice(point[0].length),
      mark: /\d/.test(sign) ? sign : sign === "–" ? "–" : "•",
    };
  });
}
