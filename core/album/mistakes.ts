import { LIMITS } from "../limits.ts";
import { type CalendarDate, parseDate } from "../month/dates.ts";
import { datesSaid, isOneOf } from "../words/dates-said.ts";
import { settingOf } from "../words/lettering.ts";
import { measureOf } from "../words/measure.ts";
import type { MadeKind } from "./leaf.ts";
import type { Page } from "./page.ts";

/** What words stand on: a card, its back, or a piece that says something: a sticker, a stamp, a printed shape. */
export type SaidOn = "card" | "back" | MadeKind;

/** Something in the words that is better seen before it is on paper. */
export type Mistake = {
  readonly date: CalendarDate;
  /** The day that it is left alone on, and by which name. */
  readonly dayId: string;
  readonly slip: string;
} & (
  | /** The same phrase twice, on one page or across a spread. */
  {
      readonly kind: "twice";
      readonly other: CalendarDate;
      readonly phrase: string;
      readonly on: SaidOn;
      readonly otherOn: SaidOn;
    }
  /** The note asks who is who, or who made which, and no name is in the words. */
  | { readonly kind: "nameless"; readonly note: string }
  | { readonly kind: "other-date"; readonly said: string }
  | { readonly kind: "no-letter"; readonly card: string; readonly letters: readonly string[] }
);

