import isEqual from "fast-deep-equal";
import { LIMITS } from "../limits.ts";
import type { Size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { cropOfAnother, type PictureFacts, type PrintCrop } from "../photo/crop.ts";
import type { Preprint } from "../photo/preprint.ts";
import { type InPrint, photoIdsOf, type Together } from "../photo/together.ts";
import { type CardSetting, settingOf } from "../words/lettering.ts";
import type { PrintedOn } from "../words/printed-on.ts";
import { hasWords } from "./card-words.ts";
import type { Binding, Card, DayContent, Jotting, NumeralStyle, Part, PhotoUse, Step } from "./model.ts";
import { type Happening, type PlannedStep, poolContent, reopenedBy, STEP_RULES, stepsFor } from "./steps.ts";

/** One thing a keeper does to a day. Ids of new pieces come from outside: core has no chance of its own. */
export type DayEdit =
  | { kind: "title"; text: string }
  | { kind: "note"; text: string }
  | { kind: "prompt"; text: string; slip: string | null }
  | { kind: "technique"; text: string; slip: string | null }
  /** Something better happened: the prompt goes back into its jar, and the day does without. */
  | { kind: "let-go" }
  | { kind: "waive"; part: Part; on: boolean }
  | { kind: "numeral"; style: NumeralStyle; note: string }
  | { kind: "add-card"; card: Card }
  | { kind: "card-text"; id: string; text: string }
  | { kind: "card-back"; id: string; text: string }
  | { kind: "card-size"; id: string; size: Size }
  | { kind: "card-setting"; id: string; setting: CardSetting | null }
  | { kind: "card-preprint"; id: string; preprint: Preprint | null }
  | { kind: "card-secrecy"; id: string; hidden: string; privateUntil: CalendarDate | null }
  /** Words too many for a card's front go on: to its back, or to a card of their own. */
  | { kind: "carry-over"; id: string; kept: string; rest: string; to: "back" | { card: string } }
  | { kind: "remove-card"; id: string }
  | { kind: "add-jotting"; jotting: Jotting }
  | { kind: "jotting-text"; id: string; text: string }
  | { kind: "jotting-private"; id: string; privateUntil: CalendarDate | null }
  | { kind: "remove-jotting"; id: string }
  | { kind: "add-photo"; photo: PhotoUse }
  /** Another picture in the place of one: as large, where it lies, and cropped alike where that suits it. */
  | { kind: "photo-picture"; id: string; photoId: string; picture: PictureFacts }
  | { kind: "photo-alt"; id: string; alt: string }
  | { kind: "photo-print"; id: string; print: Size }
  | { kind: "photo-crop"; id: string; crop: PrintCrop }
  | { kind: "photo-repeat"; id: string; repeat: Size | null }
  /** The pictures of its print, the first first. One that the day had a print of alone comes into this one. */
  | ({ kind: "photo-together"; id: string; pictures: readonly InPrint[] } & Omit<Together, "others">)
  /** How another picture of a shared print is cropped. */
  | { kind: "photo-together-crop"; id: string; photoId: string; crop: PrintCrop }
  | { kind: "photo-on-it"; id: string; onIt: readonly PrintedOn[] }
  | { kind: "photo-private"; id: string; privateUntil: CalendarDate | null }
  | { kind: "remove-photo"; id: string }
  /** A slip in the words is well as it is, or is to be told again. */
  | { kind: "leave-alone"; slip: string; on: boolean }
  | { kind: "day-private"; privateUntil: CalendarDate | null }
  /** Its page was made wet, and nothing goes on it before a day; null: it is dry. */
  | { kind: "dries"; until: CalendarDate | null }
  /** It stands every year, or no more. */
  | { kind: "every-year"; on: boolean }
  | { kind: "next-year"; text: string }
  | { kind: "step"; step: Step; done: boolean }
  | { kind: "finish" };

/** What of a card is written by itself; `card` is its front, and whether it is there at all. */
type CardField = "card" | "card-back" | "card-size" | "card-setting" | "card-preprint" | "card-secrecy";

/** The part of a day an edit writes, as compared between two windows: two edits clash only on the same field. */
export type Field = string;

export type EditProblem = "piece-gone" | "already-there" | "nothing-to-finish" | "day-full";
export type EditResult = { ok: true; content: DayContent; fields: Field[] } | { ok: false; reason: EditProblem };

const isStillThere = (pieces: readonly { readonly id: string }[], id: string) =>
  pieces.some((piece) => piece.id === id);

const isFull = (pieces: readonly unknown[]): boolean => pieces.length >= LIMITS.piecesOfDay.most;

const without = (done: readonly Step[], ...steps: Step[]) => done.filter((step) => !steps.includes(step));
const saidOf = (steps: readonly Step[], step: Step, is: boolean): readonly Step[] =>
  is ? [...without(steps, step), step] : without(steps, step);

/** Whether a card's words go to paper from here: those written or stamped by hand are only recorded here. */
const isPrinted = (card: Card): boolean => ["typed", "typewriter"].includes(settingOf(card).lettering.kind);

/**
 * What an edit does to a thing of the day that may have been made already, and to which; null where it does nothing of the
 * kind. Words count that were there before, on a card that is printed.
 */
export function happeningOf(content: DayContent, edit: DayEdit): { happening: Happening; of: string | null } | null {
  switch (edit.kind) {
    case "add-photo":
      return { happening: "picture", of: edit.photo.id };
    case "photo-picture":
      return { happening: "picture", of: edit.id };
    case "photo-print":
    case "photo-crop":
    case "photo-on-it":
    case "photo-repeat":
    case "photo-together":
    case "photo-together-crop":
      return { happening: "print", of: edit.id };
    case "add-card":
      return { happening: "card", of: edit.card.id };
    case "card-size":
      return { happening: "card", of: edit.id };
    case "carry-over":
      return { happening: edit.to === "back" ? "words" : "card", of: edit.id };
    case "card-text":
    case "card-back":
    case "card-setting": {
      const card = content.cards.find(({ id }) => id === edit.id);
      const hadWords = card && hasWords(card);
      return hadWords && isPrinted(card) ? { happening: "words", of: edit.id } : null;
    }
    case "numeral":
      return edit.style === content.numeral.style ? null : { happening: "numeral", of: null };
    default:
      return null;
  }
}

/**
 * Applies one edit and names the fields it wrote. An edit sent twice, because its first answer was lost, does nothing the
 * second time. What was said to be done by hand is opened again by what makes it untrue. Of a finished day only the steps
 * that are its own are ticked here, among those `planned` for it; those of its leaves are ticked there.
 */
export function applyEdit(
  content: DayContent,
  edit: DayEdit,
  binding: Binding,
  planned?: readonly PlannedStep[],
): EditResult {
  const applied = changed(content, edit, binding, planned);
  const happened = applied.ok && applied.fields.length > 0 ? happeningOf(content, edit) : null;
  if (!applied.ok || !happened || isEqual(applied.content, content)) return applied;
  const opened = reopenedBy(happened.happening).filter((step) => applied.content.done.includes(step));
  return {
    ok: true,
    content: { ...applied.content, done: without(applied.content.done, ...opened) },
    fields: [...applied.fields, ...opened.map((step) => `step:${step}`)],
  };
}

/** The edit itself, without what it opens again. */
function changed(content: DayContent, edit: DayEdit, binding: Binding, planned?: readonly PlannedStep[]): EditResult {
  const wrote = (fields: Field[], change: Partial<DayContent>): EditResult => ({
    ok: true,
    content: { ...content, ...change },
    fields,
  });
  const gone: EditResult = { ok: false, reason: "piece-gone" };
  const unchanged: EditResult = { ok: true, content, fields: [] };
  const full: EditResult = { ok: false, reason: "day-full" };
  switch (edit.kind) {
    case "title":
      return wrote(["title"], { title: edit.text });
    case "note":
      return wrote(["note"], { note: edit.text });
    case "prompt":
      return wrote(["prompt"], { prompt: { text: edit.text, slip: edit.slip } });
    case "technique":
      return wrote(["technique"], { technique: { text: edit.text, slip: edit.slip } });
    case "let-go": {
      const rest = content.waived.filter((part) => part !== "prompt");
      return wrote(["prompt", "waived:prompt"], { prompt: { text: "", slip: null }, waived: [...rest, "prompt"] });
    }
    case "waive": {
      const rest = content.waived.filter((part) => part !== edit.part);
      return wrote([`waived:${edit.part}`], { waived: edit.on ? [...rest, edit.part] : rest });
    }
    case "numeral":
      return wrote(["numeral"], { numeral: { style: edit.style, note: edit.note } });
    case "add-card":
      if (isStillThere(content.cards, edit.card.id)) return unchanged;
      if (isFull(content.cards)) return full;
      return wrote([`card:${edit.card.id}`], { cards: [...content.cards, edit.card] });
    case "card-text":
      return changeCard(content, edit.id, "card", { text: edit.text });
    case "card-back":
      return changeCard(content, edit.id, "card-back", { back: edit.text });
    case "card-size":
      return changeCard(content, edit.id, "card-size", { size: edit.size });
    case "card-setting":
      return changeCard(content, edit.id, "card-setting", { setting: edit.setting });
    case "card-preprint":
      return changeCard(content, edit.id, "card-preprint", { preprint: edit.preprint });
    case "card-secrecy":
      return changeCard(content, edit.id, "card-secrecy", { hidden: edit.hidden, privateUntil: edit.privateUntil });
    case "carry-over":
      return carryOver(content, edit);
    case "remove-card":
      if (!isStillThere(content.cards, edit.id)) return unchanged;
      return wrote([`card:${edit.id}`], { cards: content.cards.filter(({ id }) => id !== edit.id) });
    case "add-jotting":
      if (isStillThere(content.jottings, edit.jotting.id)) return unchanged;
      if (isFull(content.jottings)) return full;
      return wrote([`jotting:${edit.jotting.id}`], {
        jottings: [...content.jottings, edit.jotting].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)),
      });
    case "jotting-text":
      if (!isStillThere(content.jottings, edit.id)) return gone;
      return wrote([`jotting:${edit.id}`], {
        jottings: content.jottings.map((each) => (each.id === edit.id ? { ...each, text: edit.text } : each)),
      });
    case "jotting-private":
      if (!isStillThere(content.jottings, edit.id)) return gone;
      return wrote([`jotting:${edit.id}`], {
        jottings: content.jottings.map((each) =>
          each.id === edit.id ? { ...each, privateUntil: edit.privateUntil } : each,
        ),
      });
    case "remove-jotting":
      if (!isStillThere(content.jottings, edit.id)) return unchanged;
      return wrote([`jotting:${edit.id}`], { jottings: content.jottings.filter(({ id }) => id !== edit.id) });
    case "add-photo":
      if (isStillThere(content.photos, edit.photo.id)) return unchanged;
      if (content.photos.some((use) => photoIdsOf(use).includes(edit.photo.photoId)))
        return { ok: false, reason: "already-there" };
      if (isFull(content.photos)) return full;
      return wrote([`photo:${edit.photo.id}`], { photos: [...content.photos, edit.photo] });
    case "photo-picture": {
      const use = content.photos.find(({ id }) => id === edit.id);
      if (!use) return gone;
      if (use.photoId === edit.photoId) return unchanged;
      if (content.photos.some((each) => photoIdsOf(each).includes(edit.photoId)))
        return { ok: false, reason: "already-there" };
      const crop = cropOfAnother(use, edit.picture);
      // What was said of the old picture in words is not true of the new one.
      const other: PhotoUse = {
        ...use,
        photoId: edit.photoId,
        picture: edit.picture,
        crop,
        alt: "",
        onIt: [],
        repeat: null,
        together: null,
      };
      return wrote([`photo:${use.id}`, `photo-crop:${use.id}`], {
        photos: content.photos.map((each) => (each === use ? other : each)),
      });
    }
    case "photo-alt":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo:${edit.id}`], {
        photos: content.photos.map((photo) => (photo.id === edit.id ? { ...photo, alt: edit.alt } : photo)),
      });
    case "photo-print":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo-print:${edit.id}`], {
        photos: content.photos.map((photo) => (photo.id === edit.id ? { ...photo, print: edit.print } : photo)),
      });
    case "photo-crop":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo-crop:${edit.id}`], {
        photos: content.photos.map((photo) => (photo.id === edit.id ? { ...photo, crop: edit.crop } : photo)),
      });
    case "photo-repeat":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo-repeat:${edit.id}`], {
        photos: content.photos.map((photo) =>
          photo.id === edit.id
            ? { ...photo, repeat: edit.repeat, together: edit.repeat ? null : photo.together }
            : photo,
        ),
      });
    case "photo-together":
      return shareOut(content, edit);
    case "photo-together-crop":
      if (!content.photos.some(({ id, together }) => id === edit.id && together?.others.some(is(edit.photoId))))
        return gone;
      return wrote([`photo-together:${edit.id}`], {
        photos: content.photos.map((use) =>
          use.id === edit.id && use.together
            ? {
                ...use,
                together: {
                  ...use.together,
                  others: use.together.others.map((each) =>
                    is(edit.photoId)(each) ? { ...each, crop: edit.crop } : each,
                  ),
                },
              }
            : use,
        ),
      });
    case "photo-on-it":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo-on-it:${edit.id}`], {
        photos: content.photos.map((photo) => (photo.id === edit.id ? { ...photo, onIt: edit.onIt } : photo)),
      });
    case "photo-private":
      if (!isStillThere(content.photos, edit.id)) return gone;
      return wrote([`photo-private:${edit.id}`], {
        photos: content.photos.map((photo) =>
          photo.id === edit.id ? { ...photo, privateUntil: edit.privateUntil } : photo,
        ),
      });
    case "leave-alone": {
      const rest = content.leftAlone.filter((each) => each !== edit.slip);
      if (edit.on && rest.length >= LIMITS.leftAlone.most) return full;
      return wrote([`leave-alone:${edit.slip}`], { leftAlone: edit.on ? [...rest, edit.slip] : rest });
    }
    case "day-private":
      return wrote(["private"], { privateUntil: edit.privateUntil });
    case "dries":
      return wrote(["dries"], { driesUntil: edit.until });
    case "every-year":
      return wrote(["every-year"], { everyYear: edit.on });
    case "next-year":
      return wrote(["next-year"], { nextYear: edit.text });
    case "remove-photo":
      if (!isStillThere(content.photos, edit.id)) return unchanged;
      return wrote([`photo:${edit.id}`], { photos: content.photos.filter(({ id }) => id !== edit.id) });
    case "step":
      return wrote([`step:${edit.step}`], {
        done: saidOf(content.done, edit.step, edit.done),
        undone: saidOf(content.undone, edit.step, !edit.done && STEP_RULES[edit.step].tickedBy !== null),
      });
    case "finish": {
      const steps = planned ?? stepsFor(poolContent(content, []), [], binding);
      if (steps.length === 0) return { ok: false, reason: "nothing-to-finish" };
      const own = steps.filter(({ on }) => on.length === 0).map(({ step }) => step);
      return wrote(
        own.filter((step) => !content.done.includes(step)).map((step) => `step:${step}`),
        { done: [...new Set([...content.done, ...own])], undone: without(content.undone, ...own) },
      );
    }
  }
}

/** Changes one property of a card, and names the field it wrote. */
function changeCard(content: DayContent, id: string, field: CardField, change: Partial<Card>): EditResult {
  if (!isStillThere(content.cards, id)) return { ok: false, reason: "piece-gone" };
  const cards = content.cards.map((card) => (card.id === id ? { ...card, ...change } : card));
  return { ok: true, fields: [`${field}:${id}`], content: { ...content, cards } };
}

const is =
  (photoId: string) =>
  (each: { readonly photoId: string }): boolean =>
    each.photoId === photoId;

/** Puts pictures together in one print. Those that the day has prints of alone leave them; none is twice on a day. */
function shareOut(content: DayContent, edit: Extract<DayEdit, { kind: "photo-together" }>): EditResult {
  const { id, pictures, along, counts, gap } = edit;
  const use = content.photos.find((each) => each.id === id);
  if (!use) return { ok: false, reason: "piece-gone" };
  const ids = pictures.map(({ photoId }) => photoId);
  const alone = content.photos.filter((each) => each !== use && !each.together && ids.includes(each.photoId));
  const elsewhere = content.photos.filter((each) => each !== use && !alone.includes(each)).flatMap(photoIdsOf);
  const [first, ...others] = pictures;
  if (!first || new Set(ids).size < ids.length || ids.some((photoId) => elsewhere.includes(photoId)))
    return { ok: false, reason: "already-there" };
  // What was private alone stays so in company.
  const privateUntil = [use, ...alone].reduce<CalendarDate | null>(
    (until, each) => (each.privateUntil && (!until || each.privateUntil > until) ? each.privateUntil : until),
    null,
  );
  const shared: PhotoUse = {
    ...use,
    ...first,
    // The white border is round them all.
    crop: { ...first.crop, border: use.crop.border },
    // What was said of pictures is true as long as the first of them is there.
    alt: ids.includes(use.photoId) ? use.alt : "",
    together: others.length > 0 ? { along, counts, gap, others } : null,
    repeat: others.length > 0 ? null : use.repeat,
    privateUntil,
  };
  return {
    ok: true,
    fields: [`photo-together:${id}`, `photo-crop:${id}`, ...alone.map((each) => `photo:${each.id}`)],
    content: {
      ...content,
      photos: content.photos.filter((each) => !alone.includes(each)).map((each) => (each === use ? shared : each)),
    },
  };
}

/** Leaves `kept` on a card's front and takes the rest on. A second card is as the first, its back and secrets left out. */
function carryOver(content: DayContent, edit: Extract<DayEdit, { kind: "carry-over" }>): EditResult {
  const card = content.cards.find(({ id }) => id === edit.id);
  if (!card) return { ok: false, reason: "piece-gone" };
  if (edit.to === "back") {
    const back = [edit.rest, card.back].filter(Boolean).join("\n");
    const cards = content.cards.map((each) => (each === card ? { ...card, text: edit.kept, back } : each));
    return { ok: true, fields: [`card:${card.id}`, `card-back:${card.id}`], content: { ...content, cards } };
  }
  const second: Card = { ...card, id: edit.to.card, text: edit.rest, back: "" };
  if (isStillThere(content.cards, second.id)) return { ok: true, content, fields: [] };
  if (isFull(content.cards)) return { ok: false, reason: "day-full" };
  const cards = content.cards.flatMap((each) => (each === card ? [{ ...card, text: edit.kept }, second] : [each]));
  return { ok: true, fields: [`card:${card.id}`, `card:${second.id}`], content: { ...content, cards } };
}

/** Somebody's earlier save of a day: which version it made, what it wrote, who and when. */
export type SavedChange = {
  readonly version: number;
  readonly fields: readonly Field[];
  readonly by: string;
  readonly at: string;
};

/**
 * The latest save made after `base` that wrote a field this edit writes too, or null. Saves of other fields of the same
 * day are not in each other's way.
 */
export function clashingChange(
  changes: readonly SavedChange[],
  base: number,
  fields: readonly Field[],
): SavedChange | null {
  const later = changes.filter(
    ({ version, fields: wrote }) => version > base && wrote.some((field) => fields.includes(field)),
  );
  return later.reduce<SavedChange | null>(
    (last, change) => (!last || change.version > last.version ? change : last),
    null,
  );
}
