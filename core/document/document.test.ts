import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { decemberDays, fullDay, makeOf } from "../../tests/samples.ts";
import { cardMadeAs } from "../album/card-printing.ts";
import { leafOfDay } from "../album/leaf.ts";
import { EMPTY_DAY, type MatterEntry } from "../album/model.ts";
import { madeAs, type Print } from "../album/print.ts";
import { type Mark, picturesOf } from "../draw/marks.ts";
import { inches } from "../measure/length.ts";
import { rect, rectOf } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { PRINT_PAPERS } from "../sheet/paper.ts";
import { anyPrinter, type PrinterRecord } from "../sheet/printer.ts";
import type { SheetRecord } from "../sheet/record.ts";
import { DOCUMENT, readAsked } from "./asked.ts";
import { type DocumentSource, documentOf } from "./document.ts";

const LEAF = "3f0c1a52-0000-4000-8000-000000000001";
const TITLE = "3f0c1a52-0000-4000-8000-000000000002";
const first = "2026-12-01";
const full = fullDay("1");
const content = { ...full, cards: full.cards.map((each) => ({ ...each, text: "Lanterns" })) };
const { plan, days } = decemberDays({ [first]: content });
const [day] = days;
const [use, card] = [content.photos[0], content.cards[0]];
if (!day || !use || !card) throw new Error("a full day has them");
const title: MatterEntry = {
  id: "title",
  version: 0,
  matter: "title",
  date: null,
  month: null,
  content: { ...EMPTY_DAY, photos: [{ ...use, id: "on the title page" }] },
};
const paper = size(inches(8.5), inches(11));
const sheet = (number: number, of: SheetRecord["of"], printedAt: string | null = null): SheetRecord => ({
  ...{ id: `s${number}`, number, of, paper, printedAt },
  ...{ cuts: [], waste: [], cutsDone: [], printerId: null, borderless: false },
});
const print = (on: number, of: string, made: string): Print => ({
  ...{ id: `p${on}`, of, place: 0, turned: false, spare: false, madeAs: made, state: "made", tile: null, paper: null },
  from: { kind: "sheet", id: `s${on}`, number: on },
  at: rect(0, 0, use.print.w, use.print.h),
});
const source: DocumentSource = {
  album: plan,
  days,
  matters: [title],
  leaves: [leafOfDay(LEAF, makeOf({ kind: "full" }), day.id), leafOfDay(TITLE, makeOf({ kind: "full" }), "title")],
  layouts: [],
  tryOuts: [],
  sheets: [sheet(4, "photos"), sheet(3, "cards"), sheet(2, "photos"), sheet(1, "photos", "2026-12-01T10:00:00Z")],
  prints: [1, 2, 4].map((on) => print(on, use.id, madeAs(use))).concat(print(3, card.id, cardMadeAs(card))),
  printers: [],
  today: first as CalendarDate,
  pageCalled: () => "a page",
  nameOf: () => "Page 1",
};
const ask = (kind: string, file: string, query = "") => readAsked(kind, file, new URLSearchParams(query));
const made = (kind: string, file: string, query = "", from = source) => {
  const read = ask(kind, file, query);
  return read && documentOf(read.asked, from);
};
const wordsOf = (marks: readonly Mark[]): string =>
  marks
    .flatMap((mark) => (mark.kind === "text" ? [mark.text] : mark.kind === "group" ? [wordsOf(mark.marks)] : []))
    .join(" ");

