import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { anyAlbum, decemberDays, fullDay, leavesOn, makeOf } from "../../tests/samples.ts";
import type { Leaf, Piece, Side } from "../album/leaf.ts";
import { type DayContent, EMPTY_DAY, type MatterEntry, newCard, type PhotoUse } from "../album/model.ts";
import { madeAs, type Print } from "../album/print.ts";
import { inches, ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { OnIt } from "../photo/on-it.ts";
import { FOR_GOOD } from "../share/share.ts";
import type { EndKind } from "./end-mark.ts";
import { type EndsSource, type LooseEnd, looseEnds, wordsKey } from "./loose-ends.ts";

const DAY = "2026-12-02";
const AFTER = "2026-12-31" as CalendarDate;
const NAMES = { people: ["Ilo", "Mara"], keepers: ["Ada"] };
const UNKNOWN = { capturedAt: null, givenDate: null };

type Given = {
  content?: Partial<DayContent>;
  leaves?: readonly Leaf[];
  prints?: readonly Print[];
  matters?: readonly MatterEntry[];
  people?: OnIt;
  skipped?: boolean;
};

/** A day that is done and in the book, everything of it mended, but for what is given. */
const whole = fullDay();
const use = whole.photos[0] as PhotoUse;
const DONE: DayContent = {
  ...whole,
  ...{ title: "Told", done: ["choose", "print", "trim", "write", "letter"] },
  photos: [{ ...use, alt: "The boats" }],
  cards: [{ ...newCard("card", { w: inches(3), h: inches(4) }), text: "Ilo, Mara and Ada at the boats" }],
};
const doneSide = (side: Side): Side => ({ ...side, done: ["number", "assemble"] });
function doneLeaves(...makes: Parameters<typeof makeOf>): Leaf[] {
  return leavesOn(DAY, makeOf(makes[0] ?? { kind: "full" })).map((leaf) => ({
    ...{ ...leaf, done: ["base", "punch", "file"] },
    ...{ front: doneSide(leaf.front), back: doneSide(leaf.back) },
  }));
}
function album({
  content = {},
  leaves = doneLeaves(),
  prints = [],
  matters = [],
  people,
  skipped = false,
}: Given): EndsSource {
  const { plan, days: all } = decemberDays({ [DAY]: { ...DONE, ...content } });
  const days = all.filter(({ id }) => id === DAY).map((day) => ({ ...day, skipped }));
  const photos = new Map([["roll", { ...UNKNOWN, people: people === undefined ? ["Ilo", "Mara", "Ada"] : people }]]);
  const span = { start: DAY as CalendarDate, end: DAY as CalendarDate };
  return { ...{ album: { ...plan, span }, days, leaves, layouts: [], prints, photos }, matters };
}
const ends = (given: Given, today: CalendarDate = AFTER) => looseEnds(album(given), NAMES, today);
const kinds = (given: Given, today?: CalendarDate) => ends(given, today).map(({ kind }) => kind);

const print = (state: Print["state"], from: Print["from"] = { kind: "hand" }): Print => ({
  ...{ id: `print ${state}`, of: use.id, place: 0, turned: false, spare: false, madeAs: madeAs(use), state },
  ...{ from, tile: null, paper: null, at: rect(0, 0, use.print.w, use.print.h) },
});
const matter = (given: Partial<MatterEntry>): MatterEntry => ({
  ...{ id: "m", matter: "month-calendar", date: null, month: null, version: 0, content: EMPTY_DAY },
  ...given,
});
const piece = (what: Piece["what"], id = "p"): Piece => ({
  ...{ id, what, at: { x: ticks(0), y: ticks(0) }, turn: 0, outside: false, dayId: null },
});
/** The day's leaf with these on its front, beside its print and its card. */
function laid(pieces: readonly Piece[], make: Parameters<typeof makeOf>[0] = { kind: "full" }): Leaf[] {
  const own = [piece({ kind: "photo", use: use.id, cut: null }, use.id), piece({ kind: "card", card: "card" }, "card")];
  return doneLeaves(make).map((leaf) => ({ ...leaf, front: { ...leaf.front, pieces: [...own, ...pieces] } }));
}
const room: Piece = piece({ kind: "room", keeps: "card", size: { w: inches(3), h: inches(4) } });
const opensLeft = (by: number) => ({
  ...constructionOf("flip", "flip-up", { sizes: { edge: by, tab: 0 } }),
  at: { x: inches(1), y: inches(2) },
});
const TAB: Piece = {
  ...piece({ kind: "tab", size: { w: inches(1), h: inches(1) }, name: "Tab" }, "tab"),
  at: { x: inches(2), y: inches(3) },
};
const unnumbered = { numeral: { style: "none", note: "" } } as const;

/** For every kind what makes it hang loose, and the same with its cause mended. */
const CAUSES: Record<Exclude<EndKind, "slip" | "through">, readonly [Given, Given]> = {
  note: [{ content: { note: "Come back to this" } }, {}],
  come: [
    { content: { cards: DONE.cards.map((card) => ({ ...card, privateUntil: "2026-12-24" as CalendarDate })) } },
    { content: { cards: DONE.cards.map((card) => ({ ...card, privateUntil: FOR_GOOD })) } },
  ],
  spoiled: [{ prints: [print("spoiled")] }, { prints: [print("spoiled"), print("trimmed")] }],
  names: [
    { content: { cards: [{ ...newCard("card", { w: inches(3), h: inches(4) }), text: "At the boats with Mara" }] } },
    {
      content: {
        cards: [{ ...newCard("card", { w: inches(3), h: inches(4) }), text: "Mara’s and Ilo’s boats, by Ada" }],
      },
    },
  ],
  wordless: [
    {
      content: { cards: [newCard("card", { w: inches(3), h: inches(4) })], done: ["choose", "print", "trim"] },
      people: [],
    },
    { people: [] },
  ],
  room: [{ leaves: laid([room]), content: { done: ["choose", "print", "trim", "letter"] } }, { leaves: laid([]) }],
  fit: [
    { leaves: laid([piece({ kind: "filler", size: { w: inches(9), h: inches(10) }, name: "Map" })]) },
    { leaves: laid([]) },
  ],
  rings: [{ leaves: laid([opensLeft(3)]) }, { leaves: laid([opensLeft(0)]) }],
  nobody: [{ people: ["Ilo", "Mara"] }, {}],
  print: [{ content: { done: ["choose", "write", "letter"], photos: DONE.photos } }, {}],
  lab: [
    { prints: [print("made", { kind: "lab", id: "l", number: 1, due: "2027-01-04" as CalendarDate })] },
    { prints: [print("printed")] },
  ],
  jotted: [
    {
      content: { ...EMPTY_DAY, jottings: [{ id: "j", text: "Fog", at: `${DAY}T18:00`, privateUntil: null }] },
      leaves: [],
    },
    {},
  ],
  nearly: [{ leaves: doneLeaves().map((leaf) => ({ ...leaf, done: [] })) }, {}],
  bare: [{ content: EMPTY_DAY, leaves: [] }, {}],
  skipped: [{ skipped: true }, { skipped: false }],
  calendar: [
    { matters: [matter({})], content: { title: "" } },
    { matters: [matter({})], content: { title: "Told" } },
  ],
  matter: [
    { matters: [matter({ matter: "title" })] },
    {
      matters: [
        matter({
          matter: "title",
          content: { ...EMPTY_DAY, cards: [{ ...newCard("t", { w: inches(3), h: inches(4) }), text: "A year" }] },
        }),
      ],
    },
  ],
  pocket: [
    { leaves: doneLeaves({ kind: "pocket", layout: "four" }), content: unnumbered },
    { leaves: doneLeaves({ kind: "full" }), content: unnumbered },
  ],
  hint: [{ leaves: laid([opensLeft(0)]) }, { leaves: laid([opensLeft(0), TAB]) }],
  described: [{ content: { photos: [use] } }, {}],
  unmarked: [{}, {}],
};

describe("loose ends", () => {
  it.each(Object.entries(CAUSES).filter(([kind]) => kind !== "unmarked"))(
    "%s is there for as long as its cause is",
    (kind, [loose, mended]) => {
      expect(kinds(loose), "with its cause").toContain(kind);
      expect(kinds(mended), "once it is mended").not.toContain(kind);
    },
  );

  it("is none of an album where all is well, and of one of nothing", () => {
    expect(ends({})).toEqual([]);
    const nothing = { ...album({}), days: [], leaves: [], photos: new Map() };
    expect(looseEnds(nothing, NAMES, AFTER)).toEqual([]);
  });

  it("tells of days that are skipped in one, and of what is away at a lab however far its page is", () => {
    const { album: plan, days, ...rest } = album({ content: EMPTY_DAY, leaves: [], skipped: true });
    expect(looseEnds({ ...rest, album: plan, days }, NAMES, AFTER)).toMatchObject([
      { kind: "skipped", entry: null, page: null, of: [DAY] },
    ]);
    const away = print("made", { kind: "lab", id: "l", number: 1, due: "2027-01-04" as CalendarDate });
    const far = {
      content: { ...DONE, done: [], cards: [newCard("card", { w: inches(3), h: inches(4) })] },
      prints: [away],
    };
    const own = ends({ ...far, leaves: leavesOn(DAY, makeOf({ kind: "full" })), people: null });
    expect(own.map(({ kind, due, of }) => [kind, due, of])).toEqual([["lab", "2027-01-04", [use.id]]]);
  });

  it("asks no name of a picture with one alone on it, and says those of several that the words leave out", () => {
    const cards = [{ ...newCard("card", { w: inches(3), h: inches(4) }), text: "At the boats with Mara" }];
    expect(kinds({ content: { cards }, people: ["Ilo"] })).not.toContain("names");
    const [names] = ends({ content: { cards }, people: ["Ilo", "Mara"] }).filter(({ kind }) => kind === "names");
    expect(names?.names).toEqual(["Ilo"]);
  });

  it("says nothing of days that are still ahead", () => {
    const loose = { content: { note: "Later", ...unnumbered }, leaves: [] };
    expect(kinds(loose)).toContain("note");
    expect(ends(loose, "2026-12-01" as CalendarDate)).toEqual([]);
  });

  it("says that somebody is on no picture only once it is known of most who is on them, the keeper first", () => {
    const on = (people: readonly OnIt[]) => {
      const photos = people.map((_, at) => ({ ...use, id: `u${at}`, photoId: `r${at}`, alt: "Seen" }));
      const source = album({ content: { photos } });
      const roll = new Map(people.map((each, at) => [`r${at}`, { ...UNKNOWN, people: each }]));
      return looseEnds({ ...source, photos: roll }, NAMES, AFTER).filter(
        ({ kind }) => kind === "nobody" || kind === "unmarked",
      );
    };
    expect(on([null, null, null])).toEqual([]);
    expect(on([["Mara"], null, null]).map(({ kind, of }) => [kind, of])).toEqual([["unmarked", ["r1", "r2"]]]);
    const most = on([["Mara"], [], null]);
    expect(most.map(({ kind }) => kind)).toEqual(["unmarked", "nobody"]);
    expect(most.at(-1)?.names).toEqual(["Ada", "Ilo"]);
  });

  it("keeps a note apart from another by a key that says nothing of its words", () => {
    expect(wordsKey("who is who?")).not.toEqual(wordsKey("who was that?"));
    expect(wordsKey("who is who?")).toMatch(/^[0-9a-f]{1,8}$/);
    // Offset basis and prime as published for 32 bits (FNV, draft-eastlake-fnv).
    expect([wordsKey(""), wordsKey("a"), wordsKey("foobar")]).toEqual(["811c9dc5", "e40c292c", "bf9cf968"]);
  });
});

/** What is said of a day's content once the cause of an end is mended there. */
function mended({ kind, slips = [] }: LooseEnd, content: DayContent): DayContent {
  switch (kind) {
    case "note":
      return { ...content, note: "" };
    case "come": {
      const open = <T extends { privateUntil: CalendarDate | null }>(all: readonly T[]) =>
        all.map((each) => ({ ...each, privateUntil: null }));
      return {
        ...content,
        privateUntil: null,
        photos: open(content.photos),
        cards: open(content.cards),
        jottings: open(content.jottings),
      };
    }
    case "wordless":
      return { ...content, cards: content.cards.map((card) => ({ ...card, text: "Words" })) };
    case "jotted":
      return { ...content, waived: [...content.waived, "words"] };
    case "bare":
      return { ...content, title: "Told" };
    case "skipped":
      return { ...content, photos: [], cards: [], jottings: [] };
    case "described":
      return { ...content, photos: content.photos.map((each) => ({ ...each, alt: "Seen" })) };
    case "slip":
      return { ...content, leftAlone: [...content.leftAlone, ...slips.map(({ slip }) => slip)] };
    case "print":
      return { ...content, done: [...content.done, "print"] };
    default:
      return content;
  }
}

describe("loose ends of any album", () => {
  it("each has a cause, by kind and page, whose mending removes it", () => {
    const mends: readonly EndKind[] = [
      "note",
      "come",
      "wordless",
      "jotted",
      "bare",
      "skipped",
      "described",
      "slip",
      "print",
    ];
    fc.assert(
      fc.property(
        anyAlbum,
        fc.array(fc.constantFrom(null, [], ["Ilo"], ["Ilo", "Mara"]), { minLength: 1 }),
        ({ plan, days, leaves }, marks) => {
          const ids = days.flatMap(({ content }) => content.photos.map(({ photoId }) => photoId));
          const photos = new Map(ids.map((id, at) => [id, { ...UNKNOWN, people: marks[at % marks.length] ?? null }]));
          const source: EndsSource = { album: plan, days, leaves, layouts: [], prints: [], photos, matters: [] };
          const today = "2099-01-01" as CalendarDate;
          const found = looseEnds(source, NAMES, today);
          // Each is known by its kind and its page, so that what is said of it is said of it alone.
          const keys = found
            .filter(({ kind }) => !["rings", "hint"].includes(kind))
            .map(({ kind, entry }) => `${kind} ${entry}`);
          expect(new Set(keys).size).toBe(keys.length);
          for (const end of found
            .slice(0, 8)
            .filter(({ kind, entry }) => mends.includes(kind) && (kind !== "skipped" || entry !== null))) {
            const own = new Set(end.page && "group" in end.page ? end.page.days.map(({ id }) => id) : []);
            const isOne = end.kind === "note";
            const after = days.map((day) =>
              end.entry === null || (isOne ? day.id === end.entry : own.has(day.id))
                ? { ...day, content: mended(end, day.content) }
                : day,
            );
            const left = looseEnds({ ...source, days: after }, NAMES, today);
            expect(
              left.filter(({ kind, entry }) => kind === end.kind && entry === end.entry),
              end.kind,
            ).toEqual([]);
          }
        },
      ),
      { numRuns: 8 },
    );
  });
});
