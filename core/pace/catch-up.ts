import type { Step } from "../album/model.ts";
import { isBegun, type Page } from "../album/page.ts";
import { TYPICAL_MINUTES } from "../album/steps.ts";
import { addDays, type CalendarDate, daysBetween } from "../month/dates.ts";
import { type Ask, doneBy, forecast, type Work } from "./forecast.ts";
import { costOf, minutesSaid, type OwnMinutes } from "./minutes.ts";

/** Something that would make the rest less, and what it does. Days are named by their ids, the first of each page. */
export type Offer =
  /** Two neighbouring days with nothing on them share one page. */
  | { readonly kind: "merge"; readonly day: string; readonly date: CalendarDate; readonly with: CalendarDate }
  /** A day with nothing on it is not told. */
  | { readonly kind: "skip"; readonly day: string; readonly date: CalendarDate }
  /** A day without a picture does with words. */
  | { readonly kind: "words-only"; readonly day: string; readonly date: CalendarDate }
  /** A day with a picture and no words does with the picture, as large as the page, and a number. */
  | { readonly kind: "photo-only"; readonly day: string; readonly date: CalendarDate }
  /** An insert on which nothing lies yet is left out. */
  | { readonly kind: "no-insert"; readonly day: string; readonly date: CalendarDate; readonly leaf: string }
  /** Two stories stand on one date: one of them is told on a quiet neighbour. */
  | { readonly kind: "spread"; readonly day: string; readonly date: CalendarDate; readonly to: CalendarDate }
  /** All prints that wait are printed and trimmed in one sitting. */
  | { readonly kind: "one-printing"; readonly pages: number }
  /** All prints that wait are sent to a lab, which prints and trims them, and takes its time. */
  | { readonly kind: "lab"; readonly pages: number };

/** A name that stays: what was answered with "no" is not offered again. */
export const offerKey = (offer: Offer): string => ("day" in offer ? `${offer.kind} ${offer.day}` : offer.kind);

/** What an offer does to the work left. */
export type Priced = { readonly offer: Offer; readonly work: readonly Work[] };

/** Prints from a lab are a week away. From memory. */
const LAB_DAYS = 7;
/** Fewer prints than these are no batch. */
const A_BATCH = 3;
/** A date with so many pictures and cards with words has more than one story on it. From memory. */
const TWO_STORIES = { photos: 4, cards: 2 };
/** Of a kind no more are offered at a time: the oldest. */
const MOST_OF_A_KIND = 2;

const without = (work: readonly Work[], page: string, steps: readonly Step[] | "all"): Work[] =>
  work.flatMap((each) => {
    if (each.page !== page) return [each];
    const left = steps === "all" ? [] : each.steps.filter((step) => !steps.includes(step));
    return left.length > 0 ? [{ ...each, steps: left }] : [];
  });

/**
 * What could be done to catch up, and the work that would be left after it. Only days that are behind are given up or made
 * less: of what is still to come nobody knows yet. Two days with nothing on them may share a page whenever they are, the
 * latest first, because the last of a month are what stays undone. Nothing in `declined` is among them.
 */
