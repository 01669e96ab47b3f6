import { useMemo, useState } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Tick } from "#app/parts/tick.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { datedAs } from "#app/wording/dates.ts";
import { dealable } from "#core/album/jar.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { printShort } from "#core/month/dates.ts";
import { type Deal, swap } from "#core/words/deal.ts";
import { type DealDay, WISHES, type Wish } from "#core/words/deal-ask.ts";
import type { Blame } from "#core/words/deal-check.ts";
import type { Jar } from "#core/words/slip.ts";
import type { PromptsAct, PromptsAnswer } from "./acts.ts";
import { DeckPanel } from "./deck-panel.tsx";
import { DealOutcome } from "./outcome.tsx";
import { useDeal } from "./use-deal.ts";
import { type PromptDay, type PromptsView, slipFinder } from "./view.ts";

const JAR_NAME: Record<Jar, string> = { prompt: "Prompts", technique: "Techniques" };
/** What giving a wish up means, as the first words of a sentence. */
const GIVEN_UP: Record<Wish, string> = {
  "none-twice": "slips may come twice",
  "kinds-apart": "one kind may come two days running",
  "dates-kept": "dated slips may lie on any day",
  "weekdays-kept": "weekday slips may lie on any day",
};
const WISH_NAME: Record<Wish, string> = {
  "none-twice": "None twice",
  "kinds-apart": "Not one kind two days running",
  "dates-kept": "Dated slips on their dates",
  "weekdays-kept": "Weekday slips on their weekdays",
};

