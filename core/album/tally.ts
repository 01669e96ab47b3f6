import { type CalendarDate, printShort } from "../month/dates.ts";
import { sameWords } from "../words/same-words.ts";

/** Something that was counted once: on which date, and what it was, where somebody said so. */
export type TallyMark = { readonly id: string; readonly date: CalendarDate; readonly text: string };

/** What is counted over a month: songs played, films seen, visitors. Its marks are in the order they were made. */
export type Tally = { readonly id: string; readonly name: string; readonly marks: readonly TallyMark[] };

/** One change of an album's tallies. */
export type TallyChange =
  | { readonly how: "add"; readonly id: string; readonly name: string }
  | { readonly how: "name"; readonly id: string; readonly name: string }
  | { readonly how: "remove"; readonly id: string }
  | { readonly how: "mark"; readonly id: string; readonly mark: TallyMark }
  | { readonly how: "mark-text"; readonly id: string; readonly text: string }
  | { readonly how: "unmark"; readonly id: string };

/** The tallies after a change. What is gone already, or there already, is left as it is. */
export function changeTallies(tallies: readonly Tally[], change: TallyChange): readonly Tally[] {
  const withMarks = (of: (marks: Tally["marks"], tally: Tally) => Tally["marks"]) =>
    tallies.map((tally) => ({ ...tally, marks: of(tally.marks, tally) }));
  switch (change.how) {
    case "add":
      return tallies.some(({ id }) => id === change.id)
        ? tallies
        : [...tallies, { id: change.id, name: change.name, marks: [] }];
    case "name":
      return tallies.map((tally) => (tally.id === change.id ? { ...tally, name: change.name } : tally));
    case "remove":
      return tallies.filter(({ id }) => id !== change.id);
    case "mark":
      return withMarks((marks, { id }) =>
        id !== change.id || marks.some((each) => each.id === change.mark.id) ? marks : [...marks, change.mark],
      );
    case "mark-text":
      return withMarks((marks) => marks.map((each) => (each.id === change.id ? { ...each, text: change.text } : each)));
    case "unmark":
      return withMarks((marks) => marks.filter(({ id }) => id !== change.id));
  }
}

/** One thing that was counted, however often: what it is called, and the dates, the first first. */
export type Counted = { readonly text: string; readonly dates: readonly CalendarDate[] };

/** How a list of what was counted is ordered: by when each came first, or by how often it came. */
export const TALLY_ORDERS = ["by-date", "most-first"] as const;
export type TallyOrder = (typeof TALLY_ORDERS)[number];

/** What was counted, each thing once under the words it was last given; `unnamed`: how many of the marks say nothing. */
export function countedIn(
  { marks }: Pick<Tally, "marks">,
  order: TallyOrder,
): { readonly things: readonly Counted[]; readonly unnamed: number } {
  const things = new Map<string, { text: string; dates: CalendarDate[] }>();
  let unnamed = 0;
  for (const { text, date } of marks) {
    // Signs alone are a name too.
    const key = sameWords(text) || text.trim();
    if (key === "") {
      unnamed += 1;
      continue;
    }
    const thing = things.get(key) ?? { text: text.trim(), dates: [] };
    things.set(key, { text: text.trim(), dates: [...thing.dates, date] });
  }
  const inOrder = [...things.values()]
    .map(({ text, dates }) => ({ text, dates: [...dates].sort() }))
    .sort((a, b) => ((a.dates[0] ?? "") < (b.dates[0] ?? "") ? -1 : (a.dates[0] ?? "") > (b.dates[0] ?? "") ? 1 : 0));
  return {
    things: order === "by-date" ? inOrder : inOrder.sort((a, b) => b.dates.length - a.dates.length),
    unnamed,
  };
}

/** How many were counted up to a date, that one included. */
export const countUntil = ({ marks }: Pick<Tally, "marks">, date: CalendarDate): number =>
  marks.filter((each) => each.date <= date).length;

/** How the lines of a list are written. */
export type TallyList = { readonly order: TallyOrder; readonly dates: boolean };

/**
 * The lines of a list card: the name with how many there are in all, then each thing with how often it came where that is
 * more than once, and last how many have no name. `dates`: each line begins with when it came first.
 */
export function tallyLines(tally: Pick<Tally, "name" | "marks">, { order, dates }: TallyList): string[] {
  const { things, unnamed } = countedIn(tally, order);
  const lines = things.map(({ text, dates: [first, ...more] }) => {
    const times = more.length > 0 ? ` ×${more.length + 1}` : "";
    return `${dates && first ? `${printShort(first)}  ` : ""}${text.replace(/\s+/g, " ")}${times}`;
  });
  const rest = things.length > 0 && unnamed > 0 ? [`and ${unnamed} more`] : [];
  return [`${tally.name}: ${tally.marks.length}`, ...lines, ...rest];
}
