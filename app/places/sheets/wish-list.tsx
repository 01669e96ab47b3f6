import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { partName } from "#app/wording/photo.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import type { Wish } from "./view.ts";

const SCOPES = ["all", "week", "day", "chosen"] as const;
export type Scope = (typeof SCOPES)[number];
const SCOPE: Record<Scope, string> = { all: "All", week: "This week", day: "One day", chosen: "Chosen" };

type Props = {
  readonly albumId: string;
  /** Something was printed before, on a sheet or by the lab. */
  readonly anyMade: boolean;
  readonly wishes: readonly Wish[];
  readonly chosen: readonly Wish[];
  readonly scope: Scope;
  readonly onScope: (scope: Scope) => void;
  readonly onDay: (date: string) => void;
  readonly left: ReadonlySet<string>;
  readonly onLeft: (left: ReadonlySet<string>) => void;
  readonly unit: Unit;
  readonly onElsewhere: (use: string) => void;
};

/** What is not printed yet, day by day, and which of it is to be. */
export function WishList({
  albumId,
  anyMade,
  wishes,
  chosen,
  scope,
  onScope,
  onDay,
  left,
  onLeft,
  unit,
  onElsewhere,
}: Props) {
  if (wishes.length === 0 && !anyMade)
    return (
      <p>
        No day has a photo to print yet. Put photos on days, or{" "}
        <Link className="link" to={to.whoGoesWhere(albumId)}>
          let a proposal do it
        </Link>
        ; they gather here.
      </p>
    );
  if (wishes.length === 0)
    return (
      <p>
        Every print of the album is made, or at the lab. A new photo on a day, or a print that is spoiled, appears here.
      </p>
    );
  const picked = new Set(chosen.map(({ use }) => use.id));
  return (
    <section aria-label="What to print" className="grid gap-2">
      <fieldset className="flex gap-4">
        <legend className="sr-only">Which prints</legend>
        {SCOPES.map((each) => (
          <label
            key={each}
            className={`flex min-h-9 min-w-6 items-center border-b-2 text-sm has-focus-visible:outline-2 has-focus-visible:outline-ember ${each === scope ? "border-ember font-semibold" : "border-transparent text-quiet hover:text-ember"}`}
          >
            <input
              type="radio"
              name="scope"
              className="sr-only"
              checked={each === scope}
              onChange={() => onScope(each)}
            />
            {SCOPE[each]}
          </label>
        ))}
        <span className="ml-auto self-center text-sm text-quiet">
          {chosen.length} of {wishes.length}
        </span>
      </fieldset>
      {scope === "day" && (
        <select
          aria-label="Which day"
          className="field"
          value={chosen[0]?.date}
          onChange={(event) => onDay(event.target.value)}
        >
          {[...new Map(wishes.map(({ date, day }) => [date, day]))].map(([date, day]) => (
            <option key={date} value={date}>
              {day}
            </option>
          ))}
        </select>
      )}
      {scope === "chosen" && (
        <ul className="grid max-h-64 overflow-y-auto border-y border-line">
          {wishes.map(({ use, day, spoiled, missing }) => (
            <li key={use.id} className="flex items-center gap-2 border-b border-line py-1 text-sm last:border-0">
              <label className="flex min-h-8 min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  checked={picked.has(use.id)}
                  onChange={(event) => {
                    const next = new Set(left);
                    if (event.target.checked) next.delete(use.id);
                    else next.add(use.id);
                    onLeft(next);
                  }}
                  className="size-4 accent-ember"
                />
                <span className="truncate">
                  {day}
                  {spoiled && ", spoiled before"}
                  {missing.length > 0 && `, still the ${missing.map(partName).join(", ")}`}
                </span>
                <span className="ml-auto whitespace-nowrap text-quiet">{printSize(use.print, unit)}</span>
              </label>
              <Button
                small
                look="quiet"
                aria-label={`${day} was printed elsewhere`}
                onClick={() => onElsewhere(use.id)}
              >
                Have it
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
