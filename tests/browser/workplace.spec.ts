import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, enterDemo, newDecember, newKeeper, PHONE, saved } from "./keeper.ts";

/** What every place has alike: a drawing that is seen nearer, one of several things alone, an order on the phone. */
const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const card = (page: Page) => mat(page).getByRole("button", { name: /^Card 3 × 4\. / });
const wide = async (page: Page) => (await card(page).boundingBox())?.width ?? 0;

test("a drawing is seen nearer by button, key and wheel, and what is moved on it there lies where it was put", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-04`);
  await page.getByLabel("Foundation page").selectOption({ label: "Full page" });
  await addCard(page);
  await saved(page);
  const beside = mat(page).getByRole("button", { name: /^Card 3 × 4, beside/ });
  if (await beside.count()) await beside.press("Enter");
  await expect(card(page)).toBeVisible();
  await page.locator("#place").focus();
  const before = await wide(page);
  await page.keyboard.press("+");
  await expect.poll(() => wide(page)).toBeGreaterThan(before * 1.4);
  await mat(page).getByRole("button", { name: "Nearer" }).click();
  await expect.poll(() => wide(page)).toBeGreaterThan(before * 1.9);
  // The point under the wheel stays under it.
  const box = await card(page).boundingBox();
  if (!box) throw new Error("the card is not there");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.keyboard.down("Control");
  await page.mouse.wheel(0, -100);
  await page.keyboard.up("Control");
  await expect.poll(() => wide(page)).toBeGreaterThan(before * 2.8);
  const near = await card(page).boundingBox();
  expect(near && x >= near.x && x <= near.x + near.width && y >= near.y && y <= near.y + near.height).toBe(true);

  // An inch to the right under the hand is an inch on the page, however near it is.
  const said = async () => Number(/: ([\d]+)/.exec((await card(page).getAttribute("aria-label")) ?? "")?.[1]);
  const from = await said();
  const inch = (near?.width ?? 0) / 3;
  await page.mouse.down();
  await page.mouse.move(x + inch / 2, y, { steps: 4 });
  await page.mouse.move(x + inch, y, { steps: 4 });
  await page.mouse.up();
  await expect.poll(said).toBe(from + 1);
  await saved(page);

  await mat(page).getByRole("button", { name: "300 %" }).click();
  // The bar under the mat may be higher now than it was.
  await expect.poll(() => wide(page)).toBeLessThan(before * 1.1);
  await page.locator("#place").focus();
  await page.keyboard.press("-");
  expect(await wide(page)).toBeLessThan(before * 1.1);
});

test("one of several sheets, or one page of a spread, is looked at alone", async ({ page }) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  for (const [place, region, one, all] of [
    ["sheets", "The sheets, to scale", "Sheet 2", "All"],
    ["book", "The spread", "Right page", "Both"],
  ] as const) {
    await page.goto(`${album}/${place}`);
    const stage = page.getByRole("region", { name: region });
    const shown = () => stage.locator("svg[viewBox]").first().getAttribute("viewBox");
    await expect(stage.getByRole("button", { name: one })).toBeVisible();
    const whole = await shown();
    await stage.getByRole("button", { name: one }).click();
    await expect.poll(shown).not.toBe(whole);
    const [w, h] = ((await shown()) ?? "").split(" ").slice(2).map(Number);
    expect((w ?? 0) < Number(whole?.split(" ")[2]) && (h ?? 0) > 0).toBe(true);
    await stage.getByRole("button", { name: all, exact: true }).click();
    await expect.poll(shown).toBe(whole);
  }
});

test("on a phone the measure of the cut comes before its drawing, and what is told stays in sight over the days", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  await page.goto(`${album}/sheets`);
  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  await expect(page.getByRole("button", { name: "Cut. Next" })).toBeInViewport();
  await page.goto(`${album}/told`);
  await expect(page.getByRole("button", { name: "Save which are told" })).toBeInViewport();
  await page.getByText("Sun 6 Dec").scrollIntoViewIfNeeded();
  await expect(page.getByRole("button", { name: "Save which are told" })).toBeInViewport();
});
