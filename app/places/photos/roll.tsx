import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { type Handed, handIn, runOf } from "#app/sending/hand-in.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox, useSending } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { ROLL_SHOWN } from "#app/wording/photo.ts";
import { parseDate } from "#core/month/dates.ts";
import type { RollMark } from "#core/photo/roll.ts";
import { droppedFiles } from "./dropped.ts";
import { withMark } from "./marks.ts";
import { PicturePanel } from "./picture-panel.tsx";
import { RollList } from "./roll-list.tsx";
import { UploadBox } from "./upload-box.tsx";
import { byDay, countShown, type RollPicture, type RollView, type Room, SHOWN, type Shown } from "./view.ts";

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName);

/** As much of the roll as is sent with the page; the rest is laid out once the page runs. */
const FIRST_DAYS = 6;

/**
 * Where an arrow leads in what is shown. `at` is where the chosen picture stands, -1 where it is shown no more; then `last`
 * is where it stood, and the one after it stands there now.
 */
export const stepFrom = (at: number, last: number, by: 1 | -1): number =>
  at >= 0 ? at + by : last < 0 ? 0 : by === 1 ? last : last - 1;

/** Every picture of the household, by day, and what is said of them. */
export function Roll({ view, room }: { view: RollView; room: Room }) {
  const running = useRunning();
  const { state, send, stopPictures } = useSending();
  const run = runOf(state, null);
  const [leftOut, setLeftOut] = useState(0);
  const [stopped, setStopped] = useState(false);
  const start = (handed: Handed) => {
    setLeftOut(run.waiting > 0 ? leftOut + handed.leftOut : handed.leftOut);
    setStopped(false);
    handIn(send, handed.files, null);
  };
  const stop = () => {
    setStopped(true);
    stopPictures(null);
  };
  const { pictures, mark } = useMarks(view.pictures);
  const [shown, setShown] = useState<Shown>("all");
  const [asked] = useSearchParams();
  const [chosenId, setChosen] = useState<string | null>(asked.get("picture"));
  // A picture that was found from elsewhere is brought into sight.
  const first = useRef(chosenId);
  useEffect(() => {
    if (first.current && running)
      document.querySelector(`[data-photo="${CSS.escape(first.current)}"]`)?.scrollIntoView({ block: "center" });
  }, [running]);
  const [over, setOver] = useState(false);
  const days = useMemo(() => byDay(pictures, shown, view.days), [pictures, shown, view.days]);
  const flat = useMemo(() => days.flatMap(({ clusters }) => clusters.flat()), [days]);
  // Where the chosen picture stands, or stood before a mark took it out of what is shown.
  const last = useRef(-1);
  const here = flat.findIndex(({ id }) => id === chosenId);
  if (here >= 0) last.current = here;
  const chosen = pictures.find(({ id }) => id === chosenId) ?? null;
  const loose = pictures.filter(({ setAside, on }) => setAside && on.length === 0);
  const undated = pictures.filter(({ date, setAside }) => date === null && !setAside);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        isTyping(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        document.querySelector("[role=dialog]")
      )
        return;
      const at = flat.findIndex(({ id }) => id === chosenId);
      if (event.key === "ArrowDown" || event.key === "ArrowUp") {
        const next = flat[stepFrom(at, last.current, event.key === "ArrowDown" ? 1 : -1)];
        if (!next) return;
        event.preventDefault();
        setChosen(next.id);
        document.querySelector<HTMLElement>(`[data-photo="${next.id}"]`)?.focus();
        return;
      }
      const kind = { s: "star", b: "banked", a: "set-aside" }[event.key] as "star" | "banked" | "set-aside" | undefined;
      const picture = flat[at];
      if (kind && picture) mark([picture.id], { kind, on: !picture[kind === "set-aside" ? "setAside" : kind] });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [flat, chosenId, mark]);

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a place to drop files on; the buttons inside do the same
    <div
      className={`wide:h-full ${over ? "outline-4 -outline-offset-4 outline-ember" : ""}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void droppedFiles(event.dataTransfer).then(start);
      }}
    >
      <Workplace
        tabs={<PlaceTabs place="photos" albumId={view.albumId} here="photos" />}
        panel={
          chosen ? (
            <>
              <PicturePanel
                albumId={view.albumId}
                picture={chosen}
                alike={
                  chosen.alike
                    ? pictures
                        .filter(({ alike }) => alike?.group === chosen.alike?.group)
                        .sort((a, b) => (a.alike?.rank ?? 0) - (b.alike?.rank ?? 0))
                    : []
                }
                onMark={mark}
                onChoose={setChosen}
              />
              <Button look="quiet" small onClick={() => setChosen(null)}>
                Back to filling the roll
              </Button>
            </>
          ) : (
            <>
              <h2 className="text-xl">Fill the roll</h2>
              <UploadBox run={run} leftOut={leftOut} isStopped={stopped} room={room} onFiles={start} onStop={stop} />
              {undated.length > 0 && <UndatedForm undated={undated} onMark={mark} />}
              <p className="text-sm text-quiet">
                Choose a picture to see it large. Keys: arrows up and down from one to the next, s star, b bank, a set
                aside.
              </p>
            </>
          )
        }
      >
        <PageStage>
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-2">
            <h1 className="text-2xl">The roll</h1>
            <p className="text-sm text-quiet">{many(pictures.length, "picture")}</p>
          </div>
          <fieldset className="flex flex-wrap gap-x-4 border-b border-line pb-1">
            <legend className="sr-only">Which pictures</legend>
            {SHOWN.map((each) => (
              <label
                key={each}
                className={`flex min-h-9 items-center gap-1 border-b-2 text-sm has-focus-visible:outline-2 has-focus-visible:outline-ember ${each === shown ? "border-ember font-semibold" : "border-transparent text-quiet hover:text-ember"}`}
              >
                <input
                  type="radio"
                  name="shown"
                  checked={each === shown}
                  onChange={() => setShown(each)}
                  className="sr-only"
                />
                {ROLL_SHOWN[each]}
                <span className="tabular-nums">{countShown(pictures, each)}</span>
              </label>
            ))}
          </fieldset>
          {shown === "set-aside" && loose.length > 0 && (
            <p className="flex flex-wrap items-center gap-3 border-b border-line py-2 text-sm">
              <Button
                small
                onClick={() =>
                  mark(
                    loose.map(({ id }) => id),
                    { kind: "away" },
                  )
                }
              >
                {loose.length === 1 ? "Put it in the tray" : `Put these ${loose.length} in the tray`}
              </Button>
              <span className="text-quiet">
                What is set aside stays as long as you like; in{" "}
                <Link className="link" to={to.tray()}>
                  the tray
                </Link>{" "}
                it lies for 30 days.
              </span>
            </p>
          )}
          <Refusal />
          {pictures.length === 0 ? (
            <p className="max-w-prose py-10 text-lg">
              Nothing on the roll yet. Choose pictures, a whole folder, or drop them here: they are read for their day
              and laid out by it.
            </p>
          ) : flat.length === 0 ? (
            <p className="py-10 text-quiet">{ROLL_SHOWN[shown]}: none.</p>
          ) : (
            <RollList
              days={running ? days : days.slice(0, FIRST_DAYS)}
              names={view.days}
              chosen={chosenId}
              onChoose={setChosen}
            />
          )}
        </PageStage>
      </Workplace>
    </div>
  );
}

/** The pictures with every mark that is on its way already made, and how to make one. */
function useMarks(saved: readonly RollPicture[]) {
  const { state, put } = useOutbox();
  const mark = useCallback(
    (ids: readonly string[], each: RollMark) => {
      const id = newId();
      put(`mark:${id}`, { what: "mark", ids: [...ids], mark: each });
    },
    [put],
  );
  const pictures = useMemo(() => {
    const pending = pendingSent(state, "mark");
    if (pending.length === 0) return saved;
    return saved.flatMap(
      (picture) =>
        pending.reduce<RollPicture | null>(
          (now, { ids, mark: each }) => (now && ids.includes(picture.id) ? withMark(now, each) : now),
          picture,
        ) ?? [],
    );
  }, [saved, state]);
  return { pictures, mark };
}

/** Pictures whose camera wrote no date, given one together. */
function UndatedForm({
  undated,
  onMark,
}: {
  undated: readonly RollPicture[];
  onMark: (ids: readonly string[], mark: RollMark) => void;
}) {
  const [text, setText] = useState("");
  const [left, setLeft] = useState<readonly string[]>([]);
  const date = parseDate(text);
  const ids = undated.map(({ id }) => id).filter((id) => !left.includes(id));
  return (
    <form
      className="grid gap-2 border-t border-line pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (date && ids.length > 0) onMark(ids, { kind: "date", date });
      }}
    >
      <h2 className="text-lg">
        {undated.length === 1 ? "One picture has no date" : `${undated.length} pictures have no date`}
      </h2>
      <div className="flex flex-wrap gap-1.5">
        {undated.slice(0, 40).map(({ id, name, look }) => (
          <label key={id} className={`relative ${left.includes(id) ? "opacity-40" : ""}`}>
            <input
              type="checkbox"
              checked={!left.includes(id)}
              aria-label={name}
              onChange={(event) => setLeft(event.target.checked ? left.filter((each) => each !== id) : [...left, id])}
              className="absolute top-1 left-1 size-4 accent-ember"
            />
            <img src={pictureAddress(id, 96, look)} alt="" className="size-16 object-cover" />
          </label>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <label className="grid gap-1 text-sm font-medium">
          They were taken on
          <input
            type="date"
            value={text}
            onChange={(event) => setText(event.target.value)}
            className="field max-w-44"
          />
        </label>
        <Button type="submit" disabled={!date || ids.length === 0}>
          Date {ids.length}
        </Button>
      </div>
    </form>
  );
}
