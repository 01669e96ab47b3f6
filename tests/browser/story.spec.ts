import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, photo, saved } from "./keeper.ts";

async function storyAlbum(page: Page): Promise<string> {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/settings`);
  await page.getByLabel("The number is").selectOption("story");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  return album;
}
const told = (page: Page) => page.getByRole("region", { name: "Which days are told" });

test("twelve stories of thirty-one days: chosen from the month in a few presses, counted on without the skipped, taken back in one", async ({
  page,
}) => {
  const album = await storyAlbum(page);
  await page.goto(`${album}/days/2026-12-02`);
  await page.getByLabel("Title", { exact: true }).fill("First snow");
  await saved(page);
  await page.getByRole("link", { name: "Month", exact: true }).click();
  await page.getByRole("link", { name: "Which days are told" }).click();
  await page.getByLabel("Tell").fill("40");
  await expect(page.getByRole("button", { name: "Spread them" })).toBeDisabled();
  await page.getByLabel("Tell").fill("12");
  await expect(page.getByText("1 day that holds something already stays")).toBeVisible();
  await page.getByRole("button", { name: "Spread them" }).click();
  await expect(told(page).getByRole("checkbox", { checked: true })).toHaveCount(12);
  await expect(told(page).getByRole("checkbox", { name: "Wed 2 Dec, First snow" })).toBeChecked();
  await page.getByRole("button", { name: "Save which are told" }).click();
  await expect(page.getByText("19 days skipped.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save which are told" })).toBeDisabled();

  // The dial has numbers 1 to 12, and a date on every day.
  await page.getByRole("link", { name: "Month", exact: true }).first().click();
  const options = page.getByRole("option");
  await expect(options).toHaveCount(31);
  const names = await options.allTextContents();
  expect(names.flatMap((name) => /^(\d+)[,:]/.exec(name)?.[1] ?? [])).toEqual(
    Array.from({ length: 12 }, (_, at) => String(at + 1)),
  );
  expect(names.filter((name) => /^\w{3} \d+ Dec: skipped$/.test(name))).toHaveLength(19);
  await expect(page.getByRole("listbox").getByText("31 Dec", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByRole("option", { name: /skipped/ })).toHaveCount(0);
});

test("a skipped day has no number anywhere, and keeps its picture", async ({ page }) => {
  const album = await storyAlbum(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Foundation page").selectOption({ label: "Full page" });
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-05") });
  await saved(page);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Day 5:");
  await expect(page.getByRole("region", { name: "The mat" }).getByRole("button", { name: /^Number/ })).toBeVisible();
  await page.getByRole("button", { name: "More to do with this day" }).click();
  await page.getByRole("button", { name: "Skip this day" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Saturday, 5 December 2026:");
  await expect(
    page.getByRole("region", { name: "The mat" }).getByRole("button", { name: /^Print 6 × 4/ }),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: /^Number/ })).toHaveCount(0);
  await expect(page.getByLabel(/^Number/)).toHaveCount(0);
  await page.goto(`${album}/days/2026-12-06`);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Day 5:");
});
