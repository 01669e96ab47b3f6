import { useMemo, useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate, shortWeekday, weekdayOf } from "#app/wording/dates.ts";
import { SLOT_PROBLEM } from "#app/wording/month.ts";
import type { Away } from "#app/wording/sending.ts";
import type { SlotProblem } from "#core/month/slots.ts";
import { spreadOver } from "#core/month/told.ts";
import type { ToldDay, ToldView } from "./view.ts";

export type ToldAnswer = { ok: true; said: string } | { ok: false; reason: SlotProblem | Away };

/** Which days of the month are told and which are skipped: ticked one by one, or so many spread over it; saved in one act. */
export function Told({ view, answer }: { view: ToldView; answer: ToldAnswer | null }) {
  const { days, albumId, numbering } = view;
  const busy = useNavigation().state !== "idle";
  // What is ticked otherwise than it is; once it is saved it is no longer otherwise.
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const isTold = (day: ToldDay) => day.told !== turned.has(day.id);
  const told = days.filter(isTold);
  const changed = days.filter(({ id }) => turned.has(id));
  const change = {
    tell: changed.filter(({ told }) => !told).map(({ id }) => id),
    skip: changed.filter(({ told }) => told).map(({ id }) => id),
  };
  const saved = useMemo(() => days.map(({ told }) => told).join(), [days]);
  const [followed, setFollowed] = useState(saved);
  if (followed !== saved) {
    setFollowed(saved);
    setTurned(new Set());
  }
  const turn = (id: string) => {
    setTurned((was) => {
      const next = new Set(was);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  };
  const spread = (count: number) => {
    const next = spreadOver(
      days.map(({ begun }) => begun),
      count,
    );
    setTurned(new Set(days.flatMap(({ id, told }, at) => (told === next[at] ? [] : [id]))));
  };
  const storyOf = new Map(told.map(({ id }, at) => [id, at + 1]));
  return (
    <Workplace
      tabs={<PlaceTabs place="month" albumId={albumId} here="told" />}
      staysInSight
      lead={
        <>
          <div className="grid gap-2">
            <h1 id="told" className="text-2xl">
              Which days are told
            </h1>
            <p className="text-sm text-quiet">
              A month of thirty-one days need not be thirty-one stories. A skipped day keeps all it holds and can be
              taken up again{numbering === "story" ? "; it has no number, and the others are counted without it" : ""}.
            </p>
          </div>
          <Fewer days={days} onSpread={spread} />
        </>
      }
      panel={
        <Form method="post" className="grid content-start gap-3">
          <input type="hidden" name="change" value={JSON.stringify(change)} />
          <div className="grid gap-3 max-wide:grid-cols-[minmax(0,1fr)_auto] max-wide:items-center">
            <p aria-live="polite">
              <strong className="font-numeral text-3xl font-semibold">{told.length}</strong> told,{" "}
              {days.length - told.length} skipped
              <span className="block text-sm text-quiet">
                {changed.length === 0 ? "As it is now." : `${many(changed.length, "day changes", "days change")}.`}
              </span>
            </p>
            <Button type="submit" look="main" disabled={busy || changed.length === 0}>
              {busy ? "Saving" : "Save which are told"}
            </Button>
          </div>
          <Outcome answer={answer} why={SLOT_PROBLEM} kept="What you ticked is still here. Try again in a moment." />
        </Form>
      }
    >
      <PageStage>
        <section aria-labelledby="told">
          <p aria-hidden="true" className="grid grid-cols-7 pb-1 text-xs text-quiet max-wide:hidden">
            {["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"].map((name) => (
              <span key={name} className="pl-2">
                {name}
              </span>
            ))}
          </p>
          <ol className="grid gap-px wide:grid-cols-7">
            {days.map((day) => (
              <Cell
                key={day.id}
                day={day}
                on={isTold(day)}
                changed={turned.has(day.id)}
                number={numbering === "story" ? (storyOf.get(day.id) ?? null) : null}
                onTurn={() => turn(day.id)}
              />
            ))}
          </ol>
        </section>
      </PageStage>
    </Workplace>
  );
}

/** So many days instead of all of them: those with something on them stay, the others are spread. */
function Fewer({ days, onSpread }: { days: readonly ToldDay[]; onSpread: (count: number) => void }) {
  const begun = days.filter((day) => day.begun).length;
  const [wish, setWish] = useState("");
  const count = Number(wish);
  const isCount = Number.isInteger(count) && count >= 1 && count <= days.length;
  return (
    <form
      className="grid content-start gap-2 border-t border-line pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (isCount) onSpread(count);
      }}
    >
      <label className="flex flex-wrap items-center gap-2">
        Tell
        <input
          className="field w-18 font-numeral"
          inputMode="numeric"
          value={wish}
          onChange={(event) => setWish(event.target.value.trim())}
          aria-describedby="fewer"
        />
        of {days.length}
      </label>
      <p id="fewer" className="text-sm text-quiet">
        {wish !== "" && !isCount
          ? `A whole number from 1 to ${days.length}.`
          : begun > count && isCount
            ? `${many(begun, "day holds", "days hold")} something already and all of them stay. Untick by hand what you let go.`
            : `${begun === 0 ? "The days" : `${many(begun, "day that holds", "days that hold")} something already stay${begun === 1 ? "s" : ""}, the others`} are spread evenly over the month.`}
      </p>
      <Button type="submit" disabled={!isCount}>
        Spread them
      </Button>
    </form>
  );
}

type CellProps = {
  day: ToldDay;
  on: boolean;
  changed: boolean;
  number: number | null;
  onTurn: () => void;
};

/** Where each weekday stands, Monday first; written out, so that the style sheet has them. */
const COLUMN = [
  "wide:col-start-1",
  "wide:col-start-2",
  "wide:col-start-3",
  "wide:col-start-4",
  "wide:col-start-5",
  "wide:col-start-6",
  "wide:col-start-7",
];

function Cell({ day, on, changed, number, onTurn }: CellProps) {
  const [date = "", ...others] = day.dates;
  const weekday = weekdayOf(date);
  const dates = [...day.dates.slice(0, -1).map((each) => Number(each.slice(8))), shortDate(day.dates.at(-1) ?? "")];
  const edge = changed ? "shadow-[inset_3px_0_0_var(--color-ember)]" : "";
  return (
    <li className={`min-w-0 ${COLUMN[weekday - 1]} ${others.length > 0 && weekday < 7 ? "wide:col-span-2" : ""}`}>
      <label
        className={`flex h-full min-h-11 gap-2 border p-2 max-wide:items-center wide:min-h-24 wide:flex-col wide:gap-1 ${on ? "border-line bg-panel" : "border-dashed border-line text-quiet"} ${edge}`}
      >
        <span className="flex shrink-0 items-center gap-2 max-wide:w-30">
          <input
            type="checkbox"
            checked={on}
            onChange={onTurn}
            className="size-5 shrink-0 accent-ember"
            aria-label={`${shortWeekday(date)} ${dates.join("·")}${day.title ? `, ${day.title}` : ""}`}
          />
          {number !== null && <span className="font-numeral text-xl leading-none font-semibold">{number}</span>}
          <span className="text-sm max-wide:whitespace-nowrap">
            <span className="wide:hidden">{shortWeekday(date)} </span>
            {dates.join("·")}
          </span>
        </span>
        <span className="min-w-0 text-sm leading-snug">
          <span className="line-clamp-2">{day.title}</span>
          {day.holds && <span className="block text-xs text-quiet">{day.holds}</span>}
        </span>
      </label>
    </li>
  );
}
