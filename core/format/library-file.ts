import { z } from "zod";
import { checkFormat } from "../album/formats.ts";
import { LEAF_KINDS } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { isSmallTree, type PocketLayout, readLayout } from "../book/layout.ts";
import { layoutSchema, madeAsSchema, sideSchemas } from "../book/piece-schema.ts";
import type { Template } from "../book/template.ts";
import { craftOf } from "../craft/catalog.ts";
import type { KeptMaking } from "../craft/kept.ts";
import { MATERIAL_IDS } from "../material/material.ts";
import { inches, ticks, type Unit } from "../measure/length.ts";
import { IN_MILLIMETRES, sizeSchema } from "../measure/length-schema.ts";
import { type Size, size } from "../measure/size.ts";
import type { Hand, StampSet } from "../words/lettering.ts";
import { settingSchema } from "../words/setting-schema.ts";
import { NAME } from "../words/text-schema.ts";
import { FORMAT_IN_FILES } from "./archive.ts";

/**
 * A file of one thing that a household keeps to use again: JSON, lengths in millimetres. A reader refuses a
 * `formatVersion` above its own. Decks have files of their own: tables and plain text.
 */
export const LIBRARY_FORMAT = "hearth-clock-library";
export const LIBRARY_VERSION = 2;
/** What older readers know is written as they know it: only constructions came with the second version. */
const versionFor = ({ kind }: LibraryThing): number => (kind === "making" ? 2 : 1);

type OwnLayout = Omit<PocketLayout, "id"> & { readonly page: Size };
/** One of those things, without a name of its own in any household. A template brings its own pocket layout along. */
export type LibraryThing =
  | { readonly kind: "hand"; readonly hand: Hand }
  | { readonly kind: "stamp-set"; readonly set: StampSet }
  | { readonly kind: "layout"; readonly layout: OwnLayout }
  | { readonly kind: "template"; readonly template: Omit<Template, "id">; readonly layout: OwnLayout | null }
  | { readonly kind: "making"; readonly making: KeptMaking }
  | { readonly kind: "format"; readonly unit: Unit; readonly format: AlbumFormat };

const { hand: HAND, set: SET } = settingSchema(IN_MILLIMETRES.length);
const LAYOUT = layoutSchema(IN_MILLIMETRES).extend({ name: NAME });
const TEMPLATE = z.object({
  name: NAME,
  page: sizeSchema(IN_MILLIMETRES),
  kind: z.enum(LEAF_KINDS),
  /** A shipped layout by its name; null: none, or the one that the file brings. */
  layout: z
    .string()
    .regex(/^[a-z0-9-]{1,40}$/)
    .nullable(),
  pieces: sideSchemas(IN_MILLIMETRES).templatePieces,
});
const MAKING = madeAsSchema(IN_MILLIMETRES).extend({ name: NAME, paper: z.enum(MATERIAL_IDS) });
export const LIBRARY_THING = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("hand"), hand: HAND }),
  z.object({ kind: z.literal("stamp-set"), set: SET }),
  z.object({ kind: z.literal("layout"), layout: LAYOUT }),
  z.object({ kind: z.literal("template"), template: TEMPLATE, layout: LAYOUT.nullable() }),
  z.object({ kind: z.literal("making"), making: MAKING }),
  z.object({ kind: z.literal("format"), unit: z.enum(["inch", "cm"]), format: FORMAT_IN_FILES }),
]);
const FILE = z.object({
  format: z.literal(LIBRARY_FORMAT),
  formatVersion: z.int().min(1).max(LIBRARY_VERSION),
  lengths: z.literal("mm"),
  thing: LIBRARY_THING,
});

/** A thing as files say it, to be encoded by `LIBRARY_THING`; and as it was read by it. */
export const asFiled = (thing: LibraryThing): z.output<typeof LIBRARY_THING> =>
  (thing.kind === "format"
    ? { ...thing, format: { ...thing.format, capacityMicrometres: thing.format.capacity } }
    : thing) as never;
export const asRead = (said: z.output<typeof LIBRARY_THING>): LibraryThing =>
  (said.kind === "format"
    ? (({ capacityMicrometres, ...format }) => ({ ...said, format: { ...format, capacity: capacityMicrometres } }))(
        said.format,
      )
    : said) as LibraryThing;

/** A thing as the text of its file. */
export function writeLibraryFile(thing: LibraryThing): string {
  const said = asFiled(thing);
  const head = { format: LIBRARY_FORMAT, formatVersion: versionFor(thing), lengths: "mm" };
  return `${JSON.stringify(FILE.encode({ ...head, thing: said } as never), null, 2)}\n`;
}

export type LibraryRead =
  | { readonly ok: true; readonly thing: LibraryThing }
  | { readonly ok: false; readonly reason: "not-a-library-file" | "newer-format" | "damaged" };

/** How much wider an opening may be than its page. */
const EASE = inches(2);

/** What no single value shows: letters of no size, pockets that fill no page, measures that cannot all be true. */
export function holdsTogether(thing: LibraryThing): boolean {
  const fills = (layout: OwnLayout | null) => {
    if (!layout) return true;
    const wider = size(ticks(layout.page.w + EASE), ticks(layout.page.h + EASE));
    return readLayout(layout, layout.page).ok || readLayout(layout, wider).ok;
  };
  switch (thing.kind) {
    case "hand":
      return thing.hand.em > 0 && thing.hand.line > 0;
    case "stamp-set":
      return Math.min(thing.set.high, thing.set.usual, thing.set.narrow, thing.set.broad) > 0;
    case "layout":
    case "template":
      return fills(thing.layout);
    case "making":
      return craftOf(thing.making.kind) !== null;
    case "format":
      return checkFormat(thing.format) === null;
  }
}

/** Reads the text of a library file. */
export function readLibraryFile(text: string): LibraryRead {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    return { ok: false, reason: "not-a-library-file" };
  }
  const head = z.object({ format: z.literal(LIBRARY_FORMAT), formatVersion: z.int().positive() }).safeParse(raw);
  if (!head.success) return { ok: false, reason: "not-a-library-file" };
  if (head.data.formatVersion > LIBRARY_VERSION) return { ok: false, reason: "newer-format" };
  const damaged = { ok: false, reason: "damaged" } as const;
  const tree = (raw as { thing?: { layout?: { root?: unknown } | null } }).thing?.layout?.root;
  if (tree !== undefined && !isSmallTree(tree)) return damaged;
  const read = FILE.safeDecode(raw as z.input<typeof FILE>);
  if (!read.success) return damaged;
  const thing = asRead(read.data.thing);
  return holdsTogether(thing) ? { ok: true, thing } : damaged;
}
