import { useState } from "react";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import {
  type Length,
  type LengthRange,
  parseLengthIn,
  printNumber,
  sayLength,
  type Unit,
} from "#core/measure/length.ts";

type Props = {
  readonly label: string;
  readonly value: Length;
  readonly unit: Unit;
  readonly onTake: (length: Length) => void;
  readonly range?: LengthRange;
  /** Taken with each letter that makes it one; else when the box is left, or at Enter. */
  readonly whileTyping?: boolean;
  /** In the bar under the mat: small, its name before it. */
  readonly inBar?: boolean;
};

const said = (value: Length, unit: Unit) => (value === 0 ? "0" : sayLength(value, unit).replace(/″| cm/, ""));

/** A length as people write it; what is none is said to be none. */
export function LengthBox({
  label,
  value,
  unit,
  onTake,
  range = "signed",
  whileTyping = false,
  inBar = !whileTyping,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [left, setLeft] = useState(false);
  // Another length, however it came about, is shown in place of what was being typed for the one before.
  const [of, setOf] = useState(value);
  const now = typed === null ? null : parseLengthIn(typed, unit, range);
  if (of !== value) {
    setOf(value);
    if (!whileTyping) setTyped(null);
  }
  const problem = now && !now.ok && (left || whileTyping) ? LENGTH_PROBLEM[now.reason] : null;
  const leave = () => {
    setLeft(true);
    if (now?.ok && !whileTyping && now.length !== value) onTake(now.length);
    if (now?.ok) setTyped(null);
  };
  return (
    <label className={inBar ? "flex items-center gap-1.5 text-sm" : "grid gap-0.5 text-sm"}>
      {inBar ? label : <span className="text-quiet">{label}</span>}
      <input
        className={inBar ? "mat-field" : "field w-full py-1"}
        inputMode="text"
        value={typed ?? said(value, unit)}
        aria-invalid={problem !== null}
        title={problem ?? printNumber(value, unit)}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          setLeft(false);
          const next = parseLengthIn(text, unit, range);
          if (whileTyping && next.ok) onTake(next.length);
        }}
        onBlur={leave}
        onKeyDown={(event) => event.key === "Enter" && leave()}
      />
      {problem && (
        <span role="alert" className={inBar ? "text-flame" : "font-medium text-ember"}>
          {problem}
        </span>
      )}
    </label>
  );
}
