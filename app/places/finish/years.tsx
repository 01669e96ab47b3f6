import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { Labelled } from "#app/parts/field.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { shortDate } from "#app/wording/dates.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import { type CountedAgain, type NotedBefore, type Tradition, takenOver } from "#core/finish/next-year.ts";
import type { Asked, BuiltAgain, InYear } from "#core/finish/years.ts";

export type YearsView = {
  readonly albumId: string;
  /** How many other albums the household has. */
  readonly others: number;
  /** What the album says of the next one. */
  readonly nextYear: string;
  readonly noted: readonly NotedBefore[];
  readonly traditions: readonly Tradition[];
  readonly counted: readonly CountedAgain[];
  readonly asked: readonly Asked[];
  readonly built: readonly BuiltAgain[];
};

/** What stays from year to year: notes from the last, traditions, what is counted and asked again, and the next album. */
export function Years(view: YearsView) {
  const { albumId, others, noted, traditions, counted, asked, built } = view;
  return (
    <Workplace tabs={<PlaceTabs place="finish" albumId={albumId} here="years" />} panel={<NextAlbum view={view} />}>
      <PageStage>
        <h1 className="text-3xl">Year to year</h1>
        <Refusal />
        <div className="grid gap-8 pt-4">
          <Noted noted={noted} albumId={albumId} />
          <Traditions traditions={traditions} albumId={albumId} />
          {others === 0 ? (
            <p className="max-w-prose text-lg">
              This is the only album on the shelf. With a second one, the questions that both ask stand here with both
              answers, and each day shows what the earlier album had on it.
            </p>
          ) : (
            <>
              <Counted counted={counted} albumId={albumId} />
              <AskedAgain asked={asked} />
              <Built built={built} />
            </>
          )}
        </div>
      </PageStage>
    </Workplace>
  );
}

/** How the next album begins: what is noted for it, and from what it is begun. */
function NextAlbum({ view: { albumId, others, nextYear } }: { view: YearsView }) {
  const fetcher = useFetcher<NextAlbumAnswer>();
  const answer = fetcher.data;
  // What is typed, over what was seen when it was begun; once theirs was shown, over theirs.
  const [draft, setDraft] = useState<{ readonly text: string; readonly was: string } | null>(null);
  const text = draft?.text ?? nextYear;
  const isClash = answer?.ok === false && answer.reason === "changed-elsewhere";
  const was = isClash ? answer.now : (draft?.was ?? nextYear);
  if (draft && fetcher.state === "idle" && draft.text === nextYear) setDraft(null);
  return (
    <section aria-labelledby="next" className="grid content-start gap-3">
      <h2 id="next" className="border-b border-line pb-2 text-xl">
        The next one
      </h2>
      <fetcher.Form method="post" action={to.years(albumId)} className="grid gap-2">
        <input type="hidden" name="was" value={was} />
        <Labelled label="What to do otherwise" hint="The next album shows it here, and each day what was noted on it.">
          {(props) => (
            <textarea
              {...props}
              name="text"
              rows={4}
              maxLength={100_000}
              className="field"
              placeholder="Order paper in September. One page a day is enough."
              value={text}
              onChange={(event) => setDraft({ text: event.target.value, was: draft?.was ?? nextYear })}
            />
          )}
        </Labelled>
        <div className="flex items-center gap-3">
          <Button type="submit" disabled={fetcher.state !== "idle" || text === nextYear}>
            Keep the note
          </Button>
          <p role="status" className="text-sm">
            {answer?.ok && text === nextYear && "Kept for the next album."}
          </p>
        </div>
        {answer && !answer.ok && (
          <div role="alert" className="grid gap-1 border-l-4 border-ember pl-3 text-sm">
            {answer.reason === "changed-elsewhere" ? (
              <>
                <p>
                  Not kept: somebody has changed the note meanwhile. Put both together, and keep it again. It says now:
                </p>
                <p className="whitespace-pre-line">{answer.now || "nothing."}</p>
              </>
            ) : (
              <p>Not kept. What you wrote is still here: try again in a moment.</p>
            )}
          </div>
        )}
      </fetcher.Form>
      <p className="border-t border-line pt-3 text-sm text-quiet">
        A new album takes over this one’s book, its numbers, its prompts on the same days, the titles of days that stand
        every year, what is counted and its pattern of pages. Photos and words stay here.
      </p>
      <div>
        <Link to={to.newAlbum({ from: albumId })} className={buttonLook("main")}>
          Begin the next from this
        </Link>
      </div>
      {others > 0 && (
        <p className="pt-2 text-sm text-quiet">
          To see two books side by side,{" "}
          <Link to={to.leafThrough(albumId)} className="link">
            leaf through
          </Link>{" "}
          with another beside this one.
        </p>
      )}
    </section>
  );
}

export type NextAlbumAnswer =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "changed-elsewhere"; readonly now: string }
  | { readonly ok: false; readonly reason: "not-found" };

const dayLink = ({ albumId, album, date }: InYear) => (
  <Link to={to.day(albumId, date)} className="link">
    {album}, {shortDate(date)} {date.slice(0, 4)}
  </Link>
);

