import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { useOneStop } from "#app/parts/one-stop.ts";
import { shortDate } from "#app/wording/dates.ts";
import type { OtherYear } from "#core/finish/years.ts";

/** So many pictures of an earlier year are enough to know it again. */
const MOST_PICTURES = 4;

/** What the same day was in earlier albums, to look at before this one is made. */
export function OtherYears({ years }: { years: readonly OtherYear[] }) {
  const stops = useOneStop<HTMLElement>();
  if (years.length === 0) return null;
  return (
    <section {...stops} aria-labelledby="years-name" className="grid gap-3 border-b border-line py-3.5">
      <h2 id="years-name" className="text-lg">
        This day in other years
      </h2>
      {years.map(({ albumId, album, date, title, prompt, words, photos }) => (
        <div key={albumId} className="grid gap-1.5 border-l-2 border-line pl-3 text-sm">
          <p>
            <Link to={to.day(albumId, date)} className="link">
              {album}, {shortDate(date)} {date.slice(0, 4)}
            </Link>
          </p>
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
      ))}
    </section>
  );
}
