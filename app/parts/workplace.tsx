import type { ReactNode } from "react";
import { MatButton } from "./mat-button.tsx";

/** How much room the panel takes on a wide screen: a few choices, the usual, a form, or half of it. */
const WIDTH = {
  narrow: "wide:grid-cols-[minmax(0,1fr)_minmax(290px,330px)]",
  usual: "wide:grid-cols-[minmax(0,1fr)_minmax(340px,400px)]",
  broad: "wide:grid-cols-[minmax(0,1fr)_minmax(400px,460px)]",
  half: "wide:grid-cols-[minmax(0,1.15fr)_minmax(400px,1fr)]",
} as const;

type Props = {
  /** The tabs of the place it belongs to, above everything. */
  readonly tabs?: ReactNode;
  /** What is worked on: a drawing on the mat (`MatStage`) or a page that is read (`PageStage`). */
  readonly children: ReactNode;
  /** What of the panel a phone shows before what is worked on. */
  readonly lead?: ReactNode;
  /** What stands beside it, and comes after it on a phone. */
  readonly panel?: ReactNode;
  /** A strip under both; on a phone between them. */
  readonly foot?: ReactNode;
  readonly width?: keyof typeof WIDTH;
  /** The panel's parts keep their own distances. */
  readonly flush?: boolean;
  /** On a phone the panel stays at the foot of the window, over what is worked on. */
  readonly staysInSight?: boolean;
};

/**
 * Where something is made: what is worked on, and beside it what can be done. On a wide screen each scrolls by itself and
 * nothing moves away; on a phone they follow each other in one page.
 */
export function Workplace({
  tabs,
  children,
  lead,
  panel,
  foot,
  width = "usual",
  flush = false,
  staysInSight = false,
}: Props) {
  const look = `grid content-start p-4 wide:p-6 ${flush ? "" : "gap-5"}`;
  return (
    <div className="flex flex-col wide:h-full">
      {tabs}
      <div
        className={`max-wide:contents wide:grid wide:min-h-0 wide:flex-1 wide:grid-rows-[minmax(0,1fr)] ${lead || panel ? WIDTH[width] : ""}`}
      >
        <div className="min-w-0 max-wide:order-2 wide:min-h-0">{children}</div>
        {(lead || panel) && (
          <div
            data-scrolls="panel"
            className="min-w-0 border-line max-wide:contents wide:relative wide:overflow-y-auto wide:border-l"
          >
            {lead && <div className={`${look} max-wide:order-1 wide:pb-0`}>{lead}</div>}
            {panel && (
              <div
                className={`${look} max-wide:order-4 ${staysInSight ? "border-line bg-ground max-wide:sticky max-wide:bottom-14 max-wide:z-10 max-wide:max-h-[48vh] max-wide:overflow-y-auto max-wide:border-t" : ""}`}
              >
                {panel}
              </div>
            )}
          </div>
        )}
      </div>
      {foot && <div className="min-w-0 max-wide:order-3">{foot}</div>}
    </div>
  );
}

/** The mat, with what lies on it and a dark bar under it. What is drawn in it fills it: a `Zoomed`, or an arranger. */
export function MatStage({
  label,
  focus,
  bar,
  isTall = false,
  children,
}: {
  label: string;
  /** On a phone it takes nearly the whole window. */
  isTall?: boolean;
  /** Which of several things lies there (`FocusRow`). */
  focus?: ReactNode;
  bar?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section
      aria-label={label}
      className={`mat-stage relative flex ${isTall ? "h-[86vh]" : "h-[52vh]"} min-h-0 flex-col overflow-hidden bg-mat wide:h-full`}
    >
      {focus}
      {children}
      {bar && <div className="mat-bar">{bar}</div>}
      <p className="only-printed p-2 text-sm">Not at its true size: the numbers along the edges give the measures.</p>
    </section>
  );
}

/** A page that is read and worked on from top to bottom. */
export const PageStage = ({ label, children }: { label?: string; children: ReactNode }) =>
  label ? (
    <section
      aria-label={label}
      data-scrolls="page"
      className="relative min-w-0 p-4 wide:h-full wide:overflow-y-auto wide:p-6"
    >
      {children}
    </section>
  ) : (
    <div data-scrolls="page" className="relative min-w-0 p-4 wide:h-full wide:overflow-y-auto wide:p-6">
      {children}
    </div>
  );

/** One of several things that lie on a mat. */
export type Focusable = { readonly id: string; readonly name: string };

/** Which of several things lies on the mat, so that it is large; or with null all of them. */
export function FocusRow({
  label,
  all = "All",
  things,
  chosen,
  onChoose,
}: {
  label: string;
  all?: string;
  things: readonly Focusable[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
}) {
  if (things.length < 2) return null;
  return (
    <fieldset className="not-printed flex min-w-0 shrink-0 gap-2 overflow-x-auto bg-soot px-3.5 py-2">
      <legend className="sr-only">{label}</legend>
      {[{ id: null, name: all }, ...things].map(({ id, name }) => (
        <MatButton key={id ?? "all"} pressed={id === chosen} onClick={() => onChoose(id)}>
          <span className="whitespace-nowrap">{name}</span>
        </MatButton>
      ))}
    </fieldset>
  );
}
