import { readFile } from "node:fs/promises";
import { expect, test } from "./browser-test.ts";
import { addCard, base, newDecember, newKeeper, photo, readArchive, saved } from "./keeper.ts";

test("a household goes into one file and comes out of it whole in another one, where nothing is doubled", async ({
  page,
  openWindow,
}) => {
  test.slow();
  await newKeeper(page, "Oda");
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-02`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("The drawer was never so full");
  await saved(page);
  await page.goto(`${album}/photos`);
  const picture = { name: "a.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-02") };
  await page.getByLabel("Choose pictures").setInputFiles(picture);
  await expect(page.getByText("1 of 1: 1 added.")).toBeVisible();

  await page.goto(`${base()}/household`);
  const moving = page.getByRole("region", { name: "Everything in one file" });
  const coming = page.waitForEvent("download");
  await moving.getByRole("button", { name: "Write the household" }).click();
  const file = await readFile(await (await coming).path());

  const other = await openWindow();
  await newKeeper(other, "Oda");
  const chosen = { name: "household.zip", mimeType: "application/zip", buffer: file };
  await other.goto(`${base()}/albums/read`);
  await readArchive(other, chosen);
  await expect(
    other.getByText("The household is here: 1 album, 1 picture, the drawer and all that was kept."),
  ).toBeVisible();
  await other.getByRole("link", { name: "To the shelf" }).click();
  await other.getByRole("link", { name: /Our December/ }).click();
  await other.waitForURL(/\/month$/);
  await other.goto(other.url().replace("month", "days/2026-12-02"));
  await expect(other.getByLabel("Words of card 1")).toHaveValue("The drawer was never so full");
  await other.goto(`${base()}/albums/read`);
  await readArchive(other, chosen);
  await expect(other.getByText(/1 album was here already and stayed as they are/)).toBeVisible();
  await other.goto(`${base()}/shelf`);
  await expect(other.getByRole("link", { name: /Our December/ })).toHaveCount(1);
});
