import type { SentMove } from "#core/album/edit-schema.ts";
import type { SentTryOut } from "#core/book/edit-schema.ts";
import type { Sent } from "#core/format/sent.ts";
import { parseDate } from "#core/month/dates.ts";
import { mergeWithNeighbour, moveStory, type SlotChange, setSkipped, split } from "#core/month/slots.ts";
import type { SentPrint } from "#core/sheet/sheet-schema.ts";
import type { Author } from "#store/author.ts";
import { saveBookEdit } from "#store/book.ts";
import { bringToDay, putInstead } from "#store/bring.ts";
import { moveJotting, movePhoto } from "#store/carry-over.ts";
import { changeMonth, saveDayEdit } from "#store/day.ts";
import type { Db } from "#store/db.ts";
import { journaled } from "#store/journal/line.ts";
import { markArrived, markCutOut } from "#store/lab-orders.ts";
import { markEnd } from "#store/loose-ends.ts";
import { changeMatter } from "#store/matter.ts";
import { declineOffer } from "#store/pace.ts";
import { rememberChoices } from "#store/printers.ts";
import { markByHand, markSheetsPrinted, markSpoiled, tickAllCuts, tickCut } from "#store/printing.ts";
import { markInAlbum } from "#store/roll.ts";
import { changeTally } from "#store/tally.ts";
import { addTryOut, arrangeTryOut, dropTryOut, keepTryOut } from "#store/try-out.ts";

/** Does one change that was sent to an album, and answers what came of it. */
export async function carryOut(db: Db, author: Author, sent: Sent) {
  switch (sent.what) {
    case "edit":
      return saveDayEdit(db, author, sent.dayId, sent.base, sent.edit);
    case "book":
      return saveBookEdit(db, author, sent.seen, sent.edit);
    case "try-out":
      return tryOut(db, author, sent);
    case "matter":
      return changeMatter(db, author, sent);
    case "bring":
      return bringToDay(db, author, sent);
    case "another-picture":
      return putInstead(db, author, sent);
    case "move-photo": {
      const to = parseDate(sent.to);
      return to
        ? movePhoto(db, author, sent.dayId, sent.useId, to)
        : { ok: false as const, reason: "no-such-day" as const };
    }
    case "move-jotting": {
      const to = parseDate(sent.to);
      return to
        ? moveJotting(db, author, sent.dayId, sent.id, to)
        : { ok: false as const, reason: "no-such-day" as const };
    }
    case "mark":
      // None of them is here, or all are wanted where they are: said, and not as if it were done.
      return (await markInAlbum(db, author, sent.ids, sent.mark)) > 0
        ? { ok: true as const }
        : { ok: false as const, reason: "not-marked" as const };
    case "decline":
      return journaled(db, author, { what: "offer" }, (tx) => declineOffer(tx, author, sent.offer));
    case "end":
      return markEnd(db, author, sent);
    case "tally":
      return changeTally(db, author, sent);
    case "choices":
      return (await rememberChoices(db, author.householdId, sent.printer, sent.choices, sent.unit))
        ? { ok: true as const }
        : { ok: false as const, reason: "not-found" as const };
    case "print":
      return onPaper(db, author, sent);
    case "month":
      return changeMonth(db, author, { what: "month", how: monthHow(sent), day: sent.dayId }, (slots, span) =>
        moved(slots, span, sent),
      );
  }
}

const monthHow = (sent: SentMove) => (sent.how === "skip" && !sent.on ? "take-up" : sent.how);

type Slots = Parameters<Parameters<typeof changeMonth>[3]>;
function moved(slots: Slots[0], span: Slots[1], sent: SentMove): SlotChange {
  switch (sent.how) {
    case "skip":
      return setSkipped(slots, span, sent.dayId, sent.on);
    case "merge":
      return mergeWithNeighbour(slots, span, sent.dayId, sent.side);
    case "split":
      return split(slots, span, sent.dayId);
    case "move": {
      const to = parseDate(sent.to);
      return to ? moveStory(slots, span, sent.dayId, to) : { ok: false, reason: "no-such-day" };
    }
  }
}

async function tryOut(db: Db, author: Author, sent: SentTryOut) {
  switch (sent.how) {
    case "add":
      return addTryOut(db, author, { id: sent.id, leafId: sent.leafId, face: sent.face, pieces: sent.pieces });
    case "arrange":
      return arrangeTryOut(db, author, sent.id, sent.base, sent.pieces);
    case "drop":
      return dropTryOut(db, author, sent.id);
    case "keep":
      return keepTryOut(db, author, sent.leafId, sent.face, sent.id);
  }
}

function onPaper(db: Db, author: Author, sent: SentPrint) {
  switch (sent.how) {
    case "printed":
      return markSheetsPrinted(db, author, sent.sheets, sent.on);
    case "all-cut":
      return tickAllCuts(db, author, sent.sheet);
    case "cut":
      return tickCut(db, author, sent.sheet, sent.cut, sent.on);
    case "spoiled":
      return markSpoiled(db, author, sent.print, sent.on);
    case "elsewhere":
      return markByHand(db, author, sent.of, sent.ids, sent.on);
    case "arrived":
      return markArrived(db, author, sent.order, sent.on);
    case "cut-out":
      return markCutOut(db, author, sent.order, sent.on);
  }
}
