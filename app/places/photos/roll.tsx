import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { isCarried } from "#app/parts/carried.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { type Handed, handIn, runOf } from "#app/sending/hand-in.ts";
import { useSending } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { ROLL_SHOWN } from "#app/wording/photo.ts";
import { parseDate } from "#core/month/dates.ts";
import { droppedFiles } from "./dropped.ts";
import { PicturePanel } from "./picture-panel.tsx";
import { wayOf } from "./place-on.tsx";
import { RollList } from "./roll-list.tsx";
import { Several } from "./several.tsx";
import { UndatedForm } from "./undated-form.tsx";
import { UploadBox } from "./upload-box.tsx";
import { type Pressed, useChosen } from "./use-chosen.ts";
import { useMarks } from "./use-marks.ts";
import { byDay, countShown, type RollView, type Room, SHOWN, type Shown } from "./view.ts";

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
  const navigate = useNavigate();
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
  const { pictures, mark, place, putInstead } = useMarks(view);
  const [asked] = useSearchParams();
  const [shown, setShown] = useState<Shown>(() => SHOWN.find((each) => each === asked.get("shown")) ?? "all");
  const { chosen: chosenIds, last: chosenId, press, none } = useChosen(asked.get("picture"));
  const [several, setSeveral] = useState(false);
  // Looked for from a day: what is chosen goes there.
  const lookedFor = parseDate(asked.get("for") ?? "");
  const aim = lookedFor && view.days[lookedFor] ? lookedFor : null;
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
  const together = pictures.filter(({ id }) => chosenIds.includes(id));
  const { instead } = view;
  const insteadOf = (id: string) =>
    instead && !instead.has.includes(id)
      ? () => {
          putInstead(instead, id);
          void navigate(to.crop(view.albumId, instead.useId));
        }
      : null;
  // Of the same all the time, so that rows whose pictures stay are not drawn anew.
  const now = useRef({ flat, chosenIds, several, instead, insteadOf });
  now.current = { flat, chosenIds, several, instead, insteadOf };
  const onPress = useCallback(
    (id: string, how: Pressed) =>
      press(
        id,
        how === "alone" && now.current.several ? "also" : how,
        now.current.flat.map((each) => each.id),
      ),
    [press],
  );
  const onCarry = useCallback((id: string) => (now.current.chosenIds.includes(id) ? now.current.chosenIds : [id]), []);
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
        onPress(next.id, event.shiftKey ? "up-to" : "alone");
        document.querySelector<HTMLElement>(`[data-photo="${next.id}"]`)?.focus();
        return;
      }
      if (event.key === "d" && now.current.instead) {
        if (chosenId) now.current.insteadOf(chosenId)?.();
        return;
      }
      if (event.key === "d") {
        const ids = flat.filter(({ id }) => chosenIds.includes(id));
        for (const picture of ids) {
          const own = wayOf(picture, view.days, aim);
          if (own) place([picture.id], own);
        }
        return;
      }
      const kind = { s: "star", b: "banked", a: "set-aside" }[event.key] as "star" | "banked" | "set-aside" | undefined;
      const picture = flat[at];
      if (kind && picture)
        mark(chosenIds.length > 0 ? chosenIds : [picture.id], {
          kind,
          on: !picture[kind === "set-aside" ? "setAside" : kind],
        });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [flat, chosenId, chosenIds, mark, place, onPress, view.days, aim]);

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a place to drop files on; the buttons inside do the same
    <div
      className={`wide:h-full ${over ? "outline-4 -outline-offset-4 outline-ember" : ""}`}
      onDragOver={(event) => {
        // Pictures of the roll that are carried to a day are none that come from outside.
        if (isCarried(event)) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        if (isCarried(event)) return;
        event.preventDefault();
        setOver(false);
        void droppedFiles(event.dataTransfer).then(start);
      }}
    >
      <Workplace
        tabs={<PlaceTabs place="photos" albumId={view.albumId} here="photos" />}
        staysInSight={together.length > 0}
        panel={
          together.length > 1 ? (
            <Several
              pictures={together}
              days={view.days}
              names={view.names}
              aim={aim}
              onMark={mark}
              onPlace={place}
              onNone={none}
            />
          ) : chosen ? (
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
                onChoose={(id) => onPress(id, "alone")}
                names={view.names}
                days={view.days}
                aim={aim}
                onPlace={place}
                onInstead={insteadOf(chosen.id)}
              />
              <Button look="quiet" small onClick={none}>
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
                aside, d onto its day. Shift or Ctrl with a press chooses several; carried to a day, they are on it.
              </p>
            </>
          )
        }
      >
        <PageStage>
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-2">
            <h1 className="text-2xl">The roll</h1>
            <p className="text-sm text-quiet">{many(pictures.length, "picture")}</p>
            <button
              type="button"
              aria-pressed={several}
              onClick={() => setSeveral(!several)}
              className="link ml-auto min-h-9 text-sm"
            >
              {several ? "Choose one at a time" : "Choose several"}
            </button>
          </div>
          {instead && (
            <p className="mb-2 flex flex-wrap items-center gap-x-3 border-l-4 border-ring-photos pl-3">
              <img src={pictureAddress(instead.picture.id, 480, instead.picture.look)} alt="" className="h-10 w-auto" />
              In place of this one of {instead.page}: its size and its place stay.
              <Link to={to.crop(view.albumId, instead.useId)} className="link text-sm">
                Leave it as it is
              </Link>
            </p>
          )}
          {aim && !instead && (
            <p className="mb-2 flex flex-wrap items-baseline gap-x-4 border-l-4 border-ring-photos pl-3">
              For {view.days[aim]?.name}: what you choose goes there.
              <Link to={to.day(view.albumId, aim)} className="link text-sm">
                Back to the day
              </Link>
            </p>
          )}
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
                keepers
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
              chosen={chosenIds}
              {...{ onPress, onCarry, onPlace: place }}
            />
          )}
        </PageStage>
      </Workplace>
    </div>
  );
}
