import axe, { type RunOptions } from "axe-core";
import { type BrowserContextOptions, expect, type OpenWindow, type Page, test } from "./browser-test.ts";
import { base, enterDemo, newDecember, newKeeper, PHONE } from "./keeper.ts";

/** Every place, from the demo. */
async function places(page: Page): Promise<string[]> {
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  const album = `${base()}${href?.replace("/month", "")}`;
  const own = [
    "/month?as=dial",
    "/month?as=table",
    "/days/2026-12-09",
    "/days/2026-12-13",
    "/days/2026-12-20",
    "/days/2026-12-29",
    "/photos",
    "/who-goes-where",
    "/sheets",
    "/words",
    "/words?q=lantern",
    "/prompts",
    "/card-sheets",
    "/hands",
    "/drawer",
    "/numbers",
    "/book",
    "/rhythm",
    "/foundations",
    "/pockets",
    "/measure",
    "/finish",
    "/settings",
  ].map((place) => album + place);
  const firstLink = async (from: string, link: RegExp) =>
    base() + (link.exec(await (await page.request.get(album + from)).text())?.[0] ?? "/not-there");
  own.push(await firstLink("/days/2026-12-09", /\/albums\/[0-9a-f-]{36}\/crops\/[0-9a-f-]{36}/));
  own.push(await firstLink("/sheets", /\/albums\/[0-9a-f-]{36}\/sheets\/[0-9a-f-]{36}/));
  own.push(await firstLink("/words", /\/albums\/[0-9a-f-]{36}\/cards\/[0-9a-f-]{36}/));
  return [
    ...["/shelf", "/albums/new", "/albums/read", "/tray", "/household", "/today"].map((place) => base() + place),
    ...own,
  ];
}

const SCREENS: Readonly<Record<string, BrowserContextOptions>> = {
  "laptop, by day and by night,": {},
  phone: PHONE,
};
const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];

/**
 * What axe has against a page: every rule by day, and by night those of colour, which alone change with the look. Colours
 * are the same on every screen, so that they are looked at on one of them, which is the one that is seen by night too.
 */
async function found(page: Page, atNight: boolean): Promise<string[]> {
  await page.evaluate(axe.source);
  // Without a path to each thing that is looked at, and without a list of all that is well: both only take time.
  const lean = { resultTypes: ["violations"], selectors: false } satisfies RunOptions;
  const against = (options: RunOptions) =>
    page.evaluate(async (chosen) => {
      const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(chosen);
      return violations.map(({ id, nodes }) => `${location} ${id}: ${nodes.map(({ html }) => html).join(" | ")}`);
    }, options);
  const colours = { "color-contrast": { enabled: atNight } };
  const day = await against({ ...lean, runOnly: { type: "tag", values: RULES }, rules: colours });
  if (!atNight) return day;
  await page.evaluate(() => document.documentElement.setAttribute("data-look", "night"));
  return [...day, ...(await against({ ...lean, runOnly: { type: "rule", values: ["color-contrast"] } }))];
}

/** Goes through these of the places on one screen; returns what axe and the browser have against them. */
async function faults(openWindow: OpenWindow, options: BrowserContextOptions, part: number): Promise<string[]> {
  const page = await openWindow(options);
  const against: string[] = [];
  page.on("console", (message) => message.type() === "error" && against.push(message.text()));
  page.on("pageerror", (error) => against.push(error.message));
  const look = async (place: string) => {
    await page.goto(place, { waitUntil: "networkidle" });
    against.push(...(await found(page, !options.isMobile)));
    const sideways = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    if (sideways > 0) against.push(`${place} scrolls sideways`);
    // On a laptop the parts of an album's place scroll by themselves, and nothing of it moves out of the window.
    const down = await page.evaluate(() => document.documentElement.scrollHeight - innerHeight);
    if (down > 0 && !options.isMobile && /albums\/[0-9a-f]/.test(place)) against.push(`${place} scrolls as a whole`);
  };
  if (part === 0) for (const path of ["/sign-in", "/sign-up"]) await look(base() + path);
  await enterDemo(page);
  const all = await places(page);
  expect(all.length).toBeGreaterThan(25);
  for (const place of all.filter((_, at) => at % PARTS === part)) await look(place);
  return against;
}

