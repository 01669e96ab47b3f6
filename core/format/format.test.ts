import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, anyContent, anyLeaves, anyThing } from "../../tests/samples.ts";
import type { Leaf } from "../album/leaf.ts";
import { type Day, MATTERS, type MatterEntry } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { grid } from "../book/layout.ts";
import type { Pattern } from "../book/pattern.ts";
import { micrometres } from "../material/material.ts";
import { inches } from "../measure/length.ts";
import { type CalendarDate, datesFrom } from "../month/dates.ts";
import type { Known } from "../month/known.ts";
import { spanLength } from "../month/span.ts";
import { AS_IT_COMES } from "../photo/crop.ts";
import { NO_LOOK } from "../photo/look.ts";
import { photoIdsOf } from "../photo/together.ts";
import { ARCHIVE_VERSION, type Archive, readArchive, writeArchive } from "./archive.ts";
import { DAY_PLAN_HEAD, dayPlanRows } from "./day-plan.ts";
import { missingDays } from "./missing-days.ts";

const patternOn = (date: CalendarDate): Pattern => ({
  cycle: ["mantel"],
  rules: [{ when: "weekday", weekday: 7, template: "mantel" }],
  without: [date],
});

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
  const side = ({ owner, guests, pieces, done, line }: Leaf["front"]) => ({
    ...(line ? { line } : {}),
    done: [...done],
    guests:
      days.length > 1 ? guests.slice(0, 1).map((guest) => ({ dayId: days[1]?.id ?? "", done: [...guest.done] })) : [],
    owner: owner.kind === "day" ? { kind: "day" as const, dayId: first } : owner,
    pieces: pieces?.map((piece, at) => ({ ...piece, id: `piece-${at}` })) ?? null,
  });
  const leaves = others.map(({ version: _, done, ...leaf }) => ({
    ...leaf,
    done: [...done],
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

const said = ({ photos, ...content }: Day["content"]) => ({
  ...content,
  waived: [...content.waived],
  done: [...content.done],
  undone: [...content.undone],
  leftAlone: [...content.leftAlone],
  cards: content.cards.map(({ preprint, ...card }) => ({
    ...card,
    preprint: preprint && { sha256: hashOf(preprint.photoId), corners: preprint.corners },
  })),
  jottings: [...content.jottings],
  photos: photos.map(({ photoId, picture: _, together, ...use }) => ({
    ...use,
    together: together && {
      ...together,
      counts: [...together.counts],
      others: together.others.map((each) => ({ sha256: hashOf(each.photoId), crop: each.crop })),
    },
    sha256: hashOf(photoId),
  })),
});
const anyMatter: fc.Arbitrary<MatterEntry> = fc
  .record({
    id: fc.uuid(),
    matter: fc.constantFrom(...MATTERS),
    date: fc.option(fc.constant("2026-11-29" as CalendarDate)),
    month: fc.constantFrom(null, { kind: "titles", weekStart: 7 } as const),
    version: fc.constant(0),
    content: anyContent,
  })
  .map((entry) => ({ ...entry, month: entry.matter === "month-calendar" ? entry.month : null }));

/** Things known ahead, each under a name of its own. */
const anyKnown: fc.Arbitrary<Known[]> = fc
  .array(
    fc.record({
      source: fc.constantFrom("", "Family"),
      title: fc.constantFrom("Lamp fair", "The boat comes"),
      from: fc.constant("2026-12-05" as CalendarDate),
      to: fc.constantFrom("2026-12-05", "2026-12-07") as fc.Arbitrary<CalendarDate>,
      starts: fc.option(fc.constant("18:00")),
      ends: fc.option(fc.constant("19:30")),
      onPage: fc.boolean(),
    }),
    { maxLength: 3 },
  )
  .map((all) => all.map((each, at) => ({ key: `k${at}`, ...each })));

const anyArchive: fc.Arbitrary<Archive> = fc
  .tuple(anyAlbum, anyLeaves, fc.array(anyMatter, { maxLength: 2 }), anyKnown, fc.array(anyThing, { maxLength: 2 }))
  .map(([{ plan, days, leaves }, others, matters, known, things]) => {
    const used = [...days, ...matters].flatMap(({ content }) => [
      ...content.photos.flatMap(photoIdsOf),
      ...content.cards.flatMap(({ preprint }) => preprint?.photoId ?? []),
    ]);
    const { capacity, ...format } = plan.format;
    return {
      format: "hearth-clock-album",
      formatVersion: ARCHIVE_VERSION,
      lengths: "mm",
      photosAsAdded: true,
      privateLeftOut: 0,
      album: {
        id: days[0]?.id ?? "",
        title: plan.title,
        unit: plan.unit,
        numbering: plan.numbering,
        photoRule: "any",
        preparing: plan.preparing,
        pattern: patternOn(plan.span.start),
        looseEnds: [
          { kind: "note" as const, entry: days[0]?.id ?? null, of: ["811c9dc5"], as: "left" as const },
          { kind: "described" as const, entry: null, of: [], as: "tonight" as const },
        ],
        nextYear: "Paper sooner",
        ruler: [{ on: plan.span.start, measured: micrometres(21_500), reckoned: micrometres(24_000) }],
        start: plan.span.start,
        end: plan.span.end,
        format: { ...format, capacityMicrometres: capacity },
      },
      days: days.map(({ id, date, skipped, mergedInto, content }) => ({
        ...{ id, date, skipped, mergedInto },
        ...said(content),
      })),
      matters: matters.map(({ id, matter, date, month, content }) => ({ id, matter, date, month, ...said(content) })),
      known,
      tallies: [
        { id: crypto.randomUUID(), name: "Films", marks: [] },
        {
          ...{ id: crypto.randomUUID(), name: "Visitors" },
          marks: ["", "Ilo"].map((text) => ({ id: crypto.randomUUID(), date: plan.span.start, text })),
        },
      ],
      photos: used.map((photoId) => ({
        sha256: hashOf(photoId),
        file: `photos/${hashOf(photoId)}.jpg`,
        name: "a.jpg",
        capturedAt: null,
        offset: null,
        givenDate: null,
        look: NO_LOOK,
        faces: [{ x: 4000, y: 2500, w: 1200, h: 1600 }],
        people: photoId.length % 2 === 0 ? ["Ilo", "Mara"] : null,
        star: true,
        banked: false,
        setAside: true,
      })),
      things: things.map((thing) => ({ ...thing, id: crypto.randomUUID() })),
      book: bookOf(days, [
        ...leaves,
        ...others.map((leaf, nth) => ({ ...leaf, sewn: nth % 2 === 0, glued: nth % 3 === 0 })),
      ]),
    } as unknown as Archive;
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

  it("is damaged when its book names a day or a leaf that is not there", () => {
    const [sample] = fc.sample(anyArchive, 1);
    if (!sample) throw new Error("no sample");
    const spoilt = (change: (book: { leaves: { front: object }[]; tryOuts: { leafId: string }[] }) => void) => {
      const raw = JSON.parse(writeArchive(sample));
      change(raw.book);
      return readArchive(JSON.stringify(raw));
    };
    const nobody = crypto.randomUUID();
    const damaged = { ok: false, reason: "damaged" };
    expect(
      spoilt(({ leaves }) => Object.assign(leaves[0]?.front ?? {}, { owner: { kind: "day", dayId: nobody } })),
    ).toMatchObject(damaged);
    expect(
      spoilt(({ leaves }) => Object.assign(leaves[0]?.front ?? {}, { guests: [{ dayId: nobody, done: [] }] })),
    ).toMatchObject(damaged);
    expect(spoilt(({ tryOuts }) => Object.assign(tryOuts[0] ?? {}, { leafId: nobody }))).toMatchObject(damaged);
    expect(spoilt(({ leaves }) => leaves.push(leaves[0] ?? { front: {} }))).toMatchObject(damaged);
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
    expect(readArchive(text.slice(0, -20))).toMatchObject({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.formatVersion = ARCHIVE_VERSION + 1;
      }),
    ).toEqual({ ok: false, reason: "newer-format" });
    expect(
      changed((raw) => {
        raw.album.start = "2026-13-01";
      }),
    ).toMatchObject({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.album.format.nominal.w = -4;
      }),
    ).toMatchObject({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.days.push(...raw.days.slice(0, 1));
      }),
    ).toMatchObject({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        for (const day of raw.days.slice(0, 1))
          day.photos = [
            { id: raw.album.id, sha256: "f".repeat(64), print: { w: 1, h: 1 }, alt: "", crop: AS_IT_COMES },
          ];
      }),
    ).toMatchObject({ ok: false, reason: "damaged" });
    expect(
      changed((raw) => {
        raw.photos = [{ sha256: "f".repeat(64), file: "../../climbs.jpg", name: "", capturedAt: null, offset: null }];
      }),
    ).toMatchObject({ ok: false, reason: "damaged" });
  });
});

