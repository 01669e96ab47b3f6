import isEqual from "fast-deep-equal";
import { isMaterial, MATERIALS, micrometres } from "../material/material.ts";
import { type Length, millimetres, parseLength, toMillimetres } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { readLetters, writeLetters } from "./letters.ts";
import type { NumberSet } from "./numerals.ts";
import { isMotifOn, isSameThing, LOTS, MOST_OF_A_THING, newThing, THING_KINDS, type Thing } from "./thing.ts";

/** Column heads of a drawer's list, in order. Sizes are in millimetres, thickness is of one sheet or piece. */
export const LIST_HEAD = [
  ...(["name", "kind", "material", "width mm", "height mm", "how many", "lies", "lot", "use up"] as const),
  ...(["upright", "one side", "motif mm", "thickness mm", "numbers", "letters", "note"] as const),
];
type Column = (typeof LIST_HEAD)[number];

const mm = (length: Length): string => String(Math.round(toMillimetres(length) * 1000) / 1000);
const yes = (is: boolean): string => (is ? "yes" : "");

/** `1-25`, `1-25 x2`; `digits 5 5 …` from nought to nine, with `6=9` where they are one piece; `any`. */
export function writeNumbers(set: NumberSet | null): string {
  if (!set) return "";
  if (set.kind === "unlimited") return "any";
  if (set.kind === "whole") return `${set.from}-${set.to}${set.each > 1 ? ` x${set.each}` : ""}`;
  return `digits ${set.counts.join(" ")}${set.turns ? " 6=9" : ""}`;
}

/** The same read; null where it says no numbers, `undefined` where it says something that is none. */
export function readNumbers(text: string): NumberSet | null | undefined {
  const said = text.trim().toLowerCase();
  if (said === "") return null;
  if (said === "any") return { kind: "unlimited" };
  const [, from, to, each] = /^(\d{1,3})\s*[-–]\s*(\d{1,3})(?:\s*[x×]\s*(\d{1,3}))?$/.exec(said) ?? [];
  if (from && to && Number(from) <= Number(to))
    return { kind: "whole", from: Number(from), to: Number(to), each: Math.max(1, Number(each ?? 1)) };
  const [, digits, turns] = /^digits((?:\s+\d{1,4}){10})(\s+6=9)?$/.exec(said) ?? [];
  if (!digits) return;
  return { kind: "digits", counts: digits.trim().split(/\s+/).map(Number), turns: turns !== undefined };
}

/** A drawer as rows of text, the head first; the file is written by the CSV library in press. */
export const listRows = (things: readonly Thing[]): string[][] => [
  [...LIST_HEAD],
  ...things.map((thing) => [
    ...[thing.name, thing.kind, thing.material ? MATERIALS[thing.material].name : ""],
    ...(thing.size ? [mm(thing.size.w), mm(thing.size.h)] : ["", ""]),
    ...[String(thing.count), thing.lies, thing.lot, yes(thing.useUp), yes(thing.hasTop), yes(thing.oneSided)],
    thing.motif ? [thing.motif.x, thing.motif.y, thing.motif.w, thing.motif.h].map(mm).join(" ") : "",
    ...[thing.caliper === null ? "" : String(thing.caliper / 1000), writeNumbers(thing.numbers)],
    ...[
      thing.letters ? `${writeLetters(thing.letters)}${thing.letters.onlyCapitals ? " capitals" : ""}` : "",
      thing.note,
    ],
  ]),
];

/** What of a line could not be read; the thing is there without it. A line without a name is no thing. */
export type ListTrouble = { readonly line: number; readonly column: Column };
export type ListRead =
  | { readonly ok: true; readonly things: readonly Thing[]; readonly troubles: readonly ListTrouble[] }
  | { readonly ok: false; readonly reason: "no-head" | "too-many" };

export const isListHead = (row: readonly string[]): boolean =>
  ["name", "kind"].every((column) => row.some((cell) => cell.trim().toLowerCase() === column));

/** Lines of a list that are read, at most; a drawer of more is no drawer. */
export const MOST_LINES = 10_000;

/**
 * Reads a table with the columns of `LIST_HEAD`, in any order and as many of them as there are; `name` and `kind` must be.
 * The same thing on several lines is one, the last line telling how many there are.
 */
