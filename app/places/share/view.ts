import { pageName } from "#app/places/album/view.ts";
import { hasWords } from "#core/album/card-words.ts";
import type { Leaf, Piece } from "#core/album/leaf.ts";
import { type MatterPage, matterPages, type WholeRead } from "#core/album/matter.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import type { AlbumPlan } from "#core/album/model.ts";
import { type Page, pagesOf } from "#core/album/page.ts";
import { type CalendarDate, printDate, printShort } from "#core/month/dates.ts";
import { type GoesOut, isGoingOut } from "#core/share/going-out.ts";
import { FOR_GOOD, isPrivate, type Private } from "#core/share/share.ts";

/** Something on a page that can be kept back: a picture, a card, or what else lies there and says something. */
export type SharePiece = {
  readonly id: string;
  readonly said: string;
  readonly photoId: string | null;
  /** Until when it is private; null where it is not. */
  readonly secret: string | null;
};
/** A page of the book, with the days or the entry it is of. */
export type SharePage = {
  readonly entries: readonly string[];
  readonly said: string;
  readonly secret: string | null;
  readonly pieces: readonly SharePiece[];
};
export type ShareLink = {
  readonly id: string;
  readonly name: string;
  readonly goes: GoesOut;
  readonly endsOn: CalendarDate | null;
  readonly state: "open" | "closed" | "over";
  /** Since when its address is as it is, in words. */
  readonly since: string | null;
  /** How many pages go out, and how many pieces of them are kept back. */
  readonly shows: { readonly pages: number; readonly kept: number };
};
export type ShareView = {
  readonly albumId: string;
  readonly links: readonly ShareLink[];
  readonly pages: readonly SharePage[];
  readonly today: CalendarDate;
};

type Aggregate = WholeRead & {
  readonly album: AlbumPlan & { readonly id: string };
  readonly leaves: readonly Leaf[];
};
type Link = Pick<ShareLink, "id" | "name" | "goes" | "endsOn"> & { readonly since: Date | null };

const secretOf = (of: Private, today: CalendarDate): string | null => {
  if (!isPrivate(of, today) || !of.privateUntil) return null;
  return of.privateUntil === FOR_GOOD ? "private for good" : `private until ${printDate(of.privateUntil)}`;
};

const shortly = (text: string): string => {
  const line = text.trim().replace(/\s+/g, " ");
  return line.length > 70 ? `${line.slice(0, 68)}…` : line;
};

/** What else lies on a page and is told by a name or by what it says. */
function otherPiece({ id, what }: Piece): SharePiece[] {
  if (what.kind === "photo" || what.kind === "card" || what.kind === "numeral" || what.kind === "room") return [];
  const said = shortly(what.says ?? "") || what.name.trim();
  return said === "" ? [] : [{ id, said, photoId: null, secret: null }];
}

function piecesOf(
  { days, content, leaves }: Page | MatterPage,
  all: readonly Leaf[],
  today: CalendarDate,
): SharePiece[] {
  const own = new Set(days.map(({ id }) => id));
  const sides = all.flatMap(({ front, back }) => [front, back]);
  const lying = sides
    .filter(({ owner }) => owner.kind === "day" && own.has(owner.dayId))
    .flatMap(({ pieces }) => pieces ?? []);
  return leaves.length === 0 && lying.length === 0
    ? []
    : [
        ...content.photos.map((use, at) => ({
          ...{ id: use.id, photoId: use.photoId, secret: secretOf(use, today) },
          said: shortly(use.alt) || `Photo ${at + 1}, not described`,
        })),
        ...content.cards.map((card, at) => ({
          ...{ id: card.id, photoId: null, secret: secretOf(card, today) },
          said: hasWords(card) ? `“${shortly(card.text || card.back)}”` : `Card ${at + 1}, without words`,
        })),
        ...lying.flatMap(otherPiece),
      ];
}

/** The links of an album, and what of it can go out by them. */
export function shareView(
  aggregate: Aggregate,
  links: readonly Link[],
  today: CalendarDate,
  saidAt: (at: Date) => string,
): ShareView {
  const { album, leaves } = aggregate;
  const secretPage = (page: Page | MatterPage) =>
    page.days.map(({ content }) => secretOf(content, today)).find((each) => each !== null) ?? null;
  const named = (page: Page | MatterPage): string => {
    if ("matter" in page) return MATTER_NAME[page.matter.kind];
    const name = pageName(page);
    const [lead] = page.days;
    return lead && name === page.label ? printShort(lead.date) : name;
  };
  const pages = [...matterPages(aggregate), ...pagesOf(aggregate).filter(({ skipped }) => !skipped)]
    .filter((page) => page.leaves.length > 0)
    .map((page) => ({
      entries: page.days.map(({ id }) => id),
      said: named(page),
      secret: secretPage(page),
      pieces: piecesOf(page, leaves, today),
    }));
  const stateOf = ({ since, endsOn }: Link): ShareLink["state"] =>
    since === null ? "closed" : endsOn !== null && today > endsOn ? "over" : "open";
  return {
    ...{ albumId: album.id, today, pages },
    links: links.map((link) => {
      const shown = pages.filter(
        ({ secret, entries }) => secret === null && entries.some((entry) => isGoingOut(link.goes, entry)),
      );
      const kept = shown.flatMap(({ pieces }) => pieces.filter(({ id }) => link.goes.pieces.includes(id)));
      return {
        ...{ id: link.id, name: link.name, goes: link.goes, endsOn: link.endsOn, state: stateOf(link) },
        since: link.since && saidAt(link.since),
        shows: { pages: shown.length, kept: kept.length },
      };
    }),
  };
}
