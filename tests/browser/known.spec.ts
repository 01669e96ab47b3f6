import { writeFileSync } from "node:fs";
import { pdfWords } from "../pdf-words.ts";
import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo, newDecember, newKeeper, PHONE, saved } from "./keeper.ts";

const event = (uid: string, title: string, ...lines: string[]) => [
  ...["BEGIN:VEVENT", `UID:${uid}`, `SUMMARY:${title}`],
  ...lines,
  "END:VEVENT",
];
const calendar = (...lines: string[]) => ({
  name: "family.ics",
  mimeType: "text/calendar",
  buffer: Buffer.from(
    ["BEGIN:VCALENDAR", "VERSION:2.0", "X-WR-CALNAME:Family", ...lines, "END:VCALENDAR", ""].join("\r\n"),
  ),
});
const PARADE = event("parade", "Lamp parade", "DTSTART:20261212T170000", "DURATION:PT2H");
const CHOIR = event("choir", "Choir", "DTSTART;VALUE=DATE:20261203", "RRULE:FREQ=WEEKLY;COUNT=2");

async function read(page: Page, file: ReturnType<typeof calendar>): Promise<void> {
  await page.getByLabel("An .ics file, as calendars save them").setInputFiles(file);
  await page.getByRole("button", { name: "Read it" }).click();
}
const of = (page: Page, what: string, title: string) =>
  page.getByRole("button", { name: new RegExp(`^${what} ?: ${title}$`) });
const days = (page: Page) => page.getByRole("list", { name: "What is known, day by day" });

test("a calendar read twice doubles nothing and tells what moved; what is known becomes note, prompt and full evening", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/known`);
  await expect(page.getByText("Nothing yet.")).toBeVisible();
  // What is no calendar is told so, and nothing is lost by it.
  await read(page, { ...calendar(), buffer: Buffer.from("Dear all, the parade is on Saturday") });
  await expect(page.getByRole("alert")).toContainText("That file is no calendar");
  await read(page, calendar(...PARADE, ...CHOIR));
  await expect(page.getByRole("status").filter({ hasText: "Family: 3 new" })).toBeVisible();
  await expect(days(page).getByText("Choir", { exact: true })).toHaveCount(2);
  await read(page, calendar(...PARADE, ...CHOIR));
  await expect(page.getByText("Nothing has changed in Family: 3 events as before.")).toBeVisible();
  await expect(days(page).getByText("Lamp parade", { exact: true })).toHaveCount(1);

  for (const name of ["Note", "Prompt", "Evening full"]) {
    await of(page, name, "Lamp parade").click();
    await expect(of(page, name, "Lamp parade")).toHaveAttribute("aria-pressed", "true");
  }
  // The day itself says what is known of it, and leads here.
  await page.goto(`${album}/days/2026-12-12`);
  await expect(page.getByText("Known ahead: Lamp parade, 17:00.")).toBeVisible();
  await page.getByRole("link", { name: "Make something of it" }).click();
  const moved = event("parade", "Lamp parade", "DTSTART:20261213T180000", "DURATION:PT2H");
  await read(page, calendar(...moved));
  await expect(page.getByText("Lamp parade: 12 Dec 17:00 became 13 Dec 18:00")).toBeVisible();
  await expect(page.getByText("2 no longer in it")).toBeVisible();
  // What was taken over stays where it is.
  await page.goto(`${album}/days/2026-12-12`);
  await expect(page.getByRole("textbox", { name: "Prompt" }).first()).toHaveValue("Lamp parade, 17:00");
  await page.goto(`${album}/hours`);
  await expect(page.getByText("12 Dec: no time, Lamp parade")).toBeVisible();
});

test("the month calendar page is printed at its true size with what was put onto it", async ({ page }, info) => {
  await enterDemo(page);
  const month = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  await page.goto(`${base()}${month?.replace("/month", "/known")}`);
  await page.getByRole("link", { name: "Look at it" }).click();
  await page.getByRole("button", { name: "Print", exact: true }).click();
  const [href] = await page
    .locator('a[href*="/documents/page/"]')
    .evaluateAll((links) => links.map((link) => link.getAttribute("href") ?? ""));
  const file = info.outputPath("month.pdf");
  writeFileSync(file, await (await page.request.get(`${base()}${href}`)).body());
  // Another program reads it (Poppler): each date once, what is known on its day, and seven columns of the same width.
  const words = pdfWords(file);
  const said = words.map(({ text }) => text);
  const dates = said.slice(0, said.indexOf("31") + 1);
  for (let date = 1; date <= 31; date++) expect(dates.filter((text) => text === String(date))).toHaveLength(1);
  expect(said.join(" ")).toContain("The lantern parade");
  const at = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"].map(
    (day) => words.find(({ text }) => text === day)?.x ?? 0,
  );
  // A page of 6 inches with a twentieth of it free on either side: 137.16 mm for seven days.
  for (const [day, x] of at.slice(1).entries()) expect(x - (at[day] ?? 0)).toBeCloseTo(137.16 / 7, 1);
});

test("what stands in a month calendar's squares is chosen, taken back, and read to whoever does not see them", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByRole("textbox", { name: /title/i }).first().fill("First frost");
  await saved(page);
  await page.goto(`${album}/book`);
  await page.getByRole("button", { name: "Add a title page" }).click();
  await page.getByLabel("Front belongs to").selectOption({ label: "Month calendar" });
  await saved(page);
  await page.getByRole("link", { name: /^Work on the month calendar/ }).click();
  const squares = page.getByRole("list", { name: "In the squares" }).getByRole("listitem");
  await expect(squares).toHaveText(["Sat 5 Dec: First frost"]);
  const kind = page.getByLabel("In its squares");
  await kind.selectOption({ label: "numbers and room to write" });
  await saved(page);
  await expect(squares).toHaveCount(0);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(kind.locator("option:checked")).toHaveText("titles and what is known");
  await expect(squares).toHaveCount(1);
  // What is chosen next goes by what is there now.
  await page.getByLabel("Weeks begin on").selectOption({ label: "Sunday" });
  await saved(page);
  await page.reload();
  await expect(kind.locator("option:checked")).toHaveText("titles and what is known");
  await expect(page.getByLabel("Weeks begin on").locator("option:checked")).toHaveText("Sunday");
});

test("on a phone, what no calendar has is added, and an evening is full and free again", async ({ openWindow }) => {
  const page = await openWindow(PHONE);
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/known`);
  await page.getByLabel("What it is").fill("Gran comes");
  await page.getByLabel("Its day").fill("2026-12-20");
  await page.getByRole("button", { name: "Add it" }).click();
  const full = of(page, "Evening full", "Gran comes");
  await full.click();
  await expect(full).toHaveAttribute("aria-pressed", "true");
  await full.click();
  await expect(full).toHaveAttribute("aria-pressed", "false");
  await of(page, "Take out", "Gran comes").click();
  await expect(page.getByText("Nothing yet.")).toBeVisible();
});

