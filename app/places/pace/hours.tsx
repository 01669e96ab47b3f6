import isEqual from "fast-deep-equal";
import { useId, useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import { minutesLong } from "#app/wording/pace.ts";
import type { Away as NotSent } from "#app/wording/sending.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { type Exception, type Hours, MOST_MINUTES, USUAL_HOURS } from "#core/pace/capacity.ts";
import { OwnMinutesForm, type OwnView } from "./own-minutes.tsx";

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

export type HoursView = {
  readonly albumId: string;
  /** Null: they have not said. */
  readonly said: Hours | null;
  readonly version: number;
  readonly own: OwnView;
  readonly today: CalendarDate;
};
/** `of`: which of the two forms it answers; left out where nothing arrived. */
export type HoursAnswer = { readonly of?: "hours" | "minutes" } & (
  | { readonly ok: true; readonly said: string }
  | { readonly ok: false; readonly reason: "changed-elsewhere" | "not-hours" | NotSent }
);

const WHY = {
  "changed-elsewhere":
    "These hours were changed in another window meanwhile, so nothing was saved. What you wrote is still here: save once more to put it in their place, or load the page again to see them.",
  "not-hours":
    "Something here is no time: minutes are whole numbers up to 960, and each end comes after its beginning.",
} as const;

/** When somebody has time: minutes for each weekday, dates that are otherwise, and when they are away from home. */
export function HoursPlace({ view, answer }: { view: HoursView; answer: HoursAnswer | null }) {
  return (
    <Workplace
      width="half"
      tabs={<PlaceTabs place="pace" albumId={view.albumId} here="hours" />}
      panel={
        // Minutes that were saved or forgotten stand in their boxes as they are now.
        <OwnMinutesForm
          key={JSON.stringify(view.own.filter(({ isSet }) => isSet))}
          own={view.own}
          version={view.version}
          outcome={
            answer?.of === "minutes" && <Outcome answer={answer} why={WHY} kept="What you wrote is still here." />
          }
        />
      }
    >
      <PageStage>
        <HoursForm view={view} answer={answer} />
      </PageStage>
    </Workplace>
  );
}

function HoursForm({ view, answer }: { view: HoursView; answer: HoursAnswer | null }) {
  const [hours, setHours] = useState(view.said ?? USUAL_HOURS);
  // What is saved elsewhere, or taken back, is shown; where this window's was refused, it stays to be saved once more.
  const now = view.said ?? USUAL_HOURS;
  const [shown, setShown] = useState(now);
  const [followed, setFollowed] = useState(0);
  if (!isEqual(shown, now)) {
    setShown(now);
    if (answer?.ok !== false) {
      setHours(now);
      setFollowed(followed + 1);
    }
  }
  const busy = useNavigation().state !== "idle";
  const week = hours.weekly.reduce((sum, each) => sum + each, 0);
  const weekly = (at: number, minutes: number) =>
    setHours({ ...hours, weekly: hours.weekly.map((each, day) => (day === at ? minutes : each)) });
  const away = (at: number, next: Hours["away"][number]) =>
    setHours({ ...hours, away: hours.away.map((each, day) => (day === at ? next : each)) });
  return (
    <Form method="post" className="grid max-w-2xl content-start gap-6">
      <input type="hidden" name="hours" value={JSON.stringify(hours)} />
      <input type="hidden" name="version" value={view.version} />
      <div>
        <h1 className="text-2xl">Your hours</h1>
        <p className="text-sm text-quiet">
          Yours alone: whoever else keeps this album has their own. {view.said === null && "These are what is usual; "}
          {view.said === null && "change what is otherwise with you."}
        </p>
      </div>
      <section aria-labelledby="weekly">
        <h2 id="weekly" className="border-b border-line pb-1 text-lg">
          Minutes for the album, and when you are away from home
        </h2>
        <ul key={followed} className="grid">
          {WEEKDAYS.map((name, at) => (
            <Weekday
              key={name}
              name={name}
              minutes={hours.weekly[at] ?? 0}
              away={hours.away[at] ?? null}
              onMinutes={(minutes) => weekly(at, minutes)}
              onAway={(next) => away(at, next)}
            />
          ))}
        </ul>
        <p className="pt-2 text-sm text-quiet">
          {minutesLong(week)} a week. Nobody uses every evening: how many are used is learned, and reckoned with.
        </p>
      </section>
      <Exceptions
        all={hours.exceptions}
        today={view.today}
        onChange={(exceptions) => setHours({ ...hours, exceptions })}
      />
      <div className="flex flex-wrap items-center gap-4">
        <Button type="submit" look="main" name="intent" value="hours" disabled={busy}>
          {busy ? "Saving" : "Save these hours"}
        </Button>
        <Outcome answer={answer?.of === "minutes" ? null : answer} why={WHY} kept="What you wrote is still here." />
      </div>
    </Form>
  );
}

function Weekday({
  name,
  minutes,
  away,
  onMinutes,
  onAway,
}: {
  name: string;
  minutes: number;
  away: Hours["away"][number];
  onMinutes: (minutes: number) => void;
  onAway: (away: Hours["away"][number]) => void;
}) {
  const time = (end: "from" | "to", value: string) =>
    value !== "" && onAway({ from: "08:00", to: "17:00", ...away, [end]: value });
  return (
    <li className="grid grid-cols-[5.4rem_auto_minmax(0,1fr)] items-center gap-x-3 gap-y-1 border-b border-line py-1.5 max-wide:grid-cols-[minmax(0,1fr)_auto]">
      <span>{name}</span>
      <MinutesBox label={`Minutes on ${name}s`} minutes={minutes} onMinutes={onMinutes} />
      <span className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-sm max-wide:col-span-2">
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            checked={away !== null}
            onChange={(event) => onAway(event.target.checked ? { from: "08:00", to: "17:00" } : null)}
            className="size-4 accent-ember"
          />
          away
        </label>
        {away && (
          <>
            <input
              type="time"
              aria-label={`Away on ${name}s from`}
              value={away.from}
              onChange={(event) => time("from", event.target.value)}
              className="field w-[7.2rem] px-1.5 py-1"
            />
            to
            <input
              type="time"
              aria-label={`Away on ${name}s to`}
              value={away.to}
              onChange={(event) => time("to", event.target.value)}
              className="field w-[7.2rem] px-1.5 py-1"
            />
          </>
        )}
      </span>
    </li>
  );
}

/** A number of minutes; what is no number stays in the box until it is one. */
function MinutesBox({
  label,
  minutes,
  onMinutes,
}: {
  label: string;
  minutes: number;
  onMinutes: (minutes: number) => void;
}) {
  const [text, setText] = useState(String(minutes));
  return (
    <span className="flex items-center gap-1.5 text-sm">
      <input
        type="number"
        min={0}
        max={MOST_MINUTES}
        step={1}
        aria-label={label}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          const next = event.target.valueAsNumber;
          if (Number.isInteger(next) && next >= 0 && next <= MOST_MINUTES) onMinutes(next);
        }}
        onBlur={() => setText(String(minutes))}
        className="field w-17 px-2 py-1"
      />
      min
    </span>
  );
}

