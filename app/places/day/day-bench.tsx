import { memo, useDeferredValue } from "react";
import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import type { PageRow } from "#app/drawing/page-row.ts";
import { Button } from "#app/parts/button.tsx";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import { Refusal } from "#app/parts/refusal.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { useOutbox, usePut } from "#app/sending/sending.tsx";
import type { OtherYear } from "#core/finish/years.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { DayMat } from "./day-mat.tsx";
import { DayMenuButton } from "./day-menu-button.tsx";
import { FinishPanel } from "./finish-panel.tsx";
import { KeptLine } from "./kept-fields.tsx";
import { MonthChoice } from "./month-choice.tsx";
import { NotePanel } from "./note-panel.tsx";
import { NotedBefore, OtherYears } from "./other-years.tsx";
import { PaperPanel } from "./paper-panel.tsx";
import { PhotosPanel } from "./photos-panel.tsx";
import { PromptPanel } from "./prompt-panel.tsx";
import { MovedHere, useStoryMove } from "./story-move.tsx";
import { useDayNow } from "./use-day-now.ts";
import type { DayView } from "./view.ts";
import { WordsPanel } from "./words-panel.tsx";

/** One day's bench: its leaves to scale on the mat, its panels in working order beside them. */
type Props = {
  readonly view: DayView;
  readonly rows: readonly PageRow[];
  /** The household's date. */
  readonly today: CalendarDate;
  /** What earlier albums have on this day; none for a page that is no day's. */
  readonly years?: readonly OtherYear[] | undefined;
};

export function DayBench({ view: saved, rows, today, years }: Props) {
  const view = useDayNow(saved);
  const { moved } = useOutbox().state;
  // Who moves pieces looks at the mat: the panels follow when there is time.
  const late = useDeferredValue(view);
  return (
    <Workplace width="broad" flush panel={<Panels view={moved ? late : view} {...{ rows, today, years }} />}>
      <MatStage label="The mat">
        <DayMat view={view} />
      </MatStage>
    </Workplace>
  );
}

const Panels = memo(({ view, rows, today, years = [] }: Props) => (
  <>
    <Heading {...{ view, rows, years }} />
    <MovedHere view={view} />
    <Refusal />
    <ClashPanel />
    {!view.matter && <PromptPanel view={view} />}
    <PhotosPanel view={view} />
    <WordsPanel view={view} />
    <PaperPanel view={view} />
    <FinishPanel view={view} today={today} />
    <NotePanel view={view} />
    <OtherYears years={years} part={view.parts[0]} />
    <Foot view={view} rows={rows} />
  </>
));

function Heading({ view, rows, years }: Pick<Props, "view" | "rows"> & { years: readonly OtherYear[] }) {
  const [first, ...others] = view.parts;
  const move = useStoryMove(view.albumId, view.date ?? "");
  if (!first) return null;
  return (
    <header className="flex items-start gap-4 border-b border-line pb-3">
      {view.label && (
        <p
          className={`shrink-0 pt-0.5 font-numeral leading-none font-semibold ${view.label.length > 2 ? "text-3xl" : "text-6xl"}`}
        >
          {view.label}
        </p>
      )}
      <div className="min-w-0 flex-1">
        <h1 className="sr-only">
          {view.matter ? view.matter.name : view.label ? `Day ${view.label}` : view.when}:{" "}
          {first.content.title || "no title yet"}
        </h1>
        <KeptLine
          part={first}
          name="title"
          label="Title"
          text={first.content.title}
          toEdit={(text) => ({ kind: "title", text })}
          placeholder="A title, when there is one"
          className="font-numeral text-2xl font-medium"
        />
        {others.map((part) => (
          <KeptLine
            key={part.id}
            part={part}
            name="title"
            label={`Title of ${part.dateSaid}`}
            text={part.content.title}
            toEdit={(text) => ({ kind: "title", text })}
            placeholder={`A title for ${part.dateSaid}`}
            className="font-numeral text-lg"
          />
        ))}
        <p className="px-1 text-sm text-quiet">
          {view.matter ? <MatterLine view={view} /> : view.when}
          {view.skipped && <strong className="font-semibold text-text">, skipped</strong>}
        </p>
        <NotedBefore years={years} />
        {view.knownAhead.length > 0 && (
          <p className="px-1 text-sm text-quiet">
            Known ahead: {view.knownAhead.join("; ")}.{" "}
            <Link to={to.part(view.albumId, "known")} className="link not-printed">
              Make something of it
            </Link>
          </p>
        )}
      </div>
      {view.date && <DayMenuButton view={view} rows={rows} onMove={move} />}
    </header>
  );
}

