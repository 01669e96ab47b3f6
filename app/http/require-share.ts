import type { HearthContext } from "#server/context-type.ts";
import { readShares } from "#store/share.ts";
import { notFound, requireAlbum } from "./page.ts";
import type { Looked } from "./shared.ts";

/** A link of one of the member's household's albums, as it would be looked at today. */
export async function requireShare(
  context: HearthContext,
  albumId: string | undefined,
  shareId: string | undefined,
): Promise<Looked> {
  const { member, aggregate, author } = await requireAlbum(context, albumId);
  const share = (await readShares(context.db, author)).find(({ id }) => id === shareId);
  if (!share) throw notFound();
  return { householdId: author.householdId, aggregate, today: context.wall(member).date, goes: share.goes };
}
