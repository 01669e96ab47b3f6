import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { AlbumFormat } from "../album/model.ts";
import { inches, millimetres } from "../measure/length.ts";
import { AS_IT_COMES } from "../photo/crop.ts";
import { ARCHIVE_VERSION, type Archive, readArchive, writeArchive } from "./archive.ts";

type OldPiece = { what: { kind: string } };
type OldSide = { owner: { kind: string; dayId?: string; matter?: string }; pieces: OldPiece[] | null };
type OldLeaf = {
  id: string;
  of: { kind: "page" | "insert" | "own"; dayId: string; insertId: string; stock: { kind: string; size: unknown } };
  front: OldSide;
  back: OldSide;
};
type OldDay = {
  id: string;
  mergedInto: string | null;
  foundation: { kind: string; note: string } | null;
  pageSize: unknown;
  inserts: { id: string; kind: string; size: unknown; note: string }[];
  photos: object[];
  cards: { id: string; size: object; text: string }[];
  done: string[];
};
type Old = {
  album: { format: Record<string, unknown> };
  days: OldDay[];
  photos: object[];
  book: { leaves: OldLeaf[]; tryOuts: { pieces: OldPiece[] }[]; layouts: unknown };
};

/** Archives as the program wrote them that had the fourth format: of invented albums, some days sharing a page. */
const fourth = (): Old[] =>
  JSON.parse(readFileSync(new URL("../../tests/archives/version-4.json", import.meta.url), "utf8"));
const asRead = (raw: object): Archive => {
  const read = readArchive(JSON.stringify(raw));
  if (!read.ok) throw new Error(JSON.stringify(read));
  return read.archive;
};

/** As it is written now, without what could first be said in the fifteenth format, which nothing was said of. */
function asFourteenth(old: object) {
  type Entry = { everyYear: boolean; nextYear: string };
  const {
    album: { nextYear: forNext, ...album },
    tallies,
    days,
    matters,
    ...archive
  } = JSON.parse(writeArchive(asRead(old)));
  const unsaid = ({ everyYear, nextYear, ...entry }: Entry) => {
    expect([everyYear, nextYear]).toEqual([false, ""]);
    return entry;
  };
  expect([forNext, tallies]).toEqual(["", []]);
  return { ...archive, album, days: days.map(unsaid), matters: matters.map(unsaid) };
}

/** As it is written now, without what could first be said in the fourteenth format either. */
function asWritten(old: object) {
  const {
    album: { looseEnds, ...album },
    photos,
    ...archive
  } = asFourteenth(old);
  expect(looseEnds).toEqual([]);
  const unmarked = photos.map(({ people, ...photo }: { people: unknown }) => {
    expect(people).toBeNull();
    return photo;
  });
  return { ...archive, album, photos: unmarked };
}

/** As it is written now, without what could not be said in any of these formats, which nothing was said of. */
function written(old: object) {
  const { things, book, album, photos, ...archive } = asWritten(old);
  const { ruler, ...measured } = album;
  const unmarked = photos.map(({ faces, ...photo }: { faces: unknown[] }) => {
    expect(faces).toEqual([]);
    return photo;
  });
  expect([things, ruler]).toEqual([[], []]);
  type LeafNow = { make: { of: unknown }; opensVolume: boolean; leftSeen: string[] };
  const leaves = book.leaves.map(({ make: { of, ...make }, opensVolume, leftSeen, ...leaf }: LeafNow) => {
    expect([of, opensVolume, leftSeen]).toEqual([null, false, []]);
    return { ...leaf, make };
  });
  return { ...archive, album: measured, photos: unmarked, book: { ...book, leaves } };
}

/** Pieces as they are now: each says whose it is, a number has a look and a nought, and had none of them. */
const asNow = (pieces: OldPiece[] | null) =>
  pieces?.map((piece) => ({
    ...piece,
    dayId: null,
    what: piece.what.kind === "numeral" ? { ...piece.what, look: null, zero: false } : renamed(piece.what),
  }));
