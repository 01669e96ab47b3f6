import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { ROLE_NAME } from "#app/wording/household.ts";
import { ROLES, type Role } from "#core/share/role.ts";
import type { Answer } from "./answer.ts";
import { Went } from "./went.tsx";

export type InvitationSaid = {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly by: string;
  readonly until: string;
};

/** Ways in for others: each is an address that its maker hands over, good for one person and two weeks. */
export function Invitations({ open }: { open: readonly InvitationSaid[] }) {
  const fetcher = useFetcher<Answer>();
  const [name, setName] = useState("");
  const answer = fetcher.data ?? null;
  const busy = fetcher.state !== "idle";
  const address = answer?.ok && !busy ? answer.address : undefined;
  useEffect(() => {
    if (address) setName("");
  }, [address]);
  return (
    <section aria-labelledby="invitations" className="grid gap-3">
      <h2 id="invitations" className="border-b border-line pb-1 text-xl">
        Invite somebody
      </h2>
      <fetcher.Form method="post" action={to.household()} className="flex flex-wrap items-end gap-3">
        <input type="hidden" name="intent" value="invite" />
        <div className="w-56">
          <TextField
            label="Whom"
            name="name"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <div className="w-36">
          <SelectField label="As" name="role" defaultValue="helper">
            {ROLES.toReversed().map((role) => (
              <option key={role} value={role}>
                {ROLE_NAME[role]}
              </option>
            ))}
          </SelectField>
        </div>
        <Button type="submit" disabled={busy || name.trim() === ""}>
          Make an invitation
        </Button>
      </fetcher.Form>
      {address && (
        <label className="grid gap-1 border-l-4 border-ember pl-3" role="status">
          <span className="text-sm">Hand this address over: it is shown once, and good for one person.</span>
          <input readOnly value={address} onFocus={(event) => event.target.select()} className="field font-numeral" />
        </label>
      )}
      {open.length > 0 && (
        <ul aria-label="Open invitations" className="divide-y divide-line">
          {open.map(({ id, name: whom, role, by, until }) => (
            <li key={id} className="flex min-h-11 flex-wrap items-center justify-between gap-x-6 gap-y-1 py-1">
              <p className="min-w-0 break-words">
                <span className="font-medium">{whom}</span>, {ROLE_NAME[role].toLowerCase()}
                <span className="text-sm text-quiet">
                  {" "}
                  by {by}, open until {until}
                </span>
              </p>
              <Button
                small
                disabled={busy}
                aria-label={`Withdraw the invitation of ${whom}`}
                onClick={() =>
                  void fetcher.submit({ intent: "withdraw", id }, { method: "post", action: to.household() })
                }
              >
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Went answer={answer} kept="Nobody was invited." />
    </section>
  );
}
