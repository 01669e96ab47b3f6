import { Fragment, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { focusNextOf } from "#app/parts/focus.ts";
import { newId } from "#app/parts/new-id.ts";
import { Options } from "#app/parts/options.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { BaseOf } from "#app/places/arrange/base-of.tsx";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import { PocketsField } from "#app/places/arrange/pockets-field.tsx";
import { FACE_NAME } from "#app/wording/book.ts";
import { FOUNDATION_HINT, FOUNDATION_NAME, INSERT_NAME } from "#app/wording/day.ts";
import { CARD_SIZES, PRINT_SIZES } from "#core/album/formats.ts";
import {
  FACES,
  INSERT_KINDS,
  type InsertKind,
  LEAF_KINDS,
  type Leaf,
  type LeafKind,
  type LeafMake,
  PLAIN_PAPER,
} from "#core/album/leaf.ts";
import { givingUp } from "#core/book/giving-up.ts";
import { POCKET_LAYOUTS } from "#core/book/layout.ts";
import { inches, millimetres } from "#core/measure/length.ts";
import { sameSize } from "#core/measure/size.ts";
import { useDayLeaves } from "./use-day-now.ts";
import type { DayView } from "./view.ts";

type Save = (leaf: Leaf, change: Partial<LeafMake>, pause?: boolean) => void;

const ofKind = (kind: LeafKind, layout: string | null) => ({
  kind,
  layout: kind === "pocket" ? (layout ?? POCKET_LAYOUTS[0]?.id ?? null) : null,
});

/** The leaves a day has a side of, each said what it is: pages first to last, then inserts. */
export function LeafFields({ view }: { view: DayView }) {
  const { change } = useBookEdits();
  const { leaves, own } = useDayLeaves(view);
  const [first] = view.parts;
  if (!first) return null;
  const save: Save = (leaf, what, pause) =>
    change(leaves, { kind: "make", leaf: leaf.id, make: { ...leaf.make, ...what } }, `make:${leaf.id}`, pause);
  const give = (make: LeafMake) => {
    const id = newId();
    change(leaves, { kind: "give-leaf", id, make, dayId: first.id });
  };
  const takeOut = (leaf: Leaf) => {
    for (const edit of givingUp(leaf, new Set(view.parts.map(({ id }) => id)))) change(leaves, edit);
  };
  const pages = own.filter(({ make }) => make.insert === null);
  const inserts = own.filter(({ make }) => make.insert !== null);
  const usual = {
    w: view.unit === "inch" ? inches(3) : millimetres(70),
    h: view.unit === "inch" ? inches(8) : millimetres(148),
  };
  return (
    <>
      {pages.length === 0 && (
        <div className="grid grid-cols-2 gap-3">
          <KindField
            name="Foundation page"
            kind={null}
            onPick={(kind) => kind && give({ ...PLAIN_PAPER, ...ofKind(kind, null) })}
          />
          <p className="self-end pb-2 text-sm text-quiet">
            A page made ready leaves only words and a print for the day.
          </p>
          {view.sharable.length > 0 && (
            <SelectField
              label="Or a place on another’s page"
              value=""
              onChange={(event) => {
                const side = view.sharable[Number(event.target.value)];
                if (event.target.value !== "" && side)
                  change(leaves, {
                    kind: "share-side",
                    leaf: side.leaf,
                    face: side.face,
                    dayId: first.id,
                    shares: true,
                  });
              }}
            >
              <Options all={[["", "None"], ...view.sharable.map(({ said }, at) => [String(at), said] as const)]} />
            </SelectField>
          )}
        </div>
      )}
      {pages.map((leaf, at) => (
        <PageFields
          key={leaf.id}
          leaf={leaf}
          view={view}
          name={at === 0 ? "" : ` ${at + 1}`}
          save={save}
          give={give}
          takeOut={takeOut}
        />
      ))}
      {view.bound.sewn > 0 && (
        <p className="text-sm text-quiet">
          {view.bound.used} of the book’s {view.bound.sewn} sewn leaves are used.
        </p>
      )}
      {pages.length > 0 && (
        <Button
          small
          className="justify-self-start"
          onClick={() => give({ ...(pages.at(-1)?.make ?? PLAIN_PAPER), basePaper: "", note: "" })}
        >
          Add a page
        </Button>
      )}
      <div className="grid gap-2">
        <span className="text-sm font-medium">Inserts</span>
        {inserts.map((leaf, at) => (
          <InsertFields key={leaf.id} leaf={leaf} view={view} at={at + 1} save={save} takeOut={takeOut} />
        ))}
        <Button
          small
          className="justify-self-start"
          data-adds="insert"
          onClick={() => give({ ...PLAIN_PAPER, insert: "leaf", size: usual })}
        >
          Add an insert
        </Button>
      </div>
    </>
  );
}

type LeafProps = {
  readonly leaf: Leaf;
  readonly view: DayView;
  readonly save: Save;
  readonly takeOut: (leaf: Leaf) => void;
};

function KindField({
  name,
  kind,
  onPick,
}: {
  name: string;
  kind: LeafKind | null;
  onPick: (kind: LeafKind | null) => void;
}) {
  return (
    <SelectField
      label={name}
      value={kind ?? ""}
      onChange={(event) => onPick(LEAF_KINDS.find((each) => each === event.target.value) ?? null)}
    >
      <Options
        all={[["", kind ? "No page" : "None yet"], ...LEAF_KINDS.map((each) => [each, FOUNDATION_NAME[each]] as const)]}
      />
    </SelectField>
  );
}

/** What one page of the day is. `name` tells the second and later ones apart. */
function PageFields({
  leaf,
  view,
  name,
  save,
  give,
  takeOut,
}: LeafProps & { name: string; give: (make: LeafMake) => void }) {
  const { make } = leaf;
  const size = make.size ?? view.albumSize;
  return (
    <div className={`grid gap-3 ${name ? "border-t border-line pt-3" : ""}`}>
      <div className="grid grid-cols-2 gap-3">
        <KindField
          name={`Foundation page${name}`}
          kind={make.kind}
          onPick={(kind) => {
            if (!kind) takeOut(leaf);
            // What is sewn in is of the book's own paper: another kind is added beside it.
            else if (leaf.sewn) give({ ...PLAIN_PAPER, ...ofKind(kind, null) });
            else save(leaf, ofKind(kind, make.layout));
          }}
        />
        {make.kind === "pocket" ? (
          <PocketsField
            label={`Pockets${name}`}
            make={make}
            own={view.ownLayouts}
            album={view.albumSize}
            unit={view.unit}
            onPick={(change) => save(leaf, change)}
          />
        ) : (
          <p className="self-end pb-2 text-sm text-quiet">
            {leaf.sewn ? "Sewn in. Another kind is tipped in beside it." : FOUNDATION_HINT[make.kind]}
          </p>
        )}
      </div>
      <div className="grid gap-1">
        <span className="text-sm font-medium">Page size{name}</span>
        <div className="flex flex-wrap items-center gap-3">
          <SizePicker
            label={`Page size${name}`}
            value={size}
            choices={[view.albumSize, ...PRINT_SIZES.filter((each) => !sameSize(each, view.albumSize))]}
            unit={view.unit}
            onPick={(picked) => save(leaf, { size: sameSize(picked, view.albumSize) ? null : picked })}
          />
          <span className="text-sm text-quiet">{make.size ? "this page’s own" : "the album’s"}</span>
        </div>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SavedLine
          label={`Base paper${name}`}
          saved={make.basePaper}
          placeholder="Base paper"
          onChange={(basePaper) => save(leaf, { basePaper }, true)}
        />
        <SavedLine
          label={`Note on the page${name}`}
          saved={make.note}
          placeholder="Note on the page"
          onChange={(note) => save(leaf, { note }, true)}
        />
      </div>
      <BaseOf make={make} albumId={view.albumId} name={`page${name}`} onChange={(change) => save(leaf, change)} />
      <Shared leaf={leaf} view={view} />
    </div>
  );
}

function InsertFields({ leaf, view, at, save, takeOut }: LeafProps & { at: number }) {
  const { make } = leaf;
  return (
    <div className="grid gap-1.5 border-l-2 border-line pl-3">
      <div className="flex flex-wrap items-center gap-2">
        <select
          aria-label={`Kind of insert ${at}`}
          className="field w-auto py-1 text-sm"
          value={make.insert ?? "leaf"}
          onChange={(event) => save(leaf, { insert: event.target.value as InsertKind })}
        >
          <Options all={INSERT_KINDS.map((kind) => [kind, INSERT_NAME[kind]] as const)} />
        </select>
        <SizePicker
          label={`Size of insert ${at}`}
          value={make.size ?? view.albumSize}
          choices={CARD_SIZES}
          unit={view.unit}
          onPick={(size) => save(leaf, { size })}
        />
        <Button
          look="quiet"
          small
          aria-label={`Remove insert ${at}`}
          data-one-of="insert"
          onClick={(event) => {
            focusNextOf("insert", event.currentTarget);
            takeOut(leaf);
          }}
        >
          Remove
        </Button>
      </div>
      <SavedLine
        label={`Note on insert ${at}`}
        saved={make.note}
        placeholder="What it is, what it holds"
        onChange={(note) => save(leaf, { note }, true)}
      />
      <BaseOf make={make} albumId={view.albumId} name={`insert ${at}`} onChange={(change) => save(leaf, change)} />
      <Shared leaf={leaf} view={view} />
    </div>
  );
}

type LineProps = {
  readonly label: string;
  readonly saved: string;
  readonly placeholder: string;
  readonly onChange: (text: string) => void;
};

/** A line whose words stay as they are typed while they are being saved. */
function SavedLine({ label, saved, placeholder, onChange }: LineProps) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      aria-label={label}
      className="field"
      value={typed ?? saved}
      maxLength={500}
      placeholder={placeholder}
      onBlur={() => setTyped(null)}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(event.target.value);
      }}
    />
  );
}

