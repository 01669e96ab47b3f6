/** The parts of one place of an album, from any of them to any other. */
export function PlaceTabs<To extends string>({
  label,
  albumId,
  tabs,
  here,
}: {
  readonly label: string;
  readonly albumId: string;
  readonly tabs: readonly (readonly [to: To, name: string])[];
  /** Null in a part that has no tab of its own. */
  readonly here: To | null;
}) {
  return (
    <nav aria-label={label} className="not-printed flex flex-wrap gap-x-5 border-b border-line px-4 wide:px-6">
      {tabs.map(([to, name]) => (
        <a
          key={to}
          href={`/albums/${albumId}/${to}`}
          aria-current={to === here ? "page" : undefined}
          className={`flex min-h-11 items-center border-b-2 text-sm ${to === here ? "border-ember font-semibold" : "border-transparent text-quiet hover:text-ember"}`}
        >
          {name}
        </a>
      ))}
    </nav>
  );
}
