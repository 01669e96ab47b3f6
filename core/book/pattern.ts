import { type LeafMake, type Piece, PLAIN_PAPER } from "../album/leaf.ts";
import { isMade } from "../album/ticks.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { DatedPage } from "./dated-page.ts";
import { type BookRead, type LeafRead, looseOf, standsFor } from "./read.ts";
import { COPIED, dress, type Template } from "./template.ts";

/** Which days get a template besides the turn of the cycle; the first rule that holds decides. */
export type PatternRule =
  | { readonly when: "weekday" /** 1 Monday to 7 Sunday. */; readonly weekday: number; readonly template: string }
  | { readonly when: "photos"; readonly atLeast: number; readonly template: string }
  | { readonly when: "dates"; readonly dates: readonly CalendarDate[]; readonly template: string };

/**
 * A pattern over the month: templates that take turns day by day (A B A C), rules that go before them, and single days
 * that are left as they are.
 */
export type Pattern = {
  readonly cycle: readonly string[];
  readonly rules: readonly PatternRule[];
  readonly without: readonly CalendarDate[];
};

export type PatternOutcome =
  | {
      readonly kind: "sets";
      readonly template: Template;
      readonly make: LeafMake;
      /** The leaf it is laid on; null: the day gets one. */
      readonly leaf: LeafRead | null;
    }
  /** What is made already is never laid over, nor a leaf that another day has a side of. */
  | { readonly kind: "kept"; readonly why: "base-made" | "arranged" | "shared" }
  | { readonly kind: "left-out" }
  | { readonly kind: "skipped" }
  | { readonly kind: "no-template" };

export type PatternLine = { readonly page: DatedPage; readonly outcome: PatternOutcome };

function holds(rule: PatternRule, { days, content }: DatedPage): boolean {
  switch (rule.when) {
    case "weekday":
      return days.some(({ weekday }) => weekday === rule.weekday);
    case "photos":
      return content.photos.length >= rule.atLeast;
    case "dates":
      return days.some(({ date }) => rule.dates.includes(date));
  }
}

/**
 * A page is made when its base is, or anything after it; it is arranged when somebody has laid pieces on it. What a pattern
 * laid and nobody touched since is neither: its arrangement is not lost, the template has it. One only copied has not.
 */
function whyKept(
  page: DatedPage,
  read: LeafRead,
  templates: readonly Template[],
  book: BookRead,
): "base-made" | "arranged" | null {
  const { leaf } = read;
  if (isMade(leaf)) return "base-made";
  if (leaf.back.pieces && leaf.back.pieces.length > 0) return "arranged";
  const { pieces } = leaf.front;
  if (!pieces || pieces.length === 0) return null;
  const isAsLaid = (template: Template) =>
    template.id !== COPIED &&
    template.kind === leaf.make.kind &&
    template.layout === leaf.make.layout &&
    sameArrangement(
      dressPage(page, template, book, () => ""),
      pieces,
    );
  return templates.some(isAsLaid) ? null : "arranged";
}

/** Whether the same things lie at the same places in the same order, whatever the made ones are called. */
const sameArrangement = (one: readonly Piece[], other: readonly Piece[]): boolean =>
  one.length === other.length && one.every((piece, nth) => lyingOf(piece) === lyingOf(other[nth]));
function lyingOf(piece: Piece | undefined): string {
  if (!piece) return "";
  const { what, at, turn, outside, of } = piece;
  const size = "size" in what ? [what.size.w, what.size.h] : [];
  const stands = standsFor(piece) ?? ("keeps" in what ? what.keeps : "name" in what ? what.name : "");
  const look = what.kind === "numeral" ? [what.look?.style, what.look?.colour, what.zero] : [];
  return JSON.stringify([what.kind, stands, size, at.x, at.y, turn, outside, look, of ?? null]);
}

/** Whether a template would make the leaf of a side that is another's into something else, or begins on its back. */
const wouldChangeAnothers = (page: DatedPage, template: Template, { leaf, front, back }: LeafRead): boolean =>
  front.page !== page ||
  front.guests.length > 0 ||
  ((back.guests.length > 0 || (back.page !== page && back.owner.kind !== "nobody")) &&
    (template.kind !== leaf.make.kind || template.layout !== leaf.make.layout));

/**
 * What a pattern would do to each page of the month, in order. The cycle's turn is taken by every page that is not
 * skipped and that no rule decides, whether or not it is already made, so that a later day's turn does not depend on
 * how far the keeper is.
 */
export function previewPattern(
  pattern: Pattern,
  templates: readonly Template[],
  pages: readonly DatedPage[],
  book: BookRead,
): PatternLine[] {
  const known = new Map(templates.map((template) => [template.id, template]));
  let turn = 0;
  return pages.map((page): PatternLine => {
    if (page.skipped) return { page, outcome: { kind: "skipped" } };
    const ruled = pattern.rules.find((rule) => holds(rule, page));
    let id = ruled?.template;
    if (id === undefined && pattern.cycle.length > 0) {
      id = pattern.cycle[turn % pattern.cycle.length];
      turn += 1;
    }
    const template = id === undefined ? undefined : known.get(id);
    const leaf = firstPageOf(page, book);
    if (page.days.some(({ date }) => pattern.without.includes(date))) return { page, outcome: { kind: "left-out" } };
    const why = leaf && whyKept(page, leaf, templates, book);
    if (why) return { page, outcome: { kind: "kept", why } };
    if (!template) return { page, outcome: { kind: "no-template" } };
    if (leaf ? wouldChangeAnothers(page, template, leaf) : isGuest(page, book))
      return { page, outcome: { kind: "kept", why: "shared" } };
    const { kind, layout } = template;
    const make = { ...(leaf?.leaf.make ?? PLAIN_PAPER), kind, layout };
    // Without a protector the leaf is as large as the template was drawn for, whatever the album's bare leaves are.
    const size = make.size ?? (kind === "full" || kind === "pocket" ? null : template.page);
    return { page, outcome: { kind: "sets", template, make: { ...make, size }, leaf } };
  });
}

/** Whether these days have their pieces on a side that is another's. */
const isGuest = (page: DatedPage, { leaves }: BookRead): boolean =>
  leaves.some(({ front, back }) => [...front.guests, ...back.guests].includes(page));

/** The first page that these days have a side of. */
const firstPageOf = (page: DatedPage, { leaves }: BookRead): LeafRead | null =>
  leaves.find(({ build, front, back }) => build.insert === null && (front.page === page || back.page === page)) ?? null;

/** The ids of what a page has lying on sides that somebody arranged, but for the front that a template is laid on. */
function arrangedOf(page: DatedPage, book: BookRead): Set<string> {
  const laidOn = firstPageOf(page, book)?.front;
  const sides = book.leaves
    .flatMap(({ front, back }) => [front, back])
    .filter((side) => side.page === page && !side.auto && side !== laidOn);
  return new Set(sides.flatMap(({ pieces }) => pieces.flatMap(({ piece }) => standsFor(piece) ?? [])));
}

/** The pieces a template puts on a page: what of the day lies on no other arranged side, and its number. */
export function dressPage(page: DatedPage, template: Template, book: BookRead, newId: () => string): Piece[] {
  const arranged = arrangedOf(page, book);
  const loose = looseOf(page, { layout: null }, true);
  return dress(
    template,
    loose.filter(({ id }) => !arranged.has(id)),
    newId,
  );
}
