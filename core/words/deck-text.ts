import { ANY_DAY, type On, type Slip } from "./slip.ts";

/** A slip as it is written down, before it has an id. */
export type WrittenSlip = Pick<Slip, "text" | "kind" | "on">;

/** The longest a slip may be, in letters. */
export const LONGEST_SLIP = 500;
/** The most slips of one deck. */
export const MOST_SLIPS = 2000;

export type SlipTrouble =
  | { readonly line: number; readonly reason: "too-long"; readonly letters: number }
  | { readonly line: number; readonly reason: "double"; readonly of: number }
  | { readonly line: number; readonly reason: "unknown-day"; readonly said: string }
  | { readonly line: number; readonly reason: "too-many" };

export type ReadDeck = {
  readonly slips: readonly WrittenSlip[];
  readonly troubles: readonly SlipTrouble[];
  /** The first line, where it was taken for the head of a table and is no slip. */
  readonly head: string | null;
};

/** The columns of a deck as a table. */
export const DECK_HEAD = ["text", "kind", "on"] as const;

const DAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
const DAY_NAMES = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;

/** When a slip may be dealt, in letters: nothing, `12-24`, or `Mon Wed`. */
export const writeOn = (on: On): string =>
  on.kind === "any" ? "" : on.kind === "date" ? on.date : on.days.map((day) => DAY_NAMES[day - 1]).join(" ");

const LONGEST_MONTH = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Reads what `writeOn` writes, and whole names of weekdays; null when it is neither. */
export function readOn(said: string): On | null {
  const words = said.trim().toLowerCase();
  if (words === "") return ANY_DAY;
  const [, month, day] = /^(?:\d{4}-)?(\d{2})-(\d{2})$/.exec(words) ?? [];
  if (month && day) {
    const last = LONGEST_MONTH[Number(month) - 1];
    return last && Number(day) >= 1 && Number(day) <= last ? { kind: "date", date: `${month}-${day}` } : null;
  }
  const days = words.split(/[\s,;/]+/).map((word) => DAYS.findIndex((name) => word.startsWith(name)) + 1);
  return days.every((at) => at > 0) ? { kind: "weekdays", days: [...new Set(days)].sort((a, b) => a - b) } : null;
}

const TEXT_HEADS = ["text", "prompt", "technique", "cue"];
const HEADS = [...TEXT_HEADS, "kind", "on", "day"];

/**
 * The one rule for heads: the first line of a table is its head where every cell of it is the name of a column, each once,
 * and one of them that of the text. Plain text has none: each of its lines is a slip.
 */
export function isHead(row: readonly string[], least = 1): boolean {
  const names = row.map((cell) => cell.trim().toLowerCase());
  return (
    names.length >= least &&
    names.every((name) => HEADS.includes(name)) &&
    new Set(names).size === names.length &&
    names.some((name) => TEXT_HEADS.includes(name))
  );
}

/** A slip's words, with its own line breaks and no other room between them than one space, or one empty line. */
const slipText = (written: string): string =>
  written
    .replace(/\r\n?/g, "\n")
    .replace(/[^\S\n]+/g, " ")
    .replace(/ ?\n ?/g, "\n")
    .replace(/\n{3,}/g, "\n\n")
    .trim();

/** A deck from rows of text, kind and day. What is wrong with a row is told, and the row left out. */
export function readRows(rows: readonly (readonly string[])[], mayHaveHead: boolean): ReadDeck {
  const slips: WrittenSlip[] = [];
  const troubles: SlipTrouble[] = [];
  const seen = new Map<string, number>();
  const [head] = rows;
  const columns = (head ?? []).map((cell) => cell.trim().toLowerCase());
  const named = mayHaveHead && isHead(head ?? []);
  const column = (usual: number, ...names: string[]) =>
    named ? columns.findIndex((name) => names.includes(name)) : usual;
  const [textAt, kindAt, onAt] = [column(0, ...TEXT_HEADS), column(1, "kind"), column(2, "on", "day")];
  for (const [at, row] of rows.entries()) {
    if (named && at === 0) continue;
    const line = at + 1;
    const text = slipText(row[textAt] ?? "");
    if (text === "") continue;
    const said = (row[onAt] ?? "").trim();
    const on = readOn(said);
    const key = text.toLowerCase();
    const of = seen.get(key);
    if (text.length > LONGEST_SLIP) troubles.push({ line, reason: "too-long", letters: text.length });
    else if (of !== undefined) troubles.push({ line, reason: "double", of });
    else if (!on) troubles.push({ line, reason: "unknown-day", said: said.slice(0, 40) });
    else if (slips.length >= MOST_SLIPS) {
      troubles.push({ line, reason: "too-many" });
      break;
    } else {
      seen.set(key, line);
      slips.push({ text, kind: (row[kindAt] ?? "").replace(/\s+/g, " ").trim().slice(0, 60), on });
    }
  }
  return { slips, troubles, head: named ? (head ?? []).join(", ") : null };
}

const UNESCAPED = /(?<!\\)\|/;
const unescaped = (cell: string): string =>
  cell.replace(/\\([\\n|])/g, (_, letter: string) => (letter === "n" ? "\n" : letter));
const escaped = (cell: string): string =>
  cell
    .replace(/\\(?=[\\n|\n])/g, "\\\\")
    .replaceAll("|", "\\|")
    .replaceAll("\n", "\\n");

/**
 * A deck from plain text: a slip a line; after upright strokes its kind, and the days it is for. A line break within a slip
 * is written as a backslash and an n.
 */
export const readLines = (text: string): ReadDeck =>
  readRows(
    text.split(/\r\n?|\n/).map((line) => line.split(UNESCAPED).map(unescaped)),
    false,
  );

export const deckRows = (slips: readonly WrittenSlip[]): string[][] => [
  [...DECK_HEAD],
  ...slips.map(({ text, kind, on }) => [text, kind, writeOn(on)]),
];

/** A deck as plain text, as `readLines` reads it. */
export function writeLines(slips: readonly WrittenSlip[]): string {
  const line = ({ text, kind, on }: WrittenSlip) => {
    const cells = [text, kind, writeOn(on)].map(escaped);
    while (cells.at(-1) === "") cells.pop();
    return cells.join(" | ");
  };
  return slips.map((slip) => `${line(slip)}\n`).join("");
}
