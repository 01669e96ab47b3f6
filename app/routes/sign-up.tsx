import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { useEffect, useState } from "react";
import { Form, Link, redirect } from "react-router";
import { z } from "zod";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { isUnreachable } from "#app/http/keep-page.ts";
import { reading, withCookies, writing } from "#app/http/page.ts";
import { PERSON } from "#app/http/person.ts";
import { Button } from "#app/parts/button.tsx";
import { Door } from "#app/places/door/door.tsx";
import { PersonFields } from "#app/places/door/person-fields.tsx";
import { tooManyTries } from "#app/wording/door.ts";
import { nothingDone } from "#app/wording/sending.ts";
import type { Route } from "./+types/sign-up";

const SIGN_UP = PERSON.extend({ timeZone: z.string().max(64).default("UTC") });

export const meta: Route.MetaFunction = () => [{ title: "Start a household · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  if (await reading(context.member)) throw redirect(to.shelf());
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseWithZod(await readForm(request, Object.keys(SIGN_UP.shape)), { schema: SIGN_UP });
  if (submission.status !== "success") return submission.reply({ hideFields: ["passphrase"] });
  return writing(async () => {
    const signed = await context.auth.signUp(submission.value);
    if (signed.ok) throw redirect(to.shelf(), { headers: withCookies(signed.cookies) });
    if (signed.reason !== "mail-taken") {
      const wait = signed.reason === "too-many-tries" ? signed.waitSeconds : 0;
      return submission.reply({ formErrors: [tooManyTries(wait)], hideFields: ["passphrase"] });
    }
    return submission.reply({
      fieldErrors: { mail: ["That address has a household here already. Sign in instead."] },
      hideFields: ["passphrase"],
    });
  });
}

export default function SignUp({ actionData }: Route.ComponentProps) {
  const unreachable = isUnreachable(actionData) ? actionData : null;
  const [form, fields] = useForm<z.input<typeof SIGN_UP>>({
    lastResult: actionData && "status" in actionData ? actionData : null,
    shouldRevalidate: "onInput",
  });
  const [zone, setZone] = useState("UTC");
  useEffect(() => setZone(Intl.DateTimeFormat().resolvedOptions().timeZone), []);
  return (
    <Door title="Start a household">
      <Form method="post" {...getFormProps(form)} className="grid gap-4">
        {(form.errors || unreachable) && (
          <p role="alert" id={form.errorId} className="border-l-4 border-ember pl-3 font-medium">
            {unreachable ? nothingDone(unreachable.reason) : form.errors}
          </p>
        )}
        <PersonFields fields={fields} />
        <input type="hidden" name="timeZone" value={zone} />
        <Button type="submit" look="main">
          Start
        </Button>
      </Form>
      <p>
        Been here before?{" "}
        <Link to={to.signIn()} className="link">
          Sign in
        </Link>
      </p>
    </Door>
  );
}
