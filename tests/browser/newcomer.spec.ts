import { startServer } from "../../scripts/running-server.ts";
import { expect, test } from "./browser-test.ts";
import {
  addCard,
  base,
  makeDecember,
  newDecember,
  newKeeper,
  photo,
  readArchive,
  saved,
  signIn,
  signUpAtTheDoor,
  writeArchive,
} from "./keeper.ts";

test("from sign-up to a finished day with a real photo, a killed server, and everything found again", async ({
  page,
}) => {
  let server = await startServer(process.env.BROWSER_DATABASE_URL ?? "");
  const mail = await signUpAtTheDoor(page, "Maren", server.base);
  await expect(page.getByText("Nothing on the shelf yet")).toBeVisible();
  const album = await makeDecember(page);

  await page.goto(`${album}/days/2026-12-09`);
  await page.getByLabel("Title", { exact: true }).fill("First snow on the shed");
  await page.getByRole("button", { name: "Take one from the deck" }).click();
  await page.getByRole("button", { name: /What the window holds/ }).click();
  await expect(page.getByRole("textbox", { name: "Prompt" })).toHaveValue("What the window holds, left to right.");
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "shed.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-09") });
  await page.getByLabel("Description of photo 1").fill("The shed under snow");
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("It came at four and by five there was no path.");
  await page.getByLabel("Size of card 1").selectOption({ label: "4 × 3" });
  await page.getByLabel("Foundation page").selectOption("pocket");
  await page.getByLabel("Pockets").selectOption({ label: "One pocket over two" });
  await page.getByLabel("Base paper").fill("Linen Stars");
  await page.getByLabel("Number 9", { exact: true }).selectOption("stamped");
  await page.getByRole("button", { name: "Add an insert" }).click();
  await page.getByLabel("Kind of insert 1").selectOption({ label: "Tag" });
  await page.getByLabel("Size of insert 1").selectOption({ label: "Own size" });
  await page.getByLabel("Width").fill("nothing");
  await page.getByRole("button", { name: "Use it" }).click();
  await expect(page.getByText("That is not a length.")).toBeVisible();
  await page.getByLabel("Width").fill("2 1/2");
  await page.getByLabel("Height").fill("11,4 cm");
  await page.getByRole("button", { name: "Use it" }).click();
  await expect(
    page.getByRole("region", { name: "The mat" }).getByRole("button", { name: /^Tag\. 2½ × 4\.488/ }),
  ).toBeVisible();
  await page.getByRole("button", { name: "All done, in the book" }).click();
  await expect(page.getByText("Done, and in the book.")).toBeVisible();
  await saved(page);

  server.process.kill("SIGKILL");
  await page.getByLabel("Note", { exact: true }).fill("Typed while the server was away");
  await expect(page.getByText("Kept here, not yet saved")).toBeVisible();
  await expect(page.getByText("The server does not answer.")).toBeVisible();
  server = await startServer(process.env.BROWSER_DATABASE_URL ?? "", Number(new URL(server.base).port));
  await saved(page);

  await page.context().clearCookies();
  await signIn(page, mail, server.base);
  await page.getByRole("link", { name: /Our December/ }).click();
  await expect(
    page.getByRole("option", {
      name: /^9, Wed 9 Dec, First snow on the shed: prompt done, photos done, words done, paper done, in the book done/,
    }),
  ).toBeAttached();
  await page.goto(`${album}/days/2026-12-09`);
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue("First snow on the shed");
  await expect(page.getByLabel("Words of card 1")).toHaveValue("It came at four and by five there was no path.");
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("Typed while the server was away");
  const picture = page.getByRole("img", { name: "The shed under snow" }).last();
  expect(await picture.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth))).toBe(480);
  await server.stop();
});

test("what two windows typed while the server was away is there when both were closed", async ({ page, context }) => {
  let server = await startServer(process.env.BROWSER_DATABASE_URL ?? "");
  await newKeeper(page);
  const album = await newDecember(page, server.base);
  const other = await context.newPage();
  await page.goto(`${album}/days/2026-12-09`);
  await other.goto(`${album}/days/2026-12-10`);
  await page.getByLabel("Title", { exact: true }).fill("Before");
  await saved(page);
  server.process.kill("SIGKILL");
  await page.getByLabel("Title", { exact: true }).fill("Of the first window");
  await expect(page.getByText("Kept here, not yet saved")).toBeVisible();
  await other.getByLabel("Title", { exact: true }).fill("Of the second window");
  await expect(other.getByText("Kept here, not yet saved")).toBeVisible();
  await page.close();
  await other.close();
  server = await startServer(process.env.BROWSER_DATABASE_URL ?? "", Number(new URL(server.base).port));
  const third = await context.newPage();
  await third.goto(`${album}/days/2026-12-09`);
  await expect(third.getByLabel("Title", { exact: true })).toHaveValue("Of the first window");
  await saved(third);
  await third.reload();
  await expect(third.getByLabel("Title", { exact: true })).toHaveValue("Of the first window");
  await third.goto(`${album}/days/2026-12-10`);
  await expect(third.getByLabel("Title", { exact: true })).toHaveValue("Of the second window");
  expect(await third.evaluate(() => Object.keys(localStorage))).toEqual([]);
  await server.stop();
});

