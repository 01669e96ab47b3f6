import type { BookPage } from "../book/read.ts";
import { type Micrometres, micrometres } from "../material/material.ts";
import { type Binding, type Closing, closingOf } from "./closing.ts";
import type { Layer } from "./layers.ts";

/** What is to come of a book, as far as it can be told from what is there. Heights are micrometres where it is thickest. */
export type Ahead<P extends BookPage> = {
  /** Days that are in the book, and those that are not yet. */
  readonly there: number;
  readonly toCome: number;
  /** What a day has made of it so far, in the mean; null before the first. */
  readonly perDay: Micrometres | null;
  /** The first day with which the book no longer closes at this rate; null: it takes them all. */
  readonly fullOn: P | null;
  /** What each day to come may make of it so that it closes; less than none where it does not close today. */
  readonly eachMay: Micrometres | null;
};

/** How the book closes with what is in it today, how with everything that is planned, and what is to come. */
export function aheadOf<P extends BookPage>(
  layers: readonly Layer<P>[],
  pages: readonly P[],
  binding: Binding,
): { readonly now: Closing; readonly planned: Closing; readonly ahead: Ahead<P> } {
  const there = layers.filter(({ isThere }) => isThere);
  const [now, planned] = [closingOf(there, binding), closingOf(layers, binding)];
  const told = pages.filter(({ skipped }) => !skipped);
  const begun = new Set(there.map(({ page }) => page));
  const toCome = told.filter((page) => !begun.has(page));
  const count = told.length - toCome.length;
  const height = now.thickest?.height ?? 0;
  const perDay = count > 0 ? height / count : null;
  const room = binding.depth - height;
  const more = perDay === null || perDay <= 0 ? Number.POSITIVE_INFINITY : Math.floor(room / perDay);
  return {
    ...{ now, planned },
    ahead: {
      ...{ there: count, toCome: toCome.length, perDay: perDay === null ? null : micrometres(perDay) },
      fullOn: toCome[Math.max(0, more)] ?? null,
      eachMay: toCome.length > 0 ? micrometres(room / toCome.length) : null,
    },
  };
}
