import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { Dial } from "#app/drawing/dial.tsx";
import { type PageRow, spoken } from "#app/drawing/page-row.ts";
import { StateMark } from "#app/drawing/state-mark.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import { useMedia } from "#app/parts/use-media.ts";
import { useRunning } from "#app/parts/use-running.ts";
import { useSettledQuery } from "#app/parts/use-settled-query.ts";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { Tonight } from "#app/places/pace/tonight.tsx";
import { many } from "#app/wording/count.ts";
import { RING_NAME } from "#app/wording/day.ts";
import type { FirstEvening as FirstSteps } from "#core/pace/first-evening.ts";
import { ChosenDayPanel } from "./chosen-day.tsx";
import { ComingBack } from "./coming-back.tsx";
import { DayTable } from "./day-table.tsx";
import { FirstEvening } from "./first-evening.tsx";
import type { StandingView } from "./first-view.ts";
import type { MonthView } from "./view.ts";

type Props = {
  readonly view: MonthView;
  readonly rows: readonly PageRow[] /** The server's guess at a small screen, which gets the list. */;
  readonly phone: boolean;
  readonly asked: string | null;
  readonly first: FirstSteps | null;
  readonly standing: StandingView | null;
};

/** How long the dial waits before it fetches the chosen day, so that turning it stays quick. */
const SETTLE = 140;

export function Month({ view, rows, phone, asked, first: steps, standing }: Props) {
  // The first evening is about what a keeper sets.
  const first = useIsKeeper() ? steps : null;
  const narrow = useMedia("(max-width: 899.9px)", phone);
  const table = asked === "table" || (asked !== "dial" && narrow);
  const fromUrl = rows.findIndex(({ date }) => date === view.chosen.date);
  const [chosen, setChosen] = useState(fromUrl);
  const { query, settle, settleNow, isSettling } = useSettledQuery(SETTLE);
  // Followed while drawing, not after: a key pressed in between must count from what is seen.
  const [followed, setFollowed] = useState(fromUrl);
  if (followed !== fromUrl) {
    setFollowed(fromUrl);
    if (!isSettling()) setChosen(fromUrl);
  }

  const outlined = rows[chosen];

  const choose = (index: number) => {
    const row = rows[index];
    if (!row) return;
    setChosen(index);
    settle((next) => next.set("day", row.date));
  };
  const hrefAs = (as: "dial" | "table") => {
    const next = new URLSearchParams(query);
    next.set("as", as);
    return `?${next}`;
  };

  const beside = (
    <>
      {first && <FirstEvening albumId={view.albumId} steps={first} />}
      {!first && standing && <ComingBack albumId={view.albumId} standing={standing} />}
      <div className={table ? "max-wide:hidden" : ""}>
        {outlined && <ChosenDayPanel albumId={view.albumId} day={view.chosen} row={outlined} />}
      </div>
      {!first && <Tonight albumId={view.albumId} evening={view.tonight} />}
    </>
  );
  return (
    <Workplace
      tabs={<h1 className="sr-only">Month</h1>}
      width={table ? "usual" : "half"}
      // Of a list on a phone, what tonight is for comes first.
      lead={table && beside}
      panel={!table && beside}
    >
      <PageStage label="The days">
        {table ? (
          <DayTable view={view} rows={rows} chosen={chosen} onChoose={choose} />
        ) : (
          <DialWithKeys view={view} rows={rows} chosen={chosen} onChoose={choose} onLeave={settleNow} />
        )}
        <div className="mt-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-2 text-sm text-quiet">
          <Legend />
          <span className="flex flex-wrap gap-x-5">
            <Link to={hrefAs(table ? "dial" : "table")} replace preventScrollReset className="link">
              {table ? "Show the dial" : "Show a list"}
            </Link>
            <Link to={to.told(view.albumId)} className="link">
              Which days are told
            </Link>
          </span>
        </div>
        {view.setAside > 0 && (
          <p className="mt-3 text-sm text-quiet">
            {many(view.setAside, "day is", "days are")} set aside with all they hold.{" "}
            <Link to={to.settings(view.albumId)} className="link">
              Change the span to bring them back
            </Link>
          </p>
        )}
      </PageStage>
    </Workplace>
  );
}

function Legend() {
  return (
    <details className="max-w-md">
      <summary className="min-h-8">How to read it</summary>
      <p className="pt-1">
        From the rim inward: prompt, photos, words, paper, in the book. Arrow keys turn the dial, Enter opens the day.
      </p>
      <ul className="flex flex-wrap gap-x-5 gap-y-1 pt-2">
        {(["done", "begun", "open", "not-needed"] as const).map((state) => (
          <li key={state} className="flex items-center gap-2">
            <StateMark ring="paper" state={state} />
            {
              {
                done: "filled: done",
                begun: "hatched: begun",
                open: "open: to come",
                "not-needed": "line: not needed",
              }[state]
            }
          </li>
        ))}
      </ul>
    </details>
  );
}

type Choosing = { view: MonthView; rows: readonly PageRow[]; chosen: number; onChoose: (index: number) => void };

/** The dial as one widget for the keyboard and for readers: a list box whose options are the days. */
function DialWithKeys({ view, rows, chosen, onChoose, onLeave }: Choosing & { onLeave: () => void }) {
  const navigate = useNavigate();
  const last = rows.length - 1;
  // Without a running script no key turns the dial, so its options would only be in the way; the list is for then.
  const running = useRunning();
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    const row = rows[chosen];
    if (step !== undefined) onChoose((chosen + step + rows.length) % rows.length);
    else if (event.key === "Home") onChoose(0);
    else if (event.key === "End") onChoose(last);
    else if (event.key === "Enter" && row) {
      onLeave();
      navigate(to.day(view.albumId, row.date));
    } else return;
    event.preventDefault();
  };
  return (
    <div
      role="listbox"
      aria-label={`The month as a dial. Rings from the rim inward: ${Object.values(RING_NAME).join(", ")}`}
      tabIndex={0}
      aria-activedescendant={`dial-${rows[chosen]?.date}`}
      onKeyDown={onKeyDown}
      className="mx-auto aspect-square w-full max-w-[min(100%,calc(100dvh-150px))] rounded-full"
    >
      {running &&
        rows.map((row, index) => (
          // biome-ignore lint/a11y/useFocusableInteractive: the list box holds the focus and names its active option
          <div
            key={row.date}
            role="option"
            id={`dial-${row.date}`}
            aria-selected={index === chosen}
            className="sr-only"
          >
            {spoken(row)}
          </div>
        ))}
      <Dial
        rows={rows}
        chosen={chosen}
        dated={view.dated}
        today={view.today}
        centre={{ big: String(view.inBook), small: [`of ${view.wanted}`, "in the book"] }}
        onChoose={onChoose}
      />
    </div>
  );
}
