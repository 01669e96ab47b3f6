import { useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { mm } from "#app/drawing/mat-text.ts";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { KeepersOnly, useIsKeeper } from "#app/parts/role.tsx";
import { type OnMat, useFocus } from "#app/parts/use-focus.ts";
import { useRunning } from "#app/parts/use-running.ts";
import { useSettledQuery } from "#app/parts/use-settled-query.ts";
import { FocusRow, MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Arranger } from "#app/places/arrange/arranger.tsx";
import { type Board, boardKey, leafName } from "#app/places/arrange/boards.ts";
import { SelectionBar } from "#app/places/arrange/selection-bar.tsx";
import { StillBoards } from "#app/places/arrange/still-boards.tsx";
import { SeenThrough } from "#app/places/seen-through/slips.tsx";
import { useTones } from "#app/places/seen-through/use-tones.ts";
import { PLAIN_PAPER } from "#core/album/leaf.ts";
import type { Matter } from "#core/album/model.ts";
import { isDated } from "#core/book/dated-page.ts";
import type { LeafRead } from "#core/book/read.ts";
import { type Spread, spreadAt, turnedBy } from "#core/book/spread.ts";
import { standingOut } from "#core/book/standing-out.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { BookData } from "./data.ts";
import { LeafPanel } from "./leaf-panel.tsx";
import { LeafStrip } from "./leaf-strip.tsx";
import { useBook } from "./use-book.ts";

/** How long a quick turning of leaves waits before the address follows. */
const SETTLE = 250;

/** The book open on the mat, its leaves in order beneath, and the leaf under the hand. */
export function Book({ data, dayDate, today }: { data: BookData; dayDate: string; today: CalendarDate }) {
  const { albumId, format, unit } = data;
  const edits = useBook(data);
  const tones = useTones(data.albumId);
  const { book, leaves, arrange, change } = edits;
  const { query, settle } = useSettledQuery(SETTLE);
  const running = useRunning();
  // What lies where, and which leaf follows which, is a keeper's to say; others turn the leaves and look.
  const isKeeper = useIsKeeper();
  // Chosen here first and told to the address after, so that quick hands never act on the leaf before.
  const [asked, setAsked] = useState({
    leaf: query.get("at") ?? homeOf(book.leaves, dayDate),
    face: query.get("face"),
  });
  const found = book.leaves.findIndex(({ leaf }) => leaf.id === asked.leaf);
  const turned = asked.face === "back";
  const at = found === -1 ? 0 : found;
  const chosen = book.leaves[at];
  const goTo = (leaf: string, face: "front" | "back" = "front") => {
    setAsked({ leaf, face });
    const read = book.leaves.find((each) => each.leaf.id === leaf);
    const shown = read?.[face].page ?? read?.front.page;
    const date = shown && isDated(shown) ? shown.days[0]?.date : undefined;
    settle((next) => {
      next.set("at", leaf);
      if (face === "back") next.set("face", face);
      else next.delete("face");
      if (date) next.set("day", date);
      else next.delete("day");
    });
  };
  const go = (index: number, face: "front" | "back" = "front") => {
    const next = book.leaves.at(Math.max(0, index)) ?? book.leaves.at(-1);
    if (next) goTo(next.leaf.id, face);
  };
  // The side under the hand may be glued over: then the book opens behind it.
  const opened = turnedBy(book.leaves, turned ? at + 1 : at, 0);
  const spread = useMemo(() => spreadAt(book.leaves, opened, format), [book, opened, format]);
  const boards = useMemo(() => boardsOf(spread, unit), [spread, unit]);
  const box = useMemo(() => frameOf(spread), [spread]);
  const pages = useMemo(() => pagesOf(spread), [spread]);
  const focus = useFocus(pages);
  const out = useMemo(() => standingOut(book.leaves, format), [book, format]);

  if (!chosen)
    return (
      <div>
        <PlaceTabs place="book" albumId={albumId} here="book" />
        <KeepersOnly>
          <Empty albumId={albumId} dayDate={dayDate} onAdd={() => addFront(edits)} />
        </KeepersOnly>
      </div>
    );
  const turnBy = (by: 1 | -1) => {
    const next = turnedBy(book.leaves, opened, by);
    if (next === book.leaves.length) go(next - 1, "back");
    else go(next);
  };
  return (
    <Workplace
      width="narrow"
      flush
      tabs={
        <>
          <PlaceTabs place="book" albumId={albumId} here="book" />
          <h1 className="sr-only">The book</h1>
        </>
      }
      panel={
        <>
          <Refusal />
          <ClashPanel />
          <KeepersOnly>
            <LeafPanel
              key={`${chosen.leaf.id}${turned}`}
              data={data}
              read={chosen}
              at={at}
              book={book}
              out={out}
              change={(edit, key) => change(leaves, edit, key)}
              arrange={(changes) => arrange(leaves, changes)}
              goTo={goTo}
              addMatter={edits.addMatter}
            />
          </KeepersOnly>
          <SeenThrough
            key={opened}
            spread={spread}
            {...{ albumId, today, tones, unit }}
            onLeave={(leaf, slip, on) => change(leaves, { kind: "leave-seen", leaf, slip, on })}
          />
        </>
      }
      foot={
        <LeafStrip
          data={data}
          leaves={book.leaves}
          chosen={chosen.leaf.id}
          onChoose={(index) => go(index)}
          onMove={(leaf, after) => change(leaves, { kind: "move-leaf", leaf, after })}
        />
      }
    >
      <MatStage
        label="The spread"
        focus={
          <FocusRow label="Which page" all="Both" things={pages} chosen={focus.chosen} onChoose={focus.onChoose} />
        }
      >
        {running && isKeeper ? (
          <Arranger
            key={chosen.leaf.id}
            boards={boards}
            beside={[]}
            box={focus.box ?? box}
            format={format}
            unit={unit}
            name="book"
            label={spreadLabel(spread, unit, isKeeper)}
            onArrange={(changes, isNudge) => arrange(leaves, changes, isNudge)}
            bar={(selection, select) => (
              <SelectionBar
                selection={selection ?? { kind: "board", board: boardKey(chosen.leaf.id, turned ? "back" : "front") }}
                select={select}
                boards={boards}
                albumId={albumId}
                format={format}
                unit={unit}
                tryOuts={data.tryOuts}
                onArrange={(changes) => arrange(leaves, changes)}
              />
            )}
          />
        ) : (
          <StillBoards
            boards={boards}
            box={focus.box ?? box}
            format={format}
            unit={unit}
            name="book"
            label={spreadLabel(spread, unit, isKeeper)}
          />
        )}
        <Turning spread={spread} count={book.leaves.length} onTurn={turnBy} />
      </MatStage>
    </Workplace>
  );
}

/** The first leaf of today's page, or of the first day that has one. */
function homeOf(leaves: readonly LeafRead[], dayDate: string): string | undefined {
  type Dated = { days: readonly { date?: string }[] };
  const of = leaves.find(({ front }) => (front.page as Dated | null)?.days.some(({ date }) => date === dayDate));
  return (of ?? leaves[0])?.leaf.id;
}

function boardsOf({ left, right }: Spread, unit: BookData["unit"]): Board[] {
  // Lower leaves first, so that those above lie over them.
  return [...left, ...right].length === 0
    ? []
    : [left, right].flatMap((stack) =>
        [...stack].reverse().map(({ read, face, page }) => ({
          key: boardKey(read.leaf.id, face),
          read,
          face,
          whose: { kind: "own" as const },
          by: null,
          name: stack[0]?.read === read ? `${leafName(read, unit, face)}, ${face}` : "",
          x: mm(page.x),
          y: mm(page.y),
          whole: wholeOf(read, face, page, stack),
        })),
      );
}

function wholeOf(
  read: LeafRead,
  face: Board["face"],
  page: { x: number; y: number },
  stack: Spread["left"],
): Board["whole"] {
  const lying = stack.find((each) => each.read === read && each.face === face);
  if (!lying) throw new Error("a board of this stack");
  return {
    ...lying.whole,
    x: (lying.whole.x - page.x) as Board["whole"]["x"],
    y: (lying.whole.y - page.y) as Board["whole"]["y"],
  };
}

function frameOf({ frame }: Spread) {
  const [x, y, w, h] = [mm(frame.x), mm(frame.y), mm(frame.w), mm(frame.h)];
  return { x: x - 12, y: y - 12, w: w + 24, h: h + 24 };
}

/** The two pages of a spread, each with all that is seen of the leaves on its side. */
const pagesOf = ({ left, right }: Spread): OnMat[] =>
  (
    [
      ["left", "Left page", left],
      ["right", "Right page", right],
    ] as const
  ).flatMap(([id, name, stack]) => {
    if (stack.length === 0) return [];
    const all = stack.map(({ whole }) => whole);
    const [x, y] = [Math.min(...all.map((each) => mm(each.x))), Math.min(...all.map((each) => mm(each.y)))];
    const w = Math.max(...all.map((each) => mm(each.x) + mm(each.w))) - x;
    const h = Math.max(...all.map((each) => mm(each.y) + mm(each.h))) - y;
    return [{ id, name, box: { x: x - 10, y: y - 10, w: w + 20, h: h + 20 } }];
  });

function spreadLabel({ left, right }: Spread, unit: BookData["unit"], isMovable: boolean): string {
  const say = (stack: Spread["left"]) => (stack[0] ? leafName(stack[0].read, unit) : "the cover");
  return `The spread: on the left the back of ${say(left)}, on the right the front of ${say(right)}.${isMovable ? " Tab goes from piece to piece, arrow keys move one." : ""}`;
}

function Turning({ spread, count, onTurn }: { spread: Spread; count: number; onTurn: (by: 1 | -1) => void }) {
  const look =
    "absolute top-1/2 z-10 grid h-16 w-8 -translate-y-1/2 place-items-center bg-soot/75 text-2xl text-on-soot hover:text-flame disabled:opacity-30";
  return (
    <>
      <button
        type="button"
        onClick={() => onTurn(-1)}
        disabled={spread.at === 0}
        className={`${look} left-0`}
        aria-label="Turn back a leaf"
      >
        ‹
      </button>
      <button
        type="button"
        onClick={() => onTurn(1)}
        disabled={spread.at >= count}
        className={`${look} right-0`}
        aria-label="Turn a leaf"
      >
        ›
      </button>
    </>
  );
}

/** The title page and the opening note, on the two sides of a new first leaf. */
function addFront({ change, leaves, addMatter }: ReturnType<typeof useBook>) {
  const side = (matter: Matter) => ({ kind: "day" as const, dayId: addMatter(matter) });
  const [front, back] = [side("title"), side("opening-note")];
  change(leaves, { kind: "add-leaf", id: newId(), make: { ...PLAIN_PAPER, kind: "full" }, after: null, front, back });
}

function Empty({ albumId, dayDate, onAdd }: { albumId: string; dayDate: string; onAdd: () => void }) {
  return (
    <div className="grid max-w-xl gap-4 p-6">
      <h1 className="text-3xl">No leaves yet</h1>
      <p>
        The book fills itself: choose a foundation page for a day and its leaf is here, in its place. Or begin with the
        title page, or put a pattern of foundation pages over the whole month.
      </p>
      <div className="flex flex-wrap gap-4">
        <button type="button" onClick={onAdd} className="link min-h-10 font-medium">
          Add a title page
        </button>
        <Link to={to.foundations(albumId)} className="link grid min-h-10 items-center">
          Foundation pages for the month
        </Link>
        <Link to={to.day(albumId, dayDate)} className="link grid min-h-10 items-center">
          Choose one day’s page
        </Link>
      </div>
    </div>
  );
}
