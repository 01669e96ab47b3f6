import sharp from "sharp";
import { pdfWords } from "../pdf-words.ts";
import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, PHONE, photo, saved } from "./keeper.ts";

/** From the roll to a day, and from a day to the roll: every way a picture gets where it belongs. */
const frame = (page: Page, name: string) => page.locator(`[data-photo][aria-label^="${name}"]`);
const panel = (page: Page) => page.getByRole("region", { name: /^The chosen pictures?$/ });

async function rollOf(page: Page, days: readonly string[]): Promise<string> {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  const files = await Promise.all(
    days.map(async (day, at) => ({
      name: `P${at}.jpg`,
      mimeType: "image/jpeg",
      buffer: await photo(`2026-12-${day}`, `#b8${10 + at}1b`),
    })),
  );
  await page.locator("input[type=file]").first().setInputFiles(files);
  await expect(page.locator("[data-photo]")).toHaveCount(days.length);
  return album;
}

test("a picture of the roll is on its own day in two presses, on any other in two, and by a key", async ({ page }) => {
  const album = await rollOf(page, ["09", "09", "12"]);
  await frame(page, "P0").click();
  await panel(page).getByRole("button", { name: "Put it on 9", exact: true }).click();
  await expect(frame(page, "P0")).toHaveAccessibleName(/placed/);
  // It is there once: there is no more to press.
  await expect(panel(page).getByRole("button", { name: "Put it on 9", exact: true })).toHaveCount(0);
  await frame(page, "P1").click();
  await panel(page).getByLabel("Put it on a day").selectOption("2026-12-15");
  await expect(frame(page, "P1")).toHaveAccessibleName(/placed/);
  await frame(page, "P2").click();
  await page.keyboard.press("d");
  await expect(frame(page, "P2")).toHaveAccessibleName(/placed/);
  await saved(page);
  for (const day of ["09", "15", "12"]) {
    await page.goto(`${album}/days/2026-12-${day}`);
    await expect(page.getByText("1 on this day")).toBeVisible();
  }
});

test("several are chosen together, go each to its own day in one press, and come back with one", async ({ page }) => {
  await rollOf(page, ["09", "10", "11", "12"]);
  await frame(page, "P0").click();
  await frame(page, "P2").click({ modifiers: ["Shift"] });
  await expect(panel(page).getByRole("heading", { name: "3 pictures" })).toBeVisible();
  await frame(page, "P1").click({ modifiers: ["Control"] });
  await expect(panel(page).getByRole("heading", { name: "2 pictures" })).toBeVisible();
  await panel(page).getByLabel("Put all of them on a day").selectOption("2026-12-20");
  await expect(page.getByRole("button", { name: /placed/ })).toHaveCount(2);
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Taken back: 2 pictures put on 20 Dec.")).toBeVisible();
  await expect(page.getByRole("button", { name: /placed/ })).toHaveCount(0);
  // On a phone there is no Control: several are chosen one press after the other.
  await panel(page).getByRole("button", { name: "Choose none" }).click();
  await page.getByRole("button", { name: "Choose several" }).click();
  for (const name of ["P0", "P1", "P3"]) await frame(page, name).click();
  await panel(page).getByRole("button", { name: "Put each on its own day" }).click();
  await expect(page.getByRole("button", { name: /placed/ })).toHaveCount(3);
});

test("carried by hand, a picture goes to a day of the strip, or of the roll", async ({ page }) => {
  const album = await rollOf(page, ["09", "10"]);
  const strip = page.getByRole("navigation", { name: "Days" }).getByRole("link");
  await frame(page, "P0").dragTo(strip.nth(4));
  await expect(frame(page, "P0")).toHaveAccessibleName(/placed/);
  await frame(page, "P1").dragTo(page.locator(".roll-row").first());
  await expect(frame(page, "P1")).toHaveAccessibleName(/placed/);
  await saved(page);
  await page.goto(`${album}/days/2026-12-05`);
  await expect(page.getByText("1 on this day")).toBeVisible();
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByText("1 on this day")).toBeVisible();
});

