import { pageName } from "#app/places/album/view.ts";
import { dealDays } from "#core/album/jar.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import { type AlbumRead, pagesOf } from "#core/album/page.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { DealDay } from "#core/words/deal-ask.ts";
import { DECKS } from "#core/words/decks.ts";
import type { Deck, Jar, Slip } from "#core/words/slip.ts";

export type PromptDay = {
  readonly date: CalendarDate;
  readonly dayId: string;
  readonly version: number;
  readonly label: string;
  readonly title: string;
  readonly text: string;
  readonly slip: string | null;
  readonly isPast: boolean;
  readonly isSkipped: boolean;
  /** As the deal sees it when nothing is dealt anew and nothing held. */
  readonly now: DealDay;
};
export type PromptsView = {
  readonly albumId: string;
  readonly jar: Jar;
  readonly decks: readonly (Deck & { readonly isOwn: boolean })[];
  readonly days: readonly PromptDay[];
};

type Aggregate = AlbumRead & { readonly album: AlbumPlan & { readonly id: string } };

/** Every slip that a day of the household may carry, by its id. */
export function slipFinder(decks: readonly Deck[]): (id: string) => Slip | undefined {
  const all = new Map(decks.flatMap(({ slips }) => slips.map((slip) => [slip.id, slip] as const)));
  return (id) => all.get(id);
}

export function promptsView(
  { album, days, leaves, prints }: Aggregate,
  own: readonly Deck[],
  jar: Jar,
  today: CalendarDate,
): PromptsView {
  const pages = pagesOf({ album, days, leaves, prints });
  const decks = [...DECKS.map((deck) => ({ ...deck, isOwn: false })), ...own.map((deck) => ({ ...deck, isOwn: true }))];
  const asDealt = dealDays(pages, jar, slipFinder(decks), () => false, new Map());
  return {
    albumId: album.id,
    jar,
    decks: decks.filter((deck) => deck.jar === jar),
    days: pages.flatMap((page, at) => {
      const { lead } = page.group;
      const [now, day] = [asDealt[at], page.days[0]];
      if (!now || !day) return [];
      return [
        {
          date: lead.date,
          dayId: lead.id,
          version: day.version,
          label: page.label ?? "",
          now,
          title: pageName(page).replace(/^[^,]*,? ?/, ""),
          text: page.content[jar].text,
          slip: page.content[jar].slip,
          isPast: lead.date < today,
          isSkipped: page.skipped,
        },
      ];
    }),
  };
}
