import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLeaves, anyPageSize, anyPiece, PLAIN_USE } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { numeralOf } from "../album/leaf.ts";
import { newCard } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import { readBook } from "../book/read.ts";
import { behind, cutsThrough, seenThroughBase, seenThroughPiece } from "../book/windows.ts";
import { inches, millimetres, ticks, toMillimetres } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { AS_IT_COMES, frameFor, UNKNOWN_PICTURE } from "../photo/crop.ts";
import { widthOf } from "../words/typefaces.ts";
import type { Mark } from "./marks.ts";
import { pieceMarks, placedMarks } from "./piece.ts";
import { sideMarks } from "./side.ts";
import { escaped, type PictureHref, svgFile, svgMarks } from "./svg.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const href: PictureHref = (mark) => (mark.kind === "picture" ? `/photos/${mark.photoId}` : "");
const content = (change: Partial<PageContent>): PageContent => ({
  prompt: { text: "", slip: null },
  technique: { text: "", slip: null },
  waived: [],
  numeral: { style: "none", note: "" },
  photos: [],
  cards: [],
  jottings: [],
  done: [],
  undone: [],
  driesUntil: null,
  ...change,
});
const nobody = { content: null, label: "" };

/** Every mark, those in groups too. */
const flat = (marks: readonly Mark[]): Mark[] =>
  marks.flatMap((mark) => (mark.kind === "group" ? flat(mark.marks) : [mark]));

