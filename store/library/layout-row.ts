import type { PocketLayout } from "../../core/book/layout.ts";
import type { Size } from "../../core/measure/size.ts";
import type { pocketLayout } from "../schema/index.ts";

/** A household's own pocket layout, and the page it was drawn for. */
export type OwnLayout = PocketLayout & { readonly page: Size };

export const toLayout = (row: typeof pocketLayout.$inferSelect): OwnLayout => ({
  id: row.id,
  name: row.name,
  margin: row.margin,
  root: row.root,
  page: { w: row.pageW, h: row.pageH },
});
