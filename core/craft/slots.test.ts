import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { contains, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { stockOf } from "./built.ts";
import { CRAFTS, craftOf } from "./catalog.ts";
import { made, NOWHERE, usualSizes } from "./craft.ts";
import { areaLaid, laidIn } from "./lies.ts";
import { fitInSlot, heldAt, reheld, slotsOf } from "./slots.ts";

const usual = (kind: string, change: Record<string, number> = {}) => {
  const of = craftOf(kind);
  if (!of) throw new Error(kind);
  const done = made(of, { ...usualSizes(of, NOWHERE), ...change }, stockOf(of.paper));
  if (!done.ok) throw new Error(`${kind}: ${done.setting}`);
  return done;
};

describe("what a construction carries", () => {
  it("is on faces that come to light when it is opened, each within what is seen of it there, and none when it is closed", () => {
    for (const of of CRAFTS) {
      const done = usual(of.kind);
      const slots = slotsOf(done);
      expect(new Set(slots.map(({ id }) => id)).size, of.kind).toBe(slots.length);
      const [closed] = done.states;
      if (!closed) continue;
      const faces = slots.filter(({ goesIn }) => !goesIn).map(({ id: slot }) => ({ slot }));
      expect(heldAt(done, closed, faces).size, of.kind).toBe(0);
      for (const slot of slots) {
        const state = done.states.find(({ id }) => id === slot.state);
        if (!state) continue;
        const at = heldAt(done, state, [{ slot: slot.id }]).get(slot.id);
        expect(at, `${of.kind} ${slot.id}`).toBeDefined();
        if (at) expect(contains(areaLaid(laidIn(done, state)), at), of.kind).toBe(true);
      }
    }
  });

  it("goes under each flip of a page of them, onto every side of a booklet but its cover, and into a pocket", () => {
    const flips = slotsOf(usual("page-of-flips", { count: 3 }));
    expect(flips.map(({ id }) => id)).toEqual(["flip:whole:back", "flip:whole:back:2", "flip:whole:back:3"]);
    expect(new Set(flips.map(({ state }) => state)).size).toBe(3);
    // Six panels of a sheet: the printed side of each is inside, and the cover is a back.
    const panels = slotsOf(usual("grid-booklet")).map(({ id }) => id.split(":")[1]);
    expect(panels).toEqual(["1.1", "1.2", "2.1", "2.2", "3.1", "3.2"]);
    const pocket = slotsOf(usual("tabbed-pocket"));
    expect(pocket).toEqual([
      { id: "in:its room", goesIn: true, name: "", size: size(inches(3), inches(3.75)), state: null },
    ]);
    expect(slotsOf(usual("stacked-word"))).toEqual([]);
    // The smaller page that is tipped in is what goes in, and no face of the construction.
    expect(slotsOf(usual("tip-in")).map(({ id }) => id)).toEqual(["in:page"]);
    expect(slotsOf(usual("overlay-pair")).map(({ id }) => id)).toEqual(["in:lower", "upper:whole:back"]);
  });

  it("goes along when a construction becomes another, and nothing of it is lost", () => {
    const words = (says: string) => ({ kind: "words", says }) as const;
    const card = { kind: "card", card: "c" } as const;
    const pocket = [{ slot: "in:its room", what: card }];
    expect(reheld(pocket, slotsOf(usual("envelope")))).toEqual([{ slot: "in:card", what: card }]);
    expect(reheld(pocket, slotsOf(usual("flip-up")))).toEqual([{ slot: "flip:whole:back", what: card }]);
    const song = slotsOf(usual("grid-booklet")).map(({ id }, nth) => ({ slot: id, what: words(`${nth}`) }));
    const kept = reheld(song, slotsOf(usual("fold-out")));
    expect(kept.map(({ what }) => what)).toEqual(song.map(({ what }) => what));
    expect(kept.slice(0, 3).map(({ slot }) => slot)).toEqual(["strip:a:front", "strip:b:front", "strip:c:front"]);
    expect(kept.slice(3)).toEqual(song.slice(3));
    // Words are written on a side, and do not go into a pocket; what is where it was stays there.
    expect(reheld([{ slot: "gone", what: words("a") }], slotsOf(usual("tabbed-pocket")))[0]?.slot).toBe("gone");
    expect(reheld(song, slotsOf(usual("grid-booklet")))).toEqual(song);
  });

  it("fits as it is, turned, or is told by how much it is too large", () => {
    const slot = { size: size(inches(3), inches(4)) };
    expect(fitInSlot(size(inches(3), inches(4)), slot)).toEqual({ kind: "fits" });
    expect(fitInSlot(size(inches(4), inches(3)), slot)).toEqual({ kind: "turned" });
    expect(fitInSlot(size(inches(4), inches(6)), slot)).toEqual({ kind: "too-large", w: inches(1), h: inches(2) });
    const any = fc.integer({ min: 1, max: 90_000 });
    fc.assert(
      fc.property(any, any, any, any, (w, h, sw, sh) => {
        const box = rect(0, 0, sw, sh);
        const fits = contains(box, rect(0, 0, w, h))
          ? "fits"
          : contains(box, rect(0, 0, h, w))
            ? "turned"
            : "too-large";
        const { w: tw, h: th } = rect(0, 0, w, h);
        expect(fitInSlot(size(tw, th), { size: size(box.w, box.h) }).kind).toBe(fits);
      }),
    );
  });
});
