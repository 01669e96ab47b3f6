import { drawingOf, mm, type StillMat, stillMat } from "#app/drawing/mat-text.ts";
import type { Card } from "#core/album/model.ts";
import { boxMarks, laidMarks, preprintMarks } from "#core/draw/card.ts";
import type { Mark } from "#core/draw/marks.ts";
import { type Length, ticks, type Unit } from "#core/measure/length.ts";
import { rect, rectOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import type { Laid } from "#core/words/lay.ts";
import type { CardFace, CardSetting } from "#core/words/lettering.ts";
import { areaOf, remains } from "#core/words/stretches.ts";

const FINE: Length = ticks(70);

/** What of a face is not for words: what will be cut away, the margins, and what must be kept clear of. */
function keptFree({ size }: Card, setting: CardSetting, face: CardFace): Mark[] {
  const left = remains(size, setting, face);
  const area = areaOf(size, setting, face);
  const cut: Mark[] =
    left && (left.w < size.w || left.h < size.h)
      ? [
          { kind: "rect", at: rect(0, 0, left.x, size.h), fill: "mat", solid: 0.55 },
          { kind: "rect", at: rect(left.x + left.w, 0, size.w - left.x - left.w, size.h), fill: "mat", solid: 0.55 },
          { kind: "rect", at: rect(left.x, 0, left.w, left.y), fill: "mat", solid: 0.55 },
          {
            kind: "rect",
            at: rect(left.x, left.y + left.h, left.w, size.h - left.y - left.h),
            fill: "mat",
            solid: 0.55,
          },
          { kind: "rect", at: left, stroke: "ember", line: FINE, dashed: true },
        ]
      : [];
  return [
    ...cut,
    ...(area ? [{ kind: "rect", at: area, stroke: "hair", line: FINE, dashed: true } as Mark] : []),
    ...setting.keepOut[face].map((at): Mark => ({ kind: "rect", at, fill: "film", stroke: "pencil", line: FINE })),
  ];
}

/** One face of a card on the mat, with its words where they will be printed. */
export function cardMat(
  card: Card,
  setting: CardSetting,
  face: CardFace,
  laid: Pick<Laid, "words">,
  unit: Unit,
): StillMat {
  const marks: Mark[] = [
    { kind: "rect", at: rectOf(card.size), fill: "paper" },
    ...(face === "front" ? preprintMarks(card, rectOf(card.size)) : []),
    ...keptFree(card, setting, face),
    ...laidMarks(laid, setting),
    ...(face === "front" ? boxMarks(setting) : []),
  ];
  const [w, h] = [mm(card.size.w), mm(card.size.h)];
  const caption = `${face === "front" ? "Front" : "Back"}, ${printSize(card.size, unit)}`;
  const thing = { key: card.id, x: 0, y: 0, w, h, caption, drawing: drawingOf(marks) };
  const margin = Math.max(9, Math.min(w, h) * 0.12);
  const box = { x: -margin, y: -margin, w: w + 2 * margin, h: h + 2.4 * margin };
  return stillMat([thing], unit, false, "card", box);
}
