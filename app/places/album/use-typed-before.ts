import { type RefObject, useEffect, useRef } from "react";

/** Takes up what was typed before the page ran: it stands in the box, and nobody was told of it yet. */
export function useTypedBefore(text: string, change: (text: string) => void): RefObject<HTMLTextAreaElement | null> {
  const box = useRef<HTMLTextAreaElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only once, when the page begins to run
  useEffect(() => {
    const typed = box.current?.value;
    if (typed !== undefined && typed !== text) change(typed);
  }, []);
  return box;
}
