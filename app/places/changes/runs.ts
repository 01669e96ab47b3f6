/** A line of the list of changes; `times`: so many saves of the same in a row, of which this is the last. */
export type ToldLine = {
  readonly id: string;
  readonly at: string;
  /** Who did it; null for the reader. */
  readonly by: string | null;
  readonly said: string;
  readonly takenBack: boolean;
  readonly open: boolean;
  readonly times: number;
};

/** Lines in a row that say the same of the same person as one: words that are typed are saved at every pause. */
export function inRuns(lines: readonly Omit<ToldLine, "times">[]): ToldLine[] {
  const told: ToldLine[] = [];
  for (const line of lines) {
    const last = told.at(-1);
    const isSame =
      last?.said === line.said && last.by === line.by && last.takenBack === line.takenBack && last.open === line.open;
    if (last && isSame && !line.takenBack) told[told.length - 1] = { ...last, times: last.times + 1 };
    else told.push({ ...line, times: 1 });
  }
  return told;
}
