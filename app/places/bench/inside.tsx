import { SelectField } from "#app/parts/field.tsx";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { many } from "#app/wording/count.ts";
import { slotFitSaid, slotName } from "#app/wording/making.ts";
import { type Held, idOfHeld, type Leaf, type Piece } from "#core/album/leaf.ts";
import { newCard } from "#core/album/model.ts";
import { standsFor } from "#core/book/read.ts";
import type { Made } from "#core/craft/craft.ts";
import { fitInSlot, type Slot, slotsOf } from "#core/craft/slots.ts";
import { writtenOn } from "#core/draw/opened.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { countLines } from "#core/words/lay.ts";
import { settingOf } from "#core/words/lettering.ts";
import { heldAs, type Item } from "./goes.ts";
import { builtOf, holding, type There } from "./there.ts";

type Props = { there: There; made: Made; items: readonly Item[]; leaves: readonly Leaf[]; unit: Unit };

const NOTHING = "";
const WORDS = "words";

/** What a construction carries inside: prints and cards of its day, and words of its own, each with how it fits. */
export function Inside({ there, made, items, leaves, unit }: Props) {
  const { arrange } = useBookEdits();
  const { read, face, placed } = there;
  const holds = builtOf(placed.piece)?.holds ?? [];
  const slots = slotsOf(made);
  if (slots.length === 0) return null;
  const keep = (slot: Slot, what: Held["what"] | null) => {
    const id = what && idOfHeld({ slot: slot.id, what });
    const rest = holds.filter((held) => held.slot !== slot.id && (id === null || idOfHeld(held) !== id));
    const next = holding(placed.piece, what ? [...rest, { slot: slot.id, what }] : rest);
    // What goes in lies nowhere else on the leaf.
    const changes = (["front", "back"] as const).flatMap((side) => {
      const was = read[side].pieces.map(({ piece }) => piece);
      const isThat = (piece: Piece) => id !== null && standsFor(piece) === id;
      const pieces = was
        .filter((piece) => !isThat(piece))
        .map((piece) => (side === face && piece.id === next.id ? next : piece));
      return side === face || pieces.length < was.length ? [{ leaf: read.leaf.id, face: side, pieces }] : [];
    });
    arrange(leaves, changes);
  };
  return (
    <section aria-labelledby="inside" className="grid gap-3">
      <h2 id="inside" className="text-lg">
        Inside
      </h2>
      {holds
        .filter((held) => slots.every(({ id }) => id !== held.slot))
        .map((held) => (
          <p key={held.slot} className="border-l-4 border-ember pl-3 text-sm">
            There is no place in it any more for {heldSaid(held, items)}.
          </p>
        ))}
      {slots.map((slot, nth) => {
        const held = holds.find((each) => each.slot === slot.id)?.what;
        const id = held && (held.kind === "words" ? WORDS : idOfHeld({ slot: slot.id, what: held }));
        const name = `${slotName(slot, nth + 1)}, ${printSize(slot.size, unit)}`;
        const item = items.find((each) => each.id === id);
        return (
          <div key={slot.id} className="grid gap-1">
            <SelectField
              label={name}
              value={id ?? NOTHING}
              onChange={({ target: { value } }) => keep(slot, whatOf(value, items))}
            >
              <option value={NOTHING}>Nothing</option>
              {!slot.goesIn && <option value={WORDS}>Words of its own</option>}
              {items.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </SelectField>
            {held?.kind === "words" && (
              <WordsInside
                key={held.says}
                {...{ slot, name }}
                says={held.says}
                onKeep={(says) => keep(slot, { kind: "words", says })}
              />
            )}
            {item && <p className="text-sm">{slotFitSaid(fitInSlot(item.size, slot), unit)}</p>}
          </div>
        );
      })}
    </section>
  );
}

const heldSaid = (held: Held, items: readonly Item[]): string =>
  held.what.kind === "words"
    ? `“${held.what.says.slice(0, 40)}”`
    : (items.find(({ id }) => id === idOfHeld(held))?.name.toLowerCase() ?? "what it carried");

const whatOf = (value: string, items: readonly Item[]): Held["what"] | null => {
  if (value === WORDS) return { kind: "words", says: "" };
  const item = items.find(({ id }) => id === value);
  if (!item) return null;
  return heldAs(item);
};

type WordsProps = { slot: Slot; name: string; says: string; onKeep: (says: string) => void };

function WordsInside({ slot, name, says, onKeep }: WordsProps) {
  const size = writtenOn(slot.size);
  const { lines, room, cut, tooWide } = countLines(says, size, settingOf(newCard("", size)), "front");
  const fits = cut === null && tooWide.length === 0;
  return (
    <>
      <textarea
        className="field min-h-16"
        aria-label={`Words on ${name}`}
        defaultValue={says}
        maxLength={5000}
        onBlur={({ target: { value } }) => value !== says && onKeep(value)}
      />
      <p className="text-sm">
        {says.trim() === ""
          ? `Nothing written yet: room for ${many(room, "line", "lines")}.`
          : fits
            ? `The words fit: ${lines} of ${many(room, "line", "lines")}.`
            : `The words do not fit: ${many(lines, "line", "lines")}, and there is room for ${room}.`}
      </p>
    </>
  );
}
