import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp from "sharp";
import { expect, type Page, test } from "./browser-test.ts";
import { base, newDecember, newKeeper, photo, saved } from "./keeper.ts";

const roll = (page: Page) => page.locator("[data-photo]");
/** The server's answer to the mark that puts pictures away; those made before it leave first. */
const putAway = (page: Page) =>
  page.waitForResponse((answer) => (answer.request().postData() ?? "").includes(`"away"`));
/** A picture of its own colours for every number, dated, 4 : 3. */
async function numbered(at: number): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const day = String(1 + (at % 31)).padStart(2, "0");
  const [x, y] = [(at * 137) % 700, (at * 91) % 500];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><rect width="1200" height="900" fill="hsl(${(at * 47) % 360} 45% 45%)"/><circle cx="${x + 250}" cy="${y + 200}" r="160" fill="hsl(${(at * 83) % 360} 70% 70%)"/></svg>`;
  const buffer = await sharp(Buffer.from(svg))
    .flatten()
    .withExif({ IFD2: { DateTimeOriginal: `2026:12:${day} 1${at % 10}:${String(at % 60).padStart(2, "0")}:00` } })
    .jpeg()
    .toBuffer();
  return { name: `IMG_${1000 + at}.jpg`, mimeType: "image/jpeg", buffer };
}

/** Drops files on the page as a hand does. */
async function drop(page: Page, files: readonly { name: string; buffer: Buffer }[]): Promise<void> {
  const data = await page.evaluateHandle(
    (given) => {
      const transfer = new DataTransfer();
      for (const { name, content } of given)
        transfer.items.add(
          new File([Uint8Array.from(atob(content), (letter) => letter.charCodeAt(0))], name, { type: "image/jpeg" }),
        );
      return transfer;
    },
    files.map(({ name, buffer }) => ({ name, content: buffer.toString("base64") })),
  );
  await page.getByRole("heading", { name: "The roll", exact: true }).dispatchEvent("drop", { dataTransfer: data });
}

test("sixty pictures are dropped, a proposal is taken, a crop is moved, sheets are made, and cuts are ticked", async ({
  page,
}) => {
  test.setTimeout(120_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  await expect(page.getByText("Nothing on the roll yet")).toBeVisible();
  const files = await Promise.all(Array.from({ length: 60 }, (_, at) => numbered(at)));
  await drop(page, files);
  await expect(page.getByText("60 of 60: 60 added.")).toBeVisible({ timeout: 120_000 });
  await expect(roll(page)).toHaveCount(60);
  // The same again is known by its content and not sent twice.
  await drop(page, files.slice(0, 5));
  await expect(page.getByText("5 of 5: 0 added, 5 here already.")).toBeVisible();

  // Who goes where: each of the 31 days waits for a first print, and has pictures of its own day.
  await page.getByRole("link", { name: "Who goes where" }).click();
  await expect(page.getByText(/^No page waits for a print.* 31 days have no page yet\.$/)).toBeVisible();
  await page.getByLabel("Also the 31 days without a page").check();
  await expect(page.getByText("31 prints wait on 31 days; 60 pictures are free.")).toBeVisible();
  await expect(page.getByText(/Taken that day; 11 % cropped; 200 pixels an inch/).first()).toBeVisible();
  // One that is nearly as good is taken in the place of the first, and is offered to no other day then.
  const others = page.getByRole("toolbar", { name: /^Others for 1\b/ }).getByRole("button");
  const other = (await others.first().getAttribute("aria-label"))?.split(".")[0]?.replace("Rather ", "") ?? "";
  await others.first().click();
  await expect(page.getByRole("checkbox", { name: new RegExp(`^${other}.* on 1$`) })).toBeChecked();
  await expect(page.getByRole("button", { name: new RegExp(`^Rather ${other}`) })).toHaveCount(0);
  await page.getByRole("button", { name: "None" }).click();
  for (const at of [0, 1, 2, 3]) await page.getByRole("checkbox", { name: /^IMG/ }).nth(at).check();
  await page.getByRole("button", { name: "Put these 4 on their days" }).click();
  await expect(page.getByText("4 pictures are on their days.")).toBeVisible();
  await expect(page.getByText("27 prints wait on 27 days")).toBeVisible();

  // A crop is moved by keys and by hand, and is so after a reload.
  await page.goto(`${album}/days/2026-12-01`);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  await expect(page.getByText("11 % is lost")).toBeVisible();
  const print = page.getByRole("application");
  await print.focus();
  for (let step = 0; step < 12; step++) await page.keyboard.press("ArrowUp");
  await expect(page.getByText("11 % is lost: 11 % at the bottom.")).toBeVisible();
  const box = await print.boundingBox();
  if (!box) throw new Error("not on the screen");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 200, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText("11 % is lost: 11 % at the top.")).toBeVisible();
  await page.getByRole("button", { name: "¼″" }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole("button", { name: "¼″" })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByText(/is lost: \d+ % at the top/)).toBeVisible();

  // Sheets: proven fewest, made, printed, cut one cut after the other.
  await page.getByRole("link", { name: "Print sheets" }).click();
  await expect(page.getByText("No plan has fewer sheets: that is proven", { exact: false })).toBeVisible({
    timeout: 20_000,
  });
  await expect(page.getByText(/^2 sheets, \d+ cuts$/)).toBeVisible();
  await page.getByRole("button", { name: "Make these 2 sheets" }).click();
  await expect(page.getByText("Sheets 1 to 2 are made.")).toBeVisible();
  await expect(page.getByText("Every print of the album is made, or at the lab.", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Sheet 1 is printed" }).click();
  await expect(page.getByRole("button", { name: "Sheet 1 is not printed after all" })).toBeVisible();
  const pdf = page.waitForEvent("download");
  await page.getByRole("link", { name: "PDF of sheet 1" }).click();
  expect((await pdf).suggestedFilename()).toBe("Our-December-sheet-1.pdf");
  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  await expect(page.getByText("Cut 1 of")).toBeVisible();
  const total = Number(/of (\d+)/.exec((await page.getByText(/^Cut 1 of \d+$/).textContent()) ?? "")?.[1]);
  for (let cut = 1; cut <= total; cut++) {
    await expect(page.getByText(`Cut ${cut} of ${total}`)).toBeVisible();
    if (cut % 2) await page.getByRole("button", { name: "Cut. Next" }).click();
    else {
      await page.locator("body").press("Space");
    }
  }
  await expect(page.getByRole("heading", { name: "All cut" })).toBeVisible();
  // A wrong tap loses nothing: the tick comes off again, and after a reload all is as it was left.
  await page.getByRole("listitem").filter({ hasText: "from the" }).last().getByRole("button").click();
  await page.getByRole("button", { name: new RegExp(`Take the tick of cut ${total} away`) }).click();
  await expect(page.getByText(`Cut ${total} of ${total}`)).toBeVisible();
  // The last tick is at home before the page is loaded anew.
  await saved(page);
  await page.reload();
  await expect(page.getByText(`Cut ${total} of ${total}`)).toBeVisible();
  // A spoiled print is wanted again.
  await page.getByRole("region", { name: "Prints of this sheet" }).getByRole("button").first().click();
  await expect(page.getByRole("region", { name: "Prints of this sheet" }).getByRole("button").first()).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});

test("the roll: a picture is starred, set aside, made black and white and straightened, and is as it was again", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  await drop(page, [await numbered(3), await numbered(4)]);
  await expect(roll(page)).toHaveCount(2);
  await roll(page).first().click();
  const panel = page.getByRole("region", { name: "The chosen picture" });
  const large = panel.getByRole("img", { name: /at its largest/ });
  const plain = await large.getAttribute("src");
  await page.keyboard.press("s");
  await expect(panel.getByRole("button", { name: "Starred" })).toHaveAttribute("aria-pressed", "true");
  await panel.getByLabel("Black and white").check();
  await expect(large).toHaveAttribute("src", /\/b1s0l0c0$/);
  await panel.getByLabel("Straighten").fill("-40");
  await expect(large).toHaveAttribute("src", /\/b1s-40l0c0$/);
  expect((await page.request.get(base() + ((await large.getAttribute("src")) ?? ""))).status()).toBe(200);
  await page.reload();
  await roll(page).first().click();
  await expect(large).toHaveAttribute("src", /\/b1s-40l0c0$/);
  await panel.getByRole("button", { name: "As it was taken" }).click();
  await expect(large).toHaveAttribute("src", plain ?? "");
  await panel.getByRole("button", { name: "Set aside" }).click();
  await expect(roll(page)).toHaveCount(1);
  await page
    .getByRole("group", { name: "Which pictures" })
    .getByText(/^Set aside/)
    .click();
  await expect(roll(page)).toHaveCount(1);
  // Out of the way for good: into the tray, and back.
  const kept = putAway(page);
  await panel.getByRole("button", { name: "Into the tray" }).click();
  await expect(roll(page)).toHaveCount(0);
  await kept;
  await page.goto(`${base()}/tray`);
  await page.getByRole("button", { name: /^Put back: A picture of the roll/ }).click();
  await expect(page.getByText("The tray is empty.")).toBeVisible();
  await page.goto(`${album}/photos`);
  await expect(roll(page)).toHaveCount(1);
  await expect(page.getByText("2 pictures")).toBeVisible();
  // Out of the tray it is gone, after a second press only.
  await page
    .getByRole("group", { name: "Which pictures" })
    .getByText(/^Set aside/)
    .click();
  const away = putAway(page);
  await page.getByRole("button", { name: "Put it in the tray" }).click();
  await away;
  await page.goto(`${base()}/tray`);
  await page.getByRole("button", { name: "Empty the tray for good" }).click();
  await page.getByRole("button", { name: "Leave it" }).click();
  await expect(page.getByText(/^A picture of the roll/)).toBeVisible();
  await page.getByRole("button", { name: "Empty the tray for good" }).click();
  await page.getByRole("button", { name: "Yes, gone for good" }).click();
  await expect(page.getByText("The tray is empty.")).toBeVisible();
  await page.goto(`${album}/photos`);
  await expect(page.getByText("1 picture", { exact: true })).toBeVisible();
});

test("a mark is seen from the moment it is made until it is kept, and marks leave one after the other", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  await drop(page, [await numbered(3)]);
  await roll(page).first().click();
  const panel = page.getByRole("region", { name: "The chosen picture" });
  const [star, bank] = [panel.getByRole("button", { name: /^Star/ }), panel.getByRole("button", { name: /^Bank/ })];
  await expect(star).toHaveAttribute("aria-pressed", "false");
  const under = { way: 0, most: 0 };
  await page.route("**/sent", async (route) => {
    if (route.request().method() !== "POST") return route.continue();
    under.way += 1;
    under.most = Math.max(under.most, under.way);
    await new Promise((resolve) => setTimeout(resolve, 600));
    under.way -= 1;
    return route.continue();
  });
  await page.keyboard.press("s");
  await page.keyboard.press("b");
  await expect(star).toHaveAttribute("aria-pressed", "true");
  await expect(bank).toHaveAttribute("aria-pressed", "true");
  const bothKept = page.waitForResponse(
    (answer) => answer.request().method() === "POST" && (answer.request().postData() ?? "").includes("banked"),
  );
  const seen = page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const states = new Set<string>();
        const until = performance.now() + 2000;
        const look = () => {
          const pressed = [
            ...document.querySelectorAll('[aria-label="The chosen picture"] button[aria-pressed]'),
          ].slice(0, 2);
          states.add(pressed.map((each) => each.getAttribute("aria-pressed")).join(" "));
          if (performance.now() < until) requestAnimationFrame(look);
          else resolve([...states]);
        };
        look();
      }),
  );
  await bothKept;
  expect(await seen).toEqual(["true true"]);
  expect(under.most).toBe(1);
  await page.reload();
  await roll(page).first().click();
  await expect(star).toHaveAttribute("aria-pressed", "true");
  await expect(bank).toHaveAttribute("aria-pressed", "true");
});

test("the simulated phone hands its pictures over; alike ones stand together; undated ones are dated in one go", async ({
  page,
}) => {
  test.setTimeout(120_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  await page.getByRole("button", { name: "Simulated phone" }).click();
  await expect(page.getByText("8 of 8: 8 added.")).toBeVisible({ timeout: 90_000 });
  await expect(roll(page)).toHaveCount(8);
  await expect(page.getByRole("button", { name: /IMG_0901.HEIC, 9 December 2026, 08:12/ })).toBeVisible();
  await page.getByText(/^Alike/).click();
  await expect(page.getByRole("button", { name: /sharpest of 2/ })).toHaveCount(2);
  const bare = await sharp({ create: { width: 400, height: 300, channels: 3, background: "#446" } })
    .jpeg()
    .toBuffer();
  await page.getByLabel("Choose pictures").setInputFiles([
    { name: "message.jpg", mimeType: "image/jpeg", buffer: bare },
    { name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") },
  ]);
  await expect(page.getByText("2 of 2: 1 added, 1 not taken.")).toBeVisible();
  await expect(page.getByText(/notes.txt is not a picture we can read/)).toBeVisible();
  await expect(page.getByRole("heading", { name: "One picture has no date" })).toBeVisible();
  await page.getByLabel("They were taken on").fill("2026-12-07");
  await page.getByRole("button", { name: "Date 1" }).click();
  await expect(page.getByRole("heading", { name: "One picture has no date" })).toHaveCount(0);
});

test("a whole folder is handed in: its pictures come, from folders inside it too, and what is no picture stays where it is", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  const folder = mkdtempSync(path.join(tmpdir(), "hearth-folder-"));
  mkdirSync(path.join(folder, "evening"));
  const [one, two] = [await numbered(3), await numbered(4)];
  writeFileSync(path.join(folder, one.name), one.buffer);
  writeFileSync(path.join(folder, "evening", two.name), two.buffer);
  writeFileSync(path.join(folder, "film.mov"), "no picture");
  await page.getByLabel("A whole folder").setInputFiles(folder);
  await expect(page.getByText("2 of 2: 2 added. One other file is no picture and was left.")).toBeVisible();
  await expect(roll(page)).toHaveCount(2);
  rmSync(folder, { recursive: true });
});

test("a print too large is told with what fits; the printer is measured; an order goes to the lab and comes", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-08`);
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-08") });
  await page.getByLabel("Print size of photo 1").selectOption({ label: "Own size" });
  await page.getByLabel("Width").fill("12");
  await page.getByLabel("Height").fill("9");
  await page.getByRole("button", { name: "Use" }).click();
  await saved(page);
  await page.goto(`${album}/sheets`);
  await expect(
    page.getByText(/12 × 9 is larger than the paper. The largest of its shape that fits is 10½ × 7⅞/),
  ).toBeVisible();
  // In parts it fits: two halves, each on a sheet of its own, told apart by their names.
  const plan = page.getByRole("region", { name: "The sheets, to scale" });
  await page.getByRole("button", { name: "Print 8 in 2 parts" }).click();
  await expect(page.getByText(/12 × 9 in 2 parts of 6 × 9\. They meet edge to edge/)).toBeVisible();
  await expect(plan.getByText(/^2 sheets, \d+ cuts$/)).toBeVisible();
  await page.getByRole("button", { name: "Not in parts" }).click();
  await expect(plan.getByRole("button", { name: /^Make th/ })).toHaveCount(0);
  await page.getByRole("button", { name: "Print 8 in 2 parts" }).click();
  await page.getByLabel("Spares in what is left over").uncheck();
  await page.getByRole("button", { name: "Make these 2 sheets" }).click();
  await expect(page.getByText("Sheets 1 to 2 are made.")).toBeVisible();
  await page.getByRole("button", { name: "Sheet 1 is printed" }).click();
  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  const halves = page.getByRole("region", { name: "Prints of this sheet" }).getByRole("button");
  await expect(halves).toHaveText(/^8 (left|right) half$/);
  await halves.click();
  await expect(halves).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("link", { name: "Print sheets" }).first().click();
  const wanted = page.getByRole("region", { name: "What to print" });
  await wanted.getByText("Chosen").click();
  await expect(wanted.getByText(/spoiled before, still the (left|right) half/)).toBeVisible();
  await page.getByRole("button", { name: "Make this sheet" }).click();
  await expect(page.getByText("Sheet 3 is made.")).toBeVisible();
  await page.getByLabel("Bar across").fill("5");
  await page.getByRole("button", { name: "Keep these" }).click();
  await expect(page.getByText(/A bar that far off/)).toBeVisible();
  await page.getByLabel("Bar across").fill("5 31/32");
  await page.getByRole("button", { name: "Keep these" }).click();
  await expect(page.getByText(/it prints 0\.52 % small/)).toBeVisible();
  await page.goto(`${album}/days/2026-12-08`);
  await page.getByLabel("Print size of photo 1").selectOption({ label: "6 × 4" });
  await saved(page);
  await page.goto(`${album}/sheets`);
  await page.getByRole("button", { name: "Order this print" }).click();
  await expect(page.getByText(/Order 1 is at the lab: 1 print, due/)).toBeVisible();
  await page.goto(`${album}/days/2026-12-08`);
  await expect(page.getByText(/At the lab, due/)).toBeVisible();
  await page.goto(`${album}/sheets`);
  await page.getByRole("button", { name: "It has come" }).click();
  await expect(page.getByText("it has come.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-08`);
  await expect(page.getByText("Printed and cut.")).toBeVisible();
});

