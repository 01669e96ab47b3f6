import { useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Labelled } from "#app/parts/field.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { HowFar, sayBytes } from "#app/places/background/progress.tsx";
import {
  actOn,
  follow,
  forgetFile,
  SignedOut,
  sendArchive,
  type WorkTold,
} from "#app/places/background/work-sender.ts";
import { ARCHIVE_PROBLEM, damagedAt } from "#app/wording/archive.ts";
import { many } from "#app/wording/count.ts";

type State =
  | { readonly is: "choosing"; readonly error: string | null }
  | { readonly is: "sending"; readonly sent: number; readonly whole: number }
  | { readonly is: "reading"; readonly id: string; readonly now: WorkTold | null }
  /** The household has this album: it may be opened, or read beside it. */
  | { readonly is: "already-here"; readonly id: string; readonly albumId: string }
  /** Read, with days put in that its span has and the file had not. */
  | { readonly is: "mended"; readonly albumId: string; readonly added: number }
  /** A whole household came: so many albums, beside those that were here. */
  | { readonly is: "moved"; readonly albums: number; readonly present: number; readonly pictures: number };

type Outcome = {
  readonly ok: boolean;
  readonly albumId?: string;
  readonly reason?: string;
  readonly where?: string;
  readonly added?: number;
  readonly albums?: number;
  readonly present?: number;
  readonly pictures?: number;
} | null;
const FAILED = "Something went wrong here while it was read. Nothing was changed; try again.";
const said = (reason: string | undefined, where?: string): string => {
  if (reason === "damaged" && where) return damagedAt(where);
  return reason && reason in ARCHIVE_PROBLEM ? ARCHIVE_PROBLEM[reason as keyof typeof ARCHIVE_PROBLEM] : FAILED;
};

