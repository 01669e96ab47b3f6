import { useCallback, useState } from "react";

/** How a picture is pressed: alone, together with others, or with all from the last one on. */
export type Pressed = "alone" | "also" | "up-to";

/**
 * Which pictures are chosen, of those shown in this order: one, or several. `last` is the one that was pressed last, which is
 * seen large where it is alone.
 */
export function useChosen(first: string | null) {
  const [chosen, setChosen] = useState<readonly string[]>(first ? [first] : []);
  const last = chosen.at(-1) ?? null;
  const press = useCallback(
    (id: string, how: Pressed, shown: readonly string[]) => setChosen((now) => pressed(now, id, how, shown)),
    [],
  );
  const none = useCallback(() => setChosen([]), []);
  return { chosen, last, press, none };
}

/** What is chosen once a picture was pressed. */
export function pressed(now: readonly string[], id: string, how: Pressed, shown: readonly string[]): readonly string[] {
  const others = now.filter((each) => each !== id);
  if (how === "also") return now.includes(id) ? others : [...now, id];
  // Pressed once more, the only one is let go.
  if (how === "alone" && others.length === 0 && now.length === 1) return [];
  const [from, to] = [shown.indexOf(now.at(-1) ?? ""), shown.indexOf(id)];
  if (how === "alone" || from < 0 || to < 0) return [id];
  const between = shown.slice(Math.min(from, to), Math.max(from, to) + 1);
  return [...now.filter((each) => !between.includes(each)), ...between.filter((each) => each !== id), id];
}
