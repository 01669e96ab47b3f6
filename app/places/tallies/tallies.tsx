import { X } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { KeptField } from "#app/parts/kept-field.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { KeepersOnly } from "#app/parts/role.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { shortDate } from "#app/wording/dates.ts";
import type { Tally } from "#core/album/tally.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { Strokes } from "./strokes.tsx";
import { useTallies } from "./use-tallies.ts";
import type { TalliesView } from "./view.ts";

const ListCardMaker = lazy(async () => ({ default: (await import("./list-card.tsx")).ListCardMaker }));

/** What is counted over the month: each thing with its strokes, what it was and when, and a list card of it. */
export function Tallies({ view }: { view: TalliesView }) {
  const { tallies, change, add, count } = useTallies(view.tallies);
  return (
    <Workplace
      tabs={<PlaceTabs place="words" albumId={view.albumId} here="tallies" />}
      panel={
        <KeepersOnly>
          <More add={add} offered={view.offered} hasSome={tallies.length > 0} />
        </KeepersOnly>
      }
    >
      <PageStage>
        <h1 className="text-2xl">Tallies</h1>
        <p className="max-w-prose text-sm text-quiet">
          Counted over the month: on each day, on the phone’s Today, or here. Next year’s album counts the same again,
          and Year to year shows both.
        </p>
        <Refusal />
        {tallies.length === 0 && (
          <p className="pt-4 text-lg">Nothing is counted yet. Take something offered here, or name your own.</p>
        )}
        <div className="grid gap-8 pt-4">
          {tallies.map((tally) => (
            <OneTally key={tally.id} {...{ tally, view, change }} count={(date, text) => count(tally.id, date, text)} />
          ))}
        </div>
      </PageStage>
    </Workplace>
  );
}

type Change = ReturnType<typeof useTallies>["change"];

function OneTally({
  tally,
  view,
  change,
  count,
}: {
  tally: Tally;
  view: TalliesView;
  change: Change;
  count: (date: CalendarDate, text: string) => void;
}) {
  const { id, name, marks } = tally;
  const [on, setOn] = useState<CalendarDate>(view.today);
  const [text, setText] = useState("");
  const [asList, setAsList] = useState(false);
  const inOrder = [...marks].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  return (
    <section aria-label={name} className="grid gap-3 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="font-numeral text-5xl leading-none font-semibold tabular-nums">{marks.length}</p>
        <div className="min-w-48 flex-1">
          <h2 className="sr-only">{name}</h2>
          <KeepersOnly>
            <KeptField
              text={name}
              oneLine
              rows={1}
              aria-label={`What is counted: ${name}`}
              maxLength={500}
              className="field-sizing-content w-full resize-none rounded-sm border border-transparent bg-transparent px-1 py-0.5 text-xl font-medium hover:border-line focus:border-edge focus:bg-raised"
              onWords={(next, typed) => next.trim() && change({ how: "name", id, name: next }, typed)}
            />
          </KeepersOnly>
          <Strokes count={marks.length} />
        </div>
        <Button
          small
          keepers
          look="quiet"
          onClick={() => change({ how: "remove", id })}
          aria-label={`Take out ${name}`}
        >
          Take out
        </Button>
      </div>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          count(on, text);
          setText("");
        }}
      >
        <label className="grid min-w-40 flex-1 gap-1 text-sm">
          Which, if you like
          <input className="field" value={text} maxLength={500} onChange={(event) => setText(event.target.value)} />
        </label>
        <label className="grid gap-1 text-sm">
          On
          <select
            className="field w-auto"
            value={on}
            onChange={({ target: { value } }) => setOn(view.dates.find(({ date }) => date === value)?.date ?? on)}
          >
            {view.dates.map(({ date, said }) => (
              <option key={date} value={date}>
                {said}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit">Count it</Button>
      </form>
      {inOrder.length > 0 && (
        <ol aria-label={`What was counted: ${name}`} className="columns-1 gap-x-8 sm:columns-2">
          {inOrder.map((mark) => (
            <li key={mark.id} className="flex break-inside-avoid items-center gap-2 border-b border-line">
              <Link
                to={to.day(view.albumId, mark.date)}
                className="min-h-6 w-14 shrink-0 text-sm text-quiet tabular-nums hover:text-ember"
              >
                {shortDate(mark.date)}
              </Link>
              <KeptField
                text={mark.text}
                oneLine
                rows={1}
                aria-label={`What was counted on ${shortDate(mark.date)}`}
                placeholder="one"
                maxLength={500}
                className="field-sizing-content min-w-0 flex-1 resize-none rounded-sm border border-transparent bg-transparent px-1 py-1 hover:border-line focus:border-edge focus:bg-raised"
                onWords={(next, typed) => change({ how: "mark-text", id: mark.id, text: next }, typed)}
              />
              <button
                type="button"
                aria-label={`Uncount ${mark.text || "one"} of ${shortDate(mark.date)}`}
                onClick={() => change({ how: "unmark", id: mark.id })}
                className="grid size-8 shrink-0 place-items-center rounded-sm text-quiet hover:text-ember"
              >
                <X className="size-4" aria-hidden="true" />
              </button>
            </li>
          ))}
        </ol>
      )}
      {marks.length > 0 && (
        <div>
          <Button small aria-expanded={asList} onClick={() => setAsList(!asList)}>
            {asList ? "Close the list card" : "Make a list card"}
          </Button>
        </div>
      )}
      {asList && (
        <Suspense fallback={<p className="text-sm text-quiet">Laying it out</p>}>
          <ListCardMaker tally={tally} view={view} />
        </Suspense>
      )}
    </section>
  );
}

/** Something more to count: what others counted, or a name of one's own. */
function More({
  add,
  offered,
  hasSome,
}: {
  add: (name: string) => void;
  offered: readonly string[];
  hasSome: boolean;
}) {
  const [name, setName] = useState("");
  return (
    <section aria-labelledby="more" className="grid content-start gap-3">
      <h2 id="more" className="border-b border-line pb-2 text-xl">
        {hasSome ? "Count something more" : "Count something"}
      </h2>
      <div className="flex flex-wrap gap-2">
        {offered.map((each) => (
          <Button key={each} small onClick={() => add(each)}>
            {each}
          </Button>
        ))}
      </div>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === "") return;
          add(name.trim());
          setName("");
        }}
      >
        <TextField
          label="Of your own"
          hint="Drinks, wrappings, snow days"
          value={name}
          maxLength={500}
          onChange={(event) => setName(event.target.value)}
        />
        <div>
          <Button type="submit">Count this</Button>
        </div>
      </form>
    </section>
  );
}
