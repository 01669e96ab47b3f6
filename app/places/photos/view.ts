import { pageName } from "#app/places/album/view.ts";
import type { EntryAt } from "#app/places/arrange/boards.ts";
import { allPagesOf, type WholeRead } from "#core/album/matter.ts";
import type { AlbumPlan, Day } from "#core/album/model.ts";
import { pagesOf } from "#core/album/page.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import { usablePixels } from "#core/photo/crop.ts";
import { nearDoubles } from "#core/photo/doubles.ts";
import type { Look, Pixels } from "#core/photo/look.ts";
import { type OnIt, takenOn } from "#core/photo/on-it.ts";
import type { RollPhoto } from "#core/photo/roll.ts";
import { photoIdsOf } from "#core/photo/together.ts";

/** A picture as the roll shows it. */
export type RollPicture = {
  readonly id: string;
  readonly name: string;
  readonly pixels: Pixels;
  readonly look: Look;
  readonly date: CalendarDate | null;
  /** The camera's clock, `17:48`. */
  readonly time: string | null;
  readonly offset: string | null;
  readonly given: boolean;
  readonly hasPlace: boolean;
  /** Who is on it; null: nobody has said. */
  readonly people: OnIt;
  readonly star: boolean;
  readonly setAside: boolean;
  readonly banked: boolean;
  /** The days it is on, as dates and as they are called. */
  readonly on: readonly { readonly at: EntryAt; readonly name: string }[];
  /** Its group of near-doubles and its place there by sharpness, 0 the sharpest; null when it has none. */
  readonly alike: { readonly group: number; readonly rank: number; readonly of: number } | null;
};

/** How many bytes the household keeps, and how many it may. */
export type Room = { readonly kept: number; readonly most: number };

/** A day of the album that a picture may be put on. */
export type RollTarget = {
  readonly dayId: string;
  readonly label: string;
  readonly title: string;
  /** As its page is called: `9, Counting lit windows`. */
  readonly name: string;
  readonly skipped: boolean;
};

/** A print of a day, in whose place another picture is looked for. */
export type InsteadOf = {
  readonly dayId: string;
  readonly useId: string;
  readonly at: EntryAt;
  /** What its page is called. */
  readonly page: string;
  /** The pictures that its day has: none of them is put there twice. */
  readonly has: readonly string[];
  readonly picture: { readonly id: string; readonly look: Look };
};

export type RollView = {
  readonly albumId: string;
  readonly instead: InsteadOf | null;
  /** The album's days, for what a date is called and which are its own. */
  readonly days: Readonly<Record<string, RollTarget>>;
  readonly pictures: readonly RollPicture[];
  /** Those of the household, and whoever is marked on a picture, by name. */
  readonly names: readonly string[];
};

/** Where near-doubles lie among pictures, by id. Those without a fingerprint yet have none. */
export function alikeOf(roll: readonly RollPhoto[]): Map<string, { group: number; rank: number; of: number }> {
  const known = roll.flatMap(({ id, fingerprint, sharpness, capturedAt }) =>
    fingerprint ? [{ id, fingerprint, sharpness, capturedAt }] : [],
  );
  return new Map(
    nearDoubles(known).flatMap((ids, group) => ids.map((id, rank) => [id, { group, rank, of: ids.length }] as const)),
  );
}

