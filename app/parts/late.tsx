import { type ReactNode, useEffect, useState } from "react";
import { Button } from "./button.tsx";

type Props<T> = {
  /** The same function each time: what it gave is kept. */
  readonly load: () => Promise<T>;
  readonly onClose: () => void;
  readonly children: (loaded: T) => ReactNode;
};

const known = new WeakMap<() => Promise<unknown>, unknown>();

/**
 * A dialog whose file is fetched when it is first opened. Where the file does not come, that is said in the dialog's place,
 * and the page under it stays as it is. A browser asks for a file of the program once and no more, so that only the page
 * loaded again can have it.
 */
export function Late<T>({ load, onClose, children }: Props<T>) {
  const [loaded, setLoaded] = useState<{ it: T } | null>(() => (known.has(load) ? { it: known.get(load) as T } : null));
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    if (known.has(load)) return;
    load().then(
      (it) => {
        known.set(load, it);
        setLoaded({ it });
      },
      () => setFailed(true),
    );
  }, [load]);
  if (loaded) return children(loaded.it);
  if (!failed) return null;
  return (
    <div
      role="alert"
      className="fixed inset-x-0 bottom-14 z-20 flex items-center justify-between gap-4 border-y border-line bg-panel p-4 text-sm wide:bottom-0"
    >
      <p>
        This did not load: the connection broke off. Nothing you wrote is lost. Load the page again when it is back.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => window.location.reload()}>
          Load again
        </Button>
        <Button small onClick={onClose}>
          Close
        </Button>
      </div>
    </div>
  );
}
