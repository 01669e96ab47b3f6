import type { Day, DayContent } from "../core/album/model.ts";
import type { card, day, dayInsert, dayPhoto } from "./schema/index.ts";

/** A photo as the album needs it: which picture, how large, when taken. */
export type AlbumPhoto = {
  readonly id: string;
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly capturedAt: string | null;
  readonly offset: string | null;
};

/** A day with its pieces as the relational query returns it. */
export type DayRow = typeof day.$inferSelect & {
  lastWriter: { name: string } | null;
  cards: (typeof card.$inferSelect)[];
  inserts: (typeof dayInsert.$inferSelect)[];
  photos: (typeof dayPhoto.$inferSelect & { photo: AlbumPhoto })[];
};

export function toDay(row: DayRow): Day {
  return {
    id: row.id,
    date: row.date,
    skipped: row.skipped,
    mergedInto: row.mergedInto,
    version: row.version,
    content: {
      title: row.title,
      note: row.note,
      prompt: { text: row.promptText, slip: row.promptSlip },
      waived: row.waived,
      foundation: row.foundation,
      pageSize: row.pageW !== null && row.pageH !== null ? { w: row.pageW, h: row.pageH } : null,
      numeral: { style: row.numeralStyle, note: row.numeralNote },
      photos: row.photos.map(({ id, photoId, w, h, alt }) => ({ id, photoId, print: { w, h }, alt })),
      cards: row.cards.map(({ id, w, h, text }) => ({ id, size: { w, h }, text })),
      inserts: row.inserts.map(({ id, kind, w, h, note }) => ({ id, kind, size: { w, h }, note })),
      done: row.done,
    },
  };
}

/** The columns of the day itself; its pieces are rows of their own. */
export const dayColumns = (content: DayContent) => ({
  title: content.title,
  note: content.note,
  promptText: content.prompt.text,
  promptSlip: content.prompt.slip,
  waived: [...content.waived],
  foundation: content.foundation,
  pageW: content.pageSize?.w ?? null,
  pageH: content.pageSize?.h ?? null,
  numeralStyle: content.numeral.style,
  numeralNote: content.numeral.note,
  done: [...content.done],
});

/** Rows of a day's pieces, in order. */
export const pieceRows = (dayId: string, content: DayContent) => ({
  cards: content.cards.map(({ id, size, text }, position) => ({ id, dayId, position, ...size, text })),
  inserts: content.inserts.map(({ id, kind, size, note }, position) => ({ id, dayId, position, ...size, kind, note })),
  photos: content.photos.map(({ id, photoId, print, alt }, position) => ({
    id,
    dayId,
    position,
    ...print,
    photoId,
    alt,
  })),
});
