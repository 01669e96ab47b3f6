import { Camera } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { many } from "#app/wording/count.ts";
import { STEP_TO_DO } from "#app/wording/day.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { minutesOf, type TodayDay, type TodayView, whenSaid } from "./view.ts";

/** What is still to do tonight: the next step of the day, and how much there is beside it. */
export function ToDo({
  albumId,
  day: { date, toDo },
  before,
}: {
  albumId: string;
  day: TodayDay;
  before: TodayView["before"] | null;
}) {
  const [next, ...rest] = toDo;
  return (
    <p className="grid text-sm">
      {next && (
        <Link to={`${to.day(albumId, date)}#finish`} className="min-h-8 content-center hover:text-ember">
          Still to do: <strong className="font-semibold">{STEP_TO_DO[next.step].toLowerCase()}</strong>
          {rest.length > 0 && `, then ${many(rest.length, "step")}`}. About {minutesOf(toDo)} minutes.
        </Link>
      )}
      {before && before.pages > 0 && (
        <Link to={to.month(albumId)} className="min-h-8 content-center text-quiet hover:text-ember">
          {many(before.pages, "page")} of the days before {before.pages === 1 ? "waits" : "wait"} too, about{" "}
          {before.minutes} minutes.
        </Link>
      )}
    </p>
  );
}

/** Takes a picture with the device's camera, or takes one that it has. */
export function TakePicture({
  isLarge,
  onTake,
}: {
  isLarge: boolean;
  onTake: (files: readonly File[]) => Promise<void>;
}) {
  return (
    <label
      className={`flex items-center justify-center gap-3 rounded-sm border border-edge bg-raised px-4 has-focus-visible:outline-2 has-focus-visible:outline-ember ${isLarge ? "min-h-24 text-lg font-medium" : "min-h-14 min-w-16"}`}
    >
      <Camera className={isLarge ? "size-9" : "size-7"} aria-hidden="true" />
      <span className={isLarge ? "" : "sr-only"}>Take a picture</span>
      <input
        type="file"
        accept="image/*"
        capture="environment"
        multiple
        className="sr-only"
        onChange={(event) => {
          void onTake([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </label>
  );
}

/** Ways to the other albums. */
export function Others({ others, today }: { others: TodayView["others"]; today: CalendarDate }) {
  if (others.length === 0) return null;
  return (
    <nav aria-label="Other albums" className="grid gap-1 text-sm">
      {others.map((each) => (
        <Link key={each.id} to={to.today({ album: each.id })} className="min-h-8 content-center">
          <span className="link">{each.title}</span> <span className="text-quiet">{whenSaid(each, today)}</span>
        </Link>
      ))}
    </nav>
  );
}

/** What was jotted on the day and the pictures of it, what is still on its way among them. */
export function Jotted({
  day,
  waiting,
}: {
  day: TodayDay;
  waiting: readonly { id: string; at: string; text: string; pictures: number }[];
}) {
  const waits = new Set(waiting.map(({ id }) => id));
  const home = day.jottings.filter(({ id }) => !waits.has(id)).map((jotting) => ({ ...jotting, pictures: 0 }));
  const all = [...home, ...waiting].sort((a, b) => (a.at < b.at ? -1 : 1));
  if (all.length + day.photos.length === 0)
    return <p className="text-sm text-quiet">Nothing jotted on this day yet.</p>;
  return (
    <>
      <ul aria-label="Jottings" className="grid gap-1.5">
        {all.map(({ id, at, text, pictures }) => (
          <li key={id} className="grid grid-cols-[3.25rem_minmax(0,1fr)] gap-x-2">
            <time dateTime={at} className="text-sm text-quiet tabular-nums">
              {at.slice(11)}
            </time>
            <p className="whitespace-pre-wrap">
              {text}
              {pictures > 0 && ` ${pictures === 1 ? "One picture" : `${pictures} pictures`}.`}
              {waits.has(id) && <span className="text-sm text-quiet"> On this phone, not home yet.</span>}
            </p>
          </li>
        ))}
      </ul>
      {day.photos.length > 0 && (
        <ul aria-label="Pictures of this day" className="flex flex-wrap gap-1.5">
          {day.photos.map(({ id, photoId, alt, look }) => (
            <li key={id}>
              <img
                src={pictureAddress(photoId, 480, look)}
                alt={alt || "A picture, not described yet"}
                className="h-16 w-auto"
              />
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
