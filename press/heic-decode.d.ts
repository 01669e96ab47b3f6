declare module "heic-decode" {
  type Decoded = { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray };
  /** The first picture of a HEIC file, four bytes a pixel. */
  const decode: (given: { readonly buffer: Uint8Array }) => Promise<Decoded>;
  // biome-ignore lint/style/noDefaultExport: it is how the library is made
  export default decode;
}
