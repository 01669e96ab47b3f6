import { expect, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, PHONE, saved } from "./keeper.ts";

test("a pocket is measured, folded, told whether it works on its page, laid there, changed there and printed", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await saved(page);

  // From the page itself: the bench knows which day it is for.
  await page.locator(".mat-bar").getByRole("button", { name: "Add a piece" }).click();
  await page.getByRole("menuitem", { name: "Something that opens, from the bench" }).click();
  await expect(page.getByRole("heading", { name: "Things that open" })).toBeVisible();
  await page.getByRole("link", { name: /^Tabbed pocket/ }).click();
  await expect(page.getByRole("img", { name: /^The blueprint of the tabbed pocket: pocket 4¼ × 6¾/ })).toBeVisible();
  // Another measure, typed, and the rest follows at once.
  await page.getByLabel("Inside width", { exact: true }).fill("4");
  await expect(page.getByRole("img", { name: /pocket 5¼ × 6¾/ })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Closed 4½ × 3¾" })).toBeVisible();
  // Tabs that are too wide are told, and what they may be.
  await page.getByLabel("Tabs", { exact: true }).fill("3");
  await expect(page.getByText("Tabs: at most 2¼″, as the rest is set.")).toBeVisible();
  await expect(page.getByRole("img", { name: /pocket 5¼ × 6¾/ })).toBeVisible();
  await page.getByRole("button", { name: "All as usual again" }).click();
  await expect(page.getByText(/at most/)).toHaveCount(0);

  // A length is pulled by the end of its measure, with the keys or the mouse.
  const depth = page.getByRole("slider", { name: "Pull: Pocket depth" });
  await depth.press("ArrowRight");
  await depth.press("ArrowRight");
  await expect(page.getByLabel("Pocket depth", { exact: true })).toHaveValue("3⅛");
  const box = await depth.boundingBox();
  if (!box) throw new Error("there");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 120, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByLabel("Pocket depth", { exact: true })).toHaveValue(/^[56]/);
  await expect(page.getByLabel("Inside width", { exact: true })).toHaveValue("3");
  await page.getByRole("button", { name: "All as usual again" }).click();

  await page.getByRole("button", { name: "Closed", exact: true }).click();
  await expect(page.getByRole("img", { name: "Tabbed pocket, closed, from above and from behind" })).toBeVisible();

  // Fold by fold, from flat.
  await page.getByRole("button", { name: "Fold by fold" }).click();
  await expect(page.getByText("The pocket, flat.")).toBeVisible();
  for (const nth of [1, 2, 3]) {
    await page.getByRole("button", { name: "Fold on" }).click();
    await expect(page.getByText(`Fold ${nth} of 3.`)).toBeVisible();
  }
  await page.getByRole("button", { name: "Unfold", exact: true }).click();
  await expect(page.getByText("Fold 2 of 3.")).toBeVisible();

  // What it takes of a sheet, and the largest of it.
  await expect(page.getByText(/^1 sheet; .* is left over\.$/)).toBeVisible();
  await page.getByRole("button", { name: "The largest one sheet allows" }).click();
  await expect(page.getByText("Inside width: at most 10¾″.")).toBeVisible();
  await page.getByRole("button", { name: "Make it so" }).click();
  await expect(page.getByText("1 sheet; 5¼ × 12 is left over.")).toBeVisible();
  await page.getByRole("button", { name: "All as usual again" }).click();

  // Its steps, one at a time, by the keys.
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText("Cut the pocket: 4¼″ × 6¾″.")).toBeVisible();
  const next = page.getByRole("button", { name: "Done, next step" });
  await next.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Score the pocket at")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(
    page.getByText(/^Cut ⅜″ off both sides of its longer end, down to the score across at 3″\./),
  ).toBeVisible();
  await expect(page.getByText(/^Blades: metal ruler/)).toBeVisible();

  // Its templates, and the file for a cutter.
  const fetched = async (name: string) => {
    const href = await page.getByRole("link", { name }).getAttribute("href");
    return page.request.get(new URL(href ?? "", page.url()).href);
  };
  const pdf = await fetched("Template at true size, PDF");
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  expect(await (await fetched("For a cutter, SVG")).text()).toContain('<g id="cut"');

  // Onto the page of the day that is looked at.
  await page.getByLabel("Where it goes").selectOption({ index: 1 });
  await expect(page.getByRole("heading", { name: "It works there" })).toBeVisible();
  await page.getByRole("button", { name: /^Lay it on/ }).click();
  // It is there once, and is what is changed from now on.
  await expect(page.getByText(/^It lies on /)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Lay it on/ })).toHaveCount(0);
  await saved(page);
  await page.getByRole("link", { name: "Look at it in the book" }).click();
  await expect(page.getByRole("button", { name: /^Construction .*Tabbed pocket/ })).toHaveCount(1);
  await page.goto(`${album}/days/2026-12-06`);
  const piece = page.getByRole("button", { name: /^Construction .*Tabbed pocket/ });
  await expect(piece).toBeVisible();
  await piece.click();
  await page.getByRole("link", { name: "Measure or change it" }).click();
  await page.getByLabel("Inside width", { exact: true }).fill("8");
  await expect(page.getByText(/^Closed it is .* larger than its page\.$/)).toBeVisible();
  await page.getByLabel("Inside width", { exact: true }).fill("3 1/2");
  await expect(page.getByRole("heading", { name: "It works there" })).toBeVisible();
  await page.getByRole("button", { name: "Change it on its page" }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Inside width", { exact: true })).toHaveValue("3½");
  // One act, taken back as one.
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Inside width", { exact: true })).toHaveValue("3");
});

