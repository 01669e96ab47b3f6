import { cardAsMade } from "../album/card-as-made.ts";
import { type AnyPage, allPagesOf, type WholeRead } from "../album/matter.ts";
import type { Card, PhotoUse } from "../album/model.ts";
import { asMade, type Print } from "../album/print.ts";
import type { Tile } from "../album/tiles.ts";
import type { SheetRecord } from "../sheet/record.ts";

/** What a print is of: a picture as a day uses it, or a part of one; or a card. */
export type Printed =
  | { readonly kind: "photo"; readonly use: PhotoUse; readonly tile: Tile | null }
  | { readonly kind: "card"; readonly card: Card };

/** Everything of the album that can be printed, by its id, with the page it is on. */
export function printablesOf(read: WholeRead): ReadonlyMap<string, Printable> {
  return new Map(
    allPagesOf(read).flatMap((page) => [
      ...page.content.photos.map((use): [string, Printable] => [
        use.id,
        { of: { kind: "photo", use, tile: null }, page },
      ]),
      ...page.content.cards.map((card): [string, Printable] => [card.id, { of: { kind: "card", card }, page }]),
    ]),
  );
}
export type Printable = { readonly of: Printed; readonly page: AnyPage };

/** What a print shows, as it was made. */
export const printedAs = (of: Printed, print: Print): Printed =>
  of.kind === "photo"
    ? { kind: "photo", use: asMade(of.use, print), tile: print.tile }
    : { kind: "card", card: cardAsMade(of.card, print) };

/** The prints of a sheet by their number on it. */
export const printsOn = (prints: readonly Print[], sheet: Pick<SheetRecord, "id">): Print[] =>
  prints.filter(({ from }) => from.kind === "sheet" && from.id === sheet.id).sort((a, b) => a.place - b.place);
