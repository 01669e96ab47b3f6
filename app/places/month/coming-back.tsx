import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { buttonLook } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import type { StandingView } from "./first-view.ts";

/** For who comes back after weeks: where things stand, and the one next thing. It goes away with the first thing done. */
export function ComingBack({ albumId, standing }: { albumId: string; standing: StandingView }) {
  const { last, inBook, begun, untouched, next } = standing;
  const parts = [
    inBook > 0 && `${many(inBook, "page is", "pages are")} in the book`,
    begun > 0 && `${many(begun, "page is", "pages are")} begun`,
    untouched > 0 && `${many(untouched, "day has", "days have")} nothing yet`,
  ].filter(Boolean);
  return (
    <section aria-labelledby="coming-back" className="rounded-md border border-line bg-panel p-4">
      <h2 id="coming-back" className="text-xl">
        Where things stand
      </h2>
      <p className="pt-1">
        {parts.join(", ")}. Last worked on: {shortDate(last)}. Everything is as it was left.
      </p>
      {next && (
        <p className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3">
          <span>
            The one next thing: <strong className="font-semibold">{next.label}</strong>, {next.said.toLowerCase()}
            {begun > 0 && <span className="text-quiet">; {next.minutes} minutes finish that page</span>}
          </span>
          <Link to={`${to.day(albumId, next.date)}#finish`} className={buttonLook("main", true)}>
            Open day {next.label}
          </Link>
        </p>
      )}
    </section>
  );
}