/** Nothing is on the page, and no side of a leaf is its own. */
const isEmpty = ({ parts, bench: { leaves } }: DayView): boolean =>
  leaves.length === 0 &&
  parts.every(
    ({ content }) => content.title === "" && content.note === "" && content.photos.length + content.cards.length === 0,
  );

function TakeAway({ view }: { view: DayView }) {
  const put = usePut();
  const navigate = useNavigate();
  const id = view.parts[0]?.id;
  return id ? (
    <Button
      small
      onClick={() => {
        put(`matter:${id}`, { what: "matter", how: "remove", id });
        void navigate(to.book(view.albumId));
      }}
    >
      Take this page away
    </Button>
  ) : null;
}

/** What a page of the front or back matter is for, with a date where it tells of one. */
function MatterLine({ view }: { view: DayView }) {
  const { matter, parts } = view;
  const put = usePut();
  const id = parts[0]?.id;
  if (!matter || !id) return null;
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      {matter.name}
      {(matter.kind === "before" || matter.kind === "section") && (
        <label className="flex items-center gap-2">
          {matter.kind === "before" ? "of" : "from"}
          <input
            type="date"
            className="field w-auto py-0.5"
            value={matter.date ?? ""}
            onChange={(event) =>
              put(`matter:date:${id}`, { what: "matter", how: "date", id, date: event.target.value || null })
            }
          />
        </label>
      )}
      {matter.kind === "month-calendar" && (
        <MonthChoice id={id} albumId={view.albumId} month={matter.chosen} grids={matter.month?.grids ?? []} />
      )}
    </span>
  );
}

function Foot({ view, rows }: { view: DayView; rows: readonly PageRow[] }) {
  if (view.matter)
    return (
      <footer className="flex items-center justify-between gap-4 pt-5 text-sm">
        <Link to={to.book(view.albumId, { at: view.bench.leaves[0]?.id ?? null })} className="link min-h-10">
          See it in the book
        </Link>
        {isEmpty(view) && <TakeAway view={view} />}
        <span className="text-quiet">{view.lastWrite && `Last written by ${view.lastWrite}`}</span>
      </footer>
    );
  return <DayFoot view={view} rows={rows} />;
}

function DayFoot({ view, rows }: { view: DayView; rows: readonly PageRow[] }) {
  const stops = useOneStop<HTMLElement>();
  const at = rows.findIndex(({ date }) => date === view.date);
  const [before, after] = [rows[at - 1]?.date, rows[at + 1]?.date];
  const href = (date: string) => to.day(view.albumId, date);
  return (
    <footer {...stops} className="flex items-center justify-between gap-4 pt-5 text-sm">
      {before ? (
        <Link to={href(before)} className="not-printed flex min-h-10 items-center gap-1 hover:text-ember">
          <span aria-hidden="true">←</span> The day before
        </Link>
      ) : (
        <span />
      )}
      <span className="text-center text-quiet">{view.lastWrite && `Last written by ${view.lastWrite}`}</span>
      {after ? (
        <Link to={href(after)} className="not-printed flex min-h-10 items-center gap-1 hover:text-ember">
          The day after <span aria-hidden="true">→</span>
        </Link>
      ) : (
        <span />
      )}
    </footer>
  );
}
