import { useState } from "react";
import { LENGTH_PROBLEM } from "#app/ui/wording.ts";
import { type Length, parseLength, printNumber, ticks, type Unit } from "#core/measure/length.ts";

type Props = {
  readonly label: string;
  readonly value: Length;
  readonly unit: Unit;
  readonly onTake: (length: Length) => void;
  /** Whether nothing at all may be said. */
  readonly mayBeNothing?: boolean;
};

const said = (value: Length, unit: Unit) => (value === 0 ? "0" : printNumber(value, unit));

/** A length as people write it; taken when it is one, and said to be none when the box is left. */
export function LengthBox({ label, value, unit, onTake, mayBeNothing = true }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string) =>
    mayBeNothing && /^\s*0*\s*$/.test(text) ? ({ ok: true, length: ticks(0) } as const) : parseLength(text, unit);
  const now = typed === null ? null : read(typed);
  return (
    <label className="grid gap-0.5 text-sm">
      <span className="text-quiet">{label}</span>
      <input
        className="field w-full py-1"
        inputMode="text"
        value={typed ?? said(value, unit)}
        aria-invalid={now !== null && !now.ok}
        title={now && !now.ok ? LENGTH_PROBLEM[now.reason] : undefined}
        onChange={(event) => {
          setTyped(event.target.value);
          const next = read(event.target.value);
          if (next.ok) onTake(next.length);
        }}
        onBlur={() => {
          if (now?.ok) setTyped(null);
        }}
      />
      {now && !now.ok && (
        <span role="alert" className="font-medium text-ember">
          {LENGTH_PROBLEM[now.reason]}
        </span>
      )}
    </label>
  );
}
