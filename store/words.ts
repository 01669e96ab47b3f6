import { and, arrayOverlaps, asc, eq, isNull, ne, sql } from "drizzle-orm";
import { unionAll } from "drizzle-orm/pg-core";
import type { Card } from "../core/album/model.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Hand, StampSet } from "../core/words/lettering.ts";
import type { Deck } from "../core/words/slip.ts";
import { type Db, isTaken, type Reader } from "./db.ts";
import { lockHousehold } from "./household.ts";
import {
  album,
  card,
  day,
  dayChange,
  dayInsert,
  dayPhoto,
  deck,
  hand,
  household,
  jotting,
  member,
  stampSet,
} from "./schema/index.ts";

/** The household's own decks, by name. */
export async function readDecks(db: Reader, householdId: string): Promise<Deck[]> {
  const rows = await db
    .select()
    .from(deck)
    .where(and(eq(deck.householdId, householdId), isNull(deck.deletedAt)))
    .orderBy(asc(deck.name));
  return rows.map(({ id, name, jar, slips }) => ({ id, name, jar, slips }));
}

/** Keeps a deck under its id; refused when another of the household's has its name, or the id is another household's. */
export async function saveDeck(db: Db, householdId: string, given: Deck): Promise<"kept" | "name-taken" | "not-found"> {
  const row = { name: given.name, jar: given.jar, slips: [...given.slips], deletedAt: null };
  try {
    const kept = await db
      .insert(deck)
      .values({ id: given.id, householdId, ...row })
      .onConflictDoUpdate({ target: deck.id, set: row, setWhere: eq(deck.householdId, householdId) })
      .returning({ id: deck.id });
    return kept.length > 0 ? "kept" : "not-found";
  } catch (error) {
    if (isTaken(error)) return "name-taken";
    throw error;
  }
}

export type KeptHand = Hand & { readonly id: string };
export type KeptStampSet = StampSet & { readonly id: string };

export async function readLetters(
  db: Reader,
  householdId: string,
): Promise<{ hands: KeptHand[]; sets: KeptStampSet[] }> {
  const [hands, sets] = await Promise.all([
    db
      .select()
      .from(hand)
      .where(and(eq(hand.householdId, householdId), isNull(hand.deletedAt)))
      .orderBy(asc(hand.name)),
    db
      .select()
      .from(stampSet)
      .where(and(eq(stampSet.householdId, householdId), isNull(stampSet.deletedAt))),
  ]);
  return {
    hands: hands.map(({ id, name, em, line }) => ({ id, name, em, line })),
    sets: sets.map(({ id, measures }) => ({ ...measures, id })).sort((a, b) => a.name.localeCompare(b.name)),
  };
}

/** Keeps a hand under its name; one of that name is measured anew. Cards keep their own copy. */
export async function keepHand(db: Db, householdId: string, { name, em, line }: Hand): Promise<void> {
  await db
    .insert(hand)
    .values({ householdId, name, em, line })
    .onConflictDoUpdate({
      ...{ target: [hand.householdId, hand.name], targetWhere: isNull(hand.deletedAt) },
      set: { em, line },
    });
}

export async function keepStampSet(db: Db, householdId: string, measures: StampSet): Promise<void> {
  await db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    await tx
      .delete(stampSet)
      .where(
        and(
          ...[eq(stampSet.householdId, householdId), isNull(stampSet.deletedAt)],
          sql`${stampSet.measures}->>'name' = ${measures.name}`,
        ),
      );
    await tx.insert(stampSet).values({ householdId, measures });
  });
}

export async function setPeople(db: Db, householdId: string, people: readonly string[]): Promise<void> {
  await db
    .update(household)
    .set({ people: [...people] })
    .where(eq(household.id, householdId));
}

/** How a card's words once were: what a save left on its front and back, who made it and when. */
export type Revision = {
  readonly version: number;
  readonly at: string;
  readonly by: string;
  readonly text: string;
  readonly back: string;
};

