import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { cutterSaid } from "#app/wording/cutter.ts";
import type { Made } from "#core/craft/craft.ts";
import { CUTTER_MATS, cutFile } from "#core/format/cut-file.ts";
import type { CutterSays } from "#core/format/cutter.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { SvgFile } from "./svg-file.tsx";

/** A cutter is loaded when it is asked: what reads its files is not small. */
const cutter = () => import("#core/format/cutter.ts");

/** The cutting machine that ships with the program, simulated: it takes the file for it, or one of one's own, or says why not. */
export function Cutter({ made, name, unit }: { made: Made; name: string; unit: Unit }) {
  const [nth, setNth] = useState(0);
  const [says, setSays] = useState<{ readonly of: string; readonly says: CutterSays } | null>(null);
  const send = async (of: string, file: string) => {
    const { cutOn } = await cutter();
    setSays({ of, says: cutOn(file, CUTTER_MATS[nth] ?? CUTTER_MATS[0]) });
  };
  return (
    <section aria-labelledby="cutter" className="grid gap-3">
      <h2 id="cutter" className="text-lg">
        Cutting machine, simulated
      </h2>
      <SelectField label="Its mat" value={nth} onChange={(event) => setNth(Number(event.target.value))}>
        {CUTTER_MATS.map((mat, at) => (
          <option key={mat.h} value={at}>
            {printSize(mat, unit)}
          </option>
        ))}
      </SelectField>
      <div className="flex flex-wrap items-center gap-3">
        <Button small onClick={() => send(name, cutFile(made, name))}>
          Send it this one
        </Button>
        <SvgFile label="Or an SVG file of your own" onText={(text, of) => send(of, text)} />
      </div>
      <div role="status" className="grid gap-1 text-sm">
        {says &&
          cutterSaid(says.says, unit).map((words) => (
            <p key={words}>
              {says.says.ok ? `${says.of}: ` : ""}
              {words}
            </p>
          ))}
      </div>
    </section>
  );
}
