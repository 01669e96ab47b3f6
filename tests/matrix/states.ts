import { sql } from "drizzle-orm";
import type { Db } from "../../store/db.ts";

/** Everything a household has, in one word: the same as long as nothing of it was written. */
export async function fingerprint(db: Db, householdId: string): Promise<string> {
  const albums = sql`(select id from album where household_id = ${householdId})`;
  const days = sql`(select id from day where album_id in ${albums})`;
  const leaves = sql`(select id from leaf where album_id in ${albums})`;
  const word = async (table: string, where: ReturnType<typeof sql>) => {
    const { rows } = await db.execute<{ word: string }>(
      sql`select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as word from ${sql.identifier(table)} t where ${where}`,
    );
    return `${table} ${rows[0]?.word}`;
  };
  const ofHousehold = sql`household_id = ${householdId}`;
  const ofMembers = sql`member_id in (select id from member where ${ofHousehold})`;
  const words = await Promise.all([
    ...[
      "album",
      "photo",
      "deck",
      "hand",
      "thing",
      "stamp_set",
      "pocket_layout",
      "template",
      "kept_making",
      "measured_format",
      "printer",
      "work",
      "member",
      "invitation",
    ].map((table) => word(table, ofHousehold)),
    ...[
      "day",
      "leaf",
      "print",
      "print_sheet",
      "lab_order",
      "declined_offer",
      "known_event",
      "tally",
      "tally_mark",
      "share",
    ].map((table) => word(table, sql`album_id in ${albums}`)),
    ...["card", "jotting", "day_photo", "day_save"].map((table) => word(table, sql`day_id in ${days}`)),
    ...["side", "side_guest", "try_out"].map((table) => word(table, sql`leaf_id in ${leaves}`)),
    word("household", sql`id = ${householdId}`),
    ...["hours", "sitting"].map((table) => word(table, ofMembers)),
    word("journal_line", ofHousehold),
    word("journal_row", sql`line_id in (select id from journal_line where ${ofHousehold})`),
    word("card_wording", sql`card_id in (select id from card where day_id in ${days})`),
    word("work_part", sql`work_id in (select id from work where ${ofHousehold})`),
  ]);
  return words.join("\n");
}

/** Columns that only count or date changes, or follow from what stands beside a row. */
const COUNTS = ["version", "revision", "updated_at", "updated_by", "position", "used_at", "last"];

/** What a household has in use, table by table: how a keeper would see it, whatever was written to get there. */
export async function inUse(db: Db, householdId: string): Promise<Readonly<Record<string, unknown>>> {
  const albums = sql`(select id from album where household_id = ${householdId})`;
  const days = sql`(select id from day where album_id in ${albums})`;
  const leaves = sql`(select id from leaf where album_id in ${albums} and position is not null)`;
  const rowsOf = async (table: string, where: ReturnType<typeof sql>) => {
    const { rows } = await db.execute<{ row: Record<string, unknown> }>(
      sql`select to_jsonb(t) as row from ${sql.identifier(table)} t where ${where} order by t::text`,
    );
    const seen = rows
      .map(({ row }) => row)
      .filter((row) => (row.deleted_at ?? null) === null)
      .map((row) =>
        Object.fromEntries(
          Object.entries(row)
            .filter(([name]) => !COUNTS.includes(name))
            .map(([name, value]) => [name, name.endsWith("done") && Array.isArray(value) ? [...value].sort() : value]),
        ),
      );
    return [table, seen.map((row) => JSON.stringify(row)).sort()] as const;
  };
  const { rows: order } = await db.execute<{ id: string }>(
    sql`select id from leaf where id in ${leaves} order by album_id, position`,
  );
  const ofHousehold = sql`household_id = ${householdId}`;
  const tables = await Promise.all([
    rowsOf("household", sql`id = ${householdId}`),
    rowsOf("hours", sql`member_id in (select id from member where ${ofHousehold})`),
    ...[
      "album",
      "photo",
      "deck",
      "hand",
      "thing",
      "stamp_set",
      "pocket_layout",
      "template",
      "kept_making",
      "measured_format",
      "printer",
    ].map((table) => rowsOf(table, ofHousehold)),
    ...["day", "leaf", "print", "print_sheet", "lab_order", "declined_offer", "known_event", "tally", "tally_mark"].map(
      (table) => rowsOf(table, sql`album_id in ${albums}`),
    ),
    ...["card", "jotting", "day_photo"].map((table) => rowsOf(table, sql`day_id in ${days}`)),
    ...["side", "side_guest", "try_out"].map((table) => rowsOf(table, sql`leaf_id in ${leaves}`)),
  ]);
  return { ...Object.fromEntries(tables), order: order.map(({ id }) => id) };
}
