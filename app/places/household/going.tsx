import { useRef, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Said } from "#app/parts/said.tsx";
import type { Answer } from "./answer.ts";
import { Went } from "./went.tsx";

/** The household goes with all it holds, a week after it was said; until then it is taken back by a press. */
export function Going({ goes, isDemo }: { goes: string | null; isDemo: boolean }) {
  const fetcher = useFetcher<Answer>();
  const [asks, setAsks] = useState(false);
  const form = useRef<HTMLFormElement>(null);
  const busy = fetcher.state !== "idle";
  return (
    <section aria-labelledby="going" className="grid gap-3">
      <h2 id="going" className="border-b border-line pb-1 text-xl">
        Give the household up
      </h2>
      {isDemo ? (
        <p>The demo stays: it is everybody’s.</p>
      ) : goes !== null ? (
        <fetcher.Form method="post" action={to.household()} className="grid gap-3">
          <input type="hidden" name="intent" value="stay" />
          <Said good={false}>
            Everything here goes on {goes}: albums, pictures, words, and everybody’s way in. Until then nothing is lost.
            Links and calendar addresses lead nowhere already.
          </Said>
          <div>
            <Button type="submit" look="main" disabled={busy}>
              Take that back
            </Button>
          </div>
        </fetcher.Form>
      ) : !asks ? (
        <>
          <p className="max-w-prose">
            All albums, pictures and words go, for everybody here, seven days after you say so. Take them with you
            first: they go into one file, as above.
          </p>
          <div>
            <Button onClick={() => setAsks(true)}>Give it up</Button>
          </div>
        </>
      ) : (
        <fetcher.Form ref={form} method="post" action={to.household()} className="grid max-w-sm gap-3">
          <input type="hidden" name="intent" value="go" />
          <TextField
            label="Your passphrase"
            hint="So that nobody does this on a computer you left open."
            name="now"
            type="password"
            autoComplete="current-password"
            maxLength={256}
          />
          <div className="flex flex-wrap gap-3">
            <Button look="main" onClick={() => setAsks(false)}>
              Keep everything
            </Button>
            <Button type="submit" disabled={busy}>
              Give it up in seven days
            </Button>
          </div>
        </fetcher.Form>
      )}
      <Went answer={fetcher.data ?? null} kept="Everything is as it was." />
    </section>
  );
}
