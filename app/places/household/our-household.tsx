import { useEffect, useRef } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { Said } from "#app/parts/said.tsx";
import type { Away } from "#app/wording/sending.ts";

type Session = {
  readonly id: string;
  readonly device: "phone" | "computer" | null;
  readonly started: string;
  readonly seen: string;
  readonly isThis: boolean;
};
type Props = {
  readonly household: string;
  readonly me: string;
  /** Those who write here. */
  readonly writers: readonly string[];
  /** Whether the member signs in by a passphrase; those of the demo do not. */
  readonly hasPassphrase: boolean;
  readonly sessions: readonly Session[];
};
export type HouseholdAnswer =
  | { readonly ok: true; readonly of: "sessions" | "passphrase" }
  | { readonly ok: false; readonly of: "sessions" | "passphrase"; readonly said: string };
type Answer = HouseholdAnswer | { readonly ok: false; readonly reason: Away };

/** Who writes in the household, and by which doors one comes in. */
export function OurHousehold({ household, me, writers, hasPassphrase, sessions }: Props) {
  return (
    <div className="grid max-w-3xl gap-10">
      <section aria-labelledby="household-name" className="grid gap-2">
        <h1 id="household-name" className="text-3xl">
          {household}
        </h1>
        <p>{writers.length === 1 ? `${me} writes here.` : `Those who write here: ${writers.join(", ")}.`}</p>
      </section>
      {hasPassphrase && <Passphrase />}
      <Sessions sessions={sessions} />
    </div>
  );
}

const went = (answer: Answer | null, kept: string) => {
  if (!answer || answer.ok) return null;
  return "said" in answer ? <Said good={false}>{answer.said}</Said> : <Outcome answer={answer} why={{}} kept={kept} />;
};

function Passphrase() {
  const fetcher = useFetcher<Answer>();
  const form = useRef<HTMLFormElement>(null);
  const answer = fetcher.data ?? null;
  const isDone = answer?.ok === true && fetcher.state === "idle";
  // What was typed stays where it was refused, and goes where it was taken.
  useEffect(() => {
    if (answer?.ok) form.current?.reset();
  }, [answer]);
  return (
    <section aria-labelledby="passphrase" className="grid gap-3">
      <h2 id="passphrase" className="border-b border-line pb-1 text-xl">
        Your passphrase
      </h2>
      <fetcher.Form ref={form} method="post" action={to.household()} className="grid max-w-sm gap-3">
        <input type="hidden" name="intent" value="passphrase" />
        <TextField
          label="The one you have now"
          name="now"
          type="password"
          autoComplete="current-password"
          maxLength={256}
        />
        <TextField
          label="The new one"
          hint="At least 12 letters. Four words you can remember do well."
          name="next"
          type="password"
          autoComplete="new-password"
          maxLength={256}
        />
        <div>
          <Button type="submit" disabled={fetcher.state !== "idle"}>
            Change it
          </Button>
        </div>
      </fetcher.Form>
      {isDone && <Said good>Changed. You are signed out everywhere else.</Said>}
      {went(answer, "Your passphrase is as it was.")}
    </section>
  );
}

const ON = { phone: "A phone", computer: "A computer" } as const;

function Sessions({ sessions }: { sessions: readonly Session[] }) {
  const fetcher = useFetcher<Answer>();
  const send = (fields: Record<string, string>) =>
    void fetcher.submit(fields, { method: "post", action: to.household() });
  const busy = fetcher.state !== "idle";
  return (
    <section aria-labelledby="sessions" className="grid gap-3">
      <h2 id="sessions" className="border-b border-line pb-1 text-xl">
        Where you are signed in
      </h2>
      <ul className="divide-y divide-line">
        {sessions.map(({ id, device, started, seen, isThis }) => (
          <li key={id} className="flex min-h-11 flex-wrap items-center justify-between gap-x-6 gap-y-1 py-1">
            <p>
              <span className="font-medium">{device ? ON[device] : "Somewhere"}</span>
              {isThis && ", here"}
              <span className="text-sm text-quiet">
                {" "}
                since {started}
                {!isThis && `, last used ${seen}`}
              </span>
            </p>
            {!isThis && (
              <Button
                small
                disabled={busy}
                aria-label={`Sign out there: ${device ? ON[device] : "Somewhere"} since ${started}`}
                onClick={() => send({ intent: "end", id })}
              >
                Sign out there
              </Button>
            )}
          </li>
        ))}
      </ul>
      {sessions.length > 2 && (
        <div>
          <Button small disabled={busy} onClick={() => send({ intent: "end-others" })}>
            Sign out everywhere else
          </Button>
        </div>
      )}
      {went(fetcher.data ?? null, "You are signed in as before.")}
    </section>
  );
}
