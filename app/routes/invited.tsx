import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { data, Form, Link, redirect } from "react-router";
import type { z } from "zod";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { isUnreachable } from "#app/http/keep-page.ts";
import { reading, withCookies, writing } from "#app/http/page.ts";
import { PERSON } from "#app/http/person.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Door } from "#app/places/door/door.tsx";
import { PersonFields } from "#app/places/door/person-fields.tsx";
import { tooManyTries } from "#app/wording/door.ts";
import { ROLE_MAY, ROLE_NAME } from "#app/wording/household.ts";
import { nothingDone } from "#app/wording/sending.ts";
import type { HearthContext } from "#server/context-type.ts";
import { invitedBy } from "#store/members.ts";
import type { Route } from "./+types/invited";

export const meta: Route.MetaFunction = () => [
  { title: "An invitation · Hearth Clock" },
  { name: "robots", content: "noindex, nofollow, noarchive" },
];

/** For nobody's index and nobody's cache, and its address goes nowhere along. */
const ASIDE = { "X-Robots-Tag": "noindex, nofollow, noarchive", "Cache-Control": "private, no-store" };
export const headers = () => ASIDE;

/** What an address leads to; counted where it leads nowhere, so that nobody tries them all. */
async function invitedTo(context: HearthContext, secret: string) {
  const found = await invitedBy(context.db, secret, context.now);
  const guess = found ? null : await context.guessed();
  if (guess?.ok === false) throw data(null, { status: 429 });
  return found;
}

export async function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const [found, member] = [await invitedTo(context, params.secret), await context.member()];
    const invited = found && { to: found.household.name, role: found.role, by: found.by, name: found.name };
    const here = member && { name: member.name, household: member.household.name };
    const isOwn = member !== null && member.household.id === found?.household.id;
    return data({ invited, here, isOwn }, { status: found ? 200 : 404, headers: ASIDE });
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const submission = parseWithZod(await readForm(request, Object.keys(PERSON.shape)), { schema: PERSON });
  if (submission.status !== "success") return submission.reply({ hideFields: ["passphrase"] });
  return writing(async () => {
    const refused = (said: string) => submission.reply({ formErrors: [said], hideFields: ["passphrase"] });
    if (await context.member()) return refused("Somebody is signed in here. Sign out first.");
    if (!(await invitedTo(context, params.secret)))
      return refused("This invitation was taken up or withdrawn meanwhile.");
    const joined = await context.auth.join(params.secret, submission.value);
    if (joined.ok) throw redirect(to.shelf(), { headers: withCookies(joined.cookies) });
    switch (joined.reason) {
      case "too-many-tries":
        return refused(tooManyTries("waitSeconds" in joined ? joined.waitSeconds : 0));
      case "not-found":
        return refused("This invitation was taken up or withdrawn meanwhile.");
      case "too-many":
        return refused("There are as many people in this household as it takes. Ask whoever invited you.");
      default:
        return submission.reply({
          fieldErrors: { mail: ["That address is in a household here already. Give another one."] },
          hideFields: ["passphrase"],
        });
    }
  });
}

export default function InvitedRoute({ loaderData: { invited, here, isOwn }, actionData }: Route.ComponentProps) {
  if (!invited)
    return (
      <Door title="Nothing here">
        <p>
          This invitation leads nowhere: it was taken up, withdrawn, or is older than two weeks. Ask whoever gave it to
          you for another.
        </p>
        <p>
          <Link to={to.signIn()} className="link">
            Sign in
          </Link>
        </p>
      </Door>
    );
  const { role, by } = invited;
  if (here)
    return (
      <Door title={isOwn ? "You are here already" : `You are signed in as ${here.name}`}>
        <p>
          {isOwn
            ? `You belong to ${here.household}. The invitation stays open for whoever it is for.`
            : `This invitation is to ${invited.to}, and you belong to ${here.household}. One mail address belongs to one household: sign out, and take the invitation up with another address.`}
        </p>
        <div className="flex flex-wrap gap-3">
          <Link to={to.shelf()} className={buttonLook("main")}>
            To your shelf
          </Link>
          {!isOwn && (
            <Form method="post" action={to.signOut()}>
              <Button type="submit">Sign out</Button>
            </Form>
          )}
        </div>
      </Door>
    );
  return (
    <Door title={`Come in to ${invited.to}`}>
      <p>
        {by} invites you. A {ROLE_NAME[role].toLowerCase()} {ROLE_MAY[role]}
      </p>
      <Join name={invited.name} answer={actionData ?? null} />
    </Door>
  );
}

type Answer = NonNullable<Route.ComponentProps["actionData"]>;

function Join({ name, answer }: { name: string; answer: Answer | null }) {
  const unreachable = isUnreachable(answer) ? answer : null;
  const [form, fields] = useForm<z.input<typeof PERSON>>({
    lastResult: answer && "status" in answer ? answer : null,
    defaultValue: { name },
    shouldRevalidate: "onInput",
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4">
      {(form.errors || unreachable) && (
        <p role="alert" id={form.errorId} className="border-l-4 border-ember pl-3 font-medium">
          {unreachable ? nothingDone(unreachable.reason) : form.errors}
        </p>
      )}
      <PersonFields fields={fields} />
      <Button type="submit" look="main">
        Come in
      </Button>
    </Form>
  );
}
