import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo } from "./keeper.ts";

/** A4 less a margin of 14 mm on either side, in pixels of 1/96 inch: what a browser lays a printed page out in. */
const PAPER = { viewport: { width: 688, height: 1017 } };

/** The demo album's address, in a window as wide as paper. */
async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

/** What is pressed, chosen or leads elsewhere and would still be on the paper; the rows of a list or table are words. */
const pressed = (page: Page) =>
  page.locator(
    "nav, [role=toolbar], summary, [type=checkbox], [type=radio], [type=file], .link:not(.also-printed), button:not(li button, tr button), a:not(li a, tr a, header a)",
  );

test("places come on paper as something made for it", async ({ openWindow }) => {
  const page = await openWindow(PAPER);
  const album = await demoAlbum(page);
  const sheet = /\/albums\/[0-9a-f-]{36}\/sheets\/[0-9a-f-]{36}/.exec(
    await (await page.request.get(`${album}/sheets`)).text(),
  )?.[0];
  const places: [string, string][] = [
    [`${album}/days/2026-12-09`, "To do: print"],
    [`${album}/month`, "First frost on the nets"],
    [`${album}/prompts`, "The loudest minute of the day."],
    [`${album}/words`, "Watch. Ice on the rail, gulls on the ice."],
    [`${base()}${sheet}`, "cuts in this order"],
  ];
  for (const [address, words] of places) {
    await page.emulateMedia({ media: "print" });
    await page.goto(address);
    await expect(page.getByText("Lantern Month").first()).toBeVisible();
    await expect(page.getByText(words).filter({ visible: true }).first(), address).toBeVisible();
    await expect(pressed(page).filter({ visible: true }), address).toHaveCount(0);
    // Printed as wide as it is: nothing runs off the paper.
    expect(await page.evaluate(() => document.documentElement.scrollWidth), address).toBeLessThanOrEqual(688);
  }
  // The cuts: each in one piece, each with its number on the drawing, which says that it is not to be measured off.
  const cuts = page.getByRole("list").last().getByRole("listitem");
  await expect(page.getByText("Not at its true size")).toBeVisible();
  const numbers = page.getByRole("img", { name: /with its cuts$/ }).locator(".only-printed > g");
  expect(await numbers.count()).toBe(await cuts.count());
  for (const cut of await cuts.all()) await expect(cut).toHaveCSS("break-inside", "avoid");
  await expect(numbers.first()).toBeVisible();
  await page.emulateMedia({ media: null });
  await expect(page.getByText("Not at its true size")).toBeHidden();
  await expect(numbers.first()).toBeHidden();
  await expect(page.getByRole("button", { name: "Cut. Next" })).toBeVisible();
});

test("a page seen by night is printed on white, and whole however near it was seen", async ({ openWindow }) => {
  const page = await openWindow({ ...PAPER, colorScheme: "dark" });
  const album = await demoAlbum(page);
  await page.goto(`${album}/days/2026-12-09`);
  await page.getByRole("button", { name: "Nearer" }).first().click();
  await page.emulateMedia({ media: "print", colorScheme: "dark" });
  const light = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element) => {
        const [red = 0, green = 0, blue = 0] = (getComputedStyle(element).color.match(/[\d.]+/g) ?? []).map(Number);
        return (red + green + blue) / 3;
      });
  expect(await light("header p")).toBeLessThan(80);
  expect(await light("#finish h2")).toBeLessThan(80);
  const [stage, drawing] = await Promise.all([
    page.locator(".mat-stage").boundingBox(),
    page.locator(".mat-stage svg").first().boundingBox(),
  ]);
  expect(drawing?.width).toBeLessThanOrEqual((stage?.width ?? 0) + 1);
  expect(drawing?.height).toBeGreaterThan(200);
  await page.emulateMedia({ media: null });
});
