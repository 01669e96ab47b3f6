import { getFormProps, getInputProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { useEffect } from "react";
import { Form, Link, redirect } from "react-router";
import { z } from "zod";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { isUnreachable } from "#app/http/keep-page.ts";
import { ownPath, reading, withCookies, writing } from "#app/http/page.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Door } from "#app/places/door/door.tsx";
import { tooManyTries } from "#app/wording/door.ts";
import { nothingDone } from "#app/wording/sending.ts";
import type { Route } from "./+types/sign-in";

const SIGN_IN = z.object({
  mail: z.email({ error: "Give the mail address you signed up with." }).max(254),
  passphrase: z.string({ error: "Give your passphrase." }).max(256),
});
const WRONG = "That mail address and passphrase do not belong together.";

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Hearth Clock" }];

/** Where to go once inside: the page that led to the door, or the shelf. */
const wayIn = (request: Request) => ownPath(new URL(request.url).searchParams.get("to"), to.shelf());

export async function loader({ request, context }: Route.LoaderArgs) {
  const [member, hasDemo] = await reading(() => Promise.all([context.member(), context.auth.hasDemo()]));
  if (member) throw redirect(wayIn(request));
  return { hasDemo, ended: new URL(request.url).searchParams.has("ended") };
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "mail", "passphrase"]);
  return writing(async () => {
    if (form.get("intent") === "demo") {
      const entered = await context.auth.enterDemo();
      if (entered.ok) throw redirect(wayIn(request), { headers: withCookies(entered.cookies) });
      return parseWithZod(form, { schema: SIGN_IN }).reply({ formErrors: ["The demo is not in this database."] });
    }
    const submission = parseWithZod(form, { schema: SIGN_IN });
    if (submission.status !== "success") return submission.reply({ hideFields: ["passphrase"] });
    const signed = await context.auth.signIn(submission.value.mail, submission.value.passphrase);
    if (signed.ok) throw redirect(wayIn(request), { headers: withCookies(signed.cookies) });
    const said = signed.reason === "wrong" ? WRONG : tooManyTries(signed.waitSeconds);
    return submission.reply({ formErrors: [said], hideFields: ["passphrase"] });
  });
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  useEffect(() => {
    // Whoever stands at the door is signed out: today's page of the one before is not kept on the device for the next.
    void globalThis.caches?.delete("hearth-today-page");
  }, []);
  const unreachable = isUnreachable(actionData) ? actionData : null;
  const [form, fields] = useForm<z.input<typeof SIGN_IN>>({
    lastResult: actionData && "status" in actionData ? actionData : null,
    shouldRevalidate: "onInput",
  });
  return (
    <Door title="Come in">
      {loaderData.ended && (
        <p role="status" className="border-l-4 border-brass pl-3">
          You were signed out: a session ends after 30 days, or when you sign out elsewhere. Sign in, and you are back
          on the page you came from. What was not saved yet is kept on this device.
        </p>
      )}
      {loaderData.hasDemo && (
        <Form method="post" className="grid gap-2 border-b border-line pb-6">
          <Button type="submit" name="intent" value="demo" look="main">
            Look round the demo household
          </Button>
          <p className="text-sm text-quiet">Three albums on an invented island. Nothing to fill in.</p>
        </Form>
      )}
      <Form method="post" {...getFormProps(form)} className="grid gap-4">
        {(form.errors || unreachable) && (
          <p role="alert" id={form.errorId} className="border-l-4 border-ember pl-3 font-medium">
            {unreachable ? nothingDone(unreachable.reason) : form.errors}
          </p>
        )}
        <TextField
          label="Mail address"
          {...getInputProps(fields.mail, { type: "email" })}
          key="mail"
          autoComplete="username"
          error={fields.mail.errors?.[0]}
        />
        <TextField
          label="Passphrase"
          {...getInputProps(fields.passphrase, { type: "password" })}
          key="passphrase"
          autoComplete="current-password"
          error={fields.passphrase.errors?.[0]}
        />
        <Button type="submit" look={loaderData.hasDemo ? "plain" : "main"}>
          Sign in
        </Button>
      </Form>
      <p>
        New here?{" "}
        <Link to={to.signUp()} className="link">
          Start a household
        </Link>
      </p>
    </Door>
  );
}