test("a day offers its own pictures that lie on no page, then the banked, and leads to the whole roll for it", async ({
  page,
}) => {
  const album = await rollOf(page, ["09", "09", "20"]);
  await frame(page, "P2").click();
  await page.keyboard.press("b");
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  const own = page.getByRole("toolbar", { name: "Taken this day, on no page yet" }).getByRole("button");
  await expect(own).toHaveCount(2);
  await own.first().click();
  await expect(page.getByText("1 on this day")).toBeVisible();
  await expect(own).toHaveCount(1);
  await page.getByText("1 picture banked for a dark day").click();
  await page.getByRole("toolbar", { name: "Banked" }).getByRole("button").click();
  await expect(page.getByText("2 on this day")).toBeVisible();
  await page.getByRole("link", { name: "Choose from the whole roll" }).click();
  await expect(page.getByText(/^For 9: what you choose goes there/)).toBeVisible();
  await page.locator('[data-photo]:not([aria-label*="placed"])').click();
  await page.keyboard.press("d");
  await saved(page);
  await page.getByRole("link", { name: "Back to the day" }).click();
  await expect(page.getByText("3 on this day")).toBeVisible();
});

test("on a phone what is chosen, and where it can go, stays in sight over the roll", async ({ openWindow }) => {
  const page = await openWindow(PHONE);
  const album = await rollOf(page, ["03", "09", "12", "20", "21", "24"]);
  await frame(page, "P1").tap();
  const put = panel(page).getByRole("button", { name: "Put it on 9", exact: true });
  await expect(put).toBeInViewport();
  await put.tap();
  await expect(frame(page, "P1")).toHaveAccessibleName(/placed/);
  await frame(page, "P1").tap();
  await expect(panel(page)).toHaveCount(0);
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByText("1 on this day")).toBeVisible();
});