describe("an archive changed by hand", () => {
  const sample = () => {
    const [archive] = fc.sample(anyArchive, 1);
    if (!archive) throw new Error("no sample");
    return archive;
  };
  const changed = (change: (raw: Raw & { days: { jottings: unknown[] }[] }) => void) => {
    const raw = JSON.parse(writeArchive(sample()));
    change(raw);
    return readArchive(JSON.stringify(raw));
  };
  const jotting = (at: string) => [{ id: crypto.randomUUID(), text: "x", privateUntil: null, at }];

  it("is refused with the place in the file: the path of a value, the line of a slip in the writing", () => {
    const at = (time: string) =>
      changed(({ days }) => {
        if (days[0]) days[0].jottings = jotting(time);
      });
    expect(at("2026-12-24T23:59")).toMatchObject({ ok: true });
    for (const time of [
      "2026-99-99T99:99",
      "2026-12-24T24:00",
      "2026-12-24T23:60",
      "2026-02-30T10:00",
      "2026-12-24T10:00:00",
    ])
      expect(at(time), time).toEqual({ ok: false, reason: "damaged", where: "days[0].jottings[0].at" });
    const larger = changed(({ album }) => Object.assign(album.format, { opening: { w: 900, h: 900 } }));
    expect(larger).toEqual({ ok: false, reason: "damaged", where: "album.format" });
    const twice = changed(({ days }) => days.push(...days.slice(0, 1)));
    expect(twice).toMatchObject({ where: expect.stringMatching(/^days\[\d+\]\.date$/) });
    expect(readArchive('{\n "format": "hearth-clock-album",\n "formatVersion": 4,,\n}')).toEqual({
      ok: false,
      reason: "damaged",
      where: "line 3",
    });
  });

  it("is read with a mark of the byte order before it, as some editors write one", () => {
    const archive = sample();
    expect(readArchive(`\uFEFF${writeArchive(archive)}`)).toEqual({ ok: true, archive });
  });

  it("gets an empty day for each date of its span that has none, whichever are missing, and is a month then", () => {
    fc.assert(
      fc.property(anyAlbum, fc.infiniteStream(fc.boolean()), ({ plan, days }, keeps) => {
        const kept = days.filter(() => [...keeps.take(1)][0]);
        const added = missingDays(kept, plan.span, () => crypto.randomUUID());
        const whole = [...kept, ...added.map((day) => ({ ...day, version: 0 }))];
        const dates = pagesOf({ album: plan, days: whole, leaves: [], prints: [] }).flatMap((page) =>
          page.days.map(({ date }) => date),
        );
        expect(dates).toEqual(datesFrom(plan.span.start, spanLength(plan.span)));
      }),
      { numRuns: 40 },
    );
  });
});

describe("the day plan", () => {
  it("has one row a page, each as wide as its head", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const whole = { album: plan, days, leaves, prints: [], matters: [], tryOuts: [] };
        const [head, ...rows] = dayPlanRows(whole, plan.span.start);
        expect(head).toEqual(DAY_PLAN_HEAD);
        expect(rows.length).toBe(pages.length);
        for (const row of rows) expect(row.length).toBe(DAY_PLAN_HEAD.length);
      }),
      { numRuns: 20 },
    );
  });
});
