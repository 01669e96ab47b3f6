import { useEffect, useRef } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Said } from "#app/parts/said.tsx";
import type { Answer } from "./answer.ts";
import { Going } from "./going.tsx";
import { type HandSaid, Hands } from "./hands.tsx";
import { type InvitationSaid, Invitations } from "./invitations.tsx";
import { Moving } from "./moving.tsx";
import { Went } from "./went.tsx";

type Session = {
  readonly id: string;
  readonly device: "phone" | "computer" | null;
  readonly started: string;
  readonly seen: string;
  readonly isThis: boolean;
};
type Props = {
  readonly household: string;
  /** The member's own id. */
  readonly me: string;
  readonly isKeeper: boolean;
  readonly hands: readonly HandSaid[];
  /** Those that are open; none where it is not the member's to invite. */
  readonly invitations: readonly InvitationSaid[];
  /** Whether the member signs in by a passphrase; those of the demo do not. */
  readonly hasPassphrase: boolean;
  readonly sessions: readonly Session[];
  /** When the household goes; null: it stays. */
  readonly goes: string | null;
  readonly isDemo: boolean;
};

/** Who is in the household, by which doors one comes in, and how it is given up. */
export function OurHousehold({
  household,
  me,
  isKeeper,
  hands,
  invitations,
  hasPassphrase,
  sessions,
  ...going
}: Props) {
  return (
    <div className="grid max-w-3xl gap-10">
      <h1 className="text-3xl">{household}</h1>
      <Hands hands={hands} me={me} isKeeper={isKeeper} />
      {isKeeper && <Invitations open={invitations} />}
      {hasPassphrase && <Passphrase />}
      <Sessions sessions={sessions} />
      {isKeeper && <Moving />}
      {isKeeper && <Going {...going} />}
    </div>
  );
}

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
      <Went answer={answer} kept="Your passphrase is as it was." />
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
      <Went answer={fetcher.data ?? null} kept="You are signed in as before." />
    </section>
  );
}
