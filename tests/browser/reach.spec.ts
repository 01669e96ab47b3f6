import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo, PHONE } from "./keeper.ts";

const PLACES = ["month", "days/2026-12-09", "book", "photos", "who-goes-where", "sheets", "words", "prompts"].concat([
  ...[
    "card-sheets",
    "rhythm",
    "bulk",
    "seen-through",
    "bench",
    "bench/tabbed-pocket",
    "foundations",
    "pockets",
    "measure",
    "hands",
    "finish",
    "what-opens",
    "leaf-through",
    "years",
    "tallies",
    "share",
    "settings",
    "pace",
    "hours",
    "daylight",
    "drawer",
    "numbers",
  ],
]);

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}

/** Whatever the Tab key stops at. */
const stops = (page: Page) =>
  page
    .locator("a[href], button:enabled, input:enabled, select:enabled, textarea:enabled, [tabindex='0']")
    .filter({ visible: true })
    .evaluateAll((all) => all.filter((each) => (each as HTMLElement).tabIndex >= 0).length);

test("a day's page is no long way for the Tab key: what belongs together is one stop, with arrows within", async ({
  page,
}) => {
  await page.goto(`${await demoAlbum(page)}/days/2026-12-09`);
  expect(await stops(page)).toBeLessThanOrEqual(60);
  const days = page.getByRole("navigation", { name: "Days" });
  const own = days.locator('[aria-current="date"]');
  await own.focus();
  await page.keyboard.press("ArrowRight");
  await expect(days.locator('a[href$="2026-12-10"]')).toBeFocused();
  // An arrow within turns no day, and the next Tab leaves the group.
  await expect(page).toHaveURL(/2026-12-09$/);
  await page.keyboard.press("Tab");
  expect(await days.evaluate((nav) => nav.contains(document.activeElement))).toBe(false);
  await page.keyboard.press("Shift+Tab");
  await expect(days.locator('a[href$="2026-12-10"]')).toBeFocused();
  // A menu that a group opens has its arrows to itself.
  await page.locator(".mat-bar").getByRole("button", { name: "Print" }).first().click();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("menuitem", { name: "At true size, SVG" })).toBeFocused();
});

/** What is smaller than 24 px either way; links within a sentence aside (WCAG 2.2, success criterion 2.5.8). */
const tooSmall = (page: Page) =>
  page.locator("a[href], button, input:not([type=hidden]), select, textarea, summary").evaluateAll((all) =>
    all.flatMap((each) => {
      const box = each instanceof HTMLInputElement ? (each.closest("label") ?? each) : each;
      const { width, height } = box.getBoundingClientRect();
      const style = getComputedStyle(each);
      const words = (element: Element | null) => element?.textContent?.trim().length ?? 0;
      const isInSentence = style.display === "inline" && words(each.parentElement) > words(each);
      const isHidden = style.visibility === "hidden" || each.closest(".sr-only") !== null || width <= 1;
      if (isHidden || isInSentence || (width >= 23.5 && height >= 23.5)) return [];
      const name = each.getAttribute("aria-label") ?? each.textContent ?? "";
      return [`${name.trim().slice(0, 40)}: ${Math.round(width)} x ${Math.round(height)}`];
    }),
  );

for (const [name, size] of [
  ["on the laptop", {}],
  ["on the phone", PHONE],
] as const)
  test(`nothing to press is smaller than 24 px, ${name}`, async ({ openWindow }) => {
    const page = await openWindow(size);
    const album = await demoAlbum(page);
    for (const address of [
      ...PLACES.map((place) => `${album}/${place}`),
      ...["/shelf", "/today", "/tray", "/household"].map((at) => base() + at),
    ]) {
      await page.goto(address);
      expect.soft(await tooSmall(page), address).toEqual([]);
    }
  });
