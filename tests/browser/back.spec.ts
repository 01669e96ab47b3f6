import { expect, test } from "./browser-test.ts";
import { base, enterDemo } from "./keeper.ts";

test("back comes to the place on a list that one left, on a laptop too, and after a reload", async ({ page }) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  const list = page.locator("[data-scrolls=page]");
  const far = () => list.evaluate((it) => it.scrollTop);
  for (const part of ["words", "photos"]) {
    await page.goto(`${album}/${part}`);
    await expect(list).toBeVisible();
    await list.evaluate((it) => it.scrollTo(0, 700));
    await expect.poll(far).toBeGreaterThan(600);
    const was = await far();
    await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: "Finish" }).click();
    await expect(page).toHaveURL(/\/finish$/);
    await page.goBack();
    await expect(page).toHaveURL(new RegExp(`/${part}`));
    await expect.poll(far, { message: part }).toBeGreaterThan(was - 5);
    await page.reload();
    await expect.poll(far, { message: `${part} again` }).toBeGreaterThan(was - 5);
    // Come to anew, it begins at its beginning.
    await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: "Finish" }).click();
    await expect(page).toHaveURL(/\/finish$/);
    await page.goto(`${album}/${part}`);
    await expect.poll(far).toBeLessThan(5);
  }
});