test("what somebody wrote into a picture is offered as a jotting of its day; a prompt with parts gives a card with them", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/photos`);
  const buffer = await sharp(await photo("2026-12-09"))
    .keepExif()
    .withExifMerge({ IFD0: { ImageDescription: "Ice on the rail, gulls on the ice." } })
    .jpeg()
    .toBuffer();
  await page.locator("input[type=file]").first().setInputFiles({ name: "P0.jpg", mimeType: "image/jpeg", buffer });
  await expect(page.locator("[data-photo]")).toHaveCount(1);
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByText("Ice on the rail, gulls on the ice.")).toBeVisible();
  await page.getByRole("button", { name: "Jot it down for this day" }).click();
  await expect(page.getByRole("list", { name: "Jotted on the day" })).toContainText(
    "Ice on the rail, gulls on the ice.",
  );
  await expect(page.getByRole("button", { name: "Jot it down for this day" })).toHaveCount(0);

  await page.getByLabel("Prompt", { exact: true }).fill("Three things from this minute.\nSeen\nHeard");
  await page.getByRole("button", { name: "A card with the prompt’s headings" }).click();
  await expect(page.getByLabel("Words of card 1")).toHaveValue("Seen\n\nHeard\n");
  // Headings alone are no words yet.
  await expect(page.getByLabel("Words written")).not.toBeChecked();
  await page.getByLabel("Words of card 1").fill("Seen\nIce\n\nHeard\n");
  await expect(page.getByLabel("Words written")).toBeChecked();
});

test("another picture comes in the place of one: from the day, from its print, from the whole roll", async ({
  page,
}) => {
  const album = await rollOf(page, ["09", "09", "20"]);
  await frame(page, "P2").click();
  await page.keyboard.press("b");
  await frame(page, "P0").click();
  await page.keyboard.press("d");
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  const shown = page
    .getByRole("region", { name: /^Photos/ })
    .locator("img")
    .first();
  const first = await shown.getAttribute("src");
  await page.getByLabel("Trimmed").check();
  await page.getByRole("button", { name: "Another picture in place of photo 1" }).click();
  await page.getByRole("button", { name: /^Put P1.jpg .*in place of photo 1$/ }).click();
  await expect(shown).not.toHaveAttribute("src", first ?? "");
  // It is one picture in the place of one, chosen, and neither printed nor trimmed.
  await expect(page.getByText("1 on this day")).toBeVisible();
  await expect(page.getByLabel("Photos chosen")).toBeChecked();
  await expect(page.getByLabel("Trimmed")).not.toBeChecked();
  await saved(page);

  await page.getByRole("link", { name: "Crop photo 1" }).click();
  await page.getByText("Another picture", { exact: true }).click();
  await page.getByRole("button", { name: /^Put P2.jpg.* in place of this one$/ }).click();
  await saved(page);

  await page.getByText("Another picture", { exact: true }).click();
  await page.getByRole("link", { name: "Choose from the whole roll" }).click();
  await expect(page.getByText(/^In place of this one of 9/)).toBeVisible();
  await frame(page, "P0").click();
  await panel(page).getByRole("button", { name: "Put it in its place" }).click();
  await page.waitForURL(/crops/);
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  await expect(shown).toHaveAttribute("src", first ?? "");
  await page.locator("#place").focus();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Taken back: another picture of 9 Dec.")).toBeVisible();
  await expect(shown).not.toHaveAttribute("src", first ?? "");
});

test("words are printed on a picture where they read, moved by hand and by key, and are in the sheet that is printed", async ({
  page,
}) => {
  const album = await rollOf(page, ["09"]);
  await frame(page, "P0").click();
  await page.keyboard.press("d");
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  const on = page.getByRole("region", { name: "Printed on it" });
  await on.getByRole("button", { name: "Words on it" }).click();
  await on.getByLabel("Its words").fill("Lanternlight");
  await expect(on.getByText(/^It fits\. It reads, \d/)).toBeVisible();
  await on.getByLabel("How large its letters are").selectOption({ label: "72 points" });
  await expect(on.getByText(/^Its words are larger than its room/)).toBeVisible();
  await on.getByLabel("How large its letters are").selectOption({ label: "14 points" });
  const handle = page.getByRole("button", { name: "Lanternlight, printed on it. Arrow keys move it." });
  const left = on.getByLabel("From left");
  const before = await left.inputValue();
  await handle.focus();
  await page.keyboard.press("ArrowRight");
  await expect(left).not.toHaveValue(before);
  const box = await handle.boundingBox();
  if (!box) throw new Error("not on the screen");
  const moved = await left.inputValue();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 + 20, { steps: 5 });
  await page.mouse.up();
  await expect(left).not.toHaveValue(moved);
  await saved(page);

  await page.getByRole("link", { name: "Print sheets" }).click();
  await page.getByRole("button", { name: /^Make th/ }).click();
  const file = page.waitForEvent("download");
  await page.getByRole("link", { name: "PDF of sheet 1" }).click();
  expect(pdfWords(await (await file).path()).map(({ text }) => text)).toContain("Lanternlight");
  await page.getByRole("button", { name: "Sheet 1 is printed" }).click();
  await saved(page);
  // Other words want another print.
  await page.goBack();
  await on.getByRole("button", { name: "Lanternlight" }).click();
  await on.getByLabel("Its words").fill("Lantern light");
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByLabel("Printed")).not.toBeChecked();
});

test("a pattern is repeated over a print that is larger than its picture, and printed in the parts that the paper takes", async ({
  page,
}) => {
  const album = await rollOf(page, ["09"]);
  await frame(page, "P0").click();
  await page.keyboard.press("d");
  await saved(page);
  await page.goto(`${album}/days/2026-12-09`);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  await page.getByLabel("Print size", { exact: true }).selectOption({ label: "Own size" });
  await page.getByLabel("Width").fill("11");
  await page.getByLabel("Height").fill("2 1/2");
  await page.getByRole("button", { name: "Use it" }).click();
  await page.getByLabel("Once, or as a pattern").selectOption({ label: "A pattern, repeated every" });
  await expect(page.getByText("2 times, 2 across and 1 down")).toBeVisible();
  await page.getByLabel("One repetition").selectOption({ label: "6 × 6" });
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("One repetition").locator("option:checked")).toHaveText("6 × 6");
  await page.getByRole("link", { name: "Print sheets" }).click();
  await page.getByRole("button", { name: "Print 9 in 2 parts" }).click();
  await page.getByRole("button", { name: /^Make th/ }).click();
  await expect(page.getByRole("region", { name: "Sheets made" })).toBeVisible();
  // The lab gets pictures, and this is one no longer.
  await page.goto(`${album}/sheets`);
  await expect(page.getByRole("button", { name: /^Order/ })).toHaveCount(0);
});
