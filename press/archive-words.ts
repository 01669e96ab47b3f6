import type { Leaf } from "../core/album/leaf.ts";
import { allPagesOf } from "../core/album/matter.ts";
import type { DayContent, Step } from "../core/album/model.ts";
import { NOTHING_MADE, STEP_RULES } from "../core/album/steps.ts";
import type { KeptThing } from "../core/drawer/thing.ts";
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type Archive } from "../core/format/archive.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Known } from "../core/month/known.ts";
import { photoIdsOf } from "../core/photo/together.ts";
import { countPrivate, shareable } from "../core/share/share.ts";
import type { AlbumAggregate } from "../store/album.ts";
import { thingsOf, thingsOn } from "../store/leaf-row.ts";
import type { PictureMime } from "../store/photo.ts";

/** How the file of a picture ends, by its kind. */
export const ENDING: Record<PictureMime, string> = {
  "image/jpeg": "jpg",
  "image/png": "png",
  "image/webp": "webp",
  "image/avif": "avif",
  "image/tiff": "tif",
  "image/heic": "heic",
};

/** The book as `album.json` says it, with those of the household's layouts that the album uses. */
function bookOf({ leaves, tryOuts, layouts }: Pick<AlbumAggregate, "leaves" | "tryOuts" | "layouts">) {
  const used = new Set(leaves.map(({ make }) => make.layout));
  const side = ({ owner, guests, pieces, done, line }: Leaf["front"]) => ({
    owner,
    guests: guests.map((guest) => ({ dayId: guest.dayId, done: [...guest.done] })),
    pieces: pieces && [...pieces],
    done: [...done],
    ...(line ? { line } : {}),
  });
  return {
    leaves: leaves.map(({ version: _, done, leftSeen, ...leaf }) => ({
      ...leaf,
      done: [...done],
      leftSeen: [...leftSeen],
      front: side(leaf.front),
      back: side(leaf.back),
    })),
    tryOuts: tryOuts.map(({ version: _, ...each }) => ({ ...each, pieces: [...each.pieces] })),
    layouts: layouts.filter(({ id }) => used.has(id)),
  };
}

export type Files = ReadonlyMap<string, { readonly mime: PictureMime; readonly bytes: number }>;

/** Whether a step is one that the prints of a page tick. */
const isByPrints = (step: Step): boolean => (STEP_RULES[step].tickedBy ?? "") in NOTHING_MADE;

/** For whom an archive is: for oneself it has everything; for others no place of a photo, and nothing that is private. */
export type ForWhom = "self" | "others";

/** What stands on the month calendar pages, without where it was read. */
const onPages = (known: readonly Known[]): Known[] =>
  known.filter(({ onPage }) => onPage).map((each, at) => ({ ...each, key: `known-${at}`, source: "" }));

/** The album as `album.json` says it; `drawer` is what its pages may be made of. */
export function albumWords(
  whole: AlbumAggregate,
  files: Files,
  drawer: readonly KeptThing[],
  forWhom: ForWhom,
  today: CalendarDate,
): Archive {
  const { album, days, matters, photos, leaves, tryOuts, layouts, prints } =
    forWhom === "self" ? whole : shareable(whole, today);
  const taken = new Set([...thingsOn(leaves), ...tryOuts.flatMap(({ pieces }) => thingsOf(pieces))]);
  const things = drawer.filter(({ id }) => taken.has(id));
  const entries = [...whole.days, ...whole.matters];
  const leftOut = entries.reduce((sum, { content }) => sum + countPrivate(content, today), 0);
  const used = new Set(
    [...days, ...matters].flatMap(({ content }) => [
      ...content.photos.flatMap(photoIdsOf),
      ...content.cards.flatMap(({ preprint }) => preprint?.photoId ?? []),
    ]),
  );
  const { capacity, ...format } = album.format;
  const hashOfPhoto = (photoId: string) => photos.get(photoId)?.sha256 ?? "";
  // An archive has no prints, so what is known by them is said of the days that lead their pages.
  const known = new Map(
    allPagesOf({ album, days, matters, leaves, prints }).map(({ days: [lead], steps }) => [
      lead?.id,
      steps.filter(({ step, done }) => done && isByPrints(step)).map(({ step }) => step),
    ]),
  );
  const contentAsSaid = (id: string, content: DayContent) => {
    return {
      ...content,
      waived: [...content.waived],
      done: [...new Set([...content.done, ...(known.get(id) ?? [])])],
      undone: [...content.undone],
      leftAlone: [...content.leftAlone],
      cards: content.cards.map(({ preprint, ...card }) => ({
        ...card,
        preprint: preprint && { sha256: hashOfPhoto(preprint.photoId), corners: preprint.corners as never },
        setting: card.setting && (structuredClone(card.setting) as never),
      })),
      jottings: [...content.jottings],
      photos: content.photos.map(({ id: use, photoId, print, alt, crop, onIt, repeat, together, privateUntil }) => ({
        id: use,
        print,
        alt,
        crop,
        onIt: [...onIt],
        repeat,
        together: together && {
          ...together,
          counts: [...together.counts],
          others: together.others.map((each) => ({ sha256: hashOfPhoto(each.photoId), crop: each.crop })),
        },
        privateUntil,
        sha256: hashOfPhoto(photoId),
      })),
    };
  };
  return {
    format: ARCHIVE_FORMAT,
    formatVersion: ARCHIVE_VERSION,
    lengths: "mm",
    photosAsAdded: forWhom === "self",
    privateLeftOut: forWhom === "self" ? 0 : leftOut,
    album: {
      id: album.archiveId,
      title: album.title,
      unit: album.unit,
      numbering: album.numbering,
      photoRule: album.photoRule,
      preparing: album.preparing,
      pattern: album.pattern,
      ruler: album.ruler.map((mark) => ({ ...mark })),
      nextYear: forWhom === "self" ? album.nextYear : "",
      looseEnds: forWhom === "self" ? album.looseEnds.map((mark) => ({ ...mark, of: [...mark.of] })) : [],
      ...album.span,
      format: {
        ...format,
        holes: { ...format.holes, positions: [...format.holes.positions] },
        capacityMicrometres: capacity,
      },
    },
    days: days.map(({ id, date, skipped, mergedInto, content }) => ({
      ...{ id, date, skipped, mergedInto },
      ...contentAsSaid(id, content),
    })),
    matters: matters.map(({ id, matter, date, month, content }) => ({
      ...{ id, matter, date, month },
      ...contentAsSaid(id, content),
    })),
    known: forWhom === "self" ? [...whole.known] : onPages(whole.known),
    tallies: forWhom === "self" ? whole.tallies.map((tally) => ({ ...tally, marks: [...tally.marks] })) : [],
    photos: [...photos.values()]
      .filter(({ id }) => used.has(id))
      .map(({ sha256, name, capturedAt, offset, givenDate, look, faces, people, star, banked, setAside }) => ({
        sha256,
        name,
        capturedAt,
        offset,
        givenDate,
        look,
        faces: [...faces],
        people: people && [...people],
        star,
        banked,
        setAside,
        file: `photos/${sha256}.${ENDING[files.get(sha256)?.mime ?? "image/jpeg"]}`,
      })),
    things: things.map(
      (thing) => structuredClone(forWhom === "self" ? thing : { ...thing, lies: "", note: "" }) as never,
    ),
    book: bookOf({ leaves, tryOuts, layouts }),
  };
}
