import { type ReactNode, useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { useIsKeeper } from "#app/parts/role.tsx";
import { type Away, isAway, nothingDone } from "#app/wording/sending.ts";
import type { Stashed } from "#core/journal/did.ts";
import { Button } from "./button.tsx";
import { Said } from "./said.tsx";

type Kind = Exclude<Stashed, "picture" | "thing">;
type Answer =
  | { ok: true; id: string; said: string }
  | { ok: false; reason: keyof typeof WHY | Away }
  | { ok: false; reason: "in-use"; pages: number };

const WHY = {
  "no-name": "Give it a name of up to 80 letters.",
  "name-taken": "Another one has that name already. Choose a different one.",
  "not-found": "It is not here any more.",
  "not-a-library-file": "That is no file of something Hearth Clock keeps. Choose one that was saved here with File.",
  "newer-format": "That file was written by a newer Hearth Clock. Update this one, then read it again.",
  damaged: "Something in that file contradicts the rest, so nothing was kept. Use another copy.",
  "too-many": "Your household has as many of its own as there can be. Put one away first.",
} as const;
const inUse = (pages: number): string =>
  pages === 1
    ? "1 page uses this layout, so it was kept. Give that page another one first."
    : `${pages} pages use this layout, so it was kept. Give those pages another one first.`;

function whyNot(answer: Exclude<Answer, { ok: true }>): string {
  if (answer.reason === "in-use") return inUse(answer.pages);
  return isAway(answer.reason) ? nothingDone(answer.reason) : WHY[answer.reason];
}

/** What was sent of a kind is answered once for all things of it: the one that was put away is gone from its list. */
const useOwn = (kind: Kind) => useFetcher<Answer>({ key: `own-${kind}` });

/** What came of renaming one of a kind, or putting it away; to stand by the list of them. */
export function OwnSaid({ kind }: { kind: Kind }) {
  const { data: answer } = useOwn(kind);
  return answer ? <Said good={answer.ok}>{answer.ok ? answer.said : whyNot(answer)}</Said> : null;
}

/** Reads one of these things from a file; to stand under the list of a kind. */
export function OwnFromFile({ kind, albumId }: { kind: Kind; albumId: string }) {
  const fetcher = useOwn(kind);
  const isKeeper = useIsKeeper();
  return (
    <label className="grid gap-0.5 text-sm">
      <span className="text-quiet">One from a file</span>
      <input
        type="file"
        accept=".json,application/json"
        disabled={fetcher.state !== "idle" || !isKeeper}
        className="text-sm file:mr-3 file:min-h-9 file:rounded-sm file:border file:border-edge file:bg-panel file:px-3 file:font-medium"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (!file) return;
          const form = new FormData();
          form.set("file", file);
          event.target.value = "";
          void fetcher.submit(form, { method: "post", action: to.library(albumId), encType: "multipart/form-data" });
        }}
      />
    </label>
  );
}

type Props = {
  readonly albumId: string;
  readonly kind: Kind;
  readonly id: string;
  readonly name: string;
  /** Stands in the place of its name, which it has in it. */
  readonly lead?: ReactNode;
  /** What it is, beside its name. */
  readonly children?: ReactNode;
  /** What else can be done with it. */
  readonly more?: ReactNode;
};

/** One of the things that the household keeps to use again, on a line of its own: given another name, or put away. */
export function OwnThing({ albumId, kind, id, name, lead, children, more }: Props) {
  const fetcher = useOwn(kind);
  const [typed, setTyped] = useState<string | null>(null);
  const answer = fetcher.data;
  const busy = fetcher.state !== "idle";
  useEffect(() => {
    if (answer?.ok && answer.id === id) setTyped(null);
  }, [answer, id]);
  const send = (fields: Record<string, string>) =>
    void fetcher.submit({ kind, id, ...fields }, { method: "post", action: to.library(albumId) });
  return (
    <div className="grid gap-1 border-b border-line py-1 last:border-0">
      <div className="flex min-h-9 flex-wrap items-center justify-between gap-x-3 text-sm">
        {typed === null ? (
          <span className="min-w-0">
            {lead ?? name}
            {children && <span className="text-quiet">{children}</span>}
          </span>
        ) : (
          <form
            className="flex min-w-0 flex-1 items-center gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              send({ act: "rename", name: typed });
            }}
          >
            <input
              className="field min-w-0 flex-1 py-1"
              aria-label={`New name of ${name}`}
              value={typed}
              maxLength={80}
              // biome-ignore lint/a11y/noAutofocus: it was asked for by the press before
              autoFocus
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => event.key === "Escape" && setTyped(null)}
            />
            {/* Never barred: a form whose button is barred does nothing at Enter, and says nothing. */}
            <Button type="submit" small>
              Keep
            </Button>
          </form>
        )}
        <span className="ml-auto flex items-center">
          {typed !== null ? (
            <Button small look="quiet" onClick={() => setTyped(null)}>
              Leave it
            </Button>
          ) : (
            <>
              {more ?? (
                <a className="link px-2" href={to.document(albumId, "library", `${kind}.${id}.json`)} download>
                  File<span className="sr-only"> of {name}</span>
                </a>
              )}
              <Button small keepers look="quiet" aria-label={`Rename ${name}`} onClick={() => setTyped(name)}>
                Rename
              </Button>
              <Button
                small
                keepers
                look="quiet"
                disabled={busy}
                aria-label={`Put ${name} away`}
                onClick={() => send({ act: "put-away" })}
              >
                Put away
              </Button>
            </>
          )}
        </span>
      </div>
    </div>
  );
}
