import { expect, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, photo, saved } from "./keeper.ts";

const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const piece = (page: Page, name: RegExp) => mat(page).getByRole("button", { name });

test("a title page carries a photo and words, on the front of a leaf whose back is the opening note", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/book`);
  await page.getByRole("button", { name: "Add a title page" }).click();
  await expect(page.getByRole("heading", { name: /^Title page\. / })).toBeVisible();
  await saved(page);
  await page.getByRole("link", { name: "Work on the title page" }).click();
  await page.waitForURL(/\/pages\//);
  await page.getByLabel("Title", { exact: true }).fill("Lantern Month");
  const file = { name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-11-28") };
  await page.getByLabel("Add photos").setInputFiles(file);
  await expect(page.getByText("1 on this page")).toBeVisible();
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("For Gran, who counts the windows.");
  await saved(page);
  // Both lie on its front by the first dry fit; no number and no prompt are asked for.
  await expect(piece(page, /^Print \d/)).toBeVisible();
  await expect(piece(page, /^Card/)).toBeVisible();
  await expect(piece(page, /^Number/)).toHaveCount(0);
  await expect(page.getByRole("heading", { name: /^Prompt/ })).toHaveCount(0);
  await page.getByRole("checkbox", { name: "Base made" }).check();
  await saved(page);
  // Its words are found, printed and written as a day's are.
  await page.getByRole("link", { name: /Write it to its card/ }).click();
  await page.waitForURL(/\/cards\//);
  await page
    .getByRole("link", { name: /Lantern Month/ })
    .first()
    .click();
  await page.waitForURL(/\/pages\//);
  await page.getByRole("button", { name: "See the back" }).click();
  await page.getByRole("link", { name: "Open the opening note" }).click();
  await expect(page.getByRole("heading", { name: /^Opening note/ })).toBeAttached();
  await addCard(page);
  await saved(page);
  await expect(piece(page, /^Card/)).toBeVisible();
  await page.goto(`${album}/sheets`);
  await page.getByRole("radio", { name: "Chosen" }).check({ force: true });
  await expect(page.getByText(/Lantern Month/).first()).toBeVisible();
});
