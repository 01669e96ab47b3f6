import {
  BookOpen,
  BookOpenCheck,
  CalendarDays,
  Images,
  Library,
  NotebookPen,
  Quote,
  Settings2,
  Undo2,
} from "lucide-react";
import { lazy, type ReactNode, Suspense, useEffect, useRef, useState } from "react";
import { useFetcher, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { DayStrip } from "#app/drawing/strip.tsx";
import { Brand } from "#app/parts/brand.tsx";
import { type Look, LookSwitch } from "#app/parts/look-switch.tsx";
import { newId } from "#app/parts/new-id.ts";
import { ReturnedWords } from "#app/parts/returned.tsx";
import { SaveState } from "#app/parts/save-state.tsx";
import { useMedia } from "#app/parts/use-media.ts";
import { usePlainLinks } from "#app/parts/use-plain-links.ts";
import { OutboxProvider } from "#app/sending/outbox-provider.tsx";
import { type Away, UNDO_PROBLEM } from "#app/wording/sending.ts";
import type { FrameView } from "./view.ts";

const PLACES = [
  { group: "Plan", name: "Month", to: "month", icon: CalendarDays },
  { group: "Make", name: "Day", to: "days", icon: NotebookPen },
  { group: "Make", name: "Photos", to: "photos", icon: Images },
  { group: "Make", name: "Words", to: "words", icon: Quote },
  { group: "Keep", name: "Book", to: "book", icon: BookOpen },
  { group: "Keep", name: "Finish", to: "finish", icon: BookOpenCheck },
  { group: "Keep", name: "Album", to: "settings", icon: Settings2 },
] as const;

/** Addresses that are parts of a place. */
const PARTS: Partial<Record<(typeof PLACES)[number]["to"], readonly string[]>> = {
  book: ["book", "rhythm", "foundations", "layouts", "measure", "leaves"],
  photos: ["photos", "who-goes-where", "crops", "sheets"],
  words: ["words", "cards", "prompts", "card-sheets", "letters"],
};

const KeysDialog = lazy(() => import("./keys-dialog.tsx").then((module) => ({ default: module.KeysDialog })));

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

/** The mantel, the strip and the rail round every place of an album. */
export function AlbumFrame({
  view,
  look,
  phone,
  children,
}: {
  view: FrameView;
  look: Look;
  phone: boolean;
  children: ReactNode;
}) {
  const narrow = useMedia("(max-width: 899.9px)", phone);
  const params = useParams();
  const path = `/albums/${view.albumId}`;
  const onDay = params.date !== undefined;
  const [query] = useSearchParams();
  // The strip follows the day under the hand, in the Day place and in those that name one in their address.
  const shown = params.date ?? query.get("day");
  const chosen = shown ? (view.rows.findLast(({ date }) => date <= shown)?.date ?? null) : null;
  const [keysOpen, setKeysOpen] = useState(false);
  const undo = useUndo(view.albumId);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const follow = usePlainLinks();

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.altKey || document.querySelector("[role=dialog]")) return;
      const command = event.ctrlKey || event.metaKey;
      if (command && event.key.toLowerCase() === "z" && !event.shiftKey) {
        event.preventDefault();
        undo.take();
      } else if (!command && event.key === "?") {
        setKeysOpen(true);
      } else if (!command && event.key === "/") {
        event.preventDefault();
        navigate(`${path}/words?find`);
      } else if (!command && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
        // From the address as it is now: a key may come before the page that the last one led to is drawn.
        const here = window.location.pathname.split("/days/")[1];
        if (here === undefined) return;
        const at = view.rows.findLastIndex(({ date }) => date <= here);
        const next = view.rows[at + (event.key === "ArrowLeft" ? -1 : 1)];
        if (next) navigate(`${path}/days/${next.date}`);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [undo, view.rows, navigate, path]);

  const hrefOf = (place: (typeof PLACES)[number]["to"]) =>
    place === "days" ? `${path}/days/${chosen ?? view.dayDate}` : `${path}/${place}`;
  return (
    <OutboxProvider albumId={view.albumId} memberId={view.memberId}>
      <a href="#place" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-panel focus:p-3">
        To the page itself
      </a>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: only passes on the clicks of the links inside */}
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: a link's Enter arrives here as a click */}
      <div className="grid min-h-dvh grid-rows-[auto_1fr] wide:h-dvh" onClick={follow}>
        <header className="grid grid-cols-[auto_1fr_auto] items-center gap-x-4 bg-soot px-4 text-on-soot wide:grid-cols-[124px_auto_minmax(0,1fr)_auto] wide:gap-x-6 wide:pr-6">
          <Brand to="/shelf" />
          <p className="truncate py-2.5 font-numeral text-lg font-semibold wide:max-w-72 wide:text-[22px]">
            {view.title}
          </p>
          <div className="col-span-3 row-start-2 wide:col-span-1 wide:row-start-auto">
            <DayStrip rows={view.rows} albumId={view.albumId} chosen={chosen} today={view.today} />
          </div>
          <div className="grid justify-items-end text-sm">
            <a href="/today" title="Jot something down for today" className="text-on-soot-quiet hover:text-on-soot">
              {view.clock}
            </a>
            <SaveState />
          </div>
        </header>
        <div className="grid min-h-0 wide:grid-cols-[148px_minmax(0,1fr)]">
          <nav
            aria-label="Places"
            className="not-printed fixed inset-x-0 bottom-0 z-10 flex justify-around border-t border-line bg-ground wide:static wide:flex-col wide:justify-start wide:border-t-0 wide:border-r wide:pt-4"
          >
            {PLACES.map(({ group, name, to, icon: Icon }, at) => (
              <div key={to} className="contents wide:block">
                {PLACES[at - 1]?.group !== group && (
                  <p className="hidden px-5 pt-4 pb-1 text-xs text-quiet wide:block">{group}</p>
                )}
                <PlaceLink
                  href={hrefOf(to)}
                  here={
                    to === "days" ? onDay : (PARTS[to] ?? [to]).some((place) => pathname.startsWith(`${path}/${place}`))
                  }
                >
                  {narrow && <Icon className="size-5" aria-hidden="true" />}
                  {name}
                </PlaceLink>
              </div>
            ))}
            <div className="contents wide:mt-auto wide:block wide:px-5 wide:pb-4">
              <button
                type="button"
                onClick={undo.take}
                className="hidden min-h-9 items-center gap-2 text-sm text-quiet hover:text-ember wide:flex"
              >
                <Undo2 className="size-4" aria-hidden="true" /> Take back
              </button>
              <div className="hidden wide:block">
                <LookSwitch look={look} />
              </div>
              <button
                type="button"
                onClick={() => setKeysOpen(true)}
                className="hidden min-h-9 text-sm text-quiet hover:text-ember wide:block"
              >
                Keys
              </button>
              <a href="/shelf" className="place wide:-ml-5">
                {narrow && <Library className="size-5" aria-hidden="true" />}
                Shelf
              </a>
            </div>
          </nav>
          <main
            id="place"
            tabIndex={-1}
            className="min-w-0 overflow-x-clip pb-16 outline-none wide:overflow-y-auto wide:pb-0"
          >
            {undo.said && (
              <p role="status" className="border-b border-line bg-panel px-5 py-2 text-sm">
                {undo.said}
              </p>
            )}
            <ReturnedWords />
            {children}
          </main>
        </div>
      </div>
      {keysOpen && (
        <Suspense>
          <KeysDialog onClose={() => setKeysOpen(false)} />
        </Suspense>
      )}
    </OutboxProvider>
  );
}

