import { Minus, Plus } from "lucide-react";
import {
  type CSSProperties,
  type PointerEvent,
  type ReactNode,
  type RefObject,
  useCallback,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import { HowNear } from "#app/drawing/how-near.ts";
import { farPicture, nearPicture } from "#app/drawing/mat-text.ts";
import { useMedia } from "./use-media.ts";

/** How near, and the size that makes of a drawing: as classes, because the page takes no styles of its own. */
const LEVELS = [
  { said: 100, size: "h-full w-full" },
  { said: 150, size: "h-[150%] w-[150%]" },
  { said: 200, size: "h-[200%] w-[200%]" },
  { said: 300, size: "h-[300%] w-[300%]" },
  { said: 400, size: "h-[400%] w-[400%]" },
  { said: 600, size: "h-[600%] w-[600%]" },
] as const;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName);

type Props = {
  readonly children: ReactNode;
  /** Its place on the page, where somebody else must know of it. */
  readonly frame?: RefObject<HTMLDivElement | null>;
  readonly style?: CSSProperties | undefined;
  readonly small?: boolean;
};

/**
 * A drawing that can be seen nearer: by buttons, by + and -, or by the wheel with Ctrl held, about the point under it. What is
 * nearer than the mat is wide is moved by scrolling, or by dragging the mat itself.
 */
export function Zoomed({ children, frame, style, small = false }: Props) {
  const own = useRef<HTMLDivElement>(null);
  const outer = frame ?? own;
  const view = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  /** What of the drawing stays where on the screen: shares of the drawing, and pixels within the view. */
  const keep = useRef<{ x: number; y: number; left: number; top: number } | null>(null);

  const turn = useCallback((by: 1 | -1 | "whole", point?: { x: number; y: number }) => {
    const element = view.current;
    if (!element) return;
    const { left, top, width, height } = element.getBoundingClientRect();
    const [x, y] = point ? [point.x - left, point.y - top] : [width / 2, height / 2];
    keep.current = {
      x: (element.scrollLeft + x) / element.scrollWidth,
      y: (element.scrollTop + y) / element.scrollHeight,
      left: x,
      top: y,
    };
    setAt((now) => (by === "whole" ? 0 : Math.max(0, Math.min(LEVELS.length - 1, now + by))));
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: as soon as it has another size
  useLayoutEffect(() => {
    const [element, kept] = [view.current, keep.current];
    keep.current = null;
    if (!element || !kept) return;
    element.scrollTo(kept.x * element.scrollWidth - kept.left, kept.y * element.scrollHeight - kept.top);
  }, [at]);

  useEffect(() => {
    const element = view.current;
    const onWheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      turn(event.deltaY < 0 ? 1 : -1, { x: event.clientX, y: event.clientY });
    };
    const onKey = (event: KeyboardEvent) => {
      const by = { "+": 1, "=": 1, "-": -1 }[event.key] as 1 | -1 | undefined;
      if (!by || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      // Of several drawings the one that has the focus, or the first.
      const all = [...document.querySelectorAll("[data-zoomed]")];
      const mine = all.find((each) => each.contains(document.activeElement)) ?? all[0];
      if (mine === outer.current) turn(by);
    };
    element?.addEventListener("wheel", onWheel, { passive: false });
    window.addEventListener("keydown", onKey);
    return () => {
      element?.removeEventListener("wheel", onWheel);
      window.removeEventListener("keydown", onKey);
    };
  }, [turn, outer]);

  /** The mat itself is taken hold of and moved; what lies on it has its own ways. */
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    const element = view.current;
    const onThing = (event.target as Element).closest("[role=button],[role=application],[data-board],button,a");
    if (!element || at === 0 || event.pointerType !== "mouse" || event.button !== 0 || onThing) return;
    element.setPointerCapture(event.pointerId);
    const from = { x: event.clientX + element.scrollLeft, y: event.clientY + element.scrollTop };
    const move = (now: globalThis.PointerEvent) => element.scrollTo(from.x - now.clientX, from.y - now.clientY);
    const end = () => element.removeEventListener("pointermove", move);
    element.addEventListener("pointermove", move);
    element.addEventListener("pointerup", end, { once: true });
    element.addEventListener("pointercancel", end, { once: true });
  };

  const level = LEVELS[at] ?? LEVELS[0];
  // A screen of fine dots shows more of a picture from far too.
  const isFine = useMedia("(min-resolution: 1.5dppx)", false);
  return (
    <div ref={outer} style={style} data-zoomed="" className="relative min-h-0 flex-1 overflow-clip">
      <div
        ref={view}
        onPointerDown={onPointerDown}
        className={`absolute inset-0 ${at > 0 ? "cursor-grab touch-pan-x touch-pan-y overflow-auto" : ""}`}
      >
        <div className={`${level.size} ${at > 0 ? "overflow-clip" : ""} ${small ? "p-1" : "p-2 wide:p-4"}`}>
          <HowNear value={at > 0 || isFine ? nearPicture : farPicture}>{children}</HowNear>
        </div>
      </div>
      <div className="not-printed absolute right-2 bottom-2 flex items-center rounded-sm bg-soot text-on-soot">
        <ZoomButton label="Farther" disabled={at === 0} onClick={() => turn(-1)}>
          <Minus className="size-4" aria-hidden="true" />
        </ZoomButton>
        {at > 0 && (
          <button
            type="button"
            onClick={() => turn("whole")}
            title="See the whole of it"
            className="min-h-8 px-1 text-xs tabular-nums hover:text-flame"
          >
            {level.said} %
          </button>
        )}
        <ZoomButton label="Nearer" disabled={at === LEVELS.length - 1} onClick={() => turn(1)}>
          <Plus className="size-4" aria-hidden="true" />
        </ZoomButton>
      </div>
    </div>
  );
}

const ZoomButton = ({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string;
  disabled: boolean;
  onClick: () => void;
  children: ReactNode;
}) => (
  <button
    type="button"
    aria-label={label}
    title={label}
    // It keeps the focus at its end.
    aria-disabled={disabled}
    onClick={onClick}
    className="grid size-8 place-items-center hover:text-flame aria-disabled:opacity-35"
  >
    {children}
  </button>
);
