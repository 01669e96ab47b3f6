import { useId, useMemo } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Options } from "#app/parts/options.tsx";
import { ALIGN_NAME, HEADING_NAME, LETTERING_NAME, STANDS_NAME, TYPEFACE_NAME } from "#app/wording/card.ts";
import { many } from "#app/wording/count.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { compareLetterings } from "#core/words/fit.ts";
import {
  ALIGNS,
  type CardFace,
  type Hand,
  HEADING_STYLES,
  type Lettering,
  OFFERED_SIZES,
  PITCHES,
  SPACINGS,
  STAMP_SETS,
  STANDS,
  type StampSet,
  saySize,
  TYPED_IN,
  USUAL_HAND,
} from "#core/words/lettering.ts";
import type { CardDesk } from "./use-card.ts";

type Props = {
  readonly desk: CardDesk;
  readonly face: CardFace;
  readonly text: string;
  readonly unit: Unit;
  readonly hands: readonly Hand[];
  readonly sets: readonly StampSet[];
  readonly albumId: string;
};

const LEADINGS = [100, 110, 120, 125, 135, 150, 175, 200];

/** How the words are put on the card: typed, typewritten, by hand or stamped. */
export function LetteringPanel({ desk, face, text, unit, hands, sets, albumId }: Props) {
  const { setting } = desk;
  const { lettering } = setting;
  const put = (next: Lettering) => desk.set({ ...setting, lettering: next });
  const allHands = [...hands, USUAL_HAND];
  const allSets = [...sets, ...STAMP_SETS];
  const begin: Record<Lettering["kind"], Lettering> = {
    typed: { kind: "typed", typeface: "book", size: 42, leading: 125, align: "left" },
    typewriter: { kind: "typewriter", pitch: 12, spacing: 1, align: "left" },
    handwriting: { kind: "handwriting", hand: copyHand(allHands[0] ?? USUAL_HAND) },
    stamped: { kind: "stamped", set: copySet(allSets[0] ?? (STAMP_SETS[0] as StampSet)), align: "centre" },
  };
  return (
    <section aria-label="Lettering" className="grid gap-3 border-t border-line pt-3">
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="mb-1 font-medium">Lettering</legend>
        {(Object.keys(begin) as Lettering["kind"][]).map((kind) => (
          <label key={kind} className="flex min-h-9 items-center gap-2 text-sm">
            <input
              type="radio"
              name="lettering"
              className="size-4 accent-ember"
              checked={lettering.kind === kind}
              onChange={() => put(begin[kind])}
            />
            {LETTERING_NAME[kind]}
          </label>
        ))}
      </fieldset>
      {lettering.kind === "typed" && <Typed lettering={lettering} onPut={put} />}
      {lettering.kind === "typewriter" && <Typewriter {...{ lettering, desk, face, text }} onPut={put} />}
      {lettering.kind === "handwriting" && (
        <div className="grid gap-1">
          <Choice
            label="Whose hand"
            value={lettering.hand.name}
            all={named(allHands, lettering.hand).map(({ name }) => [name, name] as const)}
            onPick={(name) => {
              const hand = allHands.find((each) => each.name === name);
              if (hand) put({ kind: "handwriting", hand: copyHand(hand) });
            }}
          />
          <p className="text-sm text-quiet">
            Lines {sayLength(lettering.hand.line, unit)} apart.{" "}
            <Link className="link" to={to.hands(albumId)}>
              Measure a hand
            </Link>
          </p>
        </div>
      )}
      {lettering.kind === "stamped" && (
        <Stamped {...{ lettering, desk, face, text, unit, allSets }} albumId={albumId} onPut={put} />
      )}
      <Choice
        label="In the card"
        value={setting.stands ?? "top"}
        all={(["top", ...STANDS] as const).map((stands) => [stands, STANDS_NAME[stands]] as const)}
        onPick={(stands) => desk.set({ ...setting, stands: STANDS.find((each) => each === stands) })}
      />
      {lettering.kind !== "handwriting" && (
        <label className="flex min-h-8 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-4 accent-ember"
            checked={setting.longWords === "break"}
            onChange={(event) => desk.set({ ...setting, longWords: event.target.checked ? "break" : "tell" })}
          />
          Break a word that is wider than the card
        </label>
      )}
    </section>
  );
}

/** Those to choose from, with the one that is chosen, should it have been forgotten since. */
const named = <T extends { readonly name: string }>(all: readonly T[], chosen: T): readonly T[] =>
  all.some(({ name }) => name === chosen.name) ? all : [chosen, ...all];
const copyHand = ({ name, em, line }: Hand): Hand => ({ name, em, line });
const copySet = ({ name, high, usual, narrow, broad, between, space }: StampSet): StampSet => ({
  name,
  high,
  usual,
  narrow,
  broad,
  between,
  space,
});

function Choice({
  label,
  value,
  all,
  onPick,
}: {
  label: string;
  value: string;
  all: readonly (readonly [string, string])[];
  onPick: (value: string) => void;
}) {
  const id = useId();
  return (
    <div className="grid content-start gap-0.5 text-sm">
      <label htmlFor={id} className="text-quiet">
        {label}
      </label>
      <select id={id} className="field py-1" value={value} onChange={(event) => onPick(event.target.value)}>
        <Options all={all} />
      </select>
    </div>
  );
}

