import { useEffect, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { Said } from "#app/parts/said.tsx";
import { useOutbox } from "#app/sending/sending.tsx";
import { shortDate } from "#app/wording/dates.ts";
import type { DayView } from "./view.ts";

/** What the page that a story was moved to is told of it. */
type Moved = { readonly story: string; readonly movedFrom: string };

/** Moves a day's story to another date and goes there with it, once that is saved; refused, it stays where it was. */
export function useStoryMove(albumId: string, date: string): (story: string, to: string) => void {
  const { state, put } = useOutbox();
  const navigate = useNavigate();
  const [under, setUnder] = useState<{ story: string; to: string; key: string } | null>(null);
  const isOut = state.entries.some(({ key }) => key === under?.key);
  useEffect(() => {
    if (!under || isOut) return;
    setUnder(null);
    if (state.refused) return;
    const moved: Moved = { story: under.story, movedFrom: date };
    void navigate(to.day(albumId, under.to), { state: moved });
  }, [under, isOut, state.refused, navigate, albumId, date]);
  return (story, on) => {
    const key = `${story}:month`;
    put(key, { what: "month", dayId: story, how: "move", to: on });
    setUnder({ story, to: on, key });
  };
}

/** On the day a story came to: where it came from, and where what was here is now. */
export function MovedHere({ view: { albumId, parts } }: { view: DayView }) {
  const { state } = useLocation() as { state: Partial<Moved> | null };
  const { story, movedFrom } = state ?? {};
  if (!story || !movedFrom || !parts.some(({ id }) => id === story)) return null;
  return (
    <div className="pt-3">
      <Said good>
        Moved here from {shortDate(movedFrom)}, its leaves with it.{" "}
        <Link to={to.day(albumId, movedFrom)} className="link">
          What was here is on {shortDate(movedFrom)} now
        </Link>
      </Said>
    </div>
  );
}
