import { z } from "zod";
import { INSERT_KINDS, LEAF_KINDS } from "../album/leaf.ts";
import { EMPTY_DAY, STEPS, type Step, USUAL_PREPARING } from "../album/model.ts";
import { isOfLeaves } from "../album/ticks.ts";
import { brought, step } from "./archive-step.ts";

const SIZE = z.object({ w: z.number(), h: z.number() });
const MEASURES = z.looseObject({
  ...{ binding: z.string(), bindingEdge: z.string(), margin: z.number() },
  ...{ nominal: SIZE, opening: SIZE, outer: SIZE },
});
const PAPER = { kind: z.enum(LEAF_KINDS), layout: z.string().nullable(), basePaper: z.string(), note: z.string() };
const DAY = z.looseObject({
  id: z.string(),
  date: z.string(),
  mergedInto: z.string().nullable(),
  foundation: z.object(PAPER).nullable(),
  pageSize: SIZE.nullable(),
  inserts: z.array(z.object({ id: z.string(), kind: z.enum(INSERT_KINDS), size: SIZE, note: z.string() })),
  done: z.array(z.enum(STEPS)),
});
const OLD_MATTERS = ["title", "opening-note", "month-calendar", "closing"] as const;
const SIDE = z.looseObject({
  owner: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("day"), dayId: z.string() }),
    z.object({ kind: z.literal("matter"), matter: z.enum(OLD_MATTERS) }),
    z.object({ kind: z.literal("nobody") }),
  ]),
  pieces: z.array(z.unknown()).nullable(),
});
const LEAF = z.looseObject({
  id: z.string(),
  of: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("page"), dayId: z.string() }),
    z.object({ kind: z.literal("insert"), dayId: z.string(), insertId: z.string() }),
    z.object({ kind: z.literal("own"), stock: z.object({ ...PAPER, size: SIZE.nullable() }) }),
  ]),
  front: SIDE,
  back: SIDE,
});
const FOURTH_FORMAT = z.object({
  album: z.looseObject({ format: MEASURES }),
  days: z.array(DAY),
  book: z
    .looseObject({ leaves: z.array(LEAF), tryOuts: z.array(z.unknown()), layouts: z.array(z.unknown()) })
    .nullable(),
});
type OldDay = z.output<typeof DAY>;
type OldLeaf = z.output<typeof LEAF>;

const pageMake = ({ foundation, pageSize }: OldDay) => ({
  ...(foundation ?? { kind: "paper", layout: null, basePaper: "", note: "" }),
  size: pageSize,
  insert: null,
});
const insertMake = ({ kind, size, note }: OldDay["inserts"][number]) => ({
  ...{ kind: "paper", layout: null, basePaper: "" },
  ...{ size, insert: kind, note },
});

/** The leaves that a day's page and inserts ask for and the book does not have; each takes the id of what asks for it. */
function missingLeaves(days: readonly OldDay[], leaves: readonly OldLeaf[]): OldLeaf[] {
  const pages = new Set(leaves.flatMap(({ of }) => (of.kind === "page" ? [of.dayId] : [])));
  const inserts = new Set(leaves.flatMap(({ of }) => (of.kind === "insert" ? [of.insertId] : [])));
  const leaf = (id: string, of: OldLeaf["of"], dayId: string): OldLeaf => {
    const side = { owner: { kind: "day" as const, dayId }, pieces: null };
    return { id, of, drop: null, liftsOff: false, front: side, back: side };
  };
  return [...days]
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .flatMap((day) => [
      ...day.inserts
        .filter(({ id }) => !inserts.has(id))
        .map(({ id }) => leaf(id, { kind: "insert", dayId: day.id, insertId: id }, day.id)),
      ...((day.foundation || day.pageSize) && !pages.has(day.id)
        ? [leaf(day.id, { kind: "page", dayId: day.id }, day.id)]
        : []),
    ]);
}

/**
 * An id for the entry of each kind of front and back matter that has a side: made from that of the first leaf that has
 * one, so that reading an archive twice gives the same.
 */
function idsOfMatters(leaves: readonly OldLeaf[]): ReadonlyMap<(typeof OLD_MATTERS)[number], string> {
  return new Map(
    OLD_MATTERS.flatMap((matter, nth) => {
      const first = leaves.find(({ front, back }) =>
        [front, back].some(({ owner }) => owner.kind === "matter" && owner.matter === matter),
      );
      const last = Number.parseInt(first?.id.slice(-1) ?? "", 16);
      return first ? [[matter, `${first.id.slice(0, -1)}${(last ^ (nth + 1)).toString(16)}`] as const] : [];
    }),
  );
}

/**
 * How large leaves without a protector are: as they were drawn where the book has one of the album's size, so that nothing
 * on it moves; else as large as the whole leaf.
 */
const bareOf = (
  { nominal, outer }: { nominal: z.output<typeof SIZE>; outer: z.output<typeof SIZE> },
  leaves: readonly { make: { kind: string; size: unknown; insert: unknown } | null }[],
) =>
  leaves.some(({ make }) => make && !make.size && !make.insert && make.kind !== "full" && make.kind !== "pocket")
    ? nominal
    : outer;