function PlaceLink({ href, here, children }: { href: string; here: boolean; children: ReactNode }) {
  return (
    <a href={href} aria-current={here ? "page" : undefined} className="place">
      {children}
    </a>
  );
}

/** Takes the member's last change in the album back, and says what came of it. */
function useUndo(albumId: string) {
  const fetcher = useFetcher<
    { ok: true; dayIds: string[] } | { ok: false; reason: keyof typeof UNDO_PROBLEM | Away }
  >();
  const [said, setSaid] = useState<string | null>(null);
  const { pathname } = useLocation();
  const asked = useRef(false);
  // Kept until there is an answer: pressed again because none came, it takes back one change and not two.
  const act = useRef<string | null>(null);
  useEffect(() => {
    if (!asked.current || fetcher.state !== "idle" || !fetcher.data) return;
    asked.current = false;
    const answer = fetcher.data;
    if (answer.ok || answer.reason in UNDO_PROBLEM) act.current = null;
    setSaid(
      answer.ok
        ? "Your last change was taken back."
        : answer.reason in UNDO_PROBLEM
          ? UNDO_PROBLEM[answer.reason as keyof typeof UNDO_PROBLEM]
          : "The server does not answer. Nothing was taken back.",
    );
  }, [fetcher.state, fetcher.data]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the message belongs to the page it was said on
  useEffect(() => setSaid(null), [pathname]);
  return {
    said,
    take: () => {
      asked.current = true;
      act.current ??= newId();
      void fetcher.submit(
        { act: act.current },
        { method: "post", action: `/albums/${albumId}/undo`, encType: "application/json" },
      );
    },
  };
}