describe("what an address asks for", () => {
  it("is a document of each kind, or nothing", () => {
    const files = {
      leaf: `${LEAF}.back.svg`,
      page: `${LEAF}.back.pdf`,
      opening: `${LEAF}.back.pdf`,
      "punch-guide": "guide.pdf",
      "scale-test": "page.pdf",
      "print-sheets": "to-print.pdf",
      "card-sheets": "3.pdf",
      carriers: "words-back.pdf",
      making: "flip-up.pdf",
      makings: "chosen.pdf",
      openers: "card.pdf",
      book: "openings.a4.others.pdf",
    };
    const query = `paper=a4&cards=${LEAF},${TITLE}&pieces=${LEAF}`;
    const kinds = Object.entries(files).map(
      ([kind, file]) => ask(kind, file, kind === "making" ? FLIP_UP : query)?.asked.kind,
    );
    expect(kinds).toEqual(
      DOCUMENT.options.map((option) => option.shape.kind.value).sort(byOrderOf(Object.keys(files))),
    );
    expect(ask("leaf", files.leaf)).toEqual({ asked: { kind: "leaf", leaf: LEAF, face: "back" }, ending: "svg" });
    expect(ask("print-sheets", "12.pdf")?.asked).toEqual({ kind: "print-sheets", which: 12 });
    for (const [kind, file] of [
      ["leaf", `${LEAF}.spine.pdf`],
      ["leaf", "1.front.pdf"],
      ["leaf", `${LEAF}.front.exe`],
      ["punch-guide", "other.pdf"],
      ["openers", "poster.pdf"],
      ["book", "openings.a4.others.svg"],
      ["book", "openings.a4.everybody.pdf"],
      ["print-sheets", "-1.pdf"],
      ["print-sheets", "pdf"],
      ["carriers", "words-front.pdf"],
      ["constructor", "guide.pdf"],
    ] as const)
      expect(ask(kind, file), `${kind} ${file}`).toBeNull();
  });
});
const FLIP_UP = "paper=cardstock-80&sizes=width:24384,height:32512,edge:1,wing:3048,tab:0";
const byOrderOf = (order: readonly string[]) => (a: string, b: string) => order.indexOf(a) - order.indexOf(b);

