import { type Mistake, mistakesIn } from "../album/mistakes.ts";
import type { Page } from "../album/page.ts";
import type { CalendarDate } from "../month/dates.ts";
import { takenOn } from "../photo/on-it.ts";
import { photoIdsOf } from "../photo/together.ts";
import { facingPages } from "./facing.ts";
import type { BookPage, BookRead } from "./read.ts";
import { wordsOnPieces } from "./says.ts";

type Photos = ReadonlyMap<string, { readonly capturedAt: string | null; readonly givenDate: CalendarDate | null }>;

/** The mistakes in an album's words that are not left alone, with what lies open together and what its pieces say. */
export const mistakesInBook = <P extends BookPage>(
  pages: readonly (Page & P)[],
  book: BookRead<P>,
  photos: Photos,
  people: readonly string[],
): Mistake[] =>
  mistakesIn(pages, {
    facing: facingPages<P>(book.leaves, pages),
    people,
    pieces: wordsOnPieces<P>(book, pages),
    taken: ({ content }) =>
      content.photos.flatMap(photoIdsOf).flatMap((id) => {
        const photo = photos.get(id);
        return (photo && takenOn(photo)) ?? [];
      }),
  });
