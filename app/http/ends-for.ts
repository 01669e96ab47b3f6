import { type EndLine, endsTonight } from "#app/places/finish/view.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { type Member, memberNames } from "#store/household.ts";
import { reading } from "./page.ts";

/** The loose ends of an album that were kept for tonight and are open still. */
export async function endsFor(
  context: HearthContext,
  { household }: Member,
  aggregate: AlbumAggregate,
  today: CalendarDate,
): Promise<EndLine[]> {
  if (aggregate.album.looseEnds.every(({ as }) => as !== "tonight")) return [];
  const keepers = await reading(() => memberNames(context.db, household.id, household.people));
  return endsTonight(aggregate, { people: household.people, keepers }, today);
}
