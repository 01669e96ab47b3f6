import { expect, type Locator, type Page, test } from "./browser-test.ts";
import { addCard, newDecember, newKeeper, PHONE, saved } from "./keeper.ts";

const mat = (page: Page) => page.getByRole("region", { name: "The mat" });
const board = (page: Page, at: number) => mat(page).locator("[data-board]").nth(at);

/** A new December whose day 4 is a spread: the back of day 3's leaf against the front of its own. */
async function aSpread(page: Page): Promise<string> {
  const album = await newDecember(page);
  for (const date of ["2026-12-03", "2026-12-04"]) {
    await page.goto(`${album}/days/${date}`);
    await page.getByLabel("Foundation page").selectOption("full");
    await expect(mat(page).getByRole("button", { name: /^Number/ })).toHaveCount(1);
    await saved(page);
  }
  await page.goto(`${album}/book`);
  await page.getByRole("list", { name: "Leaves in order" }).getByRole("button").first().click();
  await page.getByLabel("Back belongs to").selectOption({ label: "4" });
  await saved(page);
  await page.goto(`${album}/days/2026-12-04`);
  await expect(mat(page).locator("[data-board]")).toHaveCount(2);
  return album;
}

/** How a hand does it: by pointer, by finger, or by keys alone. */
const HANDS = {
  mouse: (what: Locator) => what.click(),
  touch: (what: Locator) => what.tap(),
  keyboard: async (what: Locator) => {
    await what.focus();
    await what.press("Enter");
  },
};

for (const [hand, press] of Object.entries(HANDS))
  test(`a day on a spread, by ${hand}: its own faces up, a card put on, and its number compared in two styles`, async ({
    openWindow,
  }) => {
    const page = await openWindow(hand === "touch" ? { ...PHONE, serviceWorkers: "block" } : {});
    await newKeeper(page);
    await aSpread(page);
    // The back of the one leaf and the front of the other, each said which it is.
    const leaves = page.getByRole("group", { name: "Leaves on the mat" }).getByRole("button");
    await expect(leaves).toHaveText([
      "All",
      "Page 4, full page, 1 of 2. 6 × 8, back",
      "Page 4, full page, 2 of 2. 6 × 8",
    ]);
    // What is added lies on its first page by the first dry fit; taken off, it goes where there is room: on the other leaf.
    await addCard(page);
    const card = mat(page).getByRole("button", { name: /^Card 3 × 4\. / });
    await (hand === "keyboard" ? card.focus() : press(card));
    await press(mat(page).getByRole("button", { name: "Take off" }));
    const beside = mat(page).getByRole("button", { name: /^Card 3 × 4, beside the page/ });
    await press(beside);
    if (hand !== "keyboard") await press(mat(page).getByRole("button", { name: "Put it on" }));
    await expect(card).toHaveCount(1);
    const [lies, onto] = [await card.boundingBox(), await board(page, 0).boundingBox()];
    expect(lies && onto && lies.x + lies.width < onto.x + onto.width).toBe(true);
    await saved(page);

    // Its number, printed as the day says, against one of wood.
    await page.keyboard.press("Escape");
    const number = mat(page).getByRole("button", { name: /^Number/ });
    if (hand === "keyboard") await number.focus();
    else await press(number);
    await mat(page).getByLabel("What the number is made of").selectOption("printed");
    await saved(page);
    // From a piece Escape leads to the side it lies on; a hand chooses the leaf.
    if (hand === "keyboard") {
      await number.focus();
      await page.keyboard.press("Escape");
    } else await press(leaves.nth(2));
    await press(mat(page).getByRole("button", { name: "Try another" }));
    await page.waitForURL(/leaves\//);
    const other = page.getByRole("region", { name: "Arrangement B" });
    const tried = other.getByRole("button", { name: /^Number/ });
    if (hand === "keyboard") await tried.focus();
    else await press(tried);
    await other.getByLabel("What the number is made of").selectOption("wood");
    await saved(page);
    await expect(
      page.getByRole("region", { name: "Arrangement A" }).getByRole("button", { name: /^Number/ }),
    ).toBeVisible();
    await press(page.getByRole("button", { name: "Keep B" }));
    await expect(other).toHaveCount(0);
    await saved(page);
    await press(page.getByRole("link", { name: "Back to the day" }));
    await number.focus();
    await expect(mat(page).getByLabel("What the number is made of")).toHaveValue("wood");
  });
