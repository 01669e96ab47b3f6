import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { buttonLook } from "#app/parts/button.tsx";
import type { SetAside } from "./view.ts";

/** Says at a day's own address that it is set aside, what it holds, and how it comes back. */
export function SetAsideDay({ aside: { albumId, said, title, holds, span } }: { aside: SetAside }) {
  return (
    <div className="grid max-w-xl gap-3 p-4 wide:p-8">
      <h1 className="text-2xl">{said} is set aside</h1>
      {(title || holds) && (
        <p className="border-l-4 border-line pl-3">
          {title && <span className="block font-numeral text-lg font-medium">{title}</span>}
          {holds}
        </p>
      )}
      <p>
        The album tells {span}. A day outside it is kept with{" "}
        {holds || title ? "all it holds" : "whatever was planned for it"}, and is back when the first or last day of the
        album is moved.
      </p>
      <p>
        <Link to={to.settings(albumId)} className={buttonLook("main")}>
          Change first and last day
        </Link>
      </p>
    </div>
  );
}
