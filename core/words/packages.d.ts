declare module "hyphen/patterns/en-gb.js" {
  const patterns: { readonly patterns: readonly string[] };
  export = patterns;
}

declare module "hyphen/hyphen.js" {
  function createHyphenator(patterns: {
    readonly patterns: readonly string[];
  }): (text: string, options: { readonly hyphenChar: string; readonly minWordLength: number }) => string;
  export = createHyphenator;
}

declare module "linebreak" {
  /** Line break opportunities of a text by the Unicode line break algorithm (UAX #14), from its start to its end. */
  // biome-ignore lint/style/noDefaultExport: that is how the package exports it
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  }
}
