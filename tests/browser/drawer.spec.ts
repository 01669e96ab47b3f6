import { readFileSync, writeFileSync } from "node:fs";
import { expect, type Page, test } from "./browser-test.ts";
import { enterDemo, newDecember, newKeeper, PHONE, photo, signIn } from "./keeper.ts";

const row = (page: Page, name: string) =>
  page.getByRole("listitem").filter({ has: page.getByText(name, { exact: true }) });

/** Keeps what is said of a thing; its form goes once it is kept. */
async function kept(page: Page): Promise<void> {
  const keep = page.getByRole("button", { name: "Keep", exact: true });
  await keep.click();
  await expect(keep).toHaveCount(0);
}

test("a drawer is filled by typing and pasting, counted to its last, and comes back as the list it was saved as", async ({
  page,
}, info) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  const line = page.getByLabel("Put something in");
  await line.fill("Linen Stars 12 × 12, 2");
  await expect(page.getByText("Paper · Linen Stars · 12 × 12 · 2 pieces")).toBeVisible();
  await line.press("Enter");
  await expect(row(page, "Linen Stars")).toContainText("2 sheets");
  await expect(line).toHaveValue("");
  // The last but one is used: that it is the last is said before it is.
  await page.getByRole("button", { name: "One Linen Stars fewer" }).click();
  await expect(row(page, "Linen Stars")).toContainText(/(?<!n)one left/);
  await page.getByRole("button", { name: "One Linen Stars fewer" }).click();
  await expect(row(page, "Linen Stars")).toContainText("none left");
  await expect(page.getByRole("button", { name: "One Linen Stars fewer" })).toBeDisabled();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(row(page, "Linen Stars")).toContainText(/(?<!n)one left/);

  await page.getByLabel(/One thing on each line/).fill("6 parcel tags 2 x 4\nBrass numerals\n\n40 enamel dots");
  await page.getByRole("button", { name: "Put them in" }).click();
  await expect(page.getByText("3 new things.")).toBeVisible();
  await expect(row(page, "parcel tags")).toContainText("6 cards");

  // What it is, where it lies, and how thick one is by a stack of ten.
  await page.getByRole("button", { name: /^parcel tags/ }).click();
  await page.getByLabel("Where it lies").fill("tin");
  // What is not taken stays where it was typed.
  await page.route(/\/drawer(\.data)?(\?.*)?$/, (route) =>
    route.request().method() === "POST" ? route.abort() : route.fallback(),
  );
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("The server does not answer.").first()).toBeVisible();
  await expect(page.getByLabel("Where it lies")).toHaveValue("tin");
  await line.fill("Net Mesh 6 × 12");
  await line.press("Enter");
  await expect(line).toHaveValue("Net Mesh 6 × 12");
  await page.unroute(/\/drawer(\.data)?(\?.*)?$/);
  await line.fill("");
  await expect(page.getByText(/One is 0.29 mm thick, typically; not measured/)).toBeVisible();
  await page.getByLabel("is high").fill("3.4 mm");
  await page.getByRole("button", { name: "One is 0.34 mm" }).click();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(row(page, "parcel tags")).toContainText("2 × 4, tin");

  const [saved] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save the drawer as a list" }).click(),
  ]);
  const text = readFileSync(await saved.path(), "utf8");
  expect(text).toContain("parcel tags,card,,50.8,101.6,6,tin,stash,,,,,0.34");
  const file = info.outputPath("drawer.csv");
  // From another program: its own encoding, one more of something, and a line that makes no sense.
  writeFileSync(
    file,
    Buffer.from(
      text.replace("\uFEFF", "").replace("50.8,101.6,6", "50.8,101.6,16").concat("Café paper,parrot\r\n"),
      "latin1",
    ),
  );
  await page.getByLabel("Read a list").setInputFiles(file);
  await expect(page.getByText("1 new thing, 1 changed, 3 as before.")).toBeVisible();
  await expect(page.getByText("Line 6: “kind” could not be read, and was left out.")).toBeVisible();
  await expect(row(page, "parcel tags")).toContainText("16 cards");
  await expect(row(page, "Café paper")).toBeVisible();
  await page.getByLabel("Read a list").setInputFiles({ name: "a.csv", mimeType: "text/csv", buffer: Buffer.from("") });
  await expect(page.getByText("Choose a list first")).toBeVisible();

  await page.getByRole("button", { name: /^Brass numerals/ }).click();
  await page.getByRole("button", { name: "Put it in the tray" }).click();
  await expect(row(page, "Brass numerals")).toHaveCount(0);
  await page.goto(`${new URL(album).origin}/tray`);
  await expect(page.getByText("From the drawer: “Brass numerals”")).toBeVisible();
});

