import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo, openFind } from "./keeper.ts";

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

/** Asks why beside a verdict, and gives what opens. */
async function ask(page: Page, of: string) {
  const why = page.getByRole("button", { name: `Why: ${of}` }).first();
  await why.click();
  const answer = page.getByRole("dialog", { name: `Why: ${of}` });
  await expect(answer).toBeVisible();
  return { why, answer };
}

test("at each verdict: why, with the numbers, the rule and its source, and the word it turns on", async ({ page }) => {
  const album = await demoAlbum(page);
  await page.goto(`${album}/days/2026-12-09`);
  await page.locator('[data-piece^="day-"][aria-pressed]').last().focus();
  const piece = await ask(page, "how it fits");
  await expect(piece.answer).toContainText("The piece, as it lies");
  await expect(piece.answer).toContainText("Common practice");
  await page.keyboard.press("Escape");
  await expect(piece.why).toBeFocused();
  await piece.why.click();
  await expect(piece.answer.getByRole("link", { name: /Measure the book/ })).toHaveAttribute("href", /\/measure$/);
  await piece.answer.getByRole("link", { name: "The craft’s words" }).click();
  await expect(page.getByRole("heading", { name: "The craft’s words", level: 1 })).toBeVisible();
  await expect(page.locator("[data-asked]")).toBeVisible();
});

test("why a card fits, a print is sharp, and no fewer sheets would do", async ({ page }) => {
  const album = await demoAlbum(page);
  const linkOn = async (from: string, link: RegExp) =>
    base() + (link.exec(await (await page.request.get(album + from)).text())?.[0] ?? "/not-there");
  await page.goto(await linkOn("/words", /\/albums\/[0-9a-f-]{36}\/cards\/[0-9a-f-]{36}/));
  const card = await ask(page, "whether the words fit");
  await expect(card.answer).toContainText(/Lines the words take\d+/);
  await expect(card.answer).toContainText("Knuth and Plass, 1981");

  await page.goto(await linkOn("/days/2026-12-09", /\/albums\/[0-9a-f-]{36}\/crops\/[0-9a-f-]{36}/));
  const print = await ask(page, "how sharp it prints");
  await expect(print.answer).toContainText(/Pixels to each inch\d+/);

  await page.goto(`${album}/sheets`);
  const sheets = await ask(page, "how many sheets");
  await expect(sheets.answer).toContainText(/Sheets that are needed at least\d+/);
});

test("the page of the craft's words is found by a word on it, and leads to where each is met", async ({ page }) => {
  const album = await demoAlbum(page);
  await page.goto(`${album}/month`);
  await openFind(page);
  await page.getByRole("combobox").fill("glossary");
  await page.getByRole("option", { name: /The craft’s words/ }).click();
  await page.getByRole("link", { name: "Foundation pages" }).first().click();
  await expect(page).toHaveURL(/\/foundations$/);
});
