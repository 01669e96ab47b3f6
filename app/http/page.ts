import { data, redirect } from "react-router";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { isStoreGone } from "#store/db.ts";
import type { Member } from "#store/household.ts";

/** Not found, and no hint whether it exists for somebody else. */
export const notFound = () => data(null, { status: 404 });

/** The database does not answer: told as such, so that a page can say what is safe. */
export const STORE_GONE = 503;

/** Runs a loader's reading; a database that is gone becomes a page that says so. */
export async function reading<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isStoreGone(error)) throw data(null, { status: STORE_GONE });
    throw error;
  }
}

/** Whether something thrown is the page that says the database is gone. */
const isGonePage = (thrown: unknown): boolean =>
  thrown instanceof Object && "init" in thrown && (thrown.init as ResponseInit | null)?.status === STORE_GONE;

/** Runs an action's writing, and the reading before it; a database that is gone becomes an answer that keeps what was typed. */
export async function writing<T>(work: () => Promise<T>) {
  try {
    return await work();
  } catch (error) {
    if (isStoreGone(error) || isGonePage(error))
      return data({ ok: false as const, reason: "store-gone" as const }, { status: STORE_GONE });
    throw error;
  }
}

/** The signed-in member, or off to the door. */
export async function requireMember(context: HearthContext): Promise<Member> {
  const member = await reading(context.member);
  if (!member) throw redirect("/sign-in");
  return member;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
export const isId = (text: string | undefined): text is string => text !== undefined && UUID.test(text);

/** The member and one of their household's albums. */
export async function requireAlbum(
  context: HearthContext,
  albumId: string | undefined,
): Promise<{ member: Member; aggregate: AlbumAggregate }> {
  const member = await requireMember(context);
  if (!isId(albumId)) throw notFound();
  const aggregate = await reading(() => context.album(member.household.id, albumId));
  if (!aggregate) throw notFound();
  return { member, aggregate };
}
