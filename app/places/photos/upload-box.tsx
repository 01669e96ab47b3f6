import { Camera, FolderInput, ImagePlus, Smartphone } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { sayBytes } from "#app/places/background/progress.tsx";
import type { Came } from "#app/sending/entry.ts";
import { type Handed, picturesOf, type Run } from "#app/sending/hand-in.ts";
import { many } from "#app/wording/count.ts";
import { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import type { Room } from "./view.ts";

/** What the roll takes in, for the file chooser. */
const ACCEPT =
  "image/jpeg,image/png,image/webp,image/avif,image/tiff,image/heic,image/heif,.heic,.heif,.tif,.tiff,.avif";

function Choose({
  children,
  onFiles,
  ...input
}: {
  children: ReactNode;
  onFiles: (handed: Handed) => void;
  multiple?: boolean;
  capture?: "environment";
  webkitdirectory?: string;
}) {
  return (
    <label className="flex min-h-10 items-center gap-2 rounded-sm border border-edge bg-raised px-3 text-sm font-medium hover:border-ember hover:text-ember has-focus-visible:outline-2 has-focus-visible:outline-ember">
      {children}
      <input
        type="file"
        accept={ACCEPT}
        className="sr-only"
        {...input}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          onFiles(input.webkitdirectory === undefined ? { files, leftOut: 0 } : picturesOf(files));
          event.target.value = "";
        }}
      />
    </label>
  );
}

/** What is shown of the pictures on their way. */
type Shown = {
  readonly run: Run;
  /** Files of a folder that are no pictures. */
  readonly leftOut: number;
  /** The rest was let go of by hand. */
  readonly isStopped: boolean;
};

/** The ways into the roll: files, a folder, the camera, and the phone that is simulated. */
export function UploadBox({
  room: { kept, most },
  onFiles,
  onStop,
  ...shown
}: Shown & {
  room: Room;
  onFiles: (handed: Handed) => void;
  onStop: () => void;
}) {
  const { run, leftOut, isStopped } = shown;
  return (
    <section aria-label="Fill the roll" className="grid gap-2.5">
      <div className="flex flex-wrap gap-2">
        <Choose onFiles={onFiles} multiple>
          <ImagePlus className="size-4" aria-hidden="true" /> Choose pictures
        </Choose>
        <Choose onFiles={onFiles} multiple webkitdirectory="">
          <FolderInput className="size-4" aria-hidden="true" /> A whole folder
        </Choose>
        <Choose onFiles={onFiles} capture="environment">
          <Camera className="size-4" aria-hidden="true" /> Camera
        </Choose>
        <PhoneStandIn disabled={run.waiting > 0} onFiles={onFiles} />
      </div>
      <p className="text-sm text-quiet">
        Or drop them anywhere on this page. JPEG, PNG, WebP, AVIF, TIFF and HEIC; the files stay as they are. Your
        household keeps {sayBytes(kept)} of the {sayBytes(most)} it may keep here.
      </p>
      {(run.came.length + run.waiting + leftOut > 0 || isStopped) && <Progress {...shown} onStop={onStop} />}
    </section>
  );
}

function Progress({ run, leftOut, isStopped, onStop }: Shown & { onStop: () => void }) {
  const settled = run.came.length;
  const total = settled + run.waiting;
  const parts = [
    `${run.added} added`,
    run.known > 0 && `${run.known} here already`,
    run.refused.length > 0 && `${run.refused.length} not taken`,
  ].filter(Boolean);
  return (
    <div className="grid gap-1.5 border-l-4 border-ring-photos pl-3 text-sm">
      <progress
        value={settled}
        max={Math.max(1, total)}
        aria-label="Pictures taken in"
        className="h-2 w-full appearance-none overflow-hidden rounded-sm bg-line [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-ring-photos"
      />
      <p role="status" className="font-medium">
        {total === 0 ? leftOut > 0 && "Nothing in there is a picture." : `${settled} of ${total}: ${parts.join(", ")}.`}
        {run.secondsLeft !== null && ` ${sayTimeLeft(run.secondsLeft)}.`}
        {run.secondsLeft !== null && " They go on by themselves, on whichever page you are."}
        {total > 0 &&
          leftOut > 0 &&
          (leftOut === 1
            ? " One other file is no picture and was left."
            : ` ${leftOut} other files are no pictures and were left.`)}
        {isStopped && " Stopped. What is in stays in; hand the rest in again whenever you like."}
      </p>
      <NotTaken came={run.refused} />
      {run.waiting > 0 && (
        <div>
          <Button small onClick={onStop}>
            Stop here
          </Button>
        </div>
      )}
    </div>
  );
}

/** Seconds as somebody says them beside a clock. */
export function sayTimeLeft(seconds: number): string {
  if (seconds < 60) return `about ${Math.max(5, Math.ceil(seconds / 5) * 5)} seconds left`;
  return `about ${many(Math.ceil(seconds / 60), "minute")} left`;
}

/** Pictures that were not taken, each with why. */
function NotTaken({ came }: { came: readonly Came[] }) {
  if (came.length === 0) return null;
  return (
    <ul className="grid gap-0.5 text-ember">
      {came.map(
        ({ picture, result }) =>
          !result.ok && (
            <li key={picture.id}>
              {picture.name} {PHOTO_PROBLEM[result.reason]}
            </li>
          ),
      )}
    </ul>
  );
}

/** Fetches what is on the simulated phone and hands it in as anybody's files. */
function PhoneStandIn({ disabled, onFiles }: { disabled: boolean; onFiles: (handed: Handed) => void }) {
  const [asking, setAsking] = useState(false);
  const [lost, setLost] = useState(false);
  const fetchAll = async () => {
    setAsking(true);
    setLost(false);
    try {
      const names = (await (await fetch("/stand-ins/phone")).json()) as string[];
      const files: File[] = [];
      for (const [at, name] of names.entries()) {
        const answer = await fetch(`/stand-ins/phone/${at}`);
        files.push(new File([await answer.blob()], name, { type: answer.headers.get("content-type") ?? "" }));
      }
      onFiles({ files, leftOut: 0 });
    } catch {
      setLost(true);
    } finally {
      setAsking(false);
    }
  };
  return (
    <>
      <Button small className="min-h-10" disabled={disabled || asking} onClick={fetchAll}>
        <Smartphone className="size-4" aria-hidden="true" />
        {asking ? "Asking the phone" : "Simulated phone"}
      </Button>
      {lost && (
        <p role="alert" className="text-sm font-medium text-ember">
          The simulated phone does not answer.
        </p>
      )}
    </>
  );
}
