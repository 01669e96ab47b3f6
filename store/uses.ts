import { and, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { type AnyPage, allPagesOf } from "../core/album/matter.ts";
import { type BookRead, readBook } from "../core/book/read.ts";
import { type AlbumUses, usesIn } from "../core/drawer/uses.ts";
import { type AlbumAggregate, readAlbum } from "./album.ts";
import type { Db } from "./db.ts";
import { album, leaf, side } from "./schema/index.ts";

/** The albums of a household, those in the tray left out, with a page that is made of something in the drawer. */
async function albumsWithUses(db: Db, householdId: string): Promise<string[]> {
  const mine = and(eq(album.householdId, householdId), isNull(album.deletedAt), isNotNull(leaf.position));
  const ofLeaf = db
    .select({ id: album.id })
    .from(leaf)
    .innerJoin(album, eq(album.id, leaf.albumId))
    .where(and(mine, sql`${leaf.of} ->> 'thing' is not null`));
  const onSide = db
    .select({ id: album.id })
    .from(side)
    .innerJoin(leaf, eq(leaf.id, side.leafId))
    .innerJoin(album, eq(album.id, leaf.albumId))
    .where(and(mine, sql`jsonb_path_exists(${side.pieces}, '$[*].of.thing ? (@ != null)')`));
  return (await ofLeaf.union(onSide)).map(({ id }) => id);
}

/** An album's book with its pages, and what of the drawer they are made of. */
export type AlbumWithUses = AlbumUses & { readonly pages: readonly AnyPage[]; readonly book: BookRead<AnyPage> };

/** What of the drawer the pages of one album are made of. */
export function usesOf({ album: plan, days, matters, leaves, prints, layouts }: AlbumAggregate): AlbumWithUses {
  const pages = allPagesOf({ album: plan, days, matters, leaves, prints });
  const book = readBook(plan, pages, leaves, layouts);
  return { albumId: plan.id, title: plan.title, endsOn: plan.span.end, uses: usesIn(book), pages, book };
}

/** What of a household's drawer all its albums are made of. `here` is one of them that was read already. */
export async function readUses(db: Db, householdId: string, here: AlbumWithUses): Promise<AlbumUses[]> {
  const ids = await albumsWithUses(db, householdId);
  const others = await Promise.all(
    ids.map(async (id) => {
      if (id === here.albumId) return here;
      const read = await readAlbum(db, householdId, id);
      return read ? usesOf(read) : null;
    }),
  );
  return others.filter((each) => each !== null);
}