/** Who else has a side of this leaf, or shares one: what is changed of the leaf is changed for all. */
function Shared({ leaf, view }: { leaf: Leaf; view: DayView }) {
  const own = new Set(view.parts.map(({ id }) => id));
  const others = FACES.flatMap((face) => {
    const { owner, guests } = leaf[face];
    const isOwn = owner.kind === "nobody" || own.has(owner.dayId);
    const ending = guests.some(({ dayId }) => own.has(dayId)) ? ", and shared" : "";
    return [
      ...(owner.kind === "day" && !isOwn ? [{ face, dayId: owner.dayId, before: "is for", ending }] : []),
      ...guests.flatMap(({ dayId }) => (own.has(dayId) ? [] : [{ face, dayId, before: "is shared with", ending: "" }])),
    ];
  });
  if (others.length === 0) return null;
  return (
    <p className="text-sm text-quiet">
      {others.map(({ face, dayId, before, ending }) => (
        <Fragment key={`${face}${dayId}`}>
          Its {FACE_NAME[face].toLowerCase()} {before} <Neighbour view={view} dayId={dayId} />
          {ending}.{" "}
        </Fragment>
      ))}
      One leaf: what you change of it here changes there.
    </p>
  );
}

/** Another day, or page of the front or back matter, by its name, and the way there. */
function Neighbour({ view, dayId }: { view: DayView; dayId: string }) {
  const page = view.bench.neighbours.find(({ days }) => days.some(({ id }) => id === dayId));
  const at = page && inBookAt(page);
  if (!page || !at) return "a day that is set aside";
  return (
    <Link to={to.entry(view.albumId, at)} className="link also-printed">
      {inBookName(page)}
    </Link>
  );
}
