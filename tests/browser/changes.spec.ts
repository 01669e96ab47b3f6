import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, PHONE, photo, saved } from "./keeper.ts";

const said = (page: Page, words: string | RegExp) =>
  expect(page.getByRole("status").filter({ hasText: words })).toBeVisible();
const title = (page: Page) => page.getByLabel("Title", { exact: true });

test("a title and a picture set aside are taken back and done again in their order and by name, by keys", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await title(page).fill("Lamps along the quay");
  await saved(page);
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-05") });
  await expect(page.getByRole("img", { name: /photo/i }).or(page.locator("main img")).first()).toBeVisible();
  await page.goto(`${album}/photos`);
  await page.locator("[data-photo]").first().click();
  const aside = page.getByRole("button", { name: "Set aside", exact: true });
  await aside.click();
  await saved(page);
  await page.locator("#place").focus();
  await page.keyboard.press("Control+z");
  await said(page, "Taken back: picture of 5 Dec set aside.");
  await page.keyboard.press("Control+z");
  await said(page, "Taken back: picture put on 5 Dec.");
  await page.keyboard.press("Control+z");
  await said(page, "Taken back: title of 5 Dec changed.");
  await page.keyboard.press("Control+z");
  await said(page, "Nothing of yours in this album is left to take back.");
  await page.keyboard.press("Control+Shift+z");
  await said(page, "Done again: title of 5 Dec changed.");
  // A quick hand: each press is one change.
  for (const key of ["Control+z", "Control+y", "Control+z", "Control+y"]) await page.keyboard.press(key);
  await said(page, "Done again: title of 5 Dec changed.");
  await page.keyboard.press("Control+y");
  await said(page, "Done again: picture put on 5 Dec.");
  await page.keyboard.press("Control+y");
  await said(page, "Done again: picture of 5 Dec set aside.");
  await page.getByRole("button", { name: "Take it back" }).click();
  await said(page, "Taken back: picture of 5 Dec set aside.");

  // The list has both, each to be taken back by itself, out of its order too.
  await page.getByRole("link", { name: "All changes" }).click();
  await page.waitForURL(/\/changes$/);
  await expect(page.getByRole("listitem").filter({ hasText: "Picture of 5 Dec set aside" })).toContainText(
    "taken back",
  );
  await page.getByRole("button", { name: "Take back: Title of 5 Dec changed" }).click();
  await said(page, "Taken back: title of 5 Dec changed.");
  await page.getByRole("button", { name: "Do again: Title of 5 Dec changed" }).click();
  await said(page, "Done again: title of 5 Dec changed.");
  await page.goto(`${album}/days/2026-12-05`);
  await expect(title(page)).toHaveValue("Lamps along the quay");
});

test("what is still being typed is saved first and taken back then; on a phone by More, and done again there", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await title(page).fill("First words");
  await saved(page);
  await title(page).fill("Second words");
  const more = page.getByRole("dialog", { name: "More" });
  const open = () => page.getByRole("navigation", { name: "Places" }).getByRole("button", { name: "More" }).tap();
  await open();
  await more.getByRole("button", { name: "Take back the last change" }).tap();
  await said(page, "Taken back: title of 6 Dec changed.");
  await expect(title(page)).toHaveValue("First words");
  await open();
  await more.getByRole("button", { name: "Do it again" }).tap();
  await said(page, "Done again: title of 6 Dec changed.");
  await expect(title(page)).toHaveValue("Second words");
});

test("what another window wrote since stands in the way, and is named", async ({ page, openWindow }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-07`);
  await title(page).fill("Here");
  await saved(page);
  await page.getByLabel("Note", { exact: true }).fill("Between");
  await saved(page);
  const other = await openWindow({ storageState: await page.context().storageState() });
  await other.context().addCookies(await page.context().cookies());
  await other.goto(`${album}/days/2026-12-07`);
  await title(other).fill("There");
  await saved(other);
  await page.goto(`${album}/changes`);
  const lines = page.getByRole("listitem");
  await expect(lines).toHaveCount(3);
  await lines
    .nth(2)
    .getByRole("button", { name: /^Take back/ })
    .click();
  await said(page, /^Not taken back: title of 7 Dec changed\. Since then: title of 7 Dec changed \(Maren, .*\)\./);
  await lines
    .nth(0)
    .getByRole("button", { name: /^Take back/ })
    .click();
  await said(page, "Taken back: title of 7 Dec changed.");
  await expect(lines.nth(0)).toContainText("taken back");
});
