import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { type HandedForm, withFile } from "#app/http/files.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { isId, requireAlbum, requireAuthor, writing } from "#app/http/page.ts";
import { readLibraryFile } from "#core/format/library-file.ts";
import { LIMITS } from "#core/limits.ts";
import { clean } from "#core/words/clean.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { Author } from "#store/author.ts";
import { keepThing } from "#store/library/file.ts";
import { OWN_KINDS, type OwnKind } from "#store/library/kinds.ts";
import { putOwnAway, renameOwn } from "#store/library/own.ts";
import type { Route } from "./+types/album.library";

/** How long the name of one of the household's own things may be. */
const LONGEST_NAME = 80;

/** What is said when a thing is in the tray: what of the album stays as it is. */
const AWAY: Record<OwnKind, string> = {
  deck: "The deck is in the tray for 30 days. Days keep the slips they have.",
  hand: "In the tray for 30 days. No card was changed by it.",
  "stamp-set": "In the tray for 30 days. No card was changed by it.",
  layout: "In the tray for 30 days.",
  making: "In the tray for 30 days. What was begun from it stays as it is.",
  template: "In the tray for 30 days. Pages made from it stay as they are.",
  format: "In the tray for 30 days. No album was changed by it.",
};

const FILE = { file: "file", most: LIMITS.libraryBytes.most, fields: [] };

/** Keeps what a file holds, of whichever kind it is. */
async function readIn(context: HearthContext, author: Author, form: HandedForm) {
  if (!form.file || form.file.tooLarge) return { ok: false as const, reason: "not-a-library-file" as const };
  const read = readLibraryFile((await form.file.read()).toString("utf8"));
  if (!read.ok) return read;
  const name = await keepThing(context.db, author, read.thing);
  if (name === null) return { ok: false as const, reason: "too-many" as const };
  return { ok: true as const, id: "", said: `${name} is kept.` };
}

/** Renames one of the things that the household keeps to use again, puts it away, or keeps one from a file; whatever kind it is of. */
export async function action({ request, params, context }: Route.ActionArgs) {
  if (request.headers.get("content-type")?.startsWith("multipart/form-data"))
    return writing(async () => {
      const { author } = await requireAlbum(context, params.album);
      return withFile(request, FILE, (handed) => readIn(context, author, handed));
    });
  const form = await readForm(request, ["act", "kind", "id", "name"]);
  const kind = OWN_KINDS.find((each) => each === form.get("kind"));
  const id = String(form.get("id"));
  const act = form.get("act");
  if (!kind || !isId(id) || (act !== "rename" && act !== "put-away")) throw data(null, { status: 400 });
  return writing(async () => {
    const author = await requireAuthor(context, params.album);
    if (act === "put-away") {
      const gone = await putOwnAway(context.db, author, kind, id);
      return gone.ok ? { ok: true as const, id, said: AWAY[kind] } : gone;
    }
    const name = clean(String(form.get("name") ?? "")).trim();
    if (name === "" || name.length > LONGEST_NAME) return { ok: false as const, reason: "no-name" as const };
    const renamed = await renameOwn(context.db, author, kind, id, name);
    return renamed.ok ? { ok: true as const, id, said: `It is called ${name} now.` } : renamed;
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const loader = ({ params }: Route.LoaderArgs) => redirect(to.month(params.album));
