import { pagesOf } from "../core/album/page.ts";
import { standings } from "../core/album/print.ts";
import { ticks } from "../core/measure/length.ts";
import { LETTER } from "../core/measure/sheets.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { RollMark } from "../core/photo/roll.ts";
import { CUT_STEPS, gangSheets, taskOf } from "../core/sheet/gang.ts";
import { planAfter } from "../core/sheet/pack/pack.ts";
import { barOf, printableOf, trueBars, usualMargin } from "../core/sheet/paper.ts";
import { anyLab } from "../core/sheet/printer.ts";
import { readPicture } from "../press/picture.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { keepOrder } from "../store/lab-orders.ts";
import { keepPhoto } from "../store/photo.ts";
import { makeSheets, markSheetsPrinted, readSheets, tickCut } from "../store/printing.ts";
import { markPhotos } from "../store/roll.ts";
import { paintAhead, type Sitting } from "./pictures/paint.ts";
import { twinOf, withoutNotes } from "./pictures/twin.ts";

/** A picture on Petra's roll that no day has yet. */
type Extra = { readonly sitting: Sitting; readonly as?: "twin" | "undated"; readonly marks?: readonly RollMark[] };

const STAR: RollMark = { kind: "star", on: true };
const BANKED: RollMark = { kind: "banked", on: true };
const extra = (
  subject: Sitting["subject"],
  seed: number,
  light: Sitting["light"],
  at: string,
  more: Partial<Sitting> & Pick<Extra, "as" | "marks"> = {},
): Extra => {
  const { as, marks, ...sitting } = more;
  return {
    sitting: { subject, seed, light, at: `2026-12-${at}`, ...sitting },
    ...(as ? { as } : {}),
    ...(marks ? { marks } : {}),
  };
};

const EXTRAS: readonly Extra[] = [
  extra("frostNets", 301, "day", "03T10:02:00", { marks: [BANKED] }),
  extra("causeway", 302, "day", "05T13:22:00"),
  extra("causeway", 302, "day", "05T13:22:09", { as: "twin" }),
  extra("signalTower", 303, "dusk", "05T15:58:00", { shape: "upright", marks: [BANKED, STAR] }),
  extra("dogBath", 304, "day", "06T12:16:00", { marks: [STAR] }),
  extra("dogBath", 304, "day", "06T12:16:12", { as: "twin" }),
  extra("lanternParade", 305, "night", "06T17:22:00", { marks: [BANKED] }),
  extra("parcels", 306, "dusk", "07T15:31:00", { shape: "upright" }),
  extra("saffronLoaves", 307, "day", "08T14:40:00", { marks: [BANKED] }),
  extra("paperStars", 308, "night", "08T18:20:00", { marks: [{ kind: "set-aside", on: true }] }),
  extra("slipRail", 309, "day", "09T12:30:00"),
  extra("litWindows", 310, "night", "09T17:52:00", { marks: [STAR] }),
  extra("litWindows", 310, "night", "09T17:52:14", { as: "twin" }),
  extra("schoolPlay", 311, "night", "04T18:44:00", { as: "undated" }),
];

async function fillRoll(db: Db, householdId: string): Promise<void> {
  const easel = paintAhead(EXTRAS.map(({ sitting }) => sitting));
  for (const [at, { as, marks = [] }] of EXTRAS.entries()) {
    const painted: Buffer = (await easel.next()).value;
    const bytes = as === "twin" ? await twinOf(painted) : as === "undated" ? await withoutNotes(painted) : painted;
    const read = await readPicture(bytes, `IMG_${String(820 + at).padStart(4, "0")}.JPG`);
    if (!read.ok) throw new Error(`a painted picture was refused: ${read.reason}`);
    const kept = await keepPhoto(db, householdId, read.photo);
    for (const mark of marks) await markPhotos(db, householdId, [kept.id], mark);
  }
}

/** The best sheets for a few prints on Letter, as the Print sheets place would make them. */
function sheetsFor(uses: readonly { readonly id: string; readonly print: { w: number; h: number } }[]) {
  const bar = barOf("inch");
  const printable = printableOf(LETTER, trueBars(usualMargin("inch"), bar), bar, CUT_STEPS.sixteenth);
  if (!printable) throw new Error("Letter takes prints");
  const settings = { papers: [{ size: LETTER, printable }], gap: ticks(0), canTurn: true, step: CUT_STEPS.sixteenth };
  const wishes = uses.map(({ id, print }) => ({ id, size: { w: ticks(print.w), h: ticks(print.h) } }));
  return gangSheets(planAfter(taskOf(wishes, settings), 40), wishes, settings, []);
}

/** The days ahead whose prints Petra made on Sunday, and the one that went to the lab. */
const PRINTED_AHEAD = ["11", "16", "22"];
const AT_LAB = "12";

/** The roll on the evening of the 9th: pictures that no day has yet, a sheet at the trimmer, an order at the lab. */
export async function fillLanternRoll(db: Db, author: Author): Promise<void> {
  await fillRoll(db, author.householdId);
  const aggregate = await readAlbum(db, author.householdId, author.albumId);
  if (!aggregate) throw new Error("the album is not there");
  const all = standings(pagesOf(aggregate), aggregate.prints);
  const wanted = (day: string) =>
    all.filter(({ page, standing }) => page.label === day && standing.kind === "wanted").map(({ use }) => use);
  const ahead = PRINTED_AHEAD.flatMap(wanted);
  await markPhotos(
    db,
    author.householdId,
    [...ahead, ...wanted(AT_LAB)].map(({ photoId }) => photoId),
    BANKED,
  );
  const made = await makeSheets(db, author, "photos", sheetsFor(ahead));
  const [sheet] = await readSheets(db, author.albumId);
  if (!made.ok || !sheet) throw new Error("the demo's sheet was refused");
  await markSheetsPrinted(db, author, [sheet.id], true);
  for (const cut of [0, 1]) await tickCut(db, author, sheet.id, cut, true);
  const dates = { orderedOn: "2026-12-08" as CalendarDate, dueOn: "2026-12-11" as CalendarDate };
  const ordered = await keepOrder(
    db,
    author,
    wanted(AT_LAB).map(({ id }) => id),
    dates,
    anyLab("inch"),
  );
  if (!ordered.ok) throw new Error("the demo's order was refused");
}
