import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { pagesOf } from "../album/page.ts";
import { ARCHIVE_VERSION, type Archive, readArchive, writeArchive } from "./archive.ts";
import { DAY_PLAN_HEAD, dayPlanRows } from "./day-plan.ts";

/** An archive as parsed JSON, to be spoilt in one place. */
type Raw = {
  formatVersion: number;
  album: { id: string; start: string; format: { nominal: { w: number } } };
  days: { photos: unknown[] }[];
  photos: unknown[];
};

const hashOf = (id: string) => id.replaceAll("-", "").padEnd(64, "0");

const anyArchive: fc.Arbitrary<Archive> = anyAlbum.map(({ plan, days }) => {
  const used = days.flatMap(({ content }) => content.photos);
  const { capacity, ...format } = plan.format;
  return {
    format: "hearth-clock-album",
    formatVersion: ARCHIVE_VERSION,
    lengths: "mm",
    photosAsAdded: true,
    album: {
      id: days[0]?.id ?? "",
      title: plan.title,
      unit: plan.unit,
      numbering: plan.numbering,
      start: plan.span.start,
      end: plan.span.end,
      format: { ...format, capacityMicrometres: capacity },
    },
    days: days.map(({ id, date, skipped, mergedInto, content: { photos, ...content } }) => ({
      ...{ id, date, skipped, mergedInto },
      ...content,
      waived: [...content.waived],
      done: [...content.done],
      cards: [...content.cards],
      inserts: [...content.inserts],
      photos: photos.map(({ photoId, ...use }) => ({ ...use, sha256: hashOf(photoId) })),
    })),
    photos: used.map(({ photoId }) => ({
      sha256: hashOf(photoId),
      file: `photos/${hashOf(photoId)}.jpg`,
      name: "a.jpg",
      capturedAt: null,
      offset: null,
    })),
  } as Archive;
});

describe("the archive", () => {
  it("written out and read back is the same album", () => {
    fc.assert(
      fc.property(anyArchive, (archive) => {
        expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
      }),
      { numRuns: 30 },
    );
  });

  it("is refused when it is something else, from a newer format, or damaged", () => {
    const [sample] = fc.sample(anyArchive, 1);
    if (!sample) throw new Error("no sample");
    const text = writeArchive(sample);
    const changed = (change: (raw: Raw) => void) => {
      const raw = JSON.parse(text);
      change(raw);
      return readArchive(JSON.stringify(raw));
    };
    expect(readArchive("{}")).toEqual({ ok: false, reason: "not-an-archive" });
    expect(readArchive(text.slice(0, -20))).toEqual({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.formatVersion = ARCHIVE_VERSION + 1;
      }),
    ).toEqual({ ok: false, reason: "newer-format" });
    expect(
      changed((raw) => {
        raw.album.start = "2026-13-01";
      }),
    ).toEqual({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.album.format.nominal.w = -4;
      }),
    ).toEqual({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.days.push(raw.days[0]);
      }),
    ).toEqual({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.days[0].photos = [{ id: raw.album.id, sha256: "f".repeat(64), print: { w: 1, h: 1 }, alt: "" }];
      }),
    ).toEqual({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.photos = [{ sha256: "f".repeat(64), file: "../../climbs.jpg", name: "", capturedAt: null, offset: null }];
      }),
    ).toEqual({ ok: false, reason: "damaged" });
  });
});

describe("the day plan", () => {
  it("has one row a page, each as wide as its head, and no cell that a spreadsheet would run", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days }) => {
        const pages = pagesOf(plan, days);
        const [head, ...rows] = dayPlanRows(plan, pages);
        expect(head).toEqual(DAY_PLAN_HEAD);
        expect(rows.length).toBe(pages.length);
        for (const row of rows) {
          expect(row.length).toBe(DAY_PLAN_HEAD.length);
          for (const cell of row) expect(cell).not.toMatch(/^[=+\-@]/);
        }
      }),
      { numRuns: 20 },
    );
  });
});
