/** A select's options as value and words. */
export function Options({ all }: { all: readonly (readonly [value: string, words: string])[] }) {
  return all.map(([value, words]) => (
    <option key={value} value={value}>
      {words}
    </option>
  ));
}
