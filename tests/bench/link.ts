import { eq } from "drizzle-orm";
import type { Store } from "../../store/db.ts";
import { album, share } from "../../store/schema/index.ts";
import { openShare } from "../../store/share.ts";

/** The address of an opening of the demo's album, as somebody with a link asks for it. */
export async function openLink({ db }: Store): Promise<string> {
  const [row] = await db
    .select({ id: share.id, albumId: share.albumId, householdId: album.householdId })
    .from(share)
    .innerJoin(album, eq(album.id, share.albumId));
  if (!row) throw new Error("the demo has a link");
  const opened = await openShare(db, { ...row, memberId: "", at: new Date() }, row.id);
  if (!opened.ok) throw new Error(opened.reason);
  return `/shared/${opened.secret}/8`;
}
