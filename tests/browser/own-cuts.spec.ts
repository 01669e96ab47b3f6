import { expect, test } from "./browser-test.ts";
import { newDecember, newKeeper, saved } from "./keeper.ts";

const drawing = (inside: string) => ({
  ...{ name: "leaf.svg", mimeType: "image/svg+xml" },
  buffer: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="50.8mm" height="76.2mm" viewBox="0 0 50.8 76.2">${inside}</svg>`,
  ),
});
const LEAF = '<path d="M25.4 0L50.8 38L25.4 76.2L0 38Z"/><circle cx="25.4" cy="38" r="8"/>';

test("a tag is cut along a drawing of one's own, and a drawing that does more than draw is refused", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/bench/cut-shape`);
  await page.getByText("Own cuts", { exact: true }).click();
  await page.getByLabel("Its shape from an SVG file").setInputFiles(drawing(`<script/>${LEAF}`));
  await expect(page.getByText(/^The file carries a script/)).toBeVisible();
  await page.getByLabel("Its shape from an SVG file").setInputFiles(drawing(LEAF));
  await expect(page.getByText("Cut along a shape of your own, 2 outlines.")).toBeVisible();
  await expect(page.getByText(/^The file carries a script/)).toHaveCount(0);
  await expect(page.getByLabel("Width", { exact: true })).toHaveValue("2");
  await expect(page.getByLabel("Height", { exact: true })).toHaveValue("3");
  // Letters that run into each other are one outline, as wide as both.
  await page
    .getByLabel("Another shape")
    .setInputFiles(drawing('<path d="M0 0H30V30H0Z"/><path d="M25 8H50.8V22H25Z"/>'));
  await expect(page.getByText("Cut along a shape of your own, 1 outline.")).toBeVisible();
  await expect(page.getByLabel("Width", { exact: true })).toHaveValue("2");
  await page.getByRole("button", { name: "Send it this one" }).click();
  await expect(page.getByText(/^Shape of your own: taken\. 1 piece, \d+″ of cuts/)).toBeVisible();
  await page.getByLabel("Another shape").setInputFiles(drawing(LEAF));
  await expect(page.getByText("Cut along a shape of your own, 2 outlines.")).toBeVisible();
  // As something to be cut out, what lies within it is told to fall out.
  await page.getByLabel("A shape to cut out, from an SVG file").setInputFiles(drawing(LEAF));
  await expect(page.getByText(/^1 outline lies within what is cut out/)).toBeVisible();
  await page.getByRole("button", { name: "Take shape 3 away" }).click();
  // The simulated cutter takes it: one piece with a hole in it.
  await page.getByRole("button", { name: "Send it this one" }).click();
  await expect(page.getByText(/^Shape of your own: taken\. 1 piece, 1 hole, /)).toBeVisible();
  await page.getByRole("button", { name: "A rectangle again" }).click();
  await page.getByRole("button", { name: "Send it this one" }).click();
  await expect(page.getByText(/^Shape of your own: taken\. 1 piece, 1\d″ of cuts/)).toBeVisible();
});

test("a flip with a peephole is laid on several days at once, printed together, and its settings are kept", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  for (const date of ["2026-12-06", "2026-12-07"]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
    await saved(page);
  }
  await page.goto(`${album}/bench/flip-up?day=2026-12-06`);
  await page.getByText("Own cuts", { exact: true }).click();
  await page.getByRole("button", { name: "A circle" }).click();
  const cut = page.getByRole("group", { name: "Circle 1" });
  await cut.getByLabel("Across").fill("1");
  // Out of its part it is told, and nothing is lost.
  await cut.getByLabel("From the left").fill("2 1/2");
  await expect(page.getByText("Own cut 1 reaches out of its part: move it or make it smaller.")).toBeVisible();
  await cut.getByLabel("From the left").fill("1");
  await expect(page.getByText(/reaches out of its part/)).toHaveCount(0);

  await page.getByLabel("Where it goes").selectOption({ index: 1 });
  // As large as the page, with its tab it is too large for it.
  await expect(page.getByText(/^Closed it is .* larger than its page\.$/)).toBeVisible();
  await page.getByLabel("Flip, width", { exact: true }).fill("3");
  await page.getByLabel("Flip, height", { exact: true }).fill("4");
  await page.getByRole("button", { name: /^Lay it on/ }).click();
  await expect(page.getByText(/^It lies on /)).toBeVisible();
  await saved(page);
  await page.getByText("The same on several days").click();
  await page.getByLabel(/^day 7/).check();
  await page.getByRole("button", { name: "Lay it on 1 page" }).click();
  await expect(page.getByText("It lies on 1 more page.")).toBeVisible();
  await saved(page);
  await page.getByLabel("Keep these settings as").fill("With a peephole");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("With a peephole is kept: begin others from it, in every album.")).toBeVisible();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("Other settings have that name already. Choose a different one.")).toBeVisible();
  await page.getByRole("button", { name: "Steps", exact: true }).click();
  await expect(page.getByText("Cut the flip", { exact: false })).toBeVisible();

  // Both are on the bench, and are printed together.
  await page.goto(`${album}/bench`);
  for (const day of ["day 6", "day 7"]) await page.getByLabel(`Template of Flip-up, ${day}`).check();
  const fetched = async (name: string) => {
    const href = await page.getByRole("link", { name }).getAttribute("href");
    return page.request.get(new URL(href ?? "", page.url()).href);
  };
  await page.getByLabel("Sheets of").selectOption({ label: "8½ × 11" });
  expect((await (await fetched("Templates on sheets, PDF")).body()).subarray(0, 5).toString()).toBe("%PDF-");
  const cuts = await (await fetched("For a cutter, SVG")).text();
  // The flip, its strip and its tab, of each of both.
  expect(cuts.match(/<g transform=/g)?.length).toBeGreaterThan(4);

  // Begun from what is kept, it has its peephole.
  await page.getByRole("link", { name: "With a peephole", exact: true }).click();
  await expect(page.getByRole("group", { name: "Circle 1" }).getByLabel("From the left")).toHaveValue("1");
  await page.goto(`${album}/bench`);
  await page.getByRole("button", { name: "Put With a peephole away" }).click();
  await expect(page.getByText(/^In the tray for 30 days\. What was begun from it stays/)).toBeVisible();
  // What was laid on both days at once is taken back by one press after it.
  await page.goto(`${album}/days/2026-12-07`);
  await expect(page.getByRole("button", { name: /^Construction .*Flip-up/ })).toHaveCount(1);
});
