import { leafName } from "#app/places/arrange/boards.ts";
import type { Face, Held } from "#core/album/leaf.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { isDated } from "#core/book/dated-page.ts";
import type { BookRead, LeafRead } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";
import { type Rect, rectOf, sizeOf } from "#core/measure/rect.ts";
import { printSize, type Size } from "#core/measure/size.ts";

/** Something that may go into a construction. */
export type Item = {
  readonly id: string;
  readonly kind: "photo" | "card";
  readonly name: string;
  readonly size: Size;
};
/** The same as a construction keeps it. */
export const heldAs = ({ kind, id }: Item): Held["what"] =>
  kind === "photo" ? { kind, use: id } : { kind: "card", card: id };
/** Somewhere that a construction may go: a side of a leaf, or a pocket of it. */
export type Room = {
  readonly id: string;
  readonly name: string;
  readonly size: Size;
  readonly read: LeafRead<InBook>;
  readonly face: Face;
  readonly at: Rect;
};

/** The page of a day, by its date or its id; of the front and back matter by its id. */
export const pageOfDay = (pages: readonly InBook[], day: string): InBook | undefined =>
  pages.find(
    (page) => page.days.some(({ id }) => id === day) || (isDated(page) && page.days.some(({ date }) => date === day)),
  );

/** The prints and cards of the page, each by its size. */
export function itemsOf(page: InBook | undefined, unit: Unit): Item[] {
  if (!page) return [];
  const { photos, cards } = page.content;
  return [
    ...cards.map(
      ({ id, size }, nth): Item => ({
        ...{ id, kind: "card", size },
        name: `Card ${nth + 1}, ${printSize(size, unit)}`,
      }),
    ),
    ...photos.map(
      ({ id, print, alt }): Item => ({
        ...{ id, kind: "photo", size: print },
        name: `${alt ? `Print “${alt.length > 32 ? `${alt.slice(0, 30)}…` : alt}”` : "Print"}, ${printSize(print, unit)}`,
      }),
    ),
  ];
}

/** Where on the page's leaves something may go: each side, and each pocket of it. */
export function roomsOf({ leaves }: Pick<BookRead<InBook>, "leaves">, page: InBook | undefined, unit: Unit): Room[] {
  return leaves.flatMap((read) =>
    (["front", "back"] as const).flatMap((face): Room[] => {
      const side = read[face];
      // By its days: a book that was read before the page came anew has it as it was then.
      if (!page || side.page?.days[0]?.id !== page.days[0]?.id || side.gluedOver) return [];
      const { id } = read.leaf;
      const name = `${leafName(read, unit)}, ${face}`;
      const of = { read, face };
      const whole = { ...of, id: `${id}.${face}`, name, size: read.build.page, at: rectOf(read.build.page) };
      return [
        whole,
        ...side.pockets.map((at, nth) => ({
          ...{ ...of, at, id: `${id}.${face}.${nth}`, size: sizeOf(at) },
          name: `${name}, pocket ${nth + 1}, ${printSize(sizeOf(at), unit)}`,
        })),
      ];
    }),
  );
}
