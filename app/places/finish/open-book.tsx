import { type ReactNode, useMemo } from "react";
import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, mm, nearPicture } from "#app/drawing/mat-text.ts";
import type { BookData } from "#app/places/book/data.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { readBook } from "#core/book/read.ts";
import { type Spread, spreadAt } from "#core/book/spread.ts";
import { spreadMarks } from "#core/draw/spread.ts";
import { type BesideBook, besideAt } from "#core/finish/beside.ts";
import type { OpensHere } from "#core/finish/opened-here.ts";
import type { Span } from "#core/month/span.ts";
import { OpenedHere } from "./opened-here.tsx";

/** Another album of the household, to lie open beside this one. */
export type BesideAlbum = { readonly title: string; readonly span: Span; readonly data: BookData };

type OpenProps = {
  readonly spread: Spread<InBook>;
  readonly format: BookData["format"];
  readonly things: readonly OpensHere[];
  readonly opened: ReadonlyMap<string, number>;
  readonly press: (id: string) => void;
  readonly close: (id: string) => void;
};

/** The opening as the eye sees it, and what is opened on it. */
export function OpenBook({ spread, format, things, opened, press, close }: OpenProps) {
  const { frame } = spread;
  const markup = useMemo(() => drawingOf(spreadMarks(spread, format), nearPicture), [spread, format]);
  return (
    <svg
      viewBox={`${mm(frame.x) - 4} ${mm(frame.y) - 4} ${mm(frame.w) + 8} ${mm(frame.h) + 8}`}
      className="block w-full overflow-visible wide:absolute wide:inset-0 wide:m-auto wide:h-full wide:p-6"
      role="img"
      aria-label="The two pages that lie open"
    >
      <Drawn markup={markup} />
      {things.map((thing) => (
        <g key={thing.id} transform={`translate(${mm(thing.corner.x)} ${mm(thing.corner.y)})`}>
          {opened.has(thing.id) && (
            <OpenedHere thing={thing} nth={opened.get(thing.id) ?? 0} onOver={() => close(thing.id)} />
          )}
          {/* biome-ignore lint/a11y/noStaticElementInteractions: its button stands under the book */}
          <rect
            width={mm(thing.lies.w)}
            height={mm(thing.lies.h)}
            className="cursor-pointer fill-transparent hover:stroke-flame"
            strokeWidth={0.8}
            onClick={() => press(thing.id)}
          />
        </g>
      ))}
    </svg>
  );
}

/** One of two books that lie side by side. */
export const Beside = ({ name, children }: { name: string; children: ReactNode }) => (
  <figure className="flex min-h-0 flex-col py-2">
    <figcaption className="px-4 text-center text-sm">{name}</figcaption>
    <div className="relative min-h-0 flex-1">{children}</div>
  </figure>
);

type OtherProps = {
  readonly spread: Spread<InBook>;
  readonly of: BesideBook;
  readonly beside: BesideAlbum;
};

/** Another album's book, open at the same day. */
export function OtherBook({ spread, of, beside: { data, span, title } }: OtherProps) {
  const leaves = useMemo(
    () => readBook<InBook>(data, [...data.pages, ...data.matters], data.leaves, data.layouts).leaves,
    [data],
  );
  const at = besideAt(spread, of, { leaves, span });
  const other = useMemo(
    () => (at === null ? null : spreadAt<InBook>(leaves, at, data.format)),
    [leaves, at, data.format],
  );
  if (!other) return <p className="p-6 text-center">{title} has no leaf in its book.</p>;
  return (
    <OpenBook
      spread={other}
      format={data.format}
      things={[]}
      opened={NONE}
      press={() => undefined}
      close={() => undefined}
    />
  );
}
const NONE: ReadonlyMap<string, number> = new Map();
