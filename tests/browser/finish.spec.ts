import { mkdtemp, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { expect, test } from "./browser-test.ts";
import { addCard, base, enterDemo, newDecember, newKeeper, newMonth, PHONE, photo, saved } from "./keeper.ts";

test("loose ends close by their causes, are left once, or are kept for tonight", async ({ page }) => {
  test.slow();
  await newKeeper(page);
  // A month that is over: of days to come nothing hangs loose.
  const album = await newMonth(page, "2025-10");
  await page.goto(`${album}/days/2025-10-01`);
  await page.getByLabel("Title").fill("First snow");
  await page.getByLabel("Note", { exact: true }).fill("Ask who built the tall one");
  await saved(page);
  await page.goto(`${album}/finish`);
  const matters = page.getByRole("region", { name: /^First/ });
  const line = matters.getByRole("listitem").filter({ hasText: "Your note: Ask who built the tall one" });
  await expect(line).toHaveCount(1);

  // Kept for tonight it stands beside tonight's work, with its minutes and the way to its cause.
  await line.getByRole("button", { name: /^Tonight: 1, First snow/ }).click();
  await saved(page);
  await page.goto(`${album}/pace`);
  const tonight = page.getByRole("list", { name: "Loose ends for tonight" });
  await expect(tonight.getByRole("listitem")).toHaveText(/^5 min1, First snow: Your note: Ask who built the tall one/);
  await tonight.getByRole("link").click();
  await expect(page).toHaveURL(/days\/2025-10-01/);

  // Its cause mended it is off both lists; another note is another end.
  await page.getByLabel("Note", { exact: true }).fill("");
  await saved(page);
  await page.goto(`${album}/pace`);
  await expect(page.getByRole("heading", { name: "Tonight" })).toBeVisible();
  await expect(tonight).toHaveCount(0);
  await page.goto(`${album}/days/2025-10-01`);
  await page.getByLabel("Note", { exact: true }).fill("Find the ticket");
  await saved(page);
  await page.goto(`${album}/finish`);
  await matters.getByRole("button", { name: /^Leave it: 1, First snow: Your note: Find the ticket/ }).click();
  await expect(matters).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByRole("heading", { name: "Finish" })).toBeVisible();
  await expect(page.getByText("Your note: Find the ticket")).toHaveCount(0);
  // Left by mistake it is taken back like any other change.
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("Your note: Find the ticket")).toBeVisible();
});

test("who is on the pictures is marked on several in one press, and who is on none is said", async ({ page }) => {
  await newKeeper(page, "Maren");
  const album = await newMonth(page, "2025-10");
  await page.goto(`${album}/words`);
  await page.getByLabel(/^Who is who/).fill("Ilo, Ada");
  await page.getByRole("button", { name: "Keep the names" }).click();
  await expect(page.getByRole("button", { name: "Keep the names" })).toBeDisabled();
  await page.goto(`${album}/days/2025-10-01`);
  for (const colour of ["#b8451b", "#1b6eb8"]) {
    const file = { name: `${colour}.jpg`, mimeType: "image/jpeg", buffer: await photo("2025-10-01", colour) };
    await page.getByLabel("Add photos").setInputFiles(file);
    await saved(page);
  }
  await page.goto(`${album}/photos?shown=unnamed`);
  await page.getByRole("button", { name: "Choose several" }).click();
  const pictures = page.locator("[data-photo]");
  await expect(pictures).toHaveCount(2);
  await pictures.nth(0).click();
  await pictures.nth(1).click();
  const who = page.getByRole("group", { name: "Who is on all of them" });
  for (const name of ["Ilo", "Ada"]) await who.getByRole("button", { name, exact: true }).click();
  await expect(who.getByRole("button", { name: "Ilo" })).toHaveAttribute("aria-pressed", "true");
  await who.getByLabel("Somebody else").fill("Aunt Brine");
  await who.getByRole("button", { name: "Is on them" }).click();
  await expect(who.getByRole("button", { name: "Aunt Brine" })).toHaveAttribute("aria-pressed", "true");
  await saved(page);
  await page.goto(`${album}/finish`);
  await expect(page.getByText("Maren is on no picture of this album.")).toBeVisible();
  await expect(
    page.getByText(/^Ilo, Ada and Aunt Brine are on a picture, and the words do not say so\.$/),
  ).toBeVisible();
});

