import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo, newDecember, newKeeper, newMonth, PHONE } from "./keeper.ts";

async function demoAlbum(page: Page): Promise<string> {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  return `${base()}${href?.replace("/month", "")}`;
}
const finish = (page: Page) => page.getByText("Even odds", { exact: true }).locator("xpath=following-sibling::dd");

test("hours are said in a few presses, tonight goes by them, and the finish moves with them", async ({ page }) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/pace`);
  await expect(finish(page)).toContainText(/\d+ \w{3}/);
  await expect(page.getByText("This knows little of you yet")).toBeVisible();
  const before = await finish(page).textContent();
  await page.getByRole("link", { name: "Say when you have time" }).first().click();
  for (const day of ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday"])
    await page.getByLabel(`Minutes on ${day}s`).fill("5");
  // What is no number of minutes is not taken, and stays to be mended.
  await page.getByLabel("Minutes on Sundays").fill("5000");
  await page.getByLabel("Minutes on Sundays").blur();
  await expect(page.getByLabel("Minutes on Sundays")).toHaveValue("90");
  await page.getByLabel("From", { exact: true }).fill("2026-12-24");
  await page.getByLabel("To, if several").fill("2026-12-26");
  await page.getByLabel("Why, for yourself").fill("The feast");
  await page.getByRole("button", { name: "Add it" }).click();
  await page.getByRole("button", { name: "Save these hours" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Saved." })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Minutes on Fridays")).toHaveValue("5");
  await expect(page.getByText("24 Dec to 26 Dec: no time, The feast")).toBeVisible();
  await page.getByRole("link", { name: "When it is done" }).click();
  await expect(finish(page)).toContainText(/\d+ \w{3}/);
  expect(await finish(page).textContent()).not.toBe(before);
  // A day that is wished for is answered, and one that is over is told so.
  await page.getByLabel("A day it is wished for").fill("2029-01-01");
  await expect(page.getByText("as good as certain")).toBeVisible();
  await page.getByLabel("A day it is wished for").fill("2020-01-01");
  await expect(page.getByText("That day is over.")).toBeVisible();
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: hours/)).toBeVisible();
});

test("saved in a second window over what the first read, hours are refused and nothing typed is lost", async ({
  page,
  openWindow,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/hours`);
  const second = await openWindow({});
  await second.context().addCookies(await page.context().cookies());
  await second.goto(`${album}/hours`);
  await second.getByLabel("Minutes on Mondays").fill("11");
  await second.getByRole("button", { name: "Save these hours" }).click();
  await expect(second.getByRole("status").filter({ hasText: "Saved." })).toBeVisible();
  await page.getByLabel("Minutes on Mondays").fill("22");
  await page.getByRole("button", { name: "Save these hours" }).click();
  await expect(page.getByText(/changed in another window/)).toBeVisible();
  await expect(page.getByLabel("Minutes on Mondays")).toHaveValue("22");
  await page.getByRole("button", { name: "Save these hours" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Saved." })).toBeVisible();
  await expect(page.getByLabel("Minutes on Mondays")).toHaveValue("22");
  // Taken back, the others stand in the form again.
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByLabel("Minutes on Mondays")).toHaveValue("11");
});

