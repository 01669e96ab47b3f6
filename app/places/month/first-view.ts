import type { AlbumPlan } from "#core/album/model.ts";
import { type AlbumRead, pagesOf, progressOf } from "#core/album/page.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { standing } from "#core/pace/coming-back.ts";
import { type FirstEvening, firstEvening } from "#core/pace/first-evening.ts";
import { leadDate } from "../album/view.ts";

type Source = AlbumRead & { readonly album: AlbumPlan & { readonly firstSettled: readonly string[] } };

/** The album's first evening as far as it got; null once it is over. `onRoll`: pictures of its days that lie on the roll. */
export function firstEveningOf({ album, days, leaves, prints }: Source, onRoll: number): FirstEvening | null {
  const pages = pagesOf({ album, days, leaves, prints });
  const has = {
    prompts: days.filter(({ content }) => content.prompt.text !== "").length,
    leaves: leaves.length,
    pictures: days.reduce((sum, { content }) => sum + content.photos.length, onRoll),
    inBook: progressOf(pages).inBook,
  };
  return firstEvening(has, album.firstSettled);
}

export type StandingView = {
  readonly last: CalendarDate;
  readonly inBook: number;
  readonly begun: number;
  readonly untouched: number;
  readonly next: {
    readonly date: CalendarDate;
    readonly label: string;
    readonly said: string;
    readonly minutes: number;
  } | null;
};

/** Where the album stands for who comes back to it; `last` is the day it was last written in. */
export function standingOf(
  { album, days, leaves, prints }: AlbumRead,
  today: CalendarDate,
  last: CalendarDate | null,
  toDo: (step: NonNullable<NonNullable<ReturnType<typeof standing>>["next"]>["step"]["step"]) => string,
): StandingView | null {
  const stands = standing(pagesOf({ album, days, leaves, prints }), today, last);
  if (!stands) return null;
  const { next } = stands;
  return {
    ...stands,
    next: next && {
      date: leadDate(next.page),
      label: next.page.label ?? "",
      said: toDo(next.step.step),
      minutes: next.minutes,
    },
  };
}