describe("marks as SVG", () => {
  it("escape every word, whatever it holds", () => {
    fc.assert(
      fc.property(fc.string({ unit: "grapheme" }), (text) => {
        const svg = svgMarks(
          [{ kind: "text", x: ticks(0), y: ticks(0), text, typeface: "plain", size: ticks(320) }],
          href,
        );
        const inside = svg.replace(/^<text[^>]*>/, "").replace(/<\/text>$/, "");
        expect(inside).toBe(escaped(text));
        expect(inside).not.toMatch(/[<>"']/);
      }),
    );
  });

  it("say millimetres that read back as the same tick", () => {
    fc.assert(
      fc.property(anyPageSize, ({ w, h }) => {
        const svg = svgMarks([{ kind: "rect", at: rect(w, h, w, h), fill: "paper" }], href);
        const said = [...svg.matchAll(/(x|y|width|height)="([-\d.]+)"/g)].map(([, , n]) => Math.round(Number(n) * 320));
        expect(said).toEqual([w, h, w, h]);
      }),
    );
  });

  it("turn a group by quarters so that its turned box begins where it is told", () => {
    for (const [turn, transform] of [
      [0, "translate(10 20)"],
      [1, "translate(40 20) rotate(90)"],
      [2, "translate(30 50) rotate(180)"],
      [3, "translate(10 40) rotate(270)"],
    ] as const) {
      const group: Mark = {
        kind: "group",
        x: millimetres(10),
        y: millimetres(20),
        turn,
        w: millimetres(20),
        h: millimetres(30),
        marks: [],
      };
      expect(svgMarks([group], href)).toBe(`<g transform="${transform}"></g>`);
    }
  });

  it("show only the part of a picture that was not cut off, and name it for who cannot see it", () => {
    const svg = svgMarks(
      [
        {
          kind: "picture",
          photoId: "p",
          alt: 'Gran & "bread"',
          crop: AS_IT_COMES,
          picture: { ...UNKNOWN_PICTURE, width: 1200, height: 600 },
          at: rect(-320, 0, 640, 320),
          shown: rect(0, 0, 320, 320),
        },
      ],
      href,
    );
    expect(svg).toContain('<svg x="0" y="0" width="1" height="1" viewBox="0 0 1 1">');
    expect(svg).toContain('<image href="/photos/p" x="-1" y="0" width="2" height="1"');
    expect(svg).toContain("<title>Gran &#38; &#34;bread&#34;</title>");
  });

  it("lay a cropped picture so that just its crop fills the print inside the border", () => {
    const print = size(inches(6), inches(4));
    const crop = { ...AS_IT_COMES, keep: { x: 2000, y: 9000 }, closer: 150, border: inches(1 / 4) };
    const facts = { ...UNKNOWN_PICTURE, width: 4000, height: 3000 };
    const at = rect(0, 0, print.w, print.h);
    const svg = svgMarks([{ kind: "picture", photoId: "p", alt: "", crop, picture: facts, at, shown: at }], href);
    const [, x = 0, y = 0, w = 0, h = 0] = (
      /<image href="[^"]*" x="([^"]+)" y="([^"]+)" width="([^"]+)" height="([^"]+)"/.exec(svg) ?? []
    ).map(Number);
    // The whole picture keeps its proportion, and its crop lies on the inner 5½ × 3½.
    expect(w / h).toBeCloseTo(4 / 3, 4);
    const frame = frameFor(facts, print, crop);
    expect(x + frame.x * w).toBeCloseTo(6.35, 3);
    expect(y + frame.y * h).toBeCloseTo(6.35, 3);
    expect(frame.w * w).toBeCloseTo(5.5 * 25.4, 3);
    expect(svg).toContain('<svg x="6.35" y="6.35" width="139.7" height="88.9"');
  });

  it("of a file say its true size", () => {
    const file = svgFile([], rect(0, 0, inches(8.5), inches(11)), "A & B", href);
    expect(file).toContain('width="215.9mm" height="279.4mm" viewBox="0 0 215.9 279.4"');
    expect(file).toContain("<title>A &#38; B</title>");
  });
});

describe("a side as marks", () => {
  it("draws every piece of any book without a number that is none", () => {
    fc.assert(
      fc.property(anyLeaves, (leaves) => {
        for (const read of readBook({ format: preset, unit: "inch" }, [], leaves).leaves) {
          for (const face of ["front", "back"] as const) {
            const svg = svgMarks(sideMarks(read, face, preset), href);
            expect(svg).not.toMatch(/NaN|undefined|Infinity/);
            // Through film and vellum, what is clear itself of the other face is seen the wrong way round: a group in a group.
            const through = seenThroughBase(read) === "opaque" ? [] : behind(read, face);
            const clear = through.filter(
              ({ placed: { piece, fit } }) =>
                fit.kind !== "beside" && piece.what.kind !== "window" && seenThroughPiece(piece) !== "opaque",
            );
            // What is left of a page with windows is drawn part by part.
            if (cutsThrough(read, face).length > 0) continue;
            const groups = read[face].pieces.length + 2 * clear.length;
            expect(svg.split("<g ").length - 1).toBe(groups);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it("keeps a card's words inside the card, whatever its size", () => {
    fc.assert(
      fc.property(anyPageSize, fc.lorem({ maxCount: 120 }), (size, text) => {
        const card = {
          id: "c",
          what: { kind: "card" as const, card: "c" },
          at: { x: ticks(0), y: ticks(0) },
          turn: 0 as const,
          outside: false,
          dayId: null,
        };
        const marks = pieceMarks(card, size, { content: content({ cards: [newCard("c", size, text)] }), label: "" });
        for (const mark of marks) {
          if (mark.kind !== "text") continue;
          expect(mark.y).toBeLessThanOrEqual(size.h);
          expect(mark.x + widthOf(mark.typeface, mark.text) * mark.size).toBeLessThanOrEqual(size.w + 2);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("draws a print's two parts as the one picture, each with its own part of it", () => {
    const use = { id: "u", photoId: "roll", print: { w: inches(6), h: inches(4) }, alt: "Nets", ...PLAIN_USE };
    const half = (x: number) => ({
      id: `h${x}`,
      what: { kind: "photo" as const, use: "u", cut: rect(inches(x), 0, inches(3), inches(4)) },
      at: { x: ticks(0), y: ticks(0) },
      turn: 0 as const,
      outside: false,
      dayId: null,
    });
    const pictures = [0, 3].flatMap((x) =>
      flat(placedMarks(half(x), { content: content({ photos: [use] }), label: "" })).filter(
        ({ kind }) => kind === "picture",
      ),
    );
    expect(
      pictures.map((mark) => mark.kind === "picture" && [toMillimetres(mark.at.x), mark.at.w, mark.shown.w]),
    ).toEqual([
      [0, inches(6), inches(3)],
      [-76.2, inches(6), inches(3)],
    ]);
  });

  it("draws nothing where the day no longer has the photo or card, and a number no wider than its piece", () => {
    fc.assert(
      fc.property(anyPiece, anyPageSize, fc.integer({ min: 1, max: 31 }), (piece, size, number) => {
        const gone = { ...piece, what: { kind: "card" as const, card: "gone" } };
        expect(placedMarks(gone, nobody)).toEqual([]);
        const numeral = { ...piece, what: numeralOf(size) };
        const label = `${number}·${number + 1}`;
        const [text] = pieceMarks(numeral, size, { content: null, label }).filter(({ kind }) => kind === "text");
        expect(text?.kind === "text" && text.size * 0.62 * label.length).toBeLessThanOrEqual(size.w);
      }),
    );
  });
});
