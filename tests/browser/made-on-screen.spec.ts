import { expect, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, photo, saved } from "./keeper.ts";

/** Pictures handed in to the first day, each of another colour. */
async function withPictures(page: Page, album: string, many: number): Promise<void> {
  await page.goto(`${album}/days/2026-12-01`);
  const files = await Promise.all(
    Array.from({ length: many }, async (_, at) => ({
      ...{ name: `P${at + 1}.jpg`, mimeType: "image/jpeg" },
      buffer: await photo("2026-12-01", `#${20 + at * 30}40${90 - at * 20}`),
    })),
  );
  await page.locator("input[type=file]").first().setInputFiles(files);
  await expect(page.getByLabel(`Description of photo ${many}`)).toBeVisible({ timeout: 30_000 });
  await saved(page);
}

test("several pictures of a day come into one print, arranged and cropped one by one, and go to a lab's larger paper", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await withPictures(page, album, 3);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  const shared = page.getByRole("region", { name: "Pictures in this print" });
  await shared.getByText("Several pictures in this print").click();
  for (const many of [2, 3]) {
    await shared.getByRole("button", { name: "Put a picture of this day into this print too" }).first().click();
    await expect(shared.getByText(`${many} pictures in this print`)).toBeVisible();
  }
  await shared.getByRole("button", { name: "Columns of 1 and 2" }).click();
  await shared.getByLabel("Between them").selectOption({ label: "⅛″ of white" });
  await shared.getByRole("button", { name: "Crop picture 3" }).click();
  await page.getByLabel("Closer").fill("150");
  await expect(page.getByText("150 %")).toBeVisible();
  // Another is closer by itself: the first is as it was.
  await shared.getByRole("button", { name: "Crop picture 1" }).click();
  await expect(page.getByText("100 %")).toBeVisible();
  await saved(page);
  await page.reload();
  await shared.getByRole("button", { name: "Crop picture 3" }).click();
  await expect(page.getByText("150 %")).toBeVisible();
  await expect(shared.getByRole("button", { name: "Columns of 1 and 2" })).toHaveAttribute("aria-pressed", "true");
  await shared.getByRole("button", { name: "One place sooner" }).click();
  await expect(shared.getByRole("button", { name: "Crop picture 2" })).toHaveAttribute("aria-pressed", "true");
  await saved(page);

  // They are one print of the day now.
  await page.goto(`${album}/days/2026-12-01`);
  await expect(page.getByText("1 on this day", { exact: true })).toBeVisible();
  await expect(page.getByText("3 pictures share this print.")).toBeVisible();

  // A lab that prints nothing but 8 × 10 has it on larger paper, to be cut out.
  await page.goto(`${album}/sheets`);
  const lab = page.getByRole("region", { name: "From a lab" });
  await lab.getByRole("button", { name: "Keep a lab: its papers and measures" }).click();
  await lab.getByLabel("Name of the lab").fill("Quay Lab");
  await lab.getByLabel("8 × 10", { exact: true }).check();
  await lab.getByLabel("Days it takes").fill("2");
  await lab.getByRole("button", { name: "Keep the lab" }).click();
  await lab.getByRole("button", { name: "Order this print from Quay Lab" }).click();
  await expect(lab.getByText(/^Order 1 at Quay Lab, 1 print/)).toBeVisible();
  await expect(lab.getByText("1 print comes on larger paper, with a fine line to cut along.")).toBeVisible();
  await lab.getByRole("button", { name: "It has come", exact: true }).click();
  await lab.getByRole("button", { name: "All cut out", exact: true }).click();
  await expect(lab.getByText("1 print comes on larger paper, with a fine line to cut along: cut out.")).toBeVisible();
  await saved(page);
  await page.goto(`${album}/days/2026-12-01`);
  await expect(page.getByText(/Printed and cut/).first()).toBeVisible();
});

test("a card's own print lies under its words, with words in its boxes; and headings are bold", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await withPictures(page, album, 1);
  await addCard(page);
  await saved(page);
  await page.getByRole("link", { name: /Write it to its card/ }).click();
  await page.getByText("What is printed on the card already").click();
  await page.getByRole("button", { name: "Lay P1.jpg under the words" }).click();
  const drawing = page.getByRole("img", { name: "The front of the card with its words, to scale" });
  await expect(drawing.locator("image")).toHaveAttribute("href", /\/straight\/0-0_10000-0_10000-10000_0-10000_/);
  const corner = page.getByRole("button", { name: /^Left upper corner of the card/ });
  await corner.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  await expect(drawing.locator("image")).toHaveAttribute("href", /\/straight\/40-200_/);

  const boxes = page.getByRole("region", { name: "Words in boxes" });
  await boxes.getByRole("button", { name: "A box for a word" }).click();
  await boxes.getByLabel("Words of box 1", { exact: true }).fill("26 windows");
  await expect(page.getByText("Fits its boxes")).toBeVisible();
  const handle = page.getByRole("button", { name: "26 windows. Arrow keys move it." });
  const left = () => handle.getAttribute("x").then(Number);
  const before = await left();
  await handle.focus();
  await page.keyboard.press("ArrowRight");
  await expect.poll(left).toBeCloseTo(before + 25.4 / 16, 1);
  await boxes.getByLabel("Words of box 1", { exact: true }).fill("Twenty-six windows and a lantern");
  await expect(page.getByText("is larger than its box")).toBeVisible();
  await boxes.getByLabel("Words of box 1", { exact: true }).fill("26 windows");

  await page.getByLabel("Words of the front").fill("Seen today\nThree gulls on the rail.\n\nHeard today\nThe foghorn.");
  await page.getByLabel("Headings").selectOption("Bold");
  const bold = drawing.locator("text[font-weight='700']");
  await expect(bold).toHaveText(["Seen", "today", "Heard", "today"]);
  await saved(page);
  await page.reload();
  await expect(bold).toHaveCount(4);
  await expect(boxes.getByLabel("Words of box 1", { exact: true })).toHaveValue("26 windows");
  await expect(drawing.locator("image")).toHaveAttribute("href", /\/straight\/40-200_/);
  const straight = await page.request.get(
    new URL((await drawing.locator("image").getAttribute("href")) ?? "", page.url()).href,
  );
  expect([straight.status(), straight.headers()["content-type"]]).toEqual([200, "image/webp"]);
});
