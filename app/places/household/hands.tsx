import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Sure } from "#app/parts/sure.tsx";
import { ROLE_MAY, ROLE_NAME } from "#app/wording/household.ts";
import { ROLES, type Role } from "#core/share/role.ts";
import type { Answer } from "./answer.ts";
import { Went } from "./went.tsx";

export type HandSaid = { readonly id: string; readonly name: string; readonly role: Role };

/** Who is in the household and what each may do; a keeper says it, anybody may leave. */
export function Hands({ hands, me, isKeeper }: { hands: readonly HandSaid[]; me: string; isKeeper: boolean }) {
  const fetcher = useFetcher<Answer>();
  const [asks, setAsks] = useState<HandSaid | null>(null);
  const busy = fetcher.state !== "idle";
  const send = (fields: Record<string, string>) =>
    void fetcher.submit(fields, { method: "post", action: to.household() });
  return (
    <section aria-labelledby="hands" className="grid gap-3">
      <h2 id="hands" className="border-b border-line pb-1 text-xl">
        Who is here
      </h2>
      <ul className="divide-y divide-line">
        {hands.map((hand) => (
          <li key={hand.id} className="flex min-h-11 flex-wrap items-center justify-between gap-x-6 gap-y-1 py-1">
            <p className="min-w-0 break-words">
              <span className="font-medium">{hand.name}</span>
              {hand.id === me && ", you"}
            </p>
            <div className="flex items-center gap-3">
              {isKeeper ? (
                <select
                  aria-label={`What ${hand.name} may do`}
                  className="field w-auto py-1"
                  value={hand.role}
                  disabled={busy}
                  onChange={(event) => send({ intent: "role", id: hand.id, role: event.target.value })}
                >
                  {ROLES.toReversed().map((role) => (
                    <option key={role} value={role}>
                      {ROLE_NAME[role]}
                    </option>
                  ))}
                </select>
              ) : (
                <span className="text-quiet">{ROLE_NAME[hand.role]}</span>
              )}
              {hand.id === me ? (
                <Button small disabled={busy} onClick={() => setAsks(hand)}>
                  Leave
                </Button>
              ) : (
                isKeeper && (
                  <Button small disabled={busy} aria-label={`Let ${hand.name} go`} onClick={() => setAsks(hand)}>
                    Let go
                  </Button>
                )
              )}
            </div>
          </li>
        ))}
      </ul>
      <dl className="grid gap-x-4 text-sm text-quiet sm:grid-cols-[auto_1fr]">
        {ROLES.toReversed().map((role) => (
          <div key={role} className="contents">
            <dt className="font-medium">{ROLE_NAME[role]}</dt>
            <dd>{ROLE_MAY[role]}</dd>
          </div>
        ))}
      </dl>
      <Went answer={fetcher.data ?? null} kept="Everybody is here as before." />
      <Sure
        open={asks !== null}
        title={asks?.id === me ? "Leave this household?" : `Let ${asks?.name ?? ""} go?`}
        stay={asks?.id === me ? "Stay" : "Leave it as it is"}
        go={asks?.id === me ? "Leave" : "Let go"}
        onGo={() => asks && send(asks.id === me ? { intent: "leave" } : { intent: "let-go", id: asks.id })}
        onClose={() => setAsks(null)}
      >
        {asks?.id === me
          ? "You are signed out everywhere and cannot come in again without an invitation. What you wrote and brought stays here, under your name."
          : "They are signed out everywhere and cannot come in again without an invitation. What they wrote and brought stays here, under their name."}
      </Sure>
    </section>
  );
}