test("the demo's book is leafed through by keys and by finger, a booklet opened in it, a line said under it", async ({
  page,
}) => {
  test.slow();
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  await page.goto(`${album}/what-opens`);
  const booklet = page.getByRole("listitem").filter({ has: page.getByRole("heading", { name: /The causeway song/ }) });
  await expect(booklet).toContainText("Fold it out upwards and to the left.");
  await expect(booklet).toContainText("“Lantern in the window, kettle on the hob”");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "As cards, 4 × 6" }).click(),
  ]);
  expect((await readFile((await file.path()) ?? "")).subarray(0, 5).toString()).toBe("%PDF-");

  // The whole book is written in the background and handed over.
  await page.goto(`${album}/finish`);
  await page.getByLabel("What to write").selectOption("pages");
  await page.getByLabel("How large").selectOption("a4");
  const [written] = await Promise.all([
    page.waitForEvent("download", { timeout: 90_000 }),
    page.getByRole("button", { name: "Write the book" }).click(),
  ]);
  expect((await readFile((await written.path()) ?? "")).subarray(0, 5).toString()).toBe("%PDF-");

  await page.goto(`${album}/what-opens`);
  await booklet.getByRole("link", { name: "Leaf to it" }).click();
  const book = page.getByRole("img", { name: "The two pages that lie open" });
  await expect(book).toBeVisible();
  await page.getByText("This opening in words").click();
  await expect(page.getByText("The causeway song, closed, with something inside.")).toBeVisible();
  const before = await book.locator("text").count();
  await page.getByRole("button", { name: "Open the causeway song" }).click();
  await expect(page.getByRole("button", { name: "The causeway song: on" })).toBeVisible();
  await expect.poll(() => book.locator("text").count()).toBeGreaterThan(before);

  const opening = page.getByRole("combobox", { name: "Opening" });
  const at = await opening.inputValue();
  await page.getByRole("heading", { name: "Leaf through" }).click({ force: true });
  await page.keyboard.press("ArrowRight");
  await expect(opening).not.toHaveValue(at);
  await page.keyboard.press("ArrowLeft");
  await expect(opening).toHaveValue(at);
  await page.keyboard.press("Home");
  await expect(page.getByRole("button", { name: "Back", exact: true })).toBeDisabled();
  await page.keyboard.press("End");
  await expect(page.getByRole("button", { name: "Turn the page" })).toBeDisabled();

  // A line is kept under the opening it was said of.
  await opening.selectOption({ index: 3 });
  const line = page.getByLabel("A line of yours under this opening");
  // The demo may have been leafed through before.
  const said = `The tide gave us forty minutes, ${Date.now()}.`;
  await line.fill(said);
  await line.press("Enter");
  await saved(page);
  await page.reload();
  await expect(line).toHaveValue(said);
});

test("on a phone a page is turned by a finger", async ({ browser }) => {
  const page = await (await browser.newContext({ ...PHONE, baseURL: base() })).newPage();
  await newKeeper(page);
  const album = await newDecember(page);
  for (const date of ["2026-12-01", "2026-12-02"]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await addCard(page);
    await saved(page);
  }
  await page.goto(`${album}/leaf-through`);
  const opening = page.getByRole("combobox", { name: "Opening" });
  await expect(opening).toHaveValue("0");
  const book = page.getByRole("region", { name: "The book" });
  const box = await book.boundingBox();
  if (!box) throw new Error("the book is not there");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const swipe = async (by: number) => {
    await book.dispatchEvent("pointerdown", { clientX: x, clientY: y, pointerType: "touch", bubbles: true });
    await book.dispatchEvent("pointerup", { clientX: x + by, clientY: y, pointerType: "touch", bubbles: true });
  };
  await swipe(-120);
  await expect(opening).toHaveValue("1");
  // A short stroke is none.
  await swipe(-20);
  await expect(opening).toHaveValue("1");
  await swipe(120);
  await expect(opening).toHaveValue("0");
  await page.context().close();
});

