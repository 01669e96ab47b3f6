import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { usePut } from "#app/sending/sending.tsx";
import { placeName } from "#app/wording/book.ts";
import { STEP_CAUTION, STEP_NAME, STEP_TO_DO } from "#app/wording/day.ts";
import type { TickedOn } from "#core/album/steps.ts";
import type { BookEdit } from "#core/book/edit.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { Drying } from "./drying.tsx";
import { Panel } from "./panel.tsx";
import { useDayLeaves } from "./use-day-now.ts";
import type { DayView } from "./view.ts";

/** The steps that follow from what the day has, ticked as they are done. */
export function FinishPanel({ view, today }: { view: DayView; today: CalendarDate }) {
  const put = usePut();
  const stops = useOneStop<HTMLUListElement>();
  const { change } = useBookEdits();
  const { leaves, own } = useDayLeaves(view);
  const [first] = view.parts;
  if (!first) return null;
  const { steps } = view;
  const next = steps.find(({ done }) => !done);
  const left = steps.filter(({ done }) => !done).reduce((sum, { minutes }) => sum + minutes, 0);
  return (
    <Panel
      id="finish"
      ring="book"
      state={view.states.book}
      name="Finish"
      aside={
        steps.length > 0 &&
        `${steps.filter(({ done }) => done).length} of ${steps.length} steps${left > 0 ? `, about ${left} min` : ""}`
      }
    >
      {steps.length === 0 && (
        <p className="text-quiet">
          {view.skipped
            ? "A skipped day has nothing to finish."
            : "Steps appear as the day gets a page, photos or words."}
        </p>
      )}
      <ul {...stops} className="not-printed flex flex-wrap gap-2">
        {steps.map(({ step, done, on }) => (
          <li key={step} className="flex flex-wrap items-center gap-x-3">
            <label
              className={`flex min-h-9 items-center gap-2 rounded-sm border px-2.5 text-sm has-focus-visible:outline-2 has-focus-visible:outline-ember ${done ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember"}`}
            >
              <input
                type="checkbox"
                checked={done}
                onChange={(event) =>
                  put(`${first.id}:step:${step}`, {
                    what: "edit",
                    dayId: first.id,
                    base: null,
                    edit: { kind: "step", step, done: event.target.checked },
                  })
                }
                className="size-4 accent-ember"
              />
              {STEP_NAME[step]}
            </label>
            {on.map(
              (each) =>
                each.step === "build" && (
                  <Link
                    key={each.piece}
                    to={to.making(view.albumId, each.kind, { ...onPieceOf(each), show: "steps" })}
                    className="link text-sm"
                  >
                    {on.length > 1 ? `Step by step: ${placeName(own, each.leaf, each.face)}` : "Step by step"}
                  </Link>
                ),
            )}
            {on.length > 1 &&
              on.map((each) => (
                <label
                  key={`${each.leaf}${each.face}${each.guest}${each.step === "build" ? each.piece : ""}`}
                  className="flex min-h-9 items-center gap-1.5 text-sm"
                >
                  <input
                    type="checkbox"
                    checked={each.done}
                    onChange={(event) =>
                      change(
                        leaves,
                        tickOf(each, event.target.checked),
                        `tick:${each.leaf}:${each.face}:${each.guest}:${each.step}${each.step === "build" ? `:${each.piece}` : ""}`,
                      )
                    }
                    className="size-4 accent-ember"
                  />
                  <span className="sr-only">{STEP_NAME[step]}: </span>
                  {placeName(own, each.leaf, each.face)}
                </label>
              ))}
          </li>
        ))}
      </ul>
      <StepsOnPaper heading="Done" said={steps.flatMap(({ step, done }) => (done ? [STEP_NAME[step]] : []))} />
      <StepsOnPaper heading="To do" said={steps.flatMap(({ step, done }) => (done ? [] : [STEP_TO_DO[step]]))} />
      {view.madeFirst.length > 0 && steps.some(({ step, done }) => step === "assemble" && !done) && (
        <p className="border-l-2 border-edge pl-3 text-sm">
          A construction goes through the paper: make what {view.madeFirst.join(" and ")} lays on its other side before
          anything is stuck on.
        </p>
      )}
      <Drying view={view} today={today} />
      {next && STEP_CAUTION[next.step] && (
        <p className="border-l-2 border-edge pl-3 text-sm text-quiet">{STEP_CAUTION[next.step]}</p>
      )}
      {next && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p>
            Next: <strong className="font-semibold">{STEP_TO_DO[next.step]}</strong>
          </p>
          <Button
            look="main"
            small
            onClick={() =>
              put(`${first.id}:finish`, { what: "edit", dayId: first.id, base: null, edit: { kind: "finish" } })
            }
          >
            All done, in the book
          </Button>
        </div>
      )}
      {!next && steps.length > 0 && <p>Done, and in the book.</p>}
    </Panel>
  );
}

const onPieceOf = ({ leaf, face, piece }: Extract<TickedOn, { step: "build" }>) => ({ leaf, face, piece });

/** A tick of one leaf, side or construction. */
function tickOf(each: TickedOn, done: boolean): BookEdit {
  if (each.step !== "build") return { ...each, kind: "tick", done };
  const { leaf, face, piece } = each;
  return { kind: "tick-making", leaf, face, piece, nth: null, done };
}

const StepsOnPaper = ({ heading, said }: { heading: string; said: readonly string[] }) =>
  said.length > 0 && (
    <p className="only-printed">
      {heading}: {said.map((each) => each.toLowerCase()).join(", ")}.
    </p>
  );
