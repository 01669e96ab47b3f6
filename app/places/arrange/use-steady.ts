import { type CSSProperties, type RefObject, useEffect, useState } from "react";

/**
 * Keeps a part of the page as high as it was while the hand is down on it: what a press brings out beside it would
 * else push the piece away from under the pointer.
 */
export function useSteady(part: RefObject<HTMLElement | null>): { hold: () => void; style: CSSProperties | undefined } {
  const [height, setHeight] = useState<number | null>(null);
  useEffect(() => {
    if (height === null) return;
    const letGo = () => setHeight(null);
    window.addEventListener("pointerup", letGo);
    window.addEventListener("pointercancel", letGo);
    return () => {
      window.removeEventListener("pointerup", letGo);
      window.removeEventListener("pointercancel", letGo);
    };
  }, [height]);
  return {
    hold: () => setHeight(part.current?.offsetHeight ?? null),
    style: height === null ? undefined : { flex: "none", height },
  };
}
