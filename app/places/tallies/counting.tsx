import { X } from "lucide-react";
import { type ReactNode, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import type { Tally } from "#core/album/tally.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { useTallies } from "./use-tallies.ts";

/** Counts on one day: each tally is a press away, with a field for what it was. `said`: what the day is called. */
export function Counting({
  saved,
  albumId,
  date,
  said,
  lead,
  roomy = false,
}: {
  saved: readonly Tally[];
  albumId: string;
  date: CalendarDate;
  said: string;
  /** What is pressed beside it, one stop of the Tab key with it. */
  lead?: ReactNode;
  /** For a thumb. */
  roomy?: boolean;
}) {
  const { tallies, count, change } = useTallies(saved);
  const [open, setOpen] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const stops = useOneStop<HTMLDivElement>();
  const counting = tallies.find(({ id }) => id === open);
  const keep = () => {
    if (!counting || !field.current) return;
    count(counting.id, date, field.current.value);
    field.current.value = "";
    field.current.focus();
  };
  const today = tallies.flatMap(({ id, name, marks }) =>
    marks.filter((mark) => mark.date === date).map((mark) => ({ ...mark, tally: id, name })),
  );
  return (
    <div className="grid gap-2">
      <div {...stops} className="flex flex-wrap items-center gap-2">
        {lead}
        {tallies.map(({ id, name, marks }) => (
          <Button
            key={id}
            small={!roomy}
            aria-expanded={id === open}
            onClick={() => {
              setOpen(id === open ? null : id);
              requestAnimationFrame(() => field.current?.focus());
            }}
          >
            {name} <span className="font-numeral text-base tabular-nums">{marks.length}</span>
          </Button>
        ))}
        <Link to={to.tallies(albumId)} className="link inline-flex min-h-8 items-center text-sm">
          {tallies.length === 0 ? "Count something over the month" : "All tallies"}
        </Link>
      </div>
      {counting && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <label className="grid min-w-0 flex-1 gap-1 text-sm">
            {counting.name} on {said}: which, if you like
            <input ref={field} className="field" maxLength={500} autoComplete="off" />
          </label>
          <Button type="submit" className="shrink-0">
            Count it
          </Button>
        </form>
      )}
      {today.length > 0 && (
        <ul aria-label={`Counted on ${said}`} className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
          {today.map(({ id, name, text }) => (
            <li key={id} className="inline-flex items-center gap-1">
              <span className="text-quiet">{name}:</span> {text || "one"}
              {counting && (
                <button
                  type="button"
                  aria-label={`Uncount ${text || "one"}, ${name}`}
                  onClick={() => change({ how: "unmark", id })}
                  className="grid size-7 place-items-center rounded-sm text-quiet hover:text-ember"
                >
                  <X className="size-4" aria-hidden="true" />
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
