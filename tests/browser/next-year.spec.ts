import { expect, test } from "./browser-test.ts";
import { newDecember, newKeeper, newMonth, saved } from "./keeper.ts";

test("a day that stands every year and what was noted come up in the next album, and are taken over where it was begun otherwise", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const old = await newMonth(page, "2025-10");
  await page.goto(`${old}/days/2025-10-09`);
  await page.getByLabel("Title").fill("The lights counted");
  await page.getByLabel("Prompt", { exact: true }).fill("How many lights are on?");
  await page.getByLabel("For next year").fill("Count from the slip.");
  await page.getByLabel("It stands every year").check();
  await saved(page);
  await page.goto(`${old}/years`);
  await page.getByLabel("What to do otherwise").fill("Order paper in August.");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await expect(page.getByText("Kept for the next album.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("What to do otherwise")).toHaveValue("Order paper in August.");

  // The next one is begun from nothing: it is told all the same.
  const next = await newMonth(page, "2026-10");
  await page.goto(`${next}/years`);
  const noted = page.getByRole("region", { name: "Noted for this year" });
  await expect(noted).toContainText("The whole albumOrder paper in August.");
  await noted.getByRole("link", { name: "9 Oct" }).click();
  await expect(page.getByText("Noted in Our December: Count from the slip.")).toBeVisible();
  await expect(page.getByLabel("Title")).toHaveValue("");
  const before = page.getByRole("region", { name: "This day in other years" });
  await before.getByRole("button", { name: "In this album too" }).click();
  await expect(page.getByLabel("Title")).toHaveValue("The lights counted");
  await expect(page.getByLabel("It stands every year")).toBeChecked();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Prompt", { exact: true })).toHaveValue("How many lights are on?");
  await expect(before.getByRole("button", { name: "In this album too" })).toHaveCount(0);
  await page.goto(`${next}/years`);
  await expect(page.getByRole("heading", { name: "9 Oct, The lights counted" })).toBeVisible();
});

test("what is counted on the day and over the month becomes a list card, without what is private", async ({ page }) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/tallies`);
  await page.getByRole("button", { name: "Films seen" }).click();
  const films = page.getByRole("region", { name: "Films seen" });
  await films.getByLabel("Which, if you like").fill("Snow on the pass");
  await films.getByLabel("On").selectOption("2026-12-03");
  await films.getByRole("button", { name: "Count it" }).click();
  await expect(films.getByText("1", { exact: true })).toBeVisible();
  await saved(page);

  // On the day it is a press, and Enter.
  await page.goto(`${album}/days/2026-12-09`);
  await page.getByRole("button", { name: "Films seen 1" }).click();
  await page.keyboard.type("The Lamp Keeper");
  await page.keyboard.press("Enter");
  await page.keyboard.type("snow on the pass");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Films seen 3" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Counted on 9 Dec" })).toContainText("The Lamp Keeper");
  await saved(page);
  await page.goto(`${album}/days/2026-12-10`);
  await page.getByRole("button", { name: "Films seen 3" }).click();
  await page.keyboard.type("A secret one");
  await page.keyboard.press("Enter");
  await page.getByLabel("Is this day private").selectOption("for-good");
  await saved(page);

  await page.goto(`${album}/tallies`);
  await films.getByRole("button", { name: "Make a list card" }).click();
  await expect(films).toContainText("One card of 3 × 4, 10½ points. 1 mark on private days is left out of it.");
  await films.getByLabel("Onto").selectOption({ label: "24 Dec" });
  await films.getByRole("button", { name: "Put the card there" }).click();
  await saved(page);
  await films.getByRole("link", { name: "See 24 Dec" }).click();
  await expect(page.getByLabel("Words of card 1")).toHaveValue(
    "Films seen: 3\n3 Dec  snow on the pass ×2\n9 Dec  The Lamp Keeper",
  );
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByLabel("Words of card 1")).toHaveCount(0);
});

test("a note for the next album that two windows write is lost in neither", async ({ page, context }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  const other = await context.newPage();
  for (const each of [page, other]) await each.goto(`${album}/years`);
  const write = async (at: typeof page, text: string) => {
    await at.getByLabel("What to do otherwise").fill(text);
    await at.getByRole("button", { name: "Keep the note" }).click();
  };
  await write(other, "Hers");
  await expect(other.getByText("Kept for the next album.")).toBeVisible();
  await write(page, "His");
  await expect(page.getByRole("alert")).toContainText("It says now:Hers");
  await expect(page.getByLabel("What to do otherwise")).toHaveValue("His");
  await write(page, "Hers and his");
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(page.getByText("Kept for the next album.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("What to do otherwise")).toHaveValue("Hers and his");
  await other.close();
});
