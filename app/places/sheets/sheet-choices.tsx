import { Options } from "#app/parts/options.tsx";
import { Tick } from "#app/parts/tick.tsx";
import { inches, type Length, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import type { CutStepName } from "#core/sheet/gang.ts";
import { PRINT_PAPERS, type PrintPaperId } from "#core/sheet/paper.ts";
import type { Choices } from "#core/sheet/printer.ts";
import type { Gang } from "./use-gang.ts";
import { ownPaper } from "./use-gang.ts";

const GAPS: Record<Unit, readonly Length[]> = {
  inch: [ticks(0), inches(1 / 8), inches(1 / 4)],
  cm: [ticks(0), millimetres(2), millimetres(5)],
};

const STEPS: readonly (readonly [CutStepName, string])[] = [
  ["sixteenth", "whole sixteenths of an inch"],
  ["half-millimetre", "whole half millimetres"],
  ["anywhere", "the prints’ edges, wherever they are"],
];

/** Paper, white edge, gap, turning, spares. */
export function SheetChoices({ gang, unit }: { gang: Gang; unit: Unit }) {
  const { choices, setChoices } = gang;
  const put = (change: Partial<Choices>) => setChoices({ ...choices, ...change });
  const turn = (id: PrintPaperId) =>
    put({
      papers: choices.papers.includes(id) ? choices.papers.filter((each) => each !== id) : [...choices.papers, id],
    });
  const own = choices.papers.includes("own");
  const { printer, printers, setPrinter } = gang;
  return (
    <section aria-label="Paper" className="grid gap-3 border-t border-line pt-4">
      {printers.length > 1 && (
        <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
          Printer
          <select
            className="field w-auto py-1 font-normal"
            value={printer.id ?? ""}
            onChange={(event) => setPrinter(event.target.value)}
          >
            <Options all={printers.map(({ id, name }) => [id ?? "", name] as const)} />
          </select>
        </label>
      )}
      <fieldset>
        <legend className="mb-1 font-medium">Paper in the house</legend>
        <div className="flex flex-wrap gap-x-4">
          {PRINT_PAPERS.map(({ id, name }) => (
            <Tick key={id} on={choices.papers.includes(id)} onTurn={() => turn(id)}>
              {name}
            </Tick>
          ))}
          <Tick on={own} onTurn={() => turn("own")}>
            Own size
          </Tick>
        </div>
        {own && (
          <div className="mt-1 flex items-center gap-2">
            <input
              aria-label="Width of the paper"
              className="field max-w-24"
              value={choices.own.w}
              onChange={(event) => put({ own: { ...choices.own, w: event.target.value } })}
            />
            ×
            <input
              aria-label="Height of the paper"
              className="field max-w-24"
              value={choices.own.h}
              onChange={(event) => put({ own: { ...choices.own, h: event.target.value } })}
            />
            {!ownPaper(choices, unit) && (
              <span className="text-sm text-quiet">{unit === "inch" ? "8 1/2 × 14" : "21 × 29.7"}</span>
            )}
          </div>
        )}
      </fieldset>
      <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
        Between prints
        <select
          className="field w-auto py-1 font-normal"
          value={choices.gap}
          onChange={(event) => put({ gap: ticks(Number(event.target.value)) })}
        >
          <Options
            all={GAPS[unit].map(
              (gap) =>
                [String(gap), gap === 0 ? "nothing: one cut for both" : `${sayLength(gap, unit)} of waste`] as const,
            )}
          />
        </select>
      </label>
      <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
        Cuts fall on
        <select
          className="field w-auto py-1 font-normal"
          value={choices.step}
          onChange={(event) => put({ step: event.target.value as CutStepName })}
        >
          <Options all={STEPS} />
        </select>
      </label>
      <div className="flex flex-wrap gap-x-4">
        <Tick on={choices.canTurn} onTurn={() => put({ canTurn: !choices.canTurn })}>
          Prints may lie on their side
        </Tick>
        <Tick on={choices.borderless} onTurn={() => put({ borderless: !choices.borderless })}>
          Printed to the paper’s edge
        </Tick>
        <Tick on={choices.spares} onTurn={() => put({ spares: !choices.spares })}>
          Spares in what is left over
        </Tick>
      </div>
    </section>
  );
}
