import { Search } from "lucide-react";
import { Form, Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { KeepersOnly } from "#app/parts/role.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { datedAs } from "#app/wording/dates.ts";
import { JottingList } from "./jotting-list.tsx";
import { People } from "./people.tsx";
import type { CardGlance, WordsDay, WordsView } from "./view.ts";

/** Every word of the album by its day: what was jotted, and the cards it became. */
export function Words({ view }: { view: WordsView }) {
  const { albumId, days, query, found } = view;
  return (
    <Workplace
      width="usual"
      tabs={<PlaceTabs place="words" albumId={albumId} here="words" />}
      panel={
        <>
          <Mistakes view={view} />
          <KeepersOnly>
            <People people={view.people} action={to.words(albumId)} />
          </KeepersOnly>
        </>
      }
    >
      <PageStage>
        <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-2xl">Words</h1>
          <Form method="get" role="search" className="flex items-center gap-2">
            <label className="relative">
              <span className="sr-only">Find a word in every album</span>
              <Search className="pointer-events-none absolute top-2.5 left-2.5 size-4 text-quiet" aria-hidden="true" />
              <input
                name="q"
                type="search"
                key={query}
                defaultValue={query}
                placeholder="Find a word in every album"
                className="field w-64 pl-8"
                maxLength={100}
              />
            </label>
            <button type="submit" className={buttonLook("plain")}>
              Find
            </button>
          </Form>
        </div>
        {found ? (
          <FoundList view={view} />
        ) : (
          <ol className="grid gap-6">
            {days.map((day) => (
              <Day key={day.date} day={day} view={view} />
            ))}
          </ol>
        )}
      </PageStage>
    </Workplace>
  );
}

function Day({ day, view }: { day: WordsDay; view: WordsView }) {
  return (
    <li className="words-day grid gap-x-4 gap-y-3 border-t border-line pt-4 sm:grid-cols-[4.75rem_minmax(0,1fr)]">
      <Link
        to={to.day(view.albumId, day.date)}
        className="font-numeral text-3xl leading-none font-semibold hover:text-ember"
        aria-label={`Day ${day.name}`}
      >
        {day.label || "–"}
        <span className="block pt-1 font-sans text-xs font-normal text-quiet">{datedAs([day.date])}</span>
      </Link>
      <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-3">
        <div className="grid min-w-56 flex-1 gap-3">
          <div>
            <h2 className="text-lg leading-tight">{day.name.replace(/^[^,]*,? ?/, "") || "Untitled"}</h2>
            {day.prompt && <p className="text-sm text-quiet">{day.prompt}</p>}
            {day.technique && <p className="text-sm text-quiet">To try: {day.technique}</p>}
          </div>
          <JottingList jottings={day.jottings} dates={view.dates} day={day.date} />
          {day.inside.map(({ key, says, inside, href }) => (
            <Link key={key} to={href} className="group border-l-2 border-edge pl-3">
              <span className="whitespace-pre-line group-hover:text-ember">{says}</span>
              <span className="block text-xs text-quiet">
                Hidden in the {inside.toLowerCase()}, until it is opened.
              </span>
            </Link>
          ))}
        </div>
        <ul className="flex flex-wrap items-start gap-3">
          {day.cards.map((card, at) => (
            <CardLink key={card.id} card={card} albumId={view.albumId} name={`Card ${at + 1} of ${day.name}`} />
          ))}
        </ul>
      </div>
    </li>
  );
}

function CardLink({ card, albumId, name }: { card: CardGlance; albumId: string; name: string }) {
  return (
    <li className="w-32">
      <Link to={to.card(albumId, card.id)} className="group grid gap-1" aria-label={`${name}: ${card.fits}`}>
        <span className="grid place-items-center rounded-sm bg-mat p-2.5 group-hover:outline-2 group-hover:outline-ember">
          <Drawn
            as="svg"
            viewBox={viewBoxOf(card.box)}
            className="h-28 w-full"
            aria-hidden="true"
            markup={card.drawing}
          />
        </span>
        <span className={`text-sm leading-tight font-medium ${card.isOver ? "text-ember" : ""}`}>{card.fits}</span>
        <span className="text-xs text-quiet">
          {card.sizeSaid}. {card.standing}
          {card.hidden && ` Hidden: ${card.hidden}.`}
          {card.isPrivate && " Private."}
        </span>
      </Link>
    </li>
  );
}

function FoundList({ view }: { view: WordsView }) {
  const { found, query, more, albumId } = view;
  return (
    <section aria-label="Found" className="grid gap-3">
      <p role="status">
        {found?.length === 0
          ? `“${query}” is in no album.`
          : `“${query}” is in ${(found?.length ?? 0) + more === 1 ? "one place" : `${(found?.length ?? 0) + more} places`}.`}{" "}
        <Link className="link" to={to.words(albumId)}>
          Back to all words
        </Link>
      </p>
      <ul className="grid">
        {found?.map(({ key, href, where, snippet }) => (
          <li key={key} className="border-t border-line py-2.5">
            <Link to={href} className="grid gap-0.5 hover:text-ember">
              <span className="text-sm text-quiet">{where}</span>
              <span>
                {snippet.before}
                <mark className="bg-transparent font-semibold text-ember underline">{snippet.found}</mark>
                {snippet.after}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="text-sm text-quiet">And {more} more. Another word beside it narrows the search.</p>}
    </section>
  );
}

function Mistakes({ view }: { view: WordsView }) {
  const { albumId, dates } = view;
  const { state, put } = useOutbox();
  const left = pendingSent(state, "edit").flatMap(({ dayId, edit }) =>
    edit.kind === "leave-alone" && edit.on ? [`${dayId} ${edit.slip}`] : [],
  );
  const mistakes = view.mistakes.filter(({ dayId, slip }) => !left.includes(`${dayId} ${slip}`));
  return (
    <section aria-label="Mistakes to look at" className="grid gap-2">
      <h2 className="text-lg">Before it is on paper</h2>
      {mistakes.length === 0 && (
        <p className="text-sm text-quiet">
          No phrase twice on a spread, no date that is not its day’s, no letter that a typeface lacks.
        </p>
      )}
      <ul className="grid gap-2">
        {mistakes.map(({ key, date, card, said, dayId, slip }) => (
          <li key={key} className="border-l-4 border-ember pl-3 text-sm">
            <Link className="font-medium hover:text-ember" to={card ? to.card(albumId, card) : to.day(albumId, date)}>
              {dates.find((each) => each.date === date)?.said ?? date}
            </Link>
            <p>{said}</p>
            <Button
              small
              look="quiet"
              className="-ml-2.5"
              aria-label={`Leave it so: ${said}`}
              onClick={() =>
                put(`${dayId}:leave-alone:${slip}`, {
                  what: "edit",
                  dayId,
                  base: null,
                  edit: { kind: "leave-alone", slip, on: true },
                })
              }
            >
              Leave it so
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
