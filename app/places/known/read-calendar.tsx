import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { Outcome } from "#app/parts/outcome.tsx";
import { Said } from "#app/parts/said.tsx";
import { many } from "#app/wording/count.ts";
import { shortDate } from "#app/wording/dates.ts";
import type { KnownRead } from "#core/month/known.ts";
import { type KnownAnswer, type ReadTold, WHY } from "./answer.ts";
import type { KnownView } from "./view.ts";

/** Reads a calendar file, and tells what came of it; beside it what stands in no calendar, and the page it may stand on. */
export function ReadCalendar({ view }: { view: KnownView }) {
  const { albumId, sources, calendarPage, first, last } = view;
  const fetcher = useFetcher<KnownAnswer>();
  const answer = fetcher.data ?? null;
  return (
    <div className="grid content-start gap-6">
      <section aria-labelledby="read" className="grid gap-3">
        <h2 id="read" className="border-b border-line pb-1 text-xl">
          Read a calendar
        </h2>
        <fetcher.Form
          method="post"
          action={to.part(albumId, "known")}
          encType="multipart/form-data"
          className="grid justify-items-start gap-3"
        >
          <label className="grid gap-1 text-sm">
            <span>An .ics file, as calendars save them</span>
            <input
              type="file"
              name="file"
              accept=".ics,text/calendar"
              className="max-w-full text-sm file:mr-3 file:min-h-10 file:rounded-sm file:border file:border-edge file:bg-raised file:px-3 file:font-medium file:text-text"
            />
          </label>
          <Button type="submit" look="main" disabled={fetcher.state !== "idle"}>
            {fetcher.state === "idle" ? "Read it" : "Reading"}
          </Button>
        </fetcher.Form>
        {answer?.ok && answer.read ? (
          <WhatCame told={answer.read} first={first} last={last} />
        ) : (
          <Outcome answer={answer} why={WHY} kept="Nothing was changed." />
        )}
        <p className="text-sm text-quiet">
          Only what falls into this album is kept, on the household’s clock. Read it again whenever it has changed:
          nothing will stand twice.
          {sources.length > 0 && ` Read so far: ${sources.join(", ")}.`}
        </p>
      </section>
      <Own view={view} />
      <section aria-labelledby="calendar-page" className="grid gap-2">
        <h2 id="calendar-page" className="border-b border-line pb-1 text-xl">
          The month calendar page
        </h2>
        {calendarPage === null ? (
          <p className="text-sm">
            The book has none. In{" "}
            <Link to={to.part(albumId, "book")} className="link">
              the Book
            </Link>
            , a leaf can be given to “Month calendar”: its squares fill themselves.
          </p>
        ) : (
          <p className="text-sm">
            Its squares fill themselves with titles of days and with what is put onto it here.{" "}
            <Link to={to.page(albumId, calendarPage)} className="link">
              Look at it
            </Link>
          </p>
        )}
      </section>
    </div>
  );
}

/** What reading a calendar changed, in words. */
function WhatCame({ told, first, last }: { told: ReadTold; first: string; last: string }) {
  const { fresh, changed, gone, same, unknownZones, leftOut, source } = told;
  const none = fresh.length + changed.length + gone.length + same === 0;
  return (
    <Said good>
      {none ? (
        <p>
          {source} has nothing from {shortDate(first)} to {shortDate(last)}.
        </p>
      ) : fresh.length + changed.length + gone.length === 0 ? (
        <p>
          Nothing has changed in {source}: {many(same, "event")} as before.
        </p>
      ) : (
        <>
          <p>
            {source}:{" "}
            {[fresh.length > 0 && `${fresh.length} new`, same > 0 && `${same} as before`].filter(Boolean).join(", ") ||
              "changed"}
            .
          </p>
          {changed.length > 0 && (
            <List name={`${changed.length} changed`}>
              {changed.map(({ was, now }) => (
                <li key={now.key}>
                  {was.title === now.title ? now.title : `${was.title}, now ${now.title}`}: {when(was)} became{" "}
                  {when(now)}
                </li>
              ))}
            </List>
          )}
          {gone.length > 0 && (
            <List name={`${gone.length} no longer in it`}>
              {gone.map((each) => (
                <li key={each.key}>
                  {each.title}, {when(each)}. What was taken over to its day stays there.
                </li>
              ))}
            </List>
          )}
        </>
      )}
      {unknownZones > 0 && (
        <p className="font-normal">
          {many(unknownZones, "time was", "times were")} told in a zone that is not known, and taken as they stand.
        </p>
      )}
      {leftOut > 0 && (
        <p className="font-normal">
          {many(leftOut, "entry", "entries")} could not be read, or came too often to be looked through.
        </p>
      )}
    </Said>
  );
}

const when = ({ from, to: last, starts }: KnownRead) =>
  `${shortDate(from)}${last === from ? "" : ` to ${shortDate(last)}`}${starts === null ? "" : ` ${starts}`}`;

const List = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <div className="font-normal">
    <p className="font-medium">{name}</p>
    <ul className="grid gap-0.5 text-sm">{children}</ul>
  </div>
);

/** Something that is known and stands in no calendar. */
function Own({ view: { albumId, first, last } }: { view: KnownView }) {
  const fetcher = useFetcher<KnownAnswer>();
  const [title, setTitle] = useState("");
  const [date, setDate] = useState<string>("");
  const add = () => {
    const sent = { intent: "own", id: newId(), title, date };
    void fetcher.submit(sent, { method: "post", action: to.part(albumId, "known") }).then(() => setTitle(""));
  };
  const answer = fetcher.data ?? null;
  return (
    <section aria-labelledby="own" className="grid gap-2">
      <h2 id="own" className="border-b border-line pb-1 text-xl">
        What no calendar has
      </h2>
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1 text-sm">
          <span>What it is</span>
          <input value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} className="field" />
        </label>
        <label className="grid gap-1 text-sm">
          <span>Its day</span>
          <input
            type="date"
            min={first}
            max={last}
            value={date}
            onChange={(event) => setDate(event.target.value)}
            className="field w-40"
          />
        </label>
        <Button onClick={add} disabled={title.trim() === "" || date === "" || fetcher.state !== "idle"}>
          Add it
        </Button>
      </div>
      <Outcome answer={answer?.ok ? null : answer} why={WHY} kept="What you wrote is still here." />
    </section>
  );
}
