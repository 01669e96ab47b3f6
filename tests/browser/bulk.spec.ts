import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, PHONE, saved } from "./keeper.ts";

/** Says how much the rings hold, in millimetres. */
async function ringsOf(page: Page, album: string, millimetres: string): Promise<void> {
  await page.goto(`${album}/measure`);
  await page.getByLabel("Holds a stack of, mm").fill(millimetres);
  await page.getByRole("button", { name: "Save the measures" }).click();
  await expect(page.getByText(/Saved\. Everything drawn/)).toBeVisible();
}

/** A page in a protector with a thick number on it, of so many layers of chipboard. */
async function thickDay(page: Page, album: string, date: string): Promise<void> {
  await page.goto(`${album}/days/${date}`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await page.locator('[data-piece$="-numeral"]').first().click();
  await page.locator(".mat-bar").getByText("Made of ink alone").click();
  await page.getByLabel("Material of it").selectOption({ label: "chipboard" });
  await expect(page.locator(".mat-bar").getByText("Made of chipboard")).toBeVisible();
  await saved(page);
}

test("a book made too thick says so and by how much, and two remedies bring it back", async ({ page }) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/bulk`);
  await expect(page.getByText("There are no leaves yet.")).toBeVisible();
  for (const date of ["2026-12-03", "2026-12-04", "2026-12-05"]) await thickDay(page, album, date);
  await ringsOf(page, album, "3.7");
  await page.goto(`${album}/bulk`);
  await expect(page.getByRole("heading", { name: "It will not close" })).toBeVisible();
  await expect(page.getByText(/The boards stand .* too far apart at the fore-edge\./)).toBeVisible();
  await expect(page.getByText(/3 numbers of chipboard \(day 3, day 4, day 5\)/)).toBeVisible();
  await expect(page.getByRole("img", { name: /^The closed book from the side/ })).toBeVisible();
  await expect(page.getByRole("img", { name: /^The closed book from above/ })).toBeVisible();

  // What is in it today is nothing yet.
  await page.getByRole("button", { name: "What is in it today" }).click();
  await expect(page.getByText("Nothing is in the book yet.")).toBeVisible();
  await page.getByRole("button", { name: "With all that is planned" }).click();

  const peel = page.getByRole("button", { name: /^Peel its back off, and glue it: number of chipboard of day/ });
  await expect(peel).toHaveCount(3);
  await peel.first().click();
  await expect(peel).toHaveCount(2);
  await expect(page.getByRole("heading", { name: "It will not close" })).toBeVisible();
  await page
    .getByRole("button", { name: /^Move it to the .* of day/ })
    .first()
    .click();
  await expect(page.getByRole("heading", { name: "It will close" })).toBeVisible();
  // Each is one act, and is taken back as one.
  await saved(page);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByRole("heading", { name: "It will not close" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "It will not close" })).toBeVisible();
});

test("a book is parted into two volumes that both close, gets a title page there, and is joined again", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  for (const date of ["2026-12-03", "2026-12-04", "2026-12-05", "2026-12-06"]) await thickDay(page, album, date);
  await ringsOf(page, album, "3.5");
  await page.goto(`${album}/bulk`);
  await expect(page.getByText("It is best parted before the page of day 5. Both close then.")).toBeVisible();
  await page.getByRole("button", { name: "Begin a second volume there" }).click();
  await expect(page.getByRole("heading", { name: "Volume 1 will close" })).toBeVisible();
  await page.getByRole("button", { name: "Volume 2", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Volume 2 will close" })).toBeVisible();
  await expect(page.getByText("Volume 2: 2 leaves, day 5 to day 6")).toBeVisible();
  await page.getByRole("button", { name: "Give it a title page" }).click();
  await expect(page.getByText("Volume 2: 3 leaves, day 5 to day 6")).toBeVisible();
  await expect(page.getByRole("button", { name: "Give it a title page" })).toHaveCount(0);
  await page.reload();
  await expect(page.getByText("Volume 1: 2 leaves, day 3 to day 4")).toBeVisible();
  await page.getByRole("button", { name: "Join it to volume 1 again" }).click();
  await expect(page.getByRole("heading", { name: "It will not close" })).toBeVisible();
});

test("a ruler put to the closed book corrects the reckoning, on a phone too, and is forgotten again", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await expect(page.getByText("Page size", { exact: true })).toBeVisible();
  await page.goto(`${album}/bulk`);
  await expect(page.getByText("Nothing is said to be in the book yet, so there is nothing to measure.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByRole("checkbox", { name: "In the book", exact: true }).check();
  await saved(page);
  await page.goto(`${album}/bulk`);
  const field = page.getByLabel("It measures");
  await field.fill("4");
  await expect(page.getByText(/this is of another book, or in another measure/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Keep", exact: true })).toBeDisabled();
  await field.fill("0.4 mm");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(
    page.getByText(/Corrected by one measure: it is \d+ % thinner than its papers\. Right to about 10 %\./),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByText(/Corrected by one measure/)).toBeVisible();
  await page.getByRole("button", { name: "Forget" }).click();
  await expect(page.getByText(/Reckoned from typical thicknesses/)).toBeVisible();
});
