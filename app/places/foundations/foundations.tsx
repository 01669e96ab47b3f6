import { useMemo, useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { OwnFromFile, OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import type { BookData } from "#app/places/book/data.ts";
import { useBook } from "#app/places/book/use-book.ts";
import { many } from "#app/wording/count.ts";
import { shortDate, shortWeekday } from "#app/wording/dates.ts";
import type { Away } from "#app/wording/sending.ts";
import type { DatedPage } from "#core/book/dated-page.ts";
import { dressPage, type Pattern, type PatternLine, type PatternRule, previewPattern } from "#core/book/pattern.ts";
import type { Template } from "#core/book/template.ts";
import type { CalendarDate } from "#core/month/dates.ts";

import { PatternForm } from "./pattern-form.tsx";
import { PageDrawing, TemplateDrawing } from "./template-drawing.tsx";

export type FoundationsAnswer = { ok: true; said: string } | { ok: false; reason: "no-name" | Away };

type Props = {
  readonly data: BookData;
  readonly templates: readonly Template[];
  /** Templates of the household's own, which can be deleted. */
  readonly own: readonly string[];
  /** A template made of the side that was asked to be copied or kept. */
  readonly taken: Template | null;
  /** The pattern that was last set over the month. */
  readonly last: Pattern | null;
  readonly keeping: boolean;
  readonly dates: readonly CalendarDate[];
  readonly answer: FoundationsAnswer | null;
};

/** Foundation pages for the month: templates, a pattern of them over the days, and what it would change before it does. */
export function Foundations({ data, templates, own, taken, last, keeping, dates, answer }: Props) {
  const { book } = useBook(data);
  const busy = useNavigation().state !== "idle";
  const all = useMemo(() => (taken && !keeping ? [taken, ...templates] : templates), [taken, keeping, templates]);
  const first = all[0]?.id ?? "";
  const onDates = dates.length > 0 || (taken !== null && !keeping);
  const [begin] = useState(() =>
    onDates
      ? { cycle: [], rules: [{ when: "dates", dates, template: first } as const], without: [] }
      : last
        ? stillThere(last, all)
        : { cycle: all.slice(0, 2).map(({ id }) => id), rules: [], without: [] },
  );
  const [cycle, setCycle] = useState<readonly string[]>(begin.cycle);
  const [rules, setRules] = useState<readonly PatternRule[]>(begin.rules);
  const [without, setWithout] = useState<readonly CalendarDate[]>(begin.without);
  const pattern: Pattern = { cycle, rules, without };
  const lines = useMemo(
    () => previewPattern({ cycle, rules, without }, all, data.pages, book),
    [cycle, rules, without, all, data.pages, book],
  );
  const sets = lines.filter(({ outcome }) => outcome.kind === "sets").length;
  const chosenDates = new Set(rules.flatMap((rule) => (rule.when === "dates" ? rule.dates : [])));
  const toggle = (page: DatedPage) => {
    const date = page.days[0]?.date;
    if (!date) return;
    setRules((was) =>
      was.map((rule) =>
        rule.when === "dates"
          ? {
              ...rule,
              dates: rule.dates.includes(date) ? rule.dates.filter((each) => each !== date) : [...rule.dates, date],
            }
          : rule,
      ),
    );
  };
  const leaveOut = (page: DatedPage) => {
    const dates = page.days.map(({ date }) => date);
    setWithout((was) =>
      dates.some((date) => was.includes(date)) ? was.filter((date) => !dates.includes(date)) : [...was, ...dates],
    );
  };
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="book" albumId={data.albumId} here="foundations" />}
      panel={
        <section aria-labelledby="preview" className="grid content-start gap-3">
          <h2 id="preview" className="border-b border-line pb-1 text-lg">
            What changes
          </h2>
          <Form method="post" className="flex items-center justify-between gap-4">
            <input type="hidden" name="pattern" value={JSON.stringify(pattern)} />
            <p className="text-sm">
              {sets === 0 ? "No page would change." : `${many(sets, "page is", "pages are")} set, the others stay.`}
            </p>
            <Button type="submit" look="main" disabled={busy || sets === 0} name="intent" value="set">
              {busy ? "Setting" : `Set ${many(sets, "page")}`}
            </Button>
          </Form>
          <ol className="grid">
            {inRuns(lines, onDates).map((run) => {
              const [line, ...more] = run;
              const key = line.page.days[0]?.id;
              if (more.length > 0) return <Stays key={key} run={run} />;
              const pick = onDates
                ? { on: line.page.days.some(({ date }) => chosenDates.has(date)), toggle: () => toggle(line.page) }
                : line.outcome.kind === "sets" || line.outcome.kind === "left-out"
                  ? { on: line.outcome.kind === "sets", toggle: () => leaveOut(line.page) }
                  : null;
              return <Line key={key} {...{ line, data, book, pick }} />;
            })}
          </ol>
        </section>
      }
    >
      <PageStage>
        <div className="grid content-start gap-6">
          <div>
            <h1 className="text-2xl">Foundation pages</h1>
            <p className="max-w-2xl text-sm text-quiet">
              Made ready before its day, a page leaves only a print and words to do. A pattern says which page each day
              gets; what is made or arranged by hand stays as it is, what a pattern laid and nobody touched is laid
              anew.
            </p>
          </div>
          <Outcome answer={answer} why={REFUSED} kept="Nothing was changed. Try again in a moment." />
          {taken && keeping && <KeepForm template={taken} data={data} busy={busy} />}
          <PatternForm cycle={cycle} rules={rules} templates={all} onCycle={setCycle} onRules={setRules} />
          <section aria-labelledby="templates">
            <h2 id="templates" className="mb-2 border-b border-line pb-1 text-lg">
              Templates for {data.format.name}
            </h2>
            {all.length === 0 && (
              <p className="text-sm">
                None is shipped for a page of this size. Lay out one leaf as you like it, then choose “Keep as a
                template” under it.
              </p>
            )}
            <OwnSaid kind="template" />
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
              {all.map((template) => (
                <li key={template.id} className="template-look grid content-start gap-1 p-0.5">
                  <span className="grid aspect-[4/3.4] place-items-center rounded-sm bg-mat p-2">
                    <TemplateDrawing template={template} data={data} />
                  </span>
                  {own.includes(template.id) ? (
                    <OwnThing kind="template" albumId={data.albumId} id={template.id} name={template.name} />
                  ) : (
                    <span className="text-sm leading-snug">{template.name}</span>
                  )}
                </li>
              ))}
            </ul>
            <div className="mt-3">
              <OwnFromFile kind="template" albumId={data.albumId} />
            </div>
          </section>
        </div>
      </PageStage>
    </Workplace>
  );
}

