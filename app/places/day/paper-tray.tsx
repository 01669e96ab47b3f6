import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Options } from "#app/parts/options.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { pendingOf } from "#app/sending/outbox.ts";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { FOUNDATION_HINT, FOUNDATION_NAME, INSERT_NAME, NUMERAL_NAME } from "#app/wording/day.ts";
import { CARD_SIZES, PRINT_SIZES } from "#core/album/formats.ts";
import {
  FOUNDATION_KINDS,
  type Foundation,
  INSERT_KINDS,
  type Insert,
  NUMERAL_STYLES,
  type NumeralStyle,
} from "#core/album/model.ts";
import { POCKET_LAYOUTS } from "#core/book/layout.ts";
import { inches, millimetres } from "#core/measure/length.ts";
import { sameSize } from "#core/measure/size.ts";
import { KeptLine } from "./kept-fields.tsx";
import { Tray, Without } from "./tray.tsx";
import type { DayPart, DayView } from "./view.ts";

export function PaperTray({ view }: { view: DayView }) {
  const [first] = view.parts;
  const { put } = useOutbox();
  if (!first) return null;
  return (
    <Tray id="paper" ring="paper" state={view.states.paper} name="Paper" aside={view.sizeSaid}>
      <FoundationFields part={first} view={view} />
      <div className="grid gap-1">
        <span className="text-sm font-medium">Page size</span>
        <div className="flex flex-wrap items-center gap-3">
          <SizePicker
            label="Page size"
            value={view.pageSize}
            choices={[view.albumSize, ...PRINT_SIZES.filter((size) => !sameSize(size, view.albumSize))]}
            unit={view.unit}
            onPick={(size) => {
              put(`${first.id}:page-size`, {
                what: "edit",
                dayId: first.id,
                base: first.version,
                edit: { kind: "page-size", size: sameSize(size, view.albumSize) ? null : size },
              });
            }}
          />
          <span className="text-sm text-quiet">{first.content.pageSize ? "this day’s own" : "the album’s"}</span>
        </div>
      </div>
      <NumeralFields view={view} part={first} />
      <Inserts view={view} />
      <p className="flex flex-wrap gap-x-5 text-sm">
        <Link to={to.foundations(view.albumId, { days: view.date })} className="link flex min-h-9 items-center">
          Take a template
        </Link>
        <Link to={to.layouts(view.albumId)} className="link flex min-h-9 items-center">
          Other pockets
        </Link>
      </p>
      {!first.content.foundation && <Without day={first} part="paper" />}
    </Tray>
  );
}

function FoundationFields({ part, view }: { part: DayPart; view: DayView }) {
  const { state, put } = useOutbox();
  const key = `${part.id}:foundation`;
  const pending = pendingOf(state, key);
  const now =
    pending?.what === "edit" && pending.edit.kind === "foundation" ? pending.edit.foundation : part.content.foundation;
  const save = (foundation: Foundation | null, pause = false) =>
    put(key, { what: "edit", dayId: part.id, base: part.version, edit: { kind: "foundation", foundation } }, pause);
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Foundation page"
          value={now?.kind ?? ""}
          onChange={(event) => {
            const kind = FOUNDATION_KINDS.find((each) => each === event.target.value);
            save(
              kind
                ? {
                    kind,
                    layout: kind === "pocket" ? (now?.layout ?? POCKET_LAYOUTS[0]?.id ?? null) : null,
                    basePaper: now?.basePaper ?? "",
                    note: now?.note ?? "",
                  }
                : null,
            );
          }}
        >
          <Options
            all={[["", "None yet"], ...FOUNDATION_KINDS.map((kind) => [kind, FOUNDATION_NAME[kind]] as const)]}
          />
        </SelectField>
        {now?.kind === "pocket" ? (
          <SelectField
            label="Pockets"
            value={now.layout ?? ""}
            onChange={(event) => save({ ...now, layout: event.target.value })}
          >
            <Options all={[...POCKET_LAYOUTS, ...view.ownLayouts].map(({ id, name }) => [id, name] as const)} />
          </SelectField>
        ) : (
          <p className="self-end pb-2 text-sm text-quiet">
            {now ? FOUNDATION_HINT[now.kind] : "A page made ready leaves only words and a print for the day."}
          </p>
        )}
      </div>
      {now && (
        <div className="grid grid-cols-2 gap-3">
          <input
            aria-label="Base paper"
            className="field"
            value={now.basePaper}
            maxLength={500}
            placeholder="Base paper"
            onChange={(event) => save({ ...now, basePaper: event.target.value }, true)}
          />
          <input
            aria-label="Note on the page"
            className="field"
            value={now.note}
            maxLength={500}
            placeholder="Note on the page"
            onChange={(event) => save({ ...now, note: event.target.value }, true)}
          />
        </div>
      )}
    </>
  );
}

