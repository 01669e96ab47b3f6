import { type FocusEvent, type KeyboardEvent, type RefObject, useEffect, useRef } from "react";

const STEPS: Readonly<Record<string, (at: number, last: number) => number>> = {
  ArrowRight: (at, last) => Math.min(at + 1, last),
  ArrowDown: (at, last) => Math.min(at + 1, last),
  ArrowLeft: (at) => Math.max(at - 1, 0),
  ArrowUp: (at) => Math.max(at - 1, 0),
  Home: () => 0,
  End: (_at, last) => last,
};

const TOOLS = 'button:not(:disabled), a[href], input[type="checkbox"]:not(:disabled)';
const toolsIn = (group: HTMLElement | null) => [...(group?.querySelectorAll<HTMLElement>(TOOLS) ?? [])];

/** Leaves the Tab key one of these to stop at. */
function stopAt(tools: readonly HTMLElement[], stop: HTMLElement | undefined) {
  for (const tool of tools) tool.tabIndex = tool === stop ? 0 : -1;
}

/**
 * Makes the links, buttons and boxes to tick within an element one stop for the Tab key: where one last stood, else at what
 * is current, else at the first; the arrow keys lead from one to the next. `isOff`: the arrows have another use just now;
 * `own`: the element as its component knows it already.
 */
export function useOneStop<T extends HTMLElement>({
  isOff = false,
  own,
}: {
  isOff?: boolean;
  own?: RefObject<T | null>;
} = {}): {
  readonly ref: RefObject<T | null>;
  readonly onFocus: (event: FocusEvent<T>) => void;
  readonly onKeyDown: (event: KeyboardEvent<T>) => void;
} {
  const mine = useRef<T>(null);
  const ref = own ?? mine;
  const stop = useRef<HTMLElement | null>(null);
  // After every drawing: tools come and go.
  useEffect(() => {
    const tools = toolsIn(ref.current);
    stopAt(
      tools,
      tools.find((tool) => tool === stop.current) ??
        tools.find((tool) => tool.hasAttribute("aria-current")) ??
        tools[0],
    );
  });
  return {
    ref,
    onFocus: ({ target }) => {
      const tools = toolsIn(ref.current);
      // A menu that one of them opened hears here too, though it lies elsewhere.
      if (!tools.includes(target)) return;
      stop.current = target;
      stopAt(tools, target);
    },
    onKeyDown: (event) => {
      const tools = toolsIn(ref.current);
      const at = tools.indexOf(event.target as HTMLElement);
      const next = at < 0 || isOff ? undefined : STEPS[event.key]?.(at, tools.length - 1);
      if (next === undefined) return;
      event.preventDefault();
      // An arrow that leads to the next tool turns no day.
      event.stopPropagation();
      tools[next]?.focus();
    },
  };
}
