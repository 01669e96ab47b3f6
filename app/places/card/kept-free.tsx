import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { Options } from "#app/parts/options.tsx";
import { STOCK_NAME } from "#app/wording/card.ts";
import { inches, type Length, ticks, type Unit } from "#core/measure/length.ts";
import { type Rect, rect } from "#core/measure/rect.ts";
import { type CardFace, type CardSetting, type Edges, NO_EDGES, STOCKS } from "#core/words/lettering.ts";
import type { CardDesk } from "./use-card.ts";

const EDGES = ["left", "top", "right", "bottom"] as const;
const EDGE_NAME = { left: "Left", top: "Upper", right: "Right", bottom: "Lower" } as const;

/** What of the card is not for words: margins, what will be cut off, a hole, a numeral; and what the card is made of. */
export function KeptFree({ desk, face, unit }: { desk: CardDesk; face: CardFace; unit: Unit }) {
  const { setting, card } = desk;
  const put = (change: Partial<CardSetting>) => desk.set({ ...setting, ...change });
  const rects = setting.keepOut[face];
  const setRects = (next: readonly Rect[]) => put({ keepOut: { ...setting.keepOut, [face]: next } });
  const { w } = card.size;
  const hole = Math.min(w, inches(3 / 8));
  return (
    <details className="border-t border-line pt-3">
      <summary className="min-h-8 cursor-pointer font-medium">Margins, cut-off parts, what to keep clear of</summary>
      <div className="mt-2 grid gap-3">
        <EdgeBoxes label="Margins" edges={setting.margins} unit={unit} onPut={(margins) => put({ margins })} />
        <EdgeBoxes
          label="Will be cut off"
          edges={setting.cutOff}
          unit={unit}
          onPut={(cutOff) => put({ cutOff })}
          hint="The words stand in the middle of what remains."
        />
        <fieldset className="grid gap-2">
          <legend className="mb-1 text-sm font-medium">Keep clear of, on the {face}</legend>
          {rects.map((each, at) => (
            <div
              // biome-ignore lint/suspicious/noArrayIndexKey: a part has no name but its place, and a key of its measures would drop what is typed
              key={`${rects.length} ${at}`}
              className="grid grid-cols-[repeat(4,minmax(0,1fr))_auto] items-end gap-2"
            >
              {(["x", "y", "w", "h"] as const).map((side) => (
                <LengthBox
                  key={side}
                  label={{ x: "From left", y: "From top", w: "Wide", h: "High" }[side]}
                  value={each[side]}
                  unit={unit}
                  onTake={(length: Length) =>
                    setRects(rects.map((other, index) => (index === at ? { ...other, [side]: length } : other)))
                  }
                  range="zero"
                  whileTyping
                />
              ))}
              <Button
                small
                look="quiet"
                aria-label={`No longer keep clear of part ${at + 1}`}
                onClick={() => setRects(rects.filter((_, index) => index !== at))}
              >
                Leave out
              </Button>
            </div>
          ))}
          <div className="flex flex-wrap gap-2">
            <Button
              small
              onClick={() => setRects([...rects, rect(Math.round((w - hole) / 2), inches(1 / 8), hole, hole)])}
            >
              A hole
            </Button>
            <Button
              small
              onClick={() =>
                setRects([
                  ...rects,
                  rect(Math.max(0, w - inches(1)), 0, Math.min(w, inches(1)), Math.min(card.size.h, inches(1))),
                ])
              }
            >
              A numeral in the corner
            </Button>
            <Button
              small
              onClick={() =>
                setRects([
                  ...rects,
                  rect(0, Math.max(0, card.size.h - inches(3 / 4)), w, Math.min(card.size.h, inches(3 / 4))),
                ])
              }
            >
              A printed strip
            </Button>
          </div>
        </fieldset>
        <label className="grid gap-0.5 text-sm">
          <span className="text-quiet">What the card is</span>
          <select
            className="field py-1"
            value={setting.stock}
            onChange={(event) => put({ stock: STOCKS.find((each) => each === event.target.value) ?? "plain" })}
          >
            <Options all={STOCKS.map((stock) => [stock, STOCK_NAME[stock]] as const)} />
          </select>
        </label>
      </div>
    </details>
  );
}

function EdgeBoxes({
  label,
  edges,
  unit,
  onPut,
  hint,
}: {
  label: string;
  edges: Edges;
  unit: Unit;
  onPut: (edges: Edges) => void;
  hint?: string;
}) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-medium">{label}</legend>
      <div className="grid grid-cols-4 gap-2">
        {EDGES.map((edge) => (
          <LengthBox
            key={edge}
            label={EDGE_NAME[edge]}
            value={edges[edge]}
            unit={unit}
            onTake={(length) => onPut({ ...NO_EDGES, ...edges, [edge]: ticks(length) })}
            range="zero"
            whileTyping
          />
        ))}
      </div>
      {hint && <p className="mt-1 text-sm text-quiet">{hint}</p>}
    </fieldset>
  );
}
