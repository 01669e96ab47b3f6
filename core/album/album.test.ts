import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, anyContent, anyMake, fullDay, leavesOn, TAG } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { applyEdit, clashingChange, type DayEdit } from "./edit.ts";
import { FORMAT_PRESETS, overMeasured } from "./formats.ts";
import { LEAF_KINDS, type LeafMake } from "./leaf.ts";
import { type DayContent, EMPTY_DAY, newCard, PARTS, STEPS } from "./model.ts";
import { pagesOf, progressOf } from "./page.ts";
import { leavesOfDays, type PageLeaf } from "./page-leaves.ts";
import { fullness, poolContent, ringStates, stepsFor } from "./steps.ts";
import { tickSteps } from "./ticks.ts";

/** The leaves of a full day: a tag over a page of paper. */
const FULL = leavesOfDays(leavesOn("d", TAG, {}), ["d"]);
const pageOf = (make: Partial<LeafMake>) => leavesOfDays(leavesOn("d", make), ["d"]);
const steps = (content: DayContent, leaves: readonly PageLeaf[] = [], binding: "ring" | "sewn" = "ring") =>
  stepsFor(poolContent(content, []), leaves, binding).map(({ step }) => step);
const states = (content: DayContent, leaves: readonly PageLeaf[] = [], skipped = false) =>
  ringStates(poolContent(content, []), stepsFor(poolContent(content, []), leaves, "ring"), skipped);

const anyEdit: fc.Arbitrary<DayEdit> = fc.oneof(
  fc.record({ kind: fc.constant("title" as const), text: fc.string() }),
  fc.record({ kind: fc.constant("waive" as const), part: fc.constantFrom(...PARTS), on: fc.boolean() }),
  fc.record({ kind: fc.constant("step" as const), step: fc.constantFrom(...STEPS), done: fc.boolean() }),
  fc.record({ kind: fc.constant("finish" as const) }),
  fc.record({
    kind: fc.constant("add-card" as const),
    card: fc.tuple(fc.uuid(), fc.string()).map(([id, text]) => newCard(id, { w: inches(3), h: inches(4) }, text)),
  }),
);

describe("the steps of a day", () => {
  it("follow from what it has: no photo, no photo steps; no words, no word steps", () => {
    expect(steps(EMPTY_DAY)).toEqual([]);
    const { photos: _, ...rest } = fullDay();
    expect(steps({ ...EMPTY_DAY, ...rest, photos: [] }, FULL)).toEqual([
      "write",
      "letter",
      "base",
      "number",
      "insert",
      "assemble",
      "punch",
      "file",
    ]);
    expect(steps({ ...fullDay(), cards: [] }, pageOf({}))).toEqual([
      "choose",
      "print",
      "trim",
      "base",
      "number",
      "assemble",
      "punch",
      "file",
    ]);
  });

  it("never punch a sewn book, nor a protector that comes punched", () => {
    expect(steps(fullDay(), FULL, "sewn")).not.toContain("punch");
    expect(steps(fullDay(), pageOf({ kind: "pocket", layout: "four" }))).not.toContain("punch");
  });

  it("punch every leaf that the book holds by its own holes: paper, clear and vellum, and any insert; none in a sewn book", () => {
    for (const kind of LEAF_KINDS) {
      // Protectors come punched; anything without one is punched itself (common practice).
      const comesPunched = kind === "full" || kind === "pocket";
      expect(steps(fullDay(), pageOf({ kind })).includes("punch"), kind).toBe(!comesPunched);
      const withTag = leavesOfDays(leavesOn("d", TAG, { kind }), ["d"]);
      expect(steps(fullDay(), withTag).includes("punch"), `${kind} with an insert`).toBe(true);
      expect(steps(fullDay(), withTag, "sewn").includes("punch"), `${kind}, sewn`).toBe(false);
    }
  });

  it("are each in one ring, in working order, none twice", () => {
    fc.assert(
      fc.property(anyContent, fc.array(anyMake, { maxLength: 3 }), (content, makes) => {
        const named = steps(content, leavesOfDays(leavesOn("d", ...makes), ["d"]));
        expect(new Set(named).size).toBe(named.length);
        expect(named).toEqual(STEPS.filter((step) => named.includes(step)));
      }),
    );
  });
});

