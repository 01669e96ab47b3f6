import type { Day, DayContent, MatterEntry } from "../core/album/model.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { MIDDLE, type PictureFace, type PictureFacts, type PrintCrop } from "../core/photo/crop.ts";
import type { Look } from "../core/photo/look.ts";
import type { OnIt } from "../core/photo/on-it.ts";
import { arranged, type Together } from "../core/photo/together.ts";
import type { card, day, dayPhoto, jotting } from "./schema/index.ts";

/** A photo as the album needs it: which picture, how large, when taken. */
export type AlbumPhoto = {
  readonly id: string;
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly capturedAt: string | null;
  readonly offset: string | null;
  readonly givenDate: CalendarDate | null;
  readonly look: Look;
  readonly faces: readonly PictureFace[];
  readonly people: OnIt;
  readonly star: boolean;
  readonly banked: boolean;
  readonly setAside: boolean;
  readonly trait: { readonly focusX: number; readonly focusY: number } | null;
};

/** What a print needs to know of its picture; until it has been looked at, its middle is the point to keep. */
export const factsOf = ({
  width,
  height,
  look,
  faces,
  trait,
}: Pick<AlbumPhoto, "width" | "height" | "look" | "faces" | "trait">): PictureFacts => ({
  width,
  height,
  look,
  faces,
  focus: trait ? { x: trait.focusX, y: trait.focusY } : MIDDLE,
});

const cropOf = ({ keepX, keepY, slideX, slideY, closer, border }: typeof dayPhoto.$inferSelect): PrintCrop => ({
  keep: keepX === null || keepY === null ? null : { x: keepX, y: keepY },
  slide: { x: slideX, y: slideY },
  closer,
  border,
});

/** A day with its pieces as the relational query returns it. */
export type DayRow = typeof day.$inferSelect & {
  lastWriter: { name: string } | null;
  /** `preprintPicture`: the picture of what is printed on it already. */
  cards: (typeof card.$inferSelect & { writer: { name: string } | null; preprintPicture: AlbumPhoto | null })[];
  jottings: (typeof jotting.$inferSelect & { writer: { name: string } | null })[];
  /** `sharing`: the other pictures of a print that several share. */
  photos: (typeof dayPhoto.$inferSelect & { photo: AlbumPhoto; sharing: AlbumPhoto[] })[];
};

/** A day, or an entry of the front or back matter: whichever the row is. */
export function toEntry(row: DayRow): Day | MatterEntry {
  const common = { id: row.id, version: row.version, content: contentOf(row) };
  if (row.matter) return { ...common, matter: row.matter, date: row.ownDate, month: row.monthPage };
  if (row.date === null) throw new Error("a day without a date");
  return { ...common, date: row.date, skipped: row.skipped, mergedInto: row.mergedInto };
}

/** The days among the rows, as they came. */
export const toDays = (rows: readonly DayRow[]): Day[] =>
  rows.flatMap((row) => {
    const entry = toEntry(row);
    return "matter" in entry ? [] : [entry];
  });

export const toMatters = (rows: readonly DayRow[]): MatterEntry[] =>
  rows.flatMap((row) => {
    const entry = toEntry(row);
    return "matter" in entry ? [entry] : [];
  });

/** What shares a print, with what is known of each picture; one that is known no more has left it. */
function togetherOf({ together, sharing }: DayRow["photos"][number]): Together | null {
  if (!together) return null;
  const known = new Map(sharing.map((each) => [each.id, factsOf(each)]));
  const others = together.others.flatMap((each) => {
    const picture = known.get(each.photoId);
    return picture ? [{ ...each, picture }] : [];
  });
  return arranged({ ...together, others: [] }, others, together.gap);
}

function contentOf(row: DayRow): DayContent {
  return {
    title: row.title,
    note: row.note,
    prompt: { text: row.promptText, slip: row.promptSlip },
    technique: { text: row.techniqueText, slip: row.techniqueSlip },
    waived: row.waived,
    numeral: { style: row.numeralStyle, note: row.numeralNote },
    photos: row.photos.map((use) => ({
      id: use.id,
      photoId: use.photoId,
      print: { w: use.w, h: use.h },
      alt: use.alt,
      crop: cropOf(use),
      picture: factsOf(use.photo),
      onIt: use.onIt,
      together: togetherOf(use),
      repeat: use.repeatW === null || use.repeatH === null ? null : { w: use.repeatW, h: use.repeatH },
      privateUntil: use.privateUntil,
    })),
    cards: row.cards.map(({ id, w, h, text, back, setting, preprintPhoto, preprintCorners, hidden, privateUntil }) => ({
      ...{ id, size: { w, h }, text, back, setting, hidden, privateUntil },
      preprint: preprintPhoto && preprintCorners ? { photoId: preprintPhoto, corners: preprintCorners } : null,
    })),
    jottings: row.jottings.map(({ id, text, at, privateUntil }) => ({ id, text, at, privateUntil })),
    done: row.done,
    undone: row.undone,
    leftAlone: row.leftAlone,
    privateUntil: row.privateUntil,
    driesUntil: row.driesUntil,
    everyYear: row.everyYear,
    nextYear: row.nextYear,
  };
}

/** The columns of the day itself; its pieces are rows of their own. */
export const dayColumns = (content: DayContent) => ({
  title: content.title,
  note: content.note,
  promptText: content.prompt.text,
  promptSlip: content.prompt.slip,
  techniqueText: content.technique.text,
  techniqueSlip: content.technique.slip,
  waived: [...content.waived],
  numeralStyle: content.numeral.style,
  numeralNote: content.numeral.note,
  done: [...content.done],
  undone: [...content.undone],
  leftAlone: [...content.leftAlone],
  privateUntil: content.privateUntil,
  driesUntil: content.driesUntil,
  everyYear: content.everyYear,
  nextYear: content.nextYear,
});

/** Rows of a day's pieces, in order. */
export const pieceRows = (dayId: string, content: DayContent) => ({
  cards: content.cards.map(({ id, size, text, back, setting, preprint, hidden, privateUntil }, position) => ({
    id,
    preprintPhoto: preprint?.photoId ?? null,
    preprintCorners: preprint?.corners ?? null,
    dayId,
    position,
    ...size,
    text,
    back,
    setting,
    hidden,
    privateUntil,
  })),
  jottings: content.jottings.map(({ id, text, at, privateUntil }, position) => ({
    id,
    dayId,
    position,
    text,
    at,
    privateUntil,
  })),
  photos: content.photos.map(({ id, photoId, print, alt, crop, onIt, repeat, together, privateUntil }, position) => ({
    id,
    dayId,
    position,
    ...print,
    photoId,
    alt,
    keepX: crop.keep?.x ?? null,
    keepY: crop.keep?.y ?? null,
    slideX: crop.slide.x,
    slideY: crop.slide.y,
    closer: crop.closer,
    border: crop.border,
    onIt: [...onIt],
    together: together && {
      ...together,
      others: together.others.map(({ photoId: other, crop: its }) => ({ photoId: other, crop: its })),
    },
    repeatW: repeat?.w ?? null,
    repeatH: repeat?.h ?? null,
    privateUntil,
  })),
});