test("the last one is taken by two windows: the second is told that there is none left", async ({
  page,
  openWindow,
}) => {
  const mail = await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  await page.getByLabel("Put something in").fill("Lighthouse sticker");
  await page.getByLabel("Put something in").press("Enter");
  await expect(row(page, "Lighthouse sticker")).toContainText(/(?<!n)one left/);
  const other = await openWindow();
  await signIn(other, mail);
  await other.goto(`${album}/drawer`);
  await page.getByRole("button", { name: "One Lighthouse sticker fewer" }).click();
  await expect(row(page, "Lighthouse sticker")).toContainText("none left");
  await other.getByRole("button", { name: "One Lighthouse sticker fewer" }).click();
  await expect(other.getByText("Somebody took the last one meanwhile: there is none left.")).toBeVisible();
  await expect(row(other, "Lighthouse sticker")).toContainText("none left");
});

test("a set of numbers says which days it covers and what is to be made instead; a title says whether it goes", async ({
  openWindow,
}) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  for (const name of ["Brass numerals", "Cork letters"]) {
    await page.getByLabel("Put something in").fill(name);
    await page.getByLabel("Put something in").press("Enter");
    await expect(row(page, name)).toBeVisible();
  }
  await page.getByRole("button", { name: /^Brass numerals/ }).click();
  const numbers = page.getByLabel("Numbers in one set");
  await numbers.fill("one to twenty");
  await expect(page.getByRole("button", { name: "Keep", exact: true })).toBeDisabled();
  await numbers.fill("1-25");
  await kept(page);
  await page.getByRole("button", { name: /^Cork letters/ }).click();
  await page.getByLabel("Letters in one set").fill("O U R D E C M B E R");
  await kept(page);
  await page.goto(`${album}/numbers`);
  await expect(page.getByText("Our December has 31 numbers, 53 digits.")).toBeVisible();
  await expect(row(page, "Brass numerals")).toContainText("covers 25 of 31");
  await expect(row(page, "Brass numerals")).toContainText("To be made instead: 26 to 31.");
  await expect(page.getByText("missing E", { exact: true })).toBeVisible();
  await page.getByLabel("Words").fill("Our code");
  await expect(page.getByText("missing O")).toBeVisible();
  await page.getByLabel("Words").fill("Our deed");
  await expect(page.getByText("missing D")).toBeVisible();
  await page.getByLabel("Words").fill("cd rum");
  await expect(page.getByText("it goes")).toBeVisible();
  await page.getByRole("link", { name: "With a nought: 07" }).click();
  await expect(page.getByText(/31 numbers, 62 digits, with a nought before the small ones/)).toBeVisible();
});

test("the demo's drawer says what is down to its last, and which adhesive keeps film clear", async ({ page }) => {
  await enterDemo(page);
  const month = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  await page.goto(new URL(month?.replace("/month", "/drawer") ?? "", page.url()).href);
  await expect(row(page, "Lighthouse")).toContainText(/(?<!n)one left/);
  await page.getByLabel("This", { exact: true }).selectOption({ label: "film" });
  await expect(page.getByText("Only where a strip, a label or a picture hides it")).toBeVisible();
  await page.getByLabel("This", { exact: true }).selectOption({ label: "felt" });
  await expect(page.getByText("Strong double-sided tape")).toBeVisible();
  await page.getByRole("link", { name: "Numbers and letters" }).click();
  await expect(row(page, "Brass Numerals 1–25")).toContainText("To be made instead: 26 to 31.");
  await expect(row(page, "Number stamps")).toContainText("covers all");
});