/** What the album before noted for this one. */
function Noted({ noted, albumId }: { noted: readonly NotedBefore[]; albumId: string }) {
  const [first] = noted;
  if (!first) return null;
  return (
    <section aria-labelledby="noted">
      <h2 id="noted" className="border-b border-line pb-1 text-xl">
        Noted for this year
      </h2>
      <p className="pt-1 text-sm text-quiet">In {first.album}, the album before.</p>
      <ul className="divide-y divide-line">
        {noted.map(({ on, text, album, albumId: there }) => (
          <li
            key={on.what === "album" ? "album" : on.what === "page" ? on.entry : on.date}
            className="grid gap-1 py-3 wide:grid-cols-[9rem_1fr]"
          >
            <p className="font-medium">
              {on.what === "day" ? (
                <Link to={to.day(albumId, on.here)} className="link">
                  {shortDate(on.here)}
                </Link>
              ) : on.what === "page" ? (
                <Link to={to.entry(there, { entry: on.entry })} className="link" title={album}>
                  {MATTER_NAME[on.matter]}
                </Link>
              ) : (
                "The whole album"
              )}
            </p>
            <p className="max-w-prose whitespace-pre-line">{text}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The days that stand every year, and those of other albums that this one could have too. */
function Traditions({ traditions, albumId }: { traditions: readonly Tradition[]; albumId: string }) {
  const { state, put } = useOutbox();
  const said = new Set(
    pendingSent(state, "edit").flatMap(({ dayId, edit }) => (edit.kind === "every-year" && edit.on ? [dayId] : [])),
  );
  if (traditions.length === 0) return null;
  const takeOver = ({ here, title, prompt }: Tradition) => {
    if (!here) return;
    for (const edit of takenOver(here, { title, prompt }))
      put(`${here.id}:${edit.kind}`, { what: "edit", dayId: here.id, base: null, edit });
  };
  return (
    <section aria-labelledby="traditions">
      <h2 id="traditions" className="border-b border-line pb-1 text-xl">
        Every year
      </h2>
      <ul className="divide-y divide-line">
        {traditions.map((tradition) => {
          const { here, title, prompt, years } = tradition;
          const called = [shortDate(here?.date ?? years[0]?.date ?? ""), title].filter(Boolean).join(", ");
          const stands = tradition.stands || (here !== null && said.has(here.id));
          return (
            <li key={here?.date ?? years[0]?.date} className="grid gap-2 py-4">
              <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
                <h3 className="font-medium">
                  {here ? (
                    <Link to={to.day(albumId, here.date)} className="inline-block min-h-6 hover:text-ember">
                      {called}
                    </Link>
                  ) : (
                    called
                  )}
                </h3>
                {!here && <p className="text-sm text-quiet">This album has no such day.</p>}
                {here && !stands && (
                  <Button small onClick={() => takeOver(tradition)}>
                    In this album too
                  </Button>
                )}
              </div>
              {prompt && <p className="text-quiet">{prompt}</p>}
              <ul className="grid gap-3 wide:grid-cols-2">
                {years.map((each) => (
                  <Answer key={each.albumId} answer={each} />
                ))}
              </ul>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What one album has on a day: where, its title, its words. */
function Answer({ answer }: { answer: Tradition["years"][number] }) {
  const { title, words } = answer;
  return (
    <li className="border-l-2 border-line pl-3">
      <p className="text-sm">{dayLink(answer)}</p>
      {title && <p className="text-quiet">{title}</p>}
      {words.map((each, nth) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two cards may say the same
        <p key={nth} className="line-clamp-6 whitespace-pre-line">
          {each}
        </p>
      ))}
      {words.length === 0 && <p className="text-quiet">Nothing written.</p>}
    </li>
  );
}

/** What is counted in several albums, each beside the others. */
function Counted({ counted, albumId }: { counted: readonly CountedAgain[]; albumId: string }) {
  if (counted.length === 0) return null;
  return (
    <section aria-labelledby="counted">
      <h2 id="counted" className="border-b border-line pb-1 text-xl">
        Counted again
      </h2>
      <ul className="divide-y divide-line">
        {counted.map(({ name, years }) => (
          <li key={name} className="grid gap-1 py-3 wide:grid-cols-[12rem_1fr]">
            <p className="font-medium">
              <Link to={to.tallies(albumId)} className="inline-block min-h-6 hover:text-ember">
                {name}
              </Link>
            </p>
            <ul className="flex flex-wrap gap-x-8 gap-y-1">
              {years.map((year) => (
                <li key={year.albumId} className="flex items-baseline gap-2">
                  <span className="font-numeral text-2xl font-semibold tabular-nums">{year.total}</span>
                  <span className="text-sm text-quiet">
                    {year.album}
                    {year.albumId !== albumId && year.byNow !== null && `, ${year.byNow} of them by this day`}
                  </span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

function AskedAgain({ asked }: { asked: readonly Asked[] }) {
  return (
    <section aria-labelledby="asked">
      <h2 id="asked" className="border-b border-line pb-1 text-xl">
        Asked again
      </h2>
      {asked.length === 0 && <p className="pt-2 text-quiet">No prompt is in two albums yet.</p>}
      <ul className="divide-y divide-line">
        {asked.map(({ question, answers }) => (
          <li key={question} className="grid gap-2 py-4">
            <h3 className="font-medium">{question}</h3>
            <ul className="grid gap-3 wide:grid-cols-2">
              {answers.map((each) => (
                <Answer key={each.albumId} answer={each} />
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Built({ built }: { built: readonly BuiltAgain[] }) {
  if (built.length === 0) return null;
  return (
    <section aria-labelledby="built">
      <h2 id="built" className="border-b border-line pb-1 text-xl">
        Built as before
      </h2>
      <p className="pt-2 text-quiet">The same leaf with as many of the same things on it, on the same day.</p>
      <ul className="divide-y divide-line">
        {built.map(({ date, title, before }) => (
          <li key={date} className="grid gap-1 py-3 wide:grid-cols-[12rem_1fr]">
            <p className="font-medium">
              {shortDate(date)}
              {title ? `, ${title}` : ""}
            </p>
            <p>
              As in{" "}
              {before.map((each, nth) => (
                <span key={each.albumId}>
                  {nth === 0 ? "" : nth === before.length - 1 ? " and " : ", "}
                  {dayLink(each)}
                </span>
              ))}
              .
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
