import type { Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { openSteps } from "./needs.ts";

/** What is made of a page before anything is laid on it. Common practice. */
const MADE_FIRST: readonly Step[] = ["trim", "letter", "build"];

type Paper = Pick<Page, "leaves" | "steps" | "days">;

/**
 * By page, the others whose things have to be made before anything is stuck on it: a construction goes through a leaf of
 * which they have the other side, and what holds it there is covered by what they lay on. Common practice.
 */
export function madeTogether<P extends Paper>(pages: readonly P[]): ReadonlyMap<P, readonly P[]> {
  const onLeaf = new Map<string, P[]>();
  const pierced = new Set<string>();
  for (const page of pages)
    for (const { id, sides } of page.leaves) {
      onLeaf.set(id, [...(onLeaf.get(id) ?? []), page]);
      if (sides.some(({ built }) => built.some(({ through }) => through))) pierced.add(id);
    }
  const isToMake = (page: P) => openSteps(page).some(({ step }) => MADE_FIRST.includes(step));
  return new Map(
    pages.flatMap((page) => {
      const others = page.leaves.flatMap(({ id }) => (pierced.has(id) ? (onLeaf.get(id) ?? []) : []));
      const waitedFor = [...new Set(others)].filter((other) => other !== page && isToMake(other));
      return waitedFor.length > 0 ? [[page, waitedFor] as const] : [];
    }),
  );
}

/** What of a page waits until what lies behind it is made too. */
export function waitsForOthers(pages: readonly Page[]): (page: Page) => readonly Step[] {
  const together = madeTogether(pages);
  return (page) => (together.has(page) ? ["assemble"] : []);
}