test("a run of pictures stops where it is told, goes on by itself after the server was away, and keeps what is in", async ({
  page,
  context,
}) => {
  test.setTimeout(120_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  const files = await Promise.all(Array.from({ length: 24 }, (_, at) => numbered(200 + at)));
  await context.setOffline(true);
  await drop(page, files);
  await expect(page.getByText("No connection. 24 pictures are kept on this device")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText("24 of 24: 24 added.")).toBeVisible({ timeout: 60_000 });
  const more = await Promise.all(Array.from({ length: 40 }, (_, at) => numbered(300 + at)));
  await drop(page, more);
  await expect(page.getByText(/^\d+ of 40: [1-9]/)).toBeVisible();
  await page.getByRole("button", { name: "Stop here" }).click();
  await expect(page.getByText(/Stopped. What is in stays in/)).toBeVisible();
  await drop(page, more);
  await expect(page.getByText(/^40 of 40:/)).toBeVisible({ timeout: 60_000 });
  await page.reload();
  await expect(roll(page)).toHaveCount(64);
});

test("what was chosen for a printer is found the next evening, and each printer has its own", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-08`);
  await page
    .getByLabel("Add photos")
    .setInputFiles({ name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-08") });
  await saved(page);
  await page.goto(`${album}/sheets`);
  const paper = page.getByRole("region", { name: "Paper" });
  await paper.getByLabel("4 × 6 photo paper").check();
  await paper.getByLabel("Letter").uncheck();
  await paper.getByLabel("Printed to the paper’s edge").check();
  await paper.getByLabel("Between prints").selectOption({ label: "⅛″ of waste" });
  await saved(page);
  await page.goto(`${album}/sheets`);
  await expect(paper.getByLabel("4 × 6 photo paper")).toBeChecked();
  await expect(paper.getByLabel("Letter")).not.toBeChecked();
  await expect(paper.getByLabel("Printed to the paper’s edge")).toBeChecked();
  await expect(paper.getByLabel("Between prints").locator("option:checked")).toHaveText("⅛″ of waste");

  const printer = page.getByRole("region", { name: "The printer" });
  await printer.getByRole("button", { name: "Another printer" }).click();
  await printer.getByRole("button", { name: "Keep these" }).click();
  await expect(printer.getByText("A name, to tell it from the others.")).toBeVisible();
  await printer.getByLabel("Name of the printer").fill("For sheets");
  await printer.getByText("Measured apart, printed to the paper’s edge").click();
  await printer.getByLabel("Across, to the edge").fill("6 1/8");
  await printer.getByLabel("Along, to the edge").fill("6 1/8");
  await printer.getByRole("button", { name: "Keep these" }).click();
  await expect(page.getByText("Kept. Every sheet for For sheets is made up for it from now on.")).toBeVisible();
  await paper.getByLabel(/^Printer/).selectOption({ label: "For sheets" });
  await expect(paper.getByLabel("Letter")).toBeChecked();
  await expect(paper.getByLabel("Printed to the paper’s edge")).not.toBeChecked();
  await paper.getByLabel(/^Printer/).selectOption({ label: "The printer" });
  await expect(paper.getByLabel("4 × 6 photo paper")).toBeChecked();
});
