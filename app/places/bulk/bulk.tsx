import { useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { MatButton } from "#app/parts/mat-button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { Why } from "#app/parts/why.tsx";
import { MatStage, PageStage, Workplace } from "#app/parts/workplace.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { useBook } from "#app/places/book/use-book.ts";
import { freeEdge, holderOf, partSaid, pileSaid, sayThick, sayThin } from "#app/wording/bulk.ts";
import { many } from "#app/wording/count.ts";
import { whyCloses } from "#app/wording/why.ts";
import { NOBODY, PLAIN_PAPER } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { volumesOf } from "#core/book/volumes.ts";
import { type Ahead as AheadRead, aheadOf } from "#core/bulk/ahead.ts";
import { bindingOf, type Closing, ringsFor } from "#core/bulk/closing.ts";
import { stretchesOf } from "#core/bulk/heights.ts";
import { type Layer, layersOf } from "#core/bulk/layers.ts";
import { areaOfBook, fieldsOf, type Peak, peaksOf } from "#core/bulk/peaks.ts";
import { correctionOf } from "#core/bulk/ruler.ts";
import type { Unit } from "#core/measure/length.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { FromAbove, FromTheSide, LETTERS } from "./closed-book.tsx";
import type { BulkData, NamedThings } from "./data.ts";
import { Pockets } from "./pockets.tsx";
import { Remedies } from "./remedies.tsx";
import { Ruler } from "./ruler.tsx";
import { Volumes } from "./volumes.tsx";

/** From so much of what the binding takes on, what makes a book thinner is worth saying. */
const NEARLY = 0.8;
/** The book from above in so many fields. */
const [COLUMNS, ROWS] = [5, 6];
const WHEN = [
  { name: "With all that is planned", now: false },
  { name: "What is in it today", now: true },
] as const;

/** Whether the closed book closes, where it is thick, what costs most, and what can be done. */
export function Bulk({ data, today }: { data: BulkData; today: CalendarDate }) {
  const { albumId, format, unit } = data.book;
  const { book, leaves, change, arrange, addMatter } = useBook(data.book);
  const [isNow, setNow] = useState(false);
  const [chosen, setChosen] = useState(0);
  const things = useMemo(() => new Map(data.things), [data.things]);
  const correction = useMemo(() => correctionOf(data.ruler), [data.ruler]);
  const { factor } = correction;
  const volumes = useMemo(() => volumesOf(book.leaves, ({ leaf }) => leaf), [book]);
  const volume = Math.min(chosen, volumes.length - 1);
  const own = volumes[volume];
  const binding = useMemo(() => bindingOf(format, factor), [format, factor]);
  const read = useMemo(() => {
    const layers: Layer<InBook>[] = layersOf(own ?? [], format, things);
    // Of one volume only its own days are to come; of the whole book all of them.
    const owners = new Set(layers.map(({ page }) => page));
    const pages = volumes.length > 1 ? data.book.pages.filter((page) => owners.has(page)) : data.book.pages;
    return { layers, ...aheadOf<InBook>(layers, pages, binding) };
  }, [own, volumes, format, things, binding, data.book.pages]);
  const shown = useMemo(() => {
    const layers = isNow ? read.layers.filter(({ isThere }) => isThere) : read.layers;
    const area = areaOfBook(layers);
    return {
      ...{ layers, area, stretches: stretchesOf(layers), peaks: area ? peaksOf(layers, area) : [] },
      fields: area ? fieldsOf(layers, area, COLUMNS, ROWS) : [],
    };
  }, [read, isNow]);
  const tabs = <PlaceTabs place="book" albumId={albumId} here="bulk" />;
  if (!own)
    return (
      <Workplace tabs={tabs}>
        <PageStage>
          <div className="grid max-w-prose content-start gap-3">
            <h1 className="text-2xl">Bulk</h1>
            <p>
              There are no leaves yet. Choose{" "}
              <Link to={to.foundations(albumId)} className="link">
                foundation pages
              </Link>{" "}
              for the month, and here stands whether the book will close on them.
            </p>
          </div>
        </PageStage>
      </Workplace>
    );
  const closing = isNow ? read.now : read.planned;
  return (
    <Workplace
      width="broad"
      tabs={tabs}
      lead={
        <Verdict
          closing={closing}
          {...{ isNow, factor, unit, format }}
          volume={volumes.length > 1 ? `Volume ${volume + 1}` : null}
        />
      }
      panel={
        <>
          <Refusal />
          <ClashPanel />
          <Peaks peaks={shown.peaks} {...{ things, factor, unit }} />
          <Remedies
            {...{ data, book, leaves, things, factor, volume }}
            gape={read.planned.gape}
            height={read.planned.thickest?.height ?? 0}
            isNearlyFull={(read.planned.thickest?.height ?? 0) > NEARLY * binding.depth}
            onTake={(arrangement) => arrange(leaves, [arrangement])}
            onPart={(leaf) => change(leaves, { kind: "part", leaf, opens: true })}
          />
          <Ahead ahead={read.ahead} {...{ factor, unit }} closes={read.now.gape === 0} />
          {volumes.length > 1 && (
            <Volumes
              {...{ volumes, volume }}
              onJoin={(leaf) => change(leaves, { kind: "part", leaf, opens: false })}
              onTitle={(leaf) => titleFor(leaf, { leaves, change, addMatter })}
            />
          )}
          <Ruler {...{ albumId, unit, today, correction }} marks={data.ruler} now={read.now.thickest?.height ?? 0} />
          <Pockets leaves={own} {...{ format, things, unit, albumId }} />
        </>
      }
    >
      <MatStage
        label="The closed book, to scale"
        isTall
        focus={
          <>
            <fieldset className="not-printed flex min-w-0 shrink-0 gap-2 overflow-x-auto bg-soot px-3.5 py-2">
              <legend className="sr-only">Of what</legend>
              {WHEN.map(({ name, now }) => (
                <MatButton key={name} pressed={now === isNow} onClick={() => setNow(now)}>
                  <span className="whitespace-nowrap">{name}</span>
                </MatButton>
              ))}
            </fieldset>
            {volumes.length > 1 && (
              <fieldset className="not-printed flex min-w-0 shrink-0 gap-2 overflow-x-auto bg-soot px-3.5 pb-2">
                <legend className="sr-only">Which volume</legend>
                {volumes.map((_, at) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a volume is its number
                  <MatButton key={at} pressed={at === volume} onClick={() => setChosen(at)}>
                    Volume {at + 1}
                  </MatButton>
                ))}
              </fieldset>
            )}
          </>
        }
      >
        <div className="flex min-h-0 flex-1 flex-col gap-2 p-3">
          <FromTheSide
            stretches={shown.stretches}
            peaks={shown.peaks}
            isSewn={format.binding === "sewn"}
            {...{ closing, binding, factor, unit }}
          />
          {shown.area && (
            <FromAbove
              fields={shown.fields}
              area={shown.area}
              peaks={shown.peaks}
              {...{ factor, unit }}
              isTop={format.bindingEdge === "top"}
            />
          )}
        </div>
      </MatStage>
    </Workplace>
  );
}

