import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import type { PageLink } from "./view.ts";

/** Pages by their names, each the way to it: `day 5, day 7`. */
export const PageLinks = ({ albumId, pages }: { albumId: string; pages: readonly PageLink[] }) =>
  pages.map(({ name, at }, nth) => (
    <span key={name}>
      {nth > 0 && ", "}
      {at ? (
        <Link to={to.entry(albumId, at)} className="link">
          {name}
        </Link>
      ) : (
        name
      )}
    </span>
  ));
