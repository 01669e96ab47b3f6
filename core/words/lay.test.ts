import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anySetting } from "../../tests/samples.ts";
import { inches, millimetres, ticks } from "../measure/length.ts";
import { overlap, rect } from "../measure/rect.ts";
import { compareLetterings, fitCard, largestSize } from "./fit.ts";
import { readHand, SAMPLE } from "./hand.ts";
import { itemsOf } from "./items.ts";
import { countLines, type Laid, type LaidWord, layWords } from "./lay.ts";
import {
  type CardSetting,
  emOf,
  HEADING_STYLES,
  OFFERED_SIZES,
  STAMP_SETS,
  USUAL_HAND,
  usualSetting,
} from "./lettering.ts";
import { measureOf } from "./measure.ts";
import { areaOf } from "./stretches.ts";

const CARD = { w: inches(3), h: inches(4) };
const plain = usualSetting(CARD);
const anyCard = fc.record({
  w: fc.integer({ min: 3000, max: 60_000 }).map(ticks),
  h: fc.integer({ min: 3000, max: 60_000 }).map(ticks),
});
/** Words whose letters stand nearer together whole than in the parts that a line may break them into. */
const KERNED = ["AVAT", "To\u00adVa", "Wa\u00adYo", "flyaway", "Typewriting", "PAVA", "L’ATV", "lantern", "and", "a"];
const anyText = fc.oneof(
  fc.lorem({ maxCount: 80 }),
  fc.string({ unit: "grapheme", maxLength: 80 }),
  fc
    .array(fc.oneof(fc.lorem({ maxCount: 9 }), fc.constant("- a point"), fc.constant("A heading"), fc.constant("")), {
      maxLength: 8,
    })
    .map((all) => all.join("\n")),
);
const typed = (change: Partial<CardSetting>): CardSetting => ({ ...plain, ...change });
const lettersOf = (text: string) => text.replace(/[\s-]/g, "");
const WORDS = ["the", "lantern", "was", "lit", "at", "half", "past", "four", "and", "nobody", "saw", "snow"];
/** How wide a space is in a lettering, in ticks. */
const spaceOf = (lettering: CardSetting["lettering"]) => {
  const { width, unit } = measureOf(lettering);
  return width(" ") * unit;
};

