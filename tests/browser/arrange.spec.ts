import { expect, type Page, test } from "./browser-test.ts";
import { addCard, base, enterDemo, newDecember, newKeeper, readArchive, saved, writeArchive } from "./keeper.ts";

/** Ways of a keeper through the book that the laying out of one day does not go. */
const strip = (page: Page) => page.getByRole("list", { name: "Leaves in order" });
const mat = (page: Page) => page.getByRole("region", { name: /The mat|The spread/ });

async function dayWithPage(page: Page, date: string, kind = "Full page"): Promise<string> {
  const album = await newDecember(page);
  await page.goto(`${album}/days/${date}`);
  await page.getByLabel("Foundation page").selectOption({ label: kind });
  await saved(page);
  return album;
}

async function addPiece(page: Page, name: string) {
  await page.getByRole("button", { name: "Add a piece" }).click();
  await page.getByRole("menuitem", { name }).click();
}

test("made pieces are added, sized as people write lengths, laid over each other, and a tab past the cover is told", async ({
  page,
}) => {
  await newKeeper(page);
  await dayWithPage(page, "2026-12-04");
  await addPiece(page, "Photo mat");
  await addPiece(page, "Embellishment");
  const sticker = mat(page).getByRole("button", { name: /^Embellishment 1 × 1/ });
  await sticker.focus();
  await page.getByLabel("Wide").fill("3/4");
  await page.getByLabel("Wide").press("Enter");
  await expect(mat(page).getByRole("button", { name: /^Embellishment 3 quarters × 1/ })).toBeVisible();
  await page.getByLabel("High").fill("-2");
  await page.getByLabel("High").press("Enter");
  await expect(mat(page).getByRole("alert")).toHaveText(/more than nothing/);
  await page.keyboard.press("Escape");
  // The last added lies uppermost until it is put back.
  const order = () =>
    mat(page)
      .locator(".mat-piece")
      .evaluateAll((pieces) => pieces.map((piece) => piece.getAttribute("aria-label")?.split(" ")[0]));
  await expect.poll(order).toEqual(["Number", "Photo", "Embellishment"]);
  await mat(page)
    .getByRole("button", { name: /^Embellishment/ })
    .focus();
  await page.keyboard.press("[");
  await expect.poll(order).toEqual(["Number", "Embellishment", "Photo"]);
  await page.keyboard.press("Escape");
  await addPiece(page, "Tab");
  const tab = mat(page).getByRole("button", { name: /^Tab/ });
  await expect(tab).toHaveAccessibleName(/Stands out half an inch on the right/);
  await tab.focus();
  await page.getByLabel("From top").fill("-1");
  await page.getByLabel("From top").press("Enter");
  await page.keyboard.press("Escape");
  await expect(mat(page).getByText(/above the cover’s edge/)).toBeVisible();
  await saved(page);
});

test("a bare leaf tells which piece the punch would go through, and is clear after the move it proposes", async ({
  page,
}) => {
  await newKeeper(page);
  await dayWithPage(page, "2026-12-05", "Paper");
  await addPiece(page, "Filler card");
  const card = mat(page).getByRole("button", { name: /^Filler card/ });
  await card.focus();
  for (const label of ["From left", "From top"]) {
    await page.getByLabel(label).fill("0");
    await page.getByLabel(label).press("Enter");
  }
  await expect(page.getByLabel("From left")).toHaveValue("0");
  await page.keyboard.press("Escape");
  await mat(page)
    .locator("[data-board]")
    .first()
    .click({ position: { x: 300, y: 300 } });
  await expect(mat(page).getByText(/^Filler card 3 × 4: A hole goes through it/i)).toBeVisible();
  await card.focus();
  await page.getByLabel("From left").fill("5/8");
  await page.getByLabel("From left").press("Enter");
  await expect(page.getByLabel("From left")).toHaveValue("⅝");
  await mat(page)
    .locator("[data-board]")
    .first()
    .click({ position: { x: 300, y: 300 } });
  await expect(mat(page).getByText(/^Filler card.*through it/)).toHaveCount(0);
});

