import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, anyLeaves } from "../../tests/samples.ts";
import type { Day } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { firstLeaves } from "../book/first-leaves.ts";
import { grid } from "../book/layout.ts";
import type { Leaf } from "../book/leaf.ts";
import { inches, millimetres } from "../measure/length.ts";
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

/** A book whose leaves follow from the days, with some of their own, a try-out and a layout. */
function bookOf(days: readonly Day[], others: readonly Leaf[]) {
  const first = days[0]?.id ?? "";
  const side = ({ owner, pieces }: Leaf["front"]) => ({
    owner: owner.kind === "day" ? { kind: "day" as const, dayId: first } : owner,
    pieces: pieces?.map((piece, at) => ({ ...piece, id: `piece-${at}` })) ?? null,
  });
  const leaves = [...firstLeaves(days, () => crypto.randomUUID()), ...others].map(({ version: _, ...leaf }) => ({
    ...leaf,
    front: side(leaf.front),
    back: side(leaf.back),
  }));
  const tried = leaves.at(-1);
  return {
    leaves,
    tryOuts: tried
      ? [
          {
            id: crypto.randomUUID(),
            leafId: tried.id,
            face: "back" as const,
            name: "B",
            pieces: tried.front.pieces ?? [],
          },
        ]
      : [],
    layouts: [
      {
        id: crypto.randomUUID(),
        name: "Own",
        page: { w: inches(6), h: inches(8) },
        margin: inches(1 / 8),
        root: grid(2, 3),
      },
    ],
  };
}

const anyArchive: fc.Arbitrary<Archive> = fc.tuple(anyAlbum, anyLeaves).map(([{ plan, days }, others]) => {
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
    book: bookOf(days, others),
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

  it("of the first format, from before books were laid out, is read: holes and cover typical of its binding, no book yet", () => {
    const [sample] = fc.sample(anyArchive, 1);
    if (!sample) throw new Error("no sample");
    const raw = JSON.parse(writeArchive(sample));
    const { bindingEdge: _, holes: __, cover: ___, ...format } = raw.album.format;
    const { book: ____, ...rest } = raw;
    const old = { ...rest, formatVersion: 1, album: { ...raw.album, format: { ...format, binding: "two-hole" } } };
    const read = readArchive(JSON.stringify(old));
    if (!read.ok) throw new Error(read.reason);
    const { holes, cover, outer } = read.archive.album.format;
    const [upper = 0, lower = 0] = holes.positions;
    expect(lower - upper).toBe(millimetres(80));
    expect(cover.w - outer.w).toBe(inches(1 / 4));
    expect(read.archive.book).toBeNull();
    expect(read.archive.days).toEqual(sample.days);
  });

  it("is damaged when its book names a day, an insert or a leaf that is not there", () => {
    const [sample] = fc.sample(anyArchive, 1);
    if (!sample) throw new Error("no sample");
    const spoilt = (
      change: (book: { leaves: { of: object; front: object }[]; tryOuts: { leafId: string }[] }) => void,
    ) => {
      const raw = JSON.parse(writeArchive(sample));
      change(raw.book);
      return readArchive(JSON.stringify(raw));
    };
    const nobody = crypto.randomUUID();
    const damaged = { ok: false, reason: "damaged" };
    expect(spoilt(({ leaves }) => Object.assign(leaves[0] ?? {}, { of: { kind: "page", dayId: nobody } }))).toEqual(
      damaged,
    );
    expect(
      spoilt(({ leaves }) => Object.assign(leaves[0]?.front ?? {}, { owner: { kind: "day", dayId: nobody } })),
    ).toEqual(damaged);
    expect(spoilt(({ tryOuts }) => Object.assign(tryOuts[0] ?? {}, { leafId: nobody }))).toEqual(damaged);
    expect(spoilt(({ leaves }) => leaves.push(leaves[0] ?? { of: {}, front: {} }))).toEqual(damaged);
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
