import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { newId } from "#app/parts/new-id.ts";
import { BaseOf } from "#app/places/arrange/base-of.tsx";
import { leafName } from "#app/places/arrange/boards.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import { PocketsField } from "#app/places/arrange/pockets-field.tsx";
import { FACE_NAME, holeWorkSaid } from "#app/wording/book.ts";
import { shortDate } from "#app/wording/dates.ts";
import { FOUNDATION_NAME } from "#app/wording/day.ts";
import { HOLE_PRESET_NAME } from "#app/wording/format.ts";
import { HOLE_PRESETS } from "#core/album/holes.ts";
import {
  FACES,
  type Face,
  LEAF_KINDS,
  type LeafKind,
  type LeafMake,
  NOBODY,
  type Owner,
  PLAIN_PAPER,
} from "#core/album/leaf.ts";
import { MATTER_NAME, matterName } from "#core/album/matter-name.ts";
import { MATTERS, type Matter } from "#core/album/model.ts";
import { isBlank, sewnCount } from "#core/book/bound.ts";
import type { DatedPage, InBook } from "#core/book/dated-page.ts";
import { type Arrangement, asRooms, type BookEdit } from "#core/book/edit.ts";
import { POCKET_LAYOUTS } from "#core/book/layout.ts";
import { holeWork } from "#core/book/old-holes.ts";
import { pieceSize } from "#core/book/piece.ts";
import { type BookRead, type LeafRead, pageOfPiece } from "#core/book/read.ts";
import type { StandsOut } from "#core/book/standing-out.ts";
import { ticks } from "#core/measure/length.ts";
import type { BookData } from "./data.ts";
import { GuestsField } from "./guests-field.tsx";
import { StandingOut } from "./standing-out.tsx";

type Props = {
  readonly data: BookData;
  readonly read: LeafRead<InBook>;
  readonly at: number;
  readonly book: BookRead<InBook>;
  readonly out: readonly StandsOut[];
  readonly change: (edit: BookEdit, key?: string) => void;
  readonly arrange: (changes: readonly Arrangement[]) => void;
  readonly goTo: (leaf: string) => void;
  readonly addMatter: (matter: Matter) => string;
};

/** An owner as the select says it: days that share a page go by the first of them. */
function ownerText(owner: Owner, pages: readonly InBook[]): string {
  if (owner.kind === "nobody") return "";
  return pages.find(({ days }) => days.some(({ id }) => id === owner.dayId))?.days[0]?.id ?? "";
}
/** What the select says for a page of the front or back matter that is not there yet. */
const NEW = "new:";

