import { Redo2, Undo2 } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import type { Turn } from "./use-turn.ts";

/**
 * What was taken back or done again, by name, with the way to change one's mind and to everything that was done. It stands
 * empty until then, because a reader says only what comes into a region that was there.
 */
export function TurnBar({ turn: { said, turn }, albumId }: { turn: Turn; albumId: string }) {
  const [way, name, Icon] =
    said?.way === "back" ? (["again", "Do it again", Redo2] as const) : (["back", "Take it back", Undo2] as const);
  return (
    <div
      className={
        said ? "flex flex-wrap items-center gap-x-5 border-b border-line bg-panel px-5 py-1 text-sm" : undefined
      }
    >
      <p role="status" className={said ? "py-1" : undefined}>
        {said?.words}
      </p>
      {said?.done && (
        <button
          type="button"
          onClick={() => turn(way)}
          className="flex min-h-8 items-center gap-1.5 font-medium hover:text-ember"
        >
          <Icon className="size-4" aria-hidden="true" /> {name}
        </button>
      )}
      {said && (
        <Link to={to.changes(albumId)} className="min-h-8 content-center underline decoration-edge underline-offset-3">
          All changes
        </Link>
      )}
    </div>
  );
}
