import { expect, type Page, test } from "./browser-test.ts";
import { base, newDecember, newKeeper, PASSPHRASE, saved } from "./keeper.ts";

/** What is written stays on the page, whatever is answered to it. */
const title = (page: Page) => page.getByLabel("Title", { exact: true });
const keptHere = (page: Page) => expect(page.getByText("Kept here, not yet saved")).toBeVisible();

async function onDay(page: Page): Promise<{ album: string; mail: string }> {
  const mail = await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-09`);
  await title(page).fill("Counting lit windows");
  await saved(page);
  return { album, mail };
}
const isSave = "**/sent";

test("a save that is answered by something between here and the server leaves page and words, and goes when it can", async ({
  page,
}) => {
  await onDay(page);
  for (const status of [502, 503, 504, 429]) {
    await page.route(isSave, (route) => route.fulfill({ status, contentType: "text/html", body: "<h1>Not now</h1>" }));
    await title(page).fill(`Typed under ${status}`);
    await keptHere(page);
    await expect(title(page)).toHaveValue(`Typed under ${status}`);
    await page.unroute(isSave);
    await saved(page);
  }
  await page.reload();
  await expect(title(page)).toHaveValue("Typed under 429");
});

test("a save that is refused for good gives the words back, and what is written after them is saved", async ({
  page,
}) => {
  await onDay(page);
  const given = page.getByRole("region", { name: "Words that could not be saved" });
  for (const status of [403, 413, 500]) {
    await page.route(isSave, (route) => route.fulfill({ status, contentType: "text/plain", body: "no" }));
    await page.getByLabel("Note", { exact: true }).fill(`A long note under ${status}`);
    await expect(given.getByRole("textbox")).toHaveValue(`A long note under ${status}`, { timeout: 20_000 });
    await page.unroute(isSave);
    await title(page).fill(`Still here after ${status}`);
    await saved(page);
    await expect(given.getByRole("textbox")).toHaveValue(`A long note under ${status}`);
    await given.getByRole("button", { name: status === 500 ? "Try again" : "Let them go" }).click();
    await expect(given).toHaveCount(0);
  }
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("A long note under 500");
});

test("a change that an older page left behind and nobody understands any more is given back and holds up no other", async ({
  page,
}) => {
  const { album } = await onDay(page);
  // Whose slot it would be is known once something waits.
  await page.route(isSave, (route) => route.abort());
  await title(page).fill("While nothing goes");
  await keptHere(page);
  await page.evaluate((address) => {
    const own = Object.keys(localStorage).find((key) => key.startsWith("hearth:sending:")) ?? "";
    const sent = { what: "edit", dayId: "none", base: null, edit: { kind: "ode", text: "An ode to the causeway" } };
    const entry = { id: crypto.randomUUID(), key: "x:ode", due: 0, sent };
    const slot = `hearth:${own.split(":")[2]}:${address.split("/").at(-1)}:older`;
    localStorage.setItem(slot, JSON.stringify({ entries: [entry], clashes: [] }));
  }, album);
  await page.unroute(isSave);
  await page.reload();
  await expect(page.getByRole("region", { name: "Words that could not be saved" }).getByRole("textbox")).toHaveValue(
    "An ode to the causeway",
  );
  await saved(page);
  await expect(title(page)).toHaveValue("While nothing goes");
});

test("a session that ends while somebody writes is told, and what was written is saved once they sign in beside it", async ({
  page,
}) => {
  const { mail } = await onDay(page);
  await page.context().clearCookies({ name: "hearth_session" });
  await title(page).fill("Typed signed out");
  await keptHere(page);
  await expect(page.getByText("You are signed out on this device.")).toBeVisible();
  const [door] = await Promise.all([
    page.context().waitForEvent("page"),
    page.getByRole("link", { name: /Sign in, in a window/ }).click(),
  ]);
  await door.getByLabel("Mail address").fill(mail);
  await door.getByLabel("Passphrase").fill(PASSPHRASE);
  await door.getByRole("button", { name: "Sign in" }).click();
  await expect(door.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(title(page)).toHaveValue("Typed signed out");
  // Signed out for good, the way leads to the door and back to the same page.
  await page.context().clearCookies({ name: "hearth_session" });
  await page.reload();
  await expect(page.getByText("You were signed out", { exact: false })).toBeVisible();
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(title(page)).toHaveValue("Typed signed out");
});

test("signing out asks before it drops what is not saved, and leaves nothing on the device", async ({ page }) => {
  await onDay(page);
  await page.route(isSave, (route) => route.abort());
  await title(page).fill("Not yet saved");
  await keptHere(page);
  await page.goto(`${base()}/shelf`);
  await page.getByRole("button", { name: "Sign out" }).click();
  const asked = page.getByRole("alertdialog", { name: "One thing is not saved yet" });
  await asked.getByRole("button", { name: "Stay signed in" }).click();
  await expect(asked).toHaveCount(0);
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.getByRole("button", { name: "Drop it and sign out" }).click();
  await expect(page.getByRole("heading", { name: "Come in" })).toBeVisible();
  expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("hearth:")))).toEqual([]);
});
