import { pageName } from "#app/places/album/view.ts";
import type { EntryAt } from "#app/places/arrange/boards.ts";
import type { JottingLine, wordsView } from "#app/places/words/view.ts";
import { writerOf } from "#app/places/words/view.ts";
import { standingSaid } from "#app/wording/card.ts";
import { cardStanding } from "#core/album/card-printing.ts";
import { allPagesOf, type WholeRead } from "#core/album/matter.ts";
import type { AlbumPlan, Card, Day, MatterEntry } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import type { LeafOutline } from "#core/album/page-leaves.ts";
import type { Print } from "#core/album/print.ts";
import type { Unit } from "#core/measure/length.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { isPrivate } from "#core/share/share.ts";
import type { Hand, StampSet } from "#core/words/lettering.ts";

export type SavedWording = {
  readonly id: number;
  readonly said: string;
  readonly text: string;
  readonly back: string;
};
export type CardView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly dayId: string;
  readonly at: EntryAt;
  readonly day: string;
  /** Whoever wrote its words, where several write in the album; else null. */
  readonly writtenBy: string | null;
  readonly version: number;
  readonly card: Card;
  readonly today: CalendarDate;
  readonly prompt: string;
  readonly standing: string;
  readonly place: { readonly at: number; readonly of: number };
  readonly before: string | null;
  readonly after: string | null;
  readonly jottings: readonly JottingLine[];
  readonly dates: ReturnType<typeof wordsView>["dates"];
  readonly hands: readonly (Hand & { readonly id: string })[];
  readonly sets: readonly (StampSet & { readonly id: string })[];
  readonly wordings: readonly SavedWording[];
};

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly leaves: readonly LeafOutline[];
  readonly prints: readonly Print[];
  readonly writtenBy: ReadonlyMap<string, string>;
};

/** The card with its day and page; null when the album has no such card. */
export function cardOf(aggregate: WholeRead, cardId: string) {
  for (const page of allPagesOf(aggregate))
    for (const day of page.days) {
      const card = day.content.cards.find(({ id }) => id === cardId);
      if (card) return { page, day, card };
    }
  return null;
}

export function cardView(
  aggregate: Aggregate,
  { page, day, card }: NonNullable<ReturnType<typeof cardOf>>,
  letters: Pick<CardView, "hands" | "sets">,
  wordings: readonly { id: number; at: string; by: string; text: string; back: string }[],
  today: CalendarDate,
  saidAt: (iso: string) => string,
): CardView {
  const { album, prints } = aggregate;
  const by = writerOf(aggregate.writtenBy);
  const pages = allPagesOf(aggregate);
  const all = pages.flatMap(({ content }) => content.cards);
  const at = all.indexOf(card);
  return {
    albumId: album.id,
    unit: album.unit,
    dayId: day.id,
    at: "matter" in page ? { entry: page.entry.id } : { date: page.group.lead.date },
    version: day.version,
    card,
    today,
    ...letters,
    day: pageName(page),
    writtenBy: by(card.id),
    prompt: page.content.prompt.text,
    standing: standingSaid(cardStanding(card, prints, page.content.done)),
    place: { at: at + 1, of: all.length },
    before: all[at - 1]?.id ?? null,
    after: all[at + 1]?.id ?? null,
    jottings: (page.days as readonly (Day | MatterEntry)[]).flatMap(({ id, version, content }) =>
      content.jottings.map((each) => ({
        ...{ ...each, dayId: id, version, isPrivate: isPrivate(each, today), by: by(each.id) },
      })),
    ),
    dates: pagesOf(aggregate).map((each) => ({ date: each.group.lead.date, said: pageName(each) })),
    wordings: wordings.map(({ id, at: saved, by, text, back }) => ({
      id,
      text,
      back,
      said: by === "" ? `Before ${saidAt(saved)}` : `${by}, ${saidAt(saved)}`,
    })),
  };
}
