import { Button } from "#app/parts/button.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { many } from "#app/wording/count.ts";
import { type InBook, isDated } from "#core/book/dated-page.ts";
import type { LeafRead } from "#core/book/read.ts";

type Props = {
  volumes: readonly (readonly LeafRead<InBook>[])[];
  /** The one that is looked at. */
  volume: number;
  onJoin: (leaf: string) => void;
  onTitle: (leaf: string) => void;
};

/** A book in several volumes: what each holds, a title page for it, and how they become one again. */
export function Volumes({ volumes, volume, onJoin, onTitle }: Props) {
  return (
    <section aria-labelledby="volumes" className="grid gap-2">
      <h2 id="volumes" className="text-lg">
        {many(volumes.length, "volume")}
      </h2>
      <p className="text-sm text-quiet">Days, numbers and the plan go on through all of them.</p>
      <ul className="grid gap-2 text-sm">
        {volumes.map((leaves, at) => {
          const [first] = leaves;
          const hasTitle = first?.front.page && !isDated(first.front.page);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a volume is its number
            <li key={at} aria-current={at === volume} className="grid gap-1 border-b border-line pb-2">
              <span className={at === volume ? "font-semibold" : ""}>
                Volume {at + 1}: {many(leaves.length, "leaf", "leaves")}
                {holds(leaves)}
              </span>
              {at > 0 && first && (
                <span className="flex flex-wrap gap-2">
                  {!hasTitle && (
                    <Button small keepers onClick={() => onTitle(first.leaf.id)}>
                      Give it a title page
                    </Button>
                  )}
                  <Button small keepers look="quiet" onClick={() => onJoin(first.leaf.id)}>
                    Join it to volume {at} again
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** `, day 1 to day 16`. */
function holds(leaves: readonly LeafRead<InBook>[]): string {
  const pages = leaves.flatMap(({ front, back }) => [front.page, back.page]).filter((page) => page !== null);
  const days = pages.filter(isDated);
  const [first, last] = [days[0], days.at(-1)];
  return first && last ? `, ${inBookName(first)} to ${inBookName(last)}` : "";
}
