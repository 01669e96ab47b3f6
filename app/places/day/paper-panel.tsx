import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { SelectField } from "#app/parts/field.tsx";
import { Options } from "#app/parts/options.tsx";
import { KeepersOnly } from "#app/parts/role.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { NUMERAL_NAME } from "#app/wording/day.ts";
import { NUMERAL_STYLES, type NumeralStyle } from "#core/album/model.ts";
import { LeafFields } from "./leaf-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import { useDayLeaves } from "./use-day-now.ts";
import type { DayPart, DayView } from "./view.ts";

/** The day's paper: the leaves it has sides of, and its number. */
export function PaperPanel({ view }: { view: DayView }) {
  const [first] = view.parts;
  const { own } = useDayLeaves(view);
  if (!first) return null;
  return (
    <Panel id="paper" ring="paper" state={view.states.paper} name="Paper" aside={view.sizeSaid}>
      <KeepersOnly>
        <LeafFields view={view} />
        {view.label && <NumeralFields view={view} part={first} />}
      </KeepersOnly>
      <p className="flex flex-wrap gap-x-5 text-sm">
        {view.date && (
          <Link to={to.foundations(view.albumId, { days: view.date })} className="link flex min-h-9 items-center">
            Take a template
          </Link>
        )}
        <Link to={to.pockets(view.albumId)} className="link flex min-h-9 items-center">
          Other pockets
        </Link>
      </p>
      {own.length === 0 && <Without day={first} part="paper" />}
    </Panel>
  );
}

function NumeralFields({ view, part }: { view: DayView; part: DayPart }) {
  const put = usePut();
  const now = part.content.numeral;
  const save = (style: NumeralStyle, note: string, pause = false) =>
    put(
      `${part.id}:numeral`,
      { what: "edit", dayId: part.id, base: part.version, edit: { kind: "numeral", style, note } },
      pause,
    );
  return (
    <div className="grid grid-cols-2 items-end gap-3">
      <SelectField
        label={`Number ${view.label}`}
        value={now.style}
        onChange={(event) => save(event.target.value as NumeralStyle, now.note)}
      >
        <Options all={NUMERAL_STYLES.map((style) => [style, NUMERAL_NAME[style]] as const)} />
      </SelectField>
      <input
        aria-label="Note on the number"
        className="field"
        value={now.note}
        maxLength={500}
        placeholder="Which set, which colour"
        onChange={(event) => save(now.style, event.target.value, true)}
      />
    </div>
  );
}
