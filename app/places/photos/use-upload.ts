import { useCallback, useEffect, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import {
  type Handed,
  NO_RUN,
  picturesOf,
  type Run,
  SignedOut,
  type TakenIn,
  UploadRun,
  type UploadSender,
} from "./upload-run.ts";

const hex = (bytes: ArrayBuffer) =>
  [...new Uint8Array(bytes)].map((each) => each.toString(16).padStart(2, "0")).join("");

/** The answer; throws where there is none, so that the run waits and tries again. */
async function answered<T>(response: Response): Promise<T> {
  if (response.redirected || response.status === 401) throw new SignedOut();
  if (!response.ok) throw new Error("no answer");
  return (await response.json()) as T;
}

/** A file that the server will not even look at is no better the next time. */
const isRefused = ({ status }: Response) => status >= 400 && status < 500 && ![401, 408, 429].includes(status);

const sender: UploadSender = {
  send: async (file, signal) => {
    const form = new FormData();
    form.append("photo", file);
    const response = await fetch("/photos", { method: "POST", body: form, signal });
    return isRefused(response) ? { ok: false, reason: "broken" } : answered<TakenIn>(response);
  },
  isThere: (file) =>
    file
      .slice(0, 1)
      .arrayBuffer()
      .then(
        () => true,
        () => false,
      ),
  known: async (hashes) => {
    const asked = await fetch("/photos", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ hashes }),
    });
    return (await answered<{ known: string[] }>(asked)).known;
  },
  // Only a secure page may hash; elsewhere every file is sent and the server tells doubles.
  hash:
    globalThis.crypto?.subtle === undefined
      ? null
      : async (file) => hex(await crypto.subtle.digest("SHA-256", await file.arrayBuffer())),
  wait: (milliseconds, signal) =>
    new Promise((resolve, reject) => {
      const timer = window.setTimeout(resolve, milliseconds);
      signal.addEventListener("abort", () => {
        window.clearTimeout(timer);
        reject(signal.reason);
      });
    }),
  now: () => performance.now(),
};

const SHOW_AGAIN = 1500;

/** Hands files in from this page: the run so far, how to begin one and how to cancel it. What came in is shown as it comes. */
export function useUpload(): {
  run: Run;
  start: (handed: Handed) => void;
  cancel: () => void;
  forget: () => void;
} {
  const [run, setRun] = useState<Run>(NO_RUN);
  const upload = useRef<UploadRun | null>(null);
  const { revalidate } = useRevalidator();
  const shownAt = useRef(0);
  useEffect(() => {
    if (run.added === 0) return;
    const isOver = run.state !== "running" && run.state !== "waiting";
    if (!isOver && performance.now() - shownAt.current < SHOW_AGAIN) return;
    shownAt.current = performance.now();
    void revalidate();
  }, [run, revalidate]);
  // Leaving the page ends the run; what was acknowledged is in.
  useEffect(() => () => upload.current?.cancel(), []);
  const start = useCallback((handed: Handed) => {
    if (handed.files.length + handed.leftOut === 0) return;
    if (upload.current?.isOpen) return upload.current.add(handed);
    upload.current = new UploadRun(sender, setRun);
    void upload.current.start(handed);
  }, []);
  return {
    run,
    start,
    cancel: useCallback(() => upload.current?.cancel(), []),
    forget: useCallback(() => setRun(NO_RUN), []),
  };
}

const everyEntry = (reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> =>
  new Promise((resolve, reject) => {
    const all: FileSystemEntry[] = [];
    // A folder is read in portions until an empty one comes.
    const more = () =>
      reader.readEntries((some) => {
        if (some.length === 0) return resolve(all);
        all.push(...some);
        more();
      }, reject);
    more();
  });

async function filesIn(entry: FileSystemEntry): Promise<File[]> {
  if (entry.isFile)
    return [await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))];
  const inside = await everyEntry((entry as FileSystemDirectoryEntry).createReader());
  return (await Promise.all(inside.map(filesIn))).flat();
}

/** Everything that was dropped, the pictures of folders among it. */
export async function droppedFiles(dropped: DataTransfer): Promise<Handed> {
  const entries = [...dropped.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.length === 0) return { files: [...dropped.files], leftOut: 0 };
  const [single, folders] = [entries.filter(({ isFile }) => isFile), entries.filter(({ isFile }) => !isFile)];
  const inFolders = picturesOf((await Promise.all(folders.map(filesIn))).flat());
  const files = (await Promise.all(single.map(filesIn))).flat();
  return { ...inFolders, files: [...files, ...inFolders.files] };
}
