import { inches } from "../../core/measure/length.ts";
import { type CalendarDate, datesFrom } from "../../core/month/dates.ts";
import { deal } from "../../core/words/deal.ts";
import { type DealDay, WISHES } from "../../core/words/deal-ask.ts";
import { DECKS } from "../../core/words/decks.ts";
import { fitCard } from "../../core/words/fit.ts";
import { usualSetting } from "../../core/words/lettering.ts";
import { ANY_DAY, type Slip } from "../../core/words/slip.ts";
import { median } from "./recompute.ts";

const WORDS =
  "the lamp was lit before the fog came in over the causeway and nobody minded because extraordinary saffron loaves stood cooling on every windowsill from the quay to the signal tower".split(
    " ",
  );
/** Three hundred words, another text each time, as it is while somebody types. */
const textOf = (seed: number): string =>
  Array.from({ length: 300 }, (_, at) => WORDS[(at * 7 + (at % 5) + seed) % WORDS.length]).join(" ");

const timed = (work: () => void): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** A card of 300 words fitted: laid, its largest size found, and the words to lose; justified, with hyphens. */
export function measureFit300(): number {
  const card = { w: inches(4), h: inches(6) };
  const usual = usualSetting(card);
  const setting = { ...usual, lettering: { ...usual.lettering, align: "justified" } } as typeof usual;
  const all = Array.from({ length: 60 }, (_, seed) => timed(() => fitCard(textOf(seed), card, setting, "front")));
  // The first ones warm up what every later one uses.
  return median(all.slice(20));
}

const openDays = (first: string, count: number): DealDay[] =>
  datesFrom(first as CalendarDate, count).map((date) => ({ date, state: "open" }));

/** A month dealt from the shipped decks of prompts. */
export function measureDeal(): number {
  const slips = DECKS.filter(({ jar }) => jar === "prompt").flatMap((deck) => deck.slips);
  const days = openDays("2026-12-01", 31);
  const all = Array.from({ length: 40 }, (_, seed) =>
    timed(() => deal({ days, slips, seed, wishes: new Set(WISHES) })),
  );
  return median(all.slice(5));
}

/** A year dealt from ten decks of 365 slips, some bound to weekdays and some to a date. */
export function measureDeal365(): number {
  const slips = Array.from({ length: 3650 }, (_, at): Slip => {
    const [deck, slip] = [Math.floor(at / 365), at % 365];
    const on: Slip["on"] =
      slip % 50 === 0
        ? { kind: "weekdays", days: [6, 7] }
        : slip % 73 === 0
          ? { kind: "date", date: `${String(deck + 1).padStart(2, "0")}-${String((slip % 28) + 1).padStart(2, "0")}` }
          : ANY_DAY;
    return { id: `${deck}/${slip}`, kind: `${deck}-${slip % 7}`, text: "", on };
  });
  const days = openDays("2026-01-01", 365);
  const all = Array.from({ length: 7 }, (_, seed) => timed(() => deal({ days, slips, seed, wishes: new Set(WISHES) })));
  return median(all);
}