/** Paper round a photo was once called as the cutting mat is. */
const renamed = (what: { kind: string }) => (what.kind === "mat" ? { ...what, kind: "photo-mat" } : what);

/** Cards with what their words are set in called a typeface, as it once was not. */
type SetWords = { cards: { setting?: { lettering: { face?: string } } | null }[] };
const withTypefaces = <T extends object>(entries: readonly T[]): T[] =>
  entries.map((entry) => ({
    ...entry,
    // Nothing was said not to be done, and only words could be private.
    ...{ undone: [], leftAlone: [], privateUntil: null, driesUntil: null },
    photos: (entry as { photos?: object[] }).photos?.map((use) => ({
      ...use,
      onIt: [],
      repeat: null,
      together: null,
      privateUntil: null,
    })),
    cards: (entry as unknown as SetWords).cards.map(({ setting, ...card }) => {
      if (!setting) return { ...card, preprint: null, setting };
      const { face, ...lettering } = setting.lettering;
      return {
        ...card,
        preprint: null,
        setting: { ...setting, lettering: face ? { ...lettering, typeface: face } : lettering },
      };
    }),
  }));

type FifthPiece = { what: { kind: string; dayId?: string | null } };
type Fifth = {
  photos: { rejected: boolean }[];
  days: object[];
  matters: object[];
  book: { leaves: Record<"front" | "back", { pieces: FifthPiece[] | null; owner: object; done: string[] }>[] };
};

/** Days and pages of which none was said to be wet. */
const allDry = <T extends object>(entries: readonly T[]) => entries.map((entry) => ({ ...entry, driesUntil: null }));

/** Pages of the front and back matter, of which none had squares. */
const withMonths = <T extends object>(matters: readonly T[]) => matters.map((entry) => ({ ...entry, month: null }));

describe("an archive of the fourteenth format, from before anything was said for the next year", () => {
  it("is read with everything as it was", () => {
    const fourteenth: object[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-14.json", import.meta.url), "utf8"),
    );
    expect(JSON.stringify(fourteenth)).toContain('"looseEnds":[{"kind":"note"');
    for (const old of fourteenth) expect(asFourteenth(old)).toEqual({ ...old, formatVersion: ARCHIVE_VERSION });
  });
});

describe("an archive of the thirteenth format, from before it was said who is on a picture or an end was left", () => {
  it("is read with everything as it was", () => {
    type Thirteenth = { album: object; photos: object[] };
    const thirteenth: Thirteenth[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-13.json", import.meta.url), "utf8"),
    );
    expect(JSON.stringify(thirteenth)).toContain('"kind":"slit"');
    for (const old of thirteenth)
      expect(asFourteenth(old)).toEqual({
        ...{ ...old, formatVersion: ARCHIVE_VERSION, album: { ...old.album, looseEnds: [] } },
        photos: old.photos.map((photo) => ({ ...photo, people: null })),
      });
  });
});

describe("an archive of the twelfth format, from before anything was cut into a construction of one's own", () => {
  it("is read with everything as it was", () => {
    const twelfth: object[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-12.json", import.meta.url), "utf8"),
    );
    expect(JSON.stringify(twelfth)).toContain('"flip:whole:back"');
    for (const old of twelfth) expect(asWritten(old)).toEqual({ ...old, formatVersion: ARCHIVE_VERSION });
  });
});

describe("an archive of the eleventh format, from before a piece could be a construction", () => {
  it("is read with everything as it was", () => {
    const eleventh: object[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-11.json", import.meta.url), "utf8"),
    );
    expect(eleventh.length).toBeGreaterThan(2);
    for (const old of eleventh) expect(asWritten(old)).toMatchObject({ ...old, formatVersion: ARCHIVE_VERSION });
  });
});

