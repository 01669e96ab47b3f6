import { randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import Papa from "papaparse";
import sharp from "sharp";
import { LIMITS } from "../core/limits.ts";
import { addDays, type CalendarDate } from "../core/month/dates.ts";
import { ORDER_LIST } from "../press/lab-order.ts";
import { openZip } from "../press/zip.ts";

export type Taken =
  | { ok: true; prints: number; due: CalendarDate }
  | { ok: false; reason: "not-an-order" | "file-missing" | "wrong-size" };

/** A large order takes twice its days. */
const MANY = 60;
/** A file may be off its list by half a millimetre at 300 pixels an inch. */
const OFF = 6;

type Row = { file: string; copies: string; width_mm: string; height_mm: string };

const MOST_BYTES = LIMITS.pictureBytes.most;

/**
 * The stand-in for a photo lab. It takes an order as a lab does: unpacks it, reads the list, looks whether every file is
 * there and of the size that is asked for, and says when the prints will come: `days` from when it was sent.
 */
export async function takeOrder(zip: Readable, on: CalendarDate, days: number): Promise<Taken> {
  const file = path.join(tmpdir(), `lab-${randomUUID()}.zip`);
  try {
    await pipeline(zip, createWriteStream(file));
    const opened = await openZip(file);
    if (!opened.ok) return { ok: false, reason: "not-an-order" };
    try {
      const list = await opened.entries.get(ORDER_LIST)?.read(MOST_BYTES);
      if (!list) return { ok: false, reason: "not-an-order" };
      const { data } = Papa.parse<Row>(list.toString("utf8"), { header: true, skipEmptyLines: true });
      for (const row of data) {
        const entry = opened.entries.get(row.file);
        if (!entry) return { ok: false, reason: "file-missing" };
        const { width, height } = await sharp(await entry.read(MOST_BYTES)).metadata();
        const pixels = (mm: string) => (Number(mm) / 25.4) * 300;
        if (Math.abs(width - pixels(row.width_mm)) > OFF || Math.abs(height - pixels(row.height_mm)) > OFF)
          return { ok: false, reason: "wrong-size" };
      }
      return { ok: true, prints: data.length, due: addDays(on, data.length > MANY ? 2 * days : days) };
    } finally {
      opened.close();
    }
  } finally {
    await rm(file, { force: true });
  }
}
