import { useMemo } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { useOneStop } from "#app/parts/one-stop.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { leafName } from "#app/places/arrange/boards.ts";
import type { BookData } from "#app/places/book/data.ts";
import { SpreadThumb } from "#app/places/book/thumb.tsx";
import { useBook } from "#app/places/book/use-book.ts";
import { FACE_NAME } from "#app/wording/book.ts";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import { FOUNDATION_NAME } from "#app/wording/day.ts";
import { matterName } from "#core/album/matter-name.ts";
import { type DatedPage, type InBook, isDated } from "#core/book/dated-page.ts";
import { readRhythm } from "#core/book/rhythm.ts";
import { placesOfSpreads, spreadAt } from "#core/book/spread.ts";

const dayName = (page: InBook) =>
  isDated(page) ? (page.label ?? (page.days[0] ? shortDate(page.days[0].date) : "")) : matterName(page.matter);

/** The whole book as small spreads on one screen, with what repeats and what is still bare. */
export function Rhythm({ data }: { data: BookData }) {
  const { albumId, format, unit } = data;
  const { book } = useBook(data);
  const stops = useOneStop<HTMLOListElement>();
  const rhythm = useMemo(() => readRhythm(book, data.pages), [book, data.pages]);
  const inRun = new Set(rhythm.runs.flatMap(({ leaves }) => leaves));
  const spreads = useMemo(
    () => placesOfSpreads(book.leaves).map((at) => spreadAt(book.leaves, at, format)),
    [book, format],
  );
  const most = Math.max(1, ...rhythm.perDay.map(({ photos }) => photos));
  const mostWords = Math.max(1, ...rhythm.perDay.map(({ words }) => words));
  return (
    <Workplace
      tabs={<PlaceTabs place="book" albumId={albumId} here="rhythm" />}
      panel={
        <>
          <Findings name="Runs">
            {rhythm.runs.map(({ kind, from, leaves }) => (
              <li key={from}>
                {leaves.length} {FOUNDATION_NAME[kind].toLowerCase()} leaves running, from page{" "}
                {book.leaves[from]?.front.page?.label ?? "of its own"}
              </li>
            ))}
          </Findings>
          <NoPlace albumId={albumId} pages={rhythm.noPlace.filter(isDated)} />
          <Findings name="Sides lie apart">
            {rhythm.apart.map((page) => (
              <li key={page.days[0]?.id}>{dayName(page)}: another day’s side lies between</li>
            ))}
          </Findings>
          <section aria-labelledby="bare" className="rhythm-finding">
            <h2 id="bare" className="border-b border-line pb-1 text-lg">
              Bare sides
            </h2>
            <p className="pt-1 text-sm">
              {rhythm.emptySides.length === 0
                ? "None."
                : `${many(rhythm.emptySides.length, "side")}: ${rhythm.emptySides
                    .slice(0, 8)
                    .map(
                      ({ leaf, face }) =>
                        `${leaf.front.page?.label ?? leaf.back.page?.label ?? "a leaf"} ${FACE_NAME[face].toLowerCase()}`,
                    )
                    .join(", ")}${rhythm.emptySides.length > 8 ? " and more" : ""}.`}
            </p>
          </section>
          <section aria-labelledby="measure-of-days" className="rhythm-finding">
            <h2 id="measure-of-days" className="border-b border-line pb-1 text-lg">
              Photos and words, day by day
            </h2>
            <svg
              viewBox={`0 0 ${rhythm.perDay.length * 10} 62`}
              className="mt-2 w-full"
              role="img"
              aria-label={rhythm.perDay
                .map(({ page, photos, words }) => `${dayName(page)}: ${many(photos, "photo")}, ${many(words, "word")}`)
                .join("; ")}
            >
              {rhythm.perDay.map(({ page, photos, words }, at) => (
                <g key={page.days[0]?.id} transform={`translate(${at * 10} 0)`}>
                  <rect
                    x="1"
                    y={30 - (photos / most) * 28}
                    width="8"
                    height={(photos / most) * 28}
                    className="fill-ring-photos"
                  />
                  <rect x="1" y="32" width="8" height={(words / mostWords) * 28} className="fill-ring-words" />
                </g>
              ))}
              <path d={`M0 31H${rhythm.perDay.length * 10}`} className="stroke-line" strokeWidth="0.6" />
            </svg>
            <p className="text-sm text-quiet">
              Up: photos, at most {most}. Down: words, at most {mostWords}.
            </p>
          </section>
        </>
      }
    >
      <PageStage label="All spreads">
        <h1 className="mb-3 text-2xl">Rhythm</h1>
        <ol {...stops} className="grid grid-cols-[repeat(auto-fill,minmax(126px,1fr))] gap-x-3 gap-y-4">
          {spreads.map((spread) => {
            const [left, right] = [spread.left[0]?.read, spread.right[0]?.read];
            return (
              <li key={right?.leaf.id ?? "last"} className="rhythm-spread p-0.5">
                <Link
                  to={to.book(albumId, { at: right?.leaf.id ?? left?.leaf.id ?? null, face: right ? null : "back" })}
                  className="group grid gap-1"
                  aria-label={`${left ? `Back of ${leafName(left, unit)}` : "The cover"}, ${right ? `front of ${leafName(right, unit)}` : "the cover"}`}
                >
                  <span
                    className={`rounded-sm border-b-4 bg-mat p-1.5 group-hover:outline-2 group-hover:outline-ember ${right && inRun.has(right.leaf.id) ? "border-ember" : "border-transparent"}`}
                  >
                    <SpreadThumb spread={spread} format={format} />
                  </span>
                  <span className="flex justify-between text-xs text-quiet">
                    <span>{left?.back.page?.label ?? ""}</span>
                    <span>{right?.front.page?.label ?? ""}</span>
                  </span>
                </Link>
              </li>
            );
          })}
        </ol>
        <p className="mt-3 text-sm text-quiet">
          A coloured line under a spread: the same kind of page, three or more in a row.
        </p>
      </PageStage>
    </Workplace>
  );
}

/** Days that have no side of any leaf. */
function NoPlace({ albumId, pages }: { albumId: string; pages: readonly DatedPage[] }) {
  return (
    <Findings name="No page in the book yet">
      {pages.length > 0
        ? [
            <li key="bare">
              {many(pages.length, "day")} without a page: {pages.map(dayName).join(", ")}.{" "}
              <Link
                to={to.foundations(albumId, { days: pages.map(({ days }) => days[0]?.date).join(",") })}
                className="link"
              >
                Choose foundation pages
              </Link>
            </li>,
          ]
        : []}
    </Findings>
  );
}

function Findings({ name, children }: { name: string; children: React.ReactNode[] }) {
  return (
    <section className="rhythm-finding">
      <h2 className="border-b border-line pb-1 text-lg">{name}</h2>
      {children.length === 0 ? (
        <p className="pt-1 text-sm text-quiet">None.</p>
      ) : (
        <ul className="grid gap-1 pt-1 text-sm">{children}</ul>
      )}
    </section>
  );
}
