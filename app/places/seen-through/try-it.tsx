import { useEffect, useMemo } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import type { BookData } from "#app/places/book/data.ts";
import { SpreadThumb } from "#app/places/book/thumb.tsx";
import type { FreeForDay } from "#app/places/day/free-pictures.tsx";
import { useOutbox } from "#app/sending/sending.tsx";
import { sayThin } from "#app/wording/bulk.ts";
import { NUMERAL_COLOUR_NAME } from "#app/wording/day.ts";
import { type InBook, isDated } from "#core/book/dated-page.ts";
import type { BookEdit } from "#core/book/edit.ts";
import type { LeafRead } from "#core/book/read.ts";
import type { Spread } from "#core/book/spread.ts";
import { sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { sizeOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import { type Candidate, candidatesFor, spreadWith, spreadWithPicture } from "#core/see-through/candidates.ts";
import type { SeenSlip } from "#core/see-through/slip.ts";

type Props = {
  slip: SeenSlip<InBook>;
  spread: Spread<InBook>;
  leaves: readonly LeafRead<InBook>[];
  data: BookData;
  onTake: (edit: BookEdit) => void;
  onDone: () => void;
};

/** As many other pictures are shown beside it. */
const MOST_PICTURES = 3;

function nameOf(candidate: Candidate, unit: Unit): { name: string; does: string } {
  switch (candidate.kind) {
    case "vellum":
      return { name: "Vellum between", does: "Put vellum there" };
    case "paper":
      return { name: "Plain paper between", does: "Put plain paper there" };
    case "moved": {
      const { x, y } = candidate.by;
      const across = x === 0 ? [] : [`${sayLength(ticks(Math.abs(x)), unit)} to the ${x < 0 ? "left" : "right"}`];
      const down = y === 0 ? [] : [`${sayLength(ticks(Math.abs(y)), unit)} ${y < 0 ? "up" : "down"}`];
      return { name: `Moved ${[...across, ...down].join(", ")}`, does: "Move it there" };
    }
    case "smaller":
      return { name: `Smaller, ${printSize(sizeOf(candidate.to), unit)}`, does: "Make it so small" };
    case "ink": {
      const ink = NUMERAL_COLOUR_NAME[candidate.ink].toLowerCase();
      return { name: `In ${ink}`, does: `Make it ${ink}` };
    }
  }
}

/** The print whose picture may be another, and the day that has it; null where the slip is of no print of a day. */
function printOf(slip: SeenSlip<InBook>) {
  const { page, pieces } = slip;
  const use = pieces.flatMap(({ piece: { what } }) => (what.kind === "photo" ? [what.use] : []))[0];
  const day = page && isDated(page) ? page.days[0] : undefined;
  return use && day && page?.content.photos.some(({ id }) => id === use) ? { use, day } : null;
}

/** What is seen, side by side with what would be, each with what it costs in thickness and taken in one press. */
export function TryIt({ slip, spread, leaves, data, onTake, onDone }: Props) {
  const { format, unit, albumId } = data;
  const { put } = useOutbox();
  const print = useMemo(() => printOf(slip), [slip]);
  const { data: free, load } = useFetcher<FreeForDay>();
  const date = print?.day.date;
  useEffect(() => {
    if (date) void load(to.freePictures(albumId, date));
  }, [load, albumId, date]);
  const book = useMemo(() => ({ ...data, pages: [...data.pages, ...data.matters] as readonly InBook[] }), [data]);
  const tried = useMemo(
    () =>
      candidatesFor(slip, spread, leaves, format, newId()).flatMap((candidate) => {
        const after = spreadWith(book, leaves, spread, slip, candidate.edit);
        return after ? [{ candidate, after }] : [];
      }),
    [book, leaves, spread, slip, format],
  );
  const pictures = print ? [...(free?.own ?? []), ...(free?.banked ?? [])].slice(0, MOST_PICTURES) : [];
  return (
    <div className="col-span-full grid gap-3">
      <ul className="grid gap-4 wide:grid-cols-3">
        <li className="grid content-start gap-2">
          <span className="bg-mat p-2">
            <SpreadThumb spread={spread} format={format} isLarge />
          </span>
          <span className="text-sm">As it is</span>
        </li>
        {tried.map(({ candidate, after }) => {
          const { name, does } = nameOf(candidate, unit);
          return (
            <Tried
              key={name}
              keepers
              {...{ name, does, after, format }}
              costs={candidate.thicker > 0 ? `${sayThin(candidate.thicker, unit)} thicker` : "no thicker"}
              onTake={() => onTake(candidate.edit)}
            />
          );
        })}
        {print &&
          pictures.map((picture) => (
            <Tried
              key={picture.id}
              {...{ format }}
              name={picture.name}
              does="Put it in its place"
              costs="another picture, no thicker"
              after={spreadWithPicture(book, leaves, spread, print.use, picture)}
              onTake={() => {
                put(`another:${print.use}`, {
                  what: "another-picture",
                  dayId: print.day.id,
                  useId: print.use,
                  photoId: picture.id,
                });
                onDone();
              }}
            />
          ))}
      </ul>
      {print && (
        <Link to={to.crop(albumId, print.use)} className="link justify-self-start text-sm">
          Crop the picture, or mark its faces
        </Link>
      )}
    </div>
  );
}

function Tried({
  name,
  does,
  costs,
  after,
  format,
  keepers = false,
  onTake,
}: {
  name: string;
  does: string;
  costs: string;
  after: Spread<InBook>;
  format: BookData["format"];
  /** Whether it changes more than which picture is there. */
  keepers?: boolean;
  onTake: () => void;
}) {
  return (
    <li className="grid content-start gap-2">
      <span className="bg-mat p-2">
        <SpreadThumb spread={after} format={format} isLarge />
      </span>
      <span className="flex flex-wrap items-center justify-between gap-2 text-sm">
        <span>
          {name}
          <span className="block text-quiet">{costs}</span>
        </span>
        <Button small keepers={keepers} onClick={onTake} aria-label={`${does}: ${name}`}>
          {does}
        </Button>
      </span>
    </li>
  );
}
