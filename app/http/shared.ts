import { data } from "react-router";
import { sharedBook } from "#core/document/shared-book.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { GoesOut } from "#core/share/going-out.ts";
import { type SharedPages, sharedNotice, sharedPage, sharedPages, sharedPicture } from "#press/shared-page.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { readOriginal } from "#store/photo.ts";
import { isOver, sharedBy } from "#store/share.ts";

/** So many ways of showing one album lie ready at once. */
const MOST_READY = 8;
const ready = new WeakMap<AlbumAggregate, Map<string, SharedPages>>();

/** The pages of an album as a link shows them on a day, drawn once for as long as the album stands. */
function pagesOf(aggregate: AlbumAggregate, today: CalendarDate, goes: GoesOut): SharedPages {
  const known = ready.get(aggregate) ?? new Map<string, SharedPages>();
  ready.set(aggregate, known);
  const name = `${today} ${JSON.stringify(goes)}`;
  const pages = known.get(name) ?? sharedPages(sharedBook({ ...aggregate, today }, goes));
  const [oldest] = known.keys();
  if (!known.has(name) && known.size >= MOST_READY && oldest !== undefined) known.delete(oldest);
  known.set(name, pages);
  return pages;
}

/** For nobody's index and nobody's cache. */
const ASIDE = { "X-Robots-Tag": "noindex, nofollow, noarchive" };
const HTML = { ...ASIDE, "Content-Type": "text/html; charset=utf-8", "Cache-Control": "private, no-store" };

const NOT_FOUND_SAID = "There is nothing at this address, or not any more. Ask whoever gave it to you for another.";

const notice = (context: HearthContext, status: number, title: string, said: string, more: HeadersInit = {}) =>
  new Response(sharedNotice(title, said, context.nonce), { status, headers: { ...HTML, ...more } });

/** An album as somebody looks at it from outside: which, on which day, and what of it. */
export type Looked = {
  readonly householdId: string;
  readonly aggregate: AlbumAggregate;
  readonly today: CalendarDate;
  readonly goes: GoesOut;
};

/**
 * What the secret in an address leads to. Thrown where it leads nowhere: one answer, whether it was guessed, is over or
 * closed, or its album is in the tray; and where too much is asked for from one place.
 */
export async function lookedAt(context: HearthContext, secret: string | undefined): Promise<Looked> {
  const tooMany = (waitSeconds: number) =>
    notice(context, 429, "A moment, please", "Too much was asked for at once. Try again in a minute.", {
      "Retry-After": String(waitSeconds),
    });
  const visit = await context.visit();
  if (!visit.ok) throw tooMany(visit.waitSeconds);
  const found = await sharedBy(context.db, secret ?? "");
  const today = found && context.wall(found).date;
  const aggregate = found && (await context.album(found.household.id, found.albumId));
  if (found && today && aggregate && !isOver(found.share, today))
    return { householdId: found.household.id, aggregate, today, goes: found.share.goes };
  const guess = found ? null : await context.guessed();
  throw guess?.ok === false ? tooMany(guess.waitSeconds) : notice(context, 404, "Nothing here", NOT_FOUND_SAID);
}

/** An opening in an address, from 1; the first where none is said. */
const openingIn = (text: string | undefined): number =>
  /^[1-9]\d{0,3}$/.test(text ?? "1") ? Number(text ?? 1) - 1 : -1;

/** The page of one opening, at the address that its openings follow; `home`: where there is a way back to. */
export async function answerOpening(
  context: HearthContext,
  { aggregate, today, goes }: Looked,
  base: string,
  opening: string | undefined,
  home: string | null = null,
): Promise<Response> {
  const pages = pagesOf(aggregate, today, goes);
  if (pages.book.count === 0)
    return notice(context, 200, pages.book.title, "Nothing is shown yet. Come back to the same address later.");
  const page = await sharedPage(pages, openingIn(opening), base, context.nonce, home);
  return page === null ? notice(context, 404, "Nothing here", NOT_FOUND_SAID) : new Response(page, { headers: HTML });
}

/** What a picture may take in memory while it is developed, in bytes. */
const PICTURE_IN_MEMORY = 8 * 1024 * 1024;

/** A picture of an opening, as it is seen there and no more of it. */
export async function answerPicture(
  context: HearthContext,
  { householdId, aggregate, today, goes }: Looked,
  { opening, key }: { readonly opening: string | undefined; readonly key: string | undefined },
): Promise<Response> {
  const pages = pagesOf(aggregate, today, goes);
  const bytesOf = (photoId: string) => readOriginal(context.db, householdId, photoId);
  const picture = await context.inMemory(PICTURE_IN_MEMORY, () =>
    sharedPicture(pages, openingIn(opening), key ?? "", bytesOf),
  );
  if (!picture) throw data(null, { status: 404 });
  const headers = { ...ASIDE, "Content-Type": "image/jpeg", "Cache-Control": "private, max-age=86400, immutable" };
  return new Response(new Uint8Array(picture), { headers });
}