const INCH = 25.4;
const isNear = (one: number, other: number) => Math.abs(one - other) < 0.02;

/**
 * The measures of a ring album as it was once shipped, never put a ruler to: its opening and margin together were an eighth
 * wider than its leaf. It gets those that are shipped now; what was measured stays as it is.
 */
function agreeing(format: z.output<typeof MEASURES>): z.output<typeof MEASURES> {
  const { binding, bindingEdge, margin, nominal, opening, outer } = format;
  const asShipped =
    binding === "ring" &&
    bindingEdge === "left" &&
    isNear(margin, INCH) &&
    isNear(opening.w, nominal.w + INCH / 8) &&
    isNear(opening.h, nominal.h + INCH / 8) &&
    isNear(outer.w, nominal.w + INCH) &&
    isNear(outer.h, nominal.h + INCH / 4);
  if (!asShipped) return format;
  const ease = (INCH * 3) / 16;
  return { ...format, margin: INCH - ease, opening: { w: nominal.w + ease, h: nominal.h + ease } };
}

/**
 * Leaves say themselves what they are, where before their day did; ticks of leaves and sides stand with those. A tick of a
 * day goes to every leaf or side of that day it can mean, and a day that was in the book has its sides assembled.
 */
export const fromFourth = step(4, FOURTH_FORMAT, ({ album, days, book }, raw) => {
  const byId = new Map(days.map((day) => [day.id, day]));
  const old = [...(book?.leaves ?? []), ...missingLeaves(days, book?.leaves ?? [])];
  const lead = (day: OldDay): string => day.mergedInto ?? day.id;
  /** What was ticked for a day, on its own page or on the one it shares. */
  const ticksOf = (dayId: string): ReadonlySet<Step> => {
    const day = byId.get(dayId);
    return new Set([...(day?.done ?? []), ...(byId.get(day?.mergedInto ?? "")?.done ?? [])]);
  };
  const withLeaf = new Set<string>();
  const matterIds = idsOfMatters(old);
  for (const [at, { of }] of old.entries()) {
    if (of.kind === "own") continue;
    const day = byId.get(of.dayId);
    if (!day) return { ok: false, path: ["book", "leaves", at, "of", "dayId"] };
    if (of.kind === "insert" && !day.inserts.some(({ id }) => id === of.insertId))
      return { ok: false, path: ["book", "leaves", at, "of", "insertId"] };
  }
  const leaves = old.map(({ of, front, back, ...leaf }) => {
    const day = of.kind === "own" ? undefined : byId.get(of.dayId);
    const insert = of.kind === "insert" ? day?.inserts.find(({ id }) => id === of.insertId) : undefined;
    const make = insert
      ? insertMake(insert)
      : day
        ? pageMake(day)
        : of.kind === "own"
          ? { ...of.stock, insert: null }
          : null;
    const owners = [front, back].flatMap(({ owner }) => (owner.kind === "day" ? [owner.dayId] : []));
    for (const owner of owners.flatMap((id) => byId.get(id) ?? [])) withLeaf.add(lead(owner));
    const ticks = new Set([...owners, ...(day ? [day.id] : [])].flatMap((id) => [...ticksOf(id)]));
    const side = ({ owner, pieces }: OldLeaf["front"]) => {
      const own = owner.kind === "day" ? ticksOf(owner.dayId) : new Set<Step>();
      return {
        owner: owner.kind === "matter" ? { kind: "day", dayId: matterIds.get(owner.matter) } : owner,
        // Only a day's page was laid out before anybody arranged it.
        pieces: pieces ?? (of.kind === "page" ? null : []),
        done: [
          ...(own.has("number") ? ["number"] : []),
          ...(own.has("assemble") || own.has("file") ? ["assemble"] : []),
        ],
      };
    };
    return {
      ...leaf,
      make: make && { ...make, oldHoles: null },
      sewn: false,
      done: [
        ...(ticks.has(insert ? "insert" : "base") ? ["base"] : []),
        ...(ticks.has("punch") ? ["punch"] : []),
        ...(ticks.has("file") ? ["file"] : []),
      ],
      front: side(front),
      back: side(back),
    };
  });
  return brought({
    ...raw,
    formatVersion: 5,
    album: {
      ...album,
      preparing: USUAL_PREPARING,
      pattern: null,
      format: { ...agreeing(album.format), bare: bareOf(album.format, leaves), leaves: null },
    },
    days: days.map(({ foundation: _, pageSize: __, inserts: ___, ...day }) => ({
      ...day,
      done: withLeaf.has(lead(day as OldDay)) ? day.done.filter((step) => !isOfLeaves(step)) : day.done,
    })),
    matters: [...matterIds].map(([matter, id]) => ({
      ...EMPTY_DAY,
      numeral: { style: "none", note: "" },
      ...{ id, matter, date: null },
    })),
    book: { tryOuts: [], layouts: [], ...book, leaves },
  });
});
