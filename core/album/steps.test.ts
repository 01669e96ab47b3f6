import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContent, fullDay, leavesOn, PLAIN_USE } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { UNKNOWN_PICTURE } from "../photo/crop.ts";
import { usualSetting } from "../words/lettering.ts";
import { applyEdit, type DayEdit, happeningOf } from "./edit.ts";
import type { Leaf, Piece } from "./leaf.ts";
import { type DayContent, EMPTY_DAY, newCard, STEPS, type Step } from "./model.ts";
import { leavesOfDays } from "./page-leaves.ts";
import { HAPPENINGS, type Made, NOTHING_MADE, poolContent, ringStates, STEP_RULES, stepsFor } from "./steps.ts";
import { tickedBy, tickSteps } from "./ticks.ts";

const SIZE = { w: inches(3), h: inches(4) };
const planned = (content: DayContent, leaves: readonly Leaf[] = [], made: Made = NOTHING_MADE) =>
  stepsFor(poolContent(content, []), leavesOfDays(leaves, ["d"]), "ring", made);
const isDone = (content: DayContent, step: Step, made: Made = NOTHING_MADE, leaves: readonly Leaf[] = []) =>
  planned(content, leaves, made).find((each) => each.step === step)?.done;
const edited = (content: DayContent, ...edits: DayEdit[]): DayContent =>
  edits.reduce((now, edit) => {
    const applied = applyEdit(now, edit, "ring");
    if (!applied.ok) throw new Error(applied.reason);
    return applied.content;
  }, content);
const tick = (step: Step, done: boolean): DayEdit => ({ kind: "step", step, done });

const piece = (id: string, what: Piece["what"], dayId: string | null = null): Piece => ({
  ...{ id, what, at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId },
});
const withFront = (pieces: readonly Piece[]): Leaf[] =>
  leavesOn("d", {}).map((leaf) => ({ ...leaf, front: { ...leaf.front, pieces } }));
const ROOM = piece("room", { kind: "room", keeps: "photo", size: SIZE });

describe("what the program knows of a page", () => {
  const written = edited(
    fullDay(),
    ...fullDay().cards.map(({ id }) => ({ kind: "card-text", id, text: "W" }) as const),
  );

  it("ticks its step: a picture is there, every card has words, its prints are printed, cut out, on the cards", () => {
    expect(isDone(written, "choose")).toBe(true);
    expect(isDone(written, "write")).toBe(true);
    expect(isDone(edited(written, { kind: "add-card", card: newCard("empty", SIZE) }), "write")).toBe(false);
    for (const [fact, step] of [
      ["printed", "print"],
      ["trimmed", "trim"],
      ["lettered", "letter"],
    ] as const) {
      expect(isDone(written, step)).toBe(false);
      expect(isDone(written, step, { ...NOTHING_MADE, [fact]: true })).toBe(true);
    }
  });

  it("is that a room waits, until the room is filled, or the page is said to do without", () => {
    const waiting = withFront([ROOM]);
    const [next] = planned(EMPTY_DAY, waiting);
    expect(next).toMatchObject({ step: "choose", done: false });
    // A room is no work begun.
    expect(ringStates(poolContent(EMPTY_DAY, []), planned(EMPTY_DAY, waiting)).photos).toBe("open");
    expect(isDone(written, "choose", NOTHING_MADE, waiting)).toBe(false);
    expect(isDone(written, "choose", NOTHING_MADE, withFront([]))).toBe(true);
    const without = edited(EMPTY_DAY, { kind: "waive", part: "photos", on: true });
    expect(planned(without, waiting).map(({ step }) => step)).not.toContain("choose");
    const another = withFront([piece("room", { kind: "room", keeps: "card", size: SIZE })]);
    expect(planned(EMPTY_DAY, another)[0]).toMatchObject({ step: "write", done: false });
  });

  it("counts for less than a tick by hand, either way", () => {
    fc.assert(
      fc.property(
        anyContent,
        fc.record({ printed: fc.boolean(), trimmed: fc.boolean(), lettered: fc.boolean() }),
        fc.constantFrom(...STEPS),
        fc.boolean(),
        (content, made, step, done) => {
          const said = edited(content, tick(step, done));
          const is = isDone(said, step, made);
          if (is !== undefined) expect(is).toBe(done);
          // Said the other way it is the other way: nothing of the first stays behind.
          const other = isDone(edited(said, tick(step, !done)), step, made);
          if (other !== undefined) expect(other).toBe(!done);
        },
      ),
    );
  });
});

