import { useMemo } from "react";
import { Button } from "#app/parts/button.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { cureSaid, pieceSaid, sayThick } from "#app/wording/bulk.ts";
import type { Leaf } from "#core/album/leaf.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { Arrangement } from "#core/book/edit.ts";
import { type BookRead, pageOfPiece } from "#core/book/read.ts";
import type { CostAsk, Offered } from "#core/bulk/costs.ts";
import type { BulkData, NamedThings } from "./data.ts";
import { useCosts } from "./use-costs.ts";

type Props = {
  data: BulkData;
  book: BookRead<InBook>;
  leaves: readonly Leaf[];
  things: NamedThings;
  factor: number;
  volume: number;
  /** How the volume closes with all that is planned, as reckoned. */
  gape: number;
  height: number;
  /** It closes, and there is little room left. */
  isNearlyFull: boolean;
  onTake: (change: Arrangement) => void;
  onPart: (leaf: string) => void;
};

/** How many are shown of each list, and of each day's pieces. */
const SHOWN = 6;
const MOST_OF_DAY = 3;
/** Of a day's pieces those thinner than this, a thirty-second of an inch, are not named. */
const WORTH_NAMING = 800;
const ORDER: readonly Offered["cure"]["kind"][] = ["move", "thinner", "flat", "one-layer", "leave-out"];
const keyOf = ({ leaf, face, piece, cure }: Offered) => `${leaf} ${face} ${piece} ${cureSaid(cure)}`;

/** What can be done about each piece, those that are helped most first; leaving it out comes last. */
function byPiece(remedies: readonly Offered[]): Offered[][] {
  const pieces = new Map<string, Offered[]>();
  for (const offered of remedies) {
    const key = `${offered.leaf} ${offered.face} ${offered.piece}`;
    pieces.set(key, [...(pieces.get(key) ?? []), offered]);
  }
  return [...pieces.values()].map((all) => all.sort((a, b) => ORDER.indexOf(a.cure.kind) - ORDER.indexOf(b.cure.kind)));
}

/** What costs most of the closed book, and what can be done about it: each with its gain, taken in one act. */
export function Remedies({
  data,
  book,
  leaves,
  things,
  factor,
  volume,
  gape,
  height,
  isNearlyFull,
  onTake,
  onPart,
}: Props) {
  const { format, unit, layouts } = data.book;
  const pages: readonly InBook[] = useMemo(() => [...data.book.pages, ...data.book.matters], [data.book]);
  const ask = useMemo(
    (): CostAsk => ({ format, unit, pages, leaves, layouts, things, factor, volume }),
    [format, unit, pages, leaves, layouts, things, factor, volume],
  );
  const costs = useCosts(ask)?.costs;
  const say = (thick: number) => sayThick(thick * factor, unit);
  if (!costs) return <p className="text-sm text-quiet">Reckoning what costs most.</p>;
  const { days, pieces, remedies, split } = costs;
  const placedAt = (at: Pick<Offered, "leaf" | "face"> & { piece: string | null }) => {
    const side = book.leaves.find(({ leaf }) => leaf.id === at.leaf)?.[at.face];
    const placed = side?.pieces.find(({ piece }) => piece.id === at.piece);
    return side && placed ? { piece: placed.piece, page: pageOfPiece(side, placed.piece) } : null;
  };
  const named = (offered: Offered): string => {
    const placed = placedAt(offered);
    if (!placed) return "a piece";
    return `${pieceSaid(placed, things)}${placed.page ? ` of ${inBookName(placed.page)}` : ""}`;
  };
  /** The dearest things of a day, each by what it costs by itself. */
  const ofDay = (day: number): string =>
    pieces
      .filter(({ of, costs: cost }) => of.page === day && cost * factor >= WORTH_NAMING)
      .slice(0, MOST_OF_DAY)
      .map(({ of, costs: cost }) => {
        const placed = placedAt(of);
        return `${placed ? pieceSaid(placed, things) : "the page itself"} ${say(cost)}`;
      })
      .join(", ");
  const gain = (after: Pick<Offered, "gape" | "height">) =>
    gape > 0
      ? after.gape === 0
        ? "closes then"
        : `${say(gape - after.gape)} less apart`
      : `${say(height - after.height)} thinner`;
  return (
    <>
      {(gape > 0 || isNearlyFull) && remedies.length > 0 && (
        <section aria-labelledby="remedies" className="grid gap-2">
          <h2 id="remedies" className="text-lg">
            {gape > 0 ? "What would help" : "What would make it thinner"}
          </h2>
          <ul className="grid gap-2">
            {byPiece(remedies)
              .slice(0, SHOWN)
              .map((cures) => {
                const [first] = cures;
                const name = first ? named(first) : "";
                return (
                  <li key={cures.map(keyOf).join()} className="grid border-b border-line pb-2 text-sm">
                    <span className="font-medium first-letter:uppercase">{name}</span>
                    <ul className="grid">
                      {cures.map((offered) => (
                        <li
                          key={keyOf(offered)}
                          className="grid min-h-10 grid-cols-[minmax(0,1fr)_auto] items-center gap-3"
                        >
                          <span>
                            {cureSaid(offered.cure)}: <strong className="font-semibold">{gain(offered)}</strong>
                          </span>
                          <Button
                            small
                            keepers
                            onClick={() => onTake(offered.change)}
                            aria-label={`${cureSaid(offered.cure)}: ${name}`}
                          >
                            Do it
                          </Button>
                        </li>
                      ))}
                    </ul>
                    {first && placedAt(first)?.piece.outside && (
                      <span className="text-quiet">Inside instead of outside gains nothing: it is as thick there.</span>
                    )}
                  </li>
                );
              })}
          </ul>
        </section>
      )}
      {days.length > 0 && (
        <section aria-labelledby="dearest" className="grid gap-1">
          <h2 id="dearest" className="text-lg">
            What each day costs there, and its pieces
          </h2>
          <ul className="grid text-sm">
            {days.slice(0, SHOWN).map(({ of, costs: cost }) => {
              const page = pages[of];
              return (
                <li key={of} className="flex justify-between gap-3 border-b border-line py-1">
                  <span>
                    <span className="block first-letter:uppercase">{page ? inBookName(page) : "nobody’s"}</span>
                    <span className="block text-quiet first-letter:uppercase">{ofDay(of)}</span>
                  </span>
                  <span className="tabular-nums">{say(cost)}</span>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {gape > 0 && split && (
        <section aria-labelledby="two-volumes" className="grid gap-2">
          <h2 id="two-volumes" className="text-lg">
            In two volumes
          </h2>
          <p className="text-sm">
            {parted(split.leaf, book)}{" "}
            {split.gapes[0] + split.gapes[1] === 0
              ? "Both close then."
              : `Then they stand ${say(split.gapes[0])} and ${say(split.gapes[1])} too far apart.`}
          </p>
          <Button keepers className="justify-self-start" onClick={() => onPart(split.leaf)}>
            Begin a second volume there
          </Button>
        </section>
      )}
    </>
  );
}

/** Where the book is parted, by whose page comes first then. */
function parted(leaf: string, book: BookRead<InBook>): string {
  const read = book.leaves.find((each) => each.leaf.id === leaf);
  const page = read?.front.page ?? read?.back.page;
  return `It is best parted before the page of ${page ? inBookName(page) : "nobody"}.`;
}
