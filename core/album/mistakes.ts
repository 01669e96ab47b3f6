import { LIMITS } from "../limits.ts";
import type { CalendarDate } from "../month/dates.ts";
import { datesSaid, isOneOf } from "../words/dates-said.ts";
import { settingOf } from "../words/lettering.ts";
import { measureOf } from "../words/measure.ts";
import type { Page } from "./page.ts";

/** Something in the words that is better seen before it is on paper. */
export type Mistake =
  /** The same phrase twice, on one page or across a spread. */
  | { readonly kind: "twice"; readonly date: CalendarDate; readonly other: CalendarDate; readonly phrase: string }
  /** The note asks who is who, and no name is in the words. */
  | { readonly kind: "nameless"; readonly date: CalendarDate; readonly note: string }
  | { readonly kind: "other-date"; readonly date: CalendarDate; readonly said: string }
  | {
      readonly kind: "no-letter";
      readonly date: CalendarDate;
      readonly card: string;
      readonly letters: readonly string[];
    };

/** A phrase is worth noticing from so many words on; a card that says no more than two is one too. */
const PHRASE = 4;
const SENTIMENT = 2;

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replaceAll("’", "'")
    .match(/[\p{L}\p{N}']+/gu) ?? [];

/** How many steps the search for phrases may still take. A text made to keep it busy uses them up, and gets no mistakes told. */
type Budget = { left: number };

/** The longest run of words that two texts share, of at least `PHRASE` words; or a short text that the other is too. */
function sharedPhrase(one: readonly string[], other: readonly string[], budget: Budget): string | null {
  const whole = one.join(" ");
  if (one.length >= SENTIMENT && one.length < PHRASE && whole === other.join(" ")) return whole;
  const starts = new Map<string, number[]>();
  for (let at = 0; at + PHRASE <= other.length; at++) {
    const key = other.slice(at, at + PHRASE).join(" ");
    const known = starts.get(key);
    if (known) known.push(at);
    else starts.set(key, [at]);
  }
  budget.left -= one.length + other.length;
  let best: readonly string[] = [];
  for (let at = 0; at + PHRASE <= one.length; at++) {
    for (const there of starts.get(one.slice(at, at + PHRASE).join(" ")) ?? []) {
      budget.left -= 1;
      if (budget.left < 0) return null;
      // One that begins a word earlier is longer, and was looked at.
      if (at > 0 && there > 0 && one[at - 1] === other[there - 1]) continue;
      let long = PHRASE;
      while (at + long < one.length && one[at + long] === other[there + long]) long += 1;
      budget.left -= long;
      if (long > best.length) best = one.slice(at, at + long);
    }
  }
  return best.length > 0 ? best.join(" ") : null;
}

/** A phrase that comes twice within one text, its second time not overlapping its first. */
function ownPhrase(words: readonly string[]): string | null {
  const seen = new Map<string, number>();
  for (let at = 0; at + PHRASE <= words.length; at++) {
    const key = words.slice(at, at + PHRASE).join(" ");
    const before = seen.get(key);
    if (before !== undefined && at >= before + PHRASE) return key;
    if (before === undefined) seen.set(key, at);
  }
  return null;
}

/** A note is looked at so far: one that asks does so at its beginning. */
const LONGEST_NOTE = 2000;
const ASKS_WHO = /who\s+is\s+who|\bwho\s+(?:is|are|was|were)\b|\bnames?\b.*\?/i;

/** Every side that is to be read: its cards' words, front and back. */
const textsOf = ({ content }: Page): string[] =>
  content.cards
    .flatMap(({ text, back }) => [text, back])
    .filter(Boolean)
    .map((text) => text.slice(0, LIMITS.lettersLookedThrough.most));

/** Phrases that come twice on a page, or on pages that face each other. */
function phrasesTwice(pages: readonly Page[], facing: readonly (readonly [number, number])[]): Mistake[] {
  const budget: Budget = { left: LIMITS.phraseSteps.most };
  const texts = pages.map((page) => textsOf(page).map(wordsOf));
  const dateOf = (at: number) => pages[at]?.group.lead.date as CalendarDate;
  const found: Mistake[] = [];
  const note = (at: number, other: number, phrase: string | null) => {
    if (phrase) found.push({ kind: "twice", date: dateOf(at), other: dateOf(other), phrase });
  };
  for (const [at, own] of texts.entries()) {
    for (const [index, words] of own.entries()) {
      note(at, at, ownPhrase(words));
      for (const later of own.slice(index + 1)) {
        if (budget.left < 0) return found;
        note(at, at, sharedPhrase(words, later, budget));
      }
    }
  }
  for (const [left, right] of facing)
    for (const one of texts[left] ?? [])
      for (const other of texts[right] ?? []) {
        if (budget.left < 0) return found;
        note(left, right, sharedPhrase(one, other, budget));
      }
  return found;
}

/**
 * The mistakes in an album's words. `facing` are pages that lie open together, by their places in `pages`; `people` are the
 * names of those who are written about.
 */
export function mistakesIn(
  pages: readonly Page[],
  facing: readonly (readonly [number, number])[],
  people: readonly string[],
): Mistake[] {
  const names = people.flatMap((name) => wordsOf(name)[0] ?? []);
  const written = pages.filter(({ skipped }) => !skipped);
  return [
    ...phrasesTwice(pages, facing),
    ...written.flatMap((page): Mistake[] => {
      const { date } = page.group.lead;
      const texts = textsOf(page);
      const notes = page.days
        .map(({ content }) => content.note.slice(0, LONGEST_NOTE))
        .filter((note) => ASKS_WHO.test(note));
      const said = new Set(texts.flatMap(wordsOf).map((word) => word.replace(/'s?$/, "")));
      const nameless = names.every((name) => !said.has(name));
      const dates = page.days.map((day) => day.date);
      return [
        ...notes.flatMap((note): Mistake[] => (nameless ? [{ kind: "nameless", date, note }] : [])),
        ...texts
          .flatMap(datesSaid)
          .filter((each) => !isOneOf(each, dates))
          .map(({ said }): Mistake => ({ kind: "other-date", date, said })),
        ...page.content.cards.flatMap((card): Mistake[] => {
          const { lettering } = settingOf(card);
          const letters = measureOf(lettering).lacks(`${card.text}${card.back}`);
          return letters.length > 0 ? [{ kind: "no-letter", date, card: card.id, letters }] : [];
        }),
      ];
    }),
  ];
}
