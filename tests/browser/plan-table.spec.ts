import { expect, test } from "./browser-test.ts";
import { newDecember, newKeeper, saved } from "./keeper.ts";

test("the plan goes out as a table and comes back; what it would change is seen first, chosen, and taken back in one", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-03`);
  await page.getByLabel("Title", { exact: true }).fill("The long way");
  await saved(page);
  await page.goto(`${album}/finish`);
  await page.getByRole("link", { name: "read back" }).click();
  const table = await (await page.request.get(`${album}/documents/day-plan/plan.csv`)).text();
  const read = (text: string, name = "plan.csv") =>
    page
      .getByLabel("The table, changed, or one of your own")
      .setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  await read(table);
  await page.getByRole("button", { name: "Read it" }).click();
  await expect(page.getByText("It says nothing that is not there already.")).toBeVisible();

  await read("Dates;Title;Weather\r\n03/12/2026;The short way;snow\r\n04/12/2026;Bread;\r\n24/01/2027;Too late;\r\n");
  await page.getByRole("button", { name: "Read it" }).click();
  const list = page.getByRole("list", { name: "What would change" });
  await expect(list.getByRole("listitem")).toHaveCount(2);
  await expect(list.getByText("The long way")).toBeVisible();
  await expect(page.getByText("Row 4: outside the album.")).toBeVisible();
  await expect(page.getByText("Not read: Weather.")).toBeVisible();
  await list.getByRole("checkbox").first().uncheck();
  await page.getByRole("button", { name: "Take 1 change over" }).click();
  await expect(page.getByText("1 change taken over.")).toBeVisible();
  await page.goto(`${album}/days/2026-12-04`);
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("Bread");
  await page.goto(`${album}/days/2026-12-03`);
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("The long way");
  await page.getByRole("button", { name: "Take back" }).first().click();
  await page.goto(`${album}/changes`);
  await expect(page.getByText("plan of 1 day taken over from a table", { exact: false })).toBeVisible();
  await page.goto(`${album}/days/2026-12-04`);
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("");

  await page.goto(`${album}/plan-table`);
  await read("what,ever\r\n1,2\r\n", "other.csv");
  await page.getByRole("button", { name: "Read it" }).click();
  await expect(page.getByText(/The first row has to name the columns/)).toBeVisible();
});