test("the book as one file is leafed through in a browser that has no network", async ({ page, browser }) => {
  test.slow();
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  await page.goto(`${base()}${href?.replace("/month", "")}/finish`);
  const [written] = await Promise.all([
    page.waitForEvent("download", { timeout: 90_000 }),
    page.getByRole("button", { name: "Write the book" }).click(),
  ]);
  expect(written.suggestedFilename()).toBe("Lantern-Month.html");
  const file = `${await mkdtemp(path.join(tmpdir(), "hearth-leafing-"))}/book.html`;
  await written.saveAs(file);

  const context = await browser.newContext({ offline: true });
  try {
    const leaf = await context.newPage();
    const wrong: string[] = [];
    leaf.on("pageerror", ({ message }) => wrong.push(message));
    leaf.on("console", (said) => said.type() === "error" && wrong.push(said.text()));
    leaf.on("request", (asked) => /^(file|data):/.test(asked.url()) || wrong.push(asked.url()));
    await leaf.goto(`file://${file}`);
    const book = leaf.getByRole("img", { name: "The two pages that lie open" });
    await expect(book).toHaveCount(1);
    await expect(leaf.getByRole("button", { name: "Back" })).toBeDisabled();
    // Every picture in it can be drawn, and the letters are the book's own.
    const broken = await leaf.evaluate(async () => {
      const all = [...document.querySelectorAll("image")].map(async (image) => {
        const drawn = new Image();
        drawn.src = image.getAttribute("href") ?? "";
        return drawn.decode().then(
          () => true,
          () => false,
        );
      });
      const drawn = await Promise.all(all);
      return { all: drawn.length, broken: drawn.filter((each) => !each).length };
    });
    expect(broken.all).toBeGreaterThan(10);
    expect(broken.broken).toBe(0);
    expect(await leaf.evaluate(() => document.fonts.check("16px Alegreya", "The seal"))).toBe(true);

    const list = leaf.getByRole("combobox", { name: "Opening" });
    await leaf.keyboard.press("ArrowRight");
    await expect(list).toHaveValue("1");
    await leaf.keyboard.press("End");
    await expect(leaf.getByRole("button", { name: "Turn the page" })).toBeDisabled();
    // What opens is opened in it, by its button and on the picture.
    const opening = leaf.locator("section").filter({ hasText: "The causeway song, closed, with something inside." });
    const song = opening.locator("button[data-name='The causeway song']");
    const nth = await song.evaluate((button) => button.closest("section")?.id.replace("opening-", ""));
    await list.selectOption({ index: Number(nth) - 1 });
    await leaf.getByRole("button", { name: "Open the causeway song" }).click();
    await expect(song).toHaveAttribute("aria-pressed", "true");
    await expect(book.locator(".state.up")).toHaveCount(1);
    await expect(book.locator(".state.up text").first()).toBeVisible();
    // What reaches beyond the book as it opens is not cut off.
    await expect(book).toHaveCSS("overflow", "visible");
    await leaf.keyboard.press("o");
    await expect(song).toHaveAttribute("aria-pressed", "false");
    // Opened where it was left.
    await leaf.reload();
    await expect(song).toBeVisible();
    await leaf.getByText("This opening in words").locator("visible=true").click();
    await expect(leaf.getByText("The causeway song, closed, with something inside.")).toBeVisible();
    expect(wrong).toEqual([]);
  } finally {
    await context.close();
  }
});
