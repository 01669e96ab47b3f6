import { type SQL, sql } from "drizzle-orm";
import { columnAfter, equal, type Image, type Recorded, textOf } from "../../core/journal/net.ts";
import type { Transaction } from "../db.ts";
import { isJournaled, JOURNALED, type JournaledTable, TABLES } from "./tables.ts";

/** A column of a row that somebody has changed since: what was to be put back would undo their work. */
export type InTheWay = { readonly of: string; readonly key: Image; readonly columns: readonly string[] };

type Change = Recorded & { readonly of: JournaledTable };
type Write =
  | { readonly kind: "put" | "take"; readonly of: JournaledTable; readonly row: Image }
  | { readonly kind: "set"; readonly of: JournaledTable; readonly key: Image; readonly columns: Image };

const column = (name: string): SQL => sql.raw(`"${name.replaceAll('"', '""')}"`);
const list = (names: readonly string[]): SQL => sql.join(names.map(column), sql`, `);
const rowsOf = (of: JournaledTable, rows: readonly Image[]): SQL =>
  sql`jsonb_populate_recordset(null::${column(of)}, ${JSON.stringify(rows)}::jsonb)`;

/** The rows of these keys as they are now, by table and key. */
async function currentRows(tx: Transaction, changes: readonly Change[]): Promise<ReadonlyMap<string, Image>> {
  const found = new Map<string, Image>();
  for (const of of TABLES) {
    const keys = changes.filter((each) => each.of === of).map(({ key }) => key);
    if (keys.length === 0) continue;
    const names = JOURNALED[of].key;
    const { rows } = await tx.execute<{ row: Image }>(
      sql`select to_jsonb(t) as row from ${column(of)} t join ${rowsOf(of, keys)} k using (${list(names)})`,
    );
    for (const { row } of rows)
      found.set(`${of} ${textOf(Object.fromEntries(names.map((name) => [name, row[name]])))}`, row);
  }
  return found;
}

/** The columns of an image that are compared with what stands there now. */
const compared = (of: JournaledTable, image: Image): string[] => {
  const { counts, follows, key }: { counts: readonly string[]; follows: readonly string[]; key: readonly string[] } =
    JOURNALED[of];
  return Object.keys(image).filter((name) => !counts.includes(name) && !follows.includes(name) && !key.includes(name));
};
const without = (image: Image, names: readonly string[]): Image =>
  Object.fromEntries(Object.entries(image).filter(([name]) => !names.includes(name)));

/** What has to be written for a row to go from `before` to `after`, or what somebody has changed of it since. */
function writeFor(change: Change, now: Image | undefined, at: string): Write | InTheWay | null {
  const { of, key, before, after } = change;
  const table = JOURNALED[of];
  const counts: readonly string[] = table.counts;
  const other = (image: Image) =>
    compared(of, image).filter((name) => now === undefined || !equal(image[name], now[name]));
  if (after === null) {
    if (before === null) return null;
    const changed = other(before);
    if (!now || changed.length > 0) return { of, key, columns: now ? changed : [] };
    // What came into the tray by itself, as one of several to choose from, goes from there too.
    if (table.leaves === "stays") return null;
    if (table.leaves === "gone" || (now.deleted_at ?? null) !== null) return { kind: "take", of, row: key };
    return { kind: "set", of, key, columns: { deleted_at: at } };
  }
  if (before === null) {
    if (!now) return { kind: "put", of, row: after };
    const changed = other(after).filter((name) => name !== "deleted_at");
    const isBack = table.leaves === "stays" || (now.deleted_at ?? null) !== null;
    if (changed.length > 0 || !isBack) return { of, key, columns: changed };
    return table.leaves === "stays" ? null : { kind: "set", of, key, columns: without(after, counts) };
  }
  const names = Object.keys(after).filter((name) => !counts.includes(name));
  if (!now) return { of, key, columns: names };
  const columns: Record<string, unknown> = {};
  const changed: string[] = [];
  for (const name of names) {
    const isSet = (table.sets as readonly string[]).includes(name);
    const becomes = (table.follows as readonly string[]).includes(name)
      ? { value: after[name] }
      : columnAfter(before[name], after[name], now[name], isSet);
    if (becomes) columns[name] = becomes.value;
    else changed.push(name);
  }
  if (changed.length > 0) return { of, key, columns: changed };
  return { kind: "set", of, key, columns };
}

/**
 * Makes changes of rows, each from its `before` to its `after`, unless somebody has changed one of them since: then that
 * is returned and nothing is written. `at` is when what is taken away went into the tray. The places of leaves are left
 * to whoever puts them in order; until then those that came back stand behind all others.
 */
export async function makeChanges(tx: Transaction, recorded: readonly Recorded[], at: Date): Promise<InTheWay | null> {
  const changes = recorded.filter((each): each is Change => isJournaled(each.of));
  const current = await currentRows(tx, changes);
  const writes: Write[] = [];
  for (const change of changes) {
    const write = writeFor(change, current.get(`${change.of} ${textOf(change.key)}`), at.toISOString());
    if (write && "kind" in write) writes.push(write);
    else if (write) return write;
  }
  let behind = 1_000_000;
  // A leaf in the book has a place, and one in the tray has none.
  const withPlace = (image: Image): Image => {
    if (!("deleted_at" in image)) return image;
    behind += 1;
    return { ...image, position: image.deleted_at === null ? behind : null };
  };
  for (const of of [...TABLES].reverse()) {
    const rows = writes.flatMap((each) => (each.kind === "take" && each.of === of ? [each.row] : []));
    if (rows.length === 0) continue;
    const same = JOURNALED[of].key.map((name) => sql`t.${column(name)} = k.${column(name)}`);
    await tx.execute(sql`delete from ${column(of)} t using ${rowsOf(of, rows)} k where ${sql.join(same, sql` and `)}`);
  }
  for (const of of TABLES) {
    const rows = writes.flatMap((each) => (each.kind === "put" && each.of === of ? [each.row] : []));
    if (rows.length === 0) continue;
    const here = of === "leaf" ? rows.map(withPlace) : rows;
    await tx.execute(sql`insert into ${column(of)} select * from ${rowsOf(of, here)}`);
  }
  for (const of of TABLES) {
    const alike = new Map<string, Image[]>();
    for (const each of writes) {
      if (each.kind !== "set" || each.of !== of) continue;
      const columns = of === "leaf" ? withPlace(each.columns) : each.columns;
      const names = Object.keys(columns).sort();
      if (names.length === 0) continue;
      alike.set(names.join(), [...(alike.get(names.join()) ?? []), { ...columns, ...each.key }]);
    }
    for (const [names, rows] of alike) {
      const set = names.split(",").map((name) => sql`${column(name)} = k.${column(name)}`);
      const same = JOURNALED[of].key.map((name) => sql`t.${column(name)} = k.${column(name)}`);
      await tx.execute(
        sql`update ${column(of)} t set ${sql.join(set, sql`, `)} from ${rowsOf(of, rows)} k where ${sql.join(same, sql` and `)}`,
      );
    }
  }
  return null;
}