/** A remembered pattern with the templates that are still there. */
function stillThere({ cycle, rules, without }: Pattern, templates: readonly Template[]): Pattern {
  const known = new Set(templates.map(({ id }) => id));
  return {
    cycle: cycle.filter((id) => known.has(id)),
    rules: rules.filter(({ template }) => known.has(template)),
    without,
  };
}

const REFUSED = { "no-name": "Give the template a name of up to 120 letters." } as const;

function KeepForm({ template, data, busy }: { template: Template; data: BookData; busy: boolean }) {
  return (
    <Form method="post" className="flex flex-wrap items-end gap-4 border border-line bg-panel p-4">
      <span className="grid size-28 place-items-center rounded-sm bg-mat p-2">
        <TemplateDrawing template={template} data={data} />
      </span>
      <div className="min-w-60 flex-1">
        <TextField
          label="Keep this arrangement as"
          name="name"
          defaultValue={template.name}
          maxLength={120}
          hint="Prints and cards become room for other days’."
        />
      </div>
      <Button type="submit" look="main" disabled={busy} name="intent" value="keep">
        Keep the template
      </Button>
    </Form>
  );
}

/** Of one page, and of several. */
const KEPT = {
  "base-made": ["stays: its base is made", "stay: their bases are made"],
  arranged: ["stays: laid out by hand", "stay: laid out by hand"],
  shared: ["stays: the leaf is another day’s too", "stay: their leaves are other days’ too"],
} as const;