/** The one answer: whether it closes, and by how much. */
function Verdict({ closing, isNow, factor, unit, format, volume }: VerdictProps) {
  const { gape, thickest, atBinding } = closing;
  const say = (thick: number) => sayThick(thick * factor, unit);
  const holder = holderOf(format);
  const depth = format.capacity / factor;
  const subject = volume ?? "It";
  const will = isNow ? "" : "will ";
  return (
    <div className="grid gap-1">
      <h1 className="text-2xl">
        {gape > 0 ? `${subject} ${isNow ? "does" : "will"} not close` : `${subject} ${will}close${isNow ? "s" : ""}`}
      </h1>
      {thickest === null ? (
        <p>Nothing is in the book yet.</p>
      ) : (
        <>
          {gape > 0 && (
            <p className="border-l-4 border-ember pl-3 font-medium">
              The boards stand {say(gape)} too far apart {freeEdge(format)}.
            </p>
          )}
          <p>
            {say(thickest.height)} where it is thickest, {say(atBinding)} along the binding; {holder} take
            {format.binding === "sewn" ? "s" : ""} {say(depth)}.{" "}
            {gape === 0 && `${say(depth - thickest.height)} to spare.`}{" "}
            <Why of="how it closes" reckoning={whyCloses(closing, bindingOf(format, factor), say, unit)} />
          </p>
          {gape > 0 && format.binding !== "sewn" && (
            <p className="text-sm text-quiet">Rings {say(ringsFor(closing))} deep would close on it as it is.</p>
          )}
        </>
      )}
    </div>
  );
}
type VerdictProps = Of & { closing: Closing; isNow: boolean; format: AlbumFormat; volume: string | null };
type Of = { factor: number; unit: Unit };

