import { type ReactNode, useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Options } from "#app/parts/options.tsx";
import { leftSaid, SITS_NAME, takenSaid } from "#app/wording/drawer.ts";
import { AS_USUAL, type MadeOf, MOST_LAYERS, SITS, thicknessOf } from "#core/album/made-of.ts";
import { isMaterial, MATERIAL_IDS, MATERIALS, type MaterialId } from "#core/material/material.ts";
import { lackingOf, mayTake, type StockList, type Takes } from "./stock.ts";

type Props = {
  readonly albumId: string;
  /** What it is: `this card`, `the base of this page`. */
  readonly name: string;
  /** What it is of as long as nobody says so; null: it has no thickness. */
  readonly usual: MaterialId | null;
  readonly of: MadeOf | null | undefined;
  readonly takes: Takes;
  /** The number or the words on it. */
  readonly says: string | null;
  /** On the dark bar under the mat, or in a panel beside it. */
  readonly look: "mat" | "panel";
  /** `thing` is what it is taken from by its name, where it is of the drawer. */
  readonly onTake: (of: MadeOf, thing: string | null) => void;
};

const THING = "thing:";
const LAYERS = Array.from({ length: MOST_LAYERS }, (_, at) => [String(at + 1), String(at + 1)] as const);

/** What something is made of: as usual, of a thing of the drawer, or of another material; its layers, and what holds it. */
export function MadeOfFields({ albumId, name, usual, of, takes, says, look, onTake }: Props) {
  const { data, load, state } = useFetcher<StockList>({ key: `stock ${albumId}` });
  const [open, setOpen] = useState(false);
  const isWanted = open || typeof of?.thing === "string";
  useEffect(() => {
    if (isWanted && !data && state === "idle") load(to.stock(albumId));
  }, [isWanted, data, state, load, albumId]);
  const now = of ?? AS_USUAL;
  const thing = data?.find(({ id }) => id === now.thing);
  const offered = (data ?? []).filter((each) => mayTake(takes, each) || each.id === now.thing);
  const material = now.material ?? thing?.material ?? usual;
  const said = now.thing ? (thing?.name ?? "of the drawer") : material ? MATERIALS[material].name : "ink alone";
  const thick = thicknessOf(material, of, now.material ? null : (thing?.caliper ?? null)) / 1000;
  const field = look === "mat" ? "mat-field" : "field py-1 text-sm";
  const pick = (value: string) => {
    const id = value.startsWith(THING) ? value.slice(THING.length) : null;
    const material = isMaterial(value) ? value : null;
    // How it looks comes with the album, once it is kept.
    const { shows: _, ...rest } = now;
    onTake({ ...rest, thing: id, material, cut: false }, data?.find((each) => each.id === id)?.name ?? null);
  };
  return (
    <details
      className={look === "mat" ? "basis-full text-sm" : "text-sm"}
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-8 cursor-pointer content-center">
        Made of {said}
        {now.layers > 1 ? `, ${now.layers} layers` : ""}
        {thing && ` · ${takenSaid(thing.stock)}`}
      </summary>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2 pb-1">
        <Labelled said="Material">
          <select
            className={field}
            aria-label={`Material of ${name}`}
            value={now.thing ? THING + now.thing : (now.material ?? "")}
            onChange={(event) => pick(event.target.value)}
          >
            <option value="">as usual: {usual ? MATERIALS[usual].name : "ink alone"}</option>
            {now.thing && !thing && <option value={THING + now.thing}>of the drawer</option>}
            {offered.length > 0 && (
              <optgroup label="From the drawer">
                {offered.map((each) => (
                  <option key={each.id} value={THING + each.id}>
                    {each.name} · {leftSaid(each.stock.left, lackingOf(each, says))}
                  </option>
                ))}
              </optgroup>
            )}
            <optgroup label="Another material">
              {MATERIAL_IDS.map((id) => (
                <option key={id} value={id}>
                  {MATERIALS[id].name}
                </option>
              ))}
            </optgroup>
          </select>
        </Labelled>
        <Labelled said="Layers">
          <select
            className={field}
            aria-label={`Layers of ${name}`}
            value={now.layers}
            onChange={(event) => onTake({ ...now, layers: Number(event.target.value) }, null)}
          >
            <Options all={LAYERS} />
          </select>
        </Labelled>
        {takes !== "base" && (
          <Labelled said="Held by">
            <select
              className={field}
              aria-label={`What holds ${name}`}
              value={now.sits ?? ""}
              onChange={(event) =>
                onTake({ ...now, sits: SITS.find((each) => each === event.target.value) ?? null }, null)
              }
            >
              <option value="">glue, or its pocket</option>
              {SITS.map((each) => (
                <option key={each} value={each}>
                  {SITS_NAME[each]}
                </option>
              ))}
            </select>
          </Labelled>
        )}
        <span className="min-h-8 content-center">
          {thick.toFixed(2)} mm{now.material || !thing ? ", typical" : ""}
        </span>
      </div>
    </details>
  );
}

/** A field under its short name; its whole one is read to whoever does not see beside what it stands. */
const Labelled = ({ said, children }: { said: string; children: ReactNode }) => (
  <span className="grid gap-0.5">
    <span aria-hidden>{said}</span>
    {children}
  </span>
);
