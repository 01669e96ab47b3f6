import { KEEPERS, useIsKeeper } from "#app/parts/role.tsx";

/** Makes the sheets that are planned on the mat. */
export function MakeButton({ sheets, busy, onMake }: { sheets: number; busy: boolean; onMake: () => void }) {
  const isKeeper = useIsKeeper();
  if (sheets === 0) return null;
  return (
    <button
      type="button"
      className="mat-button mat-button-strong ml-auto"
      disabled={busy || !isKeeper}
      title={isKeeper ? undefined : KEEPERS}
      onClick={onMake}
    >
      {sheets === 1 ? "Make this sheet" : `Make these ${sheets} sheets`}
    </button>
  );
}
