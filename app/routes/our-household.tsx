import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireMember, withCookies, writing } from "#app/http/page.ts";
import { CHOSEN_PASSPHRASE } from "#app/http/passphrase.ts";
import { type HouseholdAnswer, OurHousehold } from "#app/places/household/our-household.tsx";
import { tooManyTries } from "#app/wording/door.ts";
import { printShort, wallClock } from "#core/month/dates.ts";
import { endSessionOf, memberNames, signsInBy } from "#store/household.ts";
import type { Route } from "./+types/our-household";

export const meta: Route.MetaFunction = () => [{ title: "Household · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const { household } = member;
  const [writers, sessions, door] = await reading(() =>
    Promise.all([
      memberNames(context.db, household.id, []),
      context.auth.sessions(member.id),
      signsInBy(context.db, member.id),
    ]),
  );
  const said = (at: Date) => {
    const { date, time } = wallClock(at.getTime(), household.timeZone);
    return `${printShort(date)}, ${time}`;
  };
  return {
    ...{ household: household.name, me: member.name, writers },
    hasPassphrase: door !== null,
    sessions: sessions.map(({ startedAt, seenAt, ...each }) => ({
      ...each,
      started: said(startedAt),
      seen: said(seenAt),
    })),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "id", "now", "next"]);
  const given = (name: string) => String(form.get(name) ?? "");
  return writing(async () => {
    const member = await requireMember(context);
    const answer = (said: HouseholdAnswer, cookies: readonly string[] = []) =>
      data(said, { headers: withCookies(cookies) });
    switch (form.get("intent")) {
      case "end": {
        const id = given("id");
        const ended = isId(id) && (await endSessionOf(context.db, member.id, id));
        return answer(
          ended ? { ok: true, of: "sessions" } : { ok: false, of: "sessions", said: "That session is over already." },
        );
      }
      case "end-others":
        await context.auth.endOtherSessions(member.id);
        return answer({ ok: true, of: "sessions" });
      case "passphrase": {
        const next = CHOSEN_PASSPHRASE.safeParse(given("next"));
        if (!next.success)
          return answer({ ok: false, of: "passphrase", said: next.error.issues[0]?.message ?? "Choose another." });
        const changed = await context.auth.changePassphrase(member.id, given("now").slice(0, 256), next.data);
        if (changed.ok) return answer({ ok: true, of: "passphrase" }, changed.cookies);
        const said =
          changed.reason === "too-many-tries"
            ? tooManyTries(changed.waitSeconds)
            : changed.reason === "wrong"
              ? "That is not the passphrase you have now. Nothing was changed."
              : "There is no passphrase to change here.";
        return answer({ ok: false, of: "passphrase", said });
      }
      default:
        throw data(null, { status: 400 });
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function OurHouseholdRoute({ loaderData }: Route.ComponentProps) {
  return <OurHousehold {...loaderData} />;
}
