import { Camera, X } from "lucide-react";
import { type RefObject, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { Link, useRevalidator } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import type { Look } from "#app/parts/look-switch.tsx";
import { newId } from "#app/parts/new-id.ts";
import { type CalendarDate, parseDate, wallClock } from "#core/month/dates.ts";
import { type BoxState, type Jot, JotBox, type JotPicture } from "./jot-box.ts";
import { jotSender } from "./jot-sender.ts";
import { dayShort, openDay, type TodayDay, type TodayView } from "./view.ts";
import { Ways } from "./ways.tsx";

const TRY_AGAIN = 5000;
/** What this device would not do. */
const TROUBLE = {
  full: "This phone would not keep it: it is full, or lets pages keep nothing. Your words are still in the field.",
  unread: "A picture could not be read from this phone. Take it or choose it once more.",
};

type TakenPicture = JotPicture & { readonly address: string };
const shown = (picture: JotPicture): TakenPicture => ({
  ...picture,
  address: URL.createObjectURL(new Blob([picture.bytes], { type: picture.type })),
});
const pictureOf = async (file: File): Promise<TakenPicture> =>
  shown({ useId: newId(), name: file.name, type: file.type, bytes: await file.arrayBuffer() });

const EMPTY: BoxState = { jots: [], state: "idle" };
const nothing = () => () => {};

/** Today, for a phone in one hand: the cue, a big field, the camera. What is kept on the device is sent when there is a connection. */
export function Today({ view, look, phone }: { view: TodayView; look: Look; phone: boolean }) {
  const { album, days, memberId } = view;
  const now = useNow(view);
  const box = useBox(memberId);
  const [chosen, setChosen] = useState<CalendarDate | null>(null);
  const [pictures, setPictures] = useState<readonly TakenPicture[]>([]);
  const [trouble, setTrouble] = useState<keyof typeof TROUBLE | null>(null);
  const keeping = useRef(false);
  const [kept, setKept] = useState(0);
  const field = useRef<HTMLTextAreaElement>(null);
  const [draft, setDraft] = useDraft(memberId, field);
  const day = openDay(days, now.date, chosen);
  if (!album || !day)
    return (
      <Shell>
        <h1 className="text-3xl">Nothing to open yet</h1>
        <p>There is no album for a day to be jotted in.</p>
        <p>
          <Link className="link" to={to.shelf()}>
            To the shelf
          </Link>
        </p>
      </Shell>
    );
  const keep = async () => {
    // Pressed with nothing to keep, it shows where to begin; pressed twice, it keeps once.
    if (draft.trim() === "" && pictures.length === 0) return field.current?.focus();
    if (keeping.current) return;
    keeping.current = true;
    try {
      await box.jots.put({
        id: newId(),
        albumId: album.id,
        dayId: day.dayId,
        day: day.said,
        at: `${now.date}T${now.time}`,
        text: draft.trim(),
        pictures: pictures.map(({ address: _, ...picture }) => picture),
      });
    } catch {
      return setTrouble("full");
    } finally {
      keeping.current = false;
    }
    setTrouble(null);
    // What was typed or taken while the device wrote stays.
    const typed = field.current?.value ?? "";
    setDraft(typed.startsWith(draft) ? typed.slice(draft.length) : typed);
    setPictures((was) => was.filter((each) => !pictures.includes(each)));
    setKept(kept + 1);
    box.send();
    field.current?.focus();
  };
  const take = async (files: readonly File[]) => {
    const read = await Promise.allSettled(files.map(pictureOf));
    setTrouble(read.some(({ status }) => status === "rejected") ? "unread" : null);
    setPictures((was) => [...was, ...read.flatMap((each) => (each.status === "fulfilled" ? each.value : []))]);
  };
  /** A jotting that the server will not take comes back into the field, to be kept for another day or without its picture. */
  const takeBack = async (jot: Jot) => {
    await box.jots.drop(jot.id);
    setDraft([jot.text, field.current?.value.trim()].filter(Boolean).join("\n"));
    setPictures((was) => [...jot.pictures.map(shown), ...was]);
    field.current?.focus();
  };
  const isToday = day.date === now.date;
  const waiting = box.state.jots.filter((jot) => jot.dayId === day.dayId);
  return (
    <Shell>
      <Ways album={album} dayDate={day.date} look={look} phone={phone} onTakeBack={() => setKept(0)} />
      <header className="-mx-4 -mt-4 grid grid-cols-[auto_minmax(0,1fr)] items-center gap-x-4 bg-soot p-4 text-on-soot">
        <p className="font-numeral text-6xl leading-none font-semibold text-flame">{day.label || "–"}</p>
        <div className="min-w-0">
          <h1 className="truncate text-xl">{day.said}</h1>
          <p className="truncate text-sm text-on-soot-quiet">
            {isToday ? album.title : `${album.title}; today is another day`}
          </p>
        </div>
      </header>
      {(day.prompt || day.technique) && (
        <div className="border-l-4 border-ring-prompt pl-3">
          {day.prompt && <p className="text-lg leading-snug">{day.prompt}</p>}
          {day.technique && <p className="text-sm text-quiet">To try: {day.technique}</p>}
        </div>
      )}
      <textarea
        ref={field}
        aria-label="Jot it down"
        value={draft}
        onChange={(event) => setDraft(event.target.value)}
        placeholder="Three lines are plenty"
        maxLength={100_000}
        className="field min-h-40 w-full flex-1 text-lg"
      />
      {pictures.length > 0 && (
        <ul aria-label="Pictures with it" className="flex flex-wrap gap-2">
          {pictures.map(({ useId, address, name }) => (
            <li key={useId} className="relative">
              <img src={address} alt={name} className="size-20 rounded-sm object-cover" />
              <button
                type="button"
                aria-label={`Leave ${name} out`}
                onClick={() => setPictures(pictures.filter((each) => each.useId !== useId))}
                className="absolute top-0 right-0 grid size-8 place-items-center rounded-sm bg-soot text-on-soot"
              >
                <X className="size-4" aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="sticky bottom-14 grid grid-cols-[auto_minmax(0,1fr)] gap-3 bg-ground py-2 wide:bottom-0">
        <label className="flex min-h-14 min-w-16 items-center justify-center rounded-sm border border-edge bg-raised px-4 has-focus-visible:outline-2 has-focus-visible:outline-ember">
          <Camera className="size-7" aria-hidden="true" />
          <span className="sr-only">Take a picture</span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            multiple
            className="sr-only"
            onChange={(event) => {
              void take([...(event.target.files ?? [])]);
              event.target.value = "";
            }}
          />
        </label>
        <Button look="main" className="min-h-14 text-lg" onClick={() => void keep()}>
          Keep
        </Button>
      </div>
      {trouble && (
        <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
          {TROUBLE[trouble]}
        </p>
      )}
      <Standing state={box.state} kept={kept} onBack={(jot) => void takeBack(jot)} onAgain={box.again} />
      <section aria-label="Jotted on this day" className="grid gap-2 border-t border-line pt-3">
        <Jotted
          day={day}
          waiting={waiting.map(({ id, at, text, pictures: taken }) => ({ id, at, text, pictures: taken.length }))}
        />
        <label className="grid gap-1 text-sm">
          <span className="text-quiet">For another day</span>
          <select className="field" value={chosen ?? ""} onChange={(event) => setChosen(parseDate(event.target.value))}>
            <option value="">Today, whichever it is</option>
            {days.map((each) => (
              <option key={each.dayId} value={each.date}>
                {dayShort(each)}
              </option>
            ))}
          </select>
        </label>
        <p className="flex gap-4 text-sm max-wide:hidden">
          <Link className="link" to={to.day(album.id, day.date)}>
            The day’s bench
          </Link>
          <Link className="link" to={to.month(album.id)}>
            The month
          </Link>
        </p>
      </section>
    </Shell>
  );
}

function Shell({ children }: { children: React.ReactNode }) {
  return <main className="mx-auto flex min-h-dvh max-w-xl flex-col gap-4 p-4 max-wide:pb-20">{children}</main>;
}

function Jotted({
  day,
  waiting,
}: {
  day: TodayDay;
  waiting: readonly { id: string; at: string; text: string; pictures: number }[];
}) {
  const waits = new Set(waiting.map(({ id }) => id));
  const home = day.jottings.filter(({ id }) => !waits.has(id)).map((jotting) => ({ ...jotting, pictures: 0 }));
  const all = [...home, ...waiting].sort((a, b) => (a.at < b.at ? -1 : 1));
  if (all.length === 0) return <p className="text-sm text-quiet">Nothing jotted on this day yet.</p>;
  return (
    <ul className="grid gap-1.5">
      {all.map(({ id, at, text, pictures }) => (
        <li key={id} className="grid grid-cols-[3.25rem_minmax(0,1fr)] gap-x-2">
          <time dateTime={at} className="text-sm text-quiet tabular-nums">
            {at.slice(11)}
          </time>
          <p className="whitespace-pre-wrap">
            {text}
            {pictures > 0 && ` ${pictures === 1 ? "One picture" : `${pictures} pictures`}.`}
            {waits.has(id) && <span className="text-sm text-quiet"> On this phone, not home yet.</span>}
          </p>
        </li>
      ))}
    </ul>
  );
}

/** How much of what was kept on the device the server has by now. */
function Standing({
  state,
  kept,
  onBack,
  onAgain,
}: {
  state: BoxState;
  kept: number;
  onBack: (jot: Jot) => void;
  onAgain: () => void;
}) {
  const refused = state.jots.filter((jot) => jot.refused !== null);
  const waits = state.jots.length - refused.length;
  return (
    <div className="grid gap-2 text-sm">
      <p role="status" className="min-h-5">
        {waits > 0 && state.state === "offline" && `No connection. ${waits} kept on this phone, sent when it is back.`}
        {waits > 0 && state.state === "sign-in" && (
          <>
            Kept on this phone.{" "}
            <Link className="link" to={to.signIn()}>
              Sign in
            </Link>{" "}
            and it is sent.
          </>
        )}
        {waits > 0 && state.state === "sending" && "Sending."}
        {waits === 0 && kept > 0 && refused.length === 0 && "Kept, and at home."}
      </p>
      {refused.map((jot) => (
        <div key={jot.id} role="alert" className="grid gap-1 border-l-4 border-ember pl-3">
          <p>
            {jot.refused === "no-day"
              ? `${jot.day} is not in the album any more. It stays on this phone: “${jot.text}”`
              : `One of its pictures cannot be read at home. It stays on this phone: “${jot.text}”`}
          </p>
          <p className="flex gap-3">
            <Button small onClick={onAgain}>
              Try again
            </Button>
            <Button small look="quiet" onClick={() => onBack(jot)}>
              Back into the field
            </Button>
          </p>
        </div>
      ))}
    </div>
  );
}

/** The household's wall clock as time goes on; the demo's stands still. */
function useNow({ fixedNow, timeZone, now }: TodayView): TodayView["now"] {
  const [wall, setWall] = useState(now);
  useEffect(() => {
    if (fixedNow) return;
    const look = () => setWall(wallClock(Date.now(), timeZone));
    look();
    const timer = window.setInterval(look, 15_000);
    document.addEventListener("visibilitychange", look);
    return () => {
      window.clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [fixedNow, timeZone]);
  return wall;
}

// A device that keeps nothing for pages says so by throwing; the words are in the field all the same.
function stored(slot: string): string {
  try {
    return window.localStorage.getItem(slot) ?? "";
  } catch {
    return "";
  }
}
function store(slot: string, text: string): void {
  try {
    window.localStorage.setItem(slot, text);
  } catch {}
}

/** Words that are being typed lie on the device too: a closed page has them when it is opened again. */
function useDraft(memberId: string, field: RefObject<HTMLTextAreaElement | null>): [string, (text: string) => void] {
  const slot = `hearth:draft:${memberId}`;
  const [text, setText] = useState("");
  useEffect(() => {
    const kept = stored(slot);
    // What was typed before the page ran comes after what was kept; in the field at once, where early hands look for it.
    const all = kept + (field.current?.value ?? "");
    if (field.current) field.current.value = all;
    setText(all);
    store(slot, all);
  }, [slot, field]);
  return [
    text,
    (next) => {
      setText(next);
      store(slot, next);
    },
  ];
}

/** The jottings of this device, sent when the page opens, when the connection is back, and again after a while. */
function useBox(memberId: string): { jots: JotBox; state: BoxState; send: () => void; again: () => void } {
  const jots = useMemo(() => new JotBox(jotSender(memberId)), [memberId]);
  const state = useSyncExternalStore(jots.subscribe, jots.snapshot, () => EMPTY);
  const { revalidate } = useRevalidator();
  const send = useMemo(
    () => () => {
      void jots.send().then((arrived) => {
        if (arrived > 0) void revalidate();
      });
    },
    [jots, revalidate],
  );
  useEffect(() => {
    // Another page of this device may have kept something and been closed before it went.
    const look = () => void jots.open().then(send, send);
    look();
    window.addEventListener("online", look);
    return () => window.removeEventListener("online", look);
  }, [jots, send]);
  const waits = state.jots.some(({ refused }) => refused === null);
  useEffect(() => {
    if (!waits || state.state === "sending") return nothing();
    const timer = window.setTimeout(send, TRY_AGAIN);
    return () => window.clearTimeout(timer);
  }, [waits, state, send]);
  return { jots, state, send, again: () => void jots.again().then(send, send) };
}