describe("an archive of the tenth format, from before a book could be in volumes or was measured closed", () => {
  it("is read with everything as it was: one volume, nothing measured, no motif kept, no faces marked", () => {
    type Tenth = { album: object; photos: object[]; things: object[]; book: { leaves: object[] } };
    const tenth: Tenth[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-10.json", import.meta.url), "utf8"),
    );
    expect(tenth.flatMap(({ things }) => things).length).toBeGreaterThan(2);
    for (const old of tenth)
      expect(asWritten(old)).toEqual({
        ...{ ...old, formatVersion: ARCHIVE_VERSION, album: { ...old.album, ruler: [] } },
        photos: old.photos.map((photo) => ({ ...photo, faces: [] })),
        things: old.things.map((thing) => ({ ...thing, motif: null })),
        book: { ...old.book, leaves: old.book.leaves.map((leaf) => ({ ...leaf, opensVolume: false, leftSeen: [] })) },
      });
  });
});

describe("an archive of the ninth format, from before it was said what leaves and pieces are made of", () => {
  it("is read with everything as it was", () => {
    const ninth: object[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-9.json", import.meta.url), "utf8"),
    );
    expect(ninth.length).toBeGreaterThan(3);
    for (const old of ninth) expect(written(old)).toEqual({ ...old, formatVersion: ARCHIVE_VERSION });
  });
});

describe("an archive of the eighth format, from before anything was known ahead", () => {
  it("is read with everything as it was", () => {
    const eighth: Fifth[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-8.json", import.meta.url), "utf8"),
    );
    for (const old of eighth)
      expect(written(old)).toEqual({
        ...{ ...old, formatVersion: ARCHIVE_VERSION, known: [] },
        ...{ days: allDry(old.days), matters: withMonths(allDry(old.matters)) },
      });
  });
});

describe("an archive of the seventh format, from before it could be said that something is not done", () => {
  it("is read with everything as it was", () => {
    const seventh: Fifth[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-7.json", import.meta.url), "utf8"),
    );
    for (const old of seventh) {
      const { privateTextsLeftOut, ...rest } = old as Fifth & { privateTextsLeftOut: number };
      const now = written(old);
      expect(now).toEqual({
        ...{ ...rest, formatVersion: ARCHIVE_VERSION, privateLeftOut: privateTextsLeftOut },
        ...{ days: withTypefaces(old.days), matters: withMonths(withTypefaces(old.matters)), known: [] },
      });
    }
  });
});

describe("an archive of the sixth format, from before a typeface was called so", () => {
  it("is read with everything as it was, and its words set as they were", () => {
    const sixth: Fifth[] = JSON.parse(
      readFileSync(new URL("../../tests/archives/version-6.json", import.meta.url), "utf8"),
    );
    let set = 0;
    for (const old of sixth) {
      const { days, matters, privateLeftOut, ...rest } = written(old);
      const { privateTextsLeftOut, ...was } = old as Fifth & { privateTextsLeftOut: number };
      expect({ ...was, ...rest }).toEqual({ ...was, known: [], formatVersion: ARCHIVE_VERSION });
      expect(privateLeftOut).toBe(privateTextsLeftOut);
      expect([days, matters]).toEqual([withTypefaces(old.days), withMonths(withTypefaces(old.matters))]);
      set += JSON.stringify(old.days).split('"kind":"typed"').length - 1;
    }
    expect(set).toBe(3);
  });
});

