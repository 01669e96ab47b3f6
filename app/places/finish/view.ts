import { to } from "#app/addresses.ts";
import { pageName, pageOf } from "#app/places/album/view.ts";
import { endSaid } from "#app/wording/finish.ts";
import { type AnyPage, allPagesOf } from "#core/album/matter.ts";
import { pagesOf } from "#core/album/page.ts";
import { END_GROUPS, type EndGroup, type EndMark, isForTonight, notLeft } from "#core/finish/end-mark.ts";
import { type EndsSource, type LooseEnd, looseEnds, type Names } from "#core/finish/loose-ends.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";

/** A loose end as a line: what it says, where its cause is, and what leaving it is said of. */
export type EndLine = Omit<EndMark, "as"> & {
  readonly key: string;
  readonly group: EndGroup;
  readonly said: string;
  /** What page it is of; empty where it is of the whole album. */
  readonly name: string;
  readonly href: string;
  readonly minutes: number;
  readonly tonight: boolean;
  /** Slips in words, which are left where they are. */
  readonly slips: readonly { readonly dayId: string; readonly slip: string }[];
};

type Source = EndsSource & { readonly album: { readonly id: string; readonly looseEnds: readonly EndMark[] } };

const GROUPS = Object.keys(END_GROUPS) as EndGroup[];
const groupOf = (end: LooseEnd): EndGroup =>
  GROUPS.find((group) => (END_GROUPS[group] as readonly string[]).includes(end.kind)) ?? "nicer";

const pageAt = (albumId: string, page: AnyPage): string =>
  "matter" in page ? to.page(albumId, page.entry.id) : to.day(albumId, page.group.lead.date);

/** Where the cause of an end is, and can be mended. */
function hrefOf(albumId: string, { kind, page, at, of }: LooseEnd): string {
  const day = page ? pageAt(albumId, page) : to.month(albumId);
  switch (kind) {
    case "spoiled":
    case "print":
    case "lab":
      return to.sheets(albumId);
    case "wordless":
      return of[0] ? to.card(albumId, of[0]) : day;
    case "slip":
      return to.words(albumId);
    case "fit":
      return to.book(albumId, { at: at?.leaf ?? null, face: at?.face ?? null });
    case "rings":
    case "hint":
      return at?.built
        ? to.making(albumId, at.built, { leaf: at.leaf, face: at.face, piece: at.piece })
        : to.bench(albumId);
    case "pocket":
      return to.book(albumId, { at: of[0]?.split(" ")[0] ?? null, face: "front" });
    case "through":
      return to.seenThrough(albumId, { at: at?.leaf ?? null });
    case "unmarked":
    case "nobody":
      return to.roll(albumId, { shown: "unnamed" });
    case "nearly":
      return `${day}#finish`;
    case "skipped":
      return page ? day : to.told(albumId);
    default:
      return day;
  }
}

function lineOf(
  albumId: string,
  end: LooseEnd,
  marks: readonly EndMark[],
  nameOf: (date: CalendarDate) => string,
): EndLine {
  const { kind, entry, of, page, minutes } = end;
  const slips = (end.slips ?? []).map(({ dayId, slip }) => ({ dayId, slip }));
  return {
    ...{ key: `${kind} ${entry ?? ""} ${of[0] ?? ""}`, group: groupOf(end), kind, entry, of, minutes, slips },
    ...{ said: endSaid(end, nameOf), name: page ? pageName(page) : "", href: hrefOf(albumId, end) },
    tonight: isForTonight(end, marks),
  };
}

/** Every end that was not left, those that matter first, in the order of the book. */
export function endLines(source: Source, names: Names, today: CalendarDate): EndLine[] {
  const { id, looseEnds: marks } = source.album;
  const pages = pagesOf(source);
  const nameOf = (date: CalendarDate) => {
    const page = pageOf(pages, date);
    return page ? pageName(page) : printShort(date);
  };
  const lines = looseEnds(source, names, today).flatMap((end) => {
    const open = notLeft(end, marks);
    return open ? [lineOf(id, open, marks, nameOf)] : [];
  });
  const order = allPagesOf(source).map((page) => pageName(page));
  return lines.sort(
    (a, b) => GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group) || order.indexOf(a.name) - order.indexOf(b.name),
  );
}

/** The ends that are kept for the next evening and are still open; none are looked for where none was kept. */
export const endsTonight = (source: Source, names: Names, today: CalendarDate): EndLine[] =>
  source.album.looseEnds.some(({ as }) => as === "tonight")
    ? endLines(source, names, today).filter(({ tonight }) => tonight)
    : [];
