/** How thick a layer is, in whole micrometres. */
export type Micrometres = number & { readonly __unit: "micrometres" };
export const micrometres = (n: number): Micrometres => Math.round(n) as Micrometres;

/** Whether what lies behind a layer is seen: as it is, paler and softer, or not at all. */
export type Seen = "clear" | "translucent" | "opaque";

/** What a surface does not bear. */
export type Minds = "wet" | "heat" | "scratches";

export type Material = {
  readonly name: string;
  readonly caliper: Micrometres;
  readonly seen: Seen;
  readonly minds: readonly Minds[];
};

const of = (name: string, caliper: number, seen: Seen = "opaque", minds: readonly Minds[] = []): Material => ({
  ...{ name, caliper: micrometres(caliper), seen, minds },
});

/**
 * Typical materials of these albums. Thickness from memory, of what is usually sold: a stack of ten and a ruler beat it.
 * Weights of cardstock are those of the cover size.
 */
export const MATERIALS = {
  "printer-paper": of("printer paper", 100, "opaque", ["wet"]),
  "photo-paper": of("photo paper", 250, "opaque", ["wet", "scratches"]),
  "patterned-paper": of("patterned paper", 180),
  "cardstock-65": of("cardstock, 65 lb", 240),
  "cardstock-80": of("cardstock, 80 lb", 290),
  "cardstock-110": of("cardstock, 110 lb", 380),
  vellum: of("vellum", 100, "translucent", ["wet", "heat"]),
  transparency: of("film", 130, "clear", ["heat", "scratches"]),
  "protector-film": of("protector film, one ply", 90, "clear", ["heat"]),
  chipboard: of("chipboard", 1100, "opaque", ["wet"]),
  "peeled-chipboard": of("chipboard, its back peeled off", 600, "opaque", ["wet"]),
  "wood-veneer": of("wood veneer", 900, "opaque", ["wet"]),
  acrylic: of("acrylic", 2000, "clear", ["heat", "scratches"]),
  felt: of("felt", 1200),
  "flat-sticker": of("flat sticker", 150),
  "puffy-sticker": of("puffy sticker", 2000),
  "enamel-dot": of("enamel dot", 2000),
  metal: of("metal charm", 2000),
  brad: of("brad", 1500),
  staple: of("staple", 500),
  stitching: of("stitching", 300),
  washi: of("washi tape", 70, "translucent"),
  "tape-runner": of("tape runner", 60, "clear"),
  "foam-tape": of("foam tape", 1000),
  "foam-dot": of("foam dot", 1500),
  "hook-and-loop": of("pair of hook-and-loop dots", 3000),
  shaker: of("shaker pouch", 3500, "clear", ["heat"]),
} as const satisfies Record<string, Material>;

export type MaterialId = keyof typeof MATERIALS;
export const MATERIAL_IDS = Object.keys(MATERIALS) as [MaterialId, ...MaterialId[]];
export const isMaterial = (id: string): id is MaterialId => Object.hasOwn(MATERIALS, id);
