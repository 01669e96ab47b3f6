import { mkdirSync } from "node:fs";
import path from "node:path";
import { type BrowserContextOptions, chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";

/**
 * Takes one picture of each main view from a running demo: `node --import tsx scripts/screenshots.ts [ADDRESS] [FOLDER] [NAME …]`.
 */
const [address = "http://127.0.0.1:4100", folder = "docs/screenshots", ...only] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });

const DESK: BrowserContextOptions = { viewport: { width: 1280, height: 800 }, colorScheme: "light" };
const NIGHT: BrowserContextOptions = { ...DESK, colorScheme: "dark" };
const PHONE: BrowserContextOptions = {
  viewport: { width: 390, height: 844 },
  deviceScaleFactor: 2,
  isMobile: true,
  hasTouch: true,
  colorScheme: "light",
};

const open = (title: string) => async (page: Page) => {
  await page
    .getByRole("link", { name: new RegExp(`^${title}|${title}`) })
    .first()
    .click();
  await page.waitForURL(/\/month/);
};
const lantern = open("Lantern Month");
const day = (date: string) => async (page: Page) => {
  await lantern(page);
  await page.goto(page.url().replace(/month.*/, `days/${date}`));
};
const place = (name: string) => async (page: Page) => {
  await lantern(page);
  await page.goto(page.url().replace(/month.*/, name));
};
const go = (to: string) => async (page: Page) => void (await page.goto(address + to));

const firstCrop = async (page: Page) => {
  await day("2026-12-09")(page);
  await page.getByRole("link", { name: "Crop photo 1" }).click();
  await page.waitForURL(/crops/);
};
const sheetsPlanned = async (page: Page) => {
  await place("sheets")(page);
  await page.getByRole("button", { name: /^Make th/ }).waitFor();
};
const cutting = async (page: Page) => {
  await place("sheets")(page);
  await page
    .getByRole("link", { name: /^Cut sheet/ })
    .first()
    .click();
  await page.waitForURL(/sheets\/./);
};

/** A print that three pictures share. */
const sharedPrint = async (page: Page) => {
  await firstCrop(page);
  const shared = page.getByRole("region", { name: "Pictures in this print" });
  await shared.locator("summary").click();
  for (const many of [2, 3]) {
    await shared
      .getByRole("button", { name: /into this print too$/ })
      .first()
      .click();
    await shared.getByText(`${many} pictures in this print`).waitFor();
  }
  await shared.getByRole("button", { name: "Crop picture 3" }).click();
  await shared.scrollIntoViewIfNeeded();
};

/** The card with its own print, words in its boxes. */
const printedCard = async (page: Page) => {
  await day("2026-12-14")(page);
  await page
    .getByRole("link", { name: /Write it to its card/ })
    .first()
    .click();
  await page.waitForURL(/cards/);
  for (const [at, words] of ["26 windows", "The tide bell", "Saffron loaf"].entries())
    await page.getByLabel(`Words of box ${at + 1}`, { exact: true }).fill(words);
  await page.getByText("What is printed on the card already").scrollIntoViewIfNeeded();
};

