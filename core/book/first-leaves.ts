import type { DayContent } from "../album/model.ts";
import type { Leaf, Side } from "./leaf.ts";

type Dated = {
  readonly id: string;
  readonly date: string;
  readonly content: Pick<DayContent, "foundation" | "inserts">;
};

/** The leaves that follow from days alone, in date order: a day's inserts lie over its page. */
export function firstLeaves(days: readonly Dated[], newId: () => string): Leaf[] {
  return [...days]
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .flatMap(({ id: dayId, content }) => {
      const mine: Side = { owner: { kind: "day", dayId }, pieces: null };
      const leaf = (of: Leaf["of"]): Leaf => ({
        id: newId(),
        version: 0,
        of,
        drop: null,
        liftsOff: false,
        front: mine,
        back: mine,
      });
      return [
        ...content.inserts.map((insert) => leaf({ kind: "insert", dayId, insertId: insert.id })),
        ...(content.foundation ? [leaf({ kind: "page", dayId })] : []),
      ];
    });
}
