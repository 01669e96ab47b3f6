import { Download } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { ARCHIVE_PROBLEM } from "#app/wording/archive.ts";
import { many } from "#app/wording/count.ts";
import type { LongDocument } from "#core/document/asked.ts";
import { HowFar, sayBytes } from "./progress.tsx";
import { actOn, askFor, follow, SignedOut, type WorkTold } from "./work-sender.ts";

type State =
  | { readonly is: "idle" }
  | { readonly is: "writing"; readonly id: string; readonly now: WorkTold | null }
  | { readonly is: "written"; readonly id: string; readonly bytes: number }
  | { readonly is: "trouble"; readonly said: string };

const FAILED =
  "The file could not be written, and nothing was changed. Try again; whoever runs this finds why in its log.";

/** A file that takes a while to write: an album's archive, a whole household, or a document of many pages. */
export type Wanted =
  | { readonly kind: "write-archive"; readonly albumId: string; readonly forWhom: "self" | "others" }
  | { readonly kind: "write-household" }
  | { readonly kind: "write-document"; readonly albumId: string; readonly document: LongDocument };

const farSaid = (wanted: Wanted, { done, whole }: WorkTold): string => {
  if (whole === 0) return "";
  if (wanted.kind !== "write-document") return `, ${sayBytes(done)} of ${sayBytes(whole)}`;
  const { kind } = wanted.document;
  return `, ${done} of ${many(whole, kind === "leafing" || kind === "pictures" ? "opening" : "page")}`;
};

/** Writes a file in the background, says how far it is, and hands it over. The page may be left meanwhile. */
export function WriteFile({ wanted, action }: { wanted: Wanted; action: string }) {
  const [state, setState] = useState<State>({ is: "idle" });
  const stop = useRef<AbortController | null>(null);
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const writtenId = state.is === "written" ? state.id : null;
  useEffect(() => {
    if (writtenId) link.current?.click();
  }, [writtenId]);

  const write = async () => {
    const id = newId();
    stop.current = new AbortController();
    const { signal } = stop.current;
    setState({ is: "writing", id, now: null });
    const asked = await askFor({ ...wanted, id }, signal);
    if (!asked?.ok) return setState({ is: "trouble", said: ARCHIVE_PROBLEM[asked?.reason ?? "not-found"] });
    const end = await follow(id, (now) => setState({ is: "writing", id, now }), signal);
    const made = end?.outcome as { ok: boolean; bytes?: number } | null | undefined;
    if (end?.state === "done" && made?.bytes) setState({ is: "written", id, bytes: made.bytes });
    else setState(end?.state === "cancelled" ? { is: "idle" } : { is: "trouble", said: FAILED });
  };
  const begin = () =>
    void write().catch((error: unknown) => {
      if (error instanceof SignedOut)
        setState({ is: "trouble", said: "You are signed out here. Sign in, then write it again." });
    });
  const cancel = (id: string) => {
    stop.current?.abort();
    setState({ is: "idle" });
    void actOn(id, "cancel", new AbortController().signal);
  };

  switch (state.is) {
    case "writing": {
      const { id, now } = state;
      const said = now?.state === "running" ? `Writing it${farSaid(wanted, now)}` : "Waiting for its turn";
      return <HowFar said={said} done={now?.done ?? 0} whole={now?.whole ?? 0} onCancel={() => cancel(id)} />;
    }
    case "written":
      return (
        <p className="grid justify-items-start gap-1.5" role="status">
          <a ref={link} href={`/work/${state.id}/file`} download className={buttonLook("main", true)}>
            <Download className="size-4" aria-hidden="true" /> Save it, {sayBytes(state.bytes)}
          </a>
          <span className="text-sm text-quiet">It is written and kept here for a day.</span>
        </p>
      );
    default:
      return (
        <>
          {state.is === "trouble" && (
            <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
              {state.said}
            </p>
          )}
          <Button small keepers={wanted.kind !== "write-document"} onClick={begin}>
            <Download className="size-4" aria-hidden="true" /> {action}
          </Button>
        </>
      );
  }
}
