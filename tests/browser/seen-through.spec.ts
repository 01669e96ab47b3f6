import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, photo, saved } from "./keeper.ts";

test("through an empty pocket one sees the next day's page: it is told, and stays left once it was wanted", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  for (const [date, kind] of [
    ["2026-12-05", "Pocket page"],
    ["2026-12-06", "Full page"],
  ] as const) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: kind });
    await expect(page.locator('[data-piece$="-numeral"]').first()).toBeVisible();
    await saved(page);
  }
  await page.goto(`${album}/days/2026-12-06`);
  const number = page.locator('[data-piece$="-numeral"]').first();
  await number.focus();
  for (let nth = 0; nth < 6; nth++) await page.keyboard.press("Shift+ArrowDown");
  await saved(page);
  await page.goto(`${album}/book`);
  const seen = page.getByRole("region", { name: "Seen through" });
  await expect(seen).toContainText("One sees 1 piece of day 6 behind it.");
  await expect(seen).toContainText("Fill the pocket, or put vellum between, where it is not wanted.");
  await seen.getByRole("button", { name: /^Leave it: One sees/ }).click();
  await expect(seen).toContainText("1 thing left as it is.");
  await saved(page);
  await page.reload();
  await expect(seen).toContainText("1 thing left as it is.");
  await seen.getByRole("button", { name: "Say it again" }).click();
  await expect(seen).toContainText("One sees 1 piece of day 6 behind it.");

  // Tried before it is cut: with plain paper between nothing of it is seen any more.
  await page.getByRole("link", { name: "Seen through" }).click();
  await expect(page.getByText("1 thing to look at, where a page is looked through", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Try what would help" }).click();
  await expect(page.getByText("less than a sheet of cardstock thicker").first()).toBeVisible();
  await page.getByRole("button", { name: "Put plain paper there" }).click();
  await expect(page.getByText(/^Nothing of another day shows through/)).toBeVisible();
  await saved(page);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("1 thing to look at, where a page is looked through", { exact: false })).toBeVisible();
});

/** Puts what is chosen on the mat so far from the page's edges, in inches. */
async function putAt(page: Page, left: string, top: string): Promise<void> {
  for (const [label, value] of [
    ["From left", left],
    ["From top", top],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press("Enter");
  }
}

test("a face is marked in one press, and rescued from under lettering: what would help is tried, taken, and taken back", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-05", "#f2efe6") });
  await saved(page);
  const mat = page.getByRole("region", { name: "The mat" });
  await mat.getByRole("button", { name: /^Print 6 × 4/ }).click();
  await putAt(page, "0", "0");
  await mat.getByRole("button", { name: /^Print 6 × 4/ }).focus();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Add a piece" }).click();
  await page.getByRole("menuitem", { name: "Clear overlay" }).click();
  await mat.getByRole("button", { name: /^Clear overlay/ }).focus();
  for (const [label, value] of [
    ["Wide", "2"],
    ["High", "1"],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press("Enter");
  }
  await putAt(page, "2", "1 1/2");
  await page.getByLabel("Words on it").fill("Joy");
  await page.getByLabel("Words on it").press("Enter");
  await page.getByLabel("Colour of the words").selectOption({ label: "White" });
  await saved(page);

  // White words on a picture that is nearly white: told, with what reads there.
  await page.goto(`${album}/seen-through`);
  await expect(page.getByText(/^The overlay .*hardly stands out: 1\.\d to 1\.$/)).toBeVisible();
  await expect(page.getByText(/^It reads in black or in/)).toBeVisible();
  // On paper it is the same opening.
  const print = await page.getByRole("link", { name: "Print it as it is seen" }).getAttribute("href");
  const printed = await page.request.get(new URL(print ?? "", page.url()).href);
  expect(printed.headers()["content-type"]).toBe("application/pdf");
  expect((await printed.body()).subarray(0, 5).toString()).toBe("%PDF-");
  await page.getByRole("button", { name: "Try what would help" }).click();
  await page.getByRole("button", { name: "Make it black" }).click();
  await expect(page.getByText(/hardly stands out/)).toHaveCount(0);
  await saved(page);

  // From the book it is one press to what would help there.
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/hardly stands out/)).toBeVisible();
  await page.goto(`${album}/book`);
  const inBook = page.getByRole("region", { name: "Seen through" });
  await expect(inBook.getByText(/hardly stands out/)).toBeVisible();
  await inBook.getByRole("link", { name: "Try what would help" }).click();
  await page.getByRole("button", { name: "Make it black" }).click();
  await expect(page.getByText(/hardly stands out/)).toHaveCount(0);
  await saved(page);

  // The face is in the middle of the picture, and the words are over it.
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  const drawing = page.getByRole("application", { name: /^The print/ });
  await page.getByRole("button", { name: "Mark faces" }).click();
  const box = await drawing.boundingBox();
  if (!box) throw new Error("not on the screen");
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await expect(page.getByRole("button", { name: "Faces: 1" })).toBeVisible();
  await expect(page.getByText(/lies over a face\.$/)).toBeVisible();
  // By the keys too: it is moved, made larger, another is added and taken off again.
  await page.getByRole("button", { name: "Another" }).click();
  await expect(page.getByRole("button", { name: "Faces: 2" })).toBeVisible();
  await drawing.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "No face there" }).click();
  await expect(page.getByRole("button", { name: "Faces: 1" })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole("button", { name: "Faces: 1" })).toBeVisible();

  await page.goto(`${album}/seen-through`);
  const told = page.getByText(/^The overlay .* lies over a face on the print of day 5\.$/);
  await expect(told).toBeVisible();
  await page.getByRole("button", { name: "Try what would help" }).click();
  await page.getByRole("button", { name: "Move it there" }).click();
  await expect(told).toHaveCount(0);
  await expect(page.getByText(/^Nothing of another day shows through/)).toBeVisible();
  await saved(page);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(told).toBeVisible();
});

test("a window cut through a page shows the next day's page, on the page before it and in the book", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  for (const date of ["2026-12-05", "2026-12-06"]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await expect(page.locator('[data-piece$="-numeral"]').first()).toBeVisible();
    await saved(page);
  }
  await page.locator('[data-piece$="-numeral"]').first().click();
  await putAt(page, "3", "4");
  await saved(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByRole("button", { name: "Add a piece" }).click();
  await page.getByRole("menuitem", { name: "Window cut through" }).click();
  await page
    .getByRole("region", { name: "The mat" })
    .getByRole("button", { name: /^Window cut through/ })
    .focus();
  await putAt(page, "2 3/4", "3 3/4");
  await saved(page);
  await page.goto(`${album}/book`);
  const seen = page.getByRole("region", { name: "Seen through" });
  await expect(seen).toContainText("One sees 1 piece of day 6 behind it.");
});