/** Whose something is, within a sentence. */
const nameOf = ({ page }: Layer<InBook>): string => (page ? inBookName(page) : "nobody’s");

function Peaks({ peaks, things, factor, unit }: Of & { peaks: readonly Peak<InBook>[]; things: NamedThings }) {
  if (peaks.length === 0) return null;
  return (
    <section aria-labelledby="peaks" className="grid gap-2">
      <h2 id="peaks" className="text-lg">
        Where it piles up
      </h2>
      <ol className="grid gap-2 text-sm">
        {peaks.map(({ part, pieces, thick }, at) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a peak is its letter
            key={at}
            className="grid grid-cols-[28px_minmax(0,1fr)] gap-1 border-b border-line pb-2"
          >
            <span className="grid size-6 place-items-center rounded-full bg-flame font-semibold text-soot">
              {LETTERS[at]}
            </span>
            <span>
              <strong className="font-semibold">{sayThick(thick * factor, unit)}</strong> of pieces:{" "}
              {pileSaid(pieces.slice(0, MOST_NAMED), things, nameOf)}
              {pieces.length > MOST_NAMED && `; ${pieces.length - MOST_NAMED} more, thinner ones`}.
              <span className="block text-quiet">{partSaid(part)}</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
const MOST_NAMED = 8;

function Ahead({ ahead, factor, unit, closes }: Of & { ahead: AheadRead<InBook>; closes: boolean }) {
  const { there, toCome, perDay, fullOn, eachMay } = ahead;
  if (toCome === 0 || perDay === null) return null;
  const say = (thick: number) => sayThin(thick * factor, unit);
  return (
    <section aria-labelledby="ahead" className="grid gap-1">
      <h2 id="ahead" className="text-lg">
        At this rate
      </h2>
      <p>
        {many(there, "day")} in the book made {say(perDay)} each, where it is thickest.{" "}
        {fullOn ? (
          <>
            So it is full <strong className="font-semibold">on {inBookName(fullOn)}</strong>.
          </>
        ) : (
          `So all ${toCome} that are to come still go in.`
        )}
      </p>
      {closes && eachMay !== null && (
        <p>
          It closes on all of them if each makes no more than <strong className="font-semibold">{say(eachMay)}</strong>.
        </p>
      )}
    </section>
  );
}

type Edits = Pick<ReturnType<typeof useBook>, "leaves" | "change" | "addMatter">;

/** A title page of its own before a volume, which begins the volume then. */
function titleFor(first: string, { leaves, change, addMatter }: Edits): void {
  const at = leaves.findIndex(({ id }) => id === first);
  const before = leaves[at - 1];
  if (!before) return;
  const id = newId();
  const front = { kind: "day" as const, dayId: addMatter("title") };
  change(leaves, {
    kind: "add-leaf",
    id,
    make: { ...PLAIN_PAPER, kind: "full" },
    after: before.id,
    front,
    back: NOBODY,
  });
  change(leaves, { kind: "part", leaf: id, opens: true });
  change(leaves, { kind: "part", leaf: first, opens: false });
}