test("a pocket for the day's card goes from its page to its template by the keys alone", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Full page" });
  await saved(page);
  await addCard(page);
  await saved(page);
  await page.locator(".mat-bar").getByRole("button", { name: "Add a piece" }).press("Enter");
  await page.getByRole("menuitem", { name: "Something that opens, from the bench" }).press("Enter");
  await page.getByRole("link", { name: /^Tabbed pocket/ }).press("Enter");
  const goesIn = page.getByLabel("What goes in");
  await goesIn.focus();
  await page.keyboard.press("ArrowDown");
  await expect(goesIn).toHaveValue(/.+/);
  // As wide as the card, with the hair that lets it slide.
  await expect(page.getByLabel("Inside width", { exact: true })).toHaveValue("3¹⁄₁₆");
  await page.getByRole("slider", { name: "Pull: Inside width" }).press("ArrowRight");
  await expect(page.getByLabel("Inside width", { exact: true })).toHaveValue("3⅛");
  await page.getByLabel("Where it goes").focus();
  await page.keyboard.press("ArrowDown");
  await page.getByRole("button", { name: /^Lay it on/ }).press("Enter");
  await expect(page.getByText(/^It lies on /)).toBeVisible();
  await saved(page);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Template at true size, PDF" }).press("Enter"),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.pdf$/);
});

test("a flip that opens into the rings is told, and turned the other way by its edge", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Paper" });
  await saved(page);
  await page.goto(`${album}/bench/flip-up?day=2026-12-06`);
  await page.getByLabel("Where it goes").selectOption({ index: 1 });
  await page.getByLabel("Flip, width", { exact: true }).fill("3 1/2");
  await page.getByLabel("Flip, height", { exact: true }).fill("4");
  await page.getByLabel("Lifts about its edge").selectOption({ label: "left" });
  await expect(page.getByText(/^Open, it goes .* into the binding: let it open away from it\.$/)).toBeVisible();
  await page.getByLabel("Lifts about its edge").selectOption({ label: "upper" });
  await expect(page.getByText(/into the binding/)).toHaveCount(0);
  await expect(page.getByText(/^Nothing keeps it shut/)).toBeVisible();
  await page.getByRole("button", { name: "Open", exact: true }).click();
  await expect(page.getByRole("img", { name: /^Flip-up, open, from above/ })).toBeVisible();
});

