import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import { usePut } from "#app/sending/sending.tsx";
import { shortDate } from "#app/wording/dates.ts";
import { takenOver } from "#core/finish/next-year.ts";
import type { OtherYear } from "#core/finish/years.ts";
import type { DayPart } from "./view.ts";

/** So many pictures of an earlier year are enough to know it again. */
const MOST_PICTURES = 4;

/** What was noted on this day of the album before, for this year's. */
export function NotedBefore({ years }: { years: readonly OtherYear[] }) {
  const before = years.find(({ isBefore, nextYear }) => isBefore && nextYear.trim() !== "");
  return before ? (
    <p className="mt-1 border-l-4 border-ember pl-2.5 text-sm whitespace-pre-line">
      <span className="text-quiet">Noted in {before.album}: </span>
      {before.nextYear}
    </p>
  ) : null;
}

/** What the same day was in earlier albums, to look at before this one is made; `part`: this one's own. */
export function OtherYears({ years, part }: { years: readonly OtherYear[]; part: DayPart | undefined }) {
  const stops = useOneStop<HTMLElement>();
  const put = usePut();
  if (years.length === 0) return null;
  const takeOver = (year: OtherYear) => {
    if (!part) return;
    for (const edit of takenOver(part.content, year))
      put(`${part.id}:${edit.kind}`, { what: "edit", dayId: part.id, base: null, edit });
  };
  return (
    <section {...stops} aria-labelledby="years-name" className="grid gap-3 border-b border-line py-3.5">
      <h2 id="years-name" className="text-lg">
        This day in other years
      </h2>
      {years.map((year) => {
        const { albumId, album, date, title, prompt, everyYear, nextYear, words, photos } = year;
        return (
          <div key={albumId} className="grid gap-1.5 border-l-2 border-line pl-3 text-sm">
            <p className="flex flex-wrap items-center gap-x-3">
              <Link to={to.day(albumId, date)} className="link">
                {album}, {shortDate(date)} {date.slice(0, 4)}
              </Link>
              {everyYear && <span className="text-quiet">Stands every year.</span>}
              {everyYear && part && !part.content.everyYear && (
                <Button small look="quiet" onClick={() => takeOver(year)}>
                  In this album too
                </Button>
              )}
            </p>
            {nextYear && (
              <p className="whitespace-pre-line">
                <span className="text-quiet">For next year: </span>
                {nextYear}
              </p>
            )}
            {title && <p className="text-base font-medium">{title}</p>}
            {prompt && <p className="text-quiet">{prompt}</p>}
            {words.map((each, nth) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two cards may say the same
              <p key={nth} className="line-clamp-4 whitespace-pre-line">
                {each}
              </p>
            ))}
            {photos.length > 0 && (
              <p className="flex flex-wrap gap-1.5">
                {photos.slice(0, MOST_PICTURES).map(({ photoId, alt }) => (
                  <img
                    key={photoId}
                    src={pictureAddress(photoId, 96)}
                    alt={alt || "A photo that is not described"}
                    loading="lazy"
                    className="h-14 w-auto"
                  />
                ))}
                {photos.length > MOST_PICTURES && (
                  <span className="self-end text-quiet">and {photos.length - MOST_PICTURES} more</span>
                )}
              </p>
            )}
          </div>
        );
      })}
    </section>
  );
}
