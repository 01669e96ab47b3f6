import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo } from "./keeper.ts";

/** A screen of 1280 by 1024 at 400 %: WCAG 2.2, 1.4.10. */
const NEAR = { viewport: { width: 320, height: 256 } };

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

test("at four times its size a drawing keeps a height to work in, and nothing is cut off at the side", async ({
  openWindow,
}) => {
  const page = await openWindow(NEAR);
  const album = await demoAlbum(page);
  for (const part of ["days/2026-12-09", "book", "sheets", "measure", "pockets"]) {
    await page.goto(`${album}/${part}`);
    const drawing = page.locator("[data-zoomed]").first();
    await expect(drawing, part).toBeVisible();
    await expect.poll(async () => (await drawing.boundingBox())?.height ?? 0, { message: part }).toBeGreaterThan(180);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), part).toBeLessThanOrEqual(320);
  }
  // What stays at the foot of a phone does not cover it.
  const places = page.getByRole("navigation", { name: "Places" }).first();
  await expect(places).toHaveCSS("position", "static");
});

test("the first view of a phone is a list, whatever the browser says of itself", async ({ openWindow }) => {
  const names = {
    some: "Mozilla/5.0 (Linux; Android 14; Phone) Gecko/128.0 Firefox/128.0 Mobile",
    others: "Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Mobile/15E148",
    laptops: "Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0",
  };
  const page = await openWindow({});
  const album = await demoAlbum(page);
  const cookies = await page.context().cookies();
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join("; ");
  const first = async (name: string) => {
    const answer = await fetch(`${album}/month`, { headers: { cookie, "user-agent": name } });
    return (await answer.text()).includes("Show the dial");
  };
  expect(await first(names.some)).toBe(true);
  expect(await first(names.others)).toBe(true);
  expect(await first(names.laptops)).toBe(false);
});

test("without scripts a page can be read, and says what is missing", async ({ openWindow }) => {
  const page = await openWindow({ javaScriptEnabled: false });
  await page.goto(`${base()}/sign-in`);
  // Its words are no text to the test, because they stand in a `noscript`; what is drawn of them is.
  await expect(page.locator("noscript > p")).toBeVisible();
  await page.getByRole("button", { name: "Look round the demo household" }).click();
  await page
    .getByRole("link", { name: /Lantern Month/ })
    .first()
    .click();
  await expect(page.getByText("Show a list")).toBeVisible();
});
