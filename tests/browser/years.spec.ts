import { expect, test } from "./browser-test.ts";
import { addCard, base, newKeeper, newMonth, saved } from "./keeper.ts";

test("a new year is begun from an old one's bones, and each day shows what it was", async ({ page }) => {
  test.slow();
  await newKeeper(page);
  const old = await newMonth(page, "2025-10");
  await page.goto(`${old}/days/2025-10-09`);
  await page.getByLabel("Title").fill("The lights counted");
  await page.getByLabel("Prompt", { exact: true }).fill("How many lights are on?");
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("Twenty-six from the slip.");
  await saved(page);

  // From the end of one to the beginning of the next.
  await page.goto(`${old}/years`);
  await expect(page.getByText("This is the only album on the shelf.")).toBeVisible();
  await page.getByRole("link", { name: "Begin the next from this" }).click();
  await expect(page.getByText("Along come its book, its numbers and 1 prompt, each on the same day.")).toBeVisible();
  // A year later than the old one, whatever month it is now.
  await expect(page.getByLabel("First day")).toHaveValue("2026-10-01");
  await page.getByLabel("Title").fill("The October after");
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Next" }).click();
  await expect(page.getByRole("radio", { name: "As in Our December" })).toBeChecked();
  await page.getByRole("button", { name: "Make the album" }).click();
  await expect(page).toHaveURL(/\/month$/);
  const next = page.url().replace("/month", "");
  expect(next).not.toBe(old);

  await page.goto(`${next}/days/2026-10-09`);
  await expect(page.getByLabel("Prompt", { exact: true })).toHaveValue("How many lights are on?");
  await expect(page.getByLabel("Title")).toHaveValue("");
  const before = page.getByRole("region", { name: "This day in other years" });
  await expect(before).toContainText("The lights counted");
  await expect(before).toContainText("Twenty-six from the slip.");
  await page.goto(`${next}/days/2026-10-10`);
  await expect(page.getByLabel("Title")).toBeVisible();
  await expect(before).toHaveCount(0);

  // The question stands with both answers.
  await page.goto(`${next}/years`);
  const asked = page
    .getByRole("listitem")
    .filter({ has: page.getByRole("heading", { name: "How many lights are on?" }) });
  await expect(asked).toContainText("Twenty-six from the slip.");
  await expect(asked).toContainText("Nothing written.");
  await asked.getByRole("link", { name: "Our December, 9 Oct 2025" }).click();
  await expect(page.getByLabel("Title")).toHaveValue("The lights counted");
});

test("another album's book lies open beside this one, at the same day", async ({ page }) => {
  test.slow();
  await newKeeper(page);
  const [old, next] = [await newMonth(page, "2025-10"), await newMonth(page, "2026-10")];
  for (const [album, year] of [
    [old, 2025],
    [next, 2026],
  ] as const)
    for (const day of ["05", "09"]) {
      await page.goto(`${album}/days/${year}-10-${day}`);
      await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
      await addCard(page);
      await page.getByLabel("Words of card 1").fill(`Of ${day} in ${year}`);
      await saved(page);
    }
  await page.goto(`${next}/leaf-through`);
  await page.getByLabel("Beside").selectOption({ label: "Our December" });
  const books = page.getByRole("img", { name: "The two pages that lie open" });
  await expect(books).toHaveCount(2);
  const list = page.getByRole("combobox", { name: "Opening" });
  const nth = await list.locator("option", { hasText: "day 9" }).first().getAttribute("value");
  await list.selectOption(nth);
  // Each word is a text of its own.
  await expect(books.nth(1)).toContainText("Of09in2025");
  // It stays beside it when the page is read anew, and goes when nothing is to lie there.
  await page.reload();
  await expect(books.nth(1)).toContainText("Of09in2025");
  await page.getByLabel("Beside").selectOption({ label: "nothing" });
  await expect(books).toHaveCount(1);
  await expect(books).toContainText("Of09in2026");
  expect(page.url()).toContain(base());
});
