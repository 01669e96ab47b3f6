import { expect, type Locator, type Page, test } from "./browser-test.ts";
import { addCard, base, enterDemo, newDecember, newKeeper, photo, saved, signIn } from "./keeper.ts";

/** A day of a new December with a photo, a card, a pocket page and an insert, everything still where the dry fit put it. */
async function dayToLayOut(page: Page, print = "6 × 4", pockets = "One pocket over two"): Promise<string> {
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-08`);
  await page.getByLabel("Foundation page").selectOption({ label: "Pocket page" });
  await page.getByLabel("Pockets").selectOption({ label: pockets });
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-08") });
  await expect(page.getByText(/Taken 8 Dec/)).toBeVisible();
  await page.getByLabel("Print size of photo 1").selectOption({ label: print });
  await addCard(page);
  await page.getByRole("button", { name: "Add an insert" }).click();
  await saved(page);
  return album;
}
const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const piece = (page: Page, name: RegExp | string) => mat(page).getByRole("button", { name });

/** Where something lies once it lies still: a mat that is busy draws itself again a moment later. */
async function still(of: Locator) {
  let before = await of.boundingBox();
  for (;;) {
    await of.page().waitForTimeout(100);
    const now = await of.boundingBox();
    if (now && before && now.x === before.x && now.y === before.y && now.width === before.width) return now;
    before = now;
  }
}

/** Carries a piece by its middle so that the middle comes to lie at a share of the target's box. */
async function carry(page: Page, from: Locator, to: Locator, share: [number, number] = [0.5, 0.5]) {
  const [b, a] = [await still(to), await still(from)];
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(b.x + b.width * share[0], b.y + b.height * share[1], { steps: 8 });
  await page.mouse.up();
}
const board = (page: Page, at: number) => mat(page).locator("[data-board]").nth(at);
const x = (page: Page) => page.getByLabel("From left");

test("a two-leaf day is laid out by mouse: carried from pocket to pocket and onto the insert, turned, stacked, and still so after a reload", async ({
  page,
}) => {
  await newKeeper(page);
  await dayToLayOut(page, "3 × 4");
  const print = piece(page, /^Print 3 × 4/);
  await expect(print).toHaveAccessibleName(/^Print/);
  // The insert is the first board, the page the second; the lower right quarter of the page holds its last pocket.
  await carry(page, print, board(page, 1), [0.8, 0.75]);
  await expect(piece(page, /^Print 3 × 4. Fits/)).toBeVisible();
  await expect(mat(page).getByText("Print 3 × 4.")).toBeVisible();
  const number = piece(page, /^Number/);
  await carry(page, number, board(page, 0), [0.5, 0.3]);
  await expect(piece(page, /^Number 3 × 4. On the page/)).toBeVisible();
  await mat(page).getByRole("button", { name: "Turn", exact: true }).click();
  await expect(piece(page, /^Number 4 × 3/)).toBeVisible();
  // Off every leaf it lies beside again.
  await saved(page);
  const box = await mat(page).boundingBox();
  const held = await piece(page, /^Number 4 × 3/).boundingBox();
  if (!box || !held) throw new Error("not on the screen");
  await page.mouse.move(held.x + held.width / 2, held.y + held.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y + 200, { steps: 5 });
  await page.mouse.up();
  await expect(piece(page, /^Number 8, beside/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(piece(page, /^Number 8, beside/)).toBeVisible();
  await expect(piece(page, /^Print 3 × 4. Fits/)).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(piece(page, /^Number 4 × 3/)).toBeVisible();
});

test("the same is laid out by keyboard alone: put on, into the next pocket, nudged, turned, stacked, taken off", async ({
  page,
}) => {
  await newKeeper(page);
  await dayToLayOut(page, "3 × 4");
  const print = piece(page, /^Print 3 × 4/);
  await print.focus();
  await expect(mat(page).getByText("Print 3 × 4.")).toBeVisible();
  await page.keyboard.press("p");
  await saved(page);
  const before = await x(page).inputValue();
  await page.keyboard.press("ArrowRight");
  await expect(x(page)).not.toHaveValue(before);
  await page.keyboard.press("ArrowLeft");
  await expect(x(page)).toHaveValue(before);
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("t");
  await expect(piece(page, /^Print 4 × 3/)).toBeFocused();
  await page.keyboard.press("t");
  await page.keyboard.press("]");
  await page.keyboard.press("Delete");
  const beside = piece(page, /^Print 3 × 4, beside/);
  await expect(beside).toBeVisible();
  await beside.focus();
  await page.keyboard.press("Enter");
  await expect(piece(page, /^Print 3 × 4. Fits/)).toBeFocused();
  // Arrow keys move the piece, not the keeper to another day.
  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/2026-12-08/);
  await saved(page);
  // A place typed as people write it; nonsense is told at the field and changes nothing.
  await x(page).fill("1 3/4");
  await x(page).press("Enter");
  await expect(x(page)).toHaveValue("1¾");
  await x(page).fill("far");
  await x(page).press("Enter");
  await expect(mat(page).getByRole("alert")).toHaveText(/not a length/);
});

test("a print over two pockets is told so, and cut in two with its cut line", async ({ page }) => {
  await newKeeper(page);
  await dayToLayOut(page, "6 × 4", "Four pockets, two by two");
  const beside = piece(page, /^Print 6 × 4, beside/);
  await carry(page, beside, board(page, 1), [0.572, 0.3]);
  await expect(piece(page, /^Print 6 × 4. Lies across two pockets/)).toBeVisible();
  await page.getByRole("button", { name: "Cut at 3″" }).click();
  await expect(piece(page, /^Part of a print 3 × 4/)).toHaveCount(2);
  await saved(page);
  await page.reload();
  await expect(piece(page, /^Part of a print 3 × 4/)).toHaveCount(2);
});

test("a print too large for its pocket says what to trim, and is printed smaller on the spot; a small one gets a backing", async ({
  page,
}) => {
  await newKeeper(page);
  await dayToLayOut(page, "4 × 4", "Four pockets, two by two");
  await carry(page, piece(page, /^Print 4 × 4, beside/), board(page, 1), [0.36, 0.3]);
  await expect(mat(page).getByText(/The pocket takes 3 × 4. Trim 1″ off the width, or print at 3 × 3/)).toBeVisible();
  await page.getByRole("button", { name: "Print at 3 × 3", exact: true }).click();
  await expect(piece(page, /^Print 3 × 3. Small for its pocket/)).toBeVisible();
  await piece(page, /^Print 3 × 3/).focus();
  await page.getByRole("button", { name: "Mount on 3 × 4", exact: true }).click();
  await expect(piece(page, /^Photo mat “backing” 3 × 4/)).toBeVisible();
});

test("two try-outs stand side by side, one is kept, and what was there waits in the tray", async ({ page }) => {
  await newKeeper(page);
  await dayToLayOut(page, "3 × 4");
  await piece(page, /^Print 3 × 4/).press("p");
  await page.keyboard.press("Escape");
  await saved(page);
  await page.getByRole("button", { name: "Try another" }).click();
  await page.waitForURL(/leaves/);
  const second = page.getByRole("region", { name: "Arrangement B" });
  await second.getByRole("button", { name: /^Print 3 × 4/ }).focus();
  await page.keyboard.press("Delete");
  await expect(second.getByRole("button", { name: /^Print 3 × 4/ })).toHaveCount(0);
  await expect(
    page.getByRole("region", { name: "Arrangement A" }).getByRole("button", { name: /^Print 3 × 4/ }),
  ).toBeVisible();
  await saved(page);
  await page.getByRole("button", { name: "Keep B" }).click();
  await expect(page.getByRole("region", { name: "Arrangement B" })).toHaveCount(0);
  await saved(page);
  await page.getByRole("link", { name: "Back to the day" }).click();
  await expect(piece(page, /^Print 3 × 4, beside/)).toBeVisible();
  await page.goto(`${base()}/tray`);
  // What lay there; the kept one is on the page, and nowhere else.
  await expect(page.getByText(/^A try-out of 8 Dec/)).toHaveCount(1);
});

test("a pattern shows what it would change, sets it over the month, spares what is made, and is taken back in one go", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await dayToLayOut(page, "3 × 4");
  await page.getByLabel("Base made").check();
  await saved(page);
  await page.goto(`${album}/foundations`);
  await page.getByRole("button", { name: "Add a turn" }).click();
  await page.getByLabel("Turn B", { exact: true }).selectOption({ label: "Full light: the photo is the page" });
  await page.getByRole("button", { name: "A weekday" }).click();
  await page.getByLabel("gets").selectOption({ label: "Windowpanes: six small prints under a wide one" });
  const line = (label: string) => page.getByRole("listitem").filter({ has: page.getByText(label, { exact: true }) });
  await expect(line("8")).toContainText("stays: its base is made");
  await expect(line("6")).toContainText("Windowpanes");
  await expect(line("1")).toContainText("Mantel");
  await expect(line("2")).toContainText("Full light");
  await page.getByRole("button", { name: "Set 30 pages" }).click();
  await expect(page.getByRole("status").filter({ hasText: "30 pages are set" })).toBeVisible();
  // The rules are there again, to be thought over.
  await page.goto(`${album}/foundations`);
  await expect(page.getByLabel("Turn B", { exact: true }).locator("option:checked")).toHaveText(/^Full light/);
  await expect(page.getByLabel("gets").locator("option:checked")).toHaveText(/^Windowpanes/);
  await page.goto(`${album}/days/2026-12-06`);
  await expect(piece(page, /^Room for a photo, 6 × 4/)).toBeVisible();
  await page.goto(`${album}/book`);
  await expect(page.getByRole("list", { name: "Leaves in order" }).getByRole("listitem")).toHaveCount(32);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByRole("list", { name: "Leaves in order" }).getByRole("listitem")).toHaveCount(2);
});

test("the book: leaves are added, carried by mouse and by keys, given to front matter, turned and put in the tray", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/book`);
  await page.getByRole("button", { name: "Add a title page" }).click();
  const strip = page.getByRole("list", { name: "Leaves in order" });
  await expect(strip.getByRole("listitem")).toHaveCount(1);
  await expect(page.getByLabel("Front belongs to").locator("option:checked")).toHaveText("Title page");
  await page.getByLabel("Add a leaf after this one").selectOption({ label: "Vellum" });
  await expect(strip.getByRole("listitem")).toHaveCount(2);
  await page.getByLabel("Add a leaf after this one").selectOption({ label: "Pocket page" });
  await expect(strip.getByRole("listitem")).toHaveCount(3);
  await page.getByLabel("Front belongs to").selectOption({ label: "1" });
  await saved(page);
  const third = strip.getByRole("button").nth(2);
  await expect(third).toHaveAccessibleName("Page 1. 6 × 8");
  // By keys: taken up with the space bar, carried one place back, put down.
  await third.focus();
  await page.keyboard.press("Space");
  await page.waitForTimeout(300);
  await page.keyboard.press("ArrowLeft");
  await page.waitForTimeout(300);
  await page.keyboard.press("Space");
  await expect(strip.getByRole("button").nth(1)).toHaveAccessibleName("Page 1. 6 × 8");
  await saved(page);
  // By mouse: to the front.
  const [from, to] = [
    await strip.getByRole("button").nth(1).boundingBox(),
    await strip.getByRole("button").nth(0).boundingBox(),
  ];
  if (!from || !to) throw new Error("not on the screen");
  await page.mouse.move(from.x + 20, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(to.x + 5, to.y + 30, { steps: 10 });
  await page.mouse.up();
  await expect(strip.getByRole("button").nth(0)).toHaveAccessibleName("Page 1. 6 × 8");
  await saved(page);
  await page.reload();
  await expect(strip.getByRole("button").nth(0)).toHaveAccessibleName("Page 1. 6 × 8");
  await strip.getByRole("button").nth(1).click();
  await page.getByRole("button", { name: "Turn front to back" }).click();
  await expect(page.getByLabel("Front belongs to").locator("option:checked")).toHaveText("Opening note");
  await page.getByRole("button", { name: "Copy", exact: true }).click();
  await expect(strip.getByRole("listitem")).toHaveCount(4);
  await expect(page.getByText("Leaf 3 of 4.")).toBeVisible();
  await page.getByRole("button", { name: "Into the tray" }).click();
  await expect(strip.getByRole("listitem")).toHaveCount(3);
  await strip.getByRole("button").nth(1).click();
  await page.getByRole("button", { name: "Into the tray" }).click();
  await expect(strip.getByRole("listitem")).toHaveCount(2);
  await saved(page);
  await page.goto(`${base()}/tray`);
  await page
    .getByRole("button", { name: /Put back: A leaf/ })
    .first()
    .click();
  await expect(page.getByRole("button", { name: /Put back: A leaf/ })).toHaveCount(1);
  await page.goto(`${album}/rhythm`);
  await expect(page.getByText(/days without a page/)).toBeVisible();
});

