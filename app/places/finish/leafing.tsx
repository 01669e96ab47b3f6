import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { MatButton } from "#app/parts/mat-button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { Workplace } from "#app/parts/workplace.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import type { BookData } from "#app/places/book/data.ts";
import { useBook } from "#app/places/book/use-book.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { placesOfSpreads, spreadAt, turnedBy } from "#core/book/spread.ts";
import { type LineAt, lineAt, lineUnder, openingInWords } from "#core/finish/leafing.ts";
import { opensIn } from "#core/finish/opened-here.ts";
import type { Span } from "#core/month/span.ts";
import { Beside, type BesideAlbum, OpenBook, OtherBook } from "./open-book.tsx";

/** A finger that has gone so far has turned a page, in pixels. */
const SWIPE = 50;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && ["INPUT", "TEXTAREA", "SELECT", "BUTTON"].includes(target.tagName);

type Props = {
  readonly data: BookData;
  readonly span: Span;
  /** The household's other albums. */
  readonly others: readonly { readonly id: string; readonly title: string }[];
  /** The one that lies open beside it. */
  readonly beside: BesideAlbum | null;
};

/** The whole book, leafed through opening by opening as it will lie on a lap. */
export function Leafing({ data, span, others, beside }: Props) {
  const { albumId, format } = data;
  const { book, leaves, change } = useBook(data);
  const [query] = useSearchParams();
  const navigate = useNavigate();
  const besideId = beside?.data.albumId ?? null;
  const places = useMemo(() => placesOfSpreads(book.leaves), [book]);
  const [at, setAt] = useState(() => {
    const found = book.leaves.findIndex(({ leaf }) => leaf.id === query.get("at"));
    return found === -1 ? 0 : turnedBy(book.leaves, found + (query.get("face") === "back" ? 1 : 0), 0);
  });
  const [opened, setOpened] = useState<ReadonlyMap<string, number>>(new Map());
  const spread = useMemo(() => spreadAt<InBook>(book.leaves, at, format), [book, at, format]);
  const things = useMemo(() => opensIn(spread), [spread]);
  const goTo = (next: number) => {
    if (next === at) return;
    setAt(next);
    setOpened(new Map());
    const on = spreadAt(book.leaves, next, format);
    const line = lineAt(on);
    // Not through the router, which would read the album anew for every page that is turned.
    window.history.replaceState(window.history.state, "", hereAt(line, besideId));
  };
  const hereAt = (line: LineAt | null, other: string | null) =>
    to.leafThrough(albumId, {
      ...{ at: line?.leaf.id ?? null, face: line?.face === "back" ? "back" : null, beside: other },
    });
  const lay = (other: string) => navigate(hereAt(lineAt(spread), other || null), { replace: true });
  const turn = (by: 1 | -1) => goTo(turnedBy(book.leaves, at, by));
  const press = (id: string) => setOpened((now) => new Map(now).set(id, (now.get(id) ?? -1) + 1));
  const close = (id: string) => setOpened((now) => new Map([...now].filter(([each]) => each !== id)));
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const isPage = event.key === "PageDown" || event.key === "PageUp";
    if (!isPage && isTyping(event.target)) return;
    if (document.querySelector("[role=dialog]")) return;
    const by = { ArrowRight: 1, PageDown: 1, ArrowLeft: -1, PageUp: -1 }[event.key] as 1 | -1 | undefined;
    if (by) turn(by);
    else if (event.key === "Home") goTo(places[0] ?? 0);
    else if (event.key === "End") goTo(places.at(-1) ?? 0);
    else if (event.key === "o" && things.length > 0) {
      const all = things.every(({ id }) => opened.has(id));
      setOpened(all ? new Map() : new Map(things.map(({ id }) => [id, opened.get(id) ?? 0])));
    } else return;
    event.preventDefault();
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  const swiped = useRef<{ x: number; y: number } | null>(null);
  const tabs = (
    <>
      <PlaceTabs place="finish" albumId={albumId} here="leaf-through" />
      <h1 className="sr-only">Leaf through</h1>
    </>
  );
  if (book.leaves.length === 0)
    return (
      <Workplace tabs={tabs}>
        <p className="max-w-prose p-6 text-lg">
          There is no leaf in the book yet. Choose a page for a day, or a{" "}
          <Link to={to.foundations(albumId)} className="link">
            pattern of pages
          </Link>{" "}
          for the month, and it is leafed through here.
        </p>
      </Workplace>
    );
  const words = openingInWords(spread, inBookName);
  const nth = places.indexOf(at);
  return (
    <Workplace tabs={tabs} flush>
      <div className="flex h-full min-h-0 flex-col bg-mat text-on-mat">
        <section
          aria-label="The book"
          className="relative min-h-0 flex-1 touch-pan-y overflow-hidden py-3 wide:py-0"
          onPointerDown={({ clientX: x, clientY: y }) => {
            swiped.current = { x, y };
          }}
          onPointerUp={({ clientX, clientY }) => {
            const from = swiped.current;
            swiped.current = null;
            if (!from || Math.abs(clientX - from.x) < SWIPE || Math.abs(clientY - from.y) > Math.abs(clientX - from.x))
              return;
            turn(clientX < from.x ? 1 : -1);
          }}
        >
          {beside ? (
            <div className="grid h-full wide:grid-cols-2">
              <Beside name="This one">
                <OpenBook {...{ spread, format, things, opened, press, close }} />
              </Beside>
              <Beside name={beside.title}>
                <OtherBook {...{ spread, beside }} of={{ leaves: book.leaves, span }} />
              </Beside>
            </div>
          ) : (
            <OpenBook {...{ spread, format, things, opened, press, close }} />
          )}
        </section>
        <div className="grid gap-2 bg-soot px-4 py-3 text-on-soot wide:px-6">
          <Refusal />
          <LineUnder
            key={`${lineAt(spread)?.leaf.id} ${lineAt(spread)?.face}`}
            said={lineUnder(spread)}
            onSay={(line) => {
              const under = lineAt(spread);
              if (under)
                change(
                  leaves,
                  { kind: "say-line", leaf: under.leaf.id, face: under.face, line },
                  `${under.leaf.id}:line:${under.face}`,
                );
            }}
          />
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <MatButton onClick={() => turn(-1)} disabled={at === places[0]}>
              Back
            </MatButton>
            <MatButton strong onClick={() => turn(1)} disabled={at === places.at(-1)}>
              Turn the page
            </MatButton>
            <label className="flex items-center gap-2 text-sm">
              <span>Opening</span>
              <select className="field py-1 text-text" value={at} onChange={({ target }) => goTo(Number(target.value))}>
                {places.map((place, each) => (
                  <option key={place} value={place}>
                    {each + 1} of {places.length}
                    {namesAt(book.leaves, place)}
                  </option>
                ))}
              </select>
            </label>
            {others.length > 0 && (
              <label className="flex items-center gap-2 text-sm">
                <span>Beside</span>
                <select
                  className="field py-1 text-text"
                  value={besideId ?? ""}
                  onChange={({ target }) => lay(target.value)}
                >
                  <option value="">nothing</option>
                  {others.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {things.map(({ id, name }) => (
              <MatButton key={id} onClick={() => press(id)} pressed={opened.has(id)}>
                {opened.has(id) ? `${name}: on` : `Open ${name.toLowerCase()}`}
              </MatButton>
            ))}
          </div>
          <details className="text-sm">
            <summary className="w-fit min-h-6 cursor-pointer">This opening in words</summary>
            <div aria-live="polite" className="grid gap-2 pt-1 wide:grid-cols-2">
              <p className="sr-only">
                Opening {nth + 1} of {places.length}
              </p>
              {words.map(({ called, says }) => (
                <div key={called}>
                  <p className="font-medium">{called}</p>
                  <ul>
                    {says.map((each, at) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: two things may say the same
                      <li key={at}>{each}.</li>
                    ))}
                  </ul>
                </div>
              ))}
            </div>
          </details>
        </div>
      </div>
    </Workplace>
  );
}

type Leaves = Parameters<typeof spreadAt<InBook>>[0];

/** The days that lie open at a place, for the list of openings. */
function namesAt(leaves: Leaves, place: number): string {
  const names = [leaves[place - 1]?.back.page, leaves[place]?.front.page].flatMap((page) =>
    page ? [inBookName(page)] : [],
  );
  return names.length > 0 ? `: ${[...new Set(names)].join(", ")}` : "";
}

/** What the keeper says under an opening: kept when it is left. */
function LineUnder({ said, onSay }: { said: string; onSay: (line: string) => void }) {
  const [line, setLine] = useState(said);
  const keep = () => line.trim() !== said && onSay(line.trim());
  return (
    <label className="grid">
      <span className="sr-only">A line of yours under this opening</span>
      <input
        value={line}
        maxLength={300}
        placeholder="A line of yours under this opening"
        onChange={({ target }) => setLine(target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
        className="min-h-9 border-b border-transparent bg-transparent text-center font-numeral text-lg text-on-soot placeholder:text-on-soot/60 hover:border-on-soot/40 focus:border-flame"
      />
    </label>
  );
}