/** Everything about the leaf under the hand that is not on it: whose sides, where in the book, what it is made of. */
export function LeafPanel({ data, read, at, book, out, change, arrange, goTo, addMatter }: Props) {
  const { leaf, build } = read;
  const { pages, matters, unit } = data;
  const ids = book.leaves.map((each) => each.leaf.id);
  const next = book.leaves[at + 1]?.leaf;
  const work = holeWork(read, "front", data.format);
  const bound = sewnCount(book.leaves.map((each) => each.leaf));
  const ownerOf = (text: string): Owner => {
    const matter = MATTERS.find((each) => `${NEW}${each}` === text);
    return text === "" ? NOBODY : { kind: "day", dayId: matter ? addMatter(matter) : text };
  };
  const dayName = ({ label, days }: DatedPage) =>
    `${label ?? (days[0] ? shortDate(days[0].date) : "")}${days[0]?.title ? `, ${days[0].title}` : ""}`;
  const add = (kind: LeafKind) => {
    const id = newId();
    change({
      kind: "add-leaf",
      id,
      make: { ...PLAIN_PAPER, kind, layout: kind === "pocket" ? (POCKET_LAYOUTS[0]?.id ?? null) : null },
      after: leaf.id,
      front: read.back.owner,
      back: read.back.owner,
    });
    goTo(id);
  };
  const copy = () => {
    const sized = (face: Face) =>
      read[face].pieces.flatMap(({ piece }) => {
        const size = pieceSize(piece.what, read[face].content);
        const of = pageOfPiece(read[face], piece);
        const dayId = piece.dayId ?? (of === read[face].page ? null : (of?.days[0]?.id ?? null));
        return size ? [{ piece, size, dayId }] : [];
      });
    const id = newId();
    change({
      kind: "copy-leaf",
      leaf: leaf.id,
      id,
      front: asRooms(sized("front"), newId),
      back: asRooms(sized("back"), newId),
    });
    goTo(id);
  };
  return (
    <div className="grid gap-5">
      <header>
        <h2 className="text-xl">{leafName(read, unit)}</h2>
        <p className="text-sm text-quiet">
          Leaf {at + 1} of {book.leaves.length}. {FOUNDATION_NAME[build.kind]}
          {build.layout ? `, ${build.layout.name.toLowerCase()}` : ""}
        </p>
        {bound.sewn > 0 && (
          <p className="text-sm text-quiet">
            {leaf.sewn ? "Sewn in: it stays where it is." : "Added between the sewn leaves."} {bound.used} of{" "}
            {bound.sewn} sewn leaves are used.
          </p>
        )}
      </header>
      <div className="grid gap-3">
        {FACES.filter((face) => read[face].gluedOver).map((face) => (
          <p key={face} className="text-sm text-quiet">
            Its {FACE_NAME[face].toLowerCase()} is glued to the leaf {face === "back" ? "after" : "before"} it.
          </p>
        ))}
        {FACES.filter((face) => !read[face].gluedOver).map((face) => (
          <div key={face} className="grid gap-1">
            <SelectField
              label={`${FACE_NAME[face]} belongs to`}
              value={ownerText(leaf[face].owner, [...pages, ...matters])}
              onChange={(event) =>
                change({ kind: "own-side", leaf: leaf.id, face, owner: ownerOf(event.target.value) })
              }
            >
              <option value="">nobody yet</option>
              {matters.length > 0 && (
                <optgroup label="Front and back matter">
                  {matters.map(({ matter, days: [entry] }) => (
                    <option key={entry?.id} value={entry?.id}>
                      {matterName(matter)}
                    </option>
                  ))}
                </optgroup>
              )}
              <optgroup label="A new page">
                {MATTERS.map((matter) => (
                  <option key={matter} value={`${NEW}${matter}`}>
                    {MATTER_NAME[matter]}
                  </option>
                ))}
              </optgroup>
              <optgroup label="Days">
                {pages.map((page) => (
                  <option key={page.days[0]?.id} value={page.days[0]?.id}>
                    {dayName(page)}
                  </option>
                ))}
              </optgroup>
            </SelectField>
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
              {[read[face].page, ...read[face].guests].map((page) => (
                <WorkOn key={page?.days[0]?.id ?? face} albumId={data.albumId} page={page} />
              ))}
              <GuestsField
                face={face}
                side={read[face]}
                all={[...matters, ...pages]}
                onShare={(dayId, shares) => change({ kind: "share-side", leaf: leaf.id, face, dayId, shares })}
              />
            </div>
          </div>
        ))}
      </div>
      <Make
        data={data}
        make={leaf.make}
        sewn={leaf.sewn}
        onChange={(make) => change({ kind: "make", leaf: leaf.id, make }, `make:${leaf.id}`)}
      />
      {!build.inProtector && (
        <div className="grid gap-1">
          <SelectField
            label="Holes it came with"
            value={leaf.make.oldHoles ?? ""}
            onChange={(event) => {
              const oldHoles = HOLE_PRESETS.find((each) => each === event.target.value) ?? null;
              change({ kind: "make", leaf: leaf.id, make: { ...leaf.make, oldHoles } }, `make:${leaf.id}`);
            }}
          >
            <option value="">none, it is not from another book</option>
            {HOLE_PRESETS.filter((each) => each !== "none").map((each) => (
              <option key={each} value={each}>
                {HOLE_PRESET_NAME[each]}
              </option>
            ))}
          </SelectField>
          {work && <p className="text-sm">{holeWorkSaid(work, unit)}</p>}
        </div>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button
          small
          disabled={at === 0 || leaf.sewn}
          onClick={() => change({ kind: "move-leaf", leaf: leaf.id, after: ids[at - 2] ?? null })}
        >
          Earlier
        </Button>
        <Button
          small
          disabled={at === ids.length - 1 || leaf.sewn}
          onClick={() => change({ kind: "move-leaf", leaf: leaf.id, after: ids[at + 1] ?? null })}
        >
          Later
        </Button>
        <Button small disabled={leaf.sewn} onClick={() => change({ kind: "turn-leaf", leaf: leaf.id })}>
          Turn front to back
        </Button>
        <Button small onClick={copy}>
          Copy
        </Button>
        {leaf.sewn && (
          <Button small disabled={isBlank(leaf)} onClick={() => change({ kind: "free-leaf", leaf: leaf.id })}>
            Make it blank
          </Button>
        )}
        {leaf.sewn && next?.sewn && (
          <Button small onClick={() => change({ kind: "glue-leaf", leaf: leaf.id, next: next.id, glued: !leaf.glued })}>
            {leaf.glued ? "Take it off the next" : "Glue to the next leaf"}
          </Button>
        )}
        <Button small onClick={() => change({ kind: "remove-leaf", leaf: leaf.id })}>
          {leaf.sewn ? "Tear it out" : "Into the tray"}
        </Button>
        <select
          aria-label="Add a leaf after this one"
          className="field py-1 text-sm"
          value=""
          onChange={(event) => add(event.target.value as LeafKind)}
        >
          <option value="">Add a leaf…</option>
          {LEAF_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {FOUNDATION_NAME[kind]}
            </option>
          ))}
        </select>
      </div>
      <fieldset className="grid gap-2 border-t border-line pt-4">
        <legend className="sr-only">How it lies</legend>
        {data.format.binding !== "sewn" && (
          <label className="flex min-h-8 items-center gap-2 text-sm">
            <input
              type="checkbox"
              className="size-4 accent-ember"
              checked={leaf.liftsOff}
              onChange={(event) =>
                change({ kind: "lie", leaf: leaf.id, drop: leaf.drop, liftsOff: event.target.checked })
              }
            />
            Must lift off the rings: slit from each hole to the edge
          </label>
        )}
        {build.page.h < data.format.nominal.h && (
          <div className="leaf-drop flex items-center gap-3 text-sm">
            <LengthBox
              label="Begins below the page’s top by"
              value={leaf.drop ?? ticks(Math.round((data.format.nominal.h - build.page.h) / 2))}
              unit={unit}
              onTake={(drop) => change({ kind: "lie", leaf: leaf.id, drop, liftsOff: leaf.liftsOff })}
            />
          </div>
        )}
      </fieldset>
      <StandingOut all={out} leaves={book.leaves} format={data.format} unit={unit} arrange={arrange} />
    </div>
  );
}