/** A month of slips dealt from the decks: looked at, shuffled, held and swapped before any of it is put on a day. */
export function Prompts({ view }: { view: PromptsView }) {
  const { jar, decks, days, albumId } = view;
  const put = usePut();
  const fetcher = useFetcher<PromptsAnswer>();
  const action = to.prompts(albumId, { jar: jar });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(decks.slice(0, 1).map(({ id }) => id)));
  const [seed, setSeed] = useState(1);
  const [wishes, setWishes] = useState<ReadonlySet<Wish>>(() => new Set(WISHES));
  const [anew, setAnew] = useState(false);
  const [held, setHeld] = useState<ReadonlyMap<CalendarDate, string>>(new Map());
  const slipOf = useMemo(() => slipFinder(decks), [decks]);
  const slips = useMemo(() => dealable(decks.filter(({ id }) => chosen.has(id))), [decks, chosen]);
  const asked = useMemo(
    () => days.map((day) => askedDay(day, anew, held.get(day.date), (id) => slipOf(id)?.kind || id)),
    [days, anew, held, slipOf],
  );
  const ask = useMemo(() => ({ days: asked, slips, seed, wishes }), [asked, slips, seed, wishes]);
  const found = useDeal(ask);
  const dealt = new Map(found?.ok ? found.dealt.map(({ date, slip }) => [date, slip.id] as const) : []);
  for (const [date, slip] of held) dealt.set(date, slip);
  const toGo = days.filter(({ date, slip }) => dealt.has(date) && dealt.get(date) !== slip);
  const send = (act: PromptsAct) =>
    void fetcher.submit(act as never, { method: "post", action, encType: "application/json" });
  const busy = fetcher.state !== "idle";
  const handOut = () => {
    send({
      act: "hand-out",
      jar,
      handed: toGo.map(({ date, dayId, text }) => ({ dayId, slip: dealt.get(date) ?? "", saw: text })),
    });
    setHeld(new Map());
  };
  const swapOne = (day: PromptDay) => {
    const lying = asked.map((each): DealDay => {
      const slip = dealt.get(each.date);
      return slip === undefined ? each : { date: each.date, state: "kept", slip, kind: slipOf(slip)?.kind || slip };
    });
    const now = dealt.get(day.date) ?? day.slip;
    const other = swap(
      { days: lying, slips, seed: seed + held.size + days.indexOf(day), wishes },
      day.date,
      new Set(now ? [now] : []),
    );
    if (other) setHeld(new Map([...held, [day.date, other.id]]));
  };
  return (
    <Workplace
      tabs={<PlaceTabs place="words" albumId={albumId} here="prompts" />}
      lead={
        <section aria-label="The deal" className="grid gap-3">
          <DealSaid found={found} toGo={toGo.length} slips={slips.length} wishes={wishes} onWishes={setWishes} />
          <div className="flex flex-wrap gap-2">
            <Button look="main" disabled={busy || toGo.length === 0} onClick={handOut}>
              {toGo.length === 0
                ? "Put them on their days"
                : toGo.length === 1
                  ? "Put it on its day"
                  : `Put these ${toGo.length} on their days`}
            </Button>
            <Button onClick={() => setSeed(seed + 1)} disabled={!found?.ok}>
              Shuffle
            </Button>
            {seed > 1 && (
              <Button look="quiet" onClick={() => setSeed(seed - 1)}>
                The deal before
              </Button>
            )}
          </div>
          <p className="text-sm text-quiet">Deal {seed}. The same number deals the same month.</p>
          <fieldset className="not-printed grid">
            <legend className="mb-1 font-medium">A fair deal</legend>
            {WISHES.map((wish) => (
              <Tick
                key={wish}
                on={wishes.has(wish)}
                onTurn={() =>
                  setWishes(new Set(wishes.has(wish) ? [...wishes].filter((each) => each !== wish) : [...wishes, wish]))
                }
              >
                {WISH_NAME[wish]}
              </Tick>
            ))}
            <Tick on={anew} onTurn={() => setAnew(!anew)}>
              Deal the days ahead anew; what you typed stays
            </Tick>
          </fieldset>
        </section>
      }
      panel={<DeckPanel {...{ view, chosen, setChosen, action }} />}
    >
      <PageStage>
        <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-2xl">{JAR_NAME[jar]}</h1>
          <nav aria-label="Which jar" className="flex gap-4 text-sm">
            {(Object.keys(JAR_NAME) as Jar[]).map((each) => (
              <Link
                key={each}
                to={to.prompts(albumId, { jar: each })}
                aria-current={each === jar ? "page" : undefined}
                className={`flex min-h-9 items-center border-b-2 ${each === jar ? "border-ember font-semibold" : "border-transparent text-quiet hover:text-ember"}`}
              >
                The jar of {JAR_NAME[each].toLowerCase()}
              </Link>
            ))}
          </nav>
        </div>
        <DealOutcome answer={fetcher.data ?? null} />
        <ol className="grid">
          {days.map((day) => (
            <DayRow
              key={day.date}
              day={day}
              albumId={albumId}
              dealtText={dealt.has(day.date) ? (slipOf(dealt.get(day.date) ?? "")?.text ?? null) : null}
              isHeld={held.has(day.date)}
              onSwap={() => swapOne(day)}
              onHold={(on) => {
                const next = new Map(held);
                const slip = dealt.get(day.date);
                if (on && slip) next.set(day.date, slip);
                else next.delete(day.date);
                setHeld(next);
              }}
              onLetGo={() =>
                put(`${day.dayId}:${jar}`, {
                  what: "edit",
                  dayId: day.dayId,
                  base: day.version,
                  edit: jar === "prompt" ? { kind: "let-go" } : { kind: "technique", text: "", slip: null },
                })
              }
            />
          ))}
        </ol>
      </PageStage>
    </Workplace>
  );
}

/** A day as it is asked for: held by the keeper, dealt anew where that is wished and it has not passed, or as it stands. */
function askedDay(day: PromptDay, anew: boolean, held: string | undefined, kindOf: (id: string) => string): DealDay {
  const { date, now, slip, isPast } = day;
  if (held !== undefined) return { date, state: "kept", slip: held, kind: kindOf(held) };
  return anew && now.state === "kept" && slip !== null && !isPast ? { date, state: "open" } : now;
}