describe("words laid on a card", () => {
  it("are never outside its area, nor on what must be kept clear, however it is set", () => {
    fc.assert(
      fc.property(
        anyText,
        anyCard,
        anySetting,
        fc.constantFrom("front" as const, "back" as const),
        (text, card, given, face) => {
          const setting = { ...given, longWords: "break" as const };
          const { tall, deep } = measureOf(setting.lettering);
          const area = areaOf(card, setting, face);
          const laid = layWords(text, card, setting, face);
          for (const { x, y, w } of laid.words) {
            if (!area) throw new Error("words without an area");
            expect(x).toBeGreaterThanOrEqual(area.x - 1);
            expect(x + w).toBeLessThanOrEqual(area.x + area.w + 2);
            expect(y - tall).toBeGreaterThanOrEqual(area.y - 1);
            expect(y + deep).toBeLessThanOrEqual(area.y + area.h + 1);
            const box = rect(
              x + 1,
              Math.ceil(y - tall) + 1,
              Math.max(0, w - 3),
              Math.max(0, Math.floor(tall + deep) - 3),
            );
            for (const taken of setting.keepOut[face]) expect(overlap(box, taken)).toBeNull();
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it("end at their line's edge also where the parts of a broken word take more room than the whole", () => {
    fc.assert(
      fc.property(
        anySetting,
        fc.array(fc.constantFrom(...KERNED), { minLength: 10, maxLength: 80 }),
        fc.constantFrom(2, 3, 4),
        (setting, words, wide) => {
          const card = { w: inches(wide), h: inches(wide + 1) };
          const area = areaOf(card, setting, "front");
          for (const { x, w } of layWords(words.join(" "), card, setting, "front").words)
            expect(x + w).toBeLessThanOrEqual((area?.x ?? 0) + (area?.w ?? 0) + 2);
        },
      ),
      { numRuns: 2500, seed: 7 },
    );
  });

  it("say every letter of the text in order, as far as there is room and the typeface has it", () => {
    fc.assert(
      fc.property(
        fc.lorem({ maxCount: 60 }),
        anyCard,
        fc.constantFrom("left" as const, "centre" as const, "justified" as const),
        (text, card, align) => {
          const setting = typed({ lettering: { kind: "typed", typeface: "book", size: 40, leading: 120, align } });
          const { words, cut, tooWide } = layWords(text, card, setting, "front");
          if (words.length === 0 || tooWide.length > 0) return;
          expect(lettersOf(words.map((word) => word.text).join(""))).toBe(lettersOf(text.slice(0, cut ?? text.length)));
        },
      ),
    );
  });

  it("count as many lines when they are only counted as when they are laid", () => {
    fc.assert(
      fc.property(anyText, anyCard, anySetting, (text, card, setting) => {
        const { words: _, ...laid } = layWords(text, card, setting, "front");
        const { words: __, ...counted } = { words: [], ...countLines(text, card, setting, "front") };
        expect(counted).toEqual(laid);
      }),
      { numRuns: 60 },
    );
  });

  it("stand in the middle of what remains when a margin will be cut off", () => {
    const lettering = { kind: "typed", typeface: "book", size: 40, leading: 120, align: "centre" } as const;
    const cutOff = { ...plain.cutOff, left: inches(1) };
    const page = { w: inches(8), h: inches(4) };
    const { words } = layWords("bell", page, typed({ lettering, cutOff }), "front");
    const [word] = words;
    if (!word) throw new Error("no word");
    // Seven inches remain; their middle is four and a half from the uncut edge.
    expect(Math.abs(word.x + word.w / 2 - inches(4.5))).toBeLessThanOrEqual(2);
    const back = layWords("bell", page, typed({ lettering, cutOff }), "back").words[0];
    expect(Math.abs((back?.x ?? 0) + (back?.w ?? 0) / 2 - inches(3.5))).toBeLessThanOrEqual(2);
  });

  it("stand in the middle of their area or at its foot when that is wished, with as much room above as is due", () => {
    const area = areaOf(CARD, plain, "front");
    if (!area) throw new Error("no area");
    const heights = (setting: CardSetting) => {
      const { tall, deep } = measureOf(setting.lettering);
      const bases = layWords("bell and fog\nand a light", CARD, setting, "front").words.map(({ y }) => y);
      return { above: Math.min(...bases) - tall - area.y, below: area.y + area.h - Math.max(...bases) - deep };
    };
    const [top, middle, foot] = [plain, typed({ stands: "middle" }), typed({ stands: "foot" })].map(heights);
    expect(Math.abs(top?.above ?? 9)).toBeLessThanOrEqual(1);
    expect(Math.abs((middle?.above ?? 0) - (middle?.below ?? 9))).toBeLessThanOrEqual(2);
    expect(Math.abs(foot?.below ?? 9)).toBeLessThanOrEqual(2);
    // With a strip to keep clear of at the foot they go down as far as it lets them.
    const strip = rect(0, inches(3), CARD.w, inches(1));
    const clear = { stands: "foot" as const, keepOut: { front: [strip], back: [] } };
    const lowest = Math.max(...layWords("bell", CARD, typed(clear), "front").words.map(({ y }) => y));
    expect(lowest).toBeLessThanOrEqual(inches(3));
    expect(lowest).toBeGreaterThan(inches(2.7));
  });

  it("say the same words wherever they stand", () => {
    fc.assert(
      fc.property(anyText, anyCard, anySetting, (text, card, given) => {
        const { stands: _, ...atTop } = given;
        const [top, there] = [layWords(text, card, atTop, "front"), layWords(text, card, given, "front")];
        expect(lettersOf(there.words.map((word) => word.text).join(""))).toBe(
          lettersOf(top.words.map((word) => word.text).join("")),
        );
        const first = ({ words }: typeof top) => Math.min(...words.map(({ y }) => y));
        expect(first(there)).toBeGreaterThanOrEqual(first(top));
      }),
      { numRuns: 200 },
    );
  });

  it("fill justified lines to both edges, all but the last of a paragraph", () => {
    const lettering = { kind: "typed", typeface: "book", size: 40, leading: 120, align: "justified" } as const;
    const { words } = layWords(SAMPLE, CARD, typed({ lettering }), "front");
    const ends = [...new Set(words.map(({ y }) => y))].map((base) =>
      Math.max(...words.filter(({ y }) => y === base).map(({ x, w }) => x + w)),
    );
    const edge = CARD.w - plain.margins.right;
    for (const end of ends.slice(0, -1)) expect(Math.abs(end - edge)).toBeLessThanOrEqual(2);
    expect(ends.length).toBeGreaterThan(3);
  });

  it("are justified by their spaces alone: none is narrower than two thirds of a space, none overlaps the next word (Knuth & Plass 1981)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 28, max: 56 }),
        fc.array(fc.constantFrom(...WORDS), { minLength: 20, maxLength: 60 }),
        (size, chosen) => {
          const lettering = { kind: "typed", typeface: "book", size, leading: 120, align: "justified" } as const;
          const { words } = layWords(chosen.join(" "), CARD, typed({ lettering }), "front");
          const space = spaceOf(lettering);
          for (const base of new Set(words.map(({ y }) => y))) {
            const line = words.filter(({ y }) => y === base).sort((a, b) => a.x - b.x);
            for (const [at, word] of line.slice(1).entries()) {
              const before = line[at];
              if (before) expect(word.x - before.x - before.w).toBeGreaterThanOrEqual((space * 2) / 3 - 3);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it("have headings in bold letters or small capitals: a few words that begin a part of several, and no others", () => {
    const text =
      "Seen today\nThree gulls on the slip rail.\n\nHeard today\nThe foghorn, twice.\n\nNothing else to say.\nAt all.";
    const CARD_OF_HEADINGS = { w: inches(4), h: inches(6) };
    const lettering = { kind: "typed", typeface: "book", size: 42, leading: 125, align: "left" } as const;
    const laid = (headings?: "bold" | "capitals") =>
      layWords(text, CARD_OF_HEADINGS, typed({ lettering: { ...lettering, headings } }), "front");
    const styled = (words: readonly LaidWord[]) => words.filter(({ as }) => as).map((word) => word.text);
    expect(styled(laid().words)).toEqual([]);
    const bold = laid("bold");
    expect(styled(bold.words)).toEqual(["Seen", "today", "Heard", "today"]);
    expect(bold.words[0]?.as).toEqual({ typeface: "book-bold", em: ticks(Math.round(emOf(42))) });
    const small = laid("capitals");
    expect(styled(small.words)).toEqual(["SEEN", "TODAY", "HEARD", "TODAY"]);
    expect(small.words[0]?.as).toEqual({ typeface: "book", em: ticks(Math.round(emOf(42) * 0.75)) });
    // They take the lines that they took, and what stands under them is as it was.
    for (const each of [bold, small]) {
      expect(each.lines).toBe(laid().lines);
      const rest = ({ words }: Pick<Laid, "words">) =>
        words.filter(({ y }) => y !== each.words[0]?.y).filter(({ as }) => !as);
      expect(rest(each)).toEqual(
        rest(laid()).filter(({ text: word, y }) =>
          each.words.some((other) => other.text === word && other.y === y && !other.as),
        ),
      );
    }
    // One line alone heads nothing, nor does a point of a list, a sentence, or a line in the middle.
    const none = (words: string) =>
      styled(
        layWords(words, CARD_OF_HEADINGS, typed({ lettering: { ...lettering, headings: "bold" } }), "front").words,
      );
    for (const words of [
      "Seen today",
      "- Seen\n- Heard",
      "It snowed.\nAll day",
      "First came the ferry and then the fog\nSeen today\nGulls",
    ])
      expect(none(words)).toEqual([]);
  });

  it("hang the points of a list on their marks", () => {
    const { words } = layWords(
      "Heard:\n- a bell that was rung much too early in the day\n- gulls",
      CARD,
      plain,
      "front",
    );
    const marks = words.filter(({ text }) => text === "•" || text === "·");
    expect(marks.length).toBe(2);
    const second = words.filter(({ y }) => y > (marks[0]?.y ?? 0) && y < (marks[1]?.y ?? 0));
    const [begins] = second;
    expect(begins?.x).toBeGreaterThan(marks[0]?.x ?? 0);
  });

  it("leave a gap for a letter the typeface does not have, and a joined emoji counts as one", () => {
    const { laid, lacks } = fitCard("fog 👨‍👩‍👧 bell", CARD, plain, "front");
    expect(lacks).toEqual(["👨‍👩‍👧"]);
    expect(laid.words.map(({ text }) => text)).toEqual(["fog", "bell"]);
    const [fog, bell] = laid.words;
    expect((bell?.x ?? 0) - (fog?.x ?? 0) - (fog?.w ?? 0)).toBeGreaterThan(inches(1 / 10));
    expect(fitCard("6″ × 4″, “Łódź” e\u0301", CARD, plain, "front").lacks).toEqual([]);
  });

  it("are broken between letters and never between a letter and its marks, however they were typed", () => {
    const torn = layWords("e\u0301".repeat(40), { w: inches(1), h: inches(4) }, typed({ longWords: "break" }), "front");
    expect(torn.words.length).toBeGreaterThan(3);
    expect(torn.words.map(({ text }) => text.normalize("NFC")).join("")).toBe("é".repeat(40));
    // Stamps have no letter with a mark on it: the gap for it is as wide as one letter, not as two.
    const [set] = STAMP_SETS;
    if (!set) throw new Error("a set of stamps");
    const stamped = (text: string) =>
      layWords(text, CARD, typed({ lettering: { kind: "stamped", set, align: "left" } }), "front").words;
    expect(stamped("e\u0301ab")).toEqual(stamped("\u00e9ab"));
    expect(stamped("e\u0301ab").map(({ text }) => text)).toEqual(["A", "B"]);
  });

  it("are broken anywhere, or told, when one is wider than the card, as was chosen", () => {
    const long = "Rindfleischetikettierungsüberwachungsaufgabenübertragungsgesetz";
    expect(layWords(long, CARD, typed({ longWords: "break" }), "front").tooWide).toEqual([]);
    expect(layWords(long, CARD, typed({ longWords: "tell" }), "front").tooWide).toEqual([long]);
  });

  it("have nowhere to go on a card smaller than its margins", () => {
    const { verdict } = fitCard("bell", { w: inches(0.4), h: inches(4) }, plain, "front");
    expect(verdict).toEqual({ kind: "no-area" });
  });

  it("are laid in reasonable time when there are a hundred thousand letters of them", () => {
    const { verdict } = fitCard("a bell in the fog\n".repeat(5600), CARD, plain, "front");
    expect(verdict.kind).toBe("over");
  });
});

it("a hundred thousand letters without a space are fitted too, torn or told, ragged or justified", () => {
  const row = "kerning".repeat(14_300);
  for (const align of ["left", "justified"] as const)
    for (const longWords of ["break", "tell"] as const) {
      const lettering = { kind: "typed" as const, typeface: "book" as const, size: 42, leading: 125, align };
      const { verdict, laid } = fitCard(row, CARD, typed({ lettering, longWords }), "front");
      expect(verdict.kind).toBe(longWords === "break" ? "over" : "too-wide");
      const letters = laid.words.map(({ text }) => text).join("");
      if (longWords === "tell") expect(letters).toBe("");
      else expect(row.startsWith(letters) && letters.length > 500).toBe(true);
    }
});

it("parts of a torn word are together as wide as the word, to the letters that want to be nearer", () => {
  fc.assert(
    fc.property(fc.stringMatching(/^[A-Za-z]{2,40}$/), (word) => {
      const measure = measureOf(plain.lettering);
      const items = itemsOf(word, measure, { justified: false, tearOver: 0 });
      const wide = items.reduce((sum, item) => sum + (item.kind === "box" ? item.width : 0), 0);
      expect(wide).toBeGreaterThanOrEqual(measure.width(word) - 1e-9);
      // Two letters that stand nearer than each alone is wide are counted as wide as they are alone: a twentieth at most.
      expect(wide).toBeLessThan(measure.width(word) * 1.25);
    }),
  );
});

describe("what a card says to its words", () => {
  const words = fc.lorem({ maxCount: 70 });

  it("is true: what it names is the largest of the offered sizes at which it fits, found again by laying it at each", () => {
    fc.assert(
      fc.property(words, anyCard, fc.constantFrom(undefined, ...HEADING_STYLES), (text, card, headings) => {
        const lettering = { kind: "typed", typeface: "book", size: 42, leading: 125, align: "left", headings } as const;
        const fits = OFFERED_SIZES.filter((size) => {
          const at = layWords(text, card, typed({ longWords: "tell", lettering: { ...lettering, size } }), "front");
          return at.cut === null && at.tooWide.length === 0 && !at.noArea;
        });
        expect(largestSize(text, card, typed({ lettering }), "front")).toBe(fits.at(-1) ?? null);
      }),
      { numRuns: 40 },
    );
  });

  it("names the fewest words to lose: without them it fits, with one of them more it does not", () => {
    fc.assert(
      fc.property(words, anyCard, (text, card) => {
        const { verdict } = fitCard(text, card, plain, "front");
        if (verdict.kind !== "over") return;
        const starts = [...text.matchAll(/\S+/g)].map(({ index }) => index);
        const kept = starts.length - verdict.words;
        expect(starts[kept]).toBe(verdict.from);
        const cut = (count: number) => layWords(text.slice(0, starts[count]).trimEnd(), card, plain, "front").cut;
        if (kept > 0) expect(cut(kept)).toBeNull();
        if (kept + 1 < starts.length) expect(cut(kept + 1)).not.toBeNull();
      }),
      { numRuns: 40 },
    );
  });
});

describe("words in boxes of a card", () => {
  const box = (text: string, w = 1) => ({
    ...{ id: text, text, typeface: "book" as const, size: 48 },
    at: rect(0, 0, inches(w), inches(1 / 4)),
  });
  const verdict = (text: string, boxes: CardSetting["boxes"], face: "front" | "back" = "front") =>
    fitCard(text, CARD, typed({ stock: "printed", boxes }), face).verdict;

  it("are words: they fit their boxes or are named, whatever else is on the card; on its back there are none", () => {
    expect(verdict("", [box("26 windows"), box("")])).toEqual({ kind: "in-boxes", boxes: 1 });
    expect(verdict("", [box("")])).toEqual({ kind: "empty" });
    const long = "Twenty-six lit windows";
    expect(verdict("", [box(long), box("One")])).toEqual({ kind: "over-boxes", words: [long] });
    expect(verdict("Seen from the slip.", [box(long)])).toEqual({ kind: "over-boxes", words: [long] });
    expect(verdict("Seen from the slip.", [box(long, 2)]).kind).toBe("fits");
    expect(verdict("", [box(long)], "back")).toEqual({ kind: "empty" });
  });
});

describe("letterings with one size", () => {
  it("have ten or twelve typewritten characters to the inch, and six lines (common practice)", () => {
    for (const pitch of [10, 12] as const) {
      const lettering = { kind: "typewriter", pitch, spacing: 1, align: "left" } as const;
      const { words } = layWords("0123456789\nx", { w: inches(4), h: inches(6) }, typed({ lettering }), "front");
      expect(words[0]?.w).toBe(Math.round(inches(10) / pitch));
      expect(Math.abs((words[1]?.y ?? 0) - (words[0]?.y ?? 0) - inches(1 / 6))).toBeLessThanOrEqual(1);
    }
  });

  it("of a typewriter stand on its grid, lists too, with signs that a typewriter has", () => {
    const pitch = inches(1 / 12);
    const setting = typed({ lettering: { kind: "typewriter", pitch: 12, spacing: 1, align: "left" } });
    const text = "* Ice on the rail and gulls on the ice\n• The bell\n12. Nobody rang it but the wind";
    const { words } = layWords(text, CARD, setting, "front");
    const left = setting.margins.left;
    for (const { x } of words) {
      const at = (x - left) / pitch;
      expect(Math.abs(at - Math.round(at))).toBeLessThan(0.02);
    }
    expect(words.filter(({ x }) => x === left).map((word) => word.text)).toEqual(["-", "-", "12."]);
    expect(words.some((word) => /[•·]/.test(word.text))).toBe(false);
  });

  it("do not take seven letters of a large alphabet on a 3 × 4 card (common practice)", () => {
    const [small, , large] = STAMP_SETS.map((set) => ({
      other: set.name,
      lettering: { kind: "stamped", set, align: "left" } as const,
    }));
    if (!small || !large) throw new Error("shipped");
    const [fits, over] = compareLetterings("LANTERN", CARD, plain, "front", [small, large]);
    expect(fits?.fits).toBe(true);
    expect(over?.fits).toBe(false);
    expect(over?.over).toBeGreaterThan(inches(1));
  });

  it("are read off a copy: the hand that wrote it takes as many lines and reaches as far", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1500, max: 3200 }), fc.integer({ min: 30, max: 60 }), (em, tenths) => {
        const wide = inches(tenths / 10);
        const setting = typed({
          lettering: { kind: "handwriting", hand: { ...USUAL_HAND, em: ticks(em), line: millimetres(8) } },
          margins: plain.cutOff,
        });
        const { words, lines } = layWords(SAMPLE, { w: wide, h: inches(40) }, setting, "front");
        const last = words.at(-1);
        const read = readHand("Maren", {
          wide,
          lines,
          last: ticks((last?.x ?? 0) + (last?.w ?? 0)),
          line: millimetres(8),
        });
        if (lines < 2) {
          expect(read.ok).toBe(false);
          return;
        }
        if (!read.ok) throw new Error(read.reason);
        // A line more or less begins at a size, so that a copy tells the size only so far.
        expect(Math.abs(read.hand.em - em) / em).toBeLessThan(0.06);
      }),
    );
    expect(readHand("x", { wide: inches(5), lines: 3, last: inches(6), line: millimetres(8) })).toEqual({
      ok: false,
      reason: "last-beyond",
    });
  });
});