/** Every change of a card's words, the latest first; the words it began with last. */
export async function readRevisions(db: Reader, dayId: string, now: Card): Promise<Revision[]> {
  const rows = await db
    .select({
      version: dayChange.version,
      at: dayChange.at,
      by: member.name,
      before: sql<{
        text: string;
        back?: string;
      } | null>`jsonb_path_query_first(${dayChange.before}, '$.content.cards[*] ? (@.id == $id)', jsonb_build_object('id', ${now.id}::text))`,
    })
    .from(dayChange)
    .leftJoin(member, eq(member.id, dayChange.memberId))
    .where(and(eq(dayChange.dayId, dayId), arrayOverlaps(dayChange.fields, [`card:${now.id}`, `card-back:${now.id}`])))
    .orderBy(asc(dayChange.version));
  const saved = rows.map((row, at): Revision => {
    // What a save left is what the next one found.
    const after = rows[at + 1] ? (rows[at + 1]?.before ?? null) : now;
    return {
      ...{ version: row.version, at: row.at.toISOString(), by: row.by ?? "somebody" },
      ...{ text: after?.text ?? "", back: after?.back ?? "" },
    };
  });
  const [first] = rows;
  const began =
    first?.before && first.before.text !== ""
      ? [{ version: 0, at: first.at.toISOString(), by: "", text: first.before.text, back: first.before.back ?? "" }]
      : [];
  return [...began, ...saved].reverse();
}

/** Where in an album a text stands. */
export const TEXT_PLACES = [
  ...(["title", "note", "prompt", "technique"] as const),
  ...(["card", "back", "jotting", "insert", "photo"] as const),
];
export type TextPlace = (typeof TEXT_PLACES)[number];
export type FoundText = {
  readonly albumId: string;
  readonly albumTitle: string;
  readonly date: CalendarDate;
  readonly place: TextPlace;
  /** The card it is on; null elsewhere. */
  readonly cardId: string | null;
  readonly text: string;
};

/** Every word of the household's albums, in one statement: what is looked for is compared with accents left aside. */
export async function readTexts(db: Reader, householdId: string): Promise<FoundText[]> {
  const common = { albumId: album.id, albumTitle: album.title, date: day.date };
  const mine = and(eq(album.householdId, householdId), sql`${album.deletedAt} is null`);
  const ofDay = (place: TextPlace, column: typeof day.title | typeof day.note) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`null::uuid`,
        text: sql<string>`${column}`,
      })
      .from(day)
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, "")));
  const ofCard = (place: TextPlace, column: typeof card.text | typeof card.back) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`${card.id}`,
        text: sql<string>`${column}`,
      })
      .from(card)
      .innerJoin(day, eq(day.id, card.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, ""), sql`${card.deletedAt} is null`));
  const ofPiece = (
    place: TextPlace,
    table: typeof jotting | typeof dayInsert | typeof dayPhoto,
    column: typeof jotting.text | typeof dayInsert.note | typeof dayPhoto.alt,
  ) =>
    db
      .select({
        ...common,
        place: sql<TextPlace>`${sql.raw(`'${place}'`)}`,
        cardId: sql<string | null>`null::uuid`,
        text: sql<string>`${column}`,
      })
      .from(table)
      .innerJoin(day, eq(day.id, table.dayId))
      .innerJoin(album, eq(album.id, day.albumId))
      .where(and(mine, ne(column, ""), sql`${table.deletedAt} is null`));
  return unionAll(
    ofDay("title", day.title),
    ofDay("note", day.note),
    ofDay("prompt", day.promptText as never),
    ofDay("technique", day.techniqueText as never),
    ofCard("card", card.text),
    ofCard("back", card.back),
    ofPiece("jotting", jotting, jotting.text),
    ofPiece("insert", dayInsert, dayInsert.note),
    ofPiece("photo", dayPhoto, dayPhoto.alt),
  );
}
