import { expect, test } from "./browser-test.ts";
import { addCard, longLeft, newDecember, newKeeper, photo, saved } from "./keeper.ts";

test("the first evening leads from the ruler to the pictures, one step after the other, and goes away", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/month`);
  const leads = page.getByRole("region", { name: "The first evening" });
  const now = leads.locator("[aria-current=step]");
  const bar = page.getByText(/^The first evening, \d of 4/);
  await expect(now).toContainText("Measure the book");
  await expect(page.getByRole("region", { name: "Tonight" })).toBeHidden();

  await now.getByRole("link", { name: "Measure the book" }).click();
  await expect(bar).toContainText("1 of 4: measure the book.");
  await expect(page.getByRole("link", { name: /^Next:/ })).toBeHidden();
  await page.getByRole("button", { name: "Save the measures" }).click();
  await expect(bar).toContainText("Done.");

  await page.getByRole("link", { name: "Next: deal the prompts" }).click();
  await page.getByRole("button", { name: "Put these 31 on their days" }).click();
  await expect(bar).toContainText("Done.");

  // One may be left for good, from the month.
  await page.getByRole("link", { name: "To the month" }).click();
  await expect(now).toContainText("Lay the foundation pages");
  await now.getByRole("button", { name: "Leave it" }).click();
  await expect(now).toContainText("Bring in pictures");
  await page.reload();
  await expect(now).toContainText("Bring in pictures");
  await now.getByRole("link", { name: "Bring in pictures" }).click();
  const buffer = await photo("2026-12-01");
  await page.getByLabel("Choose pictures").setInputFiles({ name: "first-light.jpg", mimeType: "image/jpeg", buffer });
  await expect(page.locator("[data-photo]")).toHaveCount(1);
  await page.goto(`${album}/month`);
  await expect(leads).toBeHidden();
  await expect(page.getByRole("region", { name: "Tonight" })).toBeVisible();
  await page.goto(`${album}/measure`);
  await expect(bar).toBeHidden();
});

test("who knows the way is not led, and that is taken back as any change", async ({ page }) => {
  await newKeeper(page);
  await page.goto(`${await newDecember(page)}/month`);
  const leads = page.getByRole("region", { name: "The first evening" });
  await leads.getByRole("button", { name: "I know my way" }).click();
  await expect(leads).toBeHidden();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("Taken back: step of the first evening left.")).toBeVisible();
  await expect(leads).toBeVisible();
});

test("who comes back after weeks sees where things stand and the one next thing, until something is done", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-04`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("What the window holds.");
  await saved(page);
  await page.goto(`${album}/month`);
  await page.getByRole("button", { name: "I know my way" }).click();
  await expect(page.getByRole("region", { name: "Tonight" })).toBeVisible();
  const stands = page.getByRole("region", { name: "Where things stand" });
  await expect(stands).toBeHidden();

  await longLeft(album, 40);
  await page.reload();
  await expect(stands).toContainText("The one next thing: 4,");
  await expect(stands).toContainText("Everything is as it was left.");
  await stands.getByRole("link", { name: "Open day 4" }).click();
  await page.getByRole("textbox", { name: "Note" }).first().fill("Ask who is who.");
  await saved(page);
  await page.goto(`${album}/month`);
  await expect(page.getByRole("region", { name: "Tonight" })).toBeVisible();
  await expect(stands).toBeHidden();
});
