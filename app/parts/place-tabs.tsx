import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { type PartPath, PLACES, type PlaceId, tabsOf } from "#app/places.ts";

/** The parts of one place of an album, from any of them to any other. `here` is null in a part that has no tab of its own. */
export function PlaceTabs({ place, albumId, here }: { place: PlaceId; albumId: string; here: PartPath | null }) {
  return (
    <nav
      aria-label={PLACES.find(({ id }) => id === place)?.name}
      className="not-printed flex flex-wrap gap-x-5 border-b border-line px-4 wide:px-6"
    >
      {tabsOf(place).map(([path, name]) => (
        <Link
          key={path}
          to={to.part(albumId, path)}
          aria-current={path === here ? "page" : undefined}
          className={`flex min-h-11 items-center border-b-2 text-sm ${path === here ? "border-ember font-semibold" : "border-transparent text-quiet hover:text-ember"}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