test("a page is made of a paper of the drawer: reserved, cut from its sheet, the remainder kept; and a number of a set", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  await page.getByLabel(/One thing on each line/).fill("Linen Stars 12 × 12, 1\nBrass numerals\nGold star sticker, 1");
  await page.getByRole("button", { name: "Put them in" }).click();
  await expect(page.getByText("3 new things.")).toBeVisible();
  await page.getByRole("button", { name: /^Brass numerals/ }).click();
  await page.getByLabel("Numbers in one set").fill("1-25");
  await kept(page);

  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  const base = page.getByText("Made of cardstock, 80 lb").last();
  await base.click();
  await page.getByLabel("Material of page").selectOption({ label: "Linen Stars · one left" });
  await expect(page.getByText("Made of Linen Stars · the last there is")).toBeVisible();
  await expect(page.getByLabel("Base paper", { exact: true })).toHaveValue("Linen Stars");

  // Its number is taken from the set, which has it once.
  await page.locator('[data-piece$="-numeral"]').first().click();
  await page.locator(".mat-bar").getByText("Made of ink alone").click();
  await page.getByLabel("Material of it").selectOption({ label: "Brass numerals · 25 left" });
  await expect(page.getByText("Made of Brass numerals · 24 left after it")).toBeVisible();

  await page.goto(`${album}/drawer`);
  await expect(row(page, "Linen Stars")).toContainText("1 reserved, none left then");
  await page.getByRole("button", { name: /^Linen Stars/ }).click();
  await expect(page.getByRole("region", { name: "Where it goes" })).toContainText("day 5 reserved");

  await page.getByRole("link", { name: "Cut from paper" }).click();
  await expect(page.getByRole("heading", { name: "Linen Stars 12 × 12" })).toBeVisible();
  await expect(page.getByText("day 5, base: 6 × 8")).toBeVisible();
  await page.getByLabel("6 × 4, makes 2 of 3 × 4").uncheck();
  await page.getByRole("button", { name: "All cut" }).click();
  await expect(page.getByText("Nothing is to be cut of any paper of the drawer.")).toBeVisible();
  await page.goto(`${album}/drawer`);
  await expect(row(page, "Linen Stars").first()).toContainText(/none left|(?<!n)one left/);
  await expect(page.getByText("6 × 12", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("6 × 12", { exact: true })).toHaveCount(0);
});

test("a motif stays whole when its sheet is cut: the base comes from beside it, and what keeps it lies in the drawer", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  await page.getByLabel("Put something in").fill("Tide paper 12 × 12, 1");
  await page.getByLabel("Put something in").press("Enter");
  await page.getByRole("button", { name: /^Tide paper/ }).click();
  await page.getByRole("button", { name: "Keep a motif" }).click();
  const motif = page.getByRole("region", { name: "A motif to keep" });
  await motif.getByLabel("From left").fill("9");
  await expect(motif.getByRole("alert")).toContainText("It reaches beyond the sheet, which is 12 × 12.");
  await expect(page.getByRole("button", { name: "Keep", exact: true })).toBeDisabled();
  for (const [side, length] of [
    ["Wide", "3"],
    ["From top", "9"],
    ["High", "3"],
  ] as const)
    await motif.getByLabel(side).fill(length);
  await expect(motif.getByRole("alert")).toHaveCount(0);
  await kept(page);
  // Drawn anew over its picture, it is what was drawn.
  await page.getByRole("button", { name: /^Tide paper/ }).click();
  const sheet = motif.getByRole("img");
  await sheet.scrollIntoViewIfNeeded();
  const box = await sheet.boundingBox();
  if (!box) throw new Error("the sheet is not to be seen");
  const side = Math.min(box.width, box.height);
  const [left, top] = [box.x + (box.width - side) / 2, box.y + (box.height - side) / 2];
  await page.mouse.move(left + side * 0.5, top + side * 0.5);
  await page.mouse.down();
  await page.mouse.move(left + side - 1, top + side - 1, { steps: 4 });
  await page.mouse.up();
  await expect(motif.getByLabel("Wide")).toHaveValue("6");
  await kept(page);

  await page.goto(`${album}/days/2026-12-05`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await page.getByText("Made of cardstock, 80 lb").last().click();
  await page.getByLabel("Material of page").selectOption({ label: "Tide paper · one left" });
  await expect(page.getByText("Made of Tide paper · the last there is")).toBeVisible();
  await page.goto(`${album}/paper-cutting`);
  await expect(page.getByText("6 × 12 keeps the motif whole and goes back into the drawer.")).toBeVisible();
  await page.getByRole("button", { name: "All cut" }).click();
  await expect(page.getByText("Nothing is to be cut of any paper of the drawer.")).toBeVisible();
  await page.goto(`${album}/drawer`);
  await page.getByText("6 × 12", { exact: true }).click();
  await expect(motif.getByLabel("From left")).toHaveValue("0");
  await expect(motif.getByLabel("High")).toHaveValue("6");
});

