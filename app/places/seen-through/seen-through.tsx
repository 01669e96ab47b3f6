import { useCallback, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import type { BookData } from "#app/places/book/data.ts";
import { SpreadThumb } from "#app/places/book/thumb.tsx";
import { useBook } from "#app/places/book/use-book.ts";
import { many } from "#app/wording/count.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { placesOfSpreads, type Spread, spreadAt } from "#core/book/spread.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { isTryable } from "#core/see-through/slip.ts";
import { isLeft, seenSlips } from "#core/see-through/slips.ts";
import { leafOf, SlipList } from "./slips.tsx";
import { TryIt } from "./try-it.tsx";
import { useTones } from "./use-tones.ts";

/** Every opening in which something is looked through, or does not stand out, that may not be meant: as the eye sees it. */
export function SeenThroughPlace({ data, today }: { data: BookData; today: CalendarDate }) {
  const { albumId, format, unit } = data;
  const [asked] = useSearchParams();
  const at = asked.get("at");
  // The opening at which something is tried.
  const [tried, setTried] = useState(at);
  const intoSight = useCallback((opening: HTMLLIElement | null) => opening?.scrollIntoView({ block: "start" }), []);
  const { book, leaves, change } = useBook(data);
  const tones = useTones(albumId);
  const openings = useMemo(
    () =>
      placesOfSpreads(book.leaves)
        .map((at) => spreadAt<InBook>(book.leaves, at, format))
        .flatMap((spread) => {
          const slips = seenSlips(spread, today, tones);
          const open = slips.filter((slip) => !isLeft(slip));
          // A back or glue that is in sight is on the leaf itself: nothing behind it changes that.
          const tryable = open.find(isTryable) ?? null;
          return slips.length > 0 ? [{ spread, open: open.length, tryable }] : [];
        }),
    [book, format, today, tones],
  );
  const open = openings.reduce((sum, each) => sum + each.open, 0);
  return (
    <Workplace tabs={<PlaceTabs place="book" albumId={albumId} here="seen-through" />}>
      <PageStage>
        <h1 className="text-2xl">Seen through</h1>
        <p className="mb-4 max-w-prose text-sm text-quiet">
          {openings.length === 0
            ? "Nothing of another day shows through film, vellum, a window or an empty pocket anywhere in the book, no back or glue is in sight, and all lettering stands out."
            : open === 0
              ? "Everything that shows through is as it was meant."
              : `${many(open, "thing")} to look at, where a page is looked through: each opening as the eye sees it.`}
        </p>
        <Refusal />
        <ClashPanel />
        <ol className="grid gap-6">
          {openings.map(({ spread, tryable }) => (
            <li
              key={leafOf(spread)}
              ref={leafOf(spread) === at ? intoSight : undefined}
              className="grid content-start gap-x-6 gap-y-3 border-b border-line pb-5 wide:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]"
            >
              <figure className="self-start bg-mat p-3">
                <SpreadThumb spread={spread} format={format} isLarge />
                <figcaption className="sr-only">{nameOf(spread)}</figcaption>
              </figure>
              <div className="grid content-start gap-3">
                <h2 className="text-lg first-letter:uppercase">{nameOf(spread)}</h2>
                <SlipList
                  {...{ spread, today, tones, unit }}
                  onLeave={(leaf, slip, on) => change(leaves, { kind: "leave-seen", leaf, slip, on })}
                />
                {tryable && (
                  <Button
                    small
                    className="justify-self-start"
                    aria-expanded={tried === leafOf(spread)}
                    onClick={() => setTried(tried === leafOf(spread) ? null : leafOf(spread))}
                  >
                    {tried === leafOf(spread) ? "Enough tried" : "Try what would help"}
                  </Button>
                )}
                <p className="flex flex-wrap gap-x-4 text-sm">
                  <Link to={to.book(albumId, { at: leafOf(spread) })} className="link">
                    Work on this opening
                  </Link>
                  <a href={printOf(albumId, spread)} download className="link">
                    Print it as it is seen
                  </a>
                </p>
              </div>
              {tryable && tried === leafOf(spread) && (
                <TryIt
                  slip={tryable}
                  leaves={book.leaves}
                  {...{ spread, data }}
                  onDone={() => setTried(null)}
                  onTake={(edit) => {
                    setTried(null);
                    change(leaves, edit);
                  }}
                />
              )}
            </li>
          ))}
        </ol>
      </PageStage>
    </Workplace>
  );
}

/** The opening as a PDF, named by a side that is up in it. */
function printOf(albumId: string, { left: [left], right: [right] }: Spread): string {
  const side = right ? `${right.read.leaf.id}.front` : `${left?.read.leaf.id}.back`;
  return to.document(albumId, "opening", `${side}.pdf`);
}

function nameOf({ left, right }: Spread<InBook>): string {
  const [one, other] = [left[0]?.read.back.page, right[0]?.read.front.page].map((page) =>
    page ? inBookName(page) : null,
  );
  if (one && other && one !== other) return `${one}, and ${other}`;
  return one ?? other ?? "leaves that are nobody’s yet";
}