function NumeralFields({ view, part }: { view: DayView; part: DayPart }) {
  const { state, put } = useOutbox();
  const key = `${part.id}:numeral`;
  const pending = pendingOf(state, key);
  const now = pending?.what === "edit" && pending.edit.kind === "numeral" ? pending.edit : part.content.numeral;
  const save = (style: NumeralStyle, note: string, pause = false) =>
    put(key, { what: "edit", dayId: part.id, base: part.version, edit: { kind: "numeral", style, note } }, pause);
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

function Inserts({ view }: { view: DayView }) {
  const { state, put } = useOutbox();
  const [first] = view.parts;
  // What was changed a moment ago counts, though the server has not answered yet: the next change builds on it.
  const latest = (part: DayPart, insert: Insert): Insert => {
    const pending = pendingOf(state, `${part.id}:insert:${insert.id}`);
    return pending?.what === "edit" && pending.edit.kind === "change-insert" ? pending.edit.insert : insert;
  };
  const inserts = view.parts.flatMap((part) =>
    part.content.inserts.map((insert) => ({ part, saved: insert.note, insert: latest(part, insert) })),
  );
  const change = (part: DayPart, insert: Insert) =>
    put(`${part.id}:insert:${insert.id}`, {
      what: "edit",
      dayId: part.id,
      base: part.version,
      edit: { kind: "change-insert", insert },
    });
  const usual = {
    w: view.unit === "inch" ? inches(3) : millimetres(70),
    h: view.unit === "inch" ? inches(8) : millimetres(148),
  };
  return (
    <div className="grid gap-2">
      <span className="text-sm font-medium">Inserts</span>
      {inserts.map(({ part, saved, insert }, at) => (
        <div key={insert.id} className="grid gap-1.5 border-l-2 border-line pl-3">
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label={`Kind of insert ${at + 1}`}
              className="field w-auto py-1 text-sm"
              value={insert.kind}
              onChange={(event) => change(part, { ...insert, kind: event.target.value as Insert["kind"] })}
            >
              <Options all={INSERT_KINDS.map((kind) => [kind, INSERT_NAME[kind]] as const)} />
            </select>
            <SizePicker
              label={`Size of insert ${at + 1}`}
              value={insert.size}
              choices={CARD_SIZES}
              unit={view.unit}
              onPick={(size) => change(part, { ...insert, size })}
            />
            <Button
              look="quiet"
              small
              aria-label={`Remove insert ${at + 1}`}
              onClick={() =>
                put(`${part.id}:remove:${insert.id}`, {
                  what: "edit",
                  dayId: part.id,
                  base: null,
                  edit: { kind: "remove-insert", id: insert.id },
                })
              }
            >
              Remove
            </Button>
          </div>
          <KeptLine
            part={part}
            name={`insert:${insert.id}`}
            label={`Note on insert ${at + 1}`}
            saved={saved}
            toEdit={(note) => ({ kind: "change-insert", insert: { ...insert, note } })}
            placeholder="What it is, what it holds"
            className="text-sm"
          />
        </div>
      ))}
      {first && (
        <Button
          small
          className="justify-self-start"
          onClick={() => {
            const id = newId();
            put(`${first.id}:add:${id}`, {
              what: "edit",
              dayId: first.id,
              base: null,
              edit: { kind: "add-insert", insert: { id, kind: "leaf", size: usual, note: "" } },
            });
          }}
        >
          Add an insert
        </Button>
      )}
    </div>
  );
}