test("a calendar fetches the days by a private address, until it is closed; nothing private is in it", async ({
  page,
}) => {
  await newKeeper(page);
  const album = await newDecember(page);
  await page.goto(`${album}/days/2026-12-05`);
  await page.getByRole("textbox", { name: /title/i }).first().fill("First frost");
  await page.getByRole("textbox", { name: "Prompt" }).first().fill("What the nets looked like");
  await expect(page.getByText("Not saved yet")).toHaveCount(0);
  await page.goto(`${album}/pace`);
  await page.getByRole("button", { name: "Make an address" }).click();
  const shown = page.getByLabel("Copy this address into your calendar now: it is shown once.");
  const address = await shown.inputValue();
  // A calendar has no session.
  const fetched = async (at: string) => fetch(at, { redirect: "manual" });
  const answer = await fetched(address);
  expect([answer.status, answer.headers.get("content-type"), answer.headers.get("x-robots-tag")]).toEqual([
    ...[200, "text/calendar; charset=utf-8", "noindex, nofollow"],
  ]);
  const text = (await answer.text()).replace(/\r\n /g, "");
  expect(text).toContain("First frost");
  expect(text.split("BEGIN:VEVENT").length - 1).toBeGreaterThan(31);
  // It is shown once, and a new one ends it.
  await page.reload();
  await expect(shown).toHaveCount(0);
  await page.getByRole("button", { name: "Give it a new address" }).click();
  const second = await shown.inputValue();
  expect((await fetched(address)).status).toBe(404);
  expect((await fetched(second)).status).toBe(200);
  await page.getByRole("button", { name: "Close it" }).click();
  await expect(page.getByRole("button", { name: "Make an address" })).toBeVisible();
  expect((await fetched(second)).status).toBe(404);
});