test("a card made ahead goes onto a day in one act; what is short then is a list to take along, for its days", async ({
  page,
}, info) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/drawer`);
  await page
    .getByLabel(/One thing on each line/)
    .fill("Boat cards 3 × 4, 1\nSpare cards 3 × 4, 5\nGold star sticker, 1");
  await page.getByRole("button", { name: "Put them in" }).click();
  await expect(page.getByText("3 new things.")).toBeVisible();
  const put = async (day: string) => {
    await page.getByRole("button", { name: /^Boat cards/ }).click();
    await page.getByLabel("Of", { exact: true }).selectOption({ label: day });
    await page.getByRole("button", { name: "Put it there" }).click();
  };
  await put("day 7");
  await expect(page.getByText(/no page with room for it/)).toBeVisible();
  await page.getByRole("button", { name: "Close" }).click();
  for (const date of ["2026-12-07", "2026-12-08"]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await expect(page.getByText("Page size", { exact: true })).toBeVisible();
  }
  await page.goto(`${album}/drawer`);
  await put("day 7");
  await expect(row(page, "Boat cards")).toContainText("1 reserved, none left then");
  await put("day 8");
  await expect(row(page, "Boat cards")).toContainText("2 reserved, 1 short");

  await page.goto(`${album}/to-get`);
  const line = page.getByRole("listitem").filter({ hasText: "Boat cards" });
  await expect(line).toContainText("2 needed, 1 there · for day 7, day 8");
  await expect(line).toContainText("In the drawer instead: Spare cards (5 left)");
  const saving = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save it as a table" }).click();
  const file = info.outputPath("to-get.csv");
  await (await saving).saveAs(file);
  expect(readFileSync(file, "utf8")).toMatch(/Boat cards,1,2,1,"day 7, day 8",Spare cards/);

  await page.getByRole("link", { name: "What was used" }).click();
  await expect(page.getByRole("definition").first()).toContainText("Boat cards (planned)");
});

test("a paper's picture says which page it goes with by colour, and how far apart the two are", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  const add = async (date: string, name: string, colour: string) => {
    await page.goto(`${album}/days/${date}`);
    const buffer = await photo(date, colour);
    await page.getByLabel("Add photos").setInputFiles({ name, mimeType: "image/jpeg", buffer });
    await expect(page.getByRole("link", { name: "Crop photo 1" })).toBeVisible();
  };
  await add("2026-12-05", "harbour.jpg", "#1f2f5b");
  await add("2026-12-06", "paper.jpg", "#24345f");
  await page.goto(`${album}/goes-with`);
  await expect(page.getByText("Nothing in the drawer has a picture yet.", { exact: false })).toBeVisible();
  await page.goto(`${album}/drawer`);
  await page.getByLabel("Put something in").fill("Night paper 12 × 12, 2");
  await page.getByLabel("Put something in").press("Enter");
  await page.getByRole("button", { name: /^Night paper/ }).click();
  await page.getByRole("button", { name: "Choose a picture" }).click();
  await page.getByRole("button", { name: "paper.jpg shows it" }).click();
  await expect(page.getByRole("img", { name: "Night paper" })).toBeVisible();

  // A page that is made of it shows it.
  await page.goto(`${album}/days/2026-12-09`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await page.getByText("Made of cardstock, 80 lb").last().click();
  await page.getByLabel("Material of page").selectOption({ label: "Night paper · 2 left" });
  const papers = page.locator("svg image");
  await expect(papers.first()).toBeAttached();
  await expect(page.getByText("Made of Night paper · one is left after it")).toBeVisible();
  await page.goto(`${album}/book`);
  await expect(page.locator("svg image").first()).toBeAttached();

  await page.goto(`${album}/drawer`);
  await page.getByRole("link", { name: "Goes with" }).click();
  await expect(page.getByRole("heading", { name: "Goes with day 5" })).toBeVisible();
  const line = page.getByRole("listitem").filter({ hasText: "Night paper" });
  await expect(line).toContainText(/Repeats the dark blue, \d\.\d apart/);
  await expect(line).toContainText(/Light lettering reads on most of it, \d+\.\d\s:\s1/);
  await page.getByLabel("Which page").selectOption({ label: "day 6" });
  await expect(line).toContainText("Repeats the dark blue, 0.0 apart");
});
