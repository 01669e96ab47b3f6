import { ANY_DAY, type Deck, type Jar } from "../slip.ts";

/** A shipped deck from its cues by kind. A slip's id is its deck, its kind and its place: it stays when others are added. */
export const deckOf = (
  id: string,
  name: string,
  jar: Jar,
  kinds: Readonly<Record<string, readonly string[]>>,
): Deck => ({
  id,
  name,
  jar,
  slips: Object.entries(kinds).flatMap(([kind, texts]) =>
    texts.map((text, at) => ({ id: `${id}/${kind}-${at + 1}`, kind, text, on: ANY_DAY })),
  ),
});
