import { expect, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, photo, saved } from "./keeper.ts";

const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const piece = (page: Page, name: RegExp) => mat(page).getByRole("button", { name });

/** A day whose page was made ahead from a template: room for a picture, room for words, its number. */
async function dayMadeAhead(page: Page): Promise<void> {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/foundations?days=2026-12-08`);
  await page.getByRole("button", { name: "Set 1 page" }).click();
  await expect(page.getByText(/1 page is set\./)).toBeVisible();
  await page.goto(`${album}/days/2026-12-08`);
}

test("a foundation page is filled in three presses: what is added takes the room kept for it, and its size", async ({
  page,
}) => {
  await dayMadeAhead(page);
  await expect(mat(page).getByText(/^Still empty: 1 room for a photo and 1 room for words/)).toBeVisible();
  const file = { name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-08") };
  await page.getByLabel("Add photos").setInputFiles(file);
  await expect(piece(page, /^Print 6 × 4\. Fits/)).toBeVisible();
  await addCard(page);
  await expect(piece(page, /^Card 3 × 4\. Fits/)).toBeVisible();
  await expect(mat(page).getByText(/^Still empty/)).toHaveCount(0);
  await expect(piece(page, /, beside the page/)).toHaveCount(0);
});

test("what does not suit its room says why, is dropped on it all the same, and the room may be resized or kept for something else", async ({
  page,
}) => {
  await dayMadeAhead(page);
  const room = piece(page, /^Room for words/);
  await room.focus();
  await mat(page).getByRole("button", { name: "Keep it for a photo" }).click();
  await expect(piece(page, /^Room for a photo, 3 × 4/)).toBeVisible();
  await mat(page).getByLabel("Wide").fill("2");
  await mat(page).getByLabel("Wide").press("Enter");
  await expect(piece(page, /^Room for a photo, 2 × 4/)).toBeVisible();
  await saved(page);
  await addCard(page);
  const card = piece(page, /^Card 3 × 4, beside the page/);
  await card.focus();
  await expect(mat(page).getByText(/The rooms left are kept for something else/)).toBeVisible();
  await mat(page).getByRole("button", { name: "Put it on" }).click();
  await expect(piece(page, /^Card 3 × 4\./)).toBeFocused();
  // Taken off, the focus goes to what lies next to it.
  await page.keyboard.press("Delete");
  await expect(piece(page, /^(Room|Number)/).and(page.locator(":focus"))).toHaveCount(1);
  await saved(page);
});
