import { useState } from "react";
import { to } from "#app/addresses.ts";
import { SelectField } from "#app/parts/field.tsx";
import { many } from "#app/wording/count.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize, type Size } from "#core/measure/size.ts";

type Props = {
  readonly albumId: string;
  /** The pieces whose templates are wanted. */
  readonly chosen: readonly string[];
  readonly sheets: readonly Size[];
  readonly unit: Unit;
};

/** The templates of several constructions, together on sheets. */
export function Ganged({ albumId, chosen, sheets, unit }: Props) {
  const [sheet, setSheet] = useState(0);
  const [hasTop, setTop] = useState(false);
  const pieces = chosen.join(",");
  const turn = hasTop ? null : "yes";
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-3 border border-line bg-panel p-3">
      <p className="basis-full text-sm">{many(chosen.length, "construction")} together, each paper by itself.</p>
      <div className="w-44">
        <SelectField label="Sheets of" value={sheet} onChange={({ target }) => setSheet(Number(target.value))}>
          {sheets.map((each, nth) => (
            <option key={printSize(each, unit)} value={nth}>
              {printSize(each, unit)}
            </option>
          ))}
        </SelectField>
      </div>
      <label className="flex min-h-6 items-center gap-2 pb-2 text-sm">
        <input
          type="checkbox"
          className="size-4 accent-ember"
          checked={hasTop}
          onChange={({ target }) => setTop(target.checked)}
        />
        Its pattern has a top: nothing is turned
      </label>
      <p className="flex basis-full flex-wrap gap-x-4 text-sm">
        <a
          href={to.document(albumId, "makings", "chosen.pdf", { pieces, sheet: String(sheet), turn })}
          download
          className="link"
        >
          Templates on sheets, PDF
        </a>
        <a href={to.document(albumId, "cut-file", "chosen.svg", { pieces })} download className="link">
          For a cutter, SVG
        </a>
      </p>
    </div>
  );
}