/** The way to what a side belongs to. */
function WorkOn({ albumId, page }: { albumId: string; page: InBook | null }) {
  const at = page && inBookAt(page);
  return at ? (
    <Link to={to.entry(albumId, at)} className="link justify-self-start text-sm">
      Work on {inBookName(page)}
    </Link>
  ) : null;
}

/** What a leaf is: its kind, its pockets, its size, and what its base is made of. */
function Make({
  data,
  make,
  sewn,
  onChange,
}: {
  data: BookData;
  make: LeafMake;
  sewn: boolean;
  onChange: (make: LeafMake) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-3 border-t border-line pt-4">
      <SelectField
        label="Kind of leaf"
        value={make.kind}
        disabled={sewn}
        onChange={(event) => {
          const kind = event.target.value as LeafKind;
          onChange({
            ...make,
            kind,
            layout: kind === "pocket" ? (make.layout ?? POCKET_LAYOUTS[0]?.id ?? null) : null,
          });
        }}
      >
        {LEAF_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {FOUNDATION_NAME[kind]}
          </option>
        ))}
      </SelectField>
      {make.kind === "pocket" && (
        <PocketsField
          label="Pockets"
          make={make}
          own={data.layouts}
          album={data.format.nominal}
          unit={data.unit}
          onPick={(change) => onChange({ ...make, ...change })}
        />
      )}
      {(["w", "h"] as const).map((side) => (
        <div key={side} className="leaf-drop">
          <LengthBox
            label={side === "w" ? "Wide" : "High"}
            value={(make.size ?? data.format.nominal)[side]}
            unit={data.unit}
            range="positive"
            onTake={(length) => onChange({ ...make, size: { ...(make.size ?? data.format.nominal), [side]: length } })}
          />
        </div>
      ))}
      <div className="col-span-2">
        <BaseOf
          make={make}
          albumId={data.albumId}
          name="this leaf"
          onChange={(change) => onChange({ ...make, ...change })}
        />
      </div>
    </div>
  );
}
