import { Button } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { printShort } from "#core/month/dates.ts";
import type { RollPicture, RollView } from "./view.ts";

/** Puts pictures on a day; each that is there already stays as it is. */
export type OnPlace = (ids: readonly string[], date: CalendarDate) => void;

/** The day of the album that a picture was taken on, where it is not on it yet. */
export const ownDayOf = ({ date, on }: RollPicture, days: RollView["days"]): CalendarDate | null =>
  date !== null && days[date] && !days[date].skipped && !on.some(({ at }) => "date" in at && at.date === date)
    ? date
    : null;

/** Where one press, or the key d, puts a picture: on the day it is looked for, or on its own. */
export function wayOf(picture: RollPicture, days: RollView["days"], aim: CalendarDate | null): CalendarDate | null {
  if (aim === null) return ownDayOf(picture, days);
  return picture.on.some(({ at }) => "date" in at && at.date === aim) ? null : aim;
}

/** Ways of one picture, or of several, onto the album's days: each onto its own, or all onto any one. */
export function PlaceOn({
  pictures,
  days,
  aim,
  onPlace,
  onInstead,
}: {
  pictures: readonly RollPicture[];
  days: RollView["days"];
  /** The day that pictures are looked for; null where each is looked for a day. */
  aim: CalendarDate | null;
  onPlace: OnPlace;
  /** Puts the one picture in the place of another; null where none is looked for, or it has its place there already. */
  onInstead: (() => void) | null;
}) {
  if (onInstead)
    return (
      <div>
        <Button look="main" small aria-keyshortcuts="d" onClick={onInstead}>
          Put it in its place
        </Button>
      </div>
    );
  const own = pictures.flatMap((picture) => {
    const date = wayOf(picture, days, aim);
    return date ? [{ id: picture.id, date }] : [];
  });
  const [first] = own;
  const places = Object.entries(days).filter(([, { skipped }]) => !skipped) as [
    CalendarDate,
    RollView["days"][string],
  ][];
  return (
    <div className="flex flex-wrap items-center gap-2">
      {first && (
        <Button
          look="main"
          small
          aria-keyshortcuts="d"
          onClick={() => {
            for (const date of new Set(own.map((each) => each.date)))
              onPlace(
                own.filter((each) => each.date === date).map(({ id }) => id),
                date,
              );
          }}
        >
          {pictures.length === 1
            ? `Put it on ${days[first.date]?.name}`
            : aim
              ? `Put these ${own.length} on ${days[aim]?.name}`
              : own.length === pictures.length
                ? "Put each on its own day"
                : `Put ${many(own.length, "picture")} on their own days`}
        </Button>
      )}
      <select
        aria-label={pictures.length === 1 ? "Put it on a day" : "Put all of them on a day"}
        className="field w-auto max-w-56 py-1 text-sm"
        value=""
        onChange={(event) =>
          onPlace(
            pictures.map(({ id }) => id),
            event.target.value as CalendarDate,
          )
        }
      >
        <option value="" disabled>
          {first ? "Another day" : "Put on a day"}
        </option>
        {places.map(([date, { name }]) => (
          <option key={date} value={date}>
            {name === printShort(date) ? name : `${printShort(date)}: ${name}`}
          </option>
        ))}
      </select>
    </div>
  );
}
