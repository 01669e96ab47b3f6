import isEqual from "fast-deep-equal";
import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { usePut } from "#app/sending/sending.tsx";
import { datedAs } from "#app/wording/dates.ts";
import { MONTH_KINDS, type MonthKind, type MonthPage, USUAL_MONTH, WEEK_STARTS } from "#core/month/month-kind.ts";
import type { MonthGrid } from "#core/month/month-page.ts";

const KIND_NAME: Readonly<Record<MonthKind, string>> = {
  both: "titles and what is known",
  titles: "titles of days",
  known: "what is known ahead",
  room: "numbers and room to write",
  "by-hand": "nothing: it is made by hand, or bought",
};
const WEEKDAY = { 1: "Monday", 6: "Saturday", 7: "Sunday" } as const;

type Props = {
  readonly id: string;
  readonly albumId: string;
  /** What was chosen; null: nothing yet. */
  readonly month: MonthPage | null;
  readonly grids: readonly MonthGrid[];
};

/** What the squares of a month calendar page have in them, and the day that its weeks begin with. */
export function MonthChoice({ id, albumId, month, grids }: Props) {
  const put = usePut();
  // Chosen here first, so that a second choice does not go by what the first one has not reached yet.
  const now = month ?? USUAL_MONTH;
  const [chosen, setChosen] = useState(now);
  // What was taken back, or chosen elsewhere, is shown, or the next choice would bring back the one before.
  const [shown, setShown] = useState(now);
  if (!isEqual(shown, now)) {
    setShown(now);
    setChosen(now);
  }
  const choose = (change: Partial<MonthPage>) => {
    const next = { ...chosen, ...change };
    setChosen(next);
    put(`matter:month:${id}`, { what: "matter", how: "month", id, month: next });
  };
  return (
    <span className="not-printed grid w-full justify-items-start gap-1.5 text-sm">
      <label className="flex flex-wrap items-center gap-x-2">
        In its squares
        <select
          className="field w-auto max-w-full py-0.5"
          value={chosen.kind}
          onChange={(event) => choose({ kind: event.target.value as MonthKind })}
        >
          {MONTH_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {KIND_NAME[kind]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-wrap items-center gap-x-2">
        Weeks begin on
        <select
          className="field w-auto max-w-full py-0.5"
          value={chosen.weekStart}
          onChange={(event) => choose({ weekStart: Number(event.target.value) as MonthPage["weekStart"] })}
        >
          {WEEK_STARTS.map((day) => (
            <option key={day} value={day}>
              {WEEKDAY[day]}
            </option>
          ))}
        </select>
      </label>
      <InSquares grids={grids} />
      <Link to={to.part(albumId, "known")} className="link">
        Choose what stands in them
      </Link>
    </span>
  );
}

/** What stands in the squares, for whoever does not see the drawing. */
function InSquares({ grids }: Pick<Props, "grids">) {
  const squares = grids.flatMap(({ weeks }) => weeks.flat()).filter((square) => square && square.lines.length > 0);
  return (
    <ul className="sr-only" aria-label="In the squares">
      {squares.map(
        (square) =>
          square && (
            <li key={square.date}>
              {datedAs([square.date])}: {square.lines.map(({ text }) => text).join(", ")}
            </li>
          ),
      )}
    </ul>
  );
}
