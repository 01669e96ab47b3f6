import { readFileSync } from "node:fs";
import { pdfWords } from "../pdf-words.ts";
import { expect, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, openFind, saved } from "./keeper.ts";

test("a month is dealt: shuffled, held, put on its days, swapped, let go and taken back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/prompts`);
  await expect(page.getByText("31 days dealt from 31 slips")).toBeVisible();
  const first = page.getByRole("listitem").filter({ hasText: "Tue" }).first().getByRole("paragraph").first();
  const before = await first.textContent();
  await page.getByRole("button", { name: "Hold day 1", exact: true }).click();
  await page.getByRole("button", { name: "Shuffle" }).click();
  await expect(page.getByText("Deal 2.", { exact: false })).toBeVisible();
  await expect(first).toHaveText(before ?? "");
  await page.getByRole("button", { name: "Put these 31 on their days" }).click();
  await expect(page.getByText("31 slips are on their days.")).toBeVisible();
  await expect(page.getByText("Every day has its slip")).toBeVisible();

  await page.getByRole("checkbox", { name: "People 31" }).check();
  await page.getByRole("button", { name: "Swap day 3", exact: true }).click();
  await page.getByRole("button", { name: "Put it on its day" }).click();
  await expect(page.getByText("One slip is on its day.")).toBeVisible();
  await page.getByRole("button", { name: "Let go of day 5’s slip" }).click();
  await expect(page.getByText("Does without")).toHaveCount(1);
  await saved(page);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("Does without")).toHaveCount(0);

  // An own deck: what is wrong with it is told line by line, and what it cannot do is told before it is dealt.
  await page.getByRole("button", { name: "Add a deck of your own" }).click();
  await page.getByLabel("Its name").fill("Harbour");
  await page
    .getByLabel(/A slip a line/)
    .fill("The bell | station\nThe flag | station\nthe BELL\nA rope | gear | someday");
  await page.getByRole("button", { name: "Keep the deck" }).click();
  await expect(page.getByText("Nothing is kept yet. 2 slips were read: The bell · The flag")).toBeVisible();
  await expect(page.getByText("Line 3 says the same as line 1.", { exact: false })).toBeVisible();
  await expect(page.getByText("Line 4 is for “someday”, which is no day.", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Keep these 2 slips" }).click();
  await expect(page.getByText("Harbour is kept, 2 slips.")).toBeVisible();
  await page.getByRole("button", { name: "Done" }).click();
  for (const name of ["Noticing 31", "People 31"]) await page.getByRole("checkbox", { name }).uncheck();
  await page.getByRole("checkbox", { name: "Deal the days ahead anew", exact: false }).check();
  await expect(page.getByText("No fair deal exists. 29 slips are missing", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: /^slips may come twice, and one kind may come two days running/ }).click();
  await expect(page.getByText("days dealt from 2 slips", { exact: false })).toBeVisible();
  const table = page.waitForEvent("download");
  await page.getByRole("link", { name: "Text of Harbour" }).click();
  expect(readFileSync(await (await table).path(), "utf8")).toBe("The bell | station\nThe flag | station\n");
});

const LONG =
  "Tested the bell before watch. One pull too many, and three kitchens on the east side put their kettles on. ".repeat(
    9,
  );