test("a December album is four clicks away", async ({ page }) => {
  await newKeeper(page);
  await page.goto(`${base()}/shelf`);
  let clicks = 0;
  const click = async (role: "link" | "button", name: string) => {
    await page.getByRole(role, { name }).click();
    clicks += 1;
  };
  await click("link", "New album");
  await click("button", "Next");
  await click("button", "Next");
  await click("button", "Make the album");
  await page.waitForURL(/\/month$/);
  expect(clicks).toBe(4);
});

test("words typed a moment before a reload are still there", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-03`);
  await page.getByRole("textbox", { name: "Prompt" }).pressSequentially("Half a sen");
  await page.reload();
  await expect(page.getByRole("textbox", { name: "Prompt" })).toHaveValue("Half a sen");
  await saved(page);
});

test("pictures are told apart: wrong kind, broken, twice, another day's, none of the album's days", async ({
  page,
}) => {
  test.setTimeout(120_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-03`);
  const jpeg = await photo("2026-12-11");
  const add = async (name: string, buffer: Buffer) =>
    page.locator("input[type=file]").setInputFiles({ name, mimeType: "image/jpeg", buffer });
  await add("letter.jpg", Buffer.from("dear all"));
  await expect(page.getByText("letter.jpg is not a picture we can read.")).toBeVisible();
  await add("half.jpg", jpeg.subarray(0, 900));
  await expect(page.getByText("half.jpg is damaged")).toBeVisible();
  await add("summer.jpg", await photo("2026-07-01", "#4f6b45"));
  await expect(page.getByText("was taken outside this album’s days")).toBeVisible();
  await add("boat.jpg", jpeg);
  await expect(page.getByText("boat.jpg was taken on 11 Dec.")).toBeVisible();
  await add("boat again.jpg", jpeg);
  await expect(page.getByText("boat again.jpg is on this day already. It was kept once.")).toBeVisible();
  await page.reload();
  await expect(page.getByText("2 on this day")).toBeVisible();
  await add("boat.jpg", await photo("2026-12-11", "#2f4a5c"));
  await page.getByRole("button", { name: "Put it on 11 Dec" }).click();
  await saved(page);
  await page.goto(`${album}/days/2026-12-11`);
  await expect(page.getByText("Taken 11 Dec, 17:48.")).toBeVisible();
  // Several at once, more while those are on their way, one lost on the way and sent again.
  await page.goto(`${album}/days/2026-12-20`);
  const of = async (name: string, colour: string) => ({
    name,
    mimeType: "image/jpeg",
    buffer: await photo("2026-12-20", colour),
  });
  await page.getByLabel("Add photos").setInputFiles([await of("a.jpg", "#112233"), await of("b.jpg", "#445566")]);
  await page.getByLabel("Add photos").setInputFiles([await of("c.jpg", "#778899")]);
  await expect(page.getByText("3 on this day")).toBeVisible();
  await page.route("**/photos", (route) => route.abort(), { times: 1 });
  await page.getByLabel("Add photos").setInputFiles([await of("d.jpg", "#aa3300"), await of("e.jpg", "#00aa33")]);
  await expect(page.getByText("2 pictures are kept on this device", { exact: false })).toBeVisible();
  await expect(page.getByText("5 on this day")).toBeVisible();
});

test("an album saved as an archive reads back in another household, and only once", async ({ page, openWindow }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "tide.jpg", mimeType: "image/jpeg", buffer: await photo("2026-12-05") });
  await page.getByLabel("Title", { exact: true }).fill("Between two tides");
  await saved(page);
  const archive = await writeArchive(page, album);
  expect(archive.name).toBe("Our-December.zip");

  const other = await openWindow();
  await newKeeper(other, "Odd");
  await other.goto(`${base()}/shelf`);
  await other.getByRole("link", { name: "Read an archive" }).click();
  await readArchive(other, { ...archive, buffer: archive.buffer.subarray(0, -300) });
  await expect(other.getByText("not a whole ZIP archive")).toBeVisible();
  await readArchive(other, archive);
  await other.waitForURL(/\/month$/);
  await other.goto(other.url().replace("/month", "/days/2026-12-05"));
  await expect(other.getByLabel("Title", { exact: true })).toHaveValue("Between two tides");
  await expect(other.getByText("Taken 5 Dec, 17:48.")).toBeVisible();
  await other.goto(other.url().replace(/albums\/.*/, "albums/read"));
  await readArchive(other, archive);
  await expect(other.getByText("on your shelf already")).toBeVisible();
  await other.getByRole("button", { name: "Read it as a second album" }).click();
  await other.waitForURL(/\/month$/);
  await other.goto(other.url().replace(/albums\/.*/, "shelf"));
  await expect(other.getByRole("heading", { name: "Our December" })).toHaveCount(2);
});
