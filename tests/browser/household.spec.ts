import { expect, test } from "./browser-test.ts";
import { base, PASSPHRASE, PHONE, signIn, signUpAtTheDoor } from "./keeper.ts";

test("who is signed in elsewhere is seen and signed out there, and another passphrase signs out everywhere else", async ({
  page,
  browser,
}) => {
  test.slow();
  const mail = await signUpAtTheDoor(page);
  const phone = await (await browser.newContext({ ...PHONE, userAgent: "A browser, Mobile" })).newPage();
  const other = await (await browser.newContext()).newPage();
  for (const each of [phone, other]) await signIn(each, mail);
  await page.goto(`${base()}/household`);
  const sessions = page.getByRole("region", { name: "Where you are signed in" });
  await expect(sessions.getByRole("listitem")).toHaveCount(3);
  await expect(sessions.getByText("A computer, here")).toBeVisible();
  await sessions.getByRole("button", { name: /^Sign out there: A phone/ }).click();
  await expect(sessions.getByRole("listitem")).toHaveCount(2);
  await phone.goto(`${base()}/shelf`);
  await expect(phone).toHaveURL(/sign-in/);

  const change = async (now: string, next: string) => {
    await page.getByLabel("The one you have now").fill(now);
    await page.getByLabel("The new one").fill(next);
    await page.getByRole("button", { name: "Change it" }).click();
  };
  const said = page.getByRole("region", { name: "Your passphrase" });
  await change("not what it is at all", "another four plain words");
  await expect(said).toContainText("That is not the passphrase you have now. Nothing was changed.");
  await expect(page.getByLabel("The new one")).toHaveValue("another four plain words");
  await change(PASSPHRASE, "too short");
  await expect(said).toContainText("Use at least 12 letters.");
  await other.goto(`${base()}/shelf`);
  await expect(other).toHaveURL(/shelf/);
  await change(PASSPHRASE, "another four plain words");
  await expect(said).toContainText("Changed. You are signed out everywhere else.");
  await expect(page.getByLabel("The new one")).toHaveValue("");
  await expect(sessions.getByRole("listitem")).toHaveCount(1);
  await other.goto(`${base()}/shelf`);
  await expect(other).toHaveURL(/sign-in/);
  // The old one opens nothing any more; the new one does.
  await other.getByLabel("Mail address").fill(mail);
  await other.getByLabel("Passphrase").fill(PASSPHRASE);
  await other.getByRole("button", { name: "Sign in" }).click();
  await expect(other.getByText("That mail address and passphrase do not belong together.")).toBeVisible();
  await other.getByLabel("Passphrase").fill("another four plain words");
  await other.getByRole("button", { name: "Sign in" }).click();
  await expect(other).toHaveURL(/shelf/);
  for (const each of [phone, other]) await each.context().close();
});
