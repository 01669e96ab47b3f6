import { Redo2, Search, Undo2 } from "lucide-react";
import { Fragment, memo, type ReactNode, useCallback, useEffect, useRef, useState } from "react";
import { Link, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import type { PageRow } from "#app/drawing/page-row.ts";
import { DayStrip } from "#app/drawing/strip.tsx";
import { Brand } from "#app/parts/brand.tsx";
import { focusPlaceIfLost } from "#app/parts/focus.ts";
import { GoingBar } from "#app/parts/going-bar.tsx";
import { Late } from "#app/parts/late.tsx";
import { type Look, LookSwitch } from "#app/parts/look-switch.tsx";
import { newId } from "#app/parts/new-id.ts";
import { useOneStop } from "#app/parts/one-stop.ts";
import { ReturnedWords } from "#app/parts/returned.tsx";
import { RoleContext } from "#app/parts/role.tsx";
import { SaveState } from "#app/parts/save-state.tsx";
import { useScrolled } from "#app/parts/scrolled.ts";
import { Spoken, speak } from "#app/parts/spoken.tsx";
import { Unsaved } from "#app/parts/unsaved.tsx";
import { useMedia } from "#app/parts/use-media.ts";
import { keepersAt, PLACES, type PlaceId, placeAt } from "#app/places.ts";
import { broughtTo } from "#app/sending/hand-in.ts";
import type { Outboxed } from "#app/sending/outbox.ts";
import { InAlbum, useIsWaiting, useOutbox } from "#app/sending/sending.tsx";
import { addressOf } from "./address-of.ts";
import { FirstBar } from "./first-bar.tsx";
import { LateFind, LateMore } from "./late-dialogs.tsx";
import { PhoneBar } from "./phone-bar.tsx";
import { TurnBar } from "./turn-bar.tsx";
import { useTurn } from "./use-turn.ts";
import type { FrameView } from "./view.ts";

const keysDialog = () => import("./keys-dialog.tsx");

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

type Props = { readonly view: FrameView; readonly look: Look; readonly phone: boolean; readonly children: ReactNode };

/** The mantel, the strip and the rail round every place of an album. */
export const AlbumFrame = (props: Props) => (
  <InAlbum albumId={props.view.albumId}>
    <RoleContext value={props.view.role}>
      <Frame {...props} />
    </RoleContext>
  </InAlbum>
);

function Frame({ view, look, phone, children }: Props) {
  const narrow = useMedia("(max-width: 899.9px)", phone);
  const params = useParams();
  const { albumId } = view;
  const [query] = useSearchParams();
  // The strip follows the chosen day, in the Day place and in those that name one in their address.
  const shown = params.date ?? query.get("day");
  const chosen = shown ? (view.rows.findLast(({ date }) => date <= shown)?.date ?? null) : null;
  const [open, setOpen] = useState<"keys" | "find" | "more" | null>(null);
  const close = () => setOpen(null);
  const { state, put } = useOutbox();
  const bring = useCallback(
    (row: PageRow, ids: readonly string[]) => {
      if (ids.length > 0) put(`bring:${newId()}`, broughtTo(row.dayId, ids));
    },
    [put],
  );
  const turning = useTurn(albumId, useIsWaiting());
  useSpoken(state, view.title);
  useScrolled();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const after = pathname.slice(to.album(albumId).length + 1);
  const here = placeAt(after);
  const dayDate = chosen ?? view.dayDate;

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.altKey || document.querySelector("[role=dialog]")) return;
      const command = event.ctrlKey || event.metaKey;
      const place = PLACES.find(({ key }) => key === event.key);
      const pressed = event.key.toLowerCase();
      if (command && (pressed === "z" || pressed === "y")) {
        event.preventDefault();
        turning.turn(pressed === "z" && !event.shiftKey ? "back" : "again");
      } else if (command) return;
      else if (event.key === "?") setOpen("keys");
      else if (event.key === "/") {
        event.preventDefault();
        setOpen("find");
      } else if (place) navigate(addressOf(place.id, albumId, dayDate));
      else if (event.key === "ArrowLeft" || event.key === "ArrowRight") {
        // From the address as it is now: a key may come before the page that the last one led to is drawn.
        const now = window.location.pathname.split("/days/")[1];
        if (now === undefined) return;
        const at = view.rows.findLastIndex(({ date }) => date <= now);
        const next = view.rows[at + (event.key === "ArrowLeft" ? -1 : 1)];
        if (next) navigate(to.day(albumId, next.date));
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [turning, view.rows, navigate, albumId, dayDate]);

  return (
    <>
      <Spoken />
      <a
        href="#place"
        className="not-printed sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-panel focus:p-3"
      >
        To the page itself
      </a>
      {/* Rows that ask nothing of what is in them: else a letter typed at one side lays the drawing at the other out anew. */}
      <div className="grid min-h-dvh grid-rows-[auto_1fr] wide:h-dvh wide:grid-rows-[auto_minmax(0,1fr)]">
        <header className="grid grid-cols-[auto_1fr_auto] items-center gap-x-4 bg-soot px-4 text-on-soot wide:grid-cols-[124px_auto_minmax(0,1fr)_auto] wide:gap-x-6 wide:pr-6">
          <Brand to={to.shelf()} />
          <p className="truncate py-2.5 font-numeral text-lg font-semibold wide:max-w-72 wide:text-[22px]">
            {view.title}
          </p>
          <div className="not-printed col-span-3 row-start-2 wide:col-span-1 wide:row-start-auto">
            <DayStrip rows={view.rows} albumId={albumId} chosen={chosen} today={view.today} onBring={bring} />
          </div>
          <div className="not-printed grid justify-items-end text-sm">
            <Link
              to={to.today()}
              title="Jot something down for today"
              className="grid min-h-6 content-center text-on-soot-quiet hover:text-on-soot"
            >
              {view.clock}
            </Link>
            <SaveState />
          </div>
        </header>
        <div className="grid min-h-0 wide:grid-cols-[148px_minmax(0,1fr)] wide:grid-rows-[minmax(0,1fr)]">
          <PhoneBar albumId={albumId} dayDate={dayDate} here={here} drawn={narrow} onMore={() => setOpen("more")} />
          <Rail albumId={albumId} dayDate={dayDate} here={here} look={look} onTurn={turning.turn} onOpen={setOpen} />
          <main
            id="place"
            tabIndex={-1}
            className="flex min-h-0 min-w-0 flex-col overflow-x-clip pb-16 outline-none wide:pb-0"
          >
            {view.goes && <GoingBar goes={view.goes} />}
            {view.role !== "keeper" && keepersAt(after) !== null && (
              <p className="not-printed border-b border-line bg-panel px-4 py-2 text-sm wide:px-6">
                A keeper of the household changes this. You can look.
              </p>
            )}
            <Unsaved at="top" />
            <TurnBar turn={turning} albumId={albumId} />
            <ReturnedWords returned={state.returned} />
            {view.first && <FirstBar albumId={albumId} steps={view.first} path={pathname} />}
            <div data-scrolls="place" className="relative min-h-0 min-w-0 flex-1 wide:overflow-y-auto">
              {children}
            </div>
          </main>
        </div>
      </div>
      {open === "keys" && (
        <Late load={keysDialog} onClose={close}>
          {({ KeysDialog }) => <KeysDialog onClose={close} />}
        </Late>
      )}
      {open === "find" && <LateFind albumId={albumId} rows={view.rows} dayDate={dayDate} onClose={close} />}
      {open === "more" && (
        <LateMore
          albumId={albumId}
          dayDate={dayDate}
          here={here}
          look={look}
          onFind={() => setOpen("find")}
          onTurn={turning.turn}
          onClose={close}
        />
      )}
    </>
  );
}

