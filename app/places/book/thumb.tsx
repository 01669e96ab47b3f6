import { memo } from "react";
import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, mm, thumbOf, tinyPicture } from "#app/drawing/mat-text.ts";
import type { Face } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { type LeafRead, wholeLeaf } from "#core/book/read.ts";
import type { Spread } from "#core/book/spread.ts";
import type { Mark } from "#core/draw/marks.ts";
import { sideMarks } from "#core/draw/side.ts";
import { spreadMarks } from "#core/draw/spread.ts";

type Props = {
  readonly read: LeafRead;
  readonly face: Face;
  readonly format: AlbumFormat;
  readonly className?: string;
};

/** One side of a leaf, small, to one scale with the others of its book. */
export const Thumb = memo(
  ({ read, face, format, className = "h-full w-full" }: Props) => {
    const whole = wholeLeaf(read.build, format, face);
    const full = { w: mm(format.outer.w), h: mm(format.outer.h) };
    const [w, h] = [mm(whole.w), mm(whole.h)];
    // Bound side to the spine, whatever the leaf's width.
    const x = face === "front" ? mm(whole.x) : mm(whole.x) + w - full.w;
    return (
      <Drawn
        as="svg"
        viewBox={`${x} ${mm(whole.y) - (full.h - h) / 2} ${full.w} ${full.h}`}
        className={className}
        aria-hidden="true"
        markup={thumbOf(sideMarks(read, face, format))}
      />
    );
  },
  (was, is) =>
    was.face === is.face &&
    was.format === is.format &&
    was.read.leaf === is.read.leaf &&
    was.read[was.face].page === is.read[is.face].page &&
    was.read.build.layout === is.read.build.layout,
);

type SpreadProps = { spread: Spread; format: AlbumFormat; isLarge?: boolean };

/** A whole spread, small, or large enough to read: every leaf that is seen in it, the lower ones first. */
export const SpreadThumb = memo(({ spread, format, isLarge = false }: SpreadProps) => {
  // Its words are there to be read; its pictures only to be known again, and on the way sooner.
  const draw = (marks: readonly Mark[]) => (isLarge ? drawingOf(marks, tinyPicture) : thumbOf(marks));
  const { frame } = spread;
  return (
    <Drawn
      as="svg"
      viewBox={`${mm(frame.x)} ${mm(frame.y)} ${mm(frame.w)} ${mm(frame.h)}`}
      className="block w-full"
      aria-hidden="true"
      markup={draw(spreadMarks(spread, format))}
    />
  );
});