/** Chooses an archive, sends it part by part, and follows how it is read. */
export function ReadArchive({ room }: { room: string }) {
  const [state, setState] = useState<State>({ is: "choosing", error: null });
  const [file, setFile] = useState<File | null>(null);
  const stop = useRef<AbortController | null>(null);
  const running = useRunning();
  const navigate = useNavigate();
  useEffect(() => () => stop.current?.abort(), []);

  const untilRead = async (id: string, signal: AbortSignal) => {
    const end = await follow(id, (now) => setState({ is: "reading", id, now }), signal);
    const outcome = end?.outcome as Outcome;
    if (outcome?.reason === "already-here" && outcome.albumId)
      return setState({ is: "already-here", id, albumId: outcome.albumId });
    if (file) forgetFile(file);
    if (outcome?.ok && outcome.albums !== undefined) {
      const { albums, present = 0, pictures = 0 } = outcome;
      return setState({ is: "moved", albums, present, pictures });
    }
    if (outcome?.ok && outcome.albumId && outcome.added)
      return setState({ is: "mended", albumId: outcome.albumId, added: outcome.added });
    if (outcome?.ok && outcome.albumId) return void navigate(to.month(outcome.albumId));
    setState({ is: "choosing", error: end?.state === "cancelled" ? null : said(outcome?.reason, outcome?.where) });
  };
  const work = (begin: (signal: AbortSignal) => Promise<void>) => {
    stop.current = new AbortController();
    const { signal } = stop.current;
    begin(signal).catch((error: unknown) => {
      if (signal.aborted) return;
      const error_ =
        error instanceof SignedOut
          ? "You are signed out here. Sign in, then choose the file again: it goes on where it stopped."
          : FAILED;
      setState({ is: "choosing", error: error_ });
    });
  };
  const send = () =>
    work(async (signal) => {
      if (!file) return setState({ is: "choosing", error: ARCHIVE_PROBLEM["no-file"] });
      setState({ is: "sending", sent: 0, whole: file.size });
      const sent = await sendArchive(file, (far, whole) => setState({ is: "sending", sent: far, whole }), signal);
      if (!sent.ok) {
        forgetFile(file);
        return setState({ is: "choosing", error: said(sent.reason) });
      }
      await untilRead(sent.id, signal);
    });
  const readAsCopy = (id: string) =>
    work(async (signal) => {
      setState({ is: "reading", id, now: null });
      await actOn(id, "read-as-copy", signal);
      await untilRead(id, signal);
    });
  const cancel = (id: string | null) => {
    stop.current?.abort();
    setState({ is: "choosing", error: null });
    if (id) void actOn(id, "cancel", new AbortController().signal);
  };

  return (
    <div className="mx-auto grid max-w-xl gap-6">
      <div>
        <h1 className="text-3xl">Read an archive</h1>
        <p className="text-quiet">
          An album that was saved from here or from another Hearth Clock comes back whole: every day, word, photo and
          tick. So does a whole household.
        </p>
      </div>
      {state.is === "sending" && (
        <HowFar
          said={`Sending it, ${sayBytes(state.sent)} of ${sayBytes(state.whole)}. Broken off, it goes on where it stopped.`}
          done={state.sent}
          whole={state.whole}
          onCancel={() => cancel(null)}
        />
      )}
      {state.is === "reading" && (
        <HowFar
          said={sayReading(state.now)}
          done={state.now?.done ?? 0}
          whole={state.now?.whole ?? 0}
          onCancel={() => cancel(state.id)}
        />
      )}
      {state.is === "already-here" && (
        <div role="alert" className="grid gap-3 border-l-4 border-ember pl-4">
          <p className="font-medium">This album is on your shelf already, so it was not read a second time.</p>
          <p className="flex flex-wrap items-center gap-4">
            <Link to={to.month(state.albumId)} className="link">
              Open the one that is here
            </Link>
            <Button small onClick={() => readAsCopy(state.id)}>
              Read it as a second album
            </Button>
          </p>
        </div>
      )}
      {state.is === "mended" && (
        <div role="status" className="grid gap-3 border-l-4 border-ember pl-4">
          <p className="font-medium">
            The album is on your shelf.{" "}
            {state.added === 1
              ? "One day of its span was missing in the file: it is there now, with nothing in it."
              : `${state.added} days of its span were missing in the file: they are there now, with nothing in them.`}
          </p>
          <Link to={to.month(state.albumId)} className="link">
            Open it
          </Link>
        </div>
      )}
      {state.is === "moved" && (
        <div role="status" className="grid gap-3 border-l-4 border-ember pl-4">
          <p className="font-medium">
            The household is here: {many(state.albums, "album")}, {many(state.pictures, "picture")}, the drawer and all
            that was kept.
            {state.present > 0 &&
              ` ${many(state.present, "album was", "albums were")} here already and stayed as they are.`}
          </p>
          <p className="text-sm text-quiet">
            Those who wrote in it are here by their names, and come in again by an invitation. Links are closed, and
            what lay in the tray did not come along.
          </p>
          <Link to={to.shelf()} className="link">
            To the shelf
          </Link>
        </div>
      )}
      {state.is === "choosing" && (
        <form
          className="grid gap-5"
          onSubmit={(event) => {
            event.preventDefault();
            send();
          }}
        >
          <Labelled label="The archive" hint={`A file ending in .zip. ${room}`} error={state.error ?? undefined}>
            {(props) => (
              <input
                type="file"
                accept=".zip,application/zip"
                className="field"
                onChange={(event) => setFile(event.target.files?.[0] ?? null)}
                {...props}
              />
            )}
          </Labelled>
          <div className="flex items-center gap-5">
            <Button type="submit" look="main" disabled={!running}>
              Read it
            </Button>
            <Link to={to.shelf()} className="link">
              Back to the shelf
            </Link>
          </div>
        </form>
      )}
    </div>
  );
}

function sayReading(now: WorkTold | null): string {
  if (now?.state !== "running") return "Waiting for its turn";
  return now.whole > 0 ? `Reading it, photo ${now.done + 1} of ${now.whole}` : "Reading it";
}
