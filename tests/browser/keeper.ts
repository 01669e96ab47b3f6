import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import sharp from "sharp";

export const base = () => process.env.BROWSER_BASE ?? "";
export const PASSPHRASE = "four plain words here";

/** A newcomer signs up through the door; returns the address used. */
export async function signUp(page: Page, name = "Maren", at = base()): Promise<string> {
  const mail = `${randomUUID()}@example.org`;
  await page.goto(`${at}/sign-up`);
  await page.getByLabel("Your name").fill(name);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
  return mail;
}

export async function signIn(page: Page, mail: string, at = base()): Promise<void> {
  await page.goto(`${at}/sign-in`);
  await page.getByLabel("Mail address").fill(mail);
  await page.getByLabel("Passphrase").fill(PASSPHRASE);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "The shelf", exact: true })).toBeVisible();
}

/** Makes the December album that is offered first; returns its address. */
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

/** Waits until the server has everything. */
export const saved = (page: Page) => expect(page.getByText("Saved", { exact: true })).toBeVisible();

/** Writes the album's archive at Finish and takes it away, as a file to be chosen elsewhere. */
export async function writeArchive(page: Page, album: string) {
  await page.goto(`${album}/finish`);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Write the archive" }).click(),
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