/** The roll of the household, seen from one of its albums. */
export function rollView(
  whole: WholeRead & { album: AlbumPlan & { id: string } },
  roll: readonly RollPhoto[],
  household: readonly string[],
  useId: string | null = null,
): RollView {
  const { album } = whole;
  const pages = pagesOf(whole);
  const on = new Map<string, { at: EntryAt; name: string }[]>();
  let instead: InsteadOf | null = null;
  for (const page of allPagesOf(whole)) {
    const lies = (at: EntryAt, { id: dayId, content }: Pick<Day, "id" | "content">) => {
      for (const use of content.photos) {
        const { id, photoId, picture } = use;
        for (const each of photoIdsOf(use)) on.set(each, [...(on.get(each) ?? []), { at, name: pageName(page) }]);
        if (id === useId)
          instead = {
            ...{ dayId, useId, at, page: pageName(page), picture: { id: photoId, look: picture.look } },
            has: content.photos.flatMap(photoIdsOf),
          };
      }
    };
    if ("matter" in page) lies({ entry: page.entry.id }, page.entry);
    else for (const day of page.days) lies({ date: day.date }, day);
  }
  const alike = alikeOf(roll);
  return {
    albumId: album.id,
    instead,
    names: [...new Set([...household, ...roll.flatMap(({ people }) => people ?? [])])],
    days: Object.fromEntries(
      pages.flatMap((page) =>
        page.days.map((day): [string, RollTarget] => [
          day.date,
          {
            ...{ dayId: day.id, name: pageName(page), skipped: page.skipped },
            ...{ label: page.label ?? printShort(day.date), title: day.content.title },
          },
        ]),
      ),
    ),
    pictures: roll.map((each) => ({
      id: each.id,
      name: each.name,
      pixels: usablePixels(each.facts),
      look: each.facts.look,
      date: takenOn(each),
      time:
        each.capturedAt && (each.givenDate === null || each.capturedAt.startsWith(each.givenDate))
          ? each.capturedAt.slice(11, 16)
          : null,
      offset: each.offset,
      given: each.givenDate !== null,
      hasPlace: each.hasPlace,
      people: each.people,
      star: each.star,
      setAside: each.setAside,
      banked: each.banked,
      on: on.get(each.id) ?? [],
      alike: alike.get(each.id) ?? null,
    })),
  };
}

export const SHOWN = ["all", "unplaced", "banked", "alike", "starred", "unnamed", "set-aside", "undated"] as const;
export type Shown = (typeof SHOWN)[number];

const BELONGS: Record<Shown, (picture: RollPicture) => boolean> = {
  all: ({ setAside }) => !setAside,
  unplaced: ({ setAside, on }) => !setAside && on.length === 0,
  banked: ({ setAside, banked }) => !setAside && banked,
  alike: ({ setAside, alike }) => !setAside && alike !== null,
  starred: ({ setAside, star }) => !setAside && star,
  unnamed: ({ setAside, people }) => !setAside && people === null,
  "set-aside": ({ setAside }) => setAside,
  undated: ({ date }) => date === null,
};

export const countShown = (pictures: readonly RollPicture[], shown: Shown): number =>
  pictures.filter(BELONGS[shown]).length;

/** Pictures of one day, near-doubles standing together behind their sharpest. */
export type RollDay = { readonly date: CalendarDate | null; readonly clusters: readonly (readonly RollPicture[])[] };

/** The shown pictures by day, in order: the album’s own days, then those before and after it, the undated last. */
export function byDay(pictures: readonly RollPicture[], shown: Shown, own: RollView["days"]): RollDay[] {
  const days = new Map<CalendarDate | null, RollPicture[]>();
  for (const picture of pictures) {
    if (!BELONGS[shown](picture)) continue;
    days.set(picture.date, [...(days.get(picture.date) ?? []), picture]);
  }
  const isOwn = (date: CalendarDate | null) => date !== null && date in own;
  const ordered = [...days].sort(([a], [b]) => Number(isOwn(b)) - Number(isOwn(a)));
  return ordered.map(([date, all]) => {
    const clusters: RollPicture[][] = [];
    for (const picture of all) {
      const mate = picture.alike && clusters.find(([first]) => first?.alike?.group === picture.alike?.group);
      if (mate) mate.push(picture);
      else clusters.push([picture]);
    }
    for (const cluster of clusters) cluster.sort((a, b) => (a.alike?.rank ?? 0) - (b.alike?.rank ?? 0));
    return { date, clusters };
  });
}
