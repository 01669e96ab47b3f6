import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { pageName } from "#app/places/album/view.ts";
import { SHEET_ACT, type SheetsAnswer } from "#app/places/sheets/acts.ts";
import { Sheets } from "#app/places/sheets/sheets.tsx";
import { sheetsView } from "#app/places/sheets/view.ts";
import { many } from "#app/wording/count.ts";
import { allPagesOf } from "#core/album/matter.ts";
import { printShort } from "#core/month/dates.ts";
import { onLabPaper } from "#core/sheet/lab.ts";
import { isPlausible } from "#core/sheet/paper.ts";
import { anyLab } from "#core/sheet/printer.ts";
import { takeOrder } from "#demo/lab.ts";
import { orderedPrint, packOrder } from "#press/lab-order.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import type { Author } from "#store/author.ts";
import type { Member } from "#store/household.ts";
import { dropOrder, keepOrder, readOrders } from "#store/lab-orders.ts";
import { readOriginal } from "#store/photo.ts";
import { dropPrinter, readLabs, readPrinters, savePrinter } from "#store/printers.ts";
import { dropSheet, makeSheets, readSheets } from "#store/printing.ts";
import type { Route } from "./+types/album.sheets";

export const meta: Route.MetaFunction = () => [{ title: "Print sheets · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const [sheets, orders, printers, labs] = await reading(() =>
    Promise.all([
      readSheets(context.db, aggregate.album.id),
      readOrders(context.db, aggregate.album.id),
      readPrinters(context.db, member.household.id),
      readLabs(context.db, member.household.id),
    ]),
  );
  return sheetsView(aggregate, sheets, orders, { printers, labs }, context.wall(member).date);
}

/** Packs the order, hands it to the lab, and keeps what the lab says of it. */
async function order(
  context: HearthContext,
  member: Member,
  aggregate: AlbumAggregate,
  author: Author,
  { lab: labId, uses }: { readonly lab: string | null; readonly uses: readonly string[] },
): Promise<SheetsAnswer> {
  const labs = await readLabs(context.db, member.household.id);
  const lab = labId === null ? anyLab(aggregate.album.unit) : labs.find(({ id }) => id === labId);
  if (!lab) return { ok: false, reason: "not-found" };
  const all = new Map(
    allPagesOf(aggregate).flatMap((page) =>
      page.content.photos.flatMap((use) => {
        const on = onLabPaper(use.print, lab.lab);
        return on ? [[use.id, orderedPrint(use, pageName(page), on, lab)] as const] : [];
      }),
    ),
  );
  const prints = uses.flatMap((id) => all.get(id) ?? []);
  if (prints.length < uses.length) return { ok: false, reason: "changed-since" };
  const zip = packOrder(prints, (id) => readOriginal(context.db, member.household.id, id), context.now);
  const orderedOn = context.wall(member).date;
  const taken = await takeOrder(zip, orderedOn, lab.lab.days);
  if (!taken.ok) return { ok: false, reason: "lab-refused" };
  const kept = await keepOrder(context.db, author, uses, { orderedOn, dueOn: taken.due }, lab);
  if (!kept.ok) return kept;
  return {
    ok: true,
    said: `Order ${kept.number} is at ${lab.id === null ? "the lab" : lab.name}: ${many(taken.prints, "print")}, due ${printShort(taken.due)}.`,
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = SHEET_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<SheetsAnswer> => {
    const { member, aggregate, author } = await requireAlbum(context, params.album);
    const { db } = context;
    const act = sent.data;
    switch (act.act) {
      case "make": {
        const made = await makeSheets(db, author, "photos", act.sheets, act);
        if (!made.ok) return made;
        const [first] = made.sheets;
        return {
          ok: true,
          said:
            made.sheets.length === 1 ? `Sheet ${first} is made.` : `Sheets ${first} to ${made.sheets.at(-1)} are made.`,
        };
      }
      case "drop":
        return dropSheet(db, author, act.sheet);
      case "printer": {
        const { act: _, ...given } = act;
        const bars = [given.across, given.along, given.borderless?.across, given.borderless?.along];
        if (bars.some((each) => each !== undefined && !isPlausible(each, given.bar)))
          return { ok: false, reason: "implausible" };
        if (!(await savePrinter(db, author, given))) return { ok: false, reason: "not-found" };
        const what = given.lab ? "order from" : "sheet for";
        return { ok: true, said: `Kept. Every ${what} ${given.name} is made up for it from now on.` };
      }
      case "drop-printer":
        return (await dropPrinter(db, author, act.printer)) ? { ok: true } : { ok: false, reason: "not-found" };
      case "order":
        return order(context, member, aggregate, author, act);
      case "drop-order":
        return dropOrder(db, author, act.order);
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function SheetsRoute({ loaderData }: Route.ComponentProps) {
  return <Sheets view={loaderData} />;
}
