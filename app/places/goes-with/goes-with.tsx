import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { SelectField } from "#app/parts/field.tsx";
import { Options } from "#app/parts/options.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { KIND_NAME } from "#app/wording/drawer.ts";
import type { Near, GoesWith as Row, Swatch } from "#core/drawer/goes-with.ts";
import type { ColouredThing, GoesWithView } from "./view.ts";

/** Which things of the drawer go with a page's pictures by colour, each with what was measured. */
export function GoesWith({ view }: { view: GoesWithView }) {
  const { albumId, choices, chosen, facing, rows, repeatsBelow, readsFrom } = view;
  const navigate = useNavigate();
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="drawer" albumId={albumId} here="goes-with" />}
      lead={
        chosen ? (
          <SelectField
            label="Which page"
            value={chosen.id}
            onChange={(event) => void navigate(to.goesWith(albumId, { day: event.target.value }), { replace: true })}
          >
            <Options all={choices.map(({ id, name }) => [id, name] as const)} />
          </SelectField>
        ) : undefined
      }
      panel={
        chosen ? (
          <>
            <div className="flex flex-wrap gap-1.5">
              {chosen.photos.map((id) => (
                <img key={id} src={pictureAddress(id, 480)} alt="" className="h-24 w-auto" />
              ))}
            </div>
            <Colours title={`Colours of ${chosen.name}`} colours={chosen.colours} />
            {facing && facing.colours.length > 0 && (
              <Colours title={`Facing it, ${facing.name}`} colours={facing.colours} />
            )}
          </>
        ) : undefined
      }
    >
      <PageStage>
        <div className="grid content-start gap-5">
          <div>
            <h1 className="text-2xl">Goes with{chosen ? ` ${chosen.name}` : ""}</h1>
            <p className="max-w-prose text-sm text-quiet">
              What repeats a colour of its pictures, or carries one over from the facing page: less than {repeatsBelow}{" "}
              apart (ΔE00; 2 is just seen). Whether they please is yours to say.
            </p>
          </div>
          {!chosen && <p className="max-w-prose">No page has a picture yet.</p>}
          {rows.length === 0 ? (
            <p className="max-w-prose">
              Nothing in the{" "}
              <Link to={to.part(albumId, "drawer")} className="link">
                drawer
              </Link>{" "}
              has a picture yet. Photograph a paper, and choose its picture there: its colours are read from it.
            </p>
          ) : (
            <ul className="border-t border-line">
              {rows.map((row) => (
                <OneRow key={row.thing.id} {...{ row, readsFrom }} hasFacing={facing !== null} />
              ))}
            </ul>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

type RowProps = { row: Row<ColouredThing>; hasFacing: boolean; readsFrom: number };

function OneRow({ row, hasFacing, readsFrom }: RowProps) {
  const { thing, colours, repeats, carries, ink, contrast } = row;
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-4 border-b border-line py-3">
      <img src={pictureAddress(thing.photoId, 96)} alt="" className="h-20 w-20 object-cover" />
      <div className="grid content-start gap-1 text-sm">
        <p>
          <span className="text-base font-medium">{thing.name}</span>
          <span className="text-quiet"> · {KIND_NAME[thing.kind].toLowerCase()}</span>
        </p>
        <Swatches colours={colours} />
        <p>{repeats ? <NearSaid near={repeats} how="repeats" /> : "Repeats none of its colours."}</p>
        {hasFacing && carries && (
          <p>
            <NearSaid near={carries} how="carries over" /> from the facing page
          </p>
        )}
        <p className={contrast < readsFrom ? "font-semibold text-ember" : "text-quiet"}>
          {contrast >= readsFrom
            ? `${ink === "dark" ? "Dark" : "Light"} lettering reads on most of it, ${ratio(contrast)}`
            : `No lettering reads well on it: ${ratio(contrast)} at most, ${readsFrom} wanted`}
        </p>
      </div>
    </li>
  );
}

/** `7.0 : 1`, on one line. */
const ratio = (contrast: number): string => `${contrast.toFixed(1)}\u00a0:\u00a01`;

/** `Repeats the dark blue, 4.2 apart`, with both colours beside each other. */
const NearSaid = ({ near: { of, on, difference }, how }: { near: Near; how: string }) => (
  <>
    <span className="mr-1.5 inline-flex align-middle" aria-hidden>
      <Patch colour={of.colour} />
      <Patch colour={on.colour} />
    </span>
    {how === "repeats" ? "Repeats" : "Carries over"} the {on.name}, {difference.toFixed(1)} apart
  </>
);

const Patch = ({ colour }: { colour: string }) => (
  <svg viewBox="0 0 20 20" className="size-5 border border-line" aria-hidden>
    <title>{colour}</title>
    <rect width="20" height="20" fill={colour} />
  </svg>
);

const Swatches = ({ colours }: { colours: readonly Swatch[] }) => (
  <ul className="flex flex-wrap gap-x-3 gap-y-1">
    {colours.map(({ colour, name }) => (
      <li key={colour} className="flex items-center gap-1">
        <Patch colour={colour} />
        {name}
      </li>
    ))}
  </ul>
);

const Colours = ({ title, colours }: { title: string; colours: readonly Swatch[] }) => (
  <section aria-label={title} className="grid gap-1 text-sm">
    <h2 className="text-base font-medium">{title}</h2>
    {colours.length > 0 ? <Swatches colours={colours} /> : <p className="text-quiet">Its pictures are not read yet.</p>}
  </section>
);