/** A card of a day as its words tray opens it. */
const card = (name: RegExp) => async (page: Page) => {
  await place("words")(page);
  await page.getByRole("link", { name }).first().click();
  await page.waitForURL(/cards\//);
  await page.getByText("Jotted on the day").waitFor();
  await page.waitForTimeout(300);
};
const titlePage = async (page: Page) => {
  await place("book")(page);
  // The strip comes to rest at today's leaf once the page runs.
  await page.waitForLoadState("networkidle");
  await page.getByRole("list", { name: "Leaves in order" }).getByRole("button").first().click();
  await page.getByRole("link", { name: "Work on the title page" }).click();
  await page.waitForURL(/pages\//);
};

const monthCalendar = async (page: Page) => {
  await place("known")(page);
  await page.getByRole("link", { name: "Look at it" }).click();
  await page.waitForURL(/pages\//);
};

const VIEWS: Record<string, { as: BrowserContextOptions; to: (page: Page) => Promise<void>; full?: boolean }> = {
  shelf: { as: DESK, to: async () => {} },
  "new-album": { as: DESK, to: go("/albums/new") },
  "new-album-book": {
    as: DESK,
    to: async (page) => {
      await go("/albums/new")(page);
      await page.getByRole("button", { name: "Next" }).click();
      await page.getByRole("button", { name: "Next" }).click();
    },
  },
  month: { as: DESK, to: lantern },
  "month-night": { as: NIGHT, to: lantern },
  "month-list": {
    as: DESK,
    to: async (page) => {
      await lantern(page);
      await page.getByRole("link", { name: "Show a list" }).click();
    },
  },
  words: { as: DESK, to: place("words") },
  "words-found": { as: DESK, to: place("words?q=lantern") },
  card: { as: DESK, to: printedCard },
  "card-typewriter": { as: DESK, to: card(/^Card 2 of 10/) },
  "card-stamped": { as: NIGHT, to: card(/^Card 3 of 10/) },
  "card-phone": { as: PHONE, to: card(/^Card 1 of 12/) },
  prompts: { as: DESK, to: place("prompts") },
  "prompts-phone": { as: PHONE, to: place("prompts") },
  hands: { as: DESK, to: place("hands") },
  "card-sheets": { as: DESK, to: place("card-sheets") },
  title: { as: DESK, to: titlePage },
  calendar: { as: DESK, to: monthCalendar },
  known: { as: DESK, to: place("known") },
  drawer: { as: DESK, to: place("drawer") },
  numbers: { as: DESK, to: place("numbers") },
  bulk: { as: DESK, to: place("bulk") },
  "seen-through": { as: DESK, to: place("seen-through") },
  bench: { as: DESK, to: place("bench") },
  folded: {
    as: NIGHT,
    to: async (page) => {
      await place("bench")(page);
      await page.getByRole("link", { name: /^The causeway song/ }).click();
      await page.getByRole("button", { name: "Unfolded", exact: true }).click();
      await page.waitForTimeout(500);
    },
  },
  steps: {
    as: PHONE,
    to: async (page) => {
      await place("bench")(page);
      await page.getByRole("link", { name: /^The causeway song/ }).click();
      await page.getByText(/^Step 3 of/).waitFor();
      await page.waitForTimeout(500);
    },
  },
  "paper-cutting": { as: DESK, to: place("paper-cutting") },
  "to-get": { as: DESK, to: place("to-get") },
  today: { as: PHONE, to: go("/today") },
  "today-night": { as: { ...PHONE, colorScheme: "dark" }, to: go("/today") },
  "words-phone": { as: PHONE, to: place("words") },
  day: { as: DESK, to: day("2026-12-09") },
  "day-night": { as: NIGHT, to: day("2026-12-04") },
  "day-phone": { as: PHONE, to: day("2026-12-09") },
  "month-phone": { as: PHONE, to: lantern },
  "shelf-phone": { as: PHONE, to: async () => {} },
  finish: { as: DESK, to: place("finish") },
  years: { as: DESK, to: place("years") },
  /** With an invitation that was made just now. */
  household: {
    as: DESK,
    to: async (page: Page) => {
      await go("/household")(page);
      await page.waitForLoadState("networkidle");
      await page.getByLabel("Whom").fill("Ilo");
      await page.getByRole("button", { name: "Make an invitation" }).click();
      await page.getByRole("textbox", { name: /Hand this address over/ }).waitFor();
    },
  },
  tallies: { as: DESK, to: place("tallies") },
  share: {
    as: DESK,
    to: async (page) => {
      await place("share")(page);
      await page.getByRole("button", { name: "Choose what goes out" }).click();
      await page.getByText("3 pieces on it").first().click();
    },
  },
  "what-opens": { as: DESK, to: place("what-opens") },
  "leaf-through": {
    as: NIGHT,
    to: async (page) => {
      await place("leaf-through")(page);
      // A key that is pressed before the page runs turns nothing.
      await page.waitForLoadState("networkidle");
      for (let turned = 0; turned < 3; turned++) await page.keyboard.press("ArrowRight");
      await page.waitForLoadState("networkidle");
      await page.waitForTimeout(500);
    },
  },
  pace: {
    as: DESK,
    to: async (page) => {
      await place("pace")(page);
      await page.getByText("Over the calendar", { exact: true }).click();
      await page.locator(".recharts-surface").waitFor();
      await page.waitForTimeout(1500);
    },
  },
  settings: { as: DESK, to: place("settings") },
  "day-cider": {
    as: DESK,
    to: async (page) => {
      await open("Cider Month")(page);
      await page.goto(page.url().replace(/month.*/, "days/2026-10-02"));
    },
  },
  "day-tides": {
    as: DESK,
    to: async (page) => {
      await open("Twelve Tides")(page);
      await page.goto(page.url().replace(/month.*/, "days/2026-12-30"));
    },
  },
  "day-empty": { as: DESK, to: day("2026-12-29") },
  "day-parade": { as: DESK, to: day("2026-12-12") },
  "day-shared": { as: DESK, to: day("2026-12-13") },
  tray: { as: DESK, to: go("/tray") },
  book: { as: DESK, to: place("book") },
  "book-night": { as: NIGHT, to: place("book") },
  "book-phone": { as: PHONE, to: place("book") },
  "try-outs": {
    as: DESK,
    to: async (page) => {
      await day("2026-12-12")(page);
      await page.getByRole("link", { name: "1 try-out waits" }).click();
      await page.waitForURL(/leaves/);
    },
  },
  roll: { as: DESK, to: place("photos") },
  "roll-chosen": {
    as: DESK,
    to: async (page) => {
      await place("photos")(page);
      await page.locator("[data-photo]").nth(7).click();
    },
  },
  "roll-night": { as: NIGHT, to: place("photos") },
  "roll-phone": { as: PHONE, to: place("photos") },
  "who-goes-where": { as: DESK, to: place("who-goes-where") },
  "who-phone": { as: PHONE, to: place("who-goes-where") },
  crop: { as: DESK, to: sharedPrint },
  "crop-phone": { as: PHONE, to: firstCrop },
  "crop-quiet": {
    as: DESK,
    to: async (page) => {
      await firstCrop(page);
      await page.getByLabel("Where would this read well?").selectOption("0");
    },
  },
  sheets: { as: DESK, to: sheetsPlanned },
  "sheets-phone": { as: PHONE, to: sheetsPlanned },
  cutting: { as: DESK, to: cutting },
  "cutting-night": { as: NIGHT, to: cutting },
  "cutting-phone": { as: PHONE, to: cutting },
  "sheets-tides": {
    as: DESK,
    to: async (page) => {
      await open("Twelve Tides")(page);
      await page.goto(page.url().replace(/month.*/, "sheets"));
    },
  },
  rhythm: { as: DESK, to: place("rhythm") },
  foundations: { as: DESK, to: place("foundations") },
  pockets: { as: DESK, to: place("pockets") },
  measure: { as: DESK, to: place("measure") },
  "measure-tides": {
    as: DESK,
    to: async (page) => {
      await open("Twelve Tides")(page);
      await page.goto(page.url().replace(/month.*/, "measure"));
    },
  },
};

const browser = await chromium.launch(CHROMIUM);
for (const [name, { as, to }] of Object.entries(VIEWS)) {
  if (only.length > 0 && !only.includes(name)) continue;
  const context = await browser.newContext({ ...as, locale: "en-GB", timezoneId: "Europe/London" });
  const page = await context.newPage();
  const troubles: string[] = [];
  page.on("console", (message) => message.type() === "error" && troubles.push(message.text()));
  page.on("pageerror", (error) => troubles.push(String(error)));
  await page.goto(`${address}/sign-in`);
  if (name === "door") continue;
  await page.getByRole("button", { name: /demo household/ }).click();
  await page.waitForURL(/\/shelf/);
  await to(page);
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  if (troubles.length > 0) process.stdout.write(`${name}: ${[...new Set(troubles)].join("\n  ").slice(0, 1500)}\n`);
  await context.close();
}
await browser.close();
