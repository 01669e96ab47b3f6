import { lazy, type ReactNode, Suspense, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Opened } from "#app/parts/opened.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import { AHEAD_COUNT, AHEAD_NAME, minutesLong, STAGE_NAME } from "#app/wording/pace.ts";
import { addDays, type CalendarDate, daysBetween, parseDate, printDate } from "#core/month/dates.ts";
import type { Ahead } from "#core/pace/ahead.ts";
import { chanceBy, doneBy, type Forecast, STAGES } from "#core/pace/forecast.ts";
import { CatchUp } from "./catch-up.tsx";
import type { EveningView } from "./evening-view.ts";
import { Feed } from "./feed.tsx";
import { Sitting } from "./sitting.tsx";
import { Tonight } from "./tonight.tsx";
import { useForecast } from "./use-forecast.ts";
import type { PaceView } from "./view.ts";

const Band = lazy(() => import("./band.tsx").then(({ Band }) => ({ default: Band })));

type Props = {
  readonly view: PaceView;
  readonly evening: EveningView;
  /** When the sitting under way began, and whether in this album; null where none is. */
  readonly under: { readonly began: string; readonly here: boolean } | null;
  /** Since when a calendar can fetch days and evenings by a private address; null: it cannot. */
  readonly feedSince: CalendarDate | null;
};

/** When it will be done, what can be ready before, and tonight. */
export function Pace({ view, evening, under, feedSince }: Props) {
  const reckoned = useForecast(view.ask, view.offers);
  return (
    <Workplace
      width="half"
      tabs={<PlaceTabs place="pace" albumId={view.albumId} here="pace" />}
      panel={
        <>
          <Tonight albumId={view.albumId} evening={evening} />
          <Sitting under={under} />
          <CatchUp albumId={view.albumId} offers={reckoned?.offers ?? null} />
          <InCalendar albumId={view.albumId} />
          <Feed albumId={view.albumId} since={feedSince} />
          {view.ahead && <BeforeDay1 ahead={view.ahead} albumId={view.albumId} today={view.today} />}
        </>
      }
    >
      <PageStage>
        <div className="grid content-start gap-5">
          <h1 className="text-2xl">When it is done</h1>
          {view.ask ? (
            <Finish view={view} found={reckoned?.forecast ?? null} />
          ) : (
            <p>All of it is in the book. There is nothing left to do.</p>
          )}
          <Known view={view} />
        </div>
      </PageStage>
    </Workplace>
  );
}

function Finish({ view, found }: { view: PaceView; found: Forecast | null }) {
  if (!found) return <p role="status">Reckoning when it will be done…</p>;
  return (
    <>
      <Said view={view} found={found} />
      <Opened name="over-the-calendar" summary="Over the calendar">
        <Suspense fallback={<div className="h-44" />}>
          <Band
            {...{ first: view.first, last: view.last, today: view.today }}
            rows={STAGES.map((stage) => ({
              name: stage === "book" ? "In the book" : STAGE_NAME[stage],
              days: [doneBy(found.ends[stage], 0.1), doneBy(found.ends[stage], 0.5), doneBy(found.ends[stage], 0.9)],
            }))}
          />
        </Suspense>
      </Opened>
      <Evenings evenings={view.evenings} />
      <Wished view={view} found={found} />
    </>
  );
}

const LATER = "later than two years from now";