describe("what happens to a page's things", () => {
  it("opens again what it makes untrue; a number, the punch and the place in the book only by themselves", () => {
    // Common practice: another picture is printed, trimmed and laid anew; the page stays numbered and punched.
    const opens = (happening: (typeof HAPPENINGS)[number]) =>
      STEPS.filter((step) => STEP_RULES[step].reopenedBy.includes(happening));
    expect(Object.fromEntries(HAPPENINGS.map((each) => [each, opens(each)]))).toEqual({
      picture: ["choose", "print", "trim", "assemble"],
      print: ["print", "trim", "assemble"],
      card: ["write", "letter", "assemble"],
      words: ["letter", "assemble"],
      numeral: ["number"],
      leaf: ["base", "insert"],
    });
  });

  it("is told from an edit, and is nothing where nothing was made yet or it changes nothing", () => {
    const day = fullDay();
    const [photo, card] = [day.photos[0], newCard("c", SIZE, "Said")];
    if (!photo) throw new Error("a full day has a photo");
    const worded = edited(day, { kind: "add-card", card });
    const typed = (text: string): DayEdit => ({ kind: "card-text", id: "c", text });
    expect(happeningOf(worded, typed("Other"))).toEqual({ happening: "words", of: "c" });
    // Words that a keeper wrote on the card itself are only kept here.
    const hand = { kind: "handwriting" as const, hand: { name: "Maren", em: inches(0.1), line: inches(0.3) } };
    const byHand = edited(worded, {
      ...({ kind: "card-setting", id: "c" } as const),
      setting: { ...usualSetting(SIZE), lettering: hand },
    });
    expect(happeningOf(byHand, typed("Other"))).toBeNull();
    expect(happeningOf(edited(worded, typed("")), typed("First"))).toBeNull();
    const done = edited(worded, { kind: "finish" });
    expect(edited(done, typed("Said")).done).toEqual(done.done);
    expect(edited(done, { kind: "photo-print", id: photo.id, print: { ...photo.print } }).done).toEqual(done.done);
  });

  it("opens the side that the thing lies on, and no other", () => {
    const day = fullDay();
    const [photo] = day.photos;
    if (!photo) throw new Error("a full day has a photo");
    const use = piece("p", { kind: "photo", use: photo.id, cut: null });
    const two = leavesOn("d", {}, {}).map((leaf, at) => ({
      ...leaf,
      front: { ...leaf.front, pieces: at === 0 ? [use] : [piece("f", { kind: "filler", size: SIZE, name: "" })] },
    }));
    const steps = planned(day, two);
    const leaves = tickSteps(two, steps, STEPS, true);
    const edit: DayEdit = { kind: "photo-picture", id: photo.id, photoId: "other", picture: UNKNOWN_PICTURE };
    const after = tickedBy(edit, leaves, planned(day, leaves), day)?.leaves ?? [];
    expect(after.map(({ front }) => front.done.includes("assemble"))).toEqual([false, true]);
    // Numbered, punched and in the book as before.
    expect(after.map(({ done, front: { done: side } }) => [done, side.filter((step) => step !== "assemble")])).toEqual(
      leaves.map(({ done, front: { done: side } }) => [done, side.filter((step) => step !== "assemble")]),
    );
    const elsewhere: DayEdit = { ...edit, id: "not laid" };
    expect(tickedBy(elsewhere, leaves, planned(day, leaves), day)?.leaves).toEqual(leaves);
  });

  it("leaves a side alone that nobody has arranged, where the thing lies on another", () => {
    const day = fullDay();
    const use = piece("p", { kind: "photo", use: day.photos[0]?.id ?? "", cut: null });
    const two = leavesOn("d", {}, {}).map((leaf, at) =>
      at === 0 ? leaf : { ...leaf, front: { ...leaf.front, pieces: [use] } },
    );
    const leaves = tickSteps(two, planned(day, two), STEPS, true);
    const edit: DayEdit = { kind: "photo-print", id: day.photos[0]?.id ?? "", print: SIZE };
    const after = tickedBy(edit, leaves, planned(day, leaves), day)?.leaves ?? [];
    expect(after.map(({ front }) => front.done.includes("assemble"))).toEqual([true, false]);
  });

  it("opens the first dry fit of a thing that nobody has laid anywhere", () => {
    const day = fullDay();
    const [photo] = day.photos;
    const bare = leavesOn("d", {});
    const leaves = tickSteps(bare, planned(day, bare), STEPS, true);
    const edit: DayEdit = { kind: "photo-print", id: photo?.id ?? "", print: SIZE };
    const [leaf] = tickedBy(edit, leaves, planned(day, leaves), day)?.leaves ?? [];
    expect([leaf?.front.done, leaf?.done]).toEqual([["number"], ["base", "punch", "file"]]);
  });
});

describe("another picture in the place of one", () => {
  const crop = { ...PLAIN_USE.crop, closer: 150, border: inches(1 / 8) };
  const picture = { ...UNKNOWN_PICTURE, width: 400, height: 300 };
  const day: DayContent = {
    ...EMPTY_DAY,
    photos: [
      {
        id: "u",
        photoId: "one",
        print: SIZE,
        alt: "Snow on the sill",
        crop,
        picture,
        onIt: [],
        repeat: null,
        together: null,
        privateUntil: null,
      },
    ],
  };
  const put = (other: typeof picture, photoId = "two") =>
    edited(day, { kind: "photo-picture", id: "u", photoId, picture: other }).photos[0];

  it("keeps size and place, and the crop where it is of the same shape; of its words nothing", () => {
    expect(put({ ...picture, width: 4000, height: 3000 })).toMatchObject({
      id: "u",
      photoId: "two",
      print: SIZE,
      crop,
    });
    expect(put(picture)?.alt).toBe("");
    const upright = put({ ...picture, width: 300, height: 400 });
    expect(upright?.crop).toEqual({ ...PLAIN_USE.crop, border: crop.border });
  });

  it("changes nothing where it is the same, and is refused where the day has it already", () => {
    expect(put(picture, "one")).toEqual(day.photos[0]);
    const both = edited(day, {
      kind: "add-photo",
      photo: { ...PLAIN_USE, id: "v", photoId: "two", print: SIZE, alt: "" },
    });
    expect(applyEdit(both, { kind: "photo-picture", id: "u", photoId: "two", picture }, "ring")).toEqual({
      ok: false,
      reason: "already-there",
    });
  });
});
