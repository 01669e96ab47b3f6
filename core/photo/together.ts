import { inches, type Length, millimetres, ticks } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { insideBorder, type PictureFacts, type PrintCrop } from "./crop.ts";

/** At least two pictures share a print, and at most six: of more each would be a stamp. */
export const MOST_TOGETHER = 6;
/** A room of a shared print is at least this wide and high. */
export const LEAST_ROOM = inches(1 / 4);
/** The gap that is there until another is said. From memory: a sixteenth reads as a line, an eighth as a frame. */
export const USUAL_GAP = { inch: inches(1 / 16), cm: millimetres(1.5) } as const;

/**
 * How pictures share a print: so many in each of its rows, the top one first, or so many in each of its columns, the left
 * one first. Rows are alike high and columns alike wide; within one all pictures are alike.
 */
export type Arrangement = { readonly along: "rows" | "columns"; readonly counts: readonly number[] };

/** Another picture in a print, and its crop there. White border and description are the print's. */
export type InPrint = {
  readonly photoId: string;
  readonly crop: PrintCrop;
  readonly picture: PictureFacts;
};

/** What shares a print with its first picture, and how; the first lies first. */
export type Together = Arrangement & { readonly gap: Length; readonly others: readonly InPrint[] };

const sum = (counts: readonly number[]) => counts.reduce((all, count) => all + count, 0);

/** The arrangements of so many pictures, the usual one first: grids, one row, one column, and one large with smaller ones. */
export function arrangementsOf(pictures: number): Arrangement[] {
  const rows = (...counts: number[]): Arrangement => ({ along: "rows", counts });
  const columns = (...counts: number[]): Arrangement => ({ along: "columns", counts });
  const line = Array.from({ length: pictures }, () => 1);
  const grids: Record<number, Arrangement[]> = {
    3: [rows(1, 2), rows(2, 1), columns(1, 2), columns(2, 1)],
    4: [rows(2, 2), rows(1, 3), columns(1, 3), rows(3, 1), columns(3, 1)],
    5: [rows(2, 3), rows(3, 2), columns(2, 3), columns(3, 2), rows(1, 4), columns(1, 4)],
    6: [rows(3, 3), rows(2, 2, 2), rows(1, 2, 3), columns(1, 2, 3)],
  };
  return pictures < 2 || pictures > MOST_TOGETHER ? [] : [...(grids[pictures] ?? []), rows(pictures), rows(...line)];
}

/** Whether pictures can be arranged so at all, whatever the print. */
export const isArrangement = ({ counts }: Arrangement, pictures: number): boolean =>
  pictures >= 2 && pictures <= MOST_TOGETHER && counts.every((count) => count >= 1) && sum(counts) === pictures;

/** Parts of a length with gaps between them, alike to a tick; together with the gaps they are the whole. */
function partsOf(from: number, long: number, many: number, gap: number): { at: number; long: number }[] {
  const free = long - gap * (many - 1);
  const edge = (at: number) => Math.floor((free * at) / many);
  return Array.from({ length: many }, (_, at) => ({ at: from + edge(at) + gap * at, long: edge(at + 1) - edge(at) }));
}

/** Where each picture of a shared print lies in it, in their order, within the print's white border. */
export function roomsOf(
  print: Size,
  { border }: Pick<PrintCrop, "border">,
  { along, counts, gap }: Pick<Together, "along" | "counts" | "gap">,
): Rect[] {
  const inner = insideBorder(print, { border });
  const [x, y, w, h] = along === "rows" ? [inner.x, inner.y, inner.w, inner.h] : [inner.y, inner.x, inner.h, inner.w];
  return partsOf(y, h, counts.length, gap).flatMap((line, at) =>
    partsOf(x, w, counts[at] ?? 1, gap).map((part) =>
      along === "rows" ? rect(part.at, line.at, part.long, line.long) : rect(line.at, part.at, line.long, part.long),
    ),
  );
}

/** Whether every picture has a room worth the name. */
export const hasRoom = (print: Size, crop: Pick<PrintCrop, "border">, together: Together): boolean =>
  roomsOf(print, crop, together).every(({ w, h }) => Math.min(w, h) >= LEAST_ROOM);

/** A print's first picture and what shares the print with it. */
type Shared = {
  readonly photoId: string;
  readonly print: Size;
  readonly crop: PrintCrop;
  readonly picture: PictureFacts;
  readonly together: Together | null;
};

/** Every picture of a print with where it lies in it and the crop it has there; the one alone is all of the print. */
export function picturesOf(use: Shared): (InPrint & { readonly at: Rect })[] {
  const { photoId, print, crop, picture, together } = use;
  const first = { photoId, crop, picture };
  if (!together) return [{ ...first, at: rect(0, 0, print.w, print.h) }];
  const rooms = roomsOf(print, crop, together);
  return [first, ...together.others].flatMap((each, at) => {
    const room = rooms[at];
    return room ? [{ ...each, crop: { ...each.crop, border: ticks(0) }, at: room }] : [];
  });
}

/** The ids of all pictures of a print. */
export const photoIdsOf = ({ photoId, together }: Pick<Shared, "photoId" | "together">): string[] => [
  photoId,
  ...(together?.others ?? []).map((each) => each.photoId),
];

/** The same pictures arranged as so many usually are; null where one is left, which fills its print alone. */
export function arranged(was: Together | null, others: readonly InPrint[], gap: Length): Together | null {
  if (was && isArrangement(was, others.length + 1)) return { ...was, others };
  const [usual] = arrangementsOf(others.length + 1);
  return usual ? { ...usual, gap: was?.gap ?? gap, others } : null;
}
