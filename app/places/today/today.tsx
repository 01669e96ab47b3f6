import { X } from "lucide-react";
import { type RefObject, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import type { Look } from "#app/parts/look-switch.tsx";
import { newId } from "#app/parts/new-id.ts";
import { whyReturned } from "#app/parts/returned.tsx";
import { store, stored } from "#app/parts/stored.ts";
import { Unsaved } from "#app/parts/unsaved.tsx";
import { Tonight } from "#app/places/pace/tonight.tsx";
import { Counting } from "#app/places/tallies/counting.tsx";
import type { Returned, SentJotting, SentPicture } from "#app/sending/entry.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { InAlbum, useSending } from "#app/sending/sending.tsx";
import { shortDate } from "#app/wording/dates.ts";
import { parseDate, wallClock } from "#core/month/dates.ts";
import { Jotted, Others, TakePicture, ToDo } from "./today-parts.tsx";
import { dayShort, openDay, type TodayView } from "./view.ts";
import { Ways } from "./ways.tsx";

/** The form that the field, the day and the button belong to. */
const JOT = "jot";
const NOT_KEPT: Record<string, string> = {
  "no-such-day": "The album has no such day any more: choose another.",
  "too-long": "They are more than one jotting holds: keep them in two.",
  "store-gone": "What is kept cannot be reached just now: press Keep again in a moment.",
};
const UNREAD = "A picture could not be read from this phone. Take it or choose it once more.";

/** A picture taken with what is being jotted, and where it is seen. */
type TakenPicture = SentPicture & { readonly file: Blob; readonly address: string };
const taken = (id: string, name: string, file: Blob): TakenPicture => ({
  ...{ id, name, file, size: file.size },
  address: URL.createObjectURL(file),
});
/** Read at once: a phone takes a camera's file away again. */
const pictureOf = async (file: File): Promise<TakenPicture> =>
  taken(newId(), file.name, new Blob([await file.arrayBuffer()], { type: file.type }));

type Props = {
  readonly view: TodayView;
  readonly look: Look;
  readonly phone: boolean;
  /** Words that a browser sent by itself and that were not taken. */
  readonly notKept: { readonly text: string; readonly reason: string } | null;
};

/**
 * Today, for a phone in one hand: the cue, a big field, the camera. What is kept on the device is sent when there is a
 * connection; where our scripts do not run, the browser sends the field as it sends any form.
 */
export function Today({ view, look, phone, notKept }: Props) {
  const { album, days, memberId } = view;
  const now = useNow(view);
  const { state, send, sendAgain, letGo, pictureOf: waitingPicture } = useSending();
  const [chosen, setChosen] = useState(view.asked);
  const [pictures, setPictures] = useState<readonly TakenPicture[]>([]);
  const [unread, setUnread] = useState(false);
  const [kept, setKept] = useState(0);
  const field = useRef<HTMLTextAreaElement>(null);
  const [draft, setDraft] = useDraft(memberId, field, notKept?.text ?? "");
  const [cameraFirst, setCameraFirst] = useCameraFirst();
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
  const keep = () => {
    // Pressed with nothing to keep, it shows where to begin.
    field.current?.focus();
    if (draft.trim() === "" && pictures.length === 0) return;
    const id = newId();
    const jotting = draft.trim() === "" ? null : { id, text: draft.trim(), at: `${now.date}T${now.time}` };
    const sent: SentJotting = {
      ...{ what: "jotting", dayId: day.dayId, day: day.said, jotting },
      pictures: pictures.map(({ id: use, name, size }) => ({ id: use, name, size })),
    };
    // The outbox has it from here on, and the device as soon as it is written.
    void send({ album: album.id, key: `jotting:${id}`, sent }, new Map(pictures.map((each) => [each.id, each.file])));
    setDraft("");
    setPictures([]);
    setKept(kept + 1);
  };
  const take = async (files: readonly File[]) => {
    const read = await Promise.allSettled(files.map(pictureOf));
    setUnread(read.some(({ status }) => status === "rejected"));
    setPictures((was) => [...was, ...read.flatMap((each) => (each.status === "fulfilled" ? each.value : []))]);
  };
  /** A jotting that the server will not take comes back into the field, to be kept for another day or without its picture. */
  const takeBack = async (id: string, { jotting, pictures: own }: SentJotting) => {
    const read = await Promise.all(
      own.map(async ({ id: use, name }) => {
        const picture = await waitingPicture(use);
        return picture ? [taken(use, name, picture)] : [];
      }),
    );
    letGo(id);
    setDraft([jotting?.text, field.current?.value.trim()].filter(Boolean).join("\n"));
    setPictures((was) => [...read.flat(), ...was]);
    field.current?.focus();
  };
  const isToday = day.date === now.date;
  const jots = pendingSent(state, "jotting");
  const waiting = jots.filter(({ dayId }) => dayId === day.dayId);
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
      {view.noted
        .filter(({ date }) => date === day.date)
        .map((noted) => (
          <p key={noted.date} className="border-l-4 border-ember pl-3 text-sm whitespace-pre-line">
            <span className="text-quiet">Noted in {noted.album}: </span>
            {noted.text}
          </p>
        ))}
      <ToDo albumId={album.id} day={day} before={isToday ? view.before : null} />
      {cameraFirst && <TakePicture isLarge onTake={take} />}
      <form
        id={JOT}
        method="post"
        action={to.today({ album: album.id })}
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <input type="hidden" name="page" value={view.page} />
      </form>
      <textarea
        ref={field}
        form={JOT}
        name="jotting"
        aria-label="Jot it down"
        value={draft}
        onChange={(event) => setDraft(event.target.value)}
        placeholder="Three lines are plenty"
        maxLength={100_000}
        className="field min-h-40 w-full flex-1 text-lg"
      />
      {pictures.length > 0 && (
        <ul aria-label="Pictures with it" className="flex flex-wrap gap-2">
          {pictures.map(({ id, address, name }) => (
            <li key={id} className="relative">
              <img src={address} alt={name} className="size-20 rounded-sm object-cover" />
              <button
                type="button"
                aria-label={`Leave ${name} out`}
                onClick={() => setPictures(pictures.filter((each) => each.id !== id))}
                className="absolute top-0 right-0 grid size-8 place-items-center rounded-sm bg-soot text-on-soot"
              >
                <X className="size-4" aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div
        className={`sticky bottom-14 grid gap-3 bg-ground py-2 wide:bottom-0 ${cameraFirst ? "" : "grid-cols-[auto_minmax(0,1fr)]"}`}
      >
        {!cameraFirst && <TakePicture isLarge={false} onTake={take} />}
        <Button look="main" className="min-h-14 text-lg" type="submit" form={JOT}>
          Keep
        </Button>
      </div>
      {unread && (
        <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
          {UNREAD}
        </p>
      )}
      {notKept && (
        <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
          What you jotted was not kept, and stands in the field again.{" "}
          {NOT_KEPT[notKept.reason] ?? whyReturned(notKept.reason)}
        </p>
      )}
      <Unsaved at="here" />
      <p role="status" className="min-h-5 text-sm">
        {kept > 0 && jots.length === 0 && state.returned.length === 0 && "Kept, and at home."}
      </p>
      {state.returned.map((each) => (
        <Refused key={each.entry.id} returned={each} onAgain={sendAgain} onBack={takeBack} />
      ))}
      <section aria-label="Jotted on this day" className="grid gap-2 border-t border-line pt-3">
        <Jotted
          day={day}
          waiting={waiting.map(({ jotting, pictures: own }, at) => ({
            ...{ id: jotting?.id ?? `pictures ${at}`, text: jotting?.text ?? "", pictures: own.length },
            at: jotting?.at ?? `${now.date}T${now.time}`,
          }))}
        />
        <label className="grid gap-1 text-sm">
          <span className="text-quiet">For another day</span>
          <select
            form={JOT}
            name="day"
            className="field"
            value={chosen ?? ""}
            onChange={(event) => setChosen(parseDate(event.target.value))}
          >
            <option value="">Today, whichever it is</option>
            {days.map((each) => (
              <option key={each.dayId} value={each.date}>
                {dayShort(each)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-8 items-center gap-2 text-sm text-quiet">
          <input
            type="checkbox"
            checked={cameraFirst}
            onChange={(event) => setCameraFirst(event.target.checked)}
            className="size-4 accent-ember"
          />
          The camera first, on this device
        </label>
        {view.tallies.length > 0 && (
          <InAlbum albumId={album.id}>
            <Counting saved={view.tallies} albumId={album.id} date={day.date} said={shortDate(day.date)} roomy />
          </InAlbum>
        )}
        {view.evening && (
          <InAlbum albumId={album.id}>
            <Tonight albumId={album.id} evening={view.evening} />
          </InAlbum>
        )}
        <Others others={view.others} today={now.date} />
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

/** A jotting that was not taken at home, and what can be done with it. */
function Refused({
  returned: { entry, reason },
  onAgain,
  onBack,
}: {
  returned: Returned;
  onAgain: (id: string) => void;
  onBack: (id: string, sent: SentJotting) => Promise<void>;
}) {
  const { id, sent } = entry;
  if (sent.what !== "jotting") return null;
  return (
    <div role="alert" className="grid gap-1 border-l-4 border-ember pl-3 text-sm">
      <p>
        What you jotted for {sent.day} was not taken. {whyReturned(reason)} It stays on this phone: “
        {sent.jotting?.text}”
      </p>
      <p className="flex gap-3">
        <Button small onClick={() => onAgain(id)}>
          Try again
        </Button>
        <Button small look="quiet" onClick={() => void onBack(id, sent)}>
          Back into the field
        </Button>
      </p>
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

const CAMERA_FIRST = "hearth:camera-first";

/** Whether the camera comes before the words: as this device was told. */
function useCameraFirst(): [boolean, (on: boolean) => void] {
  const [is, setIs] = useState(false);
  useEffect(() => setIs(stored(CAMERA_FIRST) === "yes"), []);
  return [
    is,
    (on) => {
      setIs(on);
      store(CAMERA_FIRST, on ? "yes" : "");
    },
  ];
}

/** Words that are being typed lie on the device too: a closed page has them when it is opened again. */
function useDraft(
  memberId: string,
  field: RefObject<HTMLTextAreaElement | null>,
  first: string,
): [string, (text: string) => void] {
  const slot = `hearth:draft:${memberId}`;
  const [text, setText] = useState(first);
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
