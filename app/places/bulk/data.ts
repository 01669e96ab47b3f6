import { type BookData, bookData } from "#app/places/book/data.ts";
import type { Things } from "#core/bulk/layers.ts";
import type { RulerMark } from "#core/bulk/ruler.ts";
import { caliperOf, type KeptThing, materialOf } from "#core/drawer/thing.ts";

/** A thing that pages are made of, as the closed book needs it. */
type BulkThing = NonNullable<ReturnType<Things["get"]>> & { readonly name: string };
export type NamedThings = ReadonlyMap<string, BulkThing>;

/** The book, what it is made of, and what a ruler said of it closed. */
export type BulkData = {
  readonly book: BookData;
  readonly things: readonly (readonly [string, BulkThing])[];
  readonly ruler: readonly RulerMark[];
};

type Source = Parameters<typeof bookData>[0] & { readonly album: { readonly ruler: readonly RulerMark[] } };

export const bulkData = (source: Source, things: readonly KeptThing[]): BulkData => ({
  book: bookData(source),
  things: things.map((thing) => [
    thing.id,
    { caliper: caliperOf(thing), material: materialOf(thing), name: thing.name },
  ]),
  ruler: source.album.ruler,
});
