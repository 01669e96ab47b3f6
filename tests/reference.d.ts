declare module "maxrects-packer/dist/maxrects-packer.mjs" {
  export * from "maxrects-packer";
}

declare module "munkres-js" {
  /** Pairs of row and column, the cheapest way. */
  // biome-ignore lint/style/noDefaultExport: it is how the library is made
  export default function munkres(cost: readonly (readonly number[])[]): [row: number, column: number][];
}

declare module "jstat" {
  const jStat: { readonly gamma: { readonly inv: (share: number, shape: number, scale: number) => number } };
  // biome-ignore lint/style/noDefaultExport: it is how the library is made
  export default jStat;
}