describe("the rings of a day", () => {
  it("are all open on an empty day and all short lines on a skipped one", () => {
    expect(new Set(Object.values(states(EMPTY_DAY)))).toEqual(new Set(["open"]));
    expect(new Set(Object.values(states(fullDay(), FULL, true)))).toEqual(new Set(["not-needed"]));
  });

  it("are filled exactly when a finished day has its prompt", () => {
    fc.assert(
      fc.property(anyContent, fc.array(anyMake, { maxLength: 3 }), (content, makes) => {
        const begun = { ...content, prompt: { text: "A cue", slip: null } };
        const leaves = leavesOn("d", ...makes);
        const planned = stepsFor(poolContent(begun, []), leavesOfDays(leaves, ["d"]), "ring");
        const finished = applyEdit(begun, { kind: "finish" }, "ring", planned);
        if (!finished.ok) return;
        const named = planned.map(({ step }) => step);
        const after = states(finished.content, leavesOfDays(tickSteps(leaves, planned, named, true), ["d"]));
        expect(after.book).toBe("done");
        for (const ring of ["photos", "words", "paper"] as const)
          expect(["done", "open", "not-needed"]).toContain(after[ring]);
      }),
    );
  });

  it("show a part done without as a short line, unless it has something after all", () => {
    const waived = { ...EMPTY_DAY, waived: ["photos" as const] };
    expect(states(waived).photos).toBe("not-needed");
    expect(states({ ...fullDay(), waived: ["photos"] }).photos).toBe("begun");
  });

  it("never empty when one more step is ticked", () => {
    fc.assert(
      fc.property(anyContent, fc.constantFrom(...STEPS), (content, step) => {
        const ticked = applyEdit(content, { kind: "step", step, done: true }, "ring");
        if (ticked.ok) expect(fullness(states(ticked.content))).toBeGreaterThanOrEqual(fullness(states(content)));
      }),
    );
  });
});

describe("an edit of a day", () => {
  it("writes only what it names, and doing it twice is doing it once", () => {
    fc.assert(
      fc.property(anyContent, anyEdit, (content, edit) => {
        const once = applyEdit(content, edit, "ring");
        if (!once.ok) return;
        const twice = applyEdit(once.content, edit, "ring");
        expect(twice.ok && twice.content).toEqual(once.content);
      }),
    );
  });

  it("reopens the steps that make a piece when another such piece comes", () => {
    const finished = applyEdit(fullDay(), { kind: "finish" }, "ring");
    if (!finished.ok) throw new Error("a full day can be finished");
    expect(states(finished.content).words).toBe("done");
    const card = newCard("another", { w: inches(3), h: inches(4) });
    const added = applyEdit(finished.content, { kind: "add-card", card }, "ring");
    expect(added.ok && states(added.content).words).toBe("begun");
    expect(added.ok && states(added.content).photos).toBe("done");
  });

  it("reopens with another photo what is done for photos and the laying out, never the number or the punch", () => {
    const finished = applyEdit(fullDay(), { kind: "finish" }, "ring");
    const [photo] = fullDay().photos;
    if (!finished.ok || !photo) throw new Error("a full day has a photo and can be finished");
    const another = { ...photo, id: "another", photoId: "another" };
    const added = applyEdit(finished.content, { kind: "add-photo", photo: another }, "ring");
    if (!added.ok) throw new Error(added.reason);
    const reopened = finished.content.done.filter((step) => !added.content.done.includes(step));
    expect(reopened).toEqual(["choose", "print", "trim", "assemble"]);
    expect(added.fields).toEqual(expect.arrayContaining(["photo:another", "step:choose", "step:print", "step:trim"]));
    expect(states(added.content).photos).toBe("begun");
  });

  it("says so when its piece is gone, and when the picture is on the day already", () => {
    expect(applyEdit(EMPTY_DAY, { kind: "card-text", id: "nobody", text: "words" }, "ring")).toEqual({
      ok: false,
      reason: "piece-gone",
    });
    const [photo] = fullDay().photos;
    if (!photo) throw new Error("a full day has a photo");
    expect(applyEdit(fullDay(), { kind: "add-photo", photo: { ...photo, id: "second" } }, "ring")).toEqual({
      ok: false,
      reason: "already-there",
    });
    expect(applyEdit(EMPTY_DAY, { kind: "finish" }, "ring")).toEqual({ ok: false, reason: "nothing-to-finish" });
  });
});

