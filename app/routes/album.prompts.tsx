import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { type HandedForm, withFile } from "#app/http/files.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireAlbum, writing } from "#app/http/page.ts";
import { PROMPTS_ACT, type PromptsAnswer } from "#app/places/prompts/acts.ts";
import { Prompts } from "#app/places/prompts/prompts.tsx";
import { promptsView, slipFinder } from "#app/places/prompts/view.ts";
import { many } from "#app/wording/count.ts";
import { LIMITS } from "#core/limits.ts";
import { clean } from "#core/words/clean.ts";
import type { WrittenSlip } from "#core/words/deck-text.ts";
import { DECKS } from "#core/words/decks.ts";
import { type Deck, JARS } from "#core/words/slip.ts";
import { readDeckFile, readDeckText } from "#press/deck-file.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { Author } from "#store/author.ts";
import { handOut } from "#store/dealing.ts";
import { journaled } from "#store/journal/line.ts";
import { readDecks, saveDeck } from "#store/library/decks.ts";
import type { Route } from "./+types/album.prompts";

export const meta: Route.MetaFunction = () => [{ title: "Prompts · Hearth Clock" }];

const jarOf = (request: Request) =>
  JARS.find((jar) => jar === new URL(request.url).searchParams.get("jar")) ?? "prompt";

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const own = await reading(() => readDecks(context.db, member.household.id));
  return promptsView(aggregate, own, jarOf(request), context.wall(member).date);
}

/** A deck as it was handed in: typed, pasted, or as a file. A slip that was there before keeps its id. */
async function keepDeck(context: HearthContext, author: Author, form: HandedForm): Promise<PromptsAnswer> {
  const { file, fields } = form;
  const { householdId } = author;
  if (file?.tooLarge) return { ok: false, reason: "too-large" };
  const [id, typed] = [fields.get("id"), fields.get("text") ?? ""];
  const name = clean(fields.get("name") ?? "")
    .trim()
    .slice(0, 80);
  const jar = JARS.find((each) => each === fields.get("jar"));
  if (!isId(id) || !jar) throw data(null, { status: 400 });
  if (name === "") return { ok: false, reason: "no-name" };
  const handed = file && file.bytes > 0 ? await file.read() : null;
  const read =
    file && handed ? readDeckFile(file.name, handed) : { ...readDeckText("", typed), encoding: "utf-8" as const };
  const { troubles } = read;
  if (read.slips.length === 0) return { ok: false, reason: "no-slips", troubles };
  const { head } = read;
  // What would be left out is shown before anything is kept.
  if (fields.get("looked") !== "yes" && (head !== null || troubles.length > 0)) {
    const first = read.slips.slice(0, SHOWN_FIRST).map(({ text }) => text);
    return { ok: true, preview: { count: read.slips.length, first, head }, troubles };
  }
  const before = (await readDecks(context.db, householdId)).find((deck) => deck.id === id);
  const known = new Map(before?.slips.map((slip) => [slip.text, slip.id]));
  const named = (slip: WrittenSlip) => ({ ...slip, id: known.get(slip.text) ?? `${id}/${crypto.randomUUID()}` });
  const deck: Deck = { id, name, jar, slips: read.slips.map(named) };
  const kept = await journaled(context.db, author, { what: "stash", how: "kept", thing: "deck" }, (tx) =>
    saveDeck(tx, householdId, deck),
  );
  if (kept !== "kept") return { ok: false, reason: kept };
  return {
    ok: true,
    said: `${name} is kept, ${many(deck.slips.length, "slip")}.`,
    troubles,
    guessed: read.encoding === "guessed",
  };
}

const DECK = { file: "file", most: LIMITS.deckBytes.most, fields: ["id", "name", "jar", "text", "looked"] };
const SHOWN_FIRST = 4;

export async function action({ request, params, context }: Route.ActionArgs) {
  return writing(async (): Promise<PromptsAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const { householdId } = author;
    if (request.headers.get("content-type")?.startsWith("multipart/form-data"))
      return withFile(request, DECK, (form) => keepDeck(context, author, form));
    const sent = PROMPTS_ACT.safeParse(await readJson(request));
    if (!sent.success) throw data(null, { status: 400 });
    const { jar, handed } = sent.data;
    const find = slipFinder([...DECKS, ...(await readDecks(context.db, householdId))]);
    const slips = handed.flatMap(({ dayId, slip, saw }) => {
      const found = find(slip);
      return found ? [{ dayId, slip, saw, text: found.text }] : [];
    });
    const put = await handOut(context.db, author, jar, slips);
    if (put === 0) return { ok: false, reason: "nothing-put" };
    const left = handed.length - put;
    const said = put === 1 ? "One slip is on its day." : `${put} slips are on their days.`;
    return {
      ok: true,
      said: left > 0 ? `${said} ${left} stayed in the jar: something else stands there by now.` : said,
    };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PromptsRoute({ loaderData }: Route.ComponentProps) {
  return <Prompts key={loaderData.jar} view={loaderData} />;
}
