import { matGround, mm, type StillMat } from "#app/drawing/mat-text.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { type Length, sayLength, type Unit } from "#core/measure/length.ts";
import type { FormatField } from "./format-form.ts";

type Box = { x: number; y: number; w: number; h: number };

/** Cover, leaf, opening and page over each other as they lie in the closed book, from the cover's upper inner corner. */
function boxesOf({ cover, outer, opening, nominal, margin, bindingEdge }: AlbumFormat) {
  const [w, h] = [mm(cover.w), mm(cover.h)];
  const left = bindingEdge === "left";
  const board: Box = { x: 0, y: 0, w, h };
  const leaf: Box = {
    x: left ? 0 : (w - mm(outer.w)) / 2,
    y: left ? (h - mm(outer.h)) / 2 : 0,
    w: mm(outer.w),
    h: mm(outer.h),
  };
  const free = left ? leaf.w - mm(margin) : leaf.h - mm(margin);
  const [w2, h2] = [mm(opening.w), mm(opening.h)];
  // The opening is never drawn wider than its protector: what is too much takes from the margin.
  const past = (room: number, length: number) => mm(margin) + Math.min((room - length) / 2, room - length);
  const hole: Box = left
    ? { x: leaf.x + past(free, w2), y: leaf.y + (leaf.h - h2) / 2, w: w2, h: h2 }
    : { x: leaf.x + (leaf.w - w2) / 2, y: leaf.y + past(free, h2), w: w2, h: h2 };
  const page: Box = {
    x: hole.x + (hole.w - mm(nominal.w)) / 2,
    y: hole.y + (hole.h - mm(nominal.h)) / 2,
    w: mm(nominal.w),
    h: mm(nominal.h),
  };
  return { board, leaf, hole, page };
}

const rectText = ({ x, y, w, h }: Box, look: string) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="0.8" ${look}/>`;

/** A measure drawn beside what it measures: a line with two ends and its length. */
function dimension(
  from: [number, number],
  to: [number, number],
  text: string,
  letter: number,
  upright: boolean,
): string {
  const ends = upright
    ? `M${from[0] - 1.6} ${from[1]}h3.2M${to[0] - 1.6} ${to[1]}h3.2`
    : `M${from[0]} ${from[1] - 1.6}v3.2M${to[0]} ${to[1] - 1.6}v3.2`;
  const [cx, cy] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const words = upright
    ? `<text x="${cx - 1.6}" y="${cy}" text-anchor="end" dominant-baseline="central" class="mat-measure" font-size="${letter}">${text}</text>`
    : `<text x="${cx}" y="${cy - 1.8}" text-anchor="middle" class="mat-measure" font-size="${letter}">${text}</text>`;
  return `<path d="M${from[0]} ${from[1]}L${to[0]} ${to[1]}${ends}" fill="none" class="stroke-flame" stroke-width="0.8"/>${words}`;
}

/** The book as measured, and what the field that is being filled means, drawn where the ruler goes. */
export function formatMat(format: AlbumFormat, unit: Unit, field: FormatField | null): StillMat {
  const { board, leaf, hole, page } = boxesOf(format);
  const box = { x: -26, y: -20, w: board.w + 44, h: board.h + 38 };
  const letter = Math.max(5, box.h * 0.03);
  const say = (length: Length) => (length === 0 ? "0" : sayLength(length, unit));
  const { holes, bindingEdge } = format;
  const spots = holes.positions.map((position) =>
    bindingEdge === "left"
      ? { x: leaf.x + mm(holes.inset), y: leaf.y + mm(position) }
      : { x: leaf.x + mm(position), y: leaf.y + mm(holes.inset) },
  );
  // A leaf without a protector lies at the binding edge, halfway.
  const [bareW, bareH] = [mm(format.bare.w), mm(format.bare.h)];
  const straight: Box =
    bindingEdge === "left"
      ? { x: leaf.x, y: leaf.y + (leaf.h - bareH) / 2, w: bareW, h: bareH }
      : { x: leaf.x + (leaf.w - bareW) / 2, y: leaf.y, w: bareW, h: bareH };
  const wide = (of: Box, length: Length) =>
    dimension([of.x, of.y - 7], [of.x + of.w, of.y - 7], say(length), letter, false);
  const tall = (of: Box, length: Length) =>
    dimension([of.x - 7, of.y], [of.x - 7, of.y + of.h], say(length), letter, true);
  const [first] = spots;
  const measures: Partial<Record<FormatField, string>> = {
    nominalW: wide(page, format.nominal.w),
    nominalH: tall(page, format.nominal.h),
    openingW: wide(hole, format.opening.w),
    openingH: tall(hole, format.opening.h),
    outerW: wide(leaf, format.outer.w),
    outerH: tall(leaf, format.outer.h),
    bareW: wide(straight, format.bare.w),
    bareH: tall(straight, format.bare.h),
    coverW: wide(board, format.cover.w),
    coverH: tall(board, format.cover.h),
    margin:
      bindingEdge === "left"
        ? dimension([leaf.x, leaf.y - 7], [leaf.x + mm(format.margin), leaf.y - 7], say(format.margin), letter, false)
        : dimension([leaf.x - 7, leaf.y], [leaf.x - 7, leaf.y + mm(format.margin)], say(format.margin), letter, true),
    holePositions: spots
      .map((spot, at) => {
        const length = say(holes.positions[at] ?? (0 as Length));
        return bindingEdge === "left"
          ? dimension([leaf.x - 5 - at * 6, leaf.y], [leaf.x - 5 - at * 6, spot.y], length, letter * 0.8, true)
          : dimension([leaf.x, leaf.y - 5 - at * 5], [spot.x, leaf.y - 5 - at * 5], length, letter * 0.8, false);
      })
      .join(""),
    ...(first
      ? {
          holeInset:
            bindingEdge === "left"
              ? dimension([leaf.x, first.y - 6], [first.x, first.y - 6], say(holes.inset), letter * 0.8, false)
              : dimension([first.x - 6, leaf.y], [first.x - 6, first.y], say(holes.inset), letter * 0.8, true),
          holeDiameter: dimension(
            [first.x - mm(holes.diameter) / 2, first.y - 6],
            [first.x + mm(holes.diameter) / 2, first.y - 6],
            say(holes.diameter),
            letter * 0.8,
            false,
          ),
        }
      : {}),
  };
  const lit = (names: readonly FormatField[]) =>
    field && names.includes(field)
      ? ' class="stroke-flame" stroke-width="1.4"'
      : ' stroke="#9aa5a6" stroke-width="0.5"';
  const drawing = [
    matGround(box, unit, true, "measure"),
    rectText(board, `fill="#343d43"${lit(["coverW", "coverH"])}`),
    rectText(leaf, `fill="#dfe7e8" fill-opacity="0.35"${lit(["outerW", "outerH", "margin"])}`),
    rectText(hole, `fill="#dfe7e8" fill-opacity="0.6" stroke-dasharray="3 2"${lit(["openingW", "openingH"])}`),
    ...(field === "bareW" || field === "bareH" ? [rectText(straight, `fill="none"${lit(["bareW", "bareH"])}`)] : []),
    rectText(page, `fill="#fdfdfb"${lit(["nominalW", "nominalH"])}`),
    ...spots.map(
      ({ x, y }) =>
        `<circle cx="${x}" cy="${y}" r="${mm(holes.diameter) / 2}" fill="#1c2023" ${lit(["holePositions", "holeInset", "holeDiameter"])}/>`,
    ),
    (field && measures[field]) ?? "",
  ].join("");
  return { box, drawing };
}
