import { describe, expect, it } from "vitest";
import { newCard } from "../album/model.ts";
import type { PageContent } from "../album/steps.ts";
import { stockOf } from "../craft/built.ts";
import { craftOf } from "../craft/catalog.ts";
import { made, NOWHERE, usualSizes } from "../craft/craft.ts";
import { slotsOf } from "../craft/slots.ts";
import { inches } from "../measure/length.ts";
import type { Mark } from "./marks.ts";
import { carriedMarks, openedMarks } from "./opened.ts";

const of = craftOf("flip-up");
if (!of) throw new Error("flip-up");
const sizes = { ...usualSizes(of, NOWHERE), width: inches(3), height: inches(4) };
const done = made(of, sizes, stockOf(of.paper));
if (!done.ok) throw new Error("a flip");
const flip = done;
const [slot] = slotsOf(flip);
const open = flip.states.find(({ id }) => id === slot?.state);
const [closed] = flip.states;
if (!slot || !open || !closed) throw new Error("a flip opens");

/** A card of this size is carried under the flip: where it lies. */
const laid = (w: number, h: number) => {
  const content = { photos: [], cards: [newCard("card", { w: inches(w), h: inches(h) }, "Under it")] };
  const drawn = { label: "", content: content as unknown as PageContent };
  return carriedMarks(flip, open, [{ slot: slot.id, what: { kind: "card", card: "card" } }], drawn);
};
const [group] = [laid(3, 4)].map(([mark]) => mark);

describe("a construction that lies open", () => {
  it("shows what it carries in the middle of its face, turned where only so it goes in, and nothing while it is closed", () => {
    expect(group).toMatchObject({ kind: "group", turn: 0, w: inches(3), h: inches(4) });
    const [small] = laid(1, 2);
    const by = (mark: Mark | undefined) => (mark?.kind === "group" ? [mark.x, mark.y] : []);
    const [x = 0, y = 0] = by(group);
    expect(by(small)).toEqual([x + inches(1), y + inches(1)]);
    expect(laid(4, 3)[0]).toMatchObject({ kind: "group", turn: 1 });
    // What fits neither way lies as it is, and stands out.
    expect(laid(5, 6)[0]).toMatchObject({ kind: "group", turn: 0 });
    const held = [{ slot: slot.id, what: { kind: "words", says: "Under it" } } as const];
    const nobody = { label: "", content: null };
    expect(carriedMarks(flip, open, held, nobody)).toHaveLength(1);
    expect(carriedMarks(flip, closed, held, nobody)).toEqual([]);
    // What the day has no more is not drawn.
    expect(carriedMarks(flip, open, [{ slot: slot.id, what: { kind: "photo", use: "gone" } }], nobody)).toEqual([]);
    expect(JSON.stringify(openedMarks(flip, open, held, nobody))).toContain("Under");
  });
});
