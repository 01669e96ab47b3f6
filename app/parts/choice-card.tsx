import type { ReactNode } from "react";

type Props = {
  name: string;
  value: string;
  checked: boolean;
  onChoose: () => void;
  label: string;
  hint?: string;
  picture?: ReactNode;
};

/** One of a few answers, big enough for a thumb: a radio button with its words, and a drawing where one helps. */
export function ChoiceCard({ name, value, checked, onChoose, label, hint, picture }: Props) {
  return (
    <label
      className={`relative grid content-start gap-1 rounded-sm border p-3 has-focus-visible:outline-2 has-focus-visible:outline-ember ${checked ? "border-text bg-raised shadow-[inset_0_-3px_0_var(--color-ember)]" : "border-line hover:border-edge"}`}
    >
      <input
        type="radio"
        name={name}
        value={value}
        checked={checked}
        onChange={onChoose}
        className="absolute top-3 right-3 size-4 accent-ember"
      />
      {picture}
      <span className="pr-6 leading-snug font-medium">{label}</span>
      {hint && <span className="text-sm text-quiet">{hint}</span>}
    </label>
  );
}
