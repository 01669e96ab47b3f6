import { buffer } from "node:stream/consumers";
import { parse } from "csv-parse/sync";
import { unzipSync } from "fflate";
import { afterAll, describe, expect, it } from "vitest";
import { EMPTY_DAY } from "../../core/album/model.ts";
import { ARCHIVE_VERSION } from "../../core/format/archive.ts";
import { dayPlanRows } from "../../core/format/day-plan.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { packAlbum } from "../../press/archive.ts";
import { writeCsv } from "../../press/csv.ts";
import { readAlbum } from "../../store/album.ts";
import { decemberPlan, newAlbum, openTestStore } from "../household.ts";

const store = openTestStore();
afterAll(() => store.close());

describe("files read by another program", () => {
  it("the day plan is CSV as RFC 4180 has it: quotes, commas and line breaks inside a cell survive (csv-parse)", () => {
    const plan = decemberPlan({ span: { start: "2026-12-09" as CalendarDate, end: "2026-12-09" as CalendarDate } });
    const title = 'Gran’s "first", and last\r\nof all; 4½″ × é';
    const day = {
      id: "d",
      date: plan.span.start,
      skipped: false,
      mergedInto: null,
      version: 0,
      content: { ...EMPTY_DAY, title, note: "=1+1" },
    };
    const text = writeCsv(
      dayPlanRows({ album: plan, days: [day], leaves: [], prints: [], matters: [], tryOuts: [] }, day.date),
    );
    expect(text.endsWith("\r\n")).toBe(true);
    const rows: Record<string, string>[] = parse(text, { columns: true, bom: true, record_delimiter: "\r\n" });
    expect(rows.length).toBe(1);
    expect(rows[0]).toMatchObject({ number: "9", dates: "2026-12-09", weekday: "Wednesday", title, note: "'=1+1" });
  });

  it("the archive is a ZIP whose one JSON file says its sizes in millimetres (fflate)", async () => {
    const { keeper, albumId } = await newAlbum(store);
    const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
    if (!aggregate) throw new Error("the album is not there");
    const bytes = await buffer(
      (await packAlbum(store.db, keeper.householdId, aggregate, "self", aggregate.album.span.start, new Date())).zip,
    );
    const files = unzipSync(bytes);
    expect(Object.keys(files)).toEqual(["album.json"]);
    const said = JSON.parse(Buffer.from(files["album.json"] ?? []).toString("utf8"));
    expect(said).toMatchObject({
      format: "hearth-clock-album",
      formatVersion: ARCHIVE_VERSION,
      lengths: "mm",
      album: { title: "A December", start: "2026-12-01" },
    });
    // 6 × 8 inches of 25.4 mm (international inch).
    expect(said.album.format.nominal).toEqual({ w: 152.4, h: 203.2 });
    expect(said.days.length).toBe(10);
  });
});
