import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, newDecember, newKeeper, saved, signIn } from "./keeper.ts";

/** A day of a new December with one card, open where it is written. */
async function openCard(page: Page, date: string): Promise<string> {
  const album = await newDecember(page);
  await page.goto(`${album}/days/${date}`);
  await addCard(page);
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  await expect(page.getByLabel("Words of the front")).toBeVisible();
  return album;
}

test("a hand is measured off its copy and a set of stamps off its letters; both say what of the words goes in", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await openCard(page, "2026-12-11");
  const words = page.getByLabel("Words of the front");
  await words.fill("NINETEEN LANTERNS");
  await page.getByRole("radio", { name: "Stamped" }).check();
  const sets = page.getByRole("list", { name: "Sets of stamps" }).getByRole("listitem");
  await expect(sets.filter({ hasText: "Small caps" })).toContainText("fits");
  await expect(sets.filter({ hasText: "Large caps" })).toContainText(/too wide$/);
  await saved(page);

  await page.getByRole("link", { name: "Measure your own set" }).click();
  await expect(page.getByRole("heading", { name: "Hands and stamps" })).toBeVisible();
  const lines = page.getByLabel("Lines it took");
  await lines.fill("1");
  await expect(page.getByRole("alert")).toHaveText(/two lines or more/);
  await expect(page.getByRole("button", { name: "Keep this hand" })).toBeDisabled();
  await lines.fill("8");
  await page.getByLabel("The last line reaches").fill("9");
  await page.getByLabel("The last line reaches").press("Enter");
  await expect(page.getByRole("alert")).toHaveText(/cannot reach further/);
  await page.getByLabel("The last line reaches").fill("2 1/2");
  await page.getByLabel("The last line reaches").press("Enter");
  await expect(page.getByRole("alert")).toHaveCount(0);
  await page.getByLabel("Whose hand").fill("Isolde");
  await page.getByLabel("From line to line").fill("3/8");
  await page.getByLabel("From line to line").press("Enter");
  await page.getByRole("button", { name: "Keep this hand" }).click();
  await expect(page.getByText("Isolde, lines ⅜″ apart")).toBeVisible();

  await page.getByLabel("What you call it").fill("Crate letters");
  for (const [label, length] of [
    ["Letters are high", "1/2"],
    ["A usual letter, N", "1/8"],
    ["A narrow one, I", "1/16"],
    ["A broad one, M", "3/16"],
  ] as const) {
    await page.getByLabel(label).fill(length);
    await page.getByLabel(label).press("Enter");
  }
  await page.getByRole("button", { name: "Keep this set" }).click();
  await expect(page.getByText("Crate letters, ½″ high")).toBeVisible();

  await page.goto(`${album}/words`);
  await page.getByRole("link", { name: /^Card 1 of/ }).click();
  await page.getByRole("radio", { name: /Crate letters/ }).check();
  await expect(sets.filter({ hasText: "Crate letters" })).toContainText("fits");
  await page.getByRole("radio", { name: "By hand" }).check();
  await page.getByLabel("Whose hand").selectOption({ label: "Isolde" });
  await expect(page.getByText("Lines ⅜″ apart.")).toBeVisible();
  await expect(page.getByText(/^Fits, /)).toBeVisible();
  await saved(page);

  // A card keeps the measures it was written with when its hand is forgotten.
  await page.goto(`${album}/hands`);
  await page.getByRole("button", { name: /^Put Isolde/ }).click();
  await expect(page.getByText("Isolde, lines")).toHaveCount(0);
  await page.goBack();
  await expect(page.getByLabel("Whose hand")).toHaveValue("Isolde");
  await expect(page.getByText("Lines ⅜″ apart.")).toBeVisible();
});

test("words stand at the top, in the middle or at the foot of their card, and stay there", async ({ page }) => {
  await newKeeper(page);
  await openCard(page, "2026-12-11");
  await page.getByLabel("Words of the front").fill("Ice on the well.");
  const drawn = page.getByRole("img", { name: "The front of the card with its words, to scale" }).getByText("Ice");
  const top = (await drawn.boundingBox())?.y ?? 0;
  const lower: number[] = [];
  for (const label of ["In the middle", "At the foot"]) {
    await page.getByLabel("In the card").selectOption({ label });
    await saved(page);
    await page.reload();
    await expect(page.getByLabel("In the card")).toHaveValue(label === "At the foot" ? "foot" : "middle");
    lower.push(((await drawn.boundingBox())?.y ?? 0) - top);
  }
  expect(lower[0]).toBeGreaterThan(50);
  expect(lower[1]).toBeCloseTo(2 * (lower[0] ?? 0), 0);
});

test("two windows on one card: the later is told, sees both, and chooses; earlier words are shown with what changed", async ({
  page,
  openWindow,
}) => {
  const mail = await newKeeper(page, "Maren");
  await openCard(page, "2026-12-11");
  const other = await openWindow();
  await signIn(other, mail);
  await other.goto(page.url());
  await page.getByLabel("Words of the front").fill("The bell rang four times");
  await saved(page);
  await other.getByLabel("Words of the front").fill("The bell rang five times");
  const clash = other.getByRole("alert").filter({ hasText: "Maren changed the words of a card in another window" });
  await expect(clash).toContainText("four times");
  await expect(clash).toContainText("five times");
  await other.getByRole("button", { name: "Keep mine" }).click();
  await saved(other);
  await page.reload();
  await expect(page.getByLabel("Words of the front")).toHaveValue("The bell rang five times");
  await page.getByText("Earlier words").click();
  await page.getByRole("button", { name: /four times/ }).click();
  await expect(page.locator("del")).toHaveText("four");
  await expect(page.locator("ins")).toHaveText("five");
});

test("a jotting is corrected where it is read, and the correction goes back as any change", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${base()}/today`);
  await page.getByLabel("Jot it down").fill("Gulls on the ise");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept, and at home.")).toBeVisible();
  await page.goto(`${album}/words`);
  await page.locator("summary").filter({ hasText: "More for the jotting of" }).click();
  await page.getByRole("button", { name: /^Correct the jotting of/ }).click();
  await page.getByLabel(/^Words of the jotting of/).fill("Gulls on the ice");
  await page.getByRole("button", { name: "Done" }).click();
  await expect(page.getByText("Gulls on the ice")).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText("Gulls on the ice")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Gulls on the ise")).toBeVisible();
});

test("a jotting is moved to the day it belongs to, put away, and taken back from the tray", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${base()}/today`);
  await page.getByLabel("For another day").selectOption({ index: 3 });
  await page.getByLabel("Jot it down").fill("Gulls on the ice");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Kept, and at home.")).toBeVisible();
  await page.goto(`${album}/words`);
  const more = page.locator("summary").filter({ hasText: "More for the jotting of" });
  await more.click();
  const move = page.getByLabel(/^Move the jotting of .* to another day$/);
  await move.selectOption("2026-12-20");
  await saved(page);
  await page.goto(`${album}/days/2026-12-20`);
  await expect(page.getByText("Gulls on the ice")).toBeVisible();
  await page.goto(`${album}/words`);
  await more.click();
  await page.getByRole("button", { name: /^Put the jotting of .* away$/ }).click();
  await expect(page.getByText("Gulls on the ice")).toHaveCount(0);
  await saved(page);
  await page.goto(`${base()}/tray`);
  await page.getByRole("button", { name: /Put back: A jotting/ }).click();
  await expect(page.getByRole("button", { name: /Put back: A jotting/ })).toHaveCount(0);
  await page.goto(`${album}/words`);
  await expect(page.getByText("Gulls on the ice")).toBeVisible();
});
