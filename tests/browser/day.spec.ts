import { expect, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, saved, signIn } from "./keeper.ts";

const title = (page: Page) => page.getByLabel("Title", { exact: true });

test("two windows on one day: the later is told who wrote what, keeps its words, and chooses", async ({
  page,
  openWindow,
}) => {
  const mail = await newKeeper(page, "Maren");
  const album = await newDecember(page);
  const other = await openWindow();
  await signIn(other, mail);
  await page.goto(`${album}/days/2026-12-09`);
  await other.goto(`${album}/days/2026-12-09`);
  await title(page).fill("Lit windows");
  await saved(page);
  await title(other).fill("Windows, counted");
  const clash = other.getByRole("alert").filter({ hasText: "Maren changed the title in another window" });
  await expect(clash).toContainText("Lit windows");
  await expect(clash).toContainText("Windows, counted");
  await other.reload();
  await expect(clash).toContainText("Windows, counted");
  await other.getByRole("button", { name: "Keep mine" }).click();
  await saved(other);
  await page.reload();
  await expect(title(page)).toHaveValue("Windows, counted");

  await page.getByRole("textbox", { name: "Note", exact: true }).fill("From the first window");
  await saved(page);
  await other.getByRole("textbox", { name: "Note", exact: true }).fill("From the second");
  await other.getByRole("button", { name: "Keep both" }).click();
  await saved(other);
  await expect(other.getByRole("textbox", { name: "Note", exact: true })).toHaveValue(
    "From the first window\n\nFrom the second",
  );
});

test("a day is skipped, taken up, merged, split and moved, and each is taken back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-13`);
  await title(page).fill("The parade");
  await saved(page);
  const menu = async (name: string | RegExp) => {
    await page.getByRole("button", { name: "More to do with this day" }).click();
    await page.getByRole("button", { name }).click();
    await saved(page);
  };
  await menu("Skip this day");
  await expect(page.getByText(", skipped")).toBeVisible();
  await menu("Take this day up again");
  await menu("Share a page with the day after");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("13·14");
  await menu("Take your last change back");
  await expect(page.getByText("Taken back: 13 Dec put on one page with its neighbour.")).toBeVisible();
  await menu("Share a page with the day after");
  await saved(page);
  await menu("Give each date its own page");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Day 13:");
  await page.getByLabel("Foundation page").selectOption({ label: "Full page" });
  await saved(page);
  await page.getByRole("button", { name: "More to do with this day" }).click();
  await page.getByLabel("Move the story to another day").selectOption("2026-12-15");
  // One goes along, the leaf too, and it is said.
  await page.waitForURL(/2026-12-15$/);
  await expect(page.getByText("Moved here from 13 Dec, its leaves with it.")).toBeVisible();
  await expect(title(page)).toHaveValue("The parade");
  await expect(page.getByLabel("Foundation page")).toHaveValue("full");
  await page.getByRole("link", { name: "What was here is on 13 Dec now" }).click();
  await expect(title(page)).toHaveValue("");
  await expect(page.getByLabel("Foundation page")).toHaveValue("");
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await page.goto(`${album}/days/2026-12-13`);
  await expect(title(page)).toHaveValue("The parade");
});

test("a shorter span sets days aside and a longer one brings them back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-30`);
  await title(page).fill("Nearly over");
  await saved(page);
  await page.goto(`${album}/settings`);
  await page.getByLabel("Last day", { exact: true }).fill("2026-12-24");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Set aside now: 25 Dec, 26 Dec")).toBeVisible();
  await page.goto(`${album}/days/2026-12-30`);
  await expect(page.getByRole("heading", { name: "Wednesday, 30 December 2026 is set aside" })).toBeVisible();
  await expect(page.getByText("Nearly over")).toBeVisible();
  await page.getByRole("link", { name: "Change first and last day" }).click();
  await page.getByLabel("Last day", { exact: true }).fill("2026-11-24");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("The last day is before the first")).toBeVisible();
  await page.getByLabel("Last day", { exact: true }).fill("2026-12-31");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Set aside now")).toBeHidden();
  await page.goto(`${album}/days/2026-12-30`);
  await expect(title(page)).toHaveValue("Nearly over");
});

test("what is removed lies in the tray and comes back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-02`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("Not for the bin");
  await saved(page);
  await page.getByRole("button", { name: /Remove card 1/ }).click();
  await expect(page.getByLabel("Words of card 1")).toBeHidden();
  await saved(page);
  await page.goto(album.replace(/albums.*/, "tray"));
  await page.getByRole("button", { name: /Put back: A card from 2 Dec/ }).click();
  await expect(page.getByText("The tray is empty.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-02`);
  await expect(page.getByLabel("Words of card 1")).toHaveValue("Not for the bin");
});