test("two windows on one leaf: the later is told who, and chooses", async ({ page, openWindow }) => {
  const mail = await newKeeper(page);
  const album = await dayToLayOut(page, "3 × 4");
  const other = await openWindow();
  await signIn(other, mail);
  await other.goto(`${album}/days/2026-12-08`);
  await expect(piece(other, /^Print 3 × 4/)).toBeVisible();
  await piece(page, /^Print 3 × 4/).focus();
  await page.keyboard.press("t");
  await saved(page);
  await piece(other, /^Print 3 × 4/).focus();
  await other.keyboard.press("Shift+ArrowRight");
  const clash = other.getByRole("alert").filter({ hasText: "Maren changed this leaf in another window" });
  await expect(clash).toBeVisible();
  await clash.getByRole("button", { name: "Take theirs" }).click();
  await expect(piece(other, /^Print 4 × 3/)).toBeVisible();
});

test("measuring: what is wrong is said at its field, what would stop fitting before it is saved, and a book is kept for other albums", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await dayToLayOut(page, "6 × 4");
  await page.goto(`${album}/measure`);
  await page.getByLabel("Opening, wide").fill("9");
  await expect(page.getByRole("alert")).toHaveText(/opening is larger than the whole leaf/);
  await expect(page.getByRole("button", { name: "Save the measures" })).toBeDisabled();
  await page.getByLabel("Opening, wide").fill("5 3/4");
  await page.getByLabel("Middle of each, from the upper end").fill("1; 9");
  await expect(page.getByRole("alert")).toHaveText(/hole lies off the leaf/);
  await page.getByLabel("Holes, as a start").selectOption({ label: "Two rings" });
  await expect(page.getByRole("alert")).toHaveCount(0);
  await page.getByRole("button", { name: "Save the measures" }).click();
  await expect(page.getByRole("alert")).toHaveText(/stop fitting/);
  await expect(page.getByRole("alert")).toContainText("8: Print 6 × 4");
  await page.getByRole("button", { name: "Save all the same" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Saved." })).toBeVisible();
  await page.getByLabel("What it is called").fill("The narrow binder");
  await page.getByRole("button", { name: "Keep for other albums" }).click();
  await expect(page.getByText("The narrow binder is kept")).toBeVisible();
  await page.goto(`${base()}/albums/new`);
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Next" }).click();
  await expect(page.getByText("The narrow binder")).toBeVisible();
});

test("own pockets: split, resized, cut down, refused when they cannot be, saved, used by a day and then not deleted", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/pockets`);
  const pockets = page.getByRole("group", { name: "Pockets of the page" }).getByRole("button");
  await expect(pockets).toHaveCount(4);
  await pockets.nth(0).focus();
  await page.getByRole("button", { name: "3 side by side" }).click();
  await expect(pockets).toHaveCount(6);
  await page.getByLabel("Margin all round").fill("4");
  await page.getByLabel("Margin all round").press("Enter");
  await expect(page.getByRole("alert")).toHaveText(/leave no room/);
  await expect(pockets).toHaveCount(6);
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Give the layout a name" })).toBeVisible();
  await page.getByLabel("Save under the name").fill("Six of mine");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Six of mine is saved")).toBeVisible();
  await page.goto(`${album}/days/2026-12-02`);
  await page.getByLabel("Foundation page").selectOption({ label: "Pocket page" });
  await page.getByLabel("Pockets").selectOption({ label: "Six of mine" });
  await saved(page);
  await page.goto(`${album}/pockets`);
  await page.getByRole("button", { name: "Put Six of mine away" }).click();
  await expect(page.getByText(/1 page uses this layout, so it was kept/)).toBeVisible();
  await page.getByRole("button", { name: "Rename Six of mine" }).click();
  await page.getByLabel("New name of Six of mine").fill("Half a dozen");
  await page.keyboard.press("Enter");
  await expect(page.getByText("It is called Half a dozen now.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Put Half a dozen away" })).toBeVisible();
  // Out as a file and in again: as another one, under a name of its own.
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "File of Half a dozen" }).click();
  await page.getByLabel("One from a file").setInputFiles(await (await download).path());
  await expect(page.getByText("Half a dozen (2) is kept.")).toBeVisible();
  await page.getByRole("button", { name: "Put Half a dozen (2) away" }).click();
  await expect(page.getByText("In the tray for 30 days.")).toBeVisible();
  await page.getByRole("button", { name: "Drop the last row" }).click();
  await expect(page.getByText(/pockets are cut off/)).toBeVisible();
  // Cut down and kept, it is offered for a page of the album, with the leaf that results.
  await page.getByLabel("Save under the name").fill("Cut short");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Cut short is saved")).toBeVisible();
  await page.goto(`${album}/days/2026-12-03`);
  await page.getByLabel("Foundation page").selectOption({ label: "Pocket page" });
  const short = page.getByLabel("Pockets").getByRole("option", { name: /^Cut short, a leaf of 6 × 3/ });
  await page.getByLabel("Pockets").selectOption((await short.getAttribute("value")) ?? "");
  await saved(page);
  await expect(page.getByText("this page’s own")).toBeVisible();
  await expect(
    mat(page)
      .getByText(/^Page 3\. 6 × 3/)
      .first(),
  ).toBeVisible();
});

test("a leaf and the punch guide print at true size, as PDF and SVG", async ({ page }) => {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  await page.goto(`${album}/book`);
  await expect(page.getByRole("list", { name: "Leaves in order" })).toBeVisible();
  const leaf =
    new URL(page.url()).searchParams.get("at") ??
    (await page.locator("[data-board]").last().getAttribute("data-board"))?.split("/")[0];
  for (const path of [`leaf/${leaf}.front`, "punch-guide/guide"]) {
    for (const [ending, start] of [
      ["pdf", "%PDF"],
      ["svg", "<?xml"],
    ]) {
      const file = await page.request.get(`${album}/documents/${path}.${ending}`);
      expect(file.ok(), `${path} ${ending}`).toBe(true);
      expect((await file.text()).startsWith(start ?? "")).toBe(true);
    }
  }
});