test("the steps of a fold-out are followed on a phone", async ({ openWindow }) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/bench/fold-out`);
  await page.getByRole("button", { name: "Steps" }).click();
  await expect(page.getByText("Step 1 of", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Done, next step" }).tap();
  await expect(page.getByText(/^Score the strip at/)).toBeVisible();
  await page.getByRole("button", { name: "Step before" }).tap();
  await expect(page.getByText(/^Cut the strip: 12″ × 4½″\./)).toBeVisible();
  // Back to the drawing of the whole, by a touch above the step's own drawing.
  await page.getByRole("button", { name: "Blueprint", exact: true }).tap();
  await expect(page.getByRole("img", { name: /^The blueprint of the fold-out/ })).toBeVisible();
});

test("a booklet carries words and a card with their fit, opens where it lies in the book, and becomes a fold-out with all of it", async ({
  page,
}) => {
  test.slow();
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-17`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Paper" });
  await saved(page);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("The song of the causeway");
  await saved(page);
  await page.goto(`${album}/bench/grid-booklet?day=2026-12-17`);
  await page.getByLabel("Where it goes").selectOption({ index: 1 });
  await page.getByLabel("Panel, width", { exact: true }).fill("3");
  await page.getByLabel("Panel, height", { exact: true }).fill("4");
  await page.getByRole("button", { name: /^Lay it on/ }).click();
  await expect(page.getByText(/^It lies on /)).toBeVisible();
  await saved(page);

  // A card as large as a panel does not go onto one that is shortened; a little more, and it does.
  const first = page.getByLabel("Side 1 inside, 3 × 4", { exact: true });
  await first.selectOption({ label: "Words of its own" });
  await page.getByLabel("Words on Side 1 inside, 3 × 4").fill("Lantern in the window");
  await page.getByLabel("Words on Side 1 inside, 3 × 4").blur();
  await expect(page.getByText(/^The words fit: 1 of \d+ lines\.$/)).toBeVisible();
  const short = page.getByLabel(/^Side \d inside, 3 × 3.+/).first();
  await short.selectOption({ index: 2 });
  await expect(
    page.getByText(/^Does not fit: .* too tall\. Trim it, or make the construction larger\.$/),
  ).toBeVisible();
  await page.getByLabel("Panel, height", { exact: true }).fill("4 1/8");
  await expect(page.getByText("Fits.", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Change it on its page" }).click();
  await saved(page);

  // In the book it is opened where it lies, and closed again; its card lies in it and no longer beside the page.
  await page.getByRole("link", { name: "Look at it in the book" }).click();
  const piece = page.getByRole("button", { name: /^Construction .*Grid booklet/ });
  await piece.click();
  await page.getByRole("button", { name: "Open it here" }).click();
  const opened = page.locator("[data-opened]");
  await expect(opened).toContainText(/Lantern/);
  await expect(opened).toContainText(/causeway/);
  await expect(page.getByRole("button", { name: /^Card .*beside the page/ })).toHaveCount(0);
  await piece.press("o");
  await expect(opened).toHaveCount(0);

  // Turned into something else, it keeps what it carries.
  await page.getByRole("link", { name: "Measure or change it" }).click();
  await page.getByLabel("Turn it into").selectOption({ label: "Fold-out" });
  await expect(page.getByRole("heading", { name: "Fold-out" })).toBeVisible();
  await expect(page.getByText(/It is a grid booklet there until you change it\.$/)).toBeVisible();
  await page.getByRole("button", { name: "Change it on its page" }).click();
  await saved(page);
  await expect(page.getByLabel(/^Words on Side \d inside/)).toHaveValue("Lantern in the window");
  await page.getByRole("button", { name: "Unfolded", exact: true }).click();
  await expect(page.getByRole("img", { name: /^Fold-out, unfolded/ })).toContainText(/causeway/);
  // Another like it begins with its measures.
  await page.getByLabel("Strip, height", { exact: true }).fill("3");
  await page.getByRole("button", { name: "Change it on its page" }).click();
  await saved(page);
  await page.getByRole("link", { name: "Another like it, for another day" }).click();
  await expect(page.getByLabel("Strip, height", { exact: true })).toHaveValue("3");
  await expect(page.getByText(/^It lies on /)).toHaveCount(0);
});

test("what is ticked at the bench on a phone is a step of its day and of tonight", async ({ openWindow }) => {
  test.slow();
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-01`);
  await page.getByLabel("Foundation page", { exact: true }).selectOption({ label: "Paper" });
  await saved(page);
  await page.goto(`${album}/bench/matchbook-stop?day=2026-12-01`);
  await page.getByRole("button", { name: "Steps" }).tap();
  await expect(page.getByText("Laid on a page, its ticks are kept and its minutes are planned.")).toBeVisible();
  await page.getByLabel("Where it goes").selectOption({ index: 1 });
  await page.getByRole("button", { name: /^Lay it on/ }).tap();
  await saved(page);

  await page.getByRole("button", { name: "Done, next step" }).tap();
  await expect(page.getByText(/^Step 2 of \d+\./)).toBeVisible();
  await saved(page);
  await page.goto(`${album}/bench`);
  await expect(page.getByText(/^1 of \d+ steps done, about \d+ minutes left$/)).toBeVisible();
  await page.goto(`${album}/days/2026-12-01`);
  const tick = page.getByLabel("Bench pieces made");
  await expect(tick).not.toBeChecked();
  await page.getByRole("link", { name: "Step by step" }).tap();
  // It is begun again where it was left.
  await expect(page.getByText(/^Step 2 of \d+\./)).toBeVisible();
  const done = page.getByRole("button", { name: /^Done, / });
  for (let nth = 2; nth < 20 && (await done.count()) > 0; nth++) {
    await done.tap();
    await saved(page);
  }
  await expect(page.getByText("All of it is made.", { exact: false })).toBeVisible();
  await page.goto(`${album}/days/2026-12-01`);
  await expect(tick).toBeChecked();
  await tick.uncheck();
  await saved(page);
  await page.goto(`${album}/bench`);
  await expect(page.getByText(/^About \d+ minutes left$/)).toBeVisible();
});

test("a pull-out stops where it is set to, and the simulated cutter takes its file and refuses what it cannot cut", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/bench/pull-out`);
  await page.getByLabel("Shows above the cover", { exact: true }).fill("4 1/2");
  await expect(page.getByText(/^Shows above the cover: at most .*, as the rest is set\.$/)).toBeVisible();
  await page.getByLabel("Shows above the cover", { exact: true }).fill("1");
  await page.getByRole("button", { name: "Pulled out", exact: true }).click();
  await expect(page.getByRole("img", { name: /^Pull-out with a stop, pulled out/ })).toBeVisible();

  await page.getByRole("button", { name: "Send it this one" }).click();
  await expect(page.getByText(/^Pull-out with a stop: taken\. 3 pieces, .* about \d+ minutes?\.$/)).toBeVisible();
  const own = async (inside: string) =>
    page.getByLabel("Or an SVG file of your own").setInputFiles({
      ...{ name: "star.svg", mimeType: "image/svg+xml" },
      buffer: Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">${inside}</svg>`,
      ),
    });
  await own('<path d="M5 5L50 5L50 50"/>');
  await expect(page.getByText(/^Not taken\. 1 outline is open/)).toBeVisible();
  await own('<script>alert(1)</script><path d="M5 5L50 5L50 50Z"/>');
  await expect(page.getByText(/^Not taken\. The file carries a script/)).toBeVisible();
  await own('<path d="M5 5L50 5L50 50Z"/>');
  await expect(page.getByText(/^star\.svg: taken\. 1 piece/)).toBeVisible();
});
