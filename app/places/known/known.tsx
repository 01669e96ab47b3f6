import { Check } from "lucide-react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate, shortWeekday } from "#app/wording/dates.ts";
import { type KnownAnswer, WHY } from "./answer.ts";
import { ReadCalendar } from "./read-calendar.tsx";
import type { KnownDay, KnownRow, KnownView } from "./view.ts";

/** What is known of the days before they come, and what becomes of it: a note, the prompt, a full evening, the calendar page. */
export function KnownPlace({ view }: { view: KnownView }) {
  const { days, albumId, today } = view;
  const past = days.filter(({ date }) => date < today);
  return (
    <Workplace tabs={<PlaceTabs place="pace" albumId={albumId} here="known" />} panel={<ReadCalendar view={view} />}>
      <PageStage>
        <div className="grid content-start gap-4">
          <div>
            <h1 className="text-2xl">Known ahead</h1>
            <p className="max-w-prose text-sm text-quiet">
              Feasts, journeys, visits, performances. Each can go into its day’s note, become its prompt, say that your
              evening is full, and stand on the month calendar page. Nothing of it has to.{" "}
              <a href="#read" className="link wide:hidden">
                Read a calendar
              </a>
            </p>
          </div>
          {days.length === 0 ? (
            <p className="max-w-prose">
              Nothing yet. Read the calendar that you keep, or say one thing that you know of: both stand under “Read a
              calendar”.
            </p>
          ) : (
            <>
              <Days days={days.filter(({ date }) => date >= today)} view={view} name="What is known, day by day" />
              {past.length > 0 && (
                <details>
                  <summary className="link min-h-8 cursor-pointer">
                    {many(
                      past.reduce((sum, { rows }) => sum + rows.length, 0),
                      "entry",
                      "entries",
                    )}{" "}
                    on days gone by
                  </summary>
                  <Days days={past} view={view} name="What was known of days gone by" />
                </details>
              )}
            </>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

const Days = ({ days, view, name }: { days: readonly KnownDay[]; view: KnownView; name: string }) => (
  <ol className="grid" aria-label={name}>
    {days.map((day) => (
      <Day key={day.date} day={day} view={view} />
    ))}
  </ol>
);

function Day({ day, view: { albumId, calendarPage } }: { day: KnownDay; view: KnownView }) {
  const { date, label, isSkipped, rows } = day;
  return (
    <li className="grid grid-cols-[2.6rem_5.4rem_minmax(0,1fr)] items-start gap-x-3 border-b border-line py-1.5 max-wide:grid-cols-[2.6rem_minmax(0,1fr)]">
      <Link to={to.day(albumId, date)} className="font-numeral text-2xl font-semibold hover:text-ember">
        {label || "–"}
        <span className="sr-only">, {shortDate(date)}</span>
      </Link>
      <p className="min-h-8 content-center text-sm text-quiet">
        {shortWeekday(date)} {shortDate(date)}
        {isSkipped && ", not told"}
      </p>
      <ul className="grid gap-1 max-wide:col-start-2">
        {rows.map((row) => (
          <Row key={row.key} row={row} day={day} albumId={albumId} calendarPage={calendarPage} />
        ))}
      </ul>
    </li>
  );
}

function Row({
  row,
  day,
  albumId,
  calendarPage,
}: {
  row: KnownRow;
  day: KnownDay;
  albumId: string;
  calendarPage: string | null;
}) {
  const { title, starts, ends, taken, onPage, source, isLong } = row;
  const fetcher = useFetcher<KnownAnswer>();
  const answer = fetcher.data ?? null;
  const send = (intent: string) =>
    void fetcher.submit(
      { intent, key: row.key, date: day.date },
      { method: "post", action: to.part(albumId, "known") },
    );
  const busy = fetcher.state !== "idle";
  const act = (name: string, intent: string, back: string | null, isOn: boolean, more = "") => (
    <button
      type="button"
      disabled={busy || (isOn && back === null)}
      aria-pressed={isOn}
      onClick={() => send(isOn ? (back ?? "") : intent)}
      className={`not-printed inline-flex min-h-8 items-center gap-1 px-1 text-sm ${isOn ? "font-semibold" : "text-quiet underline decoration-edge underline-offset-3 enabled:hover:text-ember"}`}
    >
      {isOn && <Check className="size-4" aria-hidden="true" />}
      {name}
      {more && !isOn && ` ${more}`}
      <span className="sr-only">: {title}</span>
    </button>
  );
  return (
    <li>
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <p className="min-h-8 content-center">
          <span className="font-medium">{title}</span>{" "}
          <span className="text-sm text-quiet tabular-nums">
            {starts === null ? (isLong ? "several days" : "") : ends === null ? starts : `${starts} to ${ends}`}
          </span>
        </p>
        <div className="flex flex-wrap gap-x-2">
          {act("Note", "note", null, taken.note)}
          {act("Prompt", "prompt", null, taken.prompt, day.hasPrompt ? "instead" : "")}
          {act("Evening full", "full", "free", taken.evening)}
          {(calendarPage !== null || onPage) && act("Calendar page", "on-page", "off-page", onPage)}
          {source === "" && act("Take out", "drop", null, false)}
        </div>
      </div>
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept="Nothing was changed." />
    </li>
  );
}