describe("an archive of the fifth format, from before sides were shared", () => {
  const fifth: Fifth[] = JSON.parse(
    readFileSync(new URL("../../tests/archives/version-5.json", import.meta.url), "utf8"),
  );

  it("is read with everything where it was, each number saying which day it stands for, and nobody a guest", () => {
    let [numbered, aside, mats] = [0, 0, 0];
    for (const old of fifth) {
      const now = written(old);
      expect([now.days, now.matters]).toEqual([withTypefaces(old.days), withMonths(withTypefaces(old.matters))]);
      expect(now.photos).toEqual(old.photos.map(({ rejected, ...photo }) => ({ ...photo, setAside: rejected })));
      aside += old.photos.filter(({ rejected }) => rejected).length;
      expect(now.book.leaves).toHaveLength(old.book.leaves.length);
      for (const [at, { front, back, ...leaf }] of old.book.leaves.entries()) {
        const there = now.book.leaves[at];
        expect(there).toMatchObject(leaf);
        for (const [was, is] of [
          [front, there.front],
          [back, there.back],
        ]) {
          expect([is.owner, is.done, is.guests]).toEqual([was.owner, was.done, []]);
          const pieces = was.pieces?.map(({ what: { dayId, ...what }, ...lies }: FifthPiece) => {
            if (dayId) numbered++;
            if (what.kind === "mat") mats++;
            return { ...lies, what: renamed(what), dayId: dayId ?? null };
          });
          expect(is.pieces).toEqual(pieces ?? null);
        }
      }
    }
    expect([numbered, aside]).toEqual([30, 4]);
    expect(mats).toBe(2);
  });

  it("is told where it is damaged", () => {
    const [old] = fifth;
    const torn = { ...old, photos: [{}] };
    expect(readArchive(JSON.stringify(torn))).toMatchObject({
      ok: false,
      reason: "damaged",
      where: "photos[0].rejected",
    });
  });
});

