import { Download } from "lucide-react";
import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Said } from "#app/parts/said.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import type { PassedWhy } from "#core/format/plan-table.ts";
import { FIELD_NAME, PASSED, type PlanAnswer, type PlanRead, WHY } from "./answer.ts";

/** The plan out into a table and back: what a table would change is seen, and chosen, before any of it is. */
export function PlanTable({ albumId }: { albumId: string }) {
  const reader = useFetcher<PlanAnswer>();
  const taker = useFetcher<PlanAnswer>();
  const busy = reader.state !== "idle" || taker.state !== "idle";
  const answer = reader.data ?? null;
  const read = answer?.ok && "read" in answer ? answer.read : null;
  const taken = taker.data ?? null;
  // What was taken over is no proposal any more.
  const [takenOf, setTakenOf] = useState<PlanRead | null>(null);
  const shown = read && !(takenOf === read && taken?.ok) ? read : null;
  return (
    <Workplace
      tabs={<PlaceTabs place="month" albumId={albumId} here="plan-table" />}
      panel={
        <div className="grid content-start gap-6">
          <section aria-labelledby="table-out" className="grid gap-2">
            <h2 id="table-out" className="border-b border-line pb-1 text-xl">
              Out
            </h2>
            <p className="text-sm text-quiet">One row a day, as CSV for any spreadsheet, without what is private.</p>
            <div>
              <a href={to.document(albumId, "day-plan", "plan.csv")} download className={buttonLook("plain", true)}>
                <Download className="size-4" aria-hidden="true" /> Save the table
              </a>
            </div>
          </section>
          <section aria-labelledby="table-in" className="grid gap-3">
            <h2 id="table-in" className="border-b border-line pb-1 text-xl">
              And back
            </h2>
            <reader.Form
              method="post"
              action={to.part(albumId, "plan-table")}
              encType="multipart/form-data"
              className="grid justify-items-start gap-3"
            >
              <label className="grid gap-1 text-sm">
                <span>The table, changed, or one of your own</span>
                <input
                  type="file"
                  name="file"
                  accept=".csv,.txt,.tsv,text/csv"
                  className="max-w-full text-sm file:mr-3 file:min-h-10 file:rounded-sm file:border file:border-edge file:bg-raised file:px-3 file:font-medium file:text-text"
                />
              </label>
              <Button type="submit" look="main" disabled={busy}>
                {reader.state === "idle" ? "Read it" : "Reading"}
              </Button>
            </reader.Form>
            <Outcome answer={answer?.ok ? null : answer} why={WHY} kept="Nothing was changed." />
            <p className="text-sm text-quiet">
              Titles, prompts and notes come back, by their dates, or by the number on the page. An empty cell takes
              nothing away. Nothing is changed before you have seen it.
            </p>
          </section>
        </div>
      }
    >
      <PageStage>
        <h1 className="text-3xl">The plan as a table</h1>
        {taken && !taken.ok && <Outcome answer={taken} why={WHY} kept="Nothing was changed." />}
        {taken?.ok && "said" in taken && takenOf === read && <Said good>{taken.said}</Said>}
        {!read && (
          <p className="max-w-prose pt-2 text-quiet">
            Plan the month where you like to: save the table, write titles, prompts and notes into it, read it back.
          </p>
        )}
        {shown && (
          <Proposed
            key={JSON.stringify(shown.changes)}
            read={shown}
            busy={busy}
            onTake={(changes) => {
              setTakenOf(shown);
              const sent = { changes: JSON.stringify(changes) };
              void taker.submit(sent, { method: "post", action: to.part(albumId, "plan-table") });
            }}
          />
        )}
      </PageStage>
    </Workplace>
  );
}

type Change = PlanRead["changes"][number];
const nameOf = ({ dayId, field }: Change) => `${dayId} ${field}`;

function Proposed({
  read: { changes, passed, columns, guessed },
  busy,
  onTake,
}: {
  read: PlanRead;
  busy: boolean;
  onTake: (changes: readonly Change[]) => void;
}) {
  const [left, setLeft] = useState<readonly string[]>([]);
  const wanted = changes.filter((change) => !left.includes(nameOf(change)));
  return (
    <div className="grid gap-4 pt-3">
      <Passed passed={passed} columns={columns} guessed={guessed} />
      {changes.length === 0 ? (
        <p className="text-lg">It says nothing that is not there already.</p>
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-3">
            <Button look="main" disabled={busy || wanted.length === 0} onClick={() => onTake(wanted)}>
              Take {many(wanted.length, "change")} over
            </Button>
            <p className="text-sm text-quiet">“Take back” undoes it in one.</p>
          </div>
          <ul aria-label="What would change" className="divide-y divide-line border-y border-line">
            {changes.map((change) => (
              <li key={nameOf(change)}>
                <label className="grid grid-cols-[auto_5rem_4rem_minmax(0,1fr)] items-baseline gap-x-3 py-2">
                  <input
                    type="checkbox"
                    className="size-4 self-center accent-ember"
                    checked={!left.includes(nameOf(change))}
                    onChange={({ target }) =>
                      setLeft(
                        target.checked ? left.filter((each) => each !== nameOf(change)) : [...left, nameOf(change)],
                      )
                    }
                  />
                  <span className="font-numeral">{shortDate(change.date)}</span>
                  <span className="text-sm text-quiet">{FIELD_NAME[change.field]}</span>
                  <span className="min-w-0 break-words whitespace-pre-line">
                    {change.becomes}
                    {change.was && <span className="block text-sm text-quiet line-through">{change.was}</span>}
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** What of the table is not taken, and why. */
function Passed({ passed, columns, guessed }: Pick<PlanRead, "passed" | "columns" | "guessed">) {
  const why = [...new Set(passed.map((each) => each.why))];
  if (why.length + columns.length === 0 && !guessed) return null;
  return (
    <div className="grid gap-1 border-l-4 border-line pl-3 text-sm">
      {why.map((each) => (
        <p key={each}>
          <strong className="font-semibold">{rowsOf(passed, each)}:</strong> {PASSED[each]}.
        </p>
      ))}
      {columns.length > 0 && <p className="text-quiet">Not read: {columns.join(", ")}.</p>}
      {guessed && (
        <p>The file does not say how its letters are written: look at the accents before you take it over.</p>
      )}
    </div>
  );
}

const MOST_ROWS = 12;
function rowsOf(passed: PlanRead["passed"], why: PassedWhy): string {
  const rows = [...new Set(passed.flatMap((each) => (each.why === why ? [each.row] : [])))];
  const shown = rows.slice(0, MOST_ROWS).join(", ");
  return `${rows.length === 1 ? "Row" : "Rows"} ${shown}${rows.length > MOST_ROWS ? ` and ${rows.length - MOST_ROWS} more` : ""}`;
}
