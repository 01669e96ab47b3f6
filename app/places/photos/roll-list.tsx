import { memo } from "react";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { carry, dropHere } from "#app/parts/carried.ts";
import { datedAs } from "#app/wording/dates.ts";
import { printDate, printShort } from "#core/month/dates.ts";
import type { OnPlace } from "./place-on.tsx";
import type { Pressed } from "./use-chosen.ts";
import type { RollDay, RollPicture, RollTarget, RollView } from "./view.ts";

const HIGH = 88;

type Props = {
  readonly days: readonly RollDay[];
  readonly names: RollView["days"];
  readonly chosen: readonly string[];
  readonly onPress: (id: string, how: Pressed) => void;
  /** What is carried when a picture is: all that are chosen with it. */
  readonly onCarry: (id: string) => readonly string[];
  readonly onPlace: OnPlace;
};

/**
 * The roll day by day: the number of the day at the edge, its pictures at one height beside it. Days that are not the
 * album's stand closer together, one after the other.
 */
export function RollList({ days, names, chosen, onPress, onCarry, onPlace }: Props) {
  const own = days.filter(({ date }) => date !== null && date in names);
  const others = days.filter(({ date }) => date === null || !(date in names));
  const rowOf = (day: RollDay) => ({
    day,
    chosen: day.clusters
      .flat()
      .filter(({ id }) => chosen.includes(id))
      .map(({ id }) => id)
      .join(" "),
    ...{ onPress, onCarry, onPlace },
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
  readonly name: RollTarget | undefined;
  /** The ids of those chosen here, in one word, so that a row whose are the same is not drawn anew. */
  readonly chosen: string;
} & Pick<Props, "onPress" | "onCarry" | "onPlace">;

const sameRow = (a: Partial<RowProps>, b: Partial<RowProps>) =>
  a.day === b.day && a.name === b.name && a.chosen === b.chosen && a.onPress === b.onPress;

/** A day of the album's own, its number large. Days out of sight are laid out only when they come into it. */
const RollRow = memo(function RollRow({ day: { date, clusters }, name, chosen, onPress, onCarry, onPlace }: RowProps) {
  return (
    <li
      {...(date && name && !name.skipped ? dropHere((ids) => onPlace(ids, date)) : {})}
      className="roll-row data-over:bg-panel grid grid-cols-[56px_minmax(0,1fr)] gap-3 border-b border-line py-3 wide:grid-cols-[72px_minmax(0,1fr)]"
    >
      <div className="text-right">
        <p className="font-numeral text-2xl leading-none font-semibold">{name?.label}</p>
        <p className="mt-1 text-xs text-quiet">{date && datedAs([date])}</p>
      </div>
      <div className="min-w-0">
        {name?.title && <p className="mb-1.5 truncate text-sm text-quiet">{name.title}</p>}
        <Clusters {...{ clusters, chosen, onPress, onCarry }} />
      </div>
    </li>
  );
}, sameRow);

/** A day that is not the album's: its date under its pictures, as close as they come. */
const OtherDay = memo(function OtherDay({
  day: { date, clusters },
  chosen,
  onPress,
  onCarry,
}: Omit<RowProps, "name" | "onPlace">) {
  return (
    <li className="roll-other min-w-0">
      <p className="mb-1 text-sm text-quiet">{date ? `${printShort(date)} ${date.slice(0, 4)}` : "No date"}</p>
      <Clusters {...{ clusters, chosen, onPress, onCarry }} />
    </li>
  );
}, sameRow);

type ClusterProps = Pick<RowProps, "chosen" | "onPress" | "onCarry"> & Pick<RollDay, "clusters">;

/** Pictures at one height; near-doubles stand together over one line, the sharpest first. */
function Clusters({ clusters, chosen, ...hands }: ClusterProps) {
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
            <Frame key={picture.id} picture={picture} isChosen={chosen.includes(picture.id)} {...hands} />
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
  onPress,
  onCarry,
}: {
  picture: RollPicture;
  isChosen: boolean;
} & Pick<Props, "onPress" | "onCarry">) {
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
      onClick={(event) =>
        onPress(picture.id, event.shiftKey ? "up-to" : event.ctrlKey || event.metaKey ? "also" : "alone")
      }
      draggable
      onDragStart={(event) => carry(event, onCarry(picture.id))}
      className={`grid content-start justify-items-start outline-offset-2 ${isChosen ? "outline-3 outline-ember" : ""}`}
    >
      <img
        src={pictureAddress(picture.id, 480, picture.look)}
        alt=""
        width={wide}
        height={HIGH}
        loading="lazy"
        draggable={false}
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
