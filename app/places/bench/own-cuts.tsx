import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { many } from "#app/wording/count.ts";
import { ownShapeRefused } from "#app/wording/cutter.ts";
import type { OwnCut } from "#core/album/leaf.ts";
import type { Part } from "#core/craft/blueprint.ts";
import type { Craft } from "#core/craft/craft.ts";
import { areaOf, cutAt, type InPart, isInPart, shapesInto } from "#core/craft/own.ts";
import type { OwnShape } from "#core/format/own-shape.ts";
import { inches, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import { centredIn, type Rect, rect, rectOf } from "#core/measure/rect.ts";
import { type Size, size } from "#core/measure/size.ts";
import { SvgFile } from "./svg-file.tsx";

type Props = {
  readonly of: Craft;
  readonly parts: readonly Part[];
  readonly own: readonly OwnCut[];
  readonly unit: Unit;
  readonly onSet: (own: readonly OwnCut[]) => void;
  /** A shape out of a file is as large as it was drawn, until that is set otherwise. */
  readonly onSize: (size: Size) => void;
};

/** What reads drawings is not small: it is loaded when one is taken. */
const reader = () => import("#core/format/own-shape.ts");

/** Slits, openings and shapes of one's own in any part, and the shape that all of it is cut along where it has one. */
export function OwnCuts({ of, parts, own, unit, onSet, onSize }: Props) {
  const [refused, setRefused] = useState<string | null>(null);
  const [fallsOut, setFallsOut] = useState(0);
  const cut = parts.filter(({ count }) => count > 0);
  const first = cut[0];
  const outlines = own.filter((each) => !isInPart(each));
  const take = (taking: (shape: Extract<OwnShape, { ok: true }>) => void) => async (text: string) => {
    const { readOwnShape } = await reader();
    const shape = readOwnShape(text);
    setRefused(shape.ok ? null : ownShapeRefused(shape.reason));
    setFallsOut(0);
    if (shape.ok) taking(shape);
  };
  const add = (kind: "slit" | "opening" | "circle") =>
    first && onSet([...own, { kind, part: first.id, at: begunAt(kind, first) }]);
  return (
    <details open={own.length > 0} className="grid gap-3">
      <summary className="cursor-pointer text-lg">Own cuts</summary>
      <div className="mt-2 grid gap-3">
        {of.takesOutline && (
          <p className="flex flex-wrap items-center gap-3 text-sm">
            {outlines.length > 0 && `Cut along a shape of your own, ${many(outlines.length, "outline")}.`}
            <SvgFile
              label={outlines.length > 0 ? "Another shape" : "Its shape from an SVG file"}
              onText={take((shape) => {
                onSet([
                  ...shape.rings.map((points) => ({ kind: "outline", points }) as const),
                  ...own.filter(isInPart),
                ]);
                onSize(rounded(shape.size, unit));
              })}
            />
            {outlines.length > 0 && (
              <Button small onClick={() => onSet(own.filter(isInPart))}>
                A rectangle again
              </Button>
            )}
          </p>
        )}
        {!of.takesOutline && outlines.length > 0 && (
          <p className="flex flex-wrap items-center gap-3 text-sm">
            A shape of your own is kept with it, and this kind is not cut along one.
            <Button small onClick={() => onSet(own.filter(isInPart))}>
              Let go of the shape
            </Button>
          </p>
        )}
        <ol className="grid gap-4">
          {own.map(
            (each, nth) =>
              isInPart(each) && (
                // biome-ignore lint/suspicious/noArrayIndexKey: a cut is known by its place, which is what is said of it
                <li key={nth}>
                  <OneCut
                    {...{ cut: each, nth, unit }}
                    parts={cut}
                    onSet={(next) => onSet(own.map((other) => (other === each ? next : other)))}
                    onDrop={() => onSet(own.filter((other) => other !== each))}
                  />
                </li>
              ),
          )}
        </ol>
        <p className="flex flex-wrap items-center gap-3">
          <Button small onClick={() => add("slit")}>
            Add a slit
          </Button>
          <Button small onClick={() => add("opening")}>
            An opening
          </Button>
          <Button small onClick={() => add("circle")}>
            A circle
          </Button>
          {first && (
            <SvgFile
              label="A shape to cut out, from an SVG file"
              onText={take(({ rings, size: drawn }) => {
                const room = centredIn(rectOf(first.blank), shrunk(drawn, first.blank));
                const shapes = shapesInto(first.id, rings, room);
                onSet([...own, ...shapes]);
                setFallsOut(rings.length - shapes.length);
              })}
            />
          )}
        </p>
        {fallsOut > 0 && (
          <p role="status" className="text-sm">
            {many(fallsOut, "outline lies", "outlines lie")} within what is cut out, and would fall out with it: left
            out.
          </p>
        )}
        {refused && (
          <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
            {refused}
          </p>
        )}
      </div>
    </details>
  );
}

/** A size as it is set by hand: in sixteenths of an inch, or millimetres. */
function rounded({ w, h }: Size, unit: Unit): Size {
  const step = unit === "inch" ? inches(1 / 16) : millimetres(1);
  const to = (length: number) => ticks(Math.max(1, Math.round(length / step)) * step);
  return size(to(w), to(h));
}

/** A drawing as large as it is, or as two thirds of its part take it. */
function shrunk({ w, h }: Size, room: Size): Size {
  const by = Math.min(1, (room.w * 2) / 3 / w, (room.h * 2) / 3 / h);
  return size(ticks(Math.round(w * by)), ticks(Math.round(h * by)));
}

/** Where a cut begins: in the middle of its part. */
function begunAt(kind: "slit" | "opening" | "circle", { blank }: Part): Rect {
  const third = Math.round(Math.min(blank.w, blank.h) / 3);
  if (kind === "slit") return rect(Math.round(blank.w / 4), Math.round(blank.h / 2), Math.round(blank.w / 2), 0);
  return centredIn(rectOf(blank), size(ticks(third), ticks(third)));
}

const CUT_NAME: Record<InPart["kind"], string> = {
  slit: "Slit",
  opening: "Opening",
  circle: "Circle",
  shape: "Shape",
};

type OneProps = {
  readonly cut: InPart;
  readonly nth: number;
  readonly parts: readonly Part[];
  readonly unit: Unit;
  readonly onSet: (cut: InPart) => void;
  readonly onDrop: () => void;
};

function OneCut({ cut, nth, parts, unit, onSet, onDrop }: OneProps) {
  const area = areaOf(cut);
  const name = `${CUT_NAME[cut.kind]} ${nth + 1}`;
  const isSlit = cut.kind === "slit";
  const box = (label: string, side: "x" | "y" | "w" | "h") => (
    <LengthBox
      label={label}
      value={area[side]}
      unit={unit}
      range={side === "x" || side === "y" || isSlit ? "zero" : "positive"}
      whileTyping
      onTake={(length) => onSet(cutAt(cut, { ...area, [side]: length }))}
    />
  );
  return (
    <fieldset className="grid grid-cols-2 items-end gap-x-4 gap-y-2 border-t border-line pt-2">
      <legend className="float-left font-medium">{name}</legend>
      <Button small className="justify-self-end" aria-label={`Take ${name.toLowerCase()} away`} onClick={onDrop}>
        Take away
      </Button>
      {(parts.length > 1 || parts[0]?.id !== cut.part) && (
        <label className="col-span-2 grid gap-0.5 text-sm">
          <span className="text-quiet">In</span>
          <select
            className="field w-full py-1"
            value={parts.some(({ id }) => id === cut.part) ? cut.part : ""}
            onChange={({ target }) => onSet({ ...cut, part: target.value })}
          >
            {parts.every(({ id }) => id !== cut.part) && <option value="">a part that is not there</option>}
            {parts.map((part) => (
              <option key={part.id} value={part.id}>
                the {part.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {box("From the left", "x")}
      {box("From the top", "y")}
      {cut.kind === "circle" ? (
        box("Across", "w")
      ) : (
        <>
          {box(isSlit ? "Long, across" : "Width", "w")}
          {box(isSlit ? "Long, down" : "Height", "h")}
        </>
      )}
    </fieldset>
  );
}
