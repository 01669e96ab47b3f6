import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { OwnFromFile, OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import type { Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import { Ganged } from "./ganged.tsx";
import type { ToMake } from "./to-make.ts";

/** A construction as it is chosen: drawn on the server, so that this page needs nothing of the arithmetic. */
export type Choice = {
  readonly kind: string;
  readonly name: string;
  readonly says: string;
  readonly viewBox: string;
  readonly drawing: string;
};
export type Group = { readonly name: string; readonly choices: readonly Choice[] };

/** Settings that the household keeps under a name; `of`: what its kind is called. */
type KeptHere = { readonly id: string; readonly name: string; readonly kind: string; readonly of: string };

type Props = {
  albumId: string;
  unit: Unit;
  /** Sheets that templates are printed on together. */
  sheets: readonly Size[];
  groups: readonly Group[];
  toMake: readonly ToMake[];
  kept: readonly KeptHere[];
};

/** Everything that can be made at the bench, by what it does. */
export function Choose({ albumId, unit, sheets, groups, toMake, kept }: Props) {
  const [query] = useSearchParams();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  return (
    <Workplace tabs={<PlaceTabs place="bench" albumId={albumId} here="bench" />}>
      <PageStage>
        <h1 className="text-2xl">Things that open</h1>
        <p className="mb-5 max-w-prose text-sm text-quiet">
          Choose one by what it does: its measures, its folds and whether it works on its page are reckoned before
          anything is cut.
        </p>
        {toMake.length > 0 && (
          <section aria-labelledby="on-pages" className="mb-7">
            <h2 id="on-pages" className="mb-2 text-lg">
              On your pages
            </h2>
            <ul className="grid max-w-2xl gap-x-6 min-[700px]:grid-cols-2">
              {toMake.map(({ id, name, href, left }) => (
                <li key={id} className="flex items-start gap-1.5 border-t border-line py-2">
                  <label className="grid size-6 shrink-0 place-items-center">
                    <span className="sr-only">Template of {name}</span>
                    <input
                      type="checkbox"
                      className="size-4 accent-ember"
                      checked={chosen.includes(id)}
                      onChange={() =>
                        setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])
                      }
                    />
                  </label>
                  <div>
                    <Link to={href} className="link">
                      {name}
                    </Link>
                    <p className="text-sm text-quiet">{left ?? "Made"}</p>
                  </div>
                </li>
              ))}
            </ul>
            {chosen.length === 0 ? (
              <p className="mt-2 text-sm text-quiet">Tick several to print their templates together.</p>
            ) : (
              <Ganged {...{ albumId, chosen, sheets, unit }} />
            )}
          </section>
        )}
        <section aria-labelledby="kept" className="mb-7 max-w-2xl">
          <h2 id="kept" className={kept.length > 0 ? "mb-1 text-lg" : "sr-only"}>
            Kept by you
          </h2>
          <OwnSaid kind="making" />
          {kept.map(({ id, name, kind, of }) => (
            <OwnThing
              key={id}
              kind="making"
              {...{ albumId, id, name }}
              lead={
                <Link to={to.making(albumId, kind, { kept: id, day: query.get("day") })} className="link">
                  {name}
                </Link>
              }
            >
              {`, ${of.toLowerCase()}`}
            </OwnThing>
          ))}
        </section>
        <div className="grid gap-7">
          {groups.map(({ name, choices }) => (
            <section key={name} aria-label={name}>
              <h2 className="mb-2 text-lg">{name}</h2>
              <ul className="grid grid-cols-2 gap-3 min-[700px]:grid-cols-3 min-[1100px]:grid-cols-4">
                {choices.map((choice) => (
                  <li key={choice.kind}>
                    <Link
                      to={to.making(albumId, choice.kind, { day: query.get("day") })}
                      className="group grid h-full content-start border border-line bg-card hover:border-ember"
                    >
                      <span className="grid h-32 place-items-center bg-mat p-2">
                        <Drawn
                          as="svg"
                          viewBox={choice.viewBox}
                          preserveAspectRatio="xMidYMid meet"
                          className="h-full w-full"
                          aria-hidden="true"
                          markup={choice.drawing}
                        />
                      </span>
                      <span className="px-3 pt-2 font-medium group-hover:text-ember">{choice.name}</span>
                      <span className="px-3 pb-3 text-sm text-quiet">{choice.says}</span>
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
        <div className="mt-7 max-w-md">
          <OwnFromFile kind="making" albumId={albumId} />
        </div>
      </PageStage>
    </Workplace>
  );
}
