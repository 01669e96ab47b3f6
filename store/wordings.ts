import { asc, eq, type SQL, sql } from "drizzle-orm";
import type { Card } from "../core/album/model.ts";
import type { Author } from "./author.ts";
import type { Reader, Transaction } from "./db.ts";
import { cardWording, member } from "./schema/index.ts";

/** How a card's words once were: what a save left on its front and back, who made it and when. */
export type Wording = {
  readonly id: number;
  readonly at: string;
  /** Nobody's where a card began with the words. */
  readonly by: string;
  readonly text: string;
  readonly back: string;
};

/** Every wording of a card, the latest first; the words it began with last. */
export async function readWordings(db: Reader, cardId: string): Promise<Wording[]> {
  const rows = await db
    .select({
      id: cardWording.id,
      at: cardWording.at,
      by: member.name,
      memberId: cardWording.memberId,
      text: cardWording.text,
      back: cardWording.back,
    })
    .from(cardWording)
    .leftJoin(member, eq(member.id, cardWording.memberId))
    .where(eq(cardWording.cardId, cardId))
    .orderBy(asc(cardWording.id));
  return rows
    .map(({ memberId, by, at, ...row }) => ({
      ...row,
      at: at.toISOString(),
      by: by ?? (memberId === null ? "" : "somebody"),
    }))
    .reverse();
}

/** Keeps what stands on these cards now as a wording of theirs. */
export const keepWordings = (tx: Transaction, { memberId, at }: Author, cardIds: readonly string[]) =>
  tx.execute(sql`
    insert into card_wording (card_id, member_id, at, text, back)
    select id, ${memberId}::uuid, ${at.toISOString()}::timestamptz, text, back from card where id = any(${uuids(cardIds)})`);

/** Keeps the words of cards whose words a save changes, and first those that they began with, where none are kept yet. */
export async function keepChangedWordings(
  tx: Transaction,
  { memberId, at }: Pick<Author, "memberId" | "at">,
  before: readonly Card[],
  after: readonly Card[],
): Promise<void> {
  const was = new Map(before.map((card) => [card.id, card]));
  const changed = after.filter((card) => {
    const old = was.get(card.id);
    return !old || old.text !== card.text || old.back !== card.back;
  });
  if (changed.length === 0) return;
  const rows = changed.map(({ id, text, back }) => ({ id, text, back, old: was.get(id) }));
  const images = JSON.stringify(
    rows.map(({ old, ...card }) => ({ ...card, old_text: old?.text ?? null, old_back: old?.back ?? null })),
  );
  await tx.execute(sql`
    insert into card_wording (card_id, member_id, at, text, back)
    with said as (
      select * from jsonb_to_recordset(${images}::jsonb) as s(id uuid, text text, back text, old_text text, old_back text)
    )
    select id, member_id, ${at.toISOString()}::timestamptz, text, back from (
      select id, 0 as nth, null::uuid as member_id, old_text as text, old_back as back from said
        where old_text <> '' and not exists (select from card_wording w where w.card_id = said.id)
      union all
      select id, 1, ${memberId}::uuid, text, back from said
    ) wordings order by nth`);
}

const uuids = (ids: readonly string[]): SQL => sql`${`{${ids.join(",")}}`}::uuid[]`;
