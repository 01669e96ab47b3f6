import { expect, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, photo, saved } from "./keeper.ts";

test("a link is made, looked at, opened for a stranger, and shows nothing before its day or after it is closed", async ({
  page,
  browser,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  for (const [date, words] of [
    ["2026-12-01", "The lamps came down."],
    ["2026-12-02", "What Quill must not read."],
  ]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await addCard(page);
    await page.getByLabel("Words of card 1").fill(words ?? "");
    await saved(page);
  }
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-02") });
  await expect(page.getByText(/Taken 2 Dec/)).toBeVisible();
  await saved(page);
  await page.getByLabel("Is this day private").selectOption("until");
  await page.getByLabel("This day is private until").fill("2999-01-01");
  await saved(page);

  await page.goto(`${album}/share`);
  await page.getByLabel("Whom it is for").fill("Aunt Odette");
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = page.getByRole("region", { name: "Aunt Odette" });
  await expect(link).toContainText("Closed");
  await expect(link).toContainText("1 page goes out.");

  // As it will be seen, before anybody can.
  const [preview] = await Promise.all([
    page.waitForEvent("popup"),
    link.getByRole("link", { name: "See it as they will" }).click(),
  ]);
  await preview.getByText("This opening in words").click();
  await expect(preview.getByText("The lamps came down.")).toBeVisible();
  await preview.close();

  await link.getByRole("button", { name: "Open it" }).click();
  const address = await link.getByLabel("Copy this address for Aunt Odette now: it is shown once.").inputValue();
  const stranger = await (await browser.newContext()).newPage();
  const troubles: string[] = [];
  stranger.on("console", (message) => message.type() === "error" && troubles.push(message.text()));
  await stranger.goto(address);
  await expect(stranger.getByRole("heading", { name: "Our December" })).toBeVisible();
  await expect(stranger.getByText("Opening 1 of 2")).toBeVisible();
  await expect(stranger.locator("body")).not.toContainText("Quill");

  // Its day has come: a second opening, with its picture, and a key leads to it.
  await page.goto(`${album}/days/2026-12-02`);
  await page.getByLabel("Is this day private").selectOption("open");
  await saved(page);
  await stranger.reload();
  await expect(stranger.getByText("Opening 1 of 3")).toBeVisible();
  await stranger.keyboard.press("ArrowRight");
  await expect(stranger.getByText("Opening 2 of 3")).toBeVisible();
  await stranger.getByText("This opening in words").click();
  await expect(stranger.getByText("What Quill must not read.")).toBeVisible();
  const picture = stranger.locator("svg image").first();
  const shown = await picture.evaluate(async (image) => {
    const answer = await fetch((image as SVGImageElement).href.baseVal).catch(() => null);
    // The page itself may ask for nothing.
    return answer === null;
  });
  expect(shown).toBe(true);
  troubles.length = 0;
  // The list of openings is all in sight on a phone too.
  await stranger.setViewportSize({ width: 390, height: 844 });
  await stranger.getByText("Opening 2 of 3").click();
  const first = stranger.getByRole("link", { name: /^1 of 3: Day 1/ });
  expect((await first.boundingBox())?.y).toBeGreaterThan(0);
  await first.click();
  await expect(stranger.getByText("Opening 1 of 3")).toBeVisible();

  // The card alone is kept back.
  await page.goto(`${album}/share`);
  await link.getByRole("button", { name: "Choose what goes out" }).click();
  const pages = link.getByRole("list", { name: "What goes out" });
  await pages.getByText("2 pieces on it").click();
  await pages.getByLabel("“What Quill must not read.”").uncheck();
  await expect(link).toContainText("2 pages go out, 1 piece on them kept back.");
  await stranger.goto(`${address}/2`);
  await expect(stranger.locator("body")).not.toContainText("Quill");
  await expect(stranger.locator("svg image")).toHaveCount(1);

  // It is for somebody else as well, and still the same link.
  await link.getByLabel("Whom it is for").fill("Odette and Ivo");
  await page.keyboard.press("Tab");
  const renamed = page.getByRole("region", { name: "Odette and Ivo" });
  await renamed.getByRole("button", { name: "Close it" }).click();
  await expect(renamed).toContainText("Closed");
  expect((await stranger.goto(address))?.status()).toBe(404);
  await expect(stranger.getByRole("heading", { name: "Nothing here" })).toBeVisible();
  expect(troubles.filter((text) => !/404/.test(text))).toEqual([]);
  await stranger.context().close();
});
