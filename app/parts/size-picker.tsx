import { useState } from "react";
import { Options } from "#app/parts/options.tsx";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { parseLength, printNumber, type Unit } from "#core/measure/length.ts";
import { printSize, type Size, sameSize, size } from "#core/measure/size.ts";

type Props = {
  readonly label: string;
  readonly value: Size;
  readonly choices: readonly Size[];
  readonly unit: Unit;
  readonly onPick: (size: Size) => void;
};

const OWN = "own";

/** A usual size, or any other by its width and height as people write lengths. */
export function SizePicker({ label, value, choices, unit, onPick }: Props) {
  const listed = choices.findIndex((choice) => sameSize(choice, value));
  const [own, setOwn] = useState(false);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <select
        aria-label={label}
        className="field w-auto py-1 text-sm"
        value={own ? OWN : listed >= 0 ? String(listed) : "now"}
        onChange={(event) => {
          const choice = choices[Number(event.target.value)];
          setOwn(event.target.value === OWN);
          if (choice) onPick(choice);
        }}
      >
        <Options
          all={[
            ...(listed < 0 ? [["now", printSize(value, unit)] as const] : []),
            ...choices.map((choice, at) => [String(at), printSize(choice, unit)] as const),
            [OWN, "Own size"],
          ]}
        />
      </select>
      {own && <OwnSize label={label} value={value} unit={unit} onPick={onPick} onDone={() => setOwn(false)} />}
    </div>
  );
}

function OwnSize({ label, value, unit, onPick, onDone }: Omit<Props, "choices"> & { onDone: () => void }) {
  const [w, setW] = useState(printNumber(value.w, unit));
  const [h, setH] = useState(printNumber(value.h, unit));
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    const [width, height] = [parseLength(w, unit), parseLength(h, unit)];
    const wrong = width.ok ? height : width;
    setProblem(wrong.ok ? null : LENGTH_PROBLEM[wrong.reason]);
    if (!width.ok || !height.ok) return;
    onPick(size(width.length, height.length));
    onDone();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    take();
  };
  const box = { className: "field w-20 py-1 text-sm", onKeyDown, "aria-invalid": problem !== null };
  return (
    <fieldset className="flex flex-wrap items-center gap-2">
      <legend className="sr-only">{label}, own</legend>
      <input aria-label="Width" value={w} onChange={(event) => setW(event.target.value)} {...box} />
      <span aria-hidden="true">×</span>
      <input aria-label="Height" value={h} onChange={(event) => setH(event.target.value)} {...box} />
      <button
        type="button"
        onClick={take}
        className="min-h-9 px-2 text-sm font-medium underline decoration-edge underline-offset-3 hover:text-ember"
      >
        Use it
      </button>
      {problem && (
        <p role="alert" className="basis-full text-sm font-medium text-ember">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
