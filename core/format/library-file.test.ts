import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLayout, anyMake, anyPiece, anyPlan, anySize } from "../../tests/samples.ts";
import { checkFormat } from "../album/formats.ts";
import { readLayout } from "../book/layout.ts";
import type { TemplatePiece } from "../book/template.ts";
import { ticks } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import {
  LIBRARY_FORMAT,
  LIBRARY_VERSION,
  type LibraryThing,
  readLibraryFile,
  writeLibraryFile,
} from "./library-file.ts";

const name = fc.string({ minLength: 1, maxLength: 30 }).filter((text) => /^[\w ]*\w[\w ]*$/.test(text));
const length = fc.integer({ min: 1, max: 200_000 }).map(ticks);
const layout = fc
  .record({ drawn: anyLayout, page: anySize, name })
  .map(({ drawn, ...rest }) => ({ ...drawn, ...rest }))
  .filter((each) => readLayout(each, each.page).ok);
const pieces = fc
  .array(anyPiece, { maxLength: 6 })
  .map((all) =>
    all.flatMap(({ id: _, dayId: __, what, ...lies }): TemplatePiece[] =>
      what.kind === "photo" || what.kind === "card" ? [] : [{ what, ...lies }],
    ),
  );
const anyThing: fc.Arbitrary<LibraryThing> = fc.oneof(
  fc.record({ kind: fc.constant("hand" as const), hand: fc.record({ name, em: length, line: length }) }),
  fc.record({
    kind: fc.constant("stamp-set" as const),
    set: fc.record({
      name,
      high: length,
      usual: length,
      narrow: length,
      broad: length,
      between: length,
      space: length,
    }),
  }),
  fc.record({ kind: fc.constant("layout" as const), layout }),
  fc.record({
    kind: fc.constant("template" as const),
    layout: fc.option(layout),
    template: fc.record({
      name,
      page: anySize,
      kind: anyMake.map(({ kind }) => kind),
      layout: fc.constant(null),
      pieces,
    }),
  }),
  fc.record({
    kind: fc.constant("making" as const),
    making: fc.record({
      name,
      kind: fc.constantFrom("flip-up", "stacked-word"),
      paper: fc.constantFrom("vellum" as const, "cardstock-80" as const),
      lengths: fc.dictionary(fc.constantFrom("width", "height", "tab"), length),
      counts: fc.dictionary(fc.constantFrom("edge", "layers"), fc.integer({ min: 0, max: 9 })),
      own: fc.constant([{ kind: "slit" as const, part: "flip", at: rect(8, 16, 24, 0) }]),
    }),
  }),
  anyPlan
    .filter(({ format }) => checkFormat(format) === null)
    .map(({ unit, format }) => ({ kind: "format" as const, unit, format })),
);

describe("a file of something a household keeps", () => {
  it("reads back as what was written, lengths to the tick", () => {
    fc.assert(
      fc.property(anyThing, (thing) => {
        expect(readLibraryFile(writeLibraryFile(thing))).toEqual({ ok: true, thing });
      }),
    );
  });

  it("is written so that an older reader still knows what it knew", () => {
    fc.assert(
      fc.property(anyThing, (thing) => {
        const { formatVersion } = JSON.parse(writeLibraryFile(thing));
        expect(formatVersion).toBe(thing.kind === "making" ? 2 : 1);
      }),
      { numRuns: 40 },
    );
  });

  it("is refused when it is something else, from a newer format, damaged, or cannot be true", () => {
    const hand = { kind: "hand", hand: { name: "Petra", em: 7, line: 8 } };
    const file = (thing: unknown, change: object = {}) =>
      JSON.stringify({ format: LIBRARY_FORMAT, formatVersion: LIBRARY_VERSION, lengths: "mm", thing, ...change });
    expect(readLibraryFile(`\uFEFF${file(hand)}`)).toMatchObject({ ok: true });
    for (const [text, reason] of [
      ["{", "not-a-library-file"],
      ['{"format":"hearth-clock-album","formatVersion":7}', "not-a-library-file"],
      [file(hand, { formatVersion: LIBRARY_VERSION + 1 }), "newer-format"],
      [file({ ...hand, hand: { name: "Petra", em: 0, line: 8 } }), "damaged"],
      [file({ kind: "hand", hand: { name: "", em: 7, line: 8 } }), "damaged"],
      [file({ kind: "somebody" }), "damaged"],
      [
        file({ kind: "making", making: { name: "A", kind: "no-such", paper: "vellum", lengths: {}, counts: {} } }),
        "damaged",
      ],
      [
        file({ kind: "layout", layout: { name: "Six", page: { w: 10, h: 10 }, margin: 40, root: { kind: "pocket" } } }),
        "damaged",
      ],
      [
        file({ kind: "layout", layout: { name: "Deep", page: { w: 100, h: 100 }, margin: 0, root: deep(40) } }),
        "damaged",
      ],
    ] as const)
      expect(readLibraryFile(text), text.slice(0, 200)).toEqual({ ok: false, reason });
  });
});

/** A tree of splits this deep. */
const deep = (levels: number): object =>
  levels === 0 ? { kind: "pocket" } : { kind: "rows", seam: 0, parts: [{ share: 1, node: deep(levels - 1) }] };