/** Says what has happened to who does not see it: that it is another place, and whether everything is saved. */
function useSpoken({ entries, trouble, unkept }: Outboxed, title: string): void {
  const { pathname } = useLocation();
  const came = useRef(pathname);
  useEffect(() => {
    if (came.current === pathname) return;
    came.current = pathname;
    speak(document.title.replace(/ · [^·]*$/, ` · ${title}`));
    focusPlaceIfLost();
  }, [pathname, title]);
  const waits = entries.length > 0;
  const stuck = unkept ? "Not on the server yet." : waits && trouble ? "Kept on this device for now." : null;
  const waited = useRef(false);
  useEffect(() => {
    if (stuck) speak(stuck);
    else if (waited.current && !waits) speak("Everything is kept.");
    waited.current = waits;
  }, [waits, stuck]);
}

type RailProps = {
  readonly albumId: string;
  readonly dayDate: string;
  readonly here: PlaceId | null;
  readonly look: Look;
  readonly onTurn: (way: "back" | "again") => void;
  readonly onOpen: (dialog: "keys" | "find") => void;
};

/** The places at the side of a wide screen, and what can be done from every one of them. */
const Rail = memo(({ albumId, dayDate, here, look, onTurn, onOpen }: RailProps) => (
  <nav aria-label="Places" className="not-printed hidden flex-col border-r border-line bg-ground pt-4 wide:flex">
    <div {...useOneStop<HTMLDivElement>()}>
      {PLACES.map(({ id, group, name }, at) => (
        <Fragment key={id}>
          {PLACES[at - 1]?.group !== group && <p className="px-5 pt-4 pb-1 text-xs text-quiet">{group}</p>}
          <Link to={addressOf(id, albumId, dayDate)} aria-current={id === here ? "page" : undefined} className="place">
            {name}
          </Link>
        </Fragment>
      ))}
    </div>
    <div className="mt-auto px-5 pb-4">
      <button type="button" onClick={() => onOpen("find")} className="rail-button">
        <Search className="size-4" aria-hidden="true" /> Find
      </button>
      <div className="-mr-3 flex items-center justify-between">
        <button type="button" onClick={() => onTurn("back")} className="rail-button whitespace-nowrap">
          <Undo2 className="size-4" aria-hidden="true" /> Take back
        </button>
        <button
          type="button"
          onClick={() => onTurn("again")}
          title="Do again what was taken back"
          aria-label="Do again"
          className="rail-button px-2"
        >
          <Redo2 className="size-4" aria-hidden="true" />
        </button>
      </div>
      <LookSwitch look={look} />
      <button type="button" onClick={() => onOpen("keys")} className="rail-button">
        Keys
      </button>
      <Link to={to.shelf()} className="place -ml-5">
        Shelf
      </Link>
    </div>
  </nav>
));
