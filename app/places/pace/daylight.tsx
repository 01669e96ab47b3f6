import { type MouseEvent, useState } from "react";
import { Form, Link, useNavigation } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate, shortWeekday } from "#app/wording/dates.ts";
import { minutesLong } from "#app/wording/pace.ts";
import type { Away } from "#app/wording/sending.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { Place } from "#core/pace/daylight.ts";

export type LightRow = {
  readonly date: CalendarDate;
  readonly label: string;
  /** Shares of the day, midnight to midnight, from and to which there is light; null: none at all. */
  readonly sun: readonly [number, number] | null;
  readonly twilight: readonly [number, number] | null;
  readonly away: readonly [number, number] | null;
  /** Sunrise to sunset as the clock shows them, or what there is instead. */
  readonly said: string;
  readonly free: number;
  readonly dark: boolean;
  /** Pictures that are on the day by now. */
  readonly pictures: number;
  /** Where its words ask for one view by day and by night: from when on it is dark. */
  readonly both: string | null;
};
export type DaylightView = {
  readonly albumId: string;
  readonly place: Place | null;
  readonly timeZone: string;
  readonly rows: readonly LightRow[];
  readonly today: CalendarDate;
  /** Before the dark days to come, the days with most free daylight: for pictures that are kept for them. */
  readonly bank: readonly CalendarDate[];
  readonly onRoll: number;
};
export type DaylightAnswer =
  | { readonly ok: true; readonly said: string }
  | { readonly ok: false; readonly reason: "no-place" | Away };

const WHY = {
  "no-place": "Latitude goes from −90 to 90 and longitude from −180 to 180, in degrees, south and west with a minus.",
} as const;

