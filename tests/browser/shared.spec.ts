import { expect, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, saved } from "./keeper.ts";

const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const putOn = async (page: Page) => {
  await mat(page)
    .getByRole("button", { name: /^Card 3 × 4, beside the page/ })
    .focus();
  await page.keyboard.press("Enter");
};
const assembled = (page: Page) => page.getByRole("checkbox", { name: "Assembled", exact: true });

test("two days on one side, each with its own number, card and steps: neither's bench moves the other's", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-04`);
  await page.getByLabel("Foundation page").selectOption("full");
  await expect(mat(page).getByRole("button", { name: /^Number/ })).toHaveCount(1);
  await saved(page);

  // A quiet day takes a place on the page of the day before.
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Or a place on another’s page").selectOption({ label: "with day 4, front" });
  await expect(mat(page).getByText("Pages 4 and 5. 6 × 8")).toBeVisible();
  await expect(mat(page).getByRole("button", { name: /^Number/ })).toHaveCount(1);
  await expect(mat(page).locator("[data-anothers] title")).toHaveText(/^Number .* Another’s on this side/);
  await expect(page.getByText("Its front is for day 4, and shared.")).toBeVisible();
  const number = mat(page).getByRole("button", { name: /^Number/ });
  await number.focus();
  await page.keyboard.press("Shift+ArrowDown");
  await expect(number).toHaveAccessibleName(/half an inch from the top/);
  await page.keyboard.press("Escape");
  await addCard(page);
  await putOn(page);
  await assembled(page).check();
  await saved(page);

  await page.getByRole("link", { name: "day 4" }).first().click();
  await page.waitForURL(/2026-12-04/);
  await expect(page.getByText("Its front is shared with day 5.")).toBeVisible();
  await expect(assembled(page)).not.toBeChecked();
  // Day 4's number is where it was; day 5's number and card are seen and stay as they are.
  await expect(mat(page).getByRole("button", { name: /^Number/ })).toHaveAccessibleName(/0 inches from the top/);
  await expect(mat(page).locator("[data-anothers]")).toHaveCount(2);
  await expect(mat(page).getByRole("button", { name: /^Card/ })).toHaveCount(0);

  // In the book everything can be moved; day 5 gives up its place there, and its card waits for another.
  await page.goto(`${album}/book`);
  await expect(
    mat(page)
      .or(page.getByRole("region", { name: "The spread" }))
      .getByRole("button", { name: /^Number/ }),
  ).toHaveCount(2);
  await page.getByRole("button", { name: "Front no longer shared with day 5" }).click();
  await saved(page);
  await page.goto(`${album}/days/2026-12-05`);
  await expect(page.getByLabel("Or a place on another’s page")).toBeVisible();
  await expect(mat(page).getByRole("button", { name: /^Card 3 × 4/ })).toHaveCount(1);
  await page.goto(`${album}/days/2026-12-04`);
  await expect(mat(page).getByRole("button", { name: /^Number/ })).toHaveCount(1);
  await expect(mat(page).locator("[data-anothers]")).toHaveCount(0);
});
