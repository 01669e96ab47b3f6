/** The typefaces that letters are set in, by what they are for; bold ones are for headings. */
export const TYPEFACES = [
  ...(["book", "numeral", "plain", "typed", "hand"] as const),
  ...(["book-bold", "numeral-bold", "plain-bold", "typed-bold"] as const),
];
export type Typeface = (typeof TYPEFACES)[number];
