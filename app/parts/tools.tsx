import { type FocusEvent, type KeyboardEvent, type ReactNode, useEffect, useRef } from "react";

const STEPS: Readonly<Record<string, (at: number, last: number) => number>> = {
  ArrowRight: (at, last) => Math.min(at + 1, last),
  ArrowDown: (at, last) => Math.min(at + 1, last),
  ArrowLeft: (at) => Math.max(at - 1, 0),
  ArrowUp: (at) => Math.max(at - 1, 0),
  Home: () => 0,
  End: (_at, last) => last,
};

const toolsIn = (group: HTMLElement | null) => [...(group?.querySelectorAll<HTMLElement>("button, a[href]") ?? [])];

/** Leaves the Tab key one of these to stop at. */
function stopAt(tools: readonly HTMLElement[], stop: HTMLElement | undefined) {
  for (const tool of tools) tool.tabIndex = tool === stop ? 0 : -1;
}

/** Buttons and links that belong to one thing: one stop for the Tab key, the arrow keys lead from one to the next. */
export function Tools({ name, className, children }: { name: string; className?: string; children: ReactNode }) {
  const group = useRef<HTMLDivElement>(null);
  const stop = useRef<HTMLElement | null>(null);
  // After every drawing: tools come and go.
  useEffect(() => {
    const tools = toolsIn(group.current);
    stopAt(tools, tools.find((tool) => tool === stop.current) ?? tools[0]);
  });
  const onFocus = ({ target }: FocusEvent<HTMLElement>) => {
    stop.current = target;
    stopAt(toolsIn(group.current), target);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const tools = toolsIn(group.current);
    const next = STEPS[event.key]?.(tools.indexOf(document.activeElement as HTMLElement), tools.length - 1);
    if (next === undefined) return;
    event.preventDefault();
    // An arrow that leads to the next tool turns no day.
    event.stopPropagation();
    tools[next]?.focus();
  };
  return (
    <div role="toolbar" aria-label={name} ref={group} onFocus={onFocus} onKeyDown={onKeyDown} className={className}>
      {children}
    </div>
  );
}