test("tonight is done from a phone: ticked where it stands, with a timer beside it", async ({ openWindow }) => {
  const page = await openWindow(PHONE);
  const album = await demoAlbum(page);
  await page.goto(`${album}/pace?minutes=200`);
  await page.getByRole("button", { name: "Begin a sitting" }).click();
  await expect(page.getByText(/A sitting is under way/)).toBeVisible();
  const lines = page.getByRole("list", { name: "What to do tonight" }).getByRole("listitem");
  const count = await lines.count();
  expect(count).toBeGreaterThan(3);
  const first = lines.first().getByRole("checkbox");
  await first.check();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  // It stays where it is, so that a wrong tap can be taken off again.
  await expect(lines).toHaveCount(count);
  await expect(first).toBeChecked();
  await first.uncheck();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await first.check();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  const name = (await first.getAttribute("aria-label")) ?? "";
  await page.getByRole("button", { name: "Plan the rest anew" }).click();
  await expect(page.getByRole("checkbox", { name, exact: true })).toHaveCount(0);
  // As it was: the demo is others' too.
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("button", { name: "Take back the last change" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByRole("checkbox", { name, exact: true })).toHaveCount(1);
  await page.getByRole("button", { name: "Do not count it" }).click();
  await expect(page.getByRole("button", { name: "Begin a sitting" })).toBeVisible();
  await page.getByRole("spinbutton", { name: "Other minutes" }).fill("1");
  await page.getByRole("spinbutton", { name: "Other minutes" }).press("Enter");
  await expect(page.getByText("Nothing that fits is waiting.")).toBeVisible();
  await expect(page.getByText("What helps later:")).toBeVisible();
});

test("a page made wet is left alone until it is dry, tonight and on its day", async ({ page }) => {
  await newKeeper(page);
  const album = await newMonth(page, "2026-10");
  await page.goto(`${album}/days/2026-10-05`);
  await page.getByLabel("Foundation page").selectOption({ label: "Paper" });
  await expect(page.getByRole("checkbox", { name: "Base made" })).toBeVisible();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.goto(`${album}/pace?minutes=200`);
  const tonight = page.getByRole("list", { name: "What to do tonight" });
  await expect(tonight.getByText("Put the number on")).toBeVisible();
  await tonight.getByRole("checkbox", { name: /^Make the base/ }).check();
  await page.getByRole("button", { name: "Let it dry overnight" }).click();
  await expect(page.getByText(/^5 dries: nothing goes on it before /)).toBeVisible();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Plan the rest anew" }).click();
  await expect(page.getByText("Nothing that fits is waiting.")).toBeVisible();
  await page.goto(`${album}/days/2026-10-05`);
  await expect(page.getByText(/^Dries: nothing goes on it before /)).toBeVisible();
  await page.getByRole("button", { name: "It is dry" }).click();
  await expect(page.getByRole("button", { name: "Let it dry overnight" })).toBeVisible();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.goto(`${album}/pace?minutes=200`);
  await expect(tonight.getByText("Put the number on")).toBeVisible();
});

test("daylight is told for each day, of a place typed or pressed on the grid, and of the far north as such", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/daylight`);
  await expect(page.getByText("Say where you live on the globe")).toBeVisible();
  const save = page.getByRole("button", { name: "Save the place" });
  await page.getByLabel("Latitude, north").fill("95");
  await page.getByLabel("Longitude, east").fill("0");
  await save.click();
  await expect(page.getByText(/Latitude goes from/)).toBeVisible();
  await expect(page.getByLabel("Latitude, north")).toHaveValue("95");
  await page.getByRole("img", { name: /The globe as a grid/ }).click({ position: { x: 180, y: 30 } });
  await expect(page.getByLabel("Latitude, north")).toHaveValue(/^5\d(\.\d)?$/);
  await save.click();
  const rows = page.getByRole("list", { name: "Daylight of each day" }).getByRole("listitem");
  await expect(rows).toHaveCount(31);
  await expect(rows.first()).toContainText(/\d\d:\d\d to \d\d:\d\d/);
  await page.getByLabel("Latitude, north").fill("−78,2");
  await save.click();
  await expect(rows.first()).toContainText("The sun does not set.");
  await page.getByLabel("Latitude, north").fill("80");
  await save.click();
  await expect(rows.first()).toContainText("The sun does not rise");
  await page.getByRole("button", { name: "Forget it" }).click();
  await expect(page.getByText("Say where you live on the globe")).toBeVisible();
});

test("the demo's finish stands on evenings really kept, and its tonight names a page that is done with it", async ({
  page,
}) => {
  const album = await demoAlbum(page);
  await page.evaluate(() => localStorage.removeItem("hearth-opened:over-the-calendar"));
  await page.goto(`${album}/pace`);
  await expect(page.getByText(/Something was done on 2 of 8 evenings with time so far/)).toBeVisible();
  await expect(page.getByText(/in the book/).first()).toBeVisible();
  // The chart comes when it is opened, and stays open on this device.
  await expect(page.locator(".recharts-surface")).toHaveCount(0);
  await page.getByText("Over the calendar", { exact: true }).click();
  await expect(page.locator(".recharts-surface")).toBeVisible();
  await page.reload();
  await expect(page.locator(".recharts-surface")).toBeVisible();
});

test("a way to make it less is taken and taken back, and what is answered with “No” is not asked again", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/pace`);
  const ways = page.getByRole("list", { name: "Ways to make it less" }).getByRole("listitem");
  const share = ways.filter({ hasText: "share a page" });
  await expect(share.first()).toContainText(/\d+ min less, (done|nine in ten) \d+ days? sooner/);
  const first = (await share.first().textContent()) ?? "";
  const dates = /(\d+) Dec and (\d+) Dec/.exec(first);
  await share
    .first()
    .getByRole("button", { name: /^Do it/ })
    .click();
  await expect(page.getByText("of 30 pages in the book")).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Days" }).getByRole("link")).toHaveCount(30);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  await expect(page.getByText("of 31 pages in the book")).toBeVisible();
  await page.reload();
  const again = ways.filter({ hasText: `${dates?.[1]} Dec and ${dates?.[2]} Dec share a page` });
  await again.getByRole("button", { name: /^No/ }).click();
  await expect(again).toHaveCount(0);
  await expect(share.first()).toBeVisible();
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  await page.reload();
  await expect(share.first()).toBeVisible();
  await expect(again).toHaveCount(0);
});

