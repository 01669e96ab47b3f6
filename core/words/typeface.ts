/** The typefaces that letters are set in, by what they are for. */
export type Typeface = "numeral" | "typed" | "plain" | "book" | "hand";
