import { Camera, FolderInput, ImagePlus, Smartphone } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { sayBytes } from "#app/places/background/progress.tsx";
import { PHOTO_PROBLEM } from "#app/wording/photo.ts";
import { type Handed, picturesOf, type Run, sayTimeLeft } from "./upload-run.ts";
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

/** The sender of the roll: files, a folder, the camera, and the phone that is simulated. */
export function UploadBox({
  run,
  room: { kept, most },
  onFiles,
  onCancel,
}: {
  run: Run;
  room: Room;
  onFiles: (handed: Handed) => void;
  onCancel: () => void;
}) {
  const busy = run.state === "running" || run.state === "waiting";
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
        <PhoneStandIn disabled={busy} onFiles={onFiles} />
      </div>
      <p className="text-sm text-quiet">
        Or drop them anywhere on this page. JPEG, PNG, WebP, AVIF, TIFF and HEIC; the files stay as they are. Your
        household keeps {sayBytes(kept)} of the {sayBytes(most)} it may keep here.
      </p>
      {run.state !== "idle" && <Progress run={run} onCancel={onCancel} />}
    </section>
  );
}

function Progress({ run, onCancel }: { run: Run; onCancel: () => void }) {
  const settled = run.added + run.known + run.refused.length;
  const busy = run.state === "running" || run.state === "waiting";
  const parts = [
    `${run.added} added`,
    run.known > 0 && `${run.known} here already`,
    run.refused.length > 0 && `${run.refused.length} not taken`,
  ].filter(Boolean);
  return (
    <div className="grid gap-1.5 border-l-4 border-ring-photos pl-3 text-sm">
      <progress
        value={settled}
        max={Math.max(1, run.total)}
        aria-label="Pictures taken in"
        className="h-2 w-full appearance-none overflow-hidden rounded-sm bg-line [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-ring-photos"
      />
      <p role="status" className="font-medium">
        {run.total === 0 ? "Nothing in there is a picture." : `${settled} of ${run.total}: ${parts.join(", ")}.`}
        {run.state === "running" && run.secondsLeft !== null && ` ${sayTimeLeft(run.secondsLeft)}.`}
        {run.waitsFor === "server" && " The server does not answer; the rest goes on by itself when it does."}
        {run.waitsFor === "sign-in" &&
          " You are signed out. Sign in again in another window, and the rest goes on by itself."}
        {run.total > 0 &&
          run.leftOut > 0 &&
          (run.leftOut === 1
            ? " One other file is no picture and was left."
            : ` ${run.leftOut} other files are no pictures and were left.`)}
        {run.state === "cancelled" && " Stopped. What is in stays in; hand the rest in again whenever you like."}
      </p>
      {run.refused.length > 0 && (
        <ul className="grid gap-0.5 text-ember">
          {run.refused.map(({ name, reason }) => (
            <li key={name}>
              {name} {PHOTO_PROBLEM[reason]}
            </li>
          ))}
        </ul>
      )}
      {busy && (
        <div>
          <Button small onClick={onCancel}>
            Stop here
          </Button>
        </div>
      )}
    </div>
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