/** Dates that are not as their weekday usually is. */
function Exceptions({
  all,
  today,
  onChange,
}: {
  all: readonly Exception[];
  today: CalendarDate;
  onChange: (all: readonly Exception[]) => void;
}) {
  const id = useId();
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [minutes, setMinutes] = useState("0");
  const [why, setWhy] = useState("");
  const end = to === "" ? from : to;
  const wanted = Number(minutes);
  const isOne = from !== "" && end >= from && Number.isInteger(wanted) && wanted >= 0 && wanted <= MOST_MINUTES;
  const add = () => {
    if (!isOne) return;
    onChange([...all, { from: from as CalendarDate, to: end as CalendarDate, minutes: wanted, why: why.trim() }]);
    setFrom("");
    setTo("");
    setWhy("");
    setMinutes("0");
  };
  const shown = all.map((each, at) => ({ each, at })).sort((a, b) => (a.each.from < b.each.from ? -1 : 1));
  return (
    <section aria-labelledby={id} className="grid gap-2">
      <h2 id={id} className="border-b border-line pb-1 text-lg">
        Dates that are otherwise
      </h2>
      {all.length === 0 && <p className="text-sm text-quiet">None. A full evening, a journey, a free day go here.</p>}
      <ul>
        {shown.map(({ each, at }) => (
          <li
            key={`${each.from} ${each.to} ${at}`}
            className={`flex flex-wrap items-center justify-between gap-x-3 border-b border-line py-1 ${each.to < today ? "text-quiet" : ""}`}
          >
            <span>
              {shortDate(each.from)}
              {each.to !== each.from && ` to ${shortDate(each.to)}`}:{" "}
              {each.minutes === 0 ? "no time" : minutesLong(each.minutes)}
              {each.why && <span className="text-quiet">, {each.why}</span>}
            </span>
            <Button small look="quiet" onClick={() => onChange(all.filter((_, index) => index !== at))}>
              Take out<span className="sr-only"> {shortDate(each.from)}</span>
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="From">
          <input
            type="date"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
            className="field w-40 py-1"
          />
        </Field>
        <Field label="To, if several">
          <input
            type="date"
            value={to}
            min={from}
            onChange={(event) => setTo(event.target.value)}
            className="field w-40 py-1"
          />
        </Field>
        <Field label="Minutes">
          <input
            type="number"
            min={0}
            max={MOST_MINUTES}
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
            className="field w-20 py-1"
          />
        </Field>
        <Field label="Why, for yourself">
          <input
            value={why}
            maxLength={200}
            onChange={(event) => setWhy(event.target.value)}
            className="field w-40 py-1"
          />
        </Field>
        <Button small onClick={add} disabled={!isOne}>
          Add it
        </Button>
      </div>
      {all.length > 0 && (
        <p className="text-sm text-quiet">{many(all.length, "entry", "entries")}, saved with the hours.</p>
      )}
    </section>
  );
}

const Field = ({ label, children }: { label: string; children: React.ReactNode }) => (
  // biome-ignore lint/a11y/noLabelWithoutControl: the control is given as its child
  <label className="grid gap-0.5 text-sm">
    <span>{label}</span>
    {children}
  </label>
);
