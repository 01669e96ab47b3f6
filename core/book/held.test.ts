import { describe, expect, it } from "vitest";
import { presetById } from "../album/formats.ts";
import { type Built, type Held, heldIn, type Leaf, leafOfDay, type Piece, PLAIN_PAPER } from "../album/leaf.ts";
import { EMPTY_DAY, newCard } from "../album/model.ts";
import { leavesOfDays } from "../album/page-leaves.ts";
import { poolContent, stepsFor } from "../album/steps.ts";
import { openedBy } from "../album/ticks.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { FOR_GOOD, shareable } from "../share/share.ts";
import { asRooms } from "./edit.ts";
import { readBook } from "./read.ts";

const SIZE = { w: inches(3), h: inches(4) };
const format = presetById("ring-6x8");
if (!format) throw new Error("shipped");
const CARD = newCard("card", SIZE, "Inside");
const OTHER = newCard("other", SIZE, "Beside");

const holding = (holds: readonly Held[], dayId: string | null = null): Piece => {
  const built: Built = {
    ...{ kind: "flip-up", closed: [], micrometres: 0, blanks: [], lengths: {}, counts: {}, ticked: [0], holds },
    steps: [{ minutes: 1, dries: 0 }],
  };
  return {
    ...({ id: "flip", at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId } as const),
    what: { kind: "construction", name: "", size: SIZE, built },
  };
};
const carries = (...ids: readonly string[]): Held[] =>
  ids.map((card, nth) => ({ slot: `side ${nth}`, what: { kind: "card", card } }));
const WORDS: Held = { slot: "words", what: { kind: "words", says: "Its own" } };
const leafWith = (pieces: readonly Piece[]): Leaf => {
  const leaf = leafOfDay("leaf", PLAIN_PAPER, "day");
  return { ...leaf, front: { ...leaf.front, pieces } };
};
const content = { ...EMPTY_DAY, cards: [CARD, OTHER] };

describe("what a construction carries", () => {
  it("lies in it and not beside its page, and is opened again with the side it lies on", () => {
    const page = { label: "1", skipped: false, content: poolContent(content, []), days: [{ id: "day" }] };
    const beside = (leaf: Leaf) =>
      [...(readBook({ format, unit: "inch" }, [page], [leaf]).beside.get(page) ?? [])].map(({ id }) => id);
    expect(beside(leafWith([holding([])]))).toEqual(expect.arrayContaining(["card", "other"]));
    expect(beside(leafWith([holding(carries("card"))]))).toContain("other");
    expect(beside(leafWith([holding(carries("card"))]))).not.toContain("card");

    const leaf = leafWith([holding(carries("card"))]);
    const made: Leaf = { ...leaf, front: { ...leaf.front, done: ["assemble"] } };
    const planned = stepsFor(poolContent(content, []), leavesOfDays([made], ["day"]), "ring");
    const opened = (of: string) => openedBy([made], planned, { happening: "card", of })[0]?.front.done;
    expect(opened("card")).toEqual([]);
  });

  it("is left out of what leaves the household where it is private, and nothing else is", () => {
    const secret = { ...CARD, privateUntil: FOR_GOOD };
    const album = {
      days: [{ id: "day", content: { ...EMPTY_DAY, cards: [secret, OTHER] } }],
      ...{ matters: [], prints: [], tryOuts: [] },
      leaves: [leafWith([holding([...carries("card", "other"), WORDS])])],
    };
    const [piece] = shareable(album, "2026-12-09" as CalendarDate).leaves[0]?.front.pieces ?? [];
    expect(piece && heldIn(piece).map(({ slot }) => slot)).toEqual(["side 1", "words"]);
  });

  it("does not go along when its page is copied for another day, where nothing of it is made yet", () => {
    const [copy] = asRooms([{ piece: holding([...carries("card"), WORDS]), size: SIZE, dayId: null }], () => "new");
    expect(copy && "built" in copy.what && copy.what.built).toMatchObject({ kind: "flip-up", ticked: [], holds: [] });
  });
});
