import type { CalendarDate } from "../month/dates.ts";
import type { DealDay } from "../words/deal-ask.ts";
import type { Deck, Jar, Slip } from "../words/slip.ts";
import type { Page } from "./page.ts";

/** Slips as they are dealt: one that says no kind is of its own, and so nobody's like. */
export const dealable = (decks: readonly Deck[]): Slip[] =>
  decks.flatMap(({ slips }) => slips.map((slip) => (slip.kind === "" ? { ...slip, kind: slip.id } : slip)));

/**
 * The days of an album as a deal sees them. `anew` says which days' slips may be dealt again, `held` which slips the
 * keeper has settled on already; a page that several dates share is one day, its first.
 */
export function dealDays(
  pages: readonly Page[],
  jar: Jar,
  slipOf: (id: string) => Slip | undefined,
  anew: (date: CalendarDate) => boolean,
  held: ReadonlyMap<CalendarDate, string>,
): DealDay[] {
  return pages.map((page): DealDay => {
    const { date } = page.group.lead;
    const { content, skipped } = page;
    const lead = page.days[0]?.content ?? content;
    const holding = held.get(date);
    const kindOf = (id: string | null) => {
      const slip = id === null ? undefined : slipOf(id);
      return slip ? slip.kind || slip.id : null;
    };
    if (holding !== undefined) return { date, state: "kept", slip: holding, kind: kindOf(holding) };
    if (skipped || (jar === "prompt" && lead.prompt.text === "" && content.waived.includes("prompt")))
      return { date, state: "away" };
    const { text, slip } = content[jar];
    if (text === "" || (slip !== null && anew(date))) return { date, state: "open" };
    return { date, state: "kept", slip, kind: kindOf(slip) };
  });
}
