import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { many } from "#app/wording/count.ts";
import type { MonthView } from "./view.ts";

type Props = { readonly albumId: string; readonly tonight: MonthView["tonight"]; readonly choices: readonly number[] };

/** What can be done in the minutes there are. */
export function Tonight({ albumId, tonight, choices }: Props) {
  const [query] = useSearchParams();
  const hrefFor = (minutes: number) => {
    const next = new URLSearchParams(query);
    next.set("minutes", String(minutes));
    return `?${next}`;
  };
  return (
    <section aria-labelledby="tonight" className="rounded-md border border-line bg-panel p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="tonight" className="text-xl">
          Tonight
        </h2>
        <nav aria-label="Minutes there are" className="flex gap-4 text-sm">
          {choices.map((minutes) => (
            <Link
              key={minutes}
              to={hrefFor(minutes)}
              replace
              preventScrollReset
              aria-current={tonight.minutes === minutes ? "true" : undefined}
              className={`py-1 ${tonight.minutes === minutes ? "border-b-2 border-ember font-semibold" : "text-quiet hover:text-ember"}`}
            >
              {minutes} min
            </Link>
          ))}
        </nav>
      </div>
      {tonight.items.length === 0 ? (
        <p className="pt-2 text-quiet">Nothing that fits is waiting. A day ahead, or an early night.</p>
      ) : (
        <ul className="grid gap-0.5 pt-2">
          {tonight.items.map(({ date, label, minutes, said, ahead }) => (
            <li key={`${date} ${said}`}>
              <Link
                to={`${to.day(albumId, date)}#finish`}
                className="grid grid-cols-[4rem_1fr] gap-2 py-0.5 hover:text-ember"
              >
                <span className="text-quiet">{minutes} min</span>
                <span>
                  <strong className="font-semibold">{label}</strong>: {said}
                  {ahead && <span className="text-quiet">, ahead</span>}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {tonight.noPage > 0 && (
        <p className="pt-2">
          {many(tonight.noPage, "day to come has", "days to come have")} no page yet.{" "}
          <Link to={to.foundations(albumId)} className="link">
            Set foundation pages
          </Link>
        </p>
      )}
      <p className="pt-2 text-xs text-quiet">Minutes are typical, not yours yet.</p>
    </section>
  );
}
