import { randomUUID } from "node:crypto";
import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { withFile } from "#app/http/files.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { hasRoom, reading, requireAlbum, writing } from "#app/http/page.ts";
import { DRAWER_ACT, type DrawerAnswer } from "#app/places/drawer/acts.ts";
import { Drawer } from "#app/places/drawer/drawer.tsx";
import { drawerView } from "#app/places/drawer/view.ts";
import { pagesOf } from "#core/album/page.ts";
import { isListHead, type ListRead, MOST_LINES, readList } from "#core/drawer/list.ts";
import { readTyped } from "#core/drawer/typed.ts";
import { LIMITS } from "#core/limits.ts";
import type { Unit } from "#core/measure/length.ts";
import { clean } from "#core/words/clean.ts";
import { readCsv } from "#press/csv.ts";
import { decode } from "#press/decode-text.ts";
import { unpackDrawer } from "#press/drawer-file.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { Author } from "#store/author.ts";
import type { Db } from "#store/db.ts";
import { countThing, dropThing, keepList, keepThing, pictureThing, readDrawerWithAges } from "#store/drawer.ts";
import { putOnDay } from "#store/put-on-day.ts";
import { readUses, usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.drawer";

export const meta: Route.MetaFunction = () => [{ title: "Drawer · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id } = member.household;
  const [things, uses] = await reading(() =>
    Promise.all([readDrawerWithAges(context.db, id), readUses(context.db, id, usesOf(aggregate))]),
  );
  const days = pagesOf(aggregate).filter(({ skipped }) => !skipped);
  return drawerView(aggregate.album, things, uses, days, context.now);
}

const FILE = { file: "file", most: LIMITS.drawerFileBytes.most, fields: [] };

export async function action({ request, params, context }: Route.ActionArgs) {
  if (request.headers.get("content-type")?.startsWith("multipart/form-data"))
    return writing(async (): Promise<DrawerAnswer> => {
      const { member, aggregate, author } = await requireAlbum(context, params.album);
      const isRoom = await hasRoom(context, member.household.id, request);
      if (!isRoom) return { ok: false, reason: "no-room-for-pictures" };
      return withFile(request, FILE, async ({ file }): Promise<DrawerAnswer> => {
        if (!file || file.bytes === 0) return { ok: false, reason: "no-file" };
        if (!file.tooLarge && file.name.toLowerCase().endsWith(".zip")) return takeDrawer(context, author, file.place);
        if (file.bytes > LIMITS.drawerListBytes.most) return { ok: false, reason: "too-large" };
        return takeList(context.db, author, decode(await file.read()).text, aggregate.album.unit);
      });
    });
  const sent = DRAWER_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<DrawerAnswer> => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const act = sent.data;
    switch (act.act) {
      case "keep":
        return keepThing(context.db, author, act.id, act.thing);
      case "count":
        return countThing(context.db, author, act.id, act.by);
      case "picture":
        return pictureThing(context.db, author, act.id, act.photo);
      case "drop":
        return dropThing(context.db, author, act.id);
      case "put-on":
        return putOnDay(context.db, author, { thing: act.id, day: act.day, as: act.as, id: act.piece });
      case "list":
        return takeList(context.db, author, act.text, aggregate.album.unit);
    }
  });
}

/** A table where it has the head of one; else each line is a thing as somebody types it. */
function readAny(text: string, unit: Unit): ListRead {
  const rows = readCsv(clean(text), isListHead);
  if (rows[0] && isListHead(rows[0])) return readList(rows.filter((row) => row.some((cell) => cell.trim() !== "")));
  const lines = clean(text).split(/\r?\n/);
  if (lines.length > MOST_LINES) return { ok: false, reason: "too-many" };
  const things = lines.flatMap((line) => readTyped(line.slice(0, 400), unit) ?? []);
  return { ok: true, things, troubles: [] };
}

/** A drawer's own file: what is in it comes in as a list does, with its pictures. */
async function takeDrawer(context: HearthContext, author: Author, place: string): Promise<DrawerAnswer> {
  const read = await unpackDrawer(context.db, author, place, (bytes, name) =>
    context.inMemory(bytes.length, () => context.readPicture(bytes, name)),
  );
  if (read.ok) return { ok: true, list: { fresh: read.fresh, changed: read.changed, same: read.same }, troubles: [] };
  const known = ["too-many", "not-a-drawer", "newer-format"] as const;
  return { ok: false, reason: known.find((reason) => reason === read.reason) ?? "damaged" };
}

async function takeList(db: Db, author: Author, text: string, unit: Unit): Promise<DrawerAnswer> {
  const read = readAny(text, unit);
  if (!read.ok) return { ok: false, reason: read.reason === "no-head" ? "no-list" : "too-many" };
  const saved = await keepList(db, author, read.things, randomUUID);
  if (!saved.ok) return saved;
  const { fresh, changed, same } = saved;
  return { ok: true, list: { fresh, changed, same }, troubles: read.troubles };
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function DrawerRoute({ loaderData }: Route.ComponentProps) {
  return <Drawer view={loaderData} />;
}
