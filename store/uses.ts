import { and, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { allPagesOf } from "../core/album/matter.ts";
import { readBook } from "../core/book/read.ts";
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

/** What of the drawer the pages of one album are made of. */
export const usesOf = ({ album: plan, days, matters, leaves, prints, layouts }: AlbumAggregate): AlbumUses => {
  const pages = allPagesOf({ album: plan, days, matters, leaves, prints });
  return {
    ...{ albumId: plan.id, title: plan.title, endsOn: plan.span.end },
    uses: usesIn(readBook(plan, pages, leaves, layouts)),
  };
};

/** What of a household's drawer all its albums are made of. `here` is one of them that was read already. */
export async function readUses(db: Db, householdId: string, here: AlbumAggregate): Promise<AlbumUses[]> {
  const ids = await albumsWithUses(db, householdId);
  const read = await Promise.all(ids.map((id) => (id === here.album.id ? here : readAlbum(db, householdId, id))));
  return read.flatMap((each) => (each ? [usesOf(each)] : []));
}