/** How much daylight each day of the album leaves at home, and when to take pictures for the dark ones. */
export function Daylight({ view, answer }: { view: DaylightView; answer: DaylightAnswer | null }) {
  const { rows, place, albumId } = view;
  const toCome = rows.filter(({ date }) => date >= view.today);
  const dark = toCome.filter((row) => row.dark);
  return (
    <Workplace
      tabs={<PlaceTabs place="pace" albumId={albumId} here="daylight" />}
      panel={<Where place={place} timeZone={view.timeZone} answer={answer} />}
    >
      <PageStage>
        <div className="grid content-start gap-4">
          <h1 className="text-2xl">Daylight</h1>
          {!place ? (
            <p>Say where you live on the globe, and every day’s sunrise, sunset and free daylight stand here.</p>
          ) : (
            <>
              <p className="text-lg">
                {dark.length === 0
                  ? "Every day to come has daylight that you are at home in."
                  : `${many(dark.length, "day")} to come ${dark.length === 1 ? "has" : "have"} no daylight that you are at home in.`}
              </p>
              {dark.length > 0 && view.bank.length > 0 && (
                <p>
                  Take pictures for them on{" "}
                  <strong className="font-semibold">
                    {view.bank.map((date) => `${shortWeekday(date)} ${shortDate(date)}`).join(" or ")}
                  </strong>{" "}
                  and keep them banked on the{" "}
                  <Link to={to.part(albumId, "photos")} className="link">
                    roll
                  </Link>
                  {view.onRoll > 0
                    ? `; ${many(view.onRoll, "banked picture waits", "banked pictures wait")} there.`
                    : "."}
                </p>
              )}
              <ol className="grid" aria-label="Daylight of each day">
                {rows.map((row) => (
                  <Row key={row.date} row={row} albumId={albumId} isPast={row.date < view.today} />
                ))}
              </ol>
              <p className="text-sm text-quiet">
                Bright: the sun is up. Half bright: civil twilight, the sun less than 6° down. Hatched: you are away.
                Hills and clouds are not reckoned with.
              </p>
            </>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

function Row({ row, albumId, isPast }: { row: LightRow; albumId: string; isPast: boolean }) {
  const { date, label, sun, twilight, away, said, free, dark, pictures, both } = row;
  const bar = (part: readonly [number, number] | null, look: string) =>
    part && <rect x={part[0] * 240} y="0" width={Math.max(0, part[1] - part[0]) * 240} height="16" className={look} />;
  return (
    <li className="border-b border-line">
      <Link
        to={to.day(albumId, date)}
        className="grid grid-cols-[2.6rem_5.5rem_minmax(5rem,10rem)_auto] items-center gap-x-3 py-1 hover:text-ember max-wide:grid-cols-[2.2rem_4.8rem_minmax(0,1fr)]"
      >
        <span className="font-numeral text-lg font-semibold">{label}</span>
        <span className="text-sm">
          {shortWeekday(date)} {shortDate(date)}
        </span>
        <svg
          viewBox="0 0 240 16"
          preserveAspectRatio="none"
          className={`h-4 w-full bg-soot ${isPast ? "opacity-50" : ""}`}
          aria-hidden="true"
        >
          <defs>
            <pattern
              id={`away-${date}`}
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="3" height="6" className="fill-soot" />
            </pattern>
          </defs>
          {bar(twilight, "fill-flame/45")}
          {bar(sun, "fill-flame")}
          {away && (
            <rect x={away[0] * 240} y="0" width={(away[1] - away[0]) * 240} height="16" fill={`url(#away-${date})`} />
          )}
        </svg>
        <span className="text-sm max-wide:col-span-3">
          <span className="text-quiet">{said}</span>{" "}
          {dark ? (
            <strong className="font-semibold">none of it at home</strong>
          ) : (
            <span>{minutesLong(free)} at home</span>
          )}
          {both && <strong className="font-semibold">; one view by day, and again after {both}</strong>}
          {pictures > 0 && <span className="text-quiet">; {many(pictures, "picture")}</span>}
        </span>
      </Link>
    </li>
  );
}

const round = (degrees: number) => Math.round(degrees * 10) / 10;

/** The place on the globe, typed or pressed on a plain grid of it. */
function Where({ place, timeZone, answer }: { place: Place | null; timeZone: string; answer: DaylightAnswer | null }) {
  const busy = useNavigation().state !== "idle";
  const [latitude, setLatitude] = useState(place ? String(place.latitude) : "");
  const [longitude, setLongitude] = useState(place ? String(place.longitude) : "");
  const at = { latitude: Number(latitude), longitude: Number(longitude) };
  const isThere = latitude !== "" && longitude !== "" && Math.abs(at.latitude) <= 90 && Math.abs(at.longitude) <= 180;
  const press = (event: MouseEvent<SVGSVGElement>) => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    setLongitude(String(round(((event.clientX - left) / width) * 360 - 180)));
    setLatitude(String(round(90 - ((event.clientY - top) / height) * 180)));
  };
  return (
    <Form method="post" className="grid content-start gap-3">
      <h2 className="border-b border-line pb-1 text-xl">Where you live</h2>
      <p className="text-sm text-quiet">
        For the sun alone, a tenth of a degree is plenty. It is in nothing that leaves the household. Clock: {timeZone}.
      </p>
      <div className="flex flex-wrap gap-3">
        <label className="grid gap-1 text-sm">
          <span className="font-medium">Latitude, north</span>
          <input
            name="latitude"
            inputMode="decimal"
            value={latitude}
            onChange={(event) => setLatitude(event.target.value)}
            className="field w-28"
          />
        </label>
        <label className="grid gap-1 text-sm">
          <span className="font-medium">Longitude, east</span>
          <input
            name="longitude"
            inputMode="decimal"
            value={longitude}
            onChange={(event) => setLongitude(event.target.value)}
            className="field w-28"
          />
        </label>
      </div>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the two fields above do the same with keys */}
      <svg viewBox="-180 -90 360 180" onClick={press} className="w-full cursor-crosshair bg-mat" role="img">
        <title>The globe as a grid of thirty degrees: press where you live</title>
        {[-150, -120, -90, -60, -30, 30, 60, 90, 120, 150].map((x) => (
          <path key={x} d={`M${x} -90V90`} className="stroke-on-mat/30" strokeWidth="0.6" />
        ))}
        {[-60, -30, 30, 60].map((y) => (
          <path key={y} d={`M-180 ${y}H180`} className="stroke-on-mat/30" strokeWidth="0.6" />
        ))}
        <path d="M-180 0H180M0 -90V90" className="stroke-on-mat/70" strokeWidth="0.9" />
        <text x="4" y="-80" className="fill-on-mat text-[9px]">
          north
        </text>
        <text x="4" y="86" className="fill-on-mat text-[9px]">
          south
        </text>
        <text x="178" y="-3" textAnchor="end" className="fill-on-mat text-[9px]">
          east
        </text>
        {isThere && <circle cx={at.longitude} cy={-at.latitude} r="4" className="fill-flame stroke-soot" />}
      </svg>
      <div className="flex flex-wrap items-center gap-3">
        <Button type="submit" name="intent" value="place" look="main" disabled={busy}>
          Save the place
        </Button>
        {place && (
          <Button type="submit" name="intent" value="nowhere" look="quiet" small disabled={busy}>
            Forget it
          </Button>
        )}
      </div>
      <Outcome answer={answer} why={WHY} kept="What you wrote is still here." />
    </Form>
  );
}
