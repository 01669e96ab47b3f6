import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { stockOf } from "./stock.ts";
import { newThing } from "./thing.ts";
import { finishedBy, isWorthKeeping, makes, papersToCut } from "./to-cut.ts";
import type { Use } from "./uses.ts";

const by = (w: number, h: number) => size(inches(w), inches(h));
const step = inches(1 / 16);
const oak = { ...newThing("Oak", "paper", 1), id: "oak", size: by(6, 8) };
const use = (change: Partial<Use<string>> = {}): Use<string> => ({
  ...{ thing: "oak", leaf: "leaf", face: "front", piece: "piece", kind: "card", size: by(3, 4), across: false },
  ...{ layers: 1, says: null, cut: false, used: false, page: "5" },
  ...change,
});

describe("what is to be cut of paper", () => {
  it("is what is planned of it and neither cut nor used, each layer for itself, on its remainders too", () => {
    const scrap = { ...newThing("oak ", "paper", 1), id: "scrap", size: by(3, 4) };
    const uses = [use({ layers: 2 }), use({ piece: "b", cut: true }), use({ piece: "c", used: true })];
    const [plan, ...others] = papersToCut([oak, scrap, { ...newThing("Star", "sticker"), id: "s" }], uses, step);
    expect(others).toEqual([]);
    expect(plan?.name).toBe("Oak");
    expect(plan?.sheets.flatMap(({ pieces }) => pieces)).toHaveLength(2);
    expect([...(plan?.uses.values() ?? [])].every((each) => each === uses[0])).toBe(true);
    // Its two layers come of two sheets, or of one: it is finished by the last of them.
    const last = plan?.sheets.at(-1);
    expect(plan && last && finishedBy(plan, last)).toEqual([uses[0]]);
    for (const sheet of plan?.sheets.slice(0, -1) ?? []) expect(plan && finishedBy(plan, sheet)).toEqual([]);
    expect(papersToCut([oak], [use({ used: true })], step)).toEqual([]);
    expect(papersToCut([{ ...oak, size: null }], [use()], step)).toEqual([]);
  });

  it("lies as it will lie on its page where the pattern has a top", () => {
    const cutAs = (hasTop: boolean, across: boolean) =>
      papersToCut([{ ...oak, size: by(8, 8), hasTop }], [use({ across })], step)[0]?.sheets[0]?.pieces[0];
    expect(cutAs(true, true)?.at).toMatchObject({ w: inches(4), h: inches(3) });
    expect(cutAs(true, false)?.at).toMatchObject({ w: inches(3), h: inches(4) });
  });

  it("is every blank of a construction, and not its closed size, and a sheet counts what they take of it", () => {
    const pocket = use({ kind: "construction", size: by(3.5, 3.75), blanks: [by(4.25, 6.75), by(1, 6.75)] });
    const [plan] = papersToCut([oak], [pocket], step);
    const sizes = plan?.sheets.flatMap(({ pieces }) => pieces.map(({ at }) => [at.w, at.h].sort((a, b) => a - b)));
    expect(sizes?.sort()).toEqual(
      [
        [inches(1), inches(6.75)],
        [inches(4.25), inches(6.75)],
      ].sort(),
    );
    expect(finishedBy(plan as never, plan?.sheets[0] as never)).toEqual([pocket]);
    // Two of these take more than one sheet of 6 × 8.
    expect(stockOf({ ...oak, count: 2 }, [pocket, pocket]).left).toBe(0);
    expect(stockOf({ ...oak, count: 2 }, [use(), use()]).left).toBe(1);
  });

  it("leaves remainders worth keeping, which make cards or tags", () => {
    // From memory: a 6 × 12 half sheet makes six 3 × 4 cards.
    expect(makes(by(6, 12))).toEqual({ size: by(3, 4), count: 6 });
    expect(makes(by(4.25, 12))).toEqual({ size: by(3, 4), count: 4 });
    expect(makes(by(2.5, 9))).toEqual({ size: by(2, 4), count: 2 });
    expect(makes(by(1.5, 9))).toBeNull();
    expect([by(1, 9), by(0.75, 9)].map(isWorthKeeping)).toEqual([true, false]);
  });
});
