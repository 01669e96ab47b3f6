import { Popover } from "radix-ui";
import { type ReactNode, useState } from "react";
import { to } from "#app/addresses.ts";
import type { PageRow } from "#app/drawing/page-row.ts";
import { KeepersOnly } from "#app/parts/role.tsx";
import { useTurnFetcher } from "#app/places/album/use-turn.ts";
import { usePut } from "#app/sending/sending.tsx";
import { shortDate } from "#app/wording/dates.ts";
import type { Sent } from "#core/format/sent.ts";
import type { DayView } from "./view.ts";

/** What can be done with the day as a whole: let it go, share its page, move its story, take a change back. */
export function DayMenu({
  view,
  rows,
  onMove,
  trigger,
}: {
  view: DayView;
  rows: readonly PageRow[];
  onMove: (story: string, to: string) => void;
  trigger: { face: ReactNode; look: string; name: string };
}) {
  const put = usePut();
  // It is first drawn because somebody asked for it.
  const [open, setOpen] = useState(true);
  const turn = useTurnFetcher(view.albumId);
  const lead = view.parts[0];
  if (!lead) return null;
  const at = rows.findIndex(({ date }) => date === view.date);
  const alone = rows.filter((row) => row.date !== view.date && row.also.length === 0);
  const act = (sent: Sent) => {
    put(`${lead.id}:month`, sent);
    setOpen(false);
  };
  const month = { what: "month", dayId: lead.id } as const;
  const item = "min-h-10 w-full px-3 text-left hover:bg-ground hover:text-ember focus-visible:outline-offset-[-2px]";
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={trigger.look} aria-label={trigger.name}>
        {trigger.face}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-20 grid w-72 rounded-md border border-edge bg-panel py-1"
          aria-label={trigger.name}
        >
          <KeepersOnly>
            <button type="button" className={item} onClick={() => act({ ...month, how: "skip", on: !view.skipped })}>
              {view.skipped ? "Take this day up again" : "Skip this day"}
            </button>
            {view.parts.length > 1 && (
              <button type="button" className={item} onClick={() => act({ ...month, how: "split" })}>
                Give each date its own page
              </button>
            )}
            {at > 0 && !view.skipped && (
              <button type="button" className={item} onClick={() => act({ ...month, how: "merge", side: "before" })}>
                Share a page with the day before
              </button>
            )}
            {at < rows.length - 1 && !view.skipped && (
              <button type="button" className={item} onClick={() => act({ ...month, how: "merge", side: "after" })}>
                Share a page with the day after
              </button>
            )}
            {view.parts.length === 1 && alone.length > 0 && (
              <label className="grid gap-1 border-t border-line px-3 py-2 text-sm">
                Move the story to another day
                <select
                  className="field"
                  value=""
                  onChange={(event) => {
                    if (!event.target.value) return;
                    onMove(lead.id, event.target.value);
                    setOpen(false);
                  }}
                >
                  <option value="">Which day</option>
                  {alone.map((row) => (
                    <option key={row.date} value={row.date}>
                      {shortDate(row.date)}: {row.title || (row.skipped ? "skipped" : "no title yet")}
                    </option>
                  ))}
                </select>
                <span className="text-quiet">What is there comes back here.</span>
              </label>
            )}
          </KeepersOnly>
          <turn.Form
            method="post"
            action={to.changes(view.albumId)}
            onSubmit={() => setOpen(false)}
            className="border-t border-line"
          >
            <input type="hidden" name="way" value="back" />
            <button type="submit" className={item}>
              Take your last change back
            </button>
          </turn.Form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
