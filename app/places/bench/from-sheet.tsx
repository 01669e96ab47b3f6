import { useMemo, useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { many } from "#app/wording/count.ts";
import type { Craft, Goes, Sizes, Stock } from "#core/craft/craft.ts";
import { blanksOf, largestOf, ofSheets, USUAL_SHEETS } from "#core/drawer/of-sheets.ts";
import { sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { printSize, saySize } from "#core/measure/size.ts";

type Props = {
  readonly of: Craft;
  readonly sizes: Sizes;
  readonly stock: Stock;
  readonly goes: Goes;
  readonly unit: Unit;
  readonly onSet: (id: string, value: number) => void;
};

/** What it takes of a sheet of its paper, what is left over, and the largest that one sheet allows. */
export function FromSheet({ of, sizes, stock, goes, unit, onSet }: Props) {
  const sheets = USUAL_SHEETS[unit];
  const [nth, setNth] = useState(0);
  const [hasTop, setTop] = useState(false);
  const sheet = sheets[nth] ?? sheets[0];
  const blanks = useMemo(() => blanksOf(of, sizes, stock, goes), [of, sizes, stock, goes]);
  const taken = useMemo(() => blanks && ofSheets(blanks, sheet, !hasTop), [blanks, sheet, hasTop]);
  // The first of its lengths is the one it grows by.
  const [setting] = Object.entries(of.settings).flatMap(([id, { counts, ways }]) => (counts || ways ? [] : [id]));
  const [asked, setAsked] = useState<number | "none" | null>(null);
  if (!blanks || blanks.length === 0 || !taken || !setting) return null;
  const name = of.settings[setting]?.name ?? "";
  return (
    <section aria-labelledby="of-a-sheet" className="grid gap-2">
      <h2 id="of-a-sheet" className="text-lg">
        Of its paper
      </h2>
      <SelectField
        label="Cut from sheets of"
        value={nth}
        onChange={(event) => {
          setNth(Number(event.target.value));
          setAsked(null);
        }}
      >
        {sheets.map((each, at) => (
          <option key={printSize(each, unit)} value={at}>
            {printSize(each, unit)}
          </option>
        ))}
      </SelectField>
      <label className="flex min-h-8 items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="size-5 accent-ember"
          checked={hasTop}
          onChange={(event) => {
            setTop(event.target.checked);
            setAsked(null);
          }}
        />
        Its pattern has a top: nothing is turned
      </label>
      <p className="text-sm">
        {taken.tooLarge
          ? "A part of it is larger than a sheet."
          : `${many(taken.sheets, "sheet")}${taken.rest ? `; ${saySize(taken.rest, unit)} is left over` : ", all of it"}.`}
      </p>
      <Button
        small
        className="justify-self-start"
        onClick={() => setAsked(largestOf(of, sizes, setting, stock, goes, sheet, !hasTop) ?? "none")}
      >
        The largest one sheet allows
      </Button>
      {asked === "none" && (
        <p className="text-sm" role="status">
          As it is set it takes more than one sheet.
        </p>
      )}
      {asked !== null && asked !== "none" && (
        <p className="flex flex-wrap items-center gap-3 text-sm" role="status">
          {name}: at most {sayLength(ticks(asked), unit)}.
          <Button
            small
            onClick={() => {
              onSet(setting, asked);
              setAsked(null);
            }}
          >
            Make it so
          </Button>
        </p>
      )}
    </section>
  );
}
