import { type FormEvent, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { pendingSent } from "#app/sending/pending.ts";
import { useIsWaiting, useOutbox, usePut } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { datedAs, dayAfter } from "#app/wording/dates.ts";
import { HELP_SAID, type Help, minutesLong, whySaid } from "#app/wording/pace.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { EveningLine, EveningView } from "./evening-view.ts";

const HELP_AT: Readonly<Record<Help, (album: string) => string>> = {
  measure: (album) => to.part(album, "measure"),
  prompts: (album) => to.prompts(album),
  pages: (album) => to.foundations(album),
  pictures: (album) => to.part(album, "photos"),
};
const USUAL = [20, 45, 90];
const keyOf = ({ dayId, step }: EveningLine) => `${dayId}:step:${step}`;

type Props = { readonly albumId: string; readonly evening: EveningView };

/** What is worth doing in the minutes there are, each line to be ticked where it stands. */
export function Tonight({ albumId, evening }: Props) {
  // What is ticked stays where it is, so that nothing moves under the hand; the plan is made anew when it is asked for.
  const [plan, setPlan] = useState(evening);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const isOther = plan.minutes !== evening.minutes;
  if (isOther || (ticked.size === 0 && plan !== evening)) {
    setPlan(evening);
    if (isOther) setTicked(new Set());
  }
  const waiting = useIsWaiting();
  const [seen, setSeen] = useState(evening);
  if (seen !== evening) {
    setSeen(evening);
    // What was ticked and is open again was taken back meanwhile.
    const open = new Set(evening.lines.map(keyOf));
    if (!waiting && [...ticked].some((key) => open.has(key)))
      setTicked(new Set([...ticked].filter((key) => !open.has(key))));
  }
  const put = usePut();
  const tick = (line: EveningLine, done: boolean) => {
    const next = new Set(ticked);
    if (done) next.add(keyOf(line));
    else next.delete(keyOf(line));
    setTicked(next);
    put(keyOf(line), {
      what: "edit",
      dayId: line.dayId,
      base: null,
      edit: { kind: "step", step: line.step, done },
    });
  };
  const anew = () => {
    setPlan(evening);
    setTicked(new Set());
  };
  const { lines } = plan;
  return (
    <section aria-labelledby="tonight" className="rounded-md border border-line bg-panel p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="tonight" className="text-xl">
          Tonight
        </h2>
        <MinutesThere evening={evening} />
      </div>
      <p className="pt-1 text-sm text-quiet">{comesOfIt(plan)}</p>
      {lines.length > 0 && (
        <ul className="grid pt-2" aria-label="What to do tonight">
          {lines.map((line) => (
            <Line key={keyOf(line)} {...{ line, albumId }} done={ticked.has(keyOf(line))} onTick={tick} />
          ))}
        </ul>
      )}
      <KeptForTonight ends={plan.ends} />
      {lines
        .filter((line) => line.step === "base" && ticked.has(keyOf(line)))
        .map(({ dayId, label }) => (
          <DriesOvernight key={dayId} {...{ dayId, label }} today={plan.today} />
        ))}
      {plan.setUp.length > 0 && (
        <p className="pt-2 text-sm text-quiet">
          With setting up, once for each kind of work: about {minutesLong(plan.takes)} of {minutesLong(plan.minutes)}.
        </p>
      )}
      {plan.helps.length > 0 && (
        <p className="flex flex-wrap gap-x-4 gap-y-1 pt-2 text-sm">
          <span>{lines.length === 0 ? "What helps later:" : "There is time left. What helps later:"}</span>
          {plan.helps.map((help) => (
            <Link key={help} to={HELP_AT[help](albumId)} className="link">
              {HELP_SAID[help]}
            </Link>
          ))}
        </p>
      )}
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-sm text-quiet">
        {ticked.size > 0 && (
          <button type="button" className="link min-h-6" onClick={anew}>
            Plan the rest anew
          </button>
        )}
        <Link to={to.part(albumId, "hours")} className="link">
          {plan.there === null ? "Say when you have time" : "Your hours"}
        </Link>
        <span>{plan.isOwn ? "Minutes as you were timed, or said." : "Minutes are typical, not yours yet."}</span>
      </p>
    </section>
  );
}

/** Loose ends that were kept for tonight, each with the way to its cause: it is off the list once that is mended. */
function KeptForTonight({ ends }: { ends: EveningView["ends"] }) {
  const { state, put } = useOutbox();
  const taken = new Set(
    pendingSent(state, "end").flatMap(({ kind, entry, as }) => (as === "tonight" ? [] : [`${kind} ${entry}`])),
  );
  const open = ends.filter(({ kind, entry }) => !taken.has(`${kind} ${entry}`));
  if (open.length === 0) return null;
  return (
    <ul className="grid border-t border-line pt-1" aria-label="Loose ends for tonight">
      {open.map(({ key, kind, entry, of, name, said, href, minutes }) => (
        <li key={key} className="flex items-center gap-x-2 border-b border-line last:border-b-0">
          <span className="w-14 shrink-0 text-sm text-quiet">{minutes} min</span>
          <Link to={href} className="min-h-9 grow content-center py-1 leading-snug hover:text-ember">
            {name && <strong className="font-semibold">{name}: </strong>}
            {said}
          </Link>
          <Button
            small
            look="quiet"
            keepers
            className="shrink-0"
            aria-label={`Not tonight: ${name ? `${name}: ` : ""}${said}`}
            onClick={() => put(`end:${kind}:${entry ?? ""}`, { what: "end", kind, entry, of: [...of], as: null })}
          >
            Not tonight
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** A base that was just made may be wet: nothing goes on it before tomorrow. */
function DriesOvernight({ dayId, label, today }: { dayId: string; label: string; today: CalendarDate }) {
  const put = usePut();
  const [until, setUntil] = useState<CalendarDate | null>(null);
  const dry = (day: CalendarDate | null) => {
    setUntil(day);
    put(`${dayId}:dries`, { what: "edit", dayId, base: null, edit: { kind: "dries", until: day } });
  };
  return (
    <p className="flex flex-wrap items-center gap-x-4 pt-2 text-sm">
      <span>
        {until ? `${label} dries: nothing goes on it before ${datedAs([until])}.` : `Is the base of ${label} wet?`}
      </span>
      <button type="button" className="link min-h-6" onClick={() => dry(until ? null : dayAfter(today))}>
        {until ? "It is dry" : "Let it dry overnight"}
      </button>
    </p>
  );
}

function comesOfIt({ finished, moved, lines, ends }: EveningView): string {
  if (lines.length === 0 && ends.length > 0) return "Loose ends, and the evening is full.";
  if (lines.length === 0) return "Nothing that fits is waiting.";
  const begun = moved - finished;
  if (finished > 0)
    return `${many(finished, "page")} done and in the book${begun > 0 ? `, ${begun} more a stage on` : ""}.`;
  if (moved > 0) return `${many(moved, "page")} a stage on.`;
  return lines.every(({ why }) => why.kind === "ahead")
    ? "Nothing waits; this is ahead of its days."
    : "A step or two on.";
}

function Line({
  line,
  albumId,
  done,
  onTick,
}: {
  line: EveningLine;
  albumId: string;
  done: boolean;
  onTick: (line: EveningLine, done: boolean) => void;
}) {
  const { label, said, minutes, why, date } = line;
  return (
    <li className="grid grid-cols-[auto_3.4rem_minmax(0,1fr)] items-center gap-x-2 border-b border-line last:border-b-0">
      <input
        type="checkbox"
        checked={done}
        onChange={(event) => onTick(line, event.target.checked)}
        aria-label={`${said}, ${label}: done`}
        className="size-6 accent-ember"
      />
      <span className="text-sm text-quiet">{minutes} min</span>
      <Link
        to={`${to.day(albumId, date)}#finish`}
        className="min-h-9 content-center py-1 leading-snug hover:text-ember"
      >
        <span className={done ? "line-through" : ""}>
          <strong className="font-numeral font-semibold">{label}</strong> {said}
        </span>
        <span className="text-sm text-quiet">, {whySaid(why)}</span>
      </Link>
    </li>
  );
}

/** How many minutes there are: those of tonight's hours, some that are usual, or any other. */
function MinutesThere({ evening: { minutes, there } }: { evening: EveningView }) {
  const [query, setQuery] = useSearchParams();
  const withMinutes = (wanted: number) => {
    const next = new URLSearchParams(query);
    next.set("minutes", String(wanted));
    return next;
  };
  const choices = [...new Set([...(there ? [there] : []), ...USUAL])].sort((a, b) => a - b);
  const onSubmit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const wanted = Number(new FormData(event.currentTarget).get("minutes"));
    if (Number.isInteger(wanted) && wanted > 0)
      setQuery(withMinutes(wanted), { replace: true, preventScrollReset: true });
  };
  return (
    <div className="flex flex-wrap items-center gap-x-4 text-sm">
      <nav aria-label="Minutes there are" className="flex gap-4">
        {choices.map((each) => (
          <Link
            key={each}
            to={`?${withMinutes(each)}`}
            replace
            preventScrollReset
            aria-current={minutes === each ? "true" : undefined}
            className={`py-1 ${minutes === each ? "border-b-2 border-ember font-semibold" : "text-quiet hover:text-ember"}`}
          >
            {minutesLong(each)}
          </Link>
        ))}
      </nav>
      <form method="get" onSubmit={onSubmit} className="flex items-center gap-1.5">
        <input
          key={minutes}
          name="minutes"
          type="number"
          min={1}
          max={960}
          aria-label="Other minutes"
          defaultValue={choices.includes(minutes) ? "" : minutes}
          placeholder="other"
          className="field w-20 px-2 py-1 text-sm"
        />
      </form>
    </div>
  );
}