/** A phrase is worth noticing from so many words on. */
const PHRASE = 4;
/** A text of fewer words is a sentiment: noticed where another text is the same, or has it in it. */
const isSentiment = (words: readonly string[]): boolean => words.length > 0 && words.length < PHRASE;
/** A text up to so many words is short enough for two words in it to be noticed. */
const SHORT = 8;

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replaceAll("’", "'")
    .match(/[\p{L}\p{N}']+/gu) ?? [];

/** How many steps the search for phrases may still take. A text made to keep it busy uses them up, and gets no mistakes told. */
type Budget = { left: number };

/** Whether some words stand in a text, one after the other. */
const standsIn = (words: readonly string[], text: readonly string[]): boolean =>
  ` ${text.join(" ")} `.includes(` ${words.join(" ")} `);

/**
 * A sentiment that another text is, or has in it. One word counts only where it is all of both, and two only within a text
 * that is short itself: in a long one they stand by chance.
 */
function sharedSentiment(one: readonly string[], other: readonly string[]): string | null {
  const [short, long] = one.length <= other.length ? [one, other] : [other, one];
  if (!isSentiment(short) || !standsIn(short, long)) return null;
  const counts =
    short.length === long.length || short.length === PHRASE - 1 || (short.length === 2 && long.length <= SHORT);
  return counts ? short.join(" ") : null;
}

/** The longest run of words that two texts share, of at least `PHRASE` words; or a sentiment that they share. */
function sharedPhrase(one: readonly string[], other: readonly string[], budget: Budget): string | null {
  const sentiment = sharedSentiment(one, other);
  if (sentiment !== null) return sentiment;
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
const ASKS_WHO = /who\s+is\s+who|\bwho\s+(?:is|are|was|were|made|did|drew|wrote|baked)\b|\bnames?\b.*\?/i;

/** A text of a page, and what it stands on. */
type Said = { readonly words: readonly string[]; readonly on: SaidOn };

/** Words on a page's pieces: what each says, and what it is. */
export type PieceSays = { readonly says: string; readonly kind: MadeKind };

const lookedThrough = (text: string): string => text.slice(0, LIMITS.lettersLookedThrough.most);

/** Every side of a page's cards that has words. */
const textsOf = ({ content }: Page): { text: string; on: SaidOn }[] =>
  content.cards.flatMap(({ text, back }) =>
    [
      { text: lookedThrough(text), on: "card" as const },
      { text: lookedThrough(back), on: "back" as const },
    ].filter((each) => each.text !== ""),
  );

type Twice = {
  readonly at: number;
  readonly other: number;
  readonly phrase: string;
  readonly on: SaidOn;
  readonly otherOn: SaidOn;
};

/** Phrases that come twice on a page, or on pages that face each other. */
function phrasesTwice(said: readonly (readonly Said[])[], facing: readonly (readonly [number, number])[]): Twice[] {
  const budget: Budget = { left: LIMITS.phraseSteps.most };
  const found: Twice[] = [];
  const note = (at: number, other: number, one: Said, two: Said, phrase: string | null) => {
    if (phrase) found.push({ at, other, phrase, on: one.on, otherOn: two.on });
  };
  for (const [at, own] of said.entries()) {
    for (const [index, one] of own.entries()) {
      note(at, at, one, one, ownPhrase(one.words));
      for (const later of own.slice(index + 1)) {
        if (budget.left < 0) return found;
        note(at, at, one, later, sharedPhrase(one.words, later.words, budget));
      }
    }
  }
  for (const [left, right] of facing)
    for (const one of said[left] ?? [])
      for (const other of said[right] ?? []) {
        if (budget.left < 0) return found;
        note(left, right, one, other, sharedPhrase(one.words, other.words, budget));
      }
  return found;
}

/** What of an album's words and pages slips are looked for in, beside the pages themselves. */
export type AboutWords = {
  /** Pages that lie open together, by their places among the pages. */
  readonly facing: readonly (readonly [number, number])[];
  /** The names of those who are written about. */
  readonly people: readonly string[];
  /** The words on each page's pieces, by its place among the pages. */
  readonly pieces: ReadonlyMap<number, readonly PieceSays[]>;
  /** The days that a page's pictures were taken on: a day may be told on another date than it was lived. */
  readonly taken: (page: Page) => readonly CalendarDate[];
};

/** The mistakes in an album's words that are not left alone. */
export function mistakesIn(pages: readonly Page[], { facing, people, pieces, taken }: AboutWords): Mistake[] {
  const names = people.flatMap((name) => wordsOf(name)[0] ?? []);
  const texts = pages.map(textsOf);
  const said = texts.map((own, at) => [
    ...own.map(({ text, on }) => ({ words: wordsOf(text), on })),
    ...(pieces.get(at) ?? []).map(({ says, kind }) => ({ words: wordsOf(lookedThrough(says)), on: kind })),
  ]);
  const of = (page: Page, slip: string) => ({ date: page.group.lead.date, dayId: page.group.lead.id, slip });
  const twice = phrasesTwice(said, facing).flatMap(({ at, other, ...rest }): Mistake[] => {
    const [page, there] = [pages[at], pages[other]];
    if (!page || !there) return [];
    return [{ kind: "twice", ...of(page, slipOf("twice", rest.phrase)), other: there.group.lead.date, ...rest }];
  });
  const onPages = pages.flatMap((page, at): Mistake[] => {
    if (page.skipped) return [];
    const notes = page.days
      .map(({ content }) => content.note.slice(0, LONGEST_NOTE))
      .filter((note) => ASKS_WHO.test(note));
    const words = new Set((said[at] ?? []).flatMap((each) => each.words).map((word) => word.replace(/'s?$/, "")));
    const isNameless = names.every((name) => !words.has(name));
    const lived = page.content.jottings.flatMap((each) => parseDate(each.at.slice(0, 10)) ?? []);
    const dates = [...page.days.map((day) => day.date), ...lived, ...taken(page)];
    return [
      ...(isNameless ? notes : []).map(
        (note): Mistake => ({ kind: "nameless", ...of(page, slipOf("nameless", note)), note }),
      ),
      ...(texts[at] ?? [])
        .flatMap(({ text }) => datesSaid(text))
        .filter((each) => !isOneOf(each, dates))
        .map(
          (each): Mistake => ({ kind: "other-date", ...of(page, slipOf("other-date", each.said)), said: each.said }),
        ),
      ...page.content.cards.flatMap((card): Mistake[] => {
        const { lettering } = settingOf(card);
        const letters = measureOf(lettering).lacks(`${card.text}${card.back}`);
        if (letters.length === 0) return [];
        return [{ kind: "no-letter", ...of(page, slipOf("no-letter", letters.join(""))), card: card.id, letters }];
      }),
    ];
  });
  const leftAlone = new Map(
    pages.map((page) => [page.group.lead.id, new Set(page.days.flatMap(({ content }) => content.leftAlone))]),
  );
  return [...twice, ...onPages].filter(({ dayId, slip }) => !leftAlone.get(dayId)?.has(slip));
}

/** The name by which a slip is left alone on its day: the same for as long as the words are. */
const slipOf = (kind: Mistake["kind"], words: string): string => `${kind}: ${words}`.slice(0, LIMITS.slipKey.most);