export function readList(rows: readonly (readonly string[])[]): ListRead {
  const [head = [], ...lines] = rows;
  if (!isListHead(head)) return { ok: false, reason: "no-head" };
  if (lines.length > MOST_LINES) return { ok: false, reason: "too-many" };
  const at = new Map(head.map((cell, column) => [cell.trim().toLowerCase(), column]));
  const things = new Map<string, Thing>();
  const troubles: ListTrouble[] = [];
  for (const [nth, line] of lines.entries()) {
    const cell = (column: Column): string => line[at.get(column) ?? -1]?.trim() ?? "";
    const trouble = (column: Column) => void troubles.push({ line: nth + 2, column });
    const thing = thingOf(cell, trouble);
    if (!thing) continue;
    const key = JSON.stringify([thing.kind, thing.name.toLocaleLowerCase("en"), thing.size]);
    things.set(key, thing);
  }
  return { ok: true, things: [...things.values()], troubles };
}

function thingOf(cell: (column: Column) => string, trouble: (column: Column) => void): Thing | null {
  const name = cell("name").slice(0, 200);
  if (name === "") return null;
  const kind = THING_KINDS.find((each) => each === cell("kind").toLowerCase());
  if (!kind) trouble("kind");
  const said = cell("material").toLowerCase();
  const material = Object.keys(MATERIALS).find((id) => isMaterial(id) && (MATERIALS[id].name === said || id === said));
  if (said !== "" && !material) trouble("material");
  const [w, h] = [cell("width mm"), cell("height mm")].map((text) => parseLength(`${text.replace(",", ".")} mm`, "cm"));
  const hasSize = cell("width mm") !== "" || cell("height mm") !== "";
  if (hasSize && !(w?.ok && h?.ok)) trouble("width mm");
  const count = Number(cell("how many") || "1");
  const isCount = Number.isInteger(count) && count >= 0 && count <= MOST_OF_A_THING;
  if (!isCount) trouble("how many");
  const lot = LOTS.find((each) => each === cell("lot").toLowerCase());
  if (cell("lot") !== "" && !lot) trouble("lot");
  const thick = Number(cell("thickness mm").replace(",", "."));
  const isThick = Number.isFinite(thick) && thick > 0 && thick < 100;
  if (cell("thickness mm") !== "" && !isThick) trouble("thickness mm");
  const sized = w?.ok && h?.ok && hasSize ? size(w.length, h.length) : null;
  const motif = readMotif(cell("motif mm"));
  const isMotif = motif !== null && isMotifOn(sized, motif);
  if (cell("motif mm") !== "" && !isMotif) trouble("motif mm");
  const numbers = readNumbers(cell("numbers"));
  if (numbers === undefined) trouble("numbers");
  const isYes = (column: Column) => /^(yes|y|1|x|true)$/i.test(cell(column));
  const letters = cell("letters");
  const onlyCapitals = /\bcapitals$/i.test(letters);
  return {
    ...newThing(name, kind ?? "other", isCount ? count : 1),
    material: material && isMaterial(material) ? material : null,
    size: sized,
    ...{ lies: cell("lies").slice(0, 200), lot: lot ?? "stash", useUp: isYes("use up"), hasTop: isYes("upright") },
    ...{ oneSided: isYes("one side"), motif: isMotif ? motif : null },
    ...{ caliper: isThick ? micrometres(thick * 1000) : null },
    numbers: numbers ?? null,
    letters: letters === "" ? null : readLetters(letters.replace(/\s*capitals$/i, ""), onlyCapitals),
    note: cell("note").slice(0, 2000),
  };
}

/** `20 20 50 60`: from the left, from the top, wide, high, in millimetres; null where it says something else. */
function readMotif(text: string): Rect | null {
  const sides = text.split(/\s+/).map((side) => Number(side.replace(",", ".")));
  const isSound = sides.length === 4 && sides.every((side) => Number.isFinite(side) && side >= 0 && side <= 2000);
  const [x = 0, y = 0, w = 0, h = 0] = isSound ? sides.map(millimetres) : [];
  return isSound && w > 0 && h > 0 ? rect(x, y, w, h) : null;
}

/**
 * What a list that was read does to a drawer: what is new, what there is another number of, and what stays as it is. A
 * motif that is kept is let go by no list that does not speak of it.
 */
export function mergeList<T extends Thing>(drawer: readonly T[], read: readonly Thing[]) {
  const fresh: Thing[] = [];
  const changed: { readonly was: T; readonly thing: Thing }[] = [];
  let same = 0;
  for (const said of read) {
    const was = drawer.find((each) => isSameThing(each, said));
    const thing = was ? { ...said, motif: said.motif ?? was.motif } : said;
    if (!was) fresh.push(thing);
    else if (isEqual({ ...thing, name: was.name }, asThing(was))) same += 1;
    else changed.push({ was, thing });
  }
  return { fresh, changed, same };
}

const asThing = ({ ...thing }: Thing): Thing => {
  const plain = newThing(thing.name, thing.kind, thing.count);
  return Object.fromEntries(Object.keys(plain).map((key) => [key, thing[key as keyof Thing]])) as unknown as Thing;
};
