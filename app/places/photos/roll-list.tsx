import { memo } from "react";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { printDate, printShort, weekdayName } from "#core/month/dates.ts";
import type { RollDay, RollPicture, RollView } from "./view.ts";

const HIGH = 88;

type Props = {
  readonly days: readonly RollDay[];
  readonly names: RollView["days"];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
};

/**
 * The roll day by day: the number of the day at the edge, its pictures at one height beside it. Days that are not the
 * album's stand closer together, one after the other.
 */
export function RollList({ days, names, chosen, onChoose }: Props) {
  const own = days.filter(({ date }) => date !== null && date in names);
  const others = days.filter(({ date }) => date === null || !(date in names));
  const rowOf = (day: RollDay) => ({
    day,
    chosen: day.clusters.some((cluster) => cluster.some(({ id }) => id === chosen)) ? chosen : null,
    onChoose,
  });
  return (
    <>
      <ol className="grid">
        {own.map((day) => (
          <RollRow key={day.date} {...rowOf(day)} name={day.date ? names[day.date] : undefined} />
        ))}
      </ol>
      {others.length > 0 && (
        <section aria-label="From other times" className="pt-5 pb-8">
          <h2 className="mb-3 text-lg">From other times</h2>
          <ol className="flex flex-wrap items-start gap-x-4 gap-y-4">
            {others.map((day) => (
              <OtherDay key={day.date ?? "none"} {...rowOf(day)} />
            ))}
          </ol>
        </section>
      )}
    </>
  );
}

type RowProps = {
  readonly day: RollDay;
  readonly name: { readonly label: string; readonly title: string } | undefined;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
};

const sameRow = (a: Partial<RowProps>, b: Partial<RowProps>) =>
  a.day === b.day && a.name === b.name && a.chosen === b.chosen && a.onChoose === b.onChoose;

/** A day of the album's own, its number large. Days out of sight are laid out only when they come into it. */
const RollRow = memo(function RollRow({ day: { date, clusters }, name, chosen, onChoose }: RowProps) {
  return (
    <li className="roll-row grid grid-cols-[56px_minmax(0,1fr)] gap-3 border-b border-line py-3 wide:grid-cols-[72px_minmax(0,1fr)]">
      <div className="text-right">
        <p className="font-numeral text-2xl leading-none font-semibold">{name?.label}</p>
        <p className="mt-1 text-xs text-quiet">{date && weekdayName(date).slice(0, 3)}</p>
      </div>
      <div className="min-w-0">
        {name?.title && <p className="mb-1.5 truncate text-sm text-quiet">{name.title}</p>}
        <Clusters {...{ clusters, chosen, onChoose }} />
      </div>
    </li>
  );
}, sameRow);

/** A day that is not the album's: its date under its pictures, as close as they come. */
const OtherDay = memo(function OtherDay({ day: { date, clusters }, chosen, onChoose }: Omit<RowProps, "name">) {
  return (
    <li className="roll-other min-w-0">
      <p className="mb-1 text-sm text-quiet">{date ? `${printShort(date)} ${date.slice(0, 4)}` : "No date"}</p>
      <Clusters {...{ clusters, chosen, onChoose }} />
    </li>
  );
}, sameRow);

type ClusterProps = Pick<RowProps, "chosen" | "onChoose"> & Pick<RollDay, "clusters">;

/** Pictures at one height; near-doubles stand together over one line, the sharpest first. */
function Clusters({ clusters, chosen, onChoose }: ClusterProps) {
  return (
    <div className="flex flex-wrap items-start gap-x-2 gap-y-2.5">
      {clusters.map((cluster) => (
        <div
          key={cluster[0]?.id}
          className={
            cluster.length > 1
              ? "flex max-w-full flex-wrap gap-x-0.5 gap-y-2 border-b-2 border-ring-photos pb-0.5"
              : "contents"
          }
        >
          {cluster.map((picture) => (
            <Frame key={picture.id} picture={picture} isChosen={picture.id === chosen} onChoose={onChoose} />
          ))}
        </div>
      ))}
    </div>
  );
}

function says({ star, banked, setAside, alike, on }: RollPicture): string {
  const parts = [
    on.length > 0 && (on.length === 1 ? "placed" : `placed ${on.length}×`),
    banked && "banked",
    setAside && "aside",
    alike && (alike.rank === 0 ? `sharpest of ${alike.of}` : "alike"),
  ];
  return [star && "★", ...parts].filter(Boolean).join(" · ");
}

function Frame({
  picture,
  isChosen,
  onChoose,
}: {
  picture: RollPicture;
  isChosen: boolean;
  onChoose: (id: string) => void;
}) {
  const { width, height } = picture.pixels;
  const wide = Math.min(230, Math.max(40, Math.round((HIGH * width) / height)));
  const said = says(picture);
  const when = [picture.date && printDate(picture.date), picture.time].filter(Boolean).join(", ") || "no date";
  return (
    <button
      type="button"
      data-photo={picture.id}
      aria-pressed={isChosen}
      aria-label={`${picture.name}, ${when}${said ? `, ${said.replace("★", "starred")}` : ""}`}
      onClick={() => onChoose(picture.id)}
      className={`grid content-start justify-items-start outline-offset-2 ${isChosen ? "outline-3 outline-ember" : ""}`}
    >
      <img
        src={pictureAddress(picture.id, 480, picture.look)}
        alt=""
        width={wide}
        height={HIGH}
        loading="lazy"
        decoding="async"
        className={`h-[88px] max-w-full object-cover ${picture.setAside ? "opacity-45" : ""}`}
      />
      <span className="mt-0.5 flex max-w-full items-baseline gap-1 pr-2 text-xs text-quiet" aria-hidden="true">
        <span className="tabular-nums">{picture.time ?? "–"}</span>
        {said && <span className="truncate font-medium text-text">{said}</span>}
      </span>
    </button>
  );
}