describe("an archive of the fourth format, from before leaves said themselves what they are", () => {
  it("is read with every leaf where it was, each as what its day, its insert or itself said", () => {
    let [pages, inserts, own] = [0, 0, 0];
    for (const old of fourth()) {
      const { book, matters } = written(old);
      const days = new Map(old.days.map((day) => [day.id, day]));
      // What was one kind of front or back matter is one entry of it now, with nothing on it but its sides.
      const kinds = new Map<string, string>(
        matters.map(({ id, matter, date, cards, photos, title }: Record<string, unknown>) => {
          expect([date, cards, photos, title]).toEqual([null, [], [], ""]);
          return [matter, id];
        }),
      );
      const ownerNow = ({ owner }: OldSide) =>
        owner.kind === "matter" ? { kind: "day", dayId: kinds.get(owner.matter ?? "") } : owner;
      expect(kinds.size).toBe(matters.length);
      for (const [at, { id, of, front, back, ...lies }] of old.book.leaves.entries()) {
        const leaf = book.leaves[at];
        expect(leaf).toMatchObject({ id, ...lies });
        expect([leaf.front.owner, leaf.back.owner]).toEqual([ownerNow(front), ownerNow(back)]);
        const day = days.get(of.dayId);
        const insert = day?.inserts.find((each) => each.id === of.insertId);
        if (of.kind === "own") {
          expect(leaf.make).toEqual({ ...of.stock, insert: null, oldHoles: null });
          own += 1;
        } else if (of.kind === "insert") {
          expect(leaf.make).toMatchObject({ insert: insert?.kind, size: insert?.size, note: insert?.note });
          inserts += 1;
        } else {
          expect(leaf.make).toMatchObject({ ...day?.foundation, size: day?.pageSize, insert: null });
          pages += 1;
        }
        // Nothing is laid out that was not, and only pages of days were laid out by themselves.
        const nothing = of.kind === "page" ? null : [];
        const was = [front, back].map(({ pieces }) => asNow(pieces) ?? nothing);
        expect([leaf.front.pieces, leaf.back.pieces]).toEqual(was);
      }
      const tryOuts = old.book.tryOuts.map((each) => ({ ...each, pieces: asNow(each.pieces) }));
      expect([book.tryOuts, book.layouts]).toEqual([tryOuts, old.book.layouts]);
    }
    expect(Math.min(pages, inserts, own)).toBeGreaterThan(2);
  });

  it("has each tick on every leaf and side of its day it can mean, and no other", () => {
    for (const old of fourth()) {
      const { days, book } = written(old);
      const ticked = (dayId: string | undefined): Set<string> => {
        const day = old.days.find(({ id }) => id === dayId);
        const lead = old.days.find(({ id }) => id === day?.mergedInto);
        return new Set([...(day?.done ?? []), ...(lead?.done ?? [])]);
      };
      for (const leaf of book.leaves) {
        const owners = [leaf.front.owner.dayId, leaf.back.owner.dayId];
        const was = old.book.leaves.find(({ id }) => id === leaf.id);
        const all = new Set([...owners, was?.of.dayId].flatMap((id) => [...ticked(id)]));
        const wanted = [all.has(leaf.make.insert ? "insert" : "base"), all.has("punch"), all.has("file")];
        expect(["base", "punch", "file"].map((step) => leaf.done.includes(step))).toEqual(wanted);
        for (const side of [leaf.front, leaf.back]) {
          const own = ticked(side.owner.dayId);
          expect(side.done.includes("number")).toBe(own.has("number"));
          expect(side.done.includes("assemble")).toBe(own.has("assemble") || own.has("file"));
        }
      }
      const ofPaper = ["base", "number", "insert", "assemble", "punch", "file"];
      for (const [at, day] of old.days.entries()) {
        const { foundation: _, pageSize: __, inserts: ___, done, ...rest } = day;
        const group = old.days.filter((each) => (each.mergedInto ?? each.id) === (day.mergedInto ?? day.id));
        const hasSide = book.leaves.some((leaf: { front: OldSide; back: OldSide }) =>
          [leaf.front, leaf.back].some(({ owner }) => group.some(({ id }) => id === owner.dayId)),
        );
        const kept = hasSide ? done.filter((step) => !ofPaper.includes(step)) : done;
        expect(days[at]).toEqual(withTypefaces([{ ...rest, done: kept }])[0]);
      }
    }
  });

  it("whose book has no leaf for what a day asks for gets one, inserts before pages, by date", () => {
    for (const old of fourth()) {
      const bare = { ...old, book: null };
      const { book, days } = asRead(bare);
      const wanted = old.days.flatMap((day) => [
        ...day.inserts.map(({ kind, note }) => [day.id, kind, note]),
        ...(day.foundation || day.pageSize ? [[day.id, null, day.foundation?.note ?? ""]] : []),
      ]);
      expect(
        book.leaves.map(({ front, make }) => [
          front.owner.kind === "day" ? front.owner.dayId : null,
          make.insert,
          make.note,
        ]),
      ).toEqual(wanted);
      expect(days.length).toBe(old.days.length);
    }
  });

  it("has its bare leaves as large as they were drawn where it has one of the album's size, else as its whole leaf", () => {
    const seen = new Set<boolean>();
    for (const old of fourth()) {
      const { album, book } = asRead(old);
      const { bare, nominal, outer } = album.format;
      const has = book.leaves.some(
        ({ make }) => make.size === null && make.insert === null && !["full", "pocket"].includes(make.kind),
      );
      seen.add(has);
      expect(bare).toEqual(has ? nominal : outer);
    }
    expect(seen.size).toBe(2);
  });

  it("has measures that agree where it was a ring album as shipped, and else those that were measured", () => {
    const shipped: boolean[] = [];
    for (const old of fourth()) {
      const { format } = old.album as unknown as { format: AlbumFormat };
      const measured = asRead({ ...old, album: { ...old.album, format: { ...format, margin: 20 } } } as Old).album
        .format;
      const { opening, margin, outer, nominal, binding } = asRead(old).album.format;
      expect(measured.margin).toBe(millimetres(20));
      expect(measured.opening).toEqual({ w: millimetres(format.opening.w), h: millimetres(format.opening.h) });
      shipped.push(binding === "ring");
      if (binding !== "ring") continue;
      expect([opening.w - nominal.w, opening.h - nominal.h]).toEqual([inches(3 / 16), inches(3 / 16)]);
      expect(opening.w + margin).toBe(outer.w);
    }
    expect(shipped).toContain(true);
  });

  it("is told where it is damaged, also where a leaf names a day or an insert that is not there", () => {
    const [old] = fourth();
    const spoilt = (change: (raw: Old) => void) => {
      const raw = structuredClone(old) as Old;
      change(raw);
      return readArchive(JSON.stringify(raw));
    };
    const at = (where: string) => ({ ok: false, reason: "damaged", where });
    const leaf = (raw: Old, kind: string) => raw.book.leaves.findIndex(({ of }) => of.kind === kind);
    const [page, insert] = old ? [leaf(old, "page"), leaf(old, "insert")] : [-1, -1];
    expect(spoilt(({ book }) => Object.assign(book.leaves[page]?.of ?? {}, { dayId: "nobody" }))).toEqual(
      at(`book.leaves[${page}].of.dayId`),
    );
    expect(spoilt(({ book }) => Object.assign(book.leaves[insert]?.of ?? {}, { insertId: "nobody" }))).toEqual(
      at(`book.leaves[${insert}].of.insertId`),
    );
    expect(spoilt(({ days }) => Object.assign(days[0] ?? {}, { foundation: { kind: "granite" } }))).toMatchObject({
      ok: false,
      where: expect.stringMatching(/^days\[0\]\.foundation/),
    });
  });
});

