import { reading, requireAlbum } from "#app/http/page.ts";
import { type StockList, stockList } from "#app/places/arrange/stock.ts";
import { readDrawer } from "#store/drawer.ts";
import { readUses, usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.stock";

/** What of the drawer a page may be made of, and how much of it is left. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<StockList> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id } = member.household;
  const [things, uses] = await reading(() =>
    Promise.all([readDrawer(context.db, id), readUses(context.db, id, usesOf(aggregate))]),
  );
  return stockList(
    things,
    uses.flatMap((each) => each.uses),
  );
}
