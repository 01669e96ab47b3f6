import { LengthBox } from "#app/parts/length-box.tsx";
import type { Craft, Sizes } from "#core/craft/craft.ts";
import { ticks, type Unit } from "#core/measure/length.ts";

type Props = {
  readonly of: Craft;
  readonly sizes: Sizes;
  readonly unit: Unit;
  readonly onSet: (id: string, value: number) => void;
};

/** Everything that can be set of a construction; what is not set by hand follows what goes in and where it goes. */
export function SettingsForm({ of, sizes, unit, onSet }: Props) {
  return (
    <fieldset className="grid grid-cols-2 items-end gap-x-4 gap-y-3">
      <legend className="sr-only">Its measures</legend>
      {Object.entries(of.settings).map(([id, { name, counts, ways, least, most }]) => {
        const value = sizes[id] ?? 0;
        if (ways)
          return (
            <label key={id} className="grid gap-0.5 text-sm">
              <span className="text-quiet">{name}</span>
              <select
                className="field w-full py-1"
                value={value}
                onChange={(event) => onSet(id, Number(event.target.value))}
              >
                {ways.map((way, nth) => (
                  <option key={way} value={nth}>
                    {way}
                  </option>
                ))}
              </select>
            </label>
          );
        if (counts)
          return (
            <label key={id} className="grid gap-0.5 text-sm">
              <span className="text-quiet">{name}</span>
              <input
                type="number"
                className="field w-full py-1"
                min={least}
                max={most}
                value={value}
                onChange={(event) => {
                  const next = Math.round(event.target.valueAsNumber);
                  if (Number.isFinite(next)) onSet(id, Math.max(0, Math.min(99, next)));
                }}
              />
            </label>
          );
        return (
          <LengthBox
            key={id}
            label={name}
            value={ticks(value)}
            unit={unit}
            range={least > 0 ? "positive" : "zero"}
            whileTyping
            onTake={(length) => onSet(id, length)}
          />
        );
      })}
    </fieldset>
  );
}