/** The finish in words: even odds, nine in ten, and each stage. */
function Said({ view, found }: { view: PaceView; found: Forecast }) {
  const by = (stage: (typeof STAGES)[number], share: number) => {
    const days = doneBy(found.ends[stage], share);
    return days === null ? null : addDays(view.today, days);
  };
  const [even, sure] = [by("book", 0.5), by("book", 0.9)];
  return (
    <div className="grid gap-3">
      {even === null ? (
        <p className="text-lg">
          With the time there is it takes longer than two years.{" "}
          <Link to={to.part(view.albumId, "hours")} className="link">
            Say when there is more
          </Link>
          .
        </p>
      ) : (
        <dl className="flex flex-wrap gap-x-10 gap-y-3">
          <DoneBy name="Even odds" date={even} from={view.last} />
          <DoneBy name="Nine chances in ten" date={sure} from={view.last} />
        </dl>
      )}
      <ul className="grid gap-0.5 text-sm">
        {STAGES.filter((stage) => stage !== "book").map((stage) => {
          const [half, most] = [by(stage, 0.5), by(stage, 0.9)];
          return (
            <li key={stage}>
              {STAGE_NAME[stage]}: {half ? shortDate(half) : LATER} with even odds
              {most ? `, ${shortDate(most)} with nine in ten` : ""}.
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function DoneBy({ name, date, from }: { name: string; date: CalendarDate | null; from: CalendarDate }) {
  const after = date ? daysBetween(from, date) : 0;
  return (
    <div>
      <dt className="text-sm text-quiet">{name}</dt>
      <dd>
        <span className="font-numeral text-3xl font-semibold">{date ? shortDate(date) : LATER}</span>
        {date && (
          <span className="block text-sm text-quiet">
            {date.slice(0, 4)},{" "}
            {after > 0 ? `${many(after, "day")} after the last of its days` : "while the month still runs"}
          </span>
        )}
      </dd>
    </div>
  );
}

/** The chance of a date that is wished for. */
function Wished({ view, found }: { view: PaceView; found: Forecast }) {
  const [wish, setWish] = useState("");
  const date = parseDate(wish);
  const days = date ? daysBetween(view.today, date) : -1;
  const chance = date && days >= 0 ? chanceBy(found.ends.book, days) : null;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <label className="grid gap-1 text-sm">
        <span className="font-medium">A day it is wished for</span>
        <input type="date" value={wish} onChange={(event) => setWish(event.target.value)} className="field w-44" />
      </label>
      <p role="status" className="min-h-10 content-center">
        {date && days < 0 && "That day is over. Choose one to come."}
        {chance !== null && date && (
          <>
            By {printDate(date)}: <strong className="font-semibold">{tenths(chance)}</strong>.
          </>
        )}
      </p>
    </div>
  );
}

/** A chance as it is said: no finer than it is known. */
function tenths(chance: number): string {
  if (chance < 0.02) return "hardly a chance at this pace";
  if (chance > 0.98) return "as good as certain";
  const of = Math.round(chance * 20) / 2;
  return `about ${String(of).replace(".5", "½").replace(/^0½/, "½")} chances in ten`;
}

/** What the reckoning stands on, and where it knows too little. */
function Known({ view: { kept, week, hasSaid, timed, albumId, inBook, wanted } }: { view: PaceView }) {
  return (
    <section aria-labelledby="known" className="grid gap-1 border-t border-line pt-3 text-sm">
      <h2 id="known" className="text-lg">
        What this is reckoned from
      </h2>
      <p>
        {inBook} of {many(wanted, "page")} in the book.{" "}
        {week.meant === 0
          ? "No time is said for the week to come."
          : `${minutesLong(week.meant)} in the week to come, of which about ${minutesLong(week.kept)} are likely to be used.`}
      </p>
      <p>
        {kept.meant === 0
          ? "No evening of this album has been yet: three of five is what is usual."
          : `Something was done on ${kept.kept} of ${many(kept.meant, "evening")} with time so far.`}{" "}
        {timed === 0
          ? "No step was timed yet: minutes are typical ones."
          : `${many(timed, "step was", "steps were")} timed.`}
      </p>
      {(!hasSaid || kept.meant < 3 || timed < 5) && (
        <p className="font-medium">
          This knows little of you yet, so the range is wide.{" "}
          <Link to={to.part(albumId, "hours")} className="link">
            {hasSaid ? "Look at your hours" : "Say when you have time"}
          </Link>
        </p>
      )}
    </section>
  );
}

/** The album's days and the evenings to come, for whatever calendar somebody keeps. */
function InCalendar({ albumId }: { albumId: string }) {
  const file = (name: string) => to.document(albumId, "calendar", name);
  return (
    <p className="text-sm">
      For a calendar (.ics), without what is private:{" "}
      <a href={file("days.ics")} download className="link">
        the album’s days
      </a>{" "}
      or{" "}
      <a href={file("evenings.ics")} download className="link">
        the next seven evenings, with what to do
      </a>
      .
    </p>
  );
}

/** What can be ready before day 1, or before the days to come. */
function BeforeDay1({ ahead, albumId, today }: { ahead: Ahead; albumId: string; today: CalendarDate }) {
  const { groups, hasBegun, by, minutes, beginBy, short, drop } = ahead;
  return (
    <section aria-labelledby="ahead" className="grid gap-2 rounded-md border border-line bg-panel p-4">
      <h2 id="ahead" className="text-xl">
        {hasBegun ? "Ahead of the days to come" : "Before day 1"}
      </h2>
      {groups.length === 0 ? (
        <p className="text-sm">Everything that can be ready before {shortDate(by)} is.</p>
      ) : (
        <>
          <ul className="grid">
            {groups.map(({ kind, count, minutes: takes }) => (
              <li key={kind} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b border-line py-1.5">
                <span>
                  {AHEAD_NAME[kind]} <span className="text-sm text-quiet">{AHEAD_COUNT[kind](count)}</span>
                </span>
                <span className="text-quiet tabular-nums">{minutesLong(takes)}</span>
              </li>
            ))}
          </ul>
          <p>{aheadSaid()}</p>
          <p className="text-sm">
            <Link to={to.foundations(albumId)} className="link">
              Foundation pages
            </Link>{" "}
            <Link to={to.prompts(albumId)} className="link ml-3">
              Prompts
            </Link>
          </p>
        </>
      )}
    </section>
  );

  function aheadSaid(): ReactNode {
    if (short > 0)
      return (
        <>
          <strong className="font-semibold">{minutesLong(short)} more than there is.</strong> Leave first:{" "}
          {drop.map((kind) => AHEAD_NAME[kind].toLowerCase()).join(", then ")}.
        </>
      );
    return (
      <>
        {minutesLong(minutes)} together, begun{" "}
        <strong className="font-semibold">
          {beginBy === null || beginBy === today ? "today" : `by ${shortDate(beginBy)}`}
        </strong>
        .
      </>
    );
  }
}

/** The evenings there were time on: a full mark where something was done, an empty one where not. */
function Evenings({ evenings }: Pick<PaceView, "evenings">) {
  const there = evenings.filter(({ minutes }) => minutes > 0);
  if (there.length === 0) return null;
  return (
    <p className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-sm text-quiet" aria-hidden="true">
      <span className="pr-2">Evenings so far</span>
      {there.map(({ date, kept }) => (
        <span
          key={date}
          title={`${shortDate(date)}: ${kept ? "something was done" : "nothing was done"}`}
          className={`size-3 rounded-full border border-ember ${kept ? "bg-ember" : ""}`}
        />
      ))}
    </p>
  );
}
