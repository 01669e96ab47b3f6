import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo, newDecember, newKeeper, photo, saved } from "./keeper.ts";

/** Opens a page, holds back every script of it while `early` acts, then lets them come. */
async function beforeItRuns(page: Page, address: string, early: () => Promise<void>): Promise<void> {
  let letCome = () => {};
  const held = new Promise<void>((done) => {
    letCome = done;
  });
  await page.route(/\/assets\/.*\.js/, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(address, { waitUntil: "commit" });
  await early();
  letCome();
  await page.unrouteAll({ behavior: "wait" });
}

test("what is pressed, typed, chosen and handed in before a day's page runs is done when it runs", async ({ page }) => {
  await newKeeper(page);
  const day = `${await newDecember(page)}/days/2026-12-08`;
  const title = page.getByLabel("Title", { exact: true });
  const note = page.getByRole("textbox", { name: "Note", exact: true });
  await beforeItRuns(page, day, async () => {
    await title.pressSequentially("Snow at last");
    await note.fill("Ask about the sledge");
    await page.getByLabel("Foundation page").selectOption({ label: "Pocket page" });
    await page.getByRole("button", { name: "Add a card" }).click();
    const picture = { name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-08") };
    await page.getByLabel("Add photos").setInputFiles(picture);
    await expect(page.getByLabel("Words of card 1")).toHaveCount(0);
  });
  await expect(page.getByLabel("Words of card 1")).toHaveCount(1);
  await expect(page.getByText(/Taken 8 Dec/)).toBeVisible();
  await expect(page.getByLabel("Pockets")).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(title).toHaveValue("Snow at last");
  await expect(note).toHaveValue("Ask about the sledge");
  await expect(page.getByLabel("Foundation page")).toHaveValue("pocket");
  await expect(page.getByLabel("Words of card 1")).toHaveCount(1);
  // Words that were there and are changed early, not only words in an empty field.
  await beforeItRuns(page, day, async () => {
    await title.fill("Snow, and gone");
    await note.fill("");
  });
  await saved(page);
  await expect(title).toHaveValue("Snow, and gone");
  await page.reload();
  await expect(title).toHaveValue("Snow, and gone");
  await expect(note).toHaveValue("");
});

test("a list chosen from at any moment while a slow page comes to run keeps what was chosen", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  const processor = await page.context().newCDPSession(page);
  const slow = (rate: number) => processor.send("Emulation.setCPUThrottlingRate", { rate });
  const foundation = page.getByLabel("Foundation page");
  for (const [at, wait] of [0, 200, 400, 600].entries()) {
    await slow(8);
    await page.goto(`${album}/days/2026-12-${10 + at}`, { waitUntil: "commit" });
    await foundation.waitFor();
    await page.waitForTimeout(wait);
    await foundation.selectOption("pocket");
    await slow(1);
    await expect(page.getByLabel("Pockets")).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(foundation, `chosen ${wait} ms after it was seen`).toHaveValue("pocket");
  }
});

test("a form that goes on by script keeps an early answer and an early press", async ({ page }) => {
  await newKeeper(page);
  await beforeItRuns(page, `${base()}/albums/new`, async () => {
    await page.getByLabel("Title", { exact: true }).fill("An early December");
    await page.getByRole("button", { name: "Next" }).click();
  });
  await expect(page.getByText("step 2 of 3")).toBeVisible();
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Make the album" }).click();
  await expect(page.getByText("An early December", { exact: true }).first()).toBeVisible();
});

test("boxes ticked, lists, dates and leaves chosen before the page runs hold in the demo's places", async ({
  page,
}) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;

  const turn = page.getByRole("checkbox", { name: "Prints may lie on their side" });
  const gap = page.getByLabel("Between prints");
  let before = "";
  await beforeItRuns(page, `${album}/sheets`, async () => {
    before = await gap.inputValue();
    await turn.uncheck();
    await gap.selectOption({ index: before === "0" ? 1 : 0 });
  });
  await expect(turn).not.toBeChecked();
  await expect(gap).not.toHaveValue(before);

  let way = "";
  const isPrivate = page.getByLabel(/^Is the jotting of .* private$/).first();
  await beforeItRuns(page, `${album}/words`, async () => {
    await page.locator("summary").filter({ hasText: "More for the jotting of" }).first().click();
    way = (await isPrivate.inputValue()) === "open" ? "for-good" : "open";
    await isPrivate.selectOption(way);
  });
  await saved(page);
  await expect(isPrivate).toHaveValue(way);

  const leaves = page.getByRole("list", { name: "Leaves in order" }).getByRole("button");
  await beforeItRuns(page, `${album}/book`, async () => {
    await leaves.nth(3).click();
  });
  const days = page.getByRole("navigation", { name: "Days" });
  await expect(days.locator('[aria-current="date"]')).toHaveAttribute("href", /2026-12-02$/);
});

test.describe("on a phone that has not kept the page", () => {
  test.use({ serviceWorkers: "block" });

  test("what is jotted before today runs comes after what was kept from last time, and is sent", async ({ page }) => {
    await newKeeper(page);
    await newDecember(page);
    const field = page.getByLabel("Jot it down");
    await page.goto(`${base()}/today`);
    await field.fill("The sledge is mended. ");
    await expect
      .poll(() => page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("hearth:draft")).length))
      .toBe(1);
    await beforeItRuns(page, `${base()}/today`, async () => {
      await field.fill("Ice on the well.");
      await page.getByRole("button", { name: "Keep" }).click();
    });
    await expect(page.getByText("The sledge is mended. Ice on the well.")).toBeVisible();
    await expect(field).toHaveValue("");
  });
});

test("who stands in a text when the page comes alive stands there still", async ({ page }) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const prompt = page.getByRole("textbox", { name: "Prompt" }).first();
  let before = "";
  await beforeItRuns(page, `${base()}${href?.replace("/month", "")}/days/2026-12-14`, async () => {
    before = await prompt.inputValue();
    expect(before.length).toBeGreaterThan(5);
    await prompt.press("ControlOrMeta+End");
  });
  await expect(page.locator("[data-piece]").first()).toBeVisible();
  await page.keyboard.type(" and then");
  await expect(prompt).toHaveValue(`${before} and then`);
});
