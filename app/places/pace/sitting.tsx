import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { minutesLong } from "#app/wording/pace.ts";

/** A quiet timer: from when to when one sat, and what was ticked between. */
export function Sitting({ under }: { under: { began: string; here: boolean } | null }) {
  const fetcher = useFetcher();
  const minutes = useMinutesSince(under?.began ?? null);
  const busy = fetcher.state !== "idle";
  return (
    <fetcher.Form method="post" className="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      {under ? (
        <>
          <span aria-live="off">
            A sitting {under.here ? "" : "in another album "}is under way
            {minutes === null ? "" : minutes < 1 ? ", just begun" : `, ${minutesLong(minutes)}`}.
          </span>
          <Button type="submit" name="intent" value="end" small disabled={busy}>
            End it
          </Button>
          <Button type="submit" name="intent" value="drop" small look="quiet" disabled={busy}>
            Do not count it
          </Button>
        </>
      ) : (
        <>
          <Button type="submit" name="intent" value="begin" small disabled={busy}>
            Begin a sitting
          </Button>
          <span className="text-quiet">What is ticked until it ends teaches how long steps take you.</span>
        </>
      )}
    </fetcher.Form>
  );
}

/** Whole minutes since an instant, as they go by; null until the page runs. */
function useMinutesSince(began: string | null): number | null {
  const [minutes, setMinutes] = useState<number | null>(null);
  useEffect(() => {
    if (began === null) {
      setMinutes(null);
      return;
    }
    const look = () => setMinutes(Math.max(0, Math.floor((Date.now() - Date.parse(began)) / 60_000)));
    look();
    const timer = window.setInterval(look, 15_000);
    return () => window.clearInterval(timer);
  }, [began]);
  return minutes;
}
