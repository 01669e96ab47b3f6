import { startTransition, useEffect, useState } from "react";

/**
 * Whether the page's script is running: false in what the server sends, true once the page has come alive. What then comes
 * beside gives way to hands: it is drawn in pieces of time.
 */
export function useRunning(): boolean {
  const [isRunning, setRunning] = useState(false);
  useEffect(() => startTransition(() => setRunning(true)), []);
  return isRunning;
}
