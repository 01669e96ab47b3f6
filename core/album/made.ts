import { cardStanding } from "./card-printing.ts";
import type { DayContent, Step } from "./model.ts";
import { type Print, standingOf } from "./print.ts";
import { type Made, STEP_RULES } from "./steps.ts";

type Things = Pick<DayContent, "photos" | "cards">;
type PrintsOf = ReadonlyMap<string, readonly Print[]>;

/** The pictures or cards that are so far, by their ids. */
type SoFar = Readonly<Record<keyof Made, ReadonlySet<string>>>;

function soFar({ photos, cards }: Things, printsOf: PrintsOf): SoFar {
  const pictures = photos.map((use) => [use.id, standingOf(use, printsOf.get(use.id) ?? [], []).kind] as const);
  const words = cards.map((card) => [card.id, cardStanding(card, printsOf.get(card.id) ?? [], []).kind] as const);
  const those = (all: readonly (readonly [string, string])[], ...kinds: string[]) =>
    new Set(all.flatMap(([id, kind]) => (kinds.includes(kind) ? [id] : [])));
  return {
    printed: those(pictures, "printed", "trimmed"),
    trimmed: those(pictures, "trimmed"),
    lettered: those(words, "printed", "trimmed"),
  };
}

const isAll = (all: readonly unknown[], some: ReadonlySet<string>): boolean =>
  all.length > 0 && some.size === all.length;

/**
 * What of these pictures and cards is on paper, as their prints say; `printsOf` has the prints by what they are of. Of none
 * nothing is. Words that are written or stamped are nothing that prints know.
 */
export function madeOf(things: Things, printsOf: PrintsOf): Made {
  const { printed, trimmed, lettered } = soFar(things, printsOf);
  return {
    printed: isAll(things.photos, printed),
    trimmed: isAll(things.photos, trimmed),
    lettered: isAll(things.cards, lettered),
  };
}

type Said = Pick<DayContent, "done" | "undone">;

/**
 * What a keeper said of a page's steps, after something was done to its prints. Where a picture or card is no longer as far
 * as it was, "done" no longer holds; where all of them come to be so far, "not done" does not. Null where all of it holds.
 */
export function saidAfter(
  { done, undone }: Said,
  things: Things,
  before: PrintsOf,
  after: PrintsOf,
): (Said & { readonly steps: readonly Step[] }) | null {
  const [was, is] = [soFar(things, before), soFar(things, after)];
  const [known, knows] = [madeOf(things, before), madeOf(things, after)];
  const byFact = (steps: readonly Step[], isPast: (fact: keyof Made) => boolean): Step[] =>
    steps.filter((step) => {
      const { tickedBy } = STEP_RULES[step];
      return tickedBy !== null && tickedBy in was && isPast(tickedBy as keyof Made);
    });
  const noLongerDone = byFact(done, (fact) => [...was[fact]].some((id) => !is[fact].has(id)));
  const noLongerUndone = byFact(undone, (fact) => knows[fact] && !known[fact]);
  const steps = [...noLongerDone, ...noLongerUndone];
  if (steps.length === 0) return null;
  return {
    done: done.filter((step) => !noLongerDone.includes(step)),
    undone: undone.filter((step) => !noLongerUndone.includes(step)),
    steps,
  };
}