/** Every field that differs between two contents of a day, worked out from the contents alone. */
function fieldsThatDiffer(was: DayContent, is: DayContent): string[] {
  const differs = (one: unknown, other: unknown) => JSON.stringify(one) !== JSON.stringify(other);
  const whole = (["title", "note", "prompt", "technique", "numeral"] as const).filter((name) =>
    differs(was[name], is[name]),
  );
  const members = (name: string, one: readonly string[], other: readonly string[]) =>
    [...new Set([...one, ...other])].flatMap((each) =>
      one.includes(each) === other.includes(each) ? [] : [`${name}:${each}`],
    );
  type Piece = { readonly id: string };
  const pieces = <T extends Piece>(
    one: readonly T[],
    other: readonly T[],
    of: (a: T, b: T) => string[],
    came: string,
  ) =>
    [...new Set([...one, ...other].map(({ id }) => id))].flatMap((id) => {
      const [a, b] = [one.find((each) => each.id === id), other.find((each) => each.id === id)];
      return a && b ? of(a, b).map((name) => `${name}:${id}`) : [`${came}:${id}`];
    });
  const named = (pairs: readonly (readonly [string, unknown, unknown])[]) =>
    pairs.flatMap(([name, one, other]) => (differs(one, other) ? [name] : []));
  return [
    ...whole,
    ...members("waived", was.waived, is.waived),
    ...new Set([...members("step", was.done, is.done), ...members("step", was.undone, is.undone)]),
    ...pieces(
      was.cards,
      is.cards,
      (a, b) =>
        named([
          ["card", a.text, b.text],
          ["card-back", a.back, b.back],
          ["card-size", a.size, b.size],
          ["card-setting", a.setting, b.setting],
          ["card-secrecy", [a.hidden, a.privateUntil], [b.hidden, b.privateUntil]],
        ]),
      "card",
    ),
    ...pieces(was.jottings, is.jottings, (a, b) => named([["jotting", a, b]]), "jotting"),
    ...pieces(
      was.photos,
      is.photos,
      (a, b) =>
        named([
          ["photo", a.alt, b.alt],
          ["photo-print", a.print, b.print],
          ["photo-crop", a.crop, b.crop],
        ]),
      "photo",
    ),
  ];
}

describe("the fields that an edit says it wrote", () => {
  it("are all that it changed: another window compares with nothing else", () => {
    fc.assert(
      fc.property(anyContent, anyEdit, (content, edit) => {
        const saved = applyEdit(content, edit, "ring");
        if (!saved.ok) return;
        expect(saved.fields).toEqual(expect.arrayContaining(fieldsThatDiffer(content, saved.content)));
      }),
    );
  });
});

describe("two windows on one day", () => {
  const saved = (version: number, ...fields: string[]) => ({
    version,
    fields,
    by: "Tobiah",
    at: "2026-12-09T18:40:00Z",
  });

  it("clash only on the field both wrote, and only after the version the later one saw", () => {
    const changes = [saved(3, "title"), saved(4, "note"), saved(5, "title", "prompt")];
    expect(clashingChange(changes, 2, ["title"])?.version).toBe(5);
    expect(clashingChange(changes, 3, ["note"])?.version).toBe(4);
    expect(clashingChange(changes, 4, ["note"])).toBeNull();
    expect(clashingChange(changes, 0, ["numeral"])).toBeNull();
  });
});

describe("a whole album", () => {
  it("has each day inside its span on exactly one page, and never more in the book than wanted", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        expect(pages.flatMap((page) => page.days.map(({ id }) => id))).toEqual(days.map(({ id }) => id));
        const { inBook, wanted } = progressOf(pages);
        expect(inBook).toBeLessThanOrEqual(wanted);
      }),
      { numRuns: 30 },
    );
  });
});

describe("the presets", () => {
  it.each(FORMAT_PRESETS.map((preset) => [preset.name, preset] as const))(
    "%s: its page goes in its opening, and that in its leaf",
    (_, preset) => {
      expect(preset.opening.w).toBeGreaterThanOrEqual(preset.nominal.w);
      expect(preset.opening.h).toBeGreaterThanOrEqual(preset.nominal.h);
      expect(overMeasured(preset)).toBe(0);
      expect(preset.outer.h).toBeGreaterThanOrEqual(preset.opening.h);
    },
  );
});
