import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { compareLetterings, fitCard } from "./fit.ts";
import { type CardSetting, usualSetting } from "./lettering.ts";

const CARD = { w: inches(3), h: inches(4) };
const LONG = "Causewaykeeperlamplighterslipwaymendersforthewholeofthewinter";

describe("a word that would have to be broken", () => {
  const usual = usualSetting(CARD);
  const chosen: CardSetting = { ...usual, longWords: "break" };

  it("does not fit where nobody chose to break it, and does where they did", () => {
    expect(fitCard(LONG, CARD, usual, "front").verdict).toMatchObject({ kind: "too-wide", words: [LONG] });
    expect(fitCard(LONG, CARD, chosen, "front").verdict.kind).toBe("fits");
  });

  it("is counted alike where one lettering is compared with others", () => {
    const typewriter = ([10, 12] as const).map((pitch) => ({
      other: pitch,
      lettering: { kind: "typewriter", pitch, spacing: 1, align: "left" } as const,
    }));
    expect(compareLetterings(LONG, CARD, usual, "front", typewriter).map(({ fits }) => fits)).toEqual([false, false]);
    expect(compareLetterings(LONG, CARD, chosen, "front", typewriter).map(({ fits }) => fits)).toEqual([true, true]);
    expect(compareLetterings("A lamp", CARD, usual, "front", typewriter).every(({ fits }) => fits)).toBe(true);
  });
});
