import { Popover } from "radix-ui";
import { Link, useParams } from "react-router";
import { to } from "#app/addresses.ts";
import type { Reckoning } from "#app/wording/why.ts";

/** A quiet question beside a verdict: what was reckoned, by which rule, and where that is from. `of` says which verdict. */
export function Why({ of, reckoning }: { of: string; reckoning: Reckoning }) {
  const { album } = useParams();
  const { numbers, rule, source, word, ofMeasures } = reckoning;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="not-printed min-h-6 px-1 text-sm underline decoration-dotted underline-offset-3 opacity-80 hover:opacity-100"
        aria-label={`Why: ${of}`}
      >
        why?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          aria-label={`Why: ${of}`}
          className="z-30 grid w-[min(92vw,21rem)] gap-2 rounded-md border border-edge bg-panel p-4 text-sm text-text"
        >
          {numbers.length > 0 && (
            <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-0.5">
              {numbers.map(([name, value]) => (
                <div key={name} className="contents">
                  <dt className="text-quiet">{name}</dt>
                  <dd className="text-right font-medium tabular-nums">{value}</dd>
                </div>
              ))}
            </dl>
          )}
          <p>{rule}</p>
          <p className="text-quiet">{source}</p>
          {album && (
            <p className="flex flex-wrap gap-x-4 gap-y-1">
              {ofMeasures && (
                <Link to={to.part(album, "measure")} className="link">
                  Does the ruler say otherwise? Measure the book
                </Link>
              )}
              {word && (
                <Link to={`${to.part(album, "craft")}#${word}`} className="link">
                  The craft’s words
                </Link>
              )}
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