type Of<K extends Lettering["kind"]> = Extract<Lettering, { kind: K }>;

function Typed({ lettering, onPut }: { lettering: Of<"typed">; onPut: (next: Lettering) => void }) {
  const put = (change: Partial<Of<"typed">>) => onPut({ ...lettering, ...change });
  const sizes = [...new Set([...OFFERED_SIZES, lettering.size])].sort((a, b) => a - b);
  return (
    <div className="grid grid-cols-2 gap-2">
      <Choice
        label="Typeface"
        value={lettering.typeface}
        all={TYPED_IN.map((each) => [each, TYPEFACE_NAME[each]] as const)}
        onPick={(typeface) => put({ typeface: typeface as Of<"typed">["typeface"] })}
      />
      <Choice
        label="Lines"
        value={lettering.align}
        all={ALIGNS.map((align) => [align, ALIGN_NAME[align]] as const)}
        onPick={(align) => put({ align: align as Of<"typed">["align"] })}
      />
      <Choice
        label="Size"
        value={String(lettering.size)}
        all={sizes.map((size) => [String(size), `${saySize(size)} points`] as const)}
        onPick={(size) => put({ size: Number(size) })}
      />
      <Choice
        label="Line to line"
        value={String(lettering.leading)}
        all={[...new Set([...LEADINGS, lettering.leading])]
          .sort((a, b) => a - b)
          .map((leading) => [String(leading), `${leading} % of the size`] as const)}
        onPick={(leading) => put({ leading: Number(leading) })}
      />
      <Choice
        label="Headings"
        value={lettering.headings ?? "plain"}
        all={(["plain", ...HEADING_STYLES] as const).map((each) => [each, HEADING_NAME[each]] as const)}
        onPick={(style) => put({ headings: HEADING_STYLES.find((each) => each === style) })}
      />
    </div>
  );
}

const SPACING_NAME = { 1: "single", 1.5: "one and a half", 2: "double" } as const;

type WithText = { readonly desk: CardDesk; readonly face: CardFace; readonly text: string };

function Typewriter({
  lettering,
  desk,
  face,
  text,
  onPut,
}: WithText & { lettering: Of<"typewriter">; onPut: (next: Lettering) => void }) {
  const others = useMemo(
    () =>
      compareLetterings(
        text,
        desk.card.size,
        desk.setting,
        face,
        PITCHES.map((pitch) => ({ other: pitch, lettering: { ...lettering, pitch } })),
      ),
    [text, desk.card.size, desk.setting, face, lettering],
  );
  return (
    <div className="grid grid-cols-2 gap-2">
      <Choice
        label="Characters"
        value={String(lettering.pitch)}
        all={others.map(
          ({ other, fits, words }) =>
            [
              String(other),
              `${other} to the inch${text.trim() === "" ? "" : fits ? ", fits" : words > 0 ? `, ${many(words, "word")} too many` : ", a word too wide"}`,
            ] as const,
        )}
        onPick={(pitch) => onPut({ ...lettering, pitch: Number(pitch) as Of<"typewriter">["pitch"] })}
      />
      <Choice
        label="Lines"
        value={String(lettering.spacing)}
        all={SPACINGS.map((spacing) => [String(spacing), SPACING_NAME[spacing]] as const)}
        onPick={(spacing) => onPut({ ...lettering, spacing: Number(spacing) as Of<"typewriter">["spacing"] })}
      />
    </div>
  );
}

/** Which sets take the words, and how much too wide the others are. */
function Stamped({
  lettering,
  desk,
  face,
  text,
  unit,
  allSets,
  albumId,
  onPut,
}: WithText & {
  lettering: Of<"stamped">;
  unit: Unit;
  allSets: readonly StampSet[];
  albumId: string;
  onPut: (next: Lettering) => void;
}) {
  const sets = useMemo(() => named(allSets, lettering.set), [allSets, lettering.set]);
  const others = useMemo(
    () =>
      compareLetterings(
        text,
        desk.card.size,
        desk.setting,
        face,
        sets.map((set) => ({ other: set, lettering: { ...lettering, set: copySet(set) } })),
      ),
    [text, desk.card.size, desk.setting, face, lettering, sets],
  );
  return (
    <div className="grid gap-2">
      <ul className="grid" aria-label="Sets of stamps">
        {others.map(({ other, fits, words, over }) => (
          <li key={other.name}>
            <label className="flex min-h-9 items-center gap-2 border-b border-line text-sm">
              <input
                type="radio"
                name="stamps"
                className="size-4 accent-ember"
                checked={other.name === lettering.set.name}
                onChange={() => onPut({ ...lettering, set: copySet(other) })}
              />
              <span>{other.name}</span>
              <span className={`ml-auto ${fits || text.trim() === "" ? "text-quiet" : "text-ember"}`}>
                {text.trim() === ""
                  ? `${sayLength(other.high, unit)} high`
                  : fits
                    ? "fits"
                    : over > 0
                      ? `${sayLength(over, unit)} too wide`
                      : `${many(words, "word")} too many`}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">
        Widths of the shipped sets are typical.{" "}
        <Link className="link" to={to.hands(albumId)}>
          Measure your own set
        </Link>
      </p>
    </div>
  );
}
