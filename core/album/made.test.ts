import { describe, expect, it } from "vitest";
import { PLAIN_USE } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import { at } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { cardMadeAs } from "./card-printing.ts";
import { madeOf, saidAfter } from "./made.ts";
import { EMPTY_DAY, newCard, type PhotoUse, type Step } from "./model.ts";
import { madeAs, type Print, type PrintState, printsByThing } from "./print.ts";

const SIZE = size(inches(6), inches(4));
const use = (id: string): PhotoUse => ({ ...PLAIN_USE, id, photoId: `picture ${id}`, print: SIZE, alt: "" });
const print = (of: string, made: string, state: PrintState): Print => ({
  ...{ id: `${of} ${state}`, of, place: 0, turned: false, spare: false, madeAs: made, state, tile: null, paper: null },
  from: { kind: "sheet", id: "s", number: 1 },
  at: at({ x: inches(0), y: inches(0) }, SIZE),
});
const [one, two] = [use("one"), use("two")];
const things = { ...EMPTY_DAY, photos: [one, two] };
const prints = (...states: readonly (readonly [PhotoUse, PrintState])[]) =>
  printsByThing(states.map(([of, state]) => print(of.id, madeAs(of), state)));

describe("what is on paper", () => {
  it("is all of it, or not yet; of nothing nothing is", () => {
    expect(madeOf(things, prints([one, "printed"]))).toMatchObject({ printed: false, trimmed: false });
    expect(madeOf(things, prints([one, "trimmed"], [two, "printed"]))).toMatchObject({ printed: true, trimmed: false });
    expect(madeOf(things, prints([one, "trimmed"], [two, "trimmed"]))).toMatchObject({ printed: true, trimmed: true });
    expect(madeOf(things, prints([one, "trimmed"], [two, "spoiled"]))).toMatchObject({ printed: false });
    expect(madeOf(EMPTY_DAY, new Map())).toEqual({ printed: false, trimmed: false, lettered: false });
  });

  it("is of the picture it was printed of: another one in its place is not printed", () => {
    const made = prints([one, "trimmed"], [two, "trimmed"]);
    const other = { ...things, photos: [one, { ...two, photoId: "another" }] };
    expect(madeOf(other, made)).toMatchObject({ printed: false, trimmed: false });
  });

  it("is the words of a card as they are now", () => {
    const card = newCard("c", SIZE, "Said");
    const made = printsByThing([print("c", cardMadeAs(card), "printed")]);
    expect(madeOf({ ...EMPTY_DAY, cards: [card] }, made).lettered).toBe(true);
    expect(madeOf({ ...EMPTY_DAY, cards: [{ ...card, text: "Said again" }] }, made).lettered).toBe(false);
  });
});

describe("what was said of a page by hand", () => {
  const said = (done: readonly Step[], undone: readonly Step[] = []) => ({ done, undone });
  const all = prints([one, "printed"], [two, "printed"]);

  it("no longer holds when a print is spoiled, or was not printed after all; nor does what is cut out of it", () => {
    const after = prints([one, "printed"], [two, "spoiled"]);
    expect(saidAfter(said(["print", "base"]), things, all, after)).toEqual({
      ...said(["base"]),
      steps: ["print"],
    });
    const cut = prints([one, "trimmed"], [two, "trimmed"]);
    expect(saidAfter(said(["trim"]), things, cut, all)?.done).toEqual([]);
    // That one of two is printed takes nothing back of what was said of both.
    expect(saidAfter(said(["print"]), things, new Map(), prints([one, "printed"]))).toBeNull();
  });

  it("is not said to be open any more once all of it is printed, and stays what it was where nothing came of it", () => {
    expect(saidAfter(said([], ["print"]), things, prints([one, "printed"]), all)).toEqual({
      ...said([]),
      steps: ["print"],
    });
    expect(saidAfter(said([], ["print", "choose"]), things, all, all)).toBeNull();
    expect(saidAfter(said(["letter", "choose"], ["trim"]), things, new Map(), all)).toBeNull();
  });
});
