import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, newDecember, newKeeper, PASSPHRASE, PHONE, saved } from "./keeper.ts";

/** Makes an invitation on the page of the household; its address. */
async function invite(page: Page, name: string, role: string): Promise<string> {
  await page.goto(`${base()}/household`);
  const place = page.getByRole("region", { name: "Invite somebody" });
  await place.getByLabel("Whom").fill(name);
  await place.getByLabel("As", { exact: true }).selectOption({ label: role });
  await place.getByRole("button", { name: "Make an invitation" }).click();
  const address = place.getByRole("textbox", { name: /Hand this address over/ });
  await expect(address).toBeVisible();
  await expect(place.getByRole("listitem").filter({ hasText: name })).toBeVisible();
  return address.inputValue();
}

async function takeUp(page: Page, address: string, mail: string): Promise<void> {
  await page.goto(address);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Come in" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
}
const anyMail = () => `${crypto.randomUUID()}@example.org`;

test("an invitation is taken up once; a helper’s day is words, pictures and ticks; what they wrote stays when they leave", async ({
  page,
  openWindow,
}) => {
  test.slow();
  await newKeeper(page, "Oda");
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-02`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("Snow before seven");
  await saved(page);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await saved(page);
  const address = await invite(page, "Ilo", "Helper");

  const ilo = await openWindow();
  await ilo.goto(address);
  await expect(ilo.getByText(/Oda invites you\. A helper writes words/)).toBeVisible();
  await expect(ilo.getByLabel("Your name")).toHaveValue("Ilo");
  await takeUp(ilo, address, anyMail());
  await expect(ilo.getByRole("link", { name: "New album" })).toHaveCount(0);
  await ilo.getByRole("link", { name: /Our December/ }).click();
  await ilo.goto(`${album}/days/2026-12-02`);
  await ilo.getByLabel("Words of card 1").fill("Snow before seven, and the dog in it");
  await saved(ilo);
  await ilo.getByLabel("Title", { exact: true }).fill("Snow");
  await saved(ilo);
  // What is planned is seen, and not theirs to change.
  await expect(ilo.getByLabel("Prompt", { exact: true })).toBeDisabled();
  await expect(ilo.getByLabel("Is this day private")).toBeDisabled();
  await expect(ilo.getByLabel("Foundation page", { exact: true })).toBeDisabled();
  // Another window, or a hand, may send it all the same: it is refused, and nothing happens.
  const forged = await ilo.evaluate(
    async ([to, dayId]) => {
      const body = JSON.stringify({ what: "month", how: "skip", on: true, dayId });
      const answer = await fetch(`${to}/sent`, {
        method: "POST",
        body,
        headers: { "content-type": "application/json" },
      });
      return { status: answer.status, said: await answer.json() };
    },
    [album, "00000000-0000-4000-8000-000000000000"] as const,
  );
  expect(forged).toEqual({ status: 200, said: { ok: false, reason: "not-yours" } });
  await ilo.goto(`${album}/settings`);
  await expect(ilo.getByText("A keeper of the household changes this. You can look.")).toBeVisible();
  await expect(ilo.getByRole("button", { name: "Save", exact: true })).toBeDisabled();
  // In the book they turn the leaves and look; nothing that is a keeper’s can be pressed elsewhere.
  await ilo.goto(`${album}/book`);
  await expect(ilo.getByText("A keeper of the household changes this. You can look.")).toBeVisible();
  await expect(ilo.getByLabel("Front belongs to")).toBeDisabled();
  await expect(ilo.getByRole("button", { name: "Into the tray" })).toBeDisabled();
  await expect(ilo.getByRole("img", { name: /^The spread: / })).toBeVisible();
  await ilo.getByRole("button", { name: "Turn a leaf" }).click();
  await expect(ilo.getByRole("button", { name: "Turn a leaf" })).toBeDisabled();
  await ilo.goto(`${album}/tallies`);
  await expect(ilo.getByRole("button", { name: "Count this" })).toBeDisabled();
  await ilo.goto(`${album}/finish`);
  await expect(ilo.getByRole("button", { name: "Write everything" })).toBeDisabled();
  // Their hours are their own.
  await ilo.goto(`${album}/hours`);
  await ilo.getByLabel("Minutes on Mondays").fill("25");
  await ilo.getByRole("button", { name: "Save these hours" }).click();
  await expect(ilo.getByText("Saved.")).toBeVisible();
  // What they did they take back themselves; what others did is not offered to them.
  await ilo.goto(`${album}/changes`);
  await expect(ilo.getByRole("listitem").filter({ hasText: "Oda" }).first()).toBeVisible();
  await expect(ilo.getByRole("listitem").filter({ hasText: "Oda" }).getByRole("button")).toHaveCount(0);
  await ilo.getByRole("button", { name: /^Take back: .*title/i }).click();
  await expect(ilo.getByRole("button", { name: /^Do again: .*title/i })).toBeVisible();
  await ilo.goto(`${album}/days/2026-12-02`);
  await expect(ilo.getByLabel("Title", { exact: true })).toHaveValue("");

  const second = await openWindow();
  await second.goto(address);
  await expect(second.getByRole("heading", { name: "Nothing here" })).toBeVisible();

  await ilo.goto(`${base()}/household`);
  await ilo.getByRole("button", { name: "Leave", exact: true }).click();
  await ilo.getByRole("alertdialog").getByRole("button", { name: "Leave", exact: true }).click();
  await expect(ilo).toHaveURL(/sign-in/);
  await page.goto(`${album}/days/2026-12-02`);
  await expect(page.getByLabel("Words of card 1")).toHaveValue("Snow before seven, and the dog in it");
  await page.goto(`${album}/changes`);
  await expect(page.getByRole("listitem").filter({ hasText: "Ilo" }).first()).toBeVisible();
});

test("whoever only looks leafs through without what is private; what they may do is changed, and they are let go", async ({
  page,
  openWindow,
}) => {
  test.slow();
  await newKeeper(page, "Oda");
  const album = await newDecember(page);
  for (const [date, words] of [
    ["2026-12-02", "For everybody"],
    ["2026-12-03", "The present under the stairs"],
  ]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await addCard(page);
    await page.getByLabel("Words of card 1").fill(words ?? "");
    await saved(page);
  }
  await page.getByLabel("Is this day private").selectOption({ label: "Private for good" });
  await saved(page);
  const address = await invite(page, "Odette", "Looker");
  const odette = await openWindow(PHONE);
  await takeUp(odette, address, anyMail());
  await expect(odette.getByRole("link", { name: "Tray" })).toHaveCount(0);
  await odette.getByRole("link", { name: /Our December/ }).click();
  await expect(odette).toHaveURL(/\/shown$/);
  // Any address of the album that somebody hands her leads there.
  await odette.goto(`${album}/days/2026-12-03`);
  await expect(odette).toHaveURL(/\/shown$/);
  const all: string[] = [];
  for (let nth = 1; (await odette.goto(`${album}/shown/${nth}`))?.status() === 200; nth++)
    all.push(await odette.content());
  expect(all.join("\n")).toContain("For everybody");
  expect(all.join("\n")).not.toContain("The present");
  await odette.goto(`${album}/shown`);
  await odette.getByRole("link", { name: "The shelf" }).click();
  await expect(odette.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();

  // The only keeper cannot leave, nor be anything else.
  await page.goto(`${base()}/household`);
  const here = page.getByRole("region", { name: "Who is here" });
  await here.getByLabel("What Oda may do").selectOption({ label: "Helper" });
  await expect(here.getByText(/Make somebody else a keeper first/)).toBeVisible();
  await expect(here.getByLabel("What Oda may do")).toHaveValue("keeper");
  await here.getByLabel("What Odette may do").selectOption({ label: "Helper" });
  await expect(here.getByText(/Make somebody else a keeper first/)).toHaveCount(0);
  await odette.goto(`${album}/days/2026-12-03`);
  await expect(odette.getByLabel("Words of card 1")).toHaveValue("The present under the stairs");
  await here.getByRole("button", { name: "Let Odette go" }).click();
  await page.getByRole("alertdialog").getByRole("button", { name: "Let go" }).click();
  await expect(here.getByRole("listitem")).toHaveCount(1);
  await odette.goto(`${album}/days/2026-12-03`);
  await expect(odette).toHaveURL(/sign-in/);
});

test("a household is given up with its passphrase, said so in every place, and that is taken back", async ({
  page,
}) => {
  await newKeeper(page, "Oda");
  const album = await newDecember(page);
  await page.goto(`${base()}/household`);
  const going = page.getByRole("region", { name: "Give the household up" });
  await going.getByRole("button", { name: "Give it up" }).click();
  await going.getByLabel("Your passphrase").fill("not what it is at all");
  await going.getByRole("button", { name: "Give it up in seven days" }).click();
  await expect(going.getByText("That is not the passphrase you have now. Nothing was changed.")).toBeVisible();
  await going.getByLabel("Your passphrase").fill(PASSPHRASE);
  await going.getByRole("button", { name: "Give it up in seven days" }).click();
  await expect(going.getByText(/Everything here goes on/)).toBeVisible();
  await page.goto(`${album}/month`);
  const bar = page.getByText(/This household goes on .*, with all it holds\./);
  await expect(bar).toBeVisible();
  await page.getByRole("link", { name: "Take that back" }).click();
  await going.getByRole("button", { name: "Take that back" }).click();
  await expect(bar).toHaveCount(0);
  await expect(going.getByRole("button", { name: "Give it up" })).toBeVisible();
  await page.goto(`${album}/month`);
  await expect(bar).toHaveCount(0);
});
