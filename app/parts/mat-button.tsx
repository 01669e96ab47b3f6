import type { ReactNode } from "react";

/** A small button on the dark bar under the mat; `keys` is the key that does the same on the piece itself. */
export function MatButton({
  onClick,
  children,
  keys,
  strong = false,
  pressed,
  disabled,
}: {
  onClick: () => void;
  children: ReactNode;
  keys?: string;
  strong?: boolean;
  pressed?: boolean;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      onClick={onClick}
      aria-keyshortcuts={keys}
      aria-pressed={pressed}
      disabled={disabled}
      className={strong ? "mat-button mat-button-strong" : "mat-button"}
    >
      {children}
    </button>
  );
}
