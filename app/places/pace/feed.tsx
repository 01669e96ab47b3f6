import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { shortDate } from "#app/wording/dates.ts";
import type { Away } from "#app/wording/sending.ts";

export type FeedAnswer =
  | { readonly ok: true; readonly address?: string }
  | { readonly ok: false; readonly reason: "not-found" | Away };

const WHY = { "not-found": "That album is not there any more." } as const;

/** A private address that a calendar fetches the days and the evenings from by itself. */
export function Feed({ albumId, since }: { albumId: string; since: string | null }) {
  const fetcher = useFetcher<FeedAnswer>();
  const answer = fetcher.data ?? null;
  const send = (intent: string) =>
    void fetcher.submit({ intent }, { method: "post", action: to.part(albumId, "pace") });
  const busy = fetcher.state !== "idle";
  const address = answer?.ok ? answer.address : undefined;
  return (
    <section aria-labelledby="feed" className="grid gap-2 text-sm">
      <h3 id="feed" className="font-sans text-sm font-semibold">
        Or a calendar fetches both by itself
      </h3>
      {address && since ? (
        <label className="grid gap-1" role="status">
          <span>Copy this address into your calendar now: it is shown once.</span>
          <input
            readOnly
            value={address}
            onFocus={(event) => event.target.select()}
            className="field w-full font-typed"
          />
        </label>
      ) : (
        <p className="text-quiet">
          {since
            ? `There is a private address since ${shortDate(since)}. Whoever has it can read your titles, prompts and evenings; a new one ends it.`
            : "By a private address, yours alone. It has titles, prompts and evenings in it, never what is private."}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button keepers small disabled={busy} onClick={() => send("feed-open")}>
          {since ? "Give it a new address" : "Make an address"}
        </Button>
        {since && (
          <Button keepers small look="quiet" disabled={busy} onClick={() => send("feed-close")}>
            Close it
          </Button>
        )}
      </div>
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept="Nothing was changed." />
    </section>
  );
}
