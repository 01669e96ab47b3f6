declare module "hyphen/en-gb/index.js" {
  const english: {
    readonly hyphenateSync: (
      text: string,
      options: { readonly hyphenChar: string; readonly minWordLength: number },
    ) => string;
  };
  export = english;
}

declare module "linebreak" {
  /** Line break opportunities of a text by the Unicode line break algorithm (UAX #14), from its start to its end. */
  // biome-ignore lint/style/noDefaultExport: that is how the package exports it
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  }
}
