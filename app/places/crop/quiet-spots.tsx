import { inches, type Unit } from "#core/measure/length.ts";
import { printSize, type Size, size } from "#core/measure/size.ts";
import type { quietSpots } from "#core/photo/quiet.ts";

/** A label or a number that is looked for a place for: a number circle is 1¼ across (common practice). */
export const LABELS: readonly { readonly name: string; readonly size: Size }[] = [
  { name: "Number circle", size: size(inches(1.25), inches(1.25)) },
  { name: "Small number circle", size: size(inches(1), inches(1)) },
  { name: "Large number circle", size: size(inches(2), inches(2)) },
  { name: "Small strip", size: size(inches(1.5), inches(0.375)) },
  { name: "Strip", size: size(inches(2), inches(0.5)) },
  { name: "Long strip", size: size(inches(4), inches(0.5)) },
  { name: "Small label", size: size(inches(1), inches(0.5)) },
  { name: "Label", size: size(inches(1.5), inches(0.75)) },
  { name: "Large label", size: size(inches(2.5), inches(1.5)) },
  { name: "Upright label", size: size(inches(1), inches(2)) },
];
const READS = { quiet: "reads at once", vellum: "put vellum between", busy: "too busy" } as const;

/** Where on the print a label or number of a size reads, the best place first. */
export function Quiet({
  label,
  onLabel,
  spots,
  unit,
}: {
  unit: Unit;
  label: number | null;
  onLabel: (label: number | null) => void;
  spots: ReturnType<typeof quietSpots>;
}) {
  return (
    <section aria-label="Quiet spots" className="grid gap-2 border-t border-line pt-3">
      <label className="grid gap-1 font-medium">
        Where would this read well?
        <select
          className="field font-normal"
          value={label ?? ""}
          onChange={(event) => onLabel(event.target.value === "" ? null : Number(event.target.value))}
        >
          <option value="">Choose a label or number</option>
          {LABELS.map(({ name, size: large }, at) => (
            <option key={name} value={at}>
              {name}, {printSize(large, unit)}
            </option>
          ))}
        </select>
      </label>
      {label !== null &&
        (spots.length === 0 ? (
          <p className="text-sm">No quiet spot of that size. Put it on the white border, on a card, or on vellum.</p>
        ) : (
          <ol className="grid gap-1 text-sm">
            {spots.map((spot, at) => (
              <li key={`${spot.at.x} ${spot.at.y}`} className="flex gap-2">
                <span className="font-numeral font-semibold">{at + 1}</span>
                {spot.lettering === "light" ? "Light" : "Dark"} lettering, {spot.contrast} to 1; {READS[spot.reads]}.
              </li>
            ))}
          </ol>
        ))}
    </section>
  );
}

/** The picture's own colours, to hold a card or a paper against. */
export function Colours({ colours }: { colours: readonly { readonly colour: string; readonly name: string }[] }) {
  return (
    <section aria-label="Its colours" className="border-t border-line pt-3">
      <p className="mb-1.5 font-medium">Its colours, the most of it first</p>
      <ul className="flex flex-wrap gap-2">
        {colours.map(({ colour, name }) => (
          <li key={colour} className="grid justify-items-center text-xs text-quiet" title={colour}>
            <svg viewBox="0 0 40 28" className="h-7 w-10" aria-hidden="true">
              <rect width="40" height="28" fill={colour} />
            </svg>
            {name}
          </li>
        ))}
      </ul>
    </section>
  );
}