export function catchUpOffers(
  pages: readonly Page[],
  work: readonly Work[],
  today: CalendarDate,
  own: OwnMinutes,
  declined: ReadonlySet<string>,
): Priced[] {
  const idOf = (page: Page) => page.days[0]?.id ?? "";
  const dateOf = (page: Page) => page.days[0]?.date ?? today;
  const isLeft = (page: Page) => work.some((each) => each.page === idOf(page));
  const behind = pages.filter((page) => !page.skipped && (page.days.at(-1)?.date ?? today) < today && isLeft(page));
  const isQuiet = (page: Page) => !isBegun(page) && page.leaves.length === 0;
  const hasSteps = (page: Page, steps: readonly Step[]) =>
    work.some((each) => each.page === idOf(page) && each.steps.some((step) => steps.includes(step)));
  const PHOTO: readonly Step[] = ["choose", "print", "trim"];
  const WORDS: readonly Step[] = ["write", "letter"];

  const open = pages.filter((page) => !page.skipped && isLeft(page));
  const merges = open.flatMap((page, at): Priced[] => {
    const next = open[at + 1];
    const touches = next && daysBetween(page.days.at(-1)?.date ?? today, dateOf(next)) === 1;
    if (!next || !touches || !isQuiet(page) || !isQuiet(next)) return [];
    const offer: Offer = { kind: "merge", day: idOf(page), date: dateOf(page), with: dateOf(next) };
    return [{ offer, work: without(work, idOf(next), "all") }];
  });
  const inserts = behind.flatMap((page): Priced[] => {
    const [only, other] = page.leaves.filter(({ make }) => make.insert !== null);
    const isBare = only?.sides.every(({ filled }) => filled !== true);
    if (!only || other || !isBare || !hasSteps(page, ["insert"])) return [];
    const offer: Offer = { kind: "no-insert", day: idOf(page), date: dateOf(page), leaf: only.id };
    return [{ offer, work: without(work, idOf(page), ["insert"]) }];
  });
  const spreads = open.flatMap((page, at): Priced[] => {
    const { photos, cards } = page.content;
    const written = cards.filter(({ text }) => text.trim() !== "");
    if (page.days.length > 1 || photos.length < TWO_STORIES.photos || written.length < TWO_STORIES.cards) return [];
    const quiet = [open[at + 1], open[at - 1]].find(
      (next) => next && isQuiet(next) && Math.abs(daysBetween(dateOf(page), dateOf(next))) === 1,
    );
    if (!quiet) return [];
    const offer: Offer = { kind: "spread", day: idOf(page), date: dateOf(page), to: dateOf(quiet) };
    // What is told there is chosen and written already.
    return [{ offer, work: without(work, idOf(quiet), ["choose", "write"]) }];
  });
  const ofPages = (
    kind: "skip" | "words-only" | "photo-only",
    some: readonly Page[],
    steps: readonly Step[] | "all",
  ): Priced[] =>
    some.map((page) => ({
      offer: { kind, day: idOf(page), date: dateOf(page) },
      work: without(work, idOf(page), steps),
    }));
  const noPhoto = behind.filter(
    ({ content }) => content.photos.length === 0 && content.jottings.length + content.cards.length > 0,
  );
  const noWords = behind.filter(({ content }) => content.photos.length > 0 && content.cards.length === 0);
  const toPrint = work.filter(({ from, steps }) => from <= today && steps.includes("print"));
  const spared = costOf(own, "print").setUp + costOf(own, "trim").setUp;
  const lab = addDays(today, LAB_DAYS);
  const all: Priced[] = [
    ...merges.reverse(),
    ...ofPages("skip", behind.filter(isQuiet), "all"),
    ...ofPages(
      "words-only",
      noPhoto.filter((page) => hasSteps(page, PHOTO)),
      PHOTO,
    ),
    ...ofPages(
      "photo-only",
      noWords.filter((page) => hasSteps(page, WORDS)),
      WORDS,
    ),
    ...inserts,
    ...spreads,
    ...(toPrint.length >= A_BATCH
      ? [
          {
            offer: { kind: "one-printing" as const, pages: toPrint.length },
            work: work.map((each) => (toPrint.slice(1).includes(each) ? { ...each, spared } : each)),
          },
          {
            offer: { kind: "lab" as const, pages: toPrint.length },
            work: work.map((each) =>
              toPrint.includes(each)
                ? { ...each, from: lab, steps: each.steps.filter((step) => step !== "print" && step !== "trim") }
                : each,
            ),
          },
        ]
      : []),
  ];
  const counts = new Map<Offer["kind"], number>();
  return all.filter(({ offer }) => {
    if (declined.has(offerKey(offer))) return false;
    const count = (counts.get(offer.kind) ?? 0) + 1;
    counts.set(offer.kind, count);
    return count <= MOST_OF_A_KIND;
  });
}

export type Valued = {
  readonly offer: Offer;
  /** Minutes it saves, by this person's own. */
  readonly minutes: number;
  /** Days by which the finish comes sooner, with even odds and with nine in ten. */
  readonly even: number;
  readonly sure: number;
};

const minutesOf = (work: readonly Work[], own: OwnMinutes): number =>
  work.reduce(
    (sum, { steps, spared = 0, build = TYPICAL_MINUTES.build }) =>
      sum +
      steps.reduce((all, step) => {
        const times = step === "build" ? build / TYPICAL_MINUTES.build : 1;
        return all + Math.round(minutesSaid(own, step).minutes * times);
      }, 0) -
      spared,
    0,
  );

/**
 * What each of them does to the finish, the most first. Both plans run on the same evenings, and what is gained in the mean
 * has to be more than three times its own error (the paired test of any textbook), and half a day: less is noise, and is
 * not offered.
 */
export function valued(ask: Ask, offers: readonly Priced[]): Valued[] {
  const before = forecast(ask);
  return offers
    .flatMap(({ offer, work }): Valued[] => {
      const after = forecast({ ...ask, work });
      const gains = Array.from(before.runs, (end, run) => end - (after.runs[run] ?? end));
      const mean = gains.reduce((sum, each) => sum + each, 0) / gains.length;
      const spread = Math.sqrt(
        gains.reduce((sum, each) => sum + (each - mean) ** 2, 0) / Math.max(1, gains.length - 1),
      );
      if (mean < 0.5 || mean < (3 * spread) / Math.sqrt(gains.length)) return [];
      const sooner = (share: number) =>
        Math.max(0, (doneBy(before.ends.book, share) ?? 0) - (doneBy(after.ends.book, share) ?? 0));
      const minutes = Math.round(minutesOf(ask.work, ask.own) - minutesOf(work, ask.own));
      return [{ offer, minutes, even: sooner(0.5), sure: sooner(0.9) }];
    })
    .sort((a, b) => b.even + b.sure - (a.even + a.sure) || b.minutes - a.minutes);
}