type LineProps = {
  line: PatternLine;
  data: BookData;
  book: ReturnType<typeof useBook>["book"];
  pick: { on: boolean; toggle: () => void } | null;
};

const labelOf = ({ page }: PatternLine): string => page.label ?? (page.days[0] ? shortDate(page.days[0].date) : "");

/** What comes of a page that cannot be chosen here. */
function stayingSaid({ outcome }: PatternLine, several = false): string {
  if (outcome.kind === "kept") return KEPT[outcome.why][several ? 1 : 0];
  return outcome.kind === "skipped" ? "skipped" : several ? "no template for them" : "no template for it";
}

type Run = readonly [PatternLine, ...PatternLine[]];

/** Pages in a row of which the same is said, and nothing can be chosen, are one line: what changes is not lost among them. */
function inRuns(lines: readonly PatternLine[], anyMayBeChosen: boolean): Run[] {
  const isStill = ({ outcome }: PatternLine) =>
    !anyMayBeChosen && outcome.kind !== "sets" && outcome.kind !== "left-out";
  return lines.reduce<[PatternLine, ...PatternLine[]][]>((runs, line) => {
    const run = runs.at(-1);
    const before = run?.at(-1);
    if (run && before && isStill(before) && isStill(line) && stayingSaid(before) === stayingSaid(line)) run.push(line);
    else runs.push([line]);
    return runs;
  }, []);
}

function Stays({ run }: { run: Run }) {
  const [first] = run;
  return (
    <li className="flex min-h-8 flex-wrap items-center gap-x-2 border-b border-line pl-[2.1rem] text-quiet">
      <span className="font-numeral font-semibold">
        {labelOf(first)} to {labelOf(run.at(-1) ?? first)}
      </span>
      <span className="ml-auto text-sm">{stayingSaid(first, true)}</span>
    </li>
  );
}

function Line({ line, data, book, pick }: LineProps) {
  const { page, outcome } = line;
  const label = labelOf(line);
  const said =
    outcome.kind === "sets"
      ? outcome.template.name
      : outcome.kind === "left-out" || (pick && !pick.on && outcome.kind !== "kept" && outcome.kind !== "skipped")
        ? "left as it is"
        : stayingSaid(line);
  const tick = pick && (
    <input
      type="checkbox"
      aria-label={`Day ${label}`}
      className="size-6 accent-ember"
      checked={pick.on}
      onChange={pick.toggle}
      disabled={outcome.kind === "kept" || outcome.kind === "skipped"}
    />
  );
  const sets = outcome.kind === "sets";
  const date = page.days[0]?.date;
  return (
    <li
      className={`pattern-row grid grid-cols-[1.6rem_3.2rem_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-line ${sets ? "min-h-14 py-1" : "min-h-8 text-quiet"}`}
    >
      {tick || <span />}
      <span className={`font-numeral font-semibold ${sets ? "text-lg" : ""}`}>{label}</span>
      <span className="min-w-0">
        <span className="block truncate">{page.days[0]?.title || "No title yet"}</span>
        <span className="block truncate text-sm text-quiet">
          {date && `${shortWeekday(date)} ${shortDate(date)}`}
          {sets && <span className="font-medium text-ember">, {said}</span>}
        </span>
      </span>
      {sets ? (
        <span className="h-13">
          <PageDrawing
            page={page}
            template={outcome.template}
            pieces={dressPage(page, outcome.template, book, nextId())}
            data={data}
            far
          />
        </span>
      ) : (
        <span className="text-sm">{said}</span>
      )}
    </li>
  );
}

/** Names for pieces that are only looked at. */
function nextId(): () => string {
  let made = 0;
  return () => `look-${made++}`;
}
