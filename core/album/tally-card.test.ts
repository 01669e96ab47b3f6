import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { fitCard } from "../words/fit.ts";
import { SMALL_SIZE, settingOf } from "../words/lettering.ts";
import { LIST_CARDS, type ListCard, listCards } from "./tally-card.ts";

const lines = (count: number, text = "The Lamp Keeper, with Ilo") =>
  Array.from({ length: count }, (_, at) => (at === 0 ? `Films: ${count - 1}` : `${at} Dec  ${text}`));
const sizeOf = ({ setting, size }: ListCard): number | null => {
  const { lettering } = settingOf({ setting, size });
  return lettering.kind === "typed" ? lettering.size : null;
};
const verdict = (card: ListCard) => fitCard(card.text, card.size, settingOf(card), "front").verdict.kind;
const inInches = ({ size: { w, h } }: ListCard) => [w / inches(1), h / inches(1)];

describe("the cards of a list", () => {
  it("are made of upright cards, the smallest first", () => {
    expect(LIST_CARDS.map(({ w, h }) => [w / inches(1), h / inches(1)])).toEqual([
      [3, 4],
      [4, 6],
    ]);
  });

  it("are one small one for a short list, as usual; smaller letters for one a little longer; then a larger one", () => {
    const [short, longer, long] = [listCards(lines(5)), listCards(lines(21)), listCards(lines(25))];
    expect([short, longer, long].map((cards) => cards.map(inInches))).toEqual([[[3, 4]], [[3, 4]], [[4, 6]]]);
    expect(short[0]?.setting).toBeNull();
    // Nine points at least where there is a larger card.
    expect(sizeOf(longer[0] as ListCard)).toBeGreaterThanOrEqual(36);
    expect(sizeOf(longer[0] as ListCard)).toBeLessThan(42);
  });

  it("have each line once, in order, under the same heading, and each fits at a size that can be read", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 160 }),
        fc.constantFrom("Ilo", "The Lamp Keeper, with Ilo"),
        (count, text) => {
          const all = lines(count, text);
          const cards = listCards(all);
          expect(cards.flatMap((card) => card.text.split("\n").slice(1))).toEqual(all.slice(1));
          for (const card of cards) {
            expect(card.text.split("\n")[0]).toBe(all[0]);
            expect(verdict(card)).toBe("fits");
            expect(sizeOf(card)).toBeGreaterThanOrEqual(SMALL_SIZE);
          }
          // No card could take the first line of the one after it as well.
          if (cards.length > 1)
            for (const [at, card] of cards.slice(0, -1).entries()) {
              const next = cards[at + 1]?.text.split("\n")[1] ?? "";
              const tried = { ...card, text: `${card.text}\n${next}` };
              expect(verdict({ ...tried, setting: cardAt(card, 36) })).not.toBe("fits");
            }
        },
      ),
      { numRuns: 40 },
    );
  });

  it("is on a card all the same where a line fits none, and of the size that is asked for", () => {
    const endless = listCards(["Guests: 1", "x".repeat(400)]);
    expect(endless.map(({ text }) => text.length)).toEqual([410]);
    const wide = { w: inches(6), h: inches(4) };
    expect(listCards(lines(4), [wide]).map(({ size }) => size)).toEqual([wide]);
    expect(listCards(["Wrappings: 14"]).map(({ text }) => text)).toEqual(["Wrappings: 14"]);
  });
});

/** The card's lettering at a size, in quarters of a point. */
function cardAt(card: ListCard, size: number) {
  const setting = settingOf(card);
  return setting.lettering.kind === "typed" ? { ...setting, lettering: { ...setting.lettering, size } } : setting;
}