test("the album's days leave as a calendar file, the evenings with what to do, and nothing of a private day", async ({
  page,
}) => {
  const album = await demoAlbum(page);
  await page.goto(`${album}/finish`);
  const saved = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save the calendar" }).click();
  expect((await saved).suggestedFilename()).toBe("Lantern-Month.ics");
  const days = await (await page.request.get(`${album}/documents/calendar/days.ics`)).text();
  // 31 days, of which one is skipped and two share a page.
  expect(days.match(/BEGIN:VEVENT/g)).toHaveLength(29);
  expect(days).toContain("SUMMARY:Lantern Month 9: Counting lit windows");
  const evenings = await (await page.request.get(`${album}/documents/calendar/evenings.ics`)).text();
  expect(evenings.match(/BEGIN:VEVENT/g)).toHaveLength(7);
  // The parade on the twelfth takes its evening.
  expect(evenings).not.toContain("DTSTART;VALUE=DATE:20261212");
  expect(evenings.replaceAll("\r\n ", "")).toMatch(/DESCRIPTION:8: print\\, trim the prints/);
});

test("minutes said by hand are saved, forgotten, and take no hours with them that are being typed", async ({
  page,
}) => {
  await newKeeper(page);
  await page.goto(`${await newDecember(page)}/hours`);
  await page.getByLabel("Minutes on Mondays").fill("33");
  const byHand = page.getByLabel("Write the words, minutes by hand");
  await byHand.fill("7");
  await page.getByRole("button", { name: "Save these minutes" }).click();
  const row = page.getByRole("row", { name: /^Write the words/ });
  await expect(row).toContainText("said by hand");
  await expect(page.getByLabel("Minutes on Mondays")).toHaveValue("33");
  await page.getByRole("button", { name: "Forget what was learned" }).click();
  await expect(row).toContainText("typical");
  await expect(byHand).toHaveValue("");
  await expect(page.getByLabel("Minutes on Mondays")).toHaveValue("33");
});
