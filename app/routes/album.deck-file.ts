import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { attachment } from "#core/format/attachment.ts";
import { DECKS } from "#core/words/decks.ts";
import { writeDeckFile } from "#press/deck-file.ts";
import { readDecks } from "#store/deck.ts";
import type { Route } from "./+types/album.deck-file";

const KINDS = { csv: "text/csv; charset=utf-8; header=present", txt: "text/plain; charset=utf-8" } as const;

/** A deck, shipped or own, as a table or as plain text: as decks are read. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { member } = await requireAlbum(context, params.album);
  const ending = params.file === "slips.csv" ? "csv" : params.file === "slips.txt" ? "txt" : null;
  const own = await reading(() => readDecks(context.db, member.household.id));
  const deck = [...DECKS, ...own].find(({ id }) => id === params.deck);
  if (!ending || !deck) throw notFound();
  return new Response(writeDeckFile(ending, deck.slips), {
    headers: {
      "Content-Type": KINDS[ending],
      "Content-Disposition": attachment(deck.name, ending),
      "Cache-Control": "private, no-store",
    },
  });
}