test("a side is copied to other days as room for theirs, and kept as a template for any of them", async ({ page }) => {
  await newKeeper(page);
  const album = await dayWithPage(page, "2026-12-06");
  await addCard(page);
  await addPiece(page, "Flip-up");
  await saved(page);
  await page.getByRole("link", { name: "Copy to other days" }).click();
  await page.waitForURL(/foundations/);
  await page.getByLabel("Day 7", { exact: true }).check();
  await page.getByLabel("Day 9", { exact: true }).check();
  await expect(page.getByLabel("Day 6", { exact: true })).toBeDisabled();
  await page.getByRole("button", { name: "Set 2 pages" }).click();
  await expect(page.getByText("2 pages are set.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-07`);
  await expect(mat(page).getByRole("button", { name: /^Room for words/ })).toBeVisible();
  await expect(mat(page).getByRole("button", { name: /^Flip-up/ })).toBeVisible();
  await page.getByRole("button", { name: "Keep as a template" }).click();
  await page.waitForURL(/keep=/);
  await page.getByLabel("Keep this arrangement as").fill("Lift and words");
  await page.getByRole("button", { name: "Keep the template" }).click();
  await expect(page.getByText("Lift and words is kept")).toBeVisible();
  await page.goto(`${album}/foundations?days=2026-12-11`);
  await page.getByLabel("gets").selectOption({ label: "Lift and words" });
  await page.getByRole("button", { name: "Set 1 page" }).click();
  await expect(page.getByText("1 page is set.")).toBeVisible();
  await page.getByRole("button", { name: "Put Lift and words away" }).click();
  await expect(page.getByText("Pages made from it stay as they are.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-11`);
  await expect(mat(page).getByRole("button", { name: /^Flip-up/ })).toBeVisible();
});

test("the strip of days follows the spread, and turning leaves goes through the whole book and back", async ({
  page,
}) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  await page.goto(`${base()}${href?.replace("/month", "/book")}`);
  const leaves = strip(page).getByRole("button");
  const count = await leaves.count();
  await leaves.nth(3).click();
  const days = page.getByRole("navigation", { name: "Days" });
  await expect(days.locator('[aria-current="date"]')).toHaveAttribute("href", /2026-12-02$/);
  await leaves.nth(0).click();
  await expect(page.getByRole("button", { name: "Turn back a leaf" })).toBeDisabled();
  for (let turn = 0; turn < count; turn++) await page.getByRole("button", { name: "Turn a leaf", exact: true }).click();
  await expect(page.getByRole("button", { name: "Turn a leaf", exact: true })).toBeDisabled();
  await page.getByRole("button", { name: "Turn back a leaf" }).click();
  await expect(page.getByRole("button", { name: "Turn a leaf", exact: true })).toBeEnabled();
  // The insert of the 9th lies over its page, and both can be taken up.
  await strip(page)
    .getByRole("button", { name: /^Small leaf\. 3 × 8/ })
    .last()
    .click();
  await expect(mat(page).getByRole("button", { name: /^Tab “lift”/ })).toBeVisible();
  await expect(mat(page).getByRole("button", { name: /^Print 6 × 4/ })).toBeVisible();
});

test("tabs of several leaves are staggered so that each is seen", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/book`);
  await page.getByRole("button", { name: "Add a title page" }).click();
  for (let leaf = 0; leaf < 2; leaf++) {
    await addPiece(page, "Tab");
    await page.getByLabel("Add a leaf after this one").selectOption({ label: "Full page" });
    await expect(strip(page).getByRole("listitem")).toHaveCount(leaf + 2);
  }
  const out = page.getByRole("region", { name: "What stands out" });
  await expect(out.getByText("2 pieces stand out on the right.")).toBeVisible();
  await expect(out.getByText(/^Tab .* lies behind Tab/)).toBeVisible();
  await expect(out.getByText(/2 stand past the closed cover on the right, by .* at most/)).toBeVisible();
  await out.getByRole("button", { name: "Stagger them" }).click();
  await expect(out.getByText(/lies behind/)).toHaveCount(0);
  await saved(page);
});

test("leaves and what lies on them go with the archive into another household", async ({ page, openWindow }) => {
  await newKeeper(page);
  const album = await dayWithPage(page, "2026-12-08");
  await addPiece(page, "Clear overlay");
  await saved(page);
  const archive = await writeArchive(page, album);
  const other = await openWindow();
  await newKeeper(other, "Second");
  await other.goto(`${base()}/albums/read`);
  await readArchive(other, archive);
  await other.waitForURL(/month/);
  await other.goto(other.url().replace(/month.*/, "book"));
  await expect(mat(other).getByRole("button", { name: /^Clear overlay/ })).toBeVisible();
});
