import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { isAtLeast, type Role } from "#core/share/role.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import type { Sender } from "#store/author.ts";
import { isBadValue, isStoreGone } from "#store/db.ts";
import type { Member } from "#store/household.ts";
import { keptBytes } from "#store/work.ts";

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
    if (isBadValue(error)) throw notFound();
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
    if (isBadValue(error)) throw data(null, { status: 400 });
    throw error;
  }
}

/** The session is over: told to a page's script, which keeps what was typed and asks to sign in again. */
const SIGNED_OUT = 401;

/** The door, and the way back from it; `ended` where there was a session, so that the door says why. */
const doorFor = ({ address, auth, isWrite }: HearthContext): string =>
  to.signIn({ to: isWrite || address === "/" ? null : address, ended: auth.hadSession ? "yes" : null });

/** What was asked is another role's to do: told to a page's script, which keeps what was typed and says so. */
const NOT_YOURS = 403;

/** What a member must at least be: a helper to read, a keeper to write, where a place says nothing else. */
const usualFor = ({ isWrite }: HearthContext): Role => (isWrite ? "keeper" : "helper");

/** The signed-in member, or off to the door; refused where they may do less than `least`. */
export async function requireMember(context: HearthContext, least: Role = usualFor(context)): Promise<Member> {
  const member = await reading(context.member);
  if (member && isAtLeast(member.role, least)) return member;
  if (member) throw context.isWrite ? data({ notYours: true }, { status: NOT_YOURS }) : notFound();
  if (context.isWrite && context.byScript) throw data(null, { status: SIGNED_OUT });
  throw redirect(doorFor(context));
}

/** A path of ours, as it was given or read; the fallback where it would lead to another host. */
export function ownPath(given: string | null | undefined, fallback: string): string {
  if (!given?.startsWith("/") || !URL.canParse(given, "http://here")) return fallback;
  const { origin, pathname, search } = new URL(given, "http://here");
  return origin === "http://here" && !/^\/[/\\]/.test(pathname) ? pathname + search : fallback;
}

/** Whether the household has room for what is being sent, before any of it is kept. */
export async function hasRoom(context: HearthContext, householdId: string, request: Request): Promise<boolean> {
  const coming = Number(request.headers.get("content-length"));
  const room = (await keptBytes(context.db, householdId)) + coming <= context.room;
  // The body is read and thrown away: a browser that is answered while it still sends takes the server for gone.
  if (!room) await request.body?.pipeTo(new WritableStream());
  return room;
}

/** Headers that set each of these cookies. */
export function withCookies(cookies: readonly string[]): Headers {
  const headers = new Headers();
  for (const cookie of cookies) headers.append("Set-Cookie", cookie);
  return headers;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
export const isId = (text: string | undefined): text is string => text !== undefined && UUID.test(text);

/** Who writes in an album of this id, and when: every statement that writes asks whether it is their household's. */
export async function requireAuthor(
  context: HearthContext,
  albumId: string | undefined,
  least?: Role,
): Promise<Sender> {
  const member = await requireMember(context, least);
  if (!isId(albumId)) throw notFound();
  return { householdId: member.household.id, albumId, memberId: member.id, role: member.role, at: context.now };
}

/** The member, one of their household's albums, and who they are as its author. */
export async function requireAlbum(
  context: HearthContext,
  albumId: string | undefined,
  least?: Role,
): Promise<{ member: Member; aggregate: AlbumAggregate; author: Sender }> {
  // Whoever only looks is led to what they may see, from any address in the album.
  if (!context.isWrite && !least && isId(albumId) && (await reading(context.member))?.role === "looker")
    throw redirect(to.shown(albumId));
  const member = await requireMember(context, least);
  const author = await requireAuthor(context, albumId, least);
  const aggregate = await reading(() => context.album(author.householdId, author.albumId));
  if (!aggregate) throw notFound();
  return { member, aggregate, author };
}