/** The places are gone through in so many parts, side by side. */
const PARTS = 3;
for (const [screen, options] of Object.entries(SCREENS))
  for (let part = 0; part < PARTS; part++)
    test(`on a ${screen} axe finds nothing on any place, none scrolls out of the window, and none complains: part ${part + 1} of ${PARTS}`, async ({
      openWindow,
    }) => {
      test.setTimeout(120_000);
      expect(await faults(openWindow, options, part)).toEqual([]);
    });

test("with the keyboard alone: into the demo, through the month to a day, a tick, and back", async ({ page }) => {
  const tabTo = async (name: string | RegExp) => {
    for (let step = 0; step < 90; step++) {
      await page.keyboard.press("Tab");
      const said = await page.evaluate(() => {
        const at = document.activeElement;
        return at && at !== document.body
          ? `${at.getAttribute("aria-label") ?? ""} ${at.getAttribute("title") ?? ""} ${at.textContent ?? ""} ${at.closest("label")?.textContent ?? ""}`
          : "";
      });
      if (typeof name === "string" ? said.includes(name) : name.test(said)) return;
    }
    throw new Error(`Tab never reached ${name}`);
  };
  await page.goto(`${base()}/sign-in`);
  await tabTo("Look round the demo");
  await page.keyboard.press("Enter");
  await page.waitForURL(/shelf/);
  await tabTo(/Lantern Month/);
  await page.keyboard.press("Enter");
  await page.waitForURL(/month/);
  await tabTo("The month as a dial");
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("region", { name: "The chosen day" }).getByRole("heading")).toHaveText(
    "First frost on the nets",
  );
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("Enter");
  await page.waitForURL(/days\/2026-12-02/);
  await page.locator("#place").focus();
  await page.keyboard.press("ArrowRight");
  await page.waitForURL(/days\/2026-12-03/);
  await page.keyboard.press("ArrowLeft");
  await page.waitForURL(/days\/2026-12-02/);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  // The steps are one stop, with arrows within.
  await tabTo("Photos chosen");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByLabel("Trimmed")).toBeFocused();
  await expect(page.getByLabel("Trimmed")).toBeChecked();
  await page.keyboard.press("Space");
  await expect(page.getByLabel("Trimmed")).not.toBeChecked();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.locator("#place").focus();
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByLabel("Trimmed")).toBeChecked();
});

test("a wedge under the pointer is the day that opens", async ({ page }) => {
  await enterDemo(page);
  await page.getByRole("link", { name: /Lantern Month/ }).click();
  await page.waitForURL(/month/);
  const dial = page.getByRole("listbox").locator("svg");
  const box = await dial.boundingBox();
  if (!box) throw new Error("no dial");
  // Of 31 dates round from the top, the middle of the fourth lies at three and a half thirty-firsts of a turn.
  const angle = (3.5 / 31) * 2 * Math.PI;
  const radius = box.width * 0.3;
  await page.mouse.click(
    box.x + box.width / 2 + Math.sin(angle) * radius,
    box.y + box.height / 2 - Math.cos(angle) * radius,
  );
  await expect(page.getByRole("region", { name: "The chosen day" }).getByRole("heading")).toHaveText("Saffron Friday");
  await page.getByRole("link", { name: "Show a list" }).click();
  await expect(page.getByRole("row", { name: /Saffron Friday/ })).toBeVisible();
  await page.getByRole("link", { name: "90 min" }).click();
  await expect(page).toHaveURL(/minutes=90/);
});

test("the look turns to night and stays", async ({ page }) => {
  await enterDemo(page);
  await page.getByRole("button", { name: "Night look" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-look", "night");
  await page.goto(`${base()}/albums/new`);
  await expect(page.locator("html")).toHaveAttribute("data-look", "night");
});

test("the household's clock is changed in the settings, and taken back", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/settings`);
  const clock = page.getByLabel("The household’s clock");
  await expect(clock).toHaveValue("Europe/London");
  await clock.selectOption("Pacific/Kiritimati");
  await page.getByRole("button", { name: "Go by this clock" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.reload();
  await expect(clock).toHaveValue("Pacific/Kiritimati");
  await page.getByRole("button", { name: "Take back" }).click();
  // A page loaded anew before this is said would take the press with it.
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await page.reload();
  await expect(clock).toHaveValue("Europe/London");
});
