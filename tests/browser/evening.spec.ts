import { expect, type Page, test } from "./browser-test.ts";
import { base, newKeeper, PHONE, photo, saved } from "./keeper.ts";

/** An evening at the table: what came in is put where it belongs, written, printed and said to be done, in as few presses. */
const DESK = { viewport: { width: 1280, height: 800 } };
const PICTURES = 25;

/** Counts every press of the pointer in this window, whichever page it is on. */
async function counted(page: Page) {
  await page.addInitScript(() => {
    window.addEventListener(
      "pointerdown",
      () => sessionStorage.setItem("presses", String(Number(sessionStorage.getItem("presses") ?? 0) + 1)),
      true,
    );
  });
  return async (from: () => Promise<void>, most: number) => {
    await page.evaluate(() => sessionStorage.setItem("presses", "0"));
    await from();
    const presses = await page.evaluate(() => Number(sessionStorage.getItem("presses")));
    expect(presses).toBeGreaterThan(0);
    expect(presses).toBeLessThanOrEqual(most);
  };
}

/** Makes the December that is offered first, whichever year it is, and says which: its address and its year. */
async function makeAlbum(page: Page): Promise<void> {
  await page.getByRole("link", { name: "New album" }).click();
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Make the album" }).click();
  await page.waitForURL(/\/month$/);
}

for (const [name, options] of [
  ["a laptop", DESK],
  ["a phone", PHONE],
] as const)
  test(`an evening on ${name}: a new album, pictures on their days, a day done, prints said printed, a jotting, each in few presses`, async ({
    openWindow,
  }) => {
    test.setTimeout(120_000);
    const page = await openWindow(options);
    const within = await counted(page);
    await newKeeper(page);
    await page.goto(`${base()}/shelf`);
    await within(() => makeAlbum(page), 4);
    const album = page.url().replace(/\/month$/, "");
    const first = await page.locator("a[href*='/days/'][href$='-01']").first().getAttribute("href");
    const start = /days\/(\d{4}-\d{2})-01/.exec(first ?? "")?.[1];
    if (!start) throw new Error("the album begins with the first of a month");
    const on = (day: number) => `${start}-${String(day).padStart(2, "0")}`;

    // What came in: 25 pictures, one a day. The page of the ninth was made ahead.
    await page.goto(`${album}/foundations?days=${on(9)}`);
    await page.getByRole("button", { name: "Set 1 page" }).click();
    await expect(page.getByText(/1 page is set\./)).toBeVisible();
    await page.goto(`${album}/photos`);
    const files = await Promise.all(
      Array.from({ length: PICTURES }, async (_, at) => ({
        name: `P${at + 1}.jpg`,
        mimeType: "image/jpeg",
        buffer: await photo(on(at + 1), `#b8${20 + at}1b`),
      })),
    );
    await page.locator("input[type=file]").first().setInputFiles(files);
    await expect(page.getByText(`${PICTURES} of ${PICTURES}: ${PICTURES} added.`)).toBeVisible({ timeout: 60_000 });

    const chosen = page.getByRole("region", { name: "The chosen picture" });
    const frame = (nth: number) => page.locator(`[data-photo][aria-label^="P${nth}.jpg"]`);
    await within(async () => {
      await frame(12).click();
      await chosen.getByRole("button", { name: "Put it on 12", exact: true }).click();
      await expect(frame(12)).toHaveAccessibleName(/placed/);
    }, 2);
    await saved(page);

    await page.goto(`${album}/days/${on(9)}`);
    await within(async () => {
      await page.getByRole("button", { name: /^Put P9.jpg/ }).click();
      await expect(page.getByText("1 on this day")).toBeVisible();
      await page.getByRole("button", { name: "Add a card" }).click();
      await page.getByLabel("Words of card 1").fill("Twenty-six windows.");
      // The picture is chosen and the words are written: nobody ticked that.
      await expect(page.getByLabel("Photos chosen")).toBeChecked();
      await expect(page.getByLabel("Words written")).toBeChecked();
      await expect(page.getByText("Next: Print")).toBeVisible();
      await page.getByRole("button", { name: "All done, in the book" }).click();
      await expect(page.getByText("Done, and in the book.")).toBeVisible();
    }, 6);
    await saved(page);

    // Two more on their days, so that there is something to print.
    await page.goto(`${album}/photos`);
    for (const nth of [14, 15, 16, 17, 18]) {
      await frame(nth).click();
      await page.keyboard.press("d");
      await expect(frame(nth)).toHaveAccessibleName(/placed/);
    }
    await saved(page);
    await page.goto(`${album}/days/${on(12)}`);
    await within(async () => {
      const places = page.getByRole("navigation", { name: "Places" });
      await places.getByRole("link", { name: "Photos", exact: true }).click();
      await page.getByRole("link", { name: "Print sheets" }).click();
      await page.getByRole("button", { name: /^Make th/ }).click();
      const made = page.getByRole("region", { name: "Sheets made" });
      await expect(made).toBeVisible();
      const file = page.waitForEvent("download");
      await made.getByRole("button", { name: /to print, as one PDF$/ }).click();
      await file;
      await made.getByRole("button", { name: /are printed$/ }).click();
      await expect(made.getByText("printed", { exact: true }).first()).toBeVisible();
    }, 5);
    await saved(page);
    await page.goto(`${album}/days/${on(12)}`);
    await expect(page.getByLabel("Printed")).toBeChecked();
    await expect(page.getByText("Next: Trim the prints")).toBeVisible();

    await page.goto(`${album}/book`);
    await within(async () => {
      if (options === PHONE) {
        await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: "Today" }).click();
      } else await page.getByTitle("Jot something down for today").click();
      await page.getByLabel("Jot it down").fill("Somebody has come home.");
      await page.getByRole("button", { name: "Keep" }).click();
      await expect(page.getByText("Kept, and at home.")).toBeVisible();
    }, 2);
  });