function DealSaid({
  found,
  toGo,
  slips,
  wishes,
  onWishes,
}: {
  /** Null while it is looked for. */
  found: Deal | null;
  toGo: number;
  slips: number;
  wishes: ReadonlySet<Wish>;
  onWishes: (wishes: ReadonlySet<Wish>) => void;
}) {
  if (!found)
    return (
      <p role="status" className="font-numeral text-xl font-semibold">
        Looking for a deal
      </p>
    );
  if (found.ok)
    return (
      <p role="status" className="font-numeral text-xl font-semibold">
        {toGo === 0 ? "Every day has its slip" : `${many(toGo, "day")} dealt from ${slips} slips`}
      </p>
    );
  return (
    <div role="alert" className="grid gap-2 border-l-4 border-ember pl-3">
      <p className="font-medium">
        {slips === 0
          ? "Choose a deck to deal from."
          : found.certain
            ? "No fair deal exists."
            : "No fair deal was found in the time there is."}{" "}
        {slips > 0 &&
          found.short > 0 &&
          `${many(found.short, "slip is", "slips are")} missing: add a deck, or let some come twice.`}
      </p>
      {slips > 0 && found.blame && (found.short === 0 || found.blame.kind === "neighbours") && (
        <p className="text-sm">{blameSaid(found.blame)}</p>
      )}
      {found.drop.length > 0 && <p className="text-sm">It can be dealt if</p>}
      {found.drop.map((dropped) => (
        <div key={dropped.join()}>
          <Button small onClick={() => onWishes(new Set([...wishes].filter((wish) => !dropped.includes(wish))))}>
            {dropped.map((wish) => GIVEN_UP[wish]).join(", and ")}
          </Button>
        </div>
      ))}
      {slips > 0 && found.drop.length === 0 && (
        <p className="text-sm">
          {found.dropCertain
            ? "Another deck is needed: no wish given up would do."
            : "Another deck may be needed: none was found with wishes given up either."}
        </p>
      )}
    </div>
  );
}

/** What is to blame, in words: the slips that stand in each other's way, or the days with too few. */
function blameSaid(blame: Blame): string {
  if (blame.kind === "too-few") {
    const days = blame.dates.map(printShort);
    const said = days.length > 4 ? `${days.slice(0, 3).join(", ")} and ${days.length - 3} more days` : days.join(", ");
    return blame.slips === 0
      ? `No slip may lie on ${said}.`
      : `For ${said} there ${blame.slips === 1 ? "is one slip" : `are ${blame.slips} slips`} that may lie there.`;
  }
  const ends = [blame.days[0], blame.days.at(-1)].flatMap((each) => each ?? []);
  const named = ends.map(({ date, slip }) =>
    slip ? `“${slip.text}” on ${printShort(date)}` : `what lies on ${printShort(date)}`,
  );
  return `${named.join(" and ")} ${blame.days.length > 2 ? "leave the days between them no kind of their own" : "are of one kind, and neighbours"}.`;
}

type RowProps = {
  readonly day: PromptDay;
  readonly albumId: string;
  readonly dealtText: string | null;
  readonly isHeld: boolean;
  readonly onSwap: () => void;
  readonly onHold: (on: boolean) => void;
  readonly onLetGo: () => void;
};

function DayRow({ day, albumId, dealtText, isHeld, onSwap, onHold, onLetGo }: RowProps) {
  const { label, title, text, now, date } = day;
  const isNew = dealtText !== null && dealtText !== text;
  return (
    <li className="grid min-h-14 grid-cols-[4.5rem_minmax(0,1fr)] items-center gap-x-3 border-t border-line py-2 sm:grid-cols-[4.5rem_minmax(0,1fr)_auto]">
      <Link to={to.day(albumId, date)} className="grid hover:text-ember">
        <span className="font-numeral text-2xl leading-none font-semibold">{label || "–"}</span>
        <span className="text-xs text-quiet">{datedAs([date])}</span>
      </Link>
      <div className="min-w-0">
        {now.state === "away" ? (
          <p className="text-quiet">{day.isSkipped ? "Skipped" : "Does without"}</p>
        ) : (
          <p className={isNew ? "border-l-4 border-ember pl-2" : ""}>
            {isNew ? dealtText : text || <span className="text-quiet">Open</span>}
          </p>
        )}
        {title && <p className="truncate text-sm text-quiet">{title}</p>}
      </div>
      <div className="col-start-2 flex flex-wrap gap-x-2 sm:col-start-3 sm:justify-end">
        {isNew && (
          <Button small look="quiet" aria-pressed={isHeld} onClick={() => onHold(!isHeld)}>
            {isHeld ? "Held" : "Hold"}
            <span className="sr-only"> day {label}</span>
          </Button>
        )}
        {now.state !== "away" && (
          <Button small look="quiet" onClick={onSwap}>
            Swap<span className="sr-only"> day {label}</span>
          </Button>
        )}
        {text !== "" && !isNew && now.state === "kept" && (
          <Button
            small
            look="quiet"
            onClick={onLetGo}
            title="Something better happened: the slip goes back into the jar"
          >
            Let go<span className="sr-only"> of day {label}’s slip</span>
          </Button>
        )}
      </div>
    </li>
  );
}
