import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { decemberDays, fullDay, leavesOn, makeOf } from "../../tests/samples.ts";
import { type Leaf, NOBODY, type Piece } from "../album/leaf.ts";
import { type AnyPage, allPagesOf } from "../album/matter.ts";
import { type DayContent, EMPTY_DAY, newCard } from "../album/model.ts";
import { readBook } from "../book/read.ts";
import { type Mark, picturesOf } from "../draw/marks.ts";
import { inches } from "../measure/length.ts";
import { openBook } from "./open-book.ts";
import { pageCalled, pageTitled } from "./page-called.ts";
import { wordsAlone, wordsAsHtml, wordsAsText } from "./words-alone.ts";

const DAY = "2026-12-02";
const held = [{ slot: "flip:whole:back", what: { kind: "words" as const, says: "Under the flip" } }];
const filler = (id: string, says: string): Piece => ({
  ...{ id, at: { x: inches(1), y: inches(1) }, turn: 0, outside: false, dayId: null },
  what: { kind: "filler", size: { w: inches(2), h: inches(1) }, name: "Label", says },
});

function bookOf(content: Partial<DayContent>, pieces: readonly Piece[], more: readonly Leaf[] = []) {
  const { plan, days } = decemberDays({ [DAY]: { ...EMPTY_DAY, ...content } });
  const own = leavesOn(DAY, makeOf({ kind: "full" })).map((leaf) => ({ ...leaf, front: { ...leaf.front, pieces } }));
  const leaves = [...own, ...more];
  const pages = allPagesOf({ album: plan, days, leaves, prints: [], matters: [] });
  return { pages, leaves: readBook<AnyPage>(plan, pages, leaves).leaves, format: plan.format };
}

describe("what a page is called", () => {
  it("is its number and date, and its title once", () => {
    const [, page] = bookOf({ title: "Lights" }, []).pages;
    if (!page) throw new Error("a December has two days");
    expect([pageCalled(page), pageTitled(page)]).toEqual(["Day 2, Wednesday, 2 December 2026", "Day 2: Lights"]);
  });
});

describe("the words of a book", () => {
  const card = { ...newCard("c", { w: inches(3), h: inches(4) }, "Front of <it>"), back: "And its back" };
  const content = { title: "Lights", prompt: { text: "How many?", slip: null }, cards: [card], note: "Ask Quill" };
  const nobodys = leavesOn(DAY, makeOf({ kind: "full" })).map((leaf) => ({
    ...{ ...leaf, id: "nobody's" },
    front: { ...leaf.front, owner: NOBODY, pieces: [filler("alone", "Of no day")] },
    back: { ...leaf.back, owner: NOBODY },
  }));
  const { pages, leaves } = bookOf(
    content,
    [filler("f", "Written on it"), constructionOf("p", "page-of-flips", { holds: held })],
    nobodys,
  );
  const chapters = wordsAlone(pages, leaves);

  it("are a chapter a page: title, prompt, both sides of cards, what is on pieces and in them, and no note", () => {
    expect(chapters).toEqual([
      {
        called: "Day 2, Wednesday, 2 December 2026",
        ...{ title: "Lights", prompt: "How many?" },
        texts: ["Front of <it>", "And its back", "Written on it", "Under the flip"],
      },
      { called: "On leaves of no day", title: "", prompt: "", texts: ["Of no day"] },
    ]);
  });

  it("are written as text, and as HTML that no word breaks", () => {
    expect(wordsAsText("Ours", chapters)).toBe(
      "Ours\n\n\nDay 2, Wednesday, 2 December 2026: Lights\n\n(How many?)\n\nFront of <it>\n\nAnd its back\n\nWritten on it\n\nUnder the flip\n\n\nOn leaves of no day\n\nOf no day\n",
    );
    const html = wordsAsHtml("Ours & theirs", chapters);
    expect(html).toContain("<title>Ours &#38; theirs</title>");
    expect(html).toContain("<p>Front of &#60;it&#62;</p>");
  });
});

describe("an opening that is written out", () => {
  /** Every mark with where its groups put it; none of these is turned. */
  const placed = (marks: readonly Mark[], x = 0, y = 0): { x: number; y: number; text: string }[] =>
    marks.flatMap((mark) =>
      mark.kind === "group"
        ? placed(mark.marks, x + mark.x, y + mark.y)
        : mark.kind === "text"
          ? [{ x: x + mark.x, y: y + mark.y, text: mark.text }]
          : [],
    );

  it("has each way a construction opens, where it lies, with what it carries", () => {
    const photo = fullDay("x").photos[0];
    if (!photo) throw new Error("a full day has one");
    const holds = [...held, { slot: "flip:whole:front", what: { kind: "photo" as const, use: photo.id } }];
    const piece = { ...constructionOf("p", "page-of-flips", { holds }), at: { x: inches(1), y: inches(2) } };
    const { leaves, format } = bookOf({ photos: [photo] }, [piece]);
    const openings = openBook(leaves, format, pageTitled);
    const [opening] = openings.filter(({ opens }) => opens.length > 0);
    const [opens] = opening?.opens ?? [];
    if (!opening || !opens) throw new Error("it opens");
    expect(opens.states.length).toBeGreaterThan(0);
    const states = opens.states.flatMap((state) => state.marks);
    expect(picturesOf(states).length).toBeGreaterThan(0);
    const words = placed(states).filter(({ text }) => "Under the flip".includes(text));
    expect(words.length).toBeGreaterThan(0);
    for (const { x, y } of words) {
      // Turned up it reaches beyond where it lies, but no further than its own size.
      expect(Math.abs(x - opens.lies.x)).toBeLessThanOrEqual(2 * opens.lies.w);
      expect(Math.abs(y - opens.lies.y)).toBeLessThanOrEqual(2 * opens.lies.h);
    }
    for (const { marks } of opens.states) {
      const [there] = marks;
      expect(there).toMatchObject({ kind: "group", x: opens.lies.x, y: opens.lies.y });
    }
    expect(opens.lies.x).not.toBe(opens.lies.y);
  });

  it("is none of a book without a leaf", () => {
    const { format } = bookOf({}, []);
    expect(openBook([], format, () => "")).toEqual([]);
  });
});