/** An archive of the fourth format as it was before cards had a back and a lettering, days jottings, and pictures marks. */
const asThird = (old: Old) => ({
  ...old,
  formatVersion: 3,
  privateTextsLeftOut: undefined,
  album: { ...old.album, photoRule: undefined },
  photos: old.photos.map((photo) => ({ ...photo, star: undefined, banked: undefined, rejected: undefined })),
  days: old.days.map((day) => ({
    ...day,
    technique: undefined,
    jottings: undefined,
    cards: day.cards.map(({ id, size, text }) => ({ id, size, text })),
  })),
});
/** And before prints had crops and pictures looks. */
const asSecond = (old: Old) => {
  const third = asThird(old);
  return {
    ...third,
    formatVersion: 2,
    days: third.days.map((day) => ({ ...day, photos: day.photos.map((use) => ({ ...use, crop: undefined })) })),
    photos: third.photos.map((photo) => ({ ...photo, look: undefined, givenDate: undefined })),
  };
};
/** And before books were laid out and holes measured. */
const asFirst = (old: Old) => {
  const { bindingEdge: _, holes: __, cover: ___, ...format } = old.album.format;
  const { book: ____, ...second } = asSecond(old);
  return { ...second, formatVersion: 1, album: { ...second.album, format: { ...format, binding: "two-hole" } } };
};

/** An archive as it is read from before there were marks, backs and letterings. */
const unmarked = (archive: Archive): Archive => ({
  ...archive,
  privateLeftOut: 0,
  album: { ...archive.album, photoRule: "banked" },
  photos: archive.photos.map((photo) => ({ ...photo, star: false, banked: false, setAside: false })),
  days: archive.days.map((day) => ({
    ...day,
    technique: { text: "", slip: null },
    jottings: [],
    cards: day.cards.map(({ id, size, text }) => ({
      ...{ id, size, text, back: "", setting: null, preprint: null },
      ...{ hidden: "", privateUntil: null },
    })),
  })),
});
const uncropped = (archive: Archive): Archive => ({
  ...unmarked(archive),
  days: unmarked(archive).days.map((day) => ({
    ...day,
    photos: day.photos.map((use) => ({ ...use, crop: AS_IT_COMES })),
  })),
});

describe("an archive of a format before", () => {
  it("the third: fronts only, written as usual", () => {
    for (const old of fourth()) expect(asRead(asThird(old))).toEqual(unmarked(asRead(old)));
  });

  it("the second: prints as they come, pictures plain", () => {
    for (const old of fourth()) expect(asRead(asSecond(old))).toEqual(uncropped(asRead(old)));
  });

  it("the first: holes and cover typical of its binding, and the leaves that follow from its days", () => {
    for (const old of fourth()) {
      const { album, days, book } = asRead(asFirst(old));
      const [upper = 0, lower = 0] = album.format.holes.positions;
      // Two holes 80 mm apart: ISO 838.
      expect(lower - upper).toBe(millimetres(80));
      expect(album.format.cover.w - album.format.outer.w).toBe(inches(1 / 4));
      const bare = uncropped(asRead({ ...old, book: null }));
      expect(days).toEqual(bare.days);
      expect(book.leaves).toEqual(bare.book.leaves);
    }
  });
});
