/** A heading is a few words on a line of their own, and no sentence. */
const MOST_WORDS = 5;
export const isHeading = (line: string): boolean => line.split(/\s+/).length <= MOST_WORDS && !/[.!?]$/.test(line);

/**
 * The headings of a prompt that has parts: each on a line of its own, to be written under. A prompt of one line, or with
 * less than two that are headings, has none.
 */
export function headingsIn(prompt: string): string[] {
  const lines = prompt
    .split(/\r\n?|\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "");
  const headings = lines.length > 1 ? lines.filter(isHeading) : [];
  return headings.length > 1 ? headings : [];
}

/** A card's words to begin with: each heading, and an empty line under it. */
export const underHeadings = (headings: readonly string[]): string => headings.map((each) => `${each}\n`).join("\n");

/** Whether anything is written beside these headings. */
export function isWritten(text: string, headings: readonly string[]): boolean {
  const own = new Set(headings);
  return text.split(/\r\n?|\n/).some((line) => line.trim() !== "" && !own.has(line.trim()));
}
