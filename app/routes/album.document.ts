import { Readable } from "node:stream";
import { answerFile } from "#app/http/answer-file.ts";
import { isId, notFound, reading, requireAlbum } from "#app/http/page.ts";
import { pageName } from "#app/places/album/view.ts";
import { leafName } from "#app/places/arrange/boards.ts";
import { toGetRows } from "#app/places/to-get/view.ts";
import { eveningSaid } from "#app/wording/pace.ts";
import { allPagesOf } from "#core/album/matter.ts";
import { asMade } from "#core/album/print.ts";
import { readAsked } from "#core/document/asked.ts";
import { bookFor } from "#core/document/book-for.ts";
import { documentOf, madeAsAsked, madeOnPages } from "#core/document/document.ts";
import { listRows } from "#core/drawer/list.ts";
import { wordsAlone, wordsAsHtml, wordsAsText } from "#core/finish/words-alone.ts";
import { calendarDays, calendarEvenings } from "#core/format/calendar.ts";
import { cutFile } from "#core/format/cut-file.ts";
import { dayPlanRows } from "#core/format/day-plan.ts";
import { writeLibraryFile } from "#core/format/library-file.ts";
import { ofPerson } from "#core/pace/of-person.ts";
import { onLabPaper, onPaperOf } from "#core/sheet/lab.ts";
import { anyLab, LAB_PAPERS } from "#core/sheet/printer.ts";
import { DECKS } from "#core/words/decks.ts";
import { writeCalendar } from "#press/calendar.ts";
import { writeCsv } from "#press/csv.ts";
import { writeDeckFile } from "#press/deck-file.ts";
import { pageSvg, pdfPieces } from "#press/document.ts";
import { packDrawer } from "#press/drawer-file.ts";
import { orderedPrint, packOrder } from "#press/lab-order.ts";
import { labTest } from "#press/lab-print.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { readDocumentSource } from "#store/document-source.ts";
import { readDrawer, readDrawerWithAges } from "#store/drawer.ts";
import { readOrders } from "#store/lab-orders.ts";
import { readDecks } from "#store/library/decks.ts";
import { FILE_KINDS, readThing } from "#store/library/file.ts";
import { readPace } from "#store/pace.ts";
import { readOriginal } from "#store/photo.ts";
import { readLabs } from "#store/printers.ts";
import { readUses, usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.document";

type Asking = {
  readonly context: HearthContext;
  readonly householdId: string;
  readonly memberId: string;
  readonly aggregate: AlbumAggregate;
  readonly today: ReturnType<HearthContext["wall"]>["date"];
  readonly file: string;
};

/** What is no page to print: tables and orders, by the kind that their address names. */
const OTHERS: Readonly<Record<string, (asking: Asking) => Promise<Response>>> = {
  "day-plan": async ({ aggregate, today, file }) => {
    if (file !== "plan.csv") throw notFound();
    return answerFile(aggregate.album.title, "csv", writeCsv(dayPlanRows(aggregate, today)));
  },
  drawer: async ({ context, householdId, aggregate, file }) => {
    if (file === "to-get.csv") {
      const here = usesOf(aggregate);
      const albums = await readUses(context.db, householdId, here);
      const things = await readDrawerWithAges(context.db, householdId);
      const rows = toGetRows(aggregate.album, { things, albums, pages: here.pages, book: here.book });
      return answerFile(`${aggregate.album.title} to get`, "csv", writeCsv(rows));
    }
    if (file === "drawer.zip")
      return answerFile("Drawer", "zip", await packDrawer(context.db, householdId, context.now));
    if (file !== "drawer.csv") throw notFound();
    return answerFile("Drawer", "csv", writeCsv(listRows(await readDrawer(context.db, householdId))));
  },
  words: async ({ aggregate, today, file }) => {
    const [, whom, ending] = /^(self|others)\.(txt|html)$/.exec(file) ?? [];
    if ((whom !== "self" && whom !== "others") || (ending !== "txt" && ending !== "html")) throw notFound();
    const { pages, leaves } = bookFor({ ...aggregate, today }, whom);
    const { title } = aggregate.album;
    const write = ending === "txt" ? wordsAsText : wordsAsHtml;
    return answerFile(`${title} words`, ending, write(title, wordsAlone(pages, leaves)));
  },
  calendar: async ({ context, memberId, aggregate, today, file }) => {
    const { album } = aggregate;
    if (file === "days.ics")
      return answerFile(album.title, "ics", writeCalendar(album.title, calendarDays(aggregate, today), context.now));
    if (file !== "evenings.ics") throw notFound();
    const person = ofPerson(await readPace(context.db, { memberId, albumId: album.id }), album.span, today);
    const evenings = calendarEvenings(aggregate, today, person, eveningSaid);
    return answerFile(
      `${album.title} evenings`,
      "ics",
      writeCalendar(`${album.title} evenings`, evenings, context.now),
    );
  },
  deck: async ({ context, householdId, file }) => {
    const ending = file.endsWith(".csv") ? "csv" : file.endsWith(".txt") ? "txt" : null;
    const own = await readDecks(context.db, householdId);
    const deck = [...DECKS, ...own].find(({ id }) => `${id}.${ending}` === file);
    if (!ending || !deck) throw notFound();
    return answerFile(deck.name, ending, writeDeckFile(ending, deck.slips));
  },
  library: async ({ context, householdId, file }) => {
    const [kind, id = "", ending] = file.split(".");
    const of = FILE_KINDS.find((each) => each === kind);
    const found = of && ending === "json" && isId(id) ? await readThing(context.db, householdId, of, id) : null;
    if (!found) throw notFound();
    return answerFile(found.name, "json", writeLibraryFile(found.thing));
  },
  "lab-order": async ({ context, householdId, aggregate, file }) => {
    const order = file.replace(/\.zip$/, "");
    if (!isId(order) || order === file) throw notFound();
    const [orders, labs] = await Promise.all([
      readOrders(context.db, aggregate.album.id),
      readLabs(context.db, householdId),
    ]);
    const from = orders.find(({ id }) => id === order)?.labId ?? null;
    const lab = labs.find(({ id }) => id === from) ?? anyLab(aggregate.album.unit);
    const of = aggregate.prints.filter(({ from }) => from.kind === "lab" && from.id === order);
    const made = new Map(of.map((each) => [each.of, each]));
    const prints = allPagesOf(aggregate).flatMap((page) =>
      page.content.photos.flatMap((use) => {
        const print = made.get(use.id);
        return print ? [orderedPrint(asMade(use, print), pageName(page), onPaperOf(print), lab)] : [];
      }),
    );
    if (prints.length === 0) throw notFound();
    const zip = packOrder(prints, (id) => readOriginal(context.db, householdId, id), context.now);
    return answerFile(`${aggregate.album.title} lab order`, "zip", zip);
  },
  "lab-test": async ({ context, householdId, aggregate, file }) => {
    const labs = await readLabs(context.db, householdId);
    const lab = labs.find(({ id }) => `${id}.jpg` === file);
    if (!lab && file !== "any.jpg") throw notFound();
    const { unit } = aggregate.album;
    const { bar, lab: papers } = lab ?? anyLab(unit);
    const paper = onLabPaper({ w: bar, h: bar }, papers.papers.length > 0 ? papers : { papers: LAB_PAPERS[unit] });
    if (!paper) throw notFound();
    return answerFile("Test of a lab", "jpg", Readable.from([await labTest(paper.paper, bar)]));
  },
};

/** A construction for a cutting machine, by the address of its templates; or several that lie on pages. */
function cutFileOf(aggregate: AlbumAggregate, file: string, query: URLSearchParams): Promise<Response> {
  const several = readAsked("makings", file, query);
  if (several?.asked.kind === "makings" && several.ending === "svg") {
    const all = madeOnPages(aggregate, several.asked.pieces);
    if (all.length === 0) throw notFound();
    const title = `${aggregate.album.title}, to cut`;
    return answerFile(title, "svg", cutFile({ parts: all.flatMap(({ made }) => made.parts) }, title));
  }
  const read = readAsked("making", file, query);
  const making = read?.asked.kind === "making" && read.ending === "svg" ? madeAsAsked(read.asked) : null;
  if (!making) throw notFound();
  return answerFile(making.of.name, "svg", cutFile(making.done, making.of.name));
}

/** Everything of an album that is printed or written out, by its kind and the name of its file. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const householdId = member.household.id;
  const today = context.wall(member).date;
  const { kind, file } = params;
  return reading(async () => {
    const other = Object.hasOwn(OTHERS, kind) ? OTHERS[kind] : undefined;
    if (kind === "cut-file") return cutFileOf(aggregate, file, new URL(request.url).searchParams);
    if (other) return other({ context, householdId, memberId: member.id, aggregate, today, file });
    const read = readAsked(kind, file, new URL(request.url).searchParams);
    const source = read && (await readDocumentSource(context.db, householdId, aggregate, today, leafName, pageName));
    const document = source && documentOf(read.asked, source);
    const [page, ...more] = document?.pages ?? [];
    if (!read || !document || !page || (read.ending === "svg" && more.length > 0)) throw notFound();
    const bytesOf = (photoId: string) => readOriginal(context.db, householdId, photoId);
    return read.ending === "pdf"
      ? answerFile(document.title, "pdf", pdfPieces(document, bytesOf, context.now))
      : answerFile(document.title, "svg", await pageSvg(page, bytesOf));
  });
}
