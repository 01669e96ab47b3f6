import { useState } from "react";
import { SelectField } from "#app/parts/field.tsx";
import { Options } from "#app/parts/options.tsx";
import { ADVICE, LABEL_FIRST, PURPOSE_NAME } from "#app/wording/drawer.ts";
import { adhesiveFor, PURPOSES, type Purpose } from "#core/material/adhesive.ts";
import { MATERIAL_IDS, MATERIALS, type MaterialId } from "#core/material/material.ts";

const ALL = MATERIAL_IDS.map((id) => [id, MATERIALS[id].name] as const);

/** With what one thing is stuck to another, and where not. */
export function Adhesive() {
  const [one, setOne] = useState<MaterialId>("photo-paper");
  const [other, setOther] = useState<MaterialId>("cardstock-80");
  const [purpose, setPurpose] = useState<Purpose>("flat");
  const [first, ...rest] = adhesiveFor(one, other, purpose);
  return (
    <section aria-labelledby="adhesive" className="grid gap-3">
      <h2 id="adhesive" className="border-b border-line pb-1 text-xl">
        Which adhesive
      </h2>
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="This" value={one} onChange={(event) => setOne(event.target.value as MaterialId)}>
          <Options all={ALL} />
        </SelectField>
        <SelectField label="onto this" value={other} onChange={(event) => setOther(event.target.value as MaterialId)}>
          <Options all={ALL} />
        </SelectField>
      </div>
      <SelectField label="and it" value={purpose} onChange={(event) => setPurpose(event.target.value as Purpose)}>
        <Options all={PURPOSES.map((each) => [each, PURPOSE_NAME[each]] as const)} />
      </SelectField>
      <div role="status" className="grid gap-1">
        {first && <p className="font-medium">{ADVICE[first]}</p>}
        {rest.map((each) => (
          <p key={each} className="text-sm">
            {ADVICE[each]}
          </p>
        ))}
      </div>
      <p className="text-sm text-quiet">{LABEL_FIRST}</p>
    </section>
  );
}
