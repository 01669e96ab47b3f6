import { useEffect, useState } from "react";

/**
 * The version that a form answers for: the one it was opened with, until the server has answered it. A page read anew for
 * another reason does not change it, so that somebody else's change in between is not written over unseen.
 */
export function useSeenVersion(version: number, answer: object | null): number {
  const [seen, setSeen] = useState(version);
  useEffect(() => {
    if (answer) setSeen(version);
  }, [answer, version]);
  return seen;
}
