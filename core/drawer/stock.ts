import type { Size } from "../measure/size.ts";
import { asLetters } from "./letters.ts";
import type { KeptThing, Thing } from "./thing.ts";
import type { Use } from "./uses.ts";

/**
 * What there was of a thing and where it went, in whole sheets or pieces; of a set of numbers or letters in single ones.
 * What there was and what is short together are what is used, reserved and left.
 */
export type Stock = {
  /** Null: as many as are wanted, of a stamp or a die. */
  readonly had: number | null;
  readonly used: number;
  /** Planned for pages that are not made yet. */
  readonly reserved: number;
  /** Null where there are as many as are wanted. */
  readonly left: number | null;
  readonly short: number;
  /** Of a set: the numbers or letters that are short, each once for each time. */
  readonly without: readonly string[];
};

/** Kinds that are cut: several pieces come from one sheet. */
const SHEETS: ReadonlySet<Thing["kind"]> = new Set(["paper", "film"]);
export const isSheet = ({ kind, size }: Pick<Thing, "kind" | "size">): boolean => SHEETS.has(kind) && size !== null;

/** How much of a sheet a piece takes, joined from several where it is larger than one. */
function shareOf(piece: Size, sheet: Size): number {
  const fits = (p: Size) => p.w <= sheet.w && p.h <= sheet.h;
  if (fits(piece) || fits({ w: piece.h, h: piece.w })) return (piece.w * piece.h) / (sheet.w * sheet.h);
  return Math.ceil(piece.w / sheet.w) * Math.ceil(piece.h / sheet.h);
}

/** A tick of paper more or less is no sheet. */
const HAIR = 1e-9;

type Taking = Pick<Use, "size" | "blanks" | "layers" | "says" | "cut" | "used">;

/** What a use takes of a thing that is no sheet: one entry for each piece, named as the thing names its pieces. */
function taken(thing: Pick<Thing, "numbers" | "letters">, { says, layers }: Pick<Taking, "says" | "layers">): string[] {
  const one = (): string[] => {
    if (thing.letters && says) return asLetters(says, thing.letters);
    if (thing.numbers?.kind === "digits" && says) {
      const { turns } = thing.numbers;
      return (says.match(/\d/g) ?? []).map((digit) => (turns && digit === "9" ? "6" : digit));
    }
    if (thing.numbers?.kind === "whole" && says) return (says.match(/\d+/g) ?? []).map((each) => String(Number(each)));
    return [""];
  };
  return Array.from({ length: layers }, one).flat();
}

/** How many there are of each of a thing's pieces. */
function there({ count, numbers, letters }: Pick<Thing, "count" | "numbers" | "letters">): Map<string, number> {
  if (letters) return new Map(Object.entries(letters.counts).map(([sign, each]) => [sign, each * count]));
  const all = new Map<string, number>();
  if (numbers?.kind === "whole")
    for (let number = numbers.from; number <= numbers.to; number++) all.set(String(number), numbers.each * count);
  else if (numbers?.kind === "digits")
    for (const [digit, each] of numbers.counts.entries()) {
      const slot = numbers.turns && digit === 9 ? "6" : String(digit);
      all.set(slot, (all.get(slot) ?? 0) + each * count);
    }
  else all.set("", count);
  return all;
}

/** How much of a sheet something takes, all that is cut for it. */
const shareOfUse = ({ size: made, blanks, layers }: Taking, sheet: Size): number =>
  (blanks ?? [made]).reduce((sum, each) => sum + shareOf(each, sheet), 0) * layers;

/**
 * What there was, what is used, reserved and left of a thing, by everything that is made of it in all albums. Sheets are
 * counted by the paper that their pieces need at least; what was cut already is of sheets that nobody counts any more.
 */
export function stockOf(
  thing: Pick<KeptThing, "kind" | "size" | "count" | "numbers" | "letters">,
  uses: readonly Taking[],
): Stock {
  const open = uses.filter(({ cut }) => !cut);
  const { size } = thing;
  if (isSheet(thing) && size) {
    const sheets = (some: readonly Taking[]) =>
      Math.max(0, Math.ceil(some.reduce((sum, use) => sum + shareOfUse(use, size), 0) - HAIR));
    const [all, used] = [sheets(open), sheets(open.filter((use) => use.used))];
    return {
      ...{ had: thing.count, used, reserved: all - used, left: Math.max(0, thing.count - all) },
      ...{ short: Math.max(0, all - thing.count), without: [] },
    };
  }
  const [used, reserved] = [true, false].map((is) =>
    open.filter((use) => use.used === is).flatMap((u) => taken(thing, u)),
  );
  const counts = { used: used?.length ?? 0, reserved: reserved?.length ?? 0 };
  if (thing.numbers?.kind === "unlimited") return { had: null, ...counts, left: null, short: 0, without: [] };
  const left = there(thing);
  const had = [...left.values()].reduce((sum, each) => sum + each, 0);
  const without: string[] = [];
  for (const each of [...(used ?? []), ...(reserved ?? [])]) {
    const now = left.get(each) ?? 0;
    if (now > 0) left.set(each, now - 1);
    else without.push(each);
  }
  return {
    ...{ had, ...counts, left: [...left.values()].reduce((sum, each) => sum + each, 0) },
    ...{ short: without.length, without: without.filter((each) => each !== "") },
  };
}

/** What is left of each number or letter of a set when all that is planned is taken; null where it is no set that runs out. */
export function leftOfSet(
  thing: Pick<KeptThing, "count" | "numbers" | "letters">,
  uses: readonly Taking[],
): ReadonlyMap<string, number> | null {
  if (!thing.letters && (thing.numbers === null || thing.numbers.kind === "unlimited")) return null;
  const left = there(thing);
  const open = uses.filter(({ cut }) => !cut);
  for (const each of open.flatMap((use) => taken(thing, use))) left.set(each, (left.get(each) ?? 0) - 1);
  return left;
}

/** What of a set would be short for one page more that says this, each once for each time. */
export function lacking(
  thing: Pick<Thing, "numbers" | "letters">,
  left: ReadonlyMap<string, number>,
  says: string,
): string[] {
  const now = new Map(left);
  return taken(thing, { says, layers: 1 }).filter((each) => {
    const there = now.get(each) ?? 0;
    now.set(each, there - 1);
    return there <= 0;
  });
}

/** Nobody has thought of it for longer than this: it comes up again. */
const FORGOTTEN_DAYS = 365;
const DAY = 86_400_000;

/** Whether a thing lies there for a year, and no page of an album that ended within the year, or is to come, is made of it. */
export const isForgotten = (addedAt: Date, lastUse: Date | null, now: Date): boolean =>
  now.getTime() - Math.max(addedAt.getTime(), lastUse?.getTime() ?? 0) > FORGOTTEN_DAYS * DAY;
