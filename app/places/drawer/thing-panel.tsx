import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { LatestPicturesToTake } from "#app/parts/latest-pictures.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Options } from "#app/parts/options.tsx";
import { KIND_NAME, LOT_NAME, PUT_AS_NAME } from "#app/wording/drawer.ts";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { readLetters, writeLetters } from "#core/drawer/letters.ts";
import { readNumbers, writeNumbers } from "#core/drawer/list.ts";
import { PUT_AS, type PutAs, USUALLY } from "#core/drawer/put-on.ts";
import { isSheet } from "#core/drawer/stock.ts";
import { isMotifOn, LOTS, MOST_OF_A_THING, THING_KINDS, type Thing } from "#core/drawer/thing.ts";
import { type Length, parseLength, printNumber, type Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import { MadeOf } from "./made-of.tsx";
import { MotifFields } from "./motif-fields.tsx";
import { NotDone } from "./not-done.tsx";
import { useAnswered, useDrawer } from "./use-drawer.ts";
import type { DrawerRow, DrawerView, UsePlace } from "./view.ts";

type Props = { thing: DrawerRow; days: DrawerView["days"]; unit: Unit; albumId: string; onDone: () => void };

/** One thing of the drawer: what it is, where it lies, and what of it was measured. */
export function ThingPanel({ thing, days, unit, albumId, onDone }: Props) {
  const drawer = useDrawer(albumId);
  const { send, busy, answer } = drawer;
  // What was said here stays until it is kept.
  const sent = useAnswered(drawer, ({ ok }) => ok && onDone());
  // On a phone it stands below the list: whoever opened it is led to it.
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const { id: _, stock: __, places, forgotten: ___, photoId, ...saved } = thing;
  const [draft, setDraft] = useState<Thing>(saved);
  const [sides, setSides] = useState(() =>
    saved.size ? [printNumber(saved.size.w, unit), printNumber(saved.size.h, unit)] : ["", ""],
  );
  const [numbers, setNumbers] = useState(() => writeNumbers(saved.numbers));
  const [letters, setLetters] = useState(() => (saved.letters ? writeLetters(saved.letters) : ""));
  const [onlyCapitals, setOnlyCapitals] = useState(saved.letters?.onlyCapitals ?? true);
  const usual = USUALLY[saved.kind];
  const change = (some: Partial<Thing>) => setDraft({ ...draft, ...some });
  const lengths = sides.map((side) => (side.trim() === "" ? null : parseLength(side, unit)));
  const sideTrouble = lengths.map((length) => (length && !length.ok ? LENGTH_PROBLEM[length.reason] : undefined));
  const isHalf = (lengths[0] === null) !== (lengths[1] === null);
  const [w, h] = lengths.map((length) => (length?.ok ? length.length : null)) as [Length | null, Length | null];
  const sheet: Size | null = w !== null && h !== null ? { w, h } : null;
  const canKeepMotif = sheet !== null && isSheet({ kind: draft.kind, size: sheet });
  const motif = canKeepMotif ? draft.motif : null;
  const set = readNumbers(numbers);
  const isSound =
    draft.name.trim() !== "" &&
    !sideTrouble.some(Boolean) &&
    !isHalf &&
    set !== undefined &&
    (motif === null || isMotifOn(sheet, motif));
  const keep = () => {
    const said: Thing = {
      ...draft,
      size: sheet,
      motif,
      numbers: draft.kind === "numbers" ? (set ?? null) : null,
      letters: draft.kind === "letters" && letters.trim() !== "" ? readLetters(letters, onlyCapitals) : null,
    };
    sent();
    send({ act: "keep", id: thing.id, thing: said as never });
  };
  return (
    <section aria-labelledby="thing" className="grid content-start gap-3">
      <div className="flex items-baseline justify-between gap-3 border-b border-line pb-1">
        <h2 id="thing" ref={heading} tabIndex={-1} className="text-xl outline-none">
          {thing.name}
        </h2>
        <Button look="quiet" small onClick={onDone}>
          Close
        </Button>
      </div>
      <TextField
        label="Name"
        value={draft.name}
        maxLength={200}
        onChange={(event) => change({ name: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Kind"
          value={draft.kind}
          onChange={(event) => change({ kind: event.target.value as Thing["kind"] })}
        >
          <Options all={THING_KINDS.map((kind) => [kind, KIND_NAME[kind]] as const)} />
        </SelectField>
        <TextField
          label="How many"
          type="number"
          min={0}
          max={MOST_OF_A_THING}
          value={draft.count}
          onChange={(event) =>
            change({ count: Math.max(0, Math.min(MOST_OF_A_THING, Math.trunc(Number(event.target.value)))) })
          }
        />
        {["Wide", "High"].map((label, at) => (
          <TextField
            key={label}
            label={label}
            value={sides[at] ?? ""}
            placeholder={unit === "inch" ? "inches" : "cm"}
            error={sideTrouble[at] ?? (isHalf && lengths[at] === null ? "Give both sides, or neither." : undefined)}
            onChange={(event) => setSides(sides.map((side, nth) => (nth === at ? event.target.value : side)))}
          />
        ))}
      </div>
      {draft.kind === "numbers" && (
        <TextField
          label="Numbers in one set"
          value={numbers}
          placeholder="1-25"
          error={set === undefined ? "Write 1-25, or any, or digits with how many there are of 0 to 9." : undefined}
          hint="1-25 · any · digits 5 14 13 5 3 3 3 3 3 3 (how many of 0 to 9), with 6=9 after it where they are one piece"
          onChange={(event) => setNumbers(event.target.value)}
        />
      )}
      {draft.kind === "letters" && (
        <>
          <TextField
            label="Letters in one set"
            value={letters}
            placeholder="A5 B2 E6"
            hint="Each letter with how many there are, or simply all of them in a row."
            onChange={(event) => setLetters(event.target.value)}
          />
          <Tick label="Capitals only" on={onlyCapitals} onTurn={setOnlyCapitals} />
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Where it lies"
          value={draft.lies}
          maxLength={200}
          onChange={(event) => change({ lies: event.target.value })}
        />
        <SelectField
          label="It is"
          value={draft.lot}
          onChange={(event) => change({ lot: event.target.value as Thing["lot"] })}
        >
          <Options all={LOTS.map((lot) => [lot, LOT_NAME[lot]] as const)} />
        </SelectField>
      </div>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        <Tick label="To be used up" on={draft.useUp} onTurn={(useUp) => change({ useUp })} />
        <Tick label="Its pattern has a top" on={draft.hasTop} onTurn={(hasTop) => change({ hasTop })} />
        <Tick label="Printed on one side" on={draft.oneSided} onTurn={(oneSided) => change({ oneSided })} />
      </div>
      <MadeOf draft={draft} unit={unit} onChange={change} />
      <TextField
        label="Note"
        value={draft.note}
        maxLength={2000}
        onChange={(event) => change({ note: event.target.value })}
      />
      <Shown
        photoId={photoId}
        name={thing.name}
        albumId={albumId}
        onTake={(photo) => send({ act: "picture", id: thing.id, photo })}
      />
      {canKeepMotif && (
        <MotifFields
          {...{ size: sheet, motif, photoId, unit }}
          name={thing.name}
          onPut={(next) => change({ motif: next })}
        />
      )}
      {saved.size && usual && <PutOn id={thing.id} usual={usual} days={days} drawer={drawer} onPut={sent} />}
      <Places albumId={albumId} places={places} />
      <NotDone answer={answer} />
      <div className="flex flex-wrap items-center justify-between gap-3 pt-1">
        <Button look="main" disabled={busy || !isSound} onClick={keep}>
          Keep
        </Button>
        <Button
          look="quiet"
          disabled={busy}
          onClick={() => {
            sent();
            send({ act: "drop", id: thing.id });
          }}
        >
          Put it in the tray
        </Button>
      </div>
    </section>
  );
}

type ShownProps = { photoId: string | null; name: string; albumId: string; onTake: (photo: string | null) => void };

/** The picture of it: its colours are read from that. */
function Shown({ photoId, name, albumId, onTake }: ShownProps) {
  const [isChoosing, setChoosing] = useState(false);
  const take = (photo: string | null) => {
    setChoosing(false);
    onTake(photo);
  };
  return (
    <section aria-labelledby="picture-of-it" className="grid gap-2 border-t border-line pt-2">
      <h3 id="picture-of-it" className="text-base">
        A picture of it
      </h3>
      {photoId ? (
        <img src={pictureAddress(photoId, 480)} alt={name} className="max-h-40 w-auto justify-self-start" />
      ) : (
        <p className="text-sm text-quiet">
          Photograph it, add the picture to the{" "}
          <Link to={to.roll(albumId)} className="link">
            roll
          </Link>
          , and choose it here: “Goes with” reads its colours.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => setChoosing(!isChoosing)}>
          {photoId ? "Another picture" : "Choose a picture"}
        </Button>
        {photoId && (
          <Button small look="quiet" onClick={() => take(null)}>
            Take the picture away
          </Button>
        )}
      </div>
      {isChoosing && (
        <LatestPicturesToTake
          albumId={albumId}
          said={(picture) => `${picture} shows it`}
          title="It is shown here"
          onTake={take}
        />
      )}
    </section>
  );
}

type PutProps = {
  id: string;
  usual: PutAs;
  days: DrawerView["days"];
  drawer: ReturnType<typeof useDrawer>;
  onPut: () => void;
};

/** One of it goes onto a page of a day, where that has room. */
function PutOn({ id, usual, days, drawer: { send, busy }, onPut }: PutProps) {
  const [day, setDay] = useState("");
  const [as, setAs] = useState<PutAs>(usual);
  return (
    <fieldset className="grid grid-cols-2 items-end gap-3 border-t border-line pt-2">
      <legend className="float-left col-span-2 text-base font-medium">Put one on a page</legend>
      <SelectField label="Of" value={day} onChange={(event) => setDay(event.target.value)}>
        <Options all={[["", "which day?"], ...days.map((each) => [each.id, each.name] as const)]} />
      </SelectField>
      <SelectField label="As" value={as} onChange={(event) => setAs(event.target.value as PutAs)}>
        <Options all={PUT_AS.map((each) => [each, PUT_AS_NAME[each]] as const)} />
      </SelectField>
      <Button
        className="justify-self-start"
        disabled={busy || day === ""}
        onClick={() => {
          onPut();
          send({ act: "put-on", id, day, as, piece: newId() });
        }}
      >
        Put it there
      </Button>
    </fieldset>
  );
}

/** The pages that are made of it, and the way to each. */
function Places({ albumId, places }: { albumId: string; places: readonly UsePlace[] }) {
  if (places.length === 0) return null;
  return (
    <section aria-labelledby="goes-to" className="grid gap-1 border-t border-line pt-2">
      <h3 id="goes-to" className="text-base">
        Where it goes
      </h3>
      <ul className="grid gap-0.5 text-sm">
        {places.map((place, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two pages may be called alike
          <li key={at} className="flex flex-wrap gap-x-2">
            {place.at ? (
              <Link to={to.entry(albumId, place.at)} className="link">
                {place.name}
              </Link>
            ) : (
              <span>{place.name ?? "a page that is nobody’s yet"}</span>
            )}{" "}
            <span className="text-quiet">
              {[place.album, place.times > 1 && `${place.times} times`, place.used ? "used" : "reserved"]
                .filter(Boolean)
                .join(", ")}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const Tick = ({ label, on, onTurn }: { label: string; on: boolean; onTurn: (on: boolean) => void }) => (
  <label className="flex min-h-8 items-center gap-2 text-sm">
    <input
      type="checkbox"
      className="size-5 accent-ember"
      checked={on}
      onChange={(event) => onTurn(event.target.checked)}
    />
    {label}
  </label>
);
