import { useRunning } from "./use-running.ts";

/** A select's options as value and words. Until the page runs, only the chosen one is there: no other could be taken yet. */
export function Options({
  all,
  chosen,
}: {
  all: readonly (readonly [value: string, words: string])[];
  chosen: string;
}) {
  const running = useRunning();
  return (running ? all : all.filter(([value]) => value === chosen)).map(([value, words]) => (
    <option key={value} value={value}>
      {words}
    </option>
  ));
}
