import { useEffect, useRef, useState } from "react";
import { useFetcher, useLocation } from "react-router";
import { to } from "#app/addresses.ts";
import { newId } from "#app/parts/new-id.ts";
import { type Away, UNDO_PROBLEM } from "#app/wording/sending.ts";

/** Takes the member's last change in the album back, and says what came of it. */
export function useUndo(albumId: string) {
  const fetcher = useFetcher<
    { ok: true; dayIds: string[] } | { ok: false; reason: keyof typeof UNDO_PROBLEM | Away }
  >();
  const [said, setSaid] = useState<string | null>(null);
  const { pathname } = useLocation();
  const asked = useRef(false);
  // Kept until there is an answer: pressed again because none came, it takes back one change and not two.
  const act = useRef<string | null>(null);
  useEffect(() => {
    if (!asked.current || fetcher.state !== "idle" || !fetcher.data) return;
    asked.current = false;
    const answer = fetcher.data;
    if (answer.ok || answer.reason in UNDO_PROBLEM) act.current = null;
    setSaid(
      answer.ok
        ? "Your last change was taken back."
        : answer.reason in UNDO_PROBLEM
          ? UNDO_PROBLEM[answer.reason as keyof typeof UNDO_PROBLEM]
          : "The server does not answer. Nothing was taken back.",
    );
  }, [fetcher.state, fetcher.data]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the message belongs to the page it was said on
  useEffect(() => setSaid(null), [pathname]);
  return {
    said,
    take: () => {
      asked.current = true;
      act.current ??= newId();
      void fetcher.submit(
        { act: act.current },
        { method: "post", action: to.undo(albumId), encType: "application/json" },
      );
    },
  };
}
