import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { Options } from "#app/parts/options.tsx";
import { caliperOf, materialOf, type Thing } from "#core/drawer/thing.ts";
import { MATERIAL_IDS, MATERIALS, type MaterialId, type Micrometres, micrometres } from "#core/material/material.ts";
import {
  BASES,
  type Basis,
  caliperByBulk,
  caliperOfStack,
  type Grammage,
  grammageOf,
} from "#core/material/measured.ts";
import { parseLength, type Unit } from "#core/measure/length.ts";

/** What it is made of, and how thick one is: typical until a stack was measured. */
export function MadeOf({
  draft,
  unit,
  onChange,
}: {
  draft: Thing;
  unit: Unit;
  onChange: (some: Partial<Thing>) => void;
}) {
  const [high, setHigh] = useState("");
  const [sheets, setSheets] = useState(10);
  const length = high.trim() === "" ? null : parseLength(high, unit);
  const found = length?.ok ? caliperOfStack(length.length, sheets) : null;
  const usual = materialOf({ ...draft, material: null });
  return (
    <div className="grid gap-2 border-t border-line pt-3">
      <SelectField
        label="Made of"
        value={draft.material ?? ""}
        onChange={(event) => onChange({ material: (event.target.value || null) as MaterialId | null })}
      >
        <Options
          all={[
            ["", `as usual: ${MATERIALS[usual].name}`] as const,
            ...MATERIAL_IDS.map((id) => [id, MATERIALS[id].name] as const),
          ]}
        />
      </SelectField>
      <p className="text-sm">
        One is {thickSaid(caliperOf(draft))} thick,{" "}
        {draft.caliper === null ? "typically; not measured" : "as you measured or reckoned it"}.{" "}
        {draft.caliper !== null && (
          <button type="button" className="link" onClick={() => onChange({ caliper: null })}>
            Forget that
          </button>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-2 text-sm">
        <label className="grid gap-0.5">
          <span className="text-quiet">A stack of</span>
          <input
            type="number"
            min={1}
            max={1000}
            className="field w-20 py-1"
            value={sheets}
            onChange={(event) => setSheets(Math.max(1, Math.min(1000, Math.trunc(Number(event.target.value)))))}
          />
        </label>
        <label className="grid gap-0.5">
          <span className="text-quiet">is high</span>
          <input
            className="field w-24 py-1"
            value={high}
            placeholder={unit === "inch" ? "1/8" : "2.9 mm"}
            onChange={(event) => setHigh(event.target.value)}
          />
        </label>
        <Button
          small
          disabled={!found || found > 100_000 || found < 1}
          onClick={() => {
            onChange({ caliper: found && micrometres(found) });
            setHigh("");
          }}
        >
          {found ? `One is ${thickSaid(found)}` : "One is …"}
        </Button>
      </div>
      <ByWeight onFound={(caliper) => onChange({ caliper })} />
    </div>
  );
}

const BASIS_NAME: Readonly<Record<Basis, string>> = {
  bond: "lb bond",
  text: "lb text",
  cover: "lb cover",
  index: "lb index",
  tag: "lb tag",
};

/** How thick one is by what it weighs and how bulky it is, as papers are sold. */
function ByWeight({ onFound }: { onFound: (caliper: Micrometres) => void }) {
  const [weight, setWeight] = useState("");
  const [basis, setBasis] = useState<Basis | "metric">("cover");
  const [bulk, setBulk] = useState("1.3");
  const [heavy, bulky] = [weight, bulk].map((text) => Number(text.replace(",", ".")));
  const isSaid = (n: number | undefined, most: number): n is number => n !== undefined && n > 0 && n < most;
  const grammage = isSaid(heavy, 2000) ? (basis === "metric" ? (heavy as Grammage) : grammageOf(heavy, basis)) : null;
  const found = grammage && isSaid(bulky, 5) ? caliperByBulk(grammage, bulky) : null;
  return (
    <details className="text-sm">
      <summary className="min-h-8 w-fit cursor-pointer content-center text-quiet hover:text-ember">
        By its weight
      </summary>
      <div className="flex flex-wrap items-end gap-2">
        <label className="grid gap-0.5">
          <span className="text-quiet">It weighs</span>
          <input
            className="field w-20 py-1"
            inputMode="decimal"
            value={weight}
            placeholder="80"
            onChange={(event) => setWeight(event.target.value)}
          />
        </label>
        <select
          aria-label="Weighed in"
          className="field w-auto py-1"
          value={basis}
          onChange={(event) => setBasis(event.target.value as Basis | "metric")}
        >
          <Options all={[["metric", "g/m²"] as const, ...BASES.map((each) => [each, BASIS_NAME[each]] as const)]} />
        </select>
        <label className="grid gap-0.5">
          <span className="text-quiet">Bulk, cm³/g</span>
          <input
            className="field w-20 py-1"
            inputMode="decimal"
            value={bulk}
            onChange={(event) => setBulk(event.target.value)}
          />
        </label>
        <Button small disabled={!found} onClick={() => found && onFound(found)}>
          {found ? `One is ${thickSaid(found)}` : "One is …"}
        </Button>
      </div>
      {grammage && basis !== "metric" && <p className="pt-1 text-quiet">That is {Math.round(grammage)} g/m².</p>}
    </details>
  );
}

/** `0.29 mm`: to the hundredth, as calipers say it. */
const thickSaid = (micrometer: number): string => `${Math.round(micrometer / 10) / 100} mm`;
