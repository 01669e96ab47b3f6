import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, enterDemo, newDecember, newKeeper, saved } from "./keeper.ts";

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

const heard = (page: Page) => page.locator("[data-spoken]");

test("the focus goes on when what had it is gone: a piece, a card, an insert", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await addCard(page);
  await page.getByRole("button", { name: "Another card" }).click();
  const removes = page.getByRole("button", { name: /^Remove card/ });
  await expect(removes).toHaveCount(2);
  await removes.first().click();
  await expect(removes).toHaveCount(1);
  await expect(removes.first()).toBeFocused();
  await removes.first().click();
  await expect(page.getByRole("button", { name: "Add a card" })).toBeFocused();

  await page.getByRole("button", { name: "Add an insert" }).click();
  await page.getByRole("button", { name: "Remove insert 1" }).click();
  await expect(page.getByRole("button", { name: "Add an insert" })).toBeFocused();
});

test("a piece's name says its leaf; what a nudge did is said; From left keeps the focus; the last one leaves it to the drawing", async ({
  page,
}) => {
  await newKeeper(page);
  await page.goto(`${await newDecember(page)}/days/2026-12-05`);
  await page.getByLabel("Foundation page").selectOption("Paper");
  await addCard(page);
  const pieces = page.locator('[data-piece^="day-"][aria-pressed]');
  await expect(pieces).toHaveCount(2);
  const piece = pieces.last();
  await expect(piece).toHaveAttribute("aria-label", /Page 5\.$/);
  await piece.focus();
  await page.keyboard.press("ArrowRight");
  await expect(heard(page)).toHaveText(/^From left .*, from top .*\.$/);
  await expect(heard(page)).not.toHaveText(/[⁄″¼½¾⅛⅜⅝⅞]/);
  const left = page.getByRole("textbox", { name: "From left" });
  await left.fill("1");
  await left.press("Enter");
  await expect(left).toBeFocused();
  await saved(page);

  await piece.focus();
  await page.keyboard.press("Delete");
  await expect(pieces).toHaveCount(1);
  await expect(pieces).toBeFocused();
  await page.getByRole("button", { name: "Take off" }).click();
  await expect(pieces).toHaveCount(0);
  await expect(page.getByRole("group", { name: /^The leaves of/ })).toBeFocused();
});

test("a dialog gives the focus back; a place that is come to by a key has its heading focused and said", async ({
  page,
}) => {
  const album = await demoAlbum(page);
  await page.goto(`${album}/month?as=dial`);
  const keys = page.getByRole("button", { name: "Keys" });
  await keys.click();
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(keys).toBeFocused();
  const find = page.getByRole("button", { name: "Find" });
  await find.click();
  await expect(page.getByRole("combobox")).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(find).toBeFocused();

  await page.getByRole("listbox").focus();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/days\//);
  await expect(page.locator("#place h1")).toBeFocused();
  await expect(heard(page)).toHaveText(/^9 .* · Lantern Month$/);
});

test("that everything is saved is heard, in a region that stood before", async ({ page }) => {
  await newKeeper(page);
  await page.goto(`${await newDecember(page)}/days/2026-12-05`);
  await expect(heard(page)).toHaveCount(1);
  await page.getByRole("textbox", { name: "Prompt" }).first().fill("What the window holds.");
  await expect(heard(page)).toHaveText("Everything is kept.");
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByRole("status").filter({ hasText: /^Taken back:/ })).toBeVisible();
});
