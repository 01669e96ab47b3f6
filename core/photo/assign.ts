/** A pairing that is out of the question. */
export const NEVER = Number.POSITIVE_INFINITY;

/**
 * The cheapest way to give every row a column of its own, none twice (the Hungarian method, Kuhn 1955, in the form with
 * potentials and shortest paths, O(rows² · columns)). `cost[row][column]`; there must be at least as many columns as rows.
 * Returns each row's column, or null for a row that only `NEVER` is left for.
 */
export function assign(cost: readonly (readonly number[])[]): (number | null)[] {
  const rows = cost.length;
  const columns = cost[0]?.length ?? 0;
  if (rows === 0) return [];
  if (columns < rows) throw new RangeError("fewer columns than rows");
  if (cost.some((row) => row.length !== columns)) throw new RangeError("rows of different lengths");
  // A finite price far above any sum of real ones stands for "never", so that the arithmetic stays finite.
  let most = 0;
  for (const row of cost) for (const each of row) if (Number.isFinite(each)) most = Math.max(most, Math.abs(each));
  const dear = (most + 1) * (rows + 1);
  const price = new Float64Array(rows * columns).fill(dear);
  for (const [row, prices] of cost.entries())
    for (let column = 0; column < columns; column++) {
      const given = prices[column] as number;
      if (Number.isFinite(given)) price[row * columns + column] = given;
    }
  const rowValue = new Float64Array(rows + 1);
  const columnValue = new Float64Array(columns + 1);
  /** Which row has each column; row and column 0 stand for none. */
  const holder = new Int32Array(columns + 1);
  const cameFrom = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    holder[0] = row;
    const least = new Float64Array(columns + 1).fill(NEVER);
    const seen = new Uint8Array(columns + 1);
    let column = 0;
    do {
      seen[column] = 1;
      const from = holder[column] as number;
      const [before, value] = [(from - 1) * columns - 1, rowValue[from] as number];
      let step = NEVER;
      let next = 0;
      for (let each = 1; each <= columns; each++) {
        if (seen[each]) continue;
        const reduced = (price[before + each] as number) - value - (columnValue[each] as number);
        if (reduced < (least[each] as number)) {
          least[each] = reduced;
          cameFrom[each] = column;
        }
        if ((least[each] as number) < step) {
          step = least[each] as number;
          next = each;
        }
      }
      for (let each = 0; each <= columns; each++) {
        if (seen[each]) {
          rowValue[holder[each] as number] = (rowValue[holder[each] as number] as number) + step;
          columnValue[each] = (columnValue[each] as number) - step;
        } else {
          least[each] = (least[each] as number) - step;
        }
      }
      column = next;
    } while (holder[column] !== 0);
    while (column !== 0) {
      const before = cameFrom[column] as number;
      holder[column] = holder[before] as number;
      column = before;
    }
  }
  const given: (number | null)[] = Array.from({ length: rows }, () => null);
  for (let column = 1; column <= columns; column++) {
    const row = (holder[column] as number) - 1;
    if (row >= 0 && Number.isFinite(cost[row]?.[column - 1] ?? NEVER)) given[row] = column - 1;
  }
  return given;
}
