import { applyEdit, type DayEdit } from "../core/album/edit.ts";
import type { PlanChange } from "../core/format/plan-table.ts";
import type { Did } from "../core/journal/did.ts";
import type { Author } from "./author.ts";
import { type DayChanged, saveDays } from "./day.ts";
import { lockDays } from "./day-lock.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";

/** What of a change is sent back: the day, and what was seen there when the table was read. */
export type PlanTaken = Pick<PlanChange, "dayId" | "field" | "was" | "becomes">;

const editOf = ({ field, becomes }: PlanTaken): DayEdit =>
  field === "prompt" ? { kind: "prompt", text: becomes, slip: null } : { kind: field, text: becomes };

/**
 * Takes what a table says over onto its days, as one act that can be taken back. Where something else stands than was seen
 * when the table was read, it is left; returns how many changes were made, and how many were left.
 */
export async function takePlan(
  db: Db,
  author: Author,
  changes: readonly PlanTaken[],
): Promise<{ readonly taken: number; readonly left: number }> {
  const did: Did = { what: "plan-table", days: new Set(changes.map(({ dayId }) => dayId)).size };
  return journaled(db, author, did, async (tx, line, say) => {
    const ids = [...new Set(changes.map(({ dayId }) => dayId))];
    const locked = await lockDays(tx, author, ids);
    if (!locked) return { taken: 0, left: changes.length };
    const { binding } = locked;
    let taken = 0;
    const put = locked.days.flatMap((day): DayChanged[] => {
      let content = day.content;
      const fields: string[] = [];
      for (const change of changes.filter(({ dayId }) => dayId === day.id)) {
        const now = change.field === "prompt" ? content.prompt.text : content[change.field];
        if (now !== change.was) continue;
        const applied = applyEdit(content, editOf(change), binding);
        if (!applied.ok) continue;
        content = applied.content;
        fields.push(...applied.fields);
        taken += 1;
      }
      return fields.length > 0 ? [{ day, content, fields }] : [];
    });
    await saveDays(tx, author, line, put);
    say({ ...did, days: put.length });
    return { taken, left: changes.length - taken };
  });
}
