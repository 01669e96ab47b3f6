import { expect, type Page, test } from "./browser-test.ts";
import { newDecember, newKeeper, photo } from "./keeper.ts";

const COLOURS = ["#b8451b", "#2f4a5c", "#566b4d"];

/** A new December with three pictures on the 8th. */
async function threePrints(page: Page): Promise<string> {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-08`);
  const files = await Promise.all(
    COLOURS.map(async (colour, at) => ({
      name: `${at}.jpg`,
      mimeType: "image/jpeg",
      buffer: await photo("2026-12-08", colour),
    })),
  );
  await page.getByLabel("Add photos").setInputFiles(files);
  await expect(page.getByText("3 on this day")).toBeVisible();
  await page.goto(`${album}/sheets`);
  return album;
}
const wanted = (page: Page) => page.getByRole("region", { name: "What to print" });

test("prints are chosen by day and one by one; one that was printed elsewhere is wanted no more", async ({ page }) => {
  await threePrints(page);
  await expect(wanted(page)).toContainText("3 of 3");
  await wanted(page).getByText("One day").click();
  await expect(wanted(page).getByLabel("Which day")).toHaveValue("2026-12-08");
  await wanted(page).getByText("Chosen").click();
  await wanted(page).getByRole("checkbox").nth(1).uncheck();
  await expect(wanted(page)).toContainText("2 of 3");
  await page.getByRole("button", { name: "Make this sheet" }).click();
  await expect(page.getByText("Sheet 1 is made.")).toBeVisible();
  await expect(wanted(page).getByRole("checkbox")).toHaveCount(1);
  await wanted(page)
    .getByRole("button", { name: /was printed elsewhere$/ })
    .click();
  await expect(page.getByText("Every print of the album is made, or at the lab.", { exact: false })).toBeVisible();
  // A slip of the finger is taken back.
  await page.getByRole("region", { name: "Had elsewhere" }).getByRole("button").click();
  await expect(wanted(page).getByRole("checkbox")).toHaveCount(1);
});

test("paper of the house, an own size and none at all: sheets follow, and say when they cannot be made", async ({
  page,
}) => {
  await threePrints(page);
  const paper = page.getByRole("region", { name: "Paper", exact: true });
  const plan = page.getByRole("region", { name: "The sheets, to scale" });
  await expect(plan.getByText(/^1 sheet, \d+ cuts$/)).toBeVisible();
  await paper.getByRole("checkbox", { name: "Letter" }).uncheck();
  await expect(plan.getByRole("button", { name: /^Make th/ })).toHaveCount(0);
  await paper.getByRole("checkbox", { name: "4 × 6 photo paper" }).check();
  // A white edge takes what a 4 × 6 print needs of 4 × 6 paper; without one, each print is a sheet.
  await expect(page.getByRole("region", { name: "Too large for the paper" })).toContainText("larger than the paper");
  await paper.getByRole("checkbox", { name: "Printed to the paper’s edge" }).check();
  await expect(plan.getByText(/^3 sheets/)).toBeVisible();
  await paper.getByRole("checkbox", { name: "4 × 6 photo paper" }).uncheck();
  await paper.getByRole("checkbox", { name: "Own size" }).check();
  await paper.getByLabel("Width of the paper").fill("16.6 cm");
  await paper.getByLabel("Height of the paper").fill("12 1/2");
  await expect(plan.getByText(/^1 sheet, \d+ cuts$/)).toBeVisible();
});

test("a sheet is printed, is not after all, and is put away; a spoiled print comes onto the next; an order is taken back", async ({
  page,
}) => {
  const album = await threePrints(page);
  await wanted(page).getByText("Chosen").click();
  await wanted(page).getByRole("checkbox").nth(2).uncheck();
  // With a spare of it on the sheet a spoiled print would not be wanted again.
  await page.getByLabel("Spares in what is left over").uncheck();
  for (const made of ["Sheet 1 is made.", "Sheet 2 is made."]) {
    await page.getByRole("button", { name: "Make this sheet" }).click();
    await expect(page.getByText(made)).toBeVisible();
    if (made.includes("1")) await wanted(page).getByText("All", { exact: true }).click();
  }
  const pdf = page.waitForEvent("download");
  await page.getByRole("button", { name: "All 2 to print, as one PDF" }).click();
  expect((await pdf).suggestedFilename()).toBe("Our-December-sheets-to-print.pdf");
  await page.getByRole("button", { name: "All 2 are printed" }).click();
  await page.getByRole("button", { name: "Sheet 2 is not printed after all" }).click();
  await page.getByRole("button", { name: "Put sheet 2 away" }).click();
  await expect(wanted(page)).toContainText("1 of 1");

  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  const prints = page.getByRole("region", { name: "Prints of this sheet" }).getByRole("button");
  await prints.first().click();
  await expect(prints.first()).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "All cut" }).click();
  await expect(page.getByRole("heading", { name: "All cut" })).toBeVisible();
  await page.getByRole("link", { name: "Print sheets" }).first().click();
  await expect(page.getByText(/cut, 1 spoiled/)).toBeVisible();
  await expect(wanted(page)).toContainText("2 of 2");
  await wanted(page).getByText("Chosen").click();
  await expect(wanted(page).getByText(/spoiled before/)).toHaveCount(1);

  await page.getByRole("button", { name: "Order these 2 prints" }).click();
  await expect(page.getByText(/^Order 1 is at the lab/)).toBeVisible();
  await expect(page.getByText("Every print of the album is made, or at the lab.", { exact: false })).toBeVisible();
  const files = page.waitForEvent("download");
  await page.getByRole("link", { name: "Its files of order 1" }).click();
  expect((await files).suggestedFilename()).toMatch(/\.zip$/);
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(wanted(page)).toContainText("2 of 2");
  await page.goto(`${album}/days/2026-12-08`);
  await expect(page.getByText(/Spoiled/i).first()).toBeVisible();
});