test("a card is written: too many words, shrunk to fit, brought back as it was, printed where it is shown, and cut", async ({
  page,
}) => {
  test.setTimeout(90_000);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-04`);
  await addCard(page);
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  const words = page.getByLabel("Words of the front");
  await words.fill(LONG);
  await expect(page.getByText(/^\d+ words too many$/)).toBeVisible();
  await expect(page.getByText(/^All of it fits at [\d¼½¾]+ points/)).toBeVisible();
  await page.getByRole("button", { name: "Shrink to fit" }).click();
  await expect(page.getByText(/^Fits, /)).toBeVisible();
  await saved(page);

  // An emoji is told; the words before it are kept and come back.
  await words.fill("Gone 🐚");
  await expect(page.getByText("This lettering has no 🐚.", { exact: false })).toBeVisible();
  await saved(page);
  await page.getByText("Earlier words").click();
  await page
    .getByRole("button", { name: /Tested the bell/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Bring these words back" }).click();
  await expect(words).toHaveValue(LONG);
  await saved(page);

  // What is over goes on to a second card.
  await page.getByLabel("Size", { exact: true }).selectOption({ label: "10½ points" });
  // Typed a moment before: what is carried over is what stands there, not what was saved last.
  await words.fill(`${LONG}And home.`);
  await page.getByRole("button", { name: "The rest on a second card" }).click();
  await expect(page.getByText(/^Fits, /)).toBeVisible();
  await saved(page);
  await expect(words).not.toHaveValue(/And home\./);
  const front = await words.inputValue();
  await page.getByRole("link", { name: "Next card" }).click();
  await expect(words).toHaveValue(/And home\.$/);
  expect(`${front} ${await words.inputValue()}`).toBe(`${LONG}And home.`);
  await page.getByRole("link", { name: "Card before" }).click();
  await expect(words).toHaveValue(front);
  await page.getByLabel("Lines", { exact: true }).selectOption({ label: "Both edges even" });
  await saved(page);
  const shown = await page
    .getByRole("img", { name: "The front of the card with its words, to scale" })
    .locator("text[font-family^=Alegreya]")
    .evaluateAll((all) =>
      all.map((each) => ({
        text: each.textContent ?? "",
        x: Number(each.getAttribute("x")),
        w: (each as SVGTextElement).getComputedTextLength(),
      })),
    );

  await page.getByRole("link", { name: "Print cards" }).click();
  await page
    .getByRole("checkbox", { name: /^4.*3 × 4/ })
    .nth(1)
    .uncheck();
  await page.getByLabel("Prints may lie on their side").uncheck();
  await page.getByRole("button", { name: "Make this sheet" }).click();
  await expect(page.getByText("Sheet 1 is made.")).toBeVisible();
  const pdf = page.waitForEvent("download");
  await page.getByRole("link", { name: "PDF of sheet 1" }).click();
  const printed = pdfWords(await (await pdf).path());
  const lies = (printed[0]?.x ?? 0) - (shown[0]?.x ?? 0);
  expect(shown.length).toBeGreaterThan(40);
  for (const [at, word] of shown.entries()) {
    expect(printed[at]?.text).toBe(word.text);
    expect(Math.abs((printed[at]?.x ?? 0) - lies - word.x), word.text).toBeLessThan(0.1);
    expect(Math.abs((printed[at]?.w ?? 0) - word.w), word.text).toBeLessThan(0.1);
  }
  await page.getByRole("link", { name: "Cut sheet 1" }).click();
  await expect(page.getByText("Cut 1 of")).toBeVisible();
  await page.getByRole("button", { name: "Cut. Next" }).click();
  await expect(page.getByText("Cut 2 of")).toBeVisible();
});

test("a word wider than its card does not count as fitting: it is told, made smaller, or broken", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("lanterns");
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  const verdict = page.getByRole("region", { name: "The card, to scale" }).getByRole("status");
  await expect(verdict).toContainText("Fits");
  await expect(page.getByLabel("Break a word that is wider than the card")).not.toBeChecked();
  await page.getByLabel("Words of the front").fill("lanterns".repeat(8));
  await expect(verdict).toContainText("“lanternslanternslant…” is wider than the card");
  await page.getByRole("button", { name: "Shrink to fit" }).click();
  await expect(verdict).toContainText("Fits");
  await page.getByLabel("Words of the front").fill("lanterns".repeat(40));
  await expect(verdict).toContainText("No size takes it whole.");
  await page.getByRole("button", { name: "Break it" }).click();
  await expect(verdict).toContainText("Fits");
  await page.goto(`${album}/words`);
  await expect(page.getByText(/^Fits/)).toBeVisible();
});

test("a private text is in nothing that leaves; words are found with accents aside; a carrier takes printed cards", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("The spyglass is in the café");
  await saved(page);
  await page.getByRole("link", { name: "Write it to its card" }).click();
  await page.getByText("Hidden and private").click();
  await page.getByLabel("Lies behind").fill("the flip");
  await page.getByLabel("Is this card private").selectOption("until");
  await page.getByLabel("This card is private until").fill("2040-12-25");
  await saved(page);
  await page.getByText("Margins, cut-off parts").click();
  await page.getByLabel("What the card is").selectOption({ label: "Card with its own print, on a carrier sheet" });
  await saved(page);

  const table = await page.request.get(`${album}/documents/day-plan/plan.csv`);
  expect(await table.text()).not.toContain("spyglass");
  await page.goto(`${album}/finish`);
  await expect(page.getByText("One private thing stays here and is in nothing below.")).toBeVisible();
  // A whole day is kept back for good, with everything on it: its title is in no table, its card no longer counted by itself.
  await page.goto(`${album}/days/2026-12-06`);
  await page.getByLabel("Title").fill("What was in the parcel");
  await page.getByLabel("Is this day private").selectOption("for-good");
  await expect(page.getByText(/^Private for good\. All of it: title, note, prompt/)).toBeVisible();
  await saved(page);
  const after = await (await page.request.get(`${album}/documents/day-plan/plan.csv`)).text();
  expect(after).not.toContain("parcel");
  expect(after).toContain("2026-12-06");
  await page.goto(`${album}/finish`);
  await expect(page.getByText("One private thing stays here and is in nothing below.")).toBeVisible();

  await openFind(page);
  await page.getByRole("combobox").fill("cafe spyglass");
  await expect(page.getByRole("option", { name: /The spyglass is in the café/ })).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Words of the front")).toHaveValue("The spyglass is in the café");

  await page.getByRole("link", { name: "Print cards" }).click();
  await expect(page.getByText("1 card on 1 carrier")).toBeVisible();
  const outlines = page.waitForEvent("download");
  await page.getByRole("link", { name: "The outlines" }).click();
  expect(pdfWords(await (await outlines).path()).map(({ text }) => text)).toEqual(["1"]);
  const words = page.waitForEvent("download");
  await page.getByRole("link", { name: "Words of the fronts" }).click();
  expect(
    pdfWords(await (await words).path())
      .map(({ text }) => text)
      .join(" "),
  ).toBe("The spyglass is in the café");
  await page.getByRole("button", { name: "It is printed" }).click();
  const had = page.getByRole("region", { name: "Words printed on their cards" });
  await expect(had.getByRole("listitem")).toHaveCount(1);
  await page.goto(`${album}/words`);
  await expect(page.getByText("Is on its card.")).toBeVisible();
  await page.goto(`${album}/card-sheets`);
  await had.getByRole("button", { name: /Not after all/ }).click();
  await expect(page.getByText("1 card on 1 carrier")).toBeVisible();
  await expect(had).toHaveCount(0);
});

test("a slip in the words is told, and left as it is once and for good; a sticker's words count as a card's do", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-06`);
  await addCard(page);
  await page.getByLabel("Words of card 1").fill("On the 3rd of December it froze.");
  await saved(page);
  await page.goto(`${album}/words`);
  const slips = page.getByRole("region", { name: "Mistakes to look at" }).getByRole("listitem");
  await expect(slips).toHaveText([/^6.*The words say 3rd of December, which is not this day\./]);
  await slips.getByRole("button", { name: /^Leave it so/ }).click();
  await expect(slips).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(slips).toHaveCount(0);
  await page.locator("#place").focus();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Taken back: slip in the words of 6 Dec left alone, or told again.")).toBeVisible();
  await expect(slips).toHaveCount(1);
});
