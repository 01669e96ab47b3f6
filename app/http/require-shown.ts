import { ALL_GOES_OUT } from "#core/share/going-out.ts";
import type { HearthContext } from "#server/context-type.ts";
import { requireAlbum } from "./page.ts";
import type { Looked } from "./shared.ts";

/** An album as somebody of its household sees it who only looks: all of it but what is private today. */
export async function requireShown(context: HearthContext, albumId: string | undefined): Promise<Looked> {
  const { member, aggregate, author } = await requireAlbum(context, albumId, "looker");
  const today = context.wall(member).date;
  return { householdId: author.householdId, aggregate, today, goes: ALL_GOES_OUT };
}
