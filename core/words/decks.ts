import { HANDS } from "./decks/hands.ts";
import { LIGHT } from "./decks/light.ts";
import { NOTICING } from "./decks/noticing.ts";
import { PEOPLE } from "./decks/people.ts";
import { TABLE } from "./decks/table.ts";
import { TECHNIQUES } from "./decks/techniques.ts";
import { THANKS } from "./decks/thanks.ts";
import type { Deck, Slip } from "./slip.ts";

/** The shipped decks: thirty-one slips each, of our own writing. A prompt never obliges. */
export const DECKS: readonly Deck[] = [NOTICING, PEOPLE, LIGHT, HANDS, TABLE, THANKS, TECHNIQUES];

const shipped = new Map(DECKS.flatMap((deck) => deck.slips.map((slip) => [slip.id, { deck, slip }] as const)));

export const findSlip = (id: string): Slip | undefined => shipped.get(id)?.slip;
export const deckOfSlip = (id: string | null): Deck | undefined => (id === null ? undefined : shipped.get(id)?.deck);
