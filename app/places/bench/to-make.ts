import { to } from "#app/addresses.ts";
import type { BookData } from "#app/places/book/data.ts";
import { many } from "#app/wording/count.ts";
import { leftOf } from "#core/album/leaf.ts";
import { readBook } from "#core/book/read.ts";
import { constructionsOn } from "./there.ts";

/** A construction that lies on a page, and how far it is. */
export type ToMake = {
  readonly id: string;
  readonly name: string;
  readonly href: string;
  readonly left: string | null;
};

/** Every construction on the pages of an album: those still to be made first, in the order of the book. */
export function toMakeOf(data: BookData): ToMake[] {
  const book = readBook(data, [...data.pages, ...data.matters], data.leaves, data.layouts);
  const all = constructionsOn(book).map(({ id, name, built, read, face }): ToMake => {
    const left = leftOf(built);
    const begun = `${built.ticked.length} of ${many(built.steps.length, "step")} done, about`;
    return {
      ...{ id, name },
      href: to.making(data.albumId, built.kind, { leaf: read.leaf.id, face, piece: id, show: "steps" }),
      left: left && `${built.ticked.length > 0 ? begun : "About"} ${many(left.minutes, "minute")} left`,
    };
  });
  return [...all.filter(({ left }) => left !== null), ...all.filter(({ left }) => left === null)];
}