describe("a document", () => {
  it("of a sheet is made up for the printer that the sheet was made for, with a white edge or without", () => {
    const bar = inches(6);
    const printer: PrinterRecord = {
      ...{ ...anyPrinter("inch"), id: "mine", bar, across: inches(5), along: bar, last: null },
      borderless: { across: bar, along: inches(4) },
    };
    const sized = (borderless: boolean, printerId: string | null = "mine") => {
      const sheets = source.sheets.map((each) => ({ ...each, printerId, borderless }));
      const page = made("print-sheets", "1.pdf", "", { ...source, sheets, printers: [printer] })?.pages[0];
      const [group] = page?.marks ?? [];
      return group?.kind === "group" ? [group.w / use.print.w, group.h / use.print.h] : [];
    };
    // A bar of six that came out five long is sent six fifths as long.
    expect(sized(false)).toEqual([expect.closeTo(6 / 5, 3), expect.closeTo(1, 3)]);
    expect(sized(true)).toEqual([expect.closeTo(1, 3), expect.closeTo(6 / 4, 3)]);
    expect(sized(false, null)).toEqual([expect.closeTo(1, 3), expect.closeTo(1, 3)]);
  });

  it("of a leaf shows what lies on it, of the front matter too, and leaves out words that are still private", () => {
    const front = made("leaf", `${LEAF}.front.pdf`);
    expect(front?.title).toBe(`${plan.title}, Page 1, front`);
    expect(picturesOf(front?.pages[0]?.marks ?? []).map(({ photoId }) => photoId)).toContain(use.photoId);
    expect(wordsOf(front?.pages[0]?.marks ?? [])).toContain("Lanterns");
    expect(picturesOf(made("leaf", `${TITLE}.front.pdf`)?.pages[0]?.marks ?? [])).toHaveLength(1);
    const hidden = { ...content, cards: [{ ...card, privateUntil: "2026-12-24" as CalendarDate }] };
    const secret = { ...source, days: days.map((each) => (each === day ? { ...day, content: hidden } : each)) };
    const marks = made("leaf", `${LEAF}.front.pdf`, "", secret)?.pages[0]?.marks ?? [];
    expect(wordsOf(marks)).not.toContain("Lanterns");
    expect(made("leaf", `${LEAF.replace("1", "9")}.front.pdf`)).toBeNull();
  });

  it("of a page itself has what is printed on it where it lies, nothing of the leaf, and its rooms white", () => {
    const [page] = made("page", `${LEAF}.front.pdf`)?.pages ?? [];
    const [drawing] = made("leaf", `${LEAF}.front.pdf`)?.pages ?? [];
    expect(picturesOf(page?.marks ?? []).map(({ photoId }) => photoId)).toContain(use.photoId);
    expect(wordsOf(page?.marks ?? [])).toContain("Lanterns");
    // Pictures and letters; of shapes only the line that it is cut along, and the bar it is measured by.
    const kinds = (marks: readonly Mark[]): string[] =>
      marks.flatMap((mark) => (mark.kind === "group" ? kinds(mark.marks) : [mark.kind]));
    const onPage = page?.marks.flatMap((mark) => (mark.kind === "group" ? kinds([mark]) : [])) ?? [];
    expect([...new Set(onPage)].sort()).toEqual(["picture", "text"]);
    expect(page?.marks.filter(({ kind }) => kind === "rect")).toMatchObject([{ stroke: "hair" }]);
    const inDrawing = drawing?.marks.flatMap((mark) => (mark.kind === "group" ? kinds([mark]) : [])) ?? [];
    expect(inDrawing).toContain("rect");
    const bar = inches(6);
    const printers: PrinterRecord[] = [{ ...anyPrinter("inch"), bar, across: inches(6.12), along: bar }];
    const smaller = made("page", `${LEAF}.front.pdf`, "", { ...source, printers })?.pages[0];
    const wide = (sheet: typeof page) =>
      sheet?.marks.flatMap((mark) => (mark.kind === "rect" ? [mark.at.w] : []))[0] ?? 0;
    expect(wide(page) / wide(smaller)).toBeCloseTo(1.02, 3);
  });

  it("of an opening has both its pages, what is seen through film among them, and nothing that is private", () => {
    const secret = { ...content, cards: [{ ...card, privateUntil: "2026-12-24" as CalendarDate }] };
    const leaves = (kind: "full" | "clear") => [
      leafOfDay(TITLE, makeOf({ kind }), "title"),
      leafOfDay(LEAF, makeOf({ kind: "full" }), day.id),
    ];
    const opening = (file: string, kind: "full" | "clear" = "full", of = content) => {
      const days = source.days.map((each) => (each === day ? { ...day, content: of } : each));
      return made("opening", file, "", { ...source, days, leaves: leaves(kind) });
    };
    const seen = (...of: Parameters<typeof opening>) => {
      const marks = opening(...of)?.pages[0]?.marks ?? [];
      const words = wordsOf(marks).includes("Lanterns");
      return { words, pictures: new Set(picturesOf(marks).map(({ photoId }) => photoId)).size };
    };
    // After the first leaf the day's own page is up on the right; before it, only where the first leaf is clear.
    expect(seen(`${LEAF}.front.pdf`).words).toBe(true);
    expect(seen(`${TITLE}.back.pdf`)).toEqual(seen(`${LEAF}.front.pdf`));
    expect(seen(`${TITLE}.front.pdf`).words).toBe(false);
    expect(seen(`${TITLE}.front.pdf`, "clear").words).toBe(true);
    expect(seen(`${TITLE}.front.pdf`, "clear", secret).words).toBe(false);
    expect(opening(`${LEAF}.back.pdf`)?.title).toBe(`${plan.title}, the opening at Page 1`);
    const paper = opening(`${LEAF}.front.pdf`)?.pages[0]?.paper;
    expect((paper?.w ?? 0) > 2 * plan.format.outer.w).toBe(true);
    expect(opening(`${LEAF.replace("1", "9")}.front.pdf`)).toBeNull();
  });

  it("of a construction has a page for each part that is cut, on the back of its paper mirrored, and none where it cannot be", () => {
    const pages = made("making", "flip-up.pdf", FLIP_UP)?.pages.map(({ title }) => title);
    expect(pages).toEqual(["Flip-up: flip, 3 × 4", "Flip-up: hinge strip, ¾ × 4"]);
    expect(made("making", "flip-up.pdf", `${FLIP_UP}&mirrored=yes`)?.pages[0]?.title).toBe(
      "Flip-up: flip, 3 × 4, on the back",
    );
    expect(made("making", "flip-up.pdf", FLIP_UP.replace("wing:3048", "wing:30480"))).toBeNull();
    expect(made("making", "nothing.pdf", FLIP_UP)).toBeNull();
    expect(ask("making", "flip-up.pdf", FLIP_UP.replace("cardstock-80", "gold"))).toBeNull();
    expect(ask("making", "flip-up.pdf", FLIP_UP.replace("24384", "much"))).toBeNull();
    expect(ask("making", "flip-up.pdf", "paper=cardstock-80")).toBeNull();
  });

  it("of constructions on the pages has those that are chosen, ganged on sheets, and none where none of them is there", () => {
    const [first = source.leaves[0], ...others] = source.leaves;
    if (!first) throw new Error("a leaf");
    const pieces = [constructionOf("a"), { ...constructionOf("b", "envelope"), turn: 1 as const }];
    const laid = { ...source, leaves: [{ ...first, front: { ...first.front, pieces } }, ...others] };
    const chosen = (query: string) => made("makings", "chosen.pdf", query, laid)?.pages.map(wordsOn);
    const wordsOn = ({ marks }: { readonly marks: readonly Mark[] }) => wordsOf(marks);
    expect(chosen("pieces=a&sheet=2")?.join()).toContain("Flip-up: flip");
    expect(chosen("pieces=a&sheet=2")?.join()).not.toContain("Envelope");
    expect(chosen("pieces=a,b&sheet=2")?.join()).toContain("Envelope: square");
    expect(chosen("pieces=nobody")).toBeUndefined();
    expect(ask("makings", "chosen.pdf", "pieces=a&sheet=7")).toBeNull();
    expect(ask("makings", "chosen.pdf")).toBeNull();
    expect(ask("makings", "all.pdf", "pieces=a")).toBeNull();
  });

  it("of sheets has those to print in their order, or the one that is named, of its own kind only", () => {
    const toPrint = made("print-sheets", "to-print.pdf");
    expect(toPrint?.pages.map((page) => page.title)).toEqual([`${plan.title}, sheet 2`, `${plan.title}, sheet 4`]);
    for (const { marks } of toPrint?.pages ?? []) expect(picturesOf(marks)).toHaveLength(1);
    expect(made("print-sheets", "1.pdf")?.pages).toHaveLength(1);
    expect(made("print-sheets", "3.pdf")).toBeNull();
    expect(wordsOf(made("card-sheets", "3.pdf")?.pages[0]?.marks ?? [])).toContain("Lanterns");
    expect(made("card-sheets", "4.pdf")).toBeNull();
    expect(made("print-sheets", "to-print.pdf", "", { ...source, sheets: [] })).toBeNull();
  });

  it("of carriers is on the paper that was chosen, and of cards of this album only", () => {
    const id = "3f0c1a52-0000-4000-8000-000000000003";
    const days = source.days.map((each) =>
      each === day ? { ...day, content: { ...content, cards: [{ ...card, id }] } } : each,
    );
    const carrier = made("carriers", "words-front.pdf", `paper=a4&cards=${id},${TITLE}`, { ...source, days });
    expect(rectOf(carrier?.pages[0]?.paper ?? paper)).toEqual(rectOf(PRINT_PAPERS[1].size));
    expect(wordsOf(carrier?.pages[0]?.marks ?? [])).toContain("Lanterns");
    expect(made("carriers", "words-front.pdf", `paper=a4&cards=${TITLE}`, { ...source, days })).toBeNull();
  });
});
