import { Link } from "react-router";
import { to } from "#app/addresses.ts";

/** Says in every place that the household is to go, and where that is taken back. */
export const GoingBar = ({ goes }: { goes: string }) => (
  <p role="status" className="not-printed border-b border-line bg-panel px-4 py-2 text-sm wide:px-6">
    <strong className="font-semibold">This household goes on {goes}, with all it holds.</strong>{" "}
    <Link to={to.household()} className="link">
      Take that back
    </Link>
  </p>
);
