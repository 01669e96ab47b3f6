import { gzipSync } from "node:zlib";
import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo } from "./keeper.ts";

const PARTS = ["month", "days/2026-12-09", "photos", "who-goes-where", "sheets", "words", "prompts", "card-sheets"]
  .concat([
    "hands",
    "book",
    "rhythm",
    "foundations",
    "pockets",
    "measure",
    "finish",
    "what-opens",
    "leaf-through",
    "years",
    "tallies",
    "share",
    "settings",
    "changes",
    "told",
    "plan-table",
    "pace",
    "hours",
    "daylight",
    "drawer",
    "numbers",
  ])
  .map((part) => `/${part}`);

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

test("no place needs more than fifteen script files, and each begins them once it is seen", async ({ page }) => {
  const album = await demoAlbum(page);
  for (const address of [
    ...PARTS.map((part) => album + part),
    ...["/shelf", "/today", "/tray", "/household"].map((at) => base() + at),
  ]) {
    const html = await (await page.request.get(address)).text();
    const files = new Set(html.match(/\/assets\/[\w.-]+\.js/g));
    expect(files.size, address).toBeGreaterThan(5);
    expect(files.size, address).toBeLessThanOrEqual(15);
    expect(html, address).not.toContain('rel="modulepreload"');
  }
});

test("the month's scripts, packed as they are sent, are no more than 190 kB, and no place's more than 450", async ({
  page,
}) => {
  const album = await demoAlbum(page);
  const packed = new Map<string, number>();
  const sizeOf = async (file: string) => {
    const known = packed.get(file);
    if (known !== undefined) return known;
    const size = gzipSync(await (await fetch(base() + file)).arrayBuffer()).length;
    packed.set(file, size);
    return size;
  };
  for (const part of PARTS) {
    const html = await (await page.request.get(album + part)).text();
    let all = 0;
    for (const file of new Set(html.match(/\/assets\/[\w.-]+\.js/g))) all += await sizeOf(file);
    expect(all / 1000, part).toBeGreaterThan(100);
    expect(all / 1000, part).toBeLessThanOrEqual(part === "/month" ? 190 : 450);
  }
});

test("the pictures of a place are asked for before its scripts", async ({ page }) => {
  const album = await demoAlbum(page);
  for (const part of ["/days/2026-12-09", "/book"]) {
    await page.goto(album + part);
    await expect(page.locator("[data-piece]").first()).toBeVisible();
    const began = await page.evaluate(() => {
      const files = performance.getEntriesByType("resource");
      const first = (what: RegExp) =>
        Math.min(...files.flatMap(({ name, startTime }) => (what.test(name) ? [startTime] : [])));
      return { picture: first(/\/photos\//), script: first(/\.js$/) };
    });
    expect(began.script, part).toBeGreaterThan(began.picture);
    expect(Number.isFinite(began.script), part).toBe(true);
  }
});

test("the book is drawn before it runs, its pictures small, and without its scripts it says so", async ({ page }) => {
  const album = await demoAlbum(page);
  await page.route("**/assets/*.js", (route) => route.abort());
  await page.goto(`${album}/book`);
  const spread = page.getByRole("img", { name: /^The spread/ });
  await expect(spread).toBeVisible();
  const pictures = await spread.locator("image").evaluateAll((all) => all.map((one) => one.getAttribute("href") ?? ""));
  expect(pictures.length).toBeGreaterThan(0);
  expect(pictures.every((href) => /\/photos\/[^/]+\/(480|straight)/.test(href))).toBe(true);
  await expect(page.getByRole("alert")).toContainText("Part of this page did not load");
});

test("seen nearer, a picture is the large one", async ({ page }) => {
  await page.goto(`${await demoAlbum(page)}/days/2026-12-09`);
  const picture = page.locator("[data-piece] image").first();
  await expect(picture).toHaveAttribute("href", /\/480$/);
  await page.getByRole("button", { name: "Nearer" }).click();
  await expect(picture).toHaveAttribute("href", /\/1600$/);
  await page.getByRole("button", { name: "Farther" }).click();
  await expect(picture).toHaveAttribute("href", /\/480$/);
});

test("a letter stands in its field while the page is busy, and what is taken back comes back into it", async ({
  page,
}) => {
  await page.goto(`${await demoAlbum(page)}/days/2026-12-10`);
  const prompt = page.getByRole("textbox", { name: "Prompt" }).first();
  const before = await prompt.inputValue();
  await prompt.press("ControlOrMeta+End");
  await page.keyboard.type(" quickly", { delay: 5 });
  await expect(prompt).toHaveValue(`${before} quickly`);
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back:/)).toBeVisible();
  await expect(prompt).toHaveValue(before);
});
