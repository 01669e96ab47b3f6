const PLACES = [
  ["book", "Openings"],
  ["rhythm", "Rhythm"],
  ["foundations", "Foundation pages"],
  ["layouts", "Pockets"],
  ["measure", "Measures"],
] as const;
export type BookPlace = (typeof PLACES)[number][0];

/** The ways to look at the book, from any of them to any other. */
export function BookNav({ albumId, here }: { albumId: string; here: BookPlace }) {
  return (
    <nav aria-label="The book" className="flex flex-wrap gap-x-5 border-b border-line px-4 wide:px-6">
      {PLACES.map(([to, name]) => (
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
