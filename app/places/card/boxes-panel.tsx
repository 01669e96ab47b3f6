import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Options } from "#app/parts/options.tsx";
import { inches, type Length, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import { rect } from "#core/measure/rect.ts";
import { saySize, type WordBox } from "#core/words/lettering.ts";
import { wordsOfOn } from "#core/words/printed-on-lines.ts";
import type { CardDesk } from "./use-card.ts";

const SIZES = [6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 21, 24, 30, 36].map((points) => points * 4);
/** A new box is so large, as far as the card is. */
const USUAL = { inch: { w: inches(1), h: inches(1 / 4) }, cm: { w: millimetres(25), h: millimetres(7) } } as const;

type Props = {
  readonly desk: CardDesk;
  readonly unit: Unit;
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
};

/** Single words with a place of their own: on the lines and in the boxes that a card has for them. */
export function BoxesPanel({ desk, unit, chosen, onChoose }: Props) {
  const { setting, card } = desk;
  const boxes = setting.boxes ?? [];
  const put = (next: readonly WordBox[]) => desk.set({ ...setting, boxes: next });
  const change = (id: string, part: Partial<WordBox>) =>
    put(boxes.map((box) => (box.id === id ? { ...box, ...part } : box)));
  const add = () => {
    const usual = USUAL[unit];
    const [w, h] = [Math.min(usual.w, card.size.w), Math.min(usual.h, card.size.h)];
    const last = boxes.at(-1)?.at;
    const y = last ? Math.min(last.y + last.h, card.size.h - h) : Math.round((card.size.h - h) / 2);
    const at = rect(last?.x ?? Math.round((card.size.w - w) / 2), y, last?.w ?? w, last?.h ?? h);
    const [{ lettering }, id] = [setting, newId()];
    const as = lettering.kind === "typed" ? lettering : { typeface: "book" as const, size: 42 };
    put([...boxes, { id, at, text: "", typeface: as.typeface, size: as.size }]);
    onChoose(id);
  };
  return (
    <section aria-label="Words in boxes" className="grid gap-2 border-t border-line pt-3">
      <h2 className="font-medium">Words in boxes</h2>
      <p className="text-sm text-quiet">
        For a card with lines or boxes of its own: each word is moved to its place on the drawing.
      </p>
      {boxes.map((box, at) => {
        const { fits } = wordsOfOn({ ...box, kind: "words" });
        const { x, y, w, h } = box.at;
        const isInside = x >= 0 && y >= 0 && x + w <= card.size.w && y + h <= card.size.h;
        return (
          <div
            key={box.id}
            className={`grid gap-1.5 border-l-4 pl-3 ${box.id === chosen ? "border-flame" : "border-line"}`}
          >
            <div className="flex flex-wrap items-center gap-2">
              <input
                aria-label={`Words of box ${at + 1}`}
                className="field min-w-0 flex-1 py-1 text-sm"
                value={box.text}
                maxLength={200}
                onFocus={() => onChoose(box.id)}
                onChange={(event) => change(box.id, { text: event.target.value })}
              />
              <select
                aria-label={`Size of the words of box ${at + 1}`}
                className="field w-auto py-1 text-sm"
                value={box.size}
                onChange={(event) => change(box.id, { size: Number(event.target.value) })}
              >
                <Options
                  all={[...new Set([...SIZES, box.size])]
                    .sort((a, b) => a - b)
                    .map((size) => [String(size), `${saySize(size)} points`] as const)}
                />
              </select>
              <Button
                small
                look="quiet"
                aria-label={`Leave out box ${at + 1}`}
                onClick={() => put(boxes.filter(({ id }) => id !== box.id))}
              >
                Leave out
              </Button>
            </div>
            {box.id === chosen && (
              <div className="grid grid-cols-4 gap-2">
                {(["x", "y", "w", "h"] as const).map((side) => (
                  <LengthBox
                    key={side}
                    label={{ x: "From left", y: "From top", w: "Wide", h: "High" }[side]}
                    value={box.at[side]}
                    unit={unit}
                    inBar={false}
                    range={side === "w" || side === "h" ? "positive" : "zero"}
                    onTake={(length: Length) => change(box.id, { at: { ...box.at, [side]: ticks(length) } })}
                  />
                ))}
              </div>
            )}
            {(!fits || !isInside) && (
              <p aria-live="polite" className="text-sm font-medium text-ember">
                {isInside ? "The words are larger than the box." : "Part of the box is beyond the card."}
              </p>
            )}
          </div>
        );
      })}
      <div>
        <Button small onClick={add}>
          {boxes.length === 0 ? "A box for a word" : "Another box"}
        </Button>
      </div>
    </section>
  );
}
