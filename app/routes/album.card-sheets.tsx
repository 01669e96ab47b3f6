import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { CARD_SHEETS_ACT, type CardSheetsAnswer } from "#app/places/card-sheets/acts.ts";
import { CardSheets } from "#app/places/card-sheets/card-sheets.tsx";
import { cardSheetsView } from "#app/places/card-sheets/view.ts";
import { readPrinters } from "#store/printers.ts";
import { makeSheets, readSheets } from "#store/printing.ts";
import type { Route } from "./+types/album.card-sheets";

export const meta: Route.MetaFunction = () => [{ title: "Print cards · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const [sheets, printers] = await reading(() =>
    Promise.all([readSheets(context.db, aggregate.album.id), readPrinters(context.db, member.household.id)]),
  );
  return cardSheetsView(aggregate, sheets, printers);
}

/** Keeps sheets of cards as they were ganged; what is done to them later comes through the print sheets' own route. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = CARD_SHEETS_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<CardSheetsAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const made = await makeSheets(context.db, author, "cards", sent.data.sheets, sent.data);
    if (!made.ok) return made;
    const [first] = made.sheets;
    const said =
      made.sheets.length === 1 ? `Sheet ${first} is made.` : `Sheets ${first} to ${made.sheets.at(-1)} are made.`;
    return { ok: true, said };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function CardSheetsRoute({ loaderData }: Route.ComponentProps) {
  return <CardSheets view={loaderData} />;
}
