import { useMemo } from "react";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { withPendingBook } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import type { InBook } from "#core/book/dated-page.ts";
import { readBook } from "#core/book/read.ts";
import type { BookData } from "./data.ts";

/** The book as it is with every change on its way, read, and the ways to change it. */
export function useBook(data: BookData) {
  const { state } = useOutbox();
  const leaves = withPendingBook(data.leaves, state);
  const book = useMemo(
    () => readBook<InBook>(data, [...data.pages, ...data.matters], leaves, data.layouts),
    [data, leaves],
  );
  return { book, leaves, ...useBookEdits() };
}
