import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { hash } from "@node-rs/argon2";
import { type BrowserContext, expect, type Page } from "@playwright/test";
import { sql } from "drizzle-orm";
import sharp from "sharp";
import { presetById } from "../../core/album/formats.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { createAlbum } from "../../store/album.ts";
import { openStore, type Store } from "../../store/db.ts";
import { createHousehold, memberOfSession, startSession } from "../../store/household.ts";

export const base = () => process.env.BROWSER_BASE ?? "";
/** A phone held upright. */
export const PHONE = { viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true };
export const PASSPHRASE = "four plain words here";

/** A newcomer signs up through the door; returns the address used. */
export async function signUpAtTheDoor(page: Page, name = "Maren", at = base()): Promise<string> {
  const mail = `${randomUUID()}@example.org`;
  await page.goto(`${at}/sign-up`);
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
  return mail;
}

let opened: { readonly url: string; readonly store: Store } | null = null;
/** The database behind the server that all browser tests share, or another one. */
function storeOf(url = process.env.BROWSER_DATABASE_URL ?? ""): Store {
  if (opened?.url !== url) opened = { url, store: openStore(url) };
  return opened.store;
}

/** A passphrase takes its time to be hashed, so all households of a file share one hash. */
let passphraseHash: Promise<string> | null = null;
const households = new WeakMap<BrowserContext, string>();

/** A household of its own in the database, and its keeper signed in at this browser; returns the mail address. */
export async function newKeeper(page: Page, name = "Maren"): Promise<string> {
  const { db } = storeOf();
  passphraseHash ??= hash(PASSPHRASE, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });
  const mail = `${randomUUID()}@example.org`;
  const made = await createHousehold(db, {
    mail,
    name,
    passphraseHash: await passphraseHash,
    timeZone: "Europe/London",
  });
  if (!made.ok) throw new Error(made.reason);
  const { token } = await startSession(db, made.memberId, new Date());
  const member = await memberOfSession(db, token, new Date());
  if (!member) throw new Error("the session just begun is not there");
  const context = page.context();
  await context.addCookies([{ name: "hearth_session", value: token, url: base(), httpOnly: true, sameSite: "Lax" }]);
  households.set(context, member.household.id);
  return mail;
}

/** The album that is offered first, a December, or one in another book, made in the database. Returns its address. */
export const newDecember = (page: Page, at = base(), book = "ring-6x8"): Promise<string> =>
  newMonth(page, "2026-12", at, book);

/** The same of another month of 31 days. */
export async function newMonth(page: Page, month: string, at = base(), book = "ring-6x8"): Promise<string> {
  const householdId = households.get(page.context());
  if (!householdId) throw new Error("no keeper is signed in here: call newKeeper first");
  const preset = presetById(book);
  if (!preset) throw new Error("shipped");
  const { id: _, unit, ...format } = preset;
  const albumId = await createAlbum(storeOf().db, householdId, {
    title: "Our December",
    unit,
    numbering: "date",
    preparing: "parts",
    format,
    span: { start: `${month}-01` as CalendarDate, end: `${month}-31` as CalendarDate },
  });
  return `${at}/albums/${albumId}`;
}

export async function signIn(page: Page, mail: string, at = base()): Promise<void> {
  await page.goto(`${at}/sign-in`);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
}

/** Makes the December album that is offered first, step by step from the shelf; returns its address. */
export async function makeDecember(page: Page): Promise<string> {
  await page.getByRole("link", { name: "New album" }).click();
  await page.getByLabel("First day").fill("2026-12-01");
  await page.getByLabel("Last day", { exact: true }).fill("2026-12-31");
  await page.getByLabel("Title", { exact: true }).fill("Our December");
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Next" }).click();
  await page.getByRole("button", { name: "Make the album" }).click();
  await page.waitForURL(/\/month$/);
  return page.url().replace(/\/month$/, "");
}

export async function enterDemo(page: Page): Promise<void> {
  await page.goto(`${base()}/sign-in`);
  await page.getByRole("button", { name: "Look round the demo household" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
}

/**
 * Adds a card to the day and waits until it is there, as a person would: it pushes down what is pressed next, and what is
 * laid out meanwhile is laid out without it.
 */
export async function addCard(page: Page): Promise<void> {
  const cards = page.getByLabel(/^Words of card \d+$/);
  const before = await cards.count();
  await page.getByRole("button", { name: "Add a card" }).click();
  await expect(cards).toHaveCount(before + 1);
}

/** Opens what `/` opens; a key that is pressed before the page runs is not kept, so it is pressed until it is heard. */
export const openFind = (page: Page) =>
  expect(async () => {
    await page.locator("#place").focus();
    await page.keyboard.press("/");
    await expect(page.getByRole("combobox")).toBeVisible({ timeout: 500 });
  }).toPass();

/** Waits until the server has everything. */
export const saved = (page: Page) => expect(page.getByText("Saved", { exact: true })).toBeVisible();

/** Writes the album's archive at Finish and takes it away, as a file to be chosen elsewhere. */
export async function writeArchive(page: Page, album: string) {
  await page.goto(`${album}/finish`);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Write everything" }).click(),
  ]);
  expect(await download.failure()).toBeNull();
  return {
    name: download.suggestedFilename(),
    mimeType: "application/zip",
    buffer: readFileSync(await download.path()),
  };
}

/** Chooses an archive on the page that reads them, and lets it be read. */
export async function readArchive(page: Page, file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
  await page.getByLabel("The archive").setInputFiles(file);
  await page.getByRole("button", { name: "Read it", exact: true }).click();
}

/** A real JPEG with a camera's date. */
export const photo = (date: string, colour = "#b8451b") =>
  sharp({ create: { width: 1200, height: 900, channels: 3, background: colour } })
    .withExif({ IFD2: { DateTimeOriginal: `${date.replaceAll("-", ":")} 17:48:00` } })
    .jpeg()
    .toBuffer();

/** Makes everything that was done in an album so many days older. */
export async function longLeft(album: string, days: number): Promise<void> {
  const { db } = storeOf();
  const id = album.split("/").at(-1);
  await db.execute(sql`update day set updated_at = updated_at - ${days} * interval '1 day' where album_id = ${id}`);
  await db.execute(sql`update journal_line set at = at - ${days} * interval '1 day' where album_id = ${id}`);
  await db.execute(sql`update album set revision = revision where id = ${id}`);
}
