import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireMember, withCookies, writing } from "#app/http/page.ts";
import { CHOSEN_PASSPHRASE } from "#app/http/passphrase.ts";
import { PERSON } from "#app/http/person.ts";
import { saidAt } from "#app/http/turn.ts";
import type { HouseholdAnswer, Of } from "#app/places/household/answer.ts";
import { OurHousehold } from "#app/places/household/our-household.tsx";
import { tooManyTries } from "#app/wording/door.ts";
import { LAST_KEEPER } from "#app/wording/household.ts";
import { ROLES } from "#core/share/role.ts";
import { endSessionOf, signsInBy } from "#store/household.ts";
import { sayGoing, sayStaying } from "#store/leaving.ts";
import {
  type HandsChanged,
  invite,
  leaveHousehold,
  readHands,
  readInvitations,
  setRole,
  withdrawInvitation,
} from "#store/members.ts";
import type { Route } from "./+types/our-household";

export const meta: Route.MetaFunction = () => [{ title: "Household · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context, "looker");
  const { household } = member;
  const isKeeper = member.role === "keeper";
  const [hands, invitations, sessions, door] = await reading(() =>
    Promise.all([
      readHands(context.db, household.id),
      isKeeper ? readInvitations(context.db, household.id, context.now) : [],
      context.auth.sessions(member.id),
      signsInBy(context.db, member.id),
    ]),
  );
  const said = (at: Date) => saidAt(at, household.timeZone);
  return {
    ...{ household: household.name, me: member.id, isKeeper, hands },
    invitations: invitations.map(({ expiresAt, ...each }) => ({ ...each, until: said(expiresAt) })),
    hasPassphrase: door !== null,
    sessions: sessions.map(({ startedAt, seenAt, ...each }) => ({
      ...each,
      started: said(startedAt),
      seen: said(seenAt),
    })),
    goes: household.goesAt && said(household.goesAt),
    isDemo: household.isDemo,
  };
}

const DEMO_STAYS = "The demo’s own people stay as they are: they are everybody’s. Invite somebody, and try it on them.";
const GUEST = PERSON.shape.name;
const answer = (said: HouseholdAnswer, cookies: readonly string[] = []) =>
  data(said, { headers: withCookies(cookies) });
const refused = (of: Of, said: string) => answer({ ok: false, of, said });

const WHY_HANDS = { "not-found": "They are not here any more.", "last-keeper": LAST_KEEPER } as const;
const onHands = (changed: HandsChanged) =>
  changed.ok ? answer({ ok: true, of: "hands" }) : refused("hands", WHY_HANDS[changed.reason]);

/** What anybody of a household does for themselves; everything else here is a keeper's. */
const OWN = ["end", "end-others", "passphrase", "leave"];

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "id", "now", "next", "role", "name"]);
  const given = (name: string) => String(form.get(name) ?? "");
  const intent = given("intent");
  return writing(async () => {
    const { db, auth, now } = context;
    const member = await requireMember(context, OWN.includes(intent) ? "looker" : "keeper");
    const { id: householdId } = member.household;
    const id = isId(given("id")) ? given("id") : null;
    // Everybody who looks round the demo is the same two people.
    const isOfDemo = async (who: string) => member.household.isDemo && (await signsInBy(db, who)) === null;
    const role = ROLES.find((each) => each === given("role"));
    switch (intent) {
      case "end":
        return id && (await endSessionOf(db, member.id, id))
          ? answer({ ok: true, of: "sessions" })
          : refused("sessions", "That session is over already.");
      case "end-others":
        await auth.endOtherSessions(member.id);
        return answer({ ok: true, of: "sessions" });
      case "passphrase": {
        const next = CHOSEN_PASSPHRASE.safeParse(given("next"));
        if (!next.success) return refused("passphrase", next.error.issues[0]?.message ?? "Choose another.");
        const changed = await auth.changePassphrase(member.id, given("now").slice(0, 256), next.data);
        return changed.ok
          ? answer({ ok: true, of: "passphrase" }, changed.cookies)
          : refused("passphrase", notRight(changed, "There is no passphrase to change here."));
      }
      case "role":
        if (!id || !role) throw data(null, { status: 400 });
        if (await isOfDemo(id)) return refused("hands", DEMO_STAYS);
        return onHands(await setRole(db, householdId, id, role));
      case "let-go":
        if (!id) throw data(null, { status: 400 });
        if (await isOfDemo(id)) return refused("hands", DEMO_STAYS);
        return onHands(await leaveHousehold(db, householdId, id, now));
      case "leave": {
        if (await isOfDemo(member.id)) return refused("hands", DEMO_STAYS);
        const left = await leaveHousehold(db, householdId, member.id, now);
        if (!left.ok) return onHands(left);
        throw redirect(to.signIn(), { headers: withCookies(await auth.signOut()) });
      }
      case "invite": {
        const guest = GUEST.safeParse(given("name"));
        if (!guest.success || !role) return refused("invitations", "Say whom it is for.");
        const made = await invite(db, { householdId, memberId: member.id, at: now }, { name: guest.data, role });
        return made.ok
          ? answer({ ok: true, of: "invitations", address: new URL(to.invited(made.secret), request.url).href })
          : refused("invitations", "There are enough people here, or enough invitations open. Withdraw one first.");
      }
      case "withdraw":
        if (id) await withdrawInvitation(db, householdId, id);
        return answer({ ok: true, of: "invitations" });
      case "go": {
        const right = await auth.isOwnPassphrase(member.id, given("now").slice(0, 256));
        if (!right.ok) return refused("going", notRight(right, "The demo stays: it is everybody’s."));
        await sayGoing(db, householdId, now);
        return answer({ ok: true, of: "going" });
      }
      case "stay":
        await sayStaying(db, householdId);
        return answer({ ok: true, of: "going" });
      default:
        throw data(null, { status: 400 });
    }
  });
}

/** Why a passphrase was not taken. */
const notRight = (
  why: { reason: "wrong" | "no-passphrase" } | { reason: "too-many-tries"; waitSeconds: number },
  none: string,
): string => {
  if (why.reason === "too-many-tries") return tooManyTries(why.waitSeconds);
  return why.reason === "wrong" ? "That is not the passphrase you have now. Nothing was changed." : none;
};

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function OurHouseholdRoute({ loaderData }: Route.ComponentProps) {
  return <OurHousehold {...loaderData} />;
}
