import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { type EndAs, type EndMark, isForTonight, notLeft, withEndMark } from "#core/finish/end-mark.ts";
import type { EndLine } from "./view.ts";

/** The loose ends with what is on its way already said of them, and how to say it. */
export function useEnds(lines: readonly EndLine[]) {
  const { state, put } = useOutbox();
  const pending = pendingSent(state, "end");
  const marks = pending.reduce<readonly EndMark[]>(
    (now, { kind, entry, of, as }) => withEndMark(now, { kind, entry, of, as }),
    [],
  );
  const left = new Set(
    pendingSent(state, "edit").flatMap(({ dayId, edit }) =>
      edit.kind === "leave-alone" && edit.on ? [`${dayId} ${edit.slip}`] : [],
    ),
  );
  const ends = lines.flatMap((line): EndLine[] => {
    const slips = line.slips.filter(({ dayId, slip }) => !left.has(`${dayId} ${slip}`));
    if (line.slips.length > 0 && slips.length === 0) return [];
    const open = notLeft(line, marks);
    const isSaid = pending.some(({ kind, entry }) => kind === line.kind && entry === line.entry);
    return open ? [{ ...open, slips, tonight: isSaid ? isForTonight(line, marks) : line.tonight }] : [];
  });
  const mark = ({ kind, entry, of }: EndLine, as: EndAs | null) =>
    put(`end:${kind}:${entry ?? ""}`, { what: "end", kind, entry, of: [...of], as });
  const leave = (line: EndLine) => {
    // What stands in the words is left where it is, and nowhere else.
    for (const { dayId, slip } of line.slips)
      put(`${dayId}:leave-alone:${slip}`, {
        ...({ what: "edit", dayId, base: null } as const),
        edit: { kind: "leave-alone", slip, on: true },
      });
    if (line.slips.length === 0) mark(line, "left");
  };
  return { ends, mark, leave };
}
