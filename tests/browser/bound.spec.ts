import { expect, type Page, test } from "./browser-test.ts";
import { base, newDecember, newKeeper, saved } from "./keeper.ts";

const strip = (page: Page) => page.getByRole("list", { name: "Leaves in order" });

test("a bound book has its leaves: a day takes one in its place, none is moved, another kind is tipped in, and they are counted", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page, base(), "a5-sewn");
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByText("0 of the book’s 40 sewn leaves are used.")).toBeVisible();
  await page.getByLabel("Foundation page").selectOption({ label: "Paper" });
  await saved(page);
  await expect(page.getByText("1 of the book’s 40 sewn leaves are used.")).toBeVisible();
  await expect(page.getByText("Sewn in. Another kind is tipped in beside it.")).toBeVisible();
  // Vellum is no leaf of the book: it comes beside the sewn one.
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Vellum" });
  await saved(page);
  await expect(page.getByLabel("Foundation page 2")).toHaveValue("vellum");
  await expect(page.getByLabel("Foundation page", { exact: true })).toHaveValue("paper");

  await page.goto(`${album}/book`);
  await expect(strip(page).getByRole("listitem")).toHaveCount(41);
  // Eight leaves are kept for the eight days before it.
  await strip(page).getByRole("button").nth(8).click();
  await expect(page.getByText("Sewn in: it stays where it is. 1 of 40 sewn leaves are used.")).toBeVisible();
  for (const name of ["Earlier", "Later", "Turn front to back"])
    await expect(page.getByRole("button", { name, exact: true })).toBeDisabled();
  await page.getByRole("button", { name: "Make it blank" }).click();
  await saved(page);
  await expect(page.getByText("0 of 40 sewn leaves are used.")).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await strip(page).getByRole("button").nth(8).click();
  await expect(page.getByText("1 of 40 sewn leaves are used.")).toBeVisible();

  // A thin leaf is glued to the one after it: the two are leafed over as one, and taken apart again.
  await page.getByRole("button", { name: "Make it blank" }).click();
  await saved(page);
  await strip(page).getByRole("button").nth(6).click();
  await page.getByRole("button", { name: "Glue to the next leaf" }).click();
  await saved(page);
  await expect(page.getByText("Its back is glued to the leaf after it.")).toBeVisible();
  await expect(page.getByLabel("Back belongs to")).toHaveCount(0);
  await expect(page.getByText("2 of 40 sewn leaves are used.")).toBeVisible();
  await page.getByRole("button", { name: "Turn a leaf", exact: true }).click();
  await expect(page.getByText("Leaf 9 of 41.")).toBeVisible();
  await page.getByRole("button", { name: "Turn back a leaf" }).click();
  await expect(page.getByText("Leaf 7 of 41.")).toBeVisible();
  await page.getByRole("button", { name: "Take it off the next" }).click();
  await saved(page);
  await expect(page.getByLabel("Back belongs to")).toBeVisible();

  await page.goto(`${album}/measure`);
  await page.getByLabel("Leaves sewn in").fill("some");
  await expect(page.getByRole("alert")).toHaveText(/Count the leaves/);
  await page.getByLabel("Leaves sewn in").fill("32");
  await page.getByRole("button", { name: "Save the measures" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Saved." })).toBeVisible();
  await page.goto(`${album}/book`);
  await expect(strip(page).getByRole("listitem")).toHaveCount(33);
});

test("a leaf made for another book says which of its holes serve, which are covered, and what is punched", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/book`);
  await page.getByRole("button", { name: "Add a title page" }).click();
  await expect(page.getByLabel("Holes it came with")).toHaveCount(0);
  await page.getByLabel("Kind of leaf").selectOption({ label: "Paper" });
  await page.getByLabel("Holes it came with").selectOption({ label: "Two rings" });
  await expect(page.getByText("Cover 2 old holes with washi, ½″ square each. Then punch 3 new ones.")).toBeVisible();
  await page.getByLabel("Holes it came with").selectOption({ label: "Three rings" });
  await expect(page.getByText("3 holes serve as they are.")).toBeVisible();
  await saved(page);
});
