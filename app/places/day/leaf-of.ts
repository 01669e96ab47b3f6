import type { LeafView, PieceView } from "#app/drawing/leaf-view.ts";
import { INSERT_NAME } from "#app/ui/wording.ts";
import type { AlbumPlan, FoundationKind } from "#core/album/model.ts";
import { NUMERAL_PIECE, type Page, planLeaf } from "#core/album/page.ts";
import { type Length, printLength, printNumber, toMillimetres } from "#core/measure/length.ts";
import { printSize, type Size } from "#core/measure/size.ts";

/** Millimetres to a hundredth, as a drawing needs them. */
const round = (n: number) => Math.round(n * 100) / 100;
const mm = (length: Length) => round(toMillimetres(length));
const inMm = ({ w, h }: Size) => ({ w: mm(w), h: mm(h) });

/** Kinds that go into a protector; the others are punched or bound themselves. */
const IN_PROTECTOR: readonly FoundationKind[] = ["full", "pocket"];

/** A page of the plan as something to draw, to scale. */
export function leafOf(page: Page, { format, unit }: Pick<AlbumPlan, "format" | "unit">): LeafView {
  const plan = planLeaf(page, format);
  const { content } = page;
  const numeralAt = plan.fit.laid.find(({ id }) => id === NUMERAL_PIECE)?.rect;
  const numeral: PieceView = {
    id: NUMERAL_PIECE,
    kind: "numeral",
    label: page.label ?? "",
    said: "",
    ...(numeralAt ? inMm(numeralAt) : { w: 50.8, h: 50.8 }),
  };
  const pieces = new Map<string, PieceView>([
    ...content.photos.map(
      ({ id, photoId, print, alt }) =>
        [
          id,
          { id, kind: "photo", photoId, alt, upright: print.h > print.w, said: printSize(print, unit), ...inMm(print) },
        ] as const,
    ),
    ...content.cards.map(
      ({ id, size, text }) => [id, { id, kind: "card", text, said: printSize(size, unit), ...inMm(size) }] as const,
    ),
    [NUMERAL_PIECE, numeral] as const,
  ]);
  // The opening is a little larger than the page; both are centred on each other.
  const [dx, dy] = [
    toMillimetres((plan.area.w - plan.page.w) as Length) / 2,
    toMillimetres((plan.area.h - plan.page.h) as Length) / 2,
  ];
  const kind = content.foundation?.kind ?? null;
  const film = kind && IN_PROTECTOR.includes(kind) && format.margin > 0;
  return {
    kind,
    unit,
    ...inMm(plan.page),
    said: { w: printLength(plan.page.w, unit), h: printLength(plan.page.h, unit), size: printSize(plan.page, unit) },
    film: film
      ? {
          w: round(mm(plan.page.w) + mm(format.outer.w) - mm(format.nominal.w)),
          h: round(mm(plan.page.h) + mm(format.outer.h) - mm(format.nominal.h)),
          margin: mm(format.margin),
        }
      : null,
    pockets: plan.pockets.map(({ x, y, w, h }) => ({
      x: round(toMillimetres(x) - dx),
      y: round(toMillimetres(y) - dy),
      w: mm(w),
      h: mm(h),
    })),
    laid: plan.fit.laid.flatMap(({ id, rect, turned }) => {
      const piece = pieces.get(id);
      return piece
        ? [
            {
              piece,
              turned,
              x: round(toMillimetres(rect.x) - dx),
              y: round(toMillimetres(rect.y) - dy),
              w: mm(rect.w),
              h: mm(rect.h),
            },
          ]
        : [];
    }),
    beside: plan.fit.beside.flatMap((id) => pieces.get(id) ?? []),
    inserts: content.inserts.map(({ id, kind: of, size, note }) => ({
      id,
      kind: of,
      name: INSERT_NAME[of],
      note,
      said: printSize(size, unit),
      ...inMm(size),
    })),
  };
}

/** What the first dry fit says, in a line or two. */
export function fitWords(page: Page, { format, unit }: Pick<AlbumPlan, "format" | "unit">): string[] {
  const { fit, pockets } = planLeaf(page, format);
  const pieces = [
    ...page.content.photos.map(({ id, print }) => ({ id, name: `${printSize(print, unit)} print` })),
    ...page.content.cards.map(({ id, size }) => ({ id, name: `${printSize(size, unit)} card` })),
  ];
  return pieces.map(({ id, name }) => {
    const laid = fit.laid.find((each) => each.id === id);
    if (!laid)
      return `${name}: ${pockets.length > 0 ? "no free pocket takes it" : "no room left on the page"}. It lies beside.`;
    if (pockets.length === 0) return `${name}: has room.`;
    const least = Math.min(laid.play.w, laid.play.h) as Length;
    const play =
      least === 0 ? "fits exactly" : `fits with ${printNumber(least, unit)}${unit === "inch" ? "″" : " cm"} play`;
    return `${name}: ${play}${laid.turned ? ", turned" : ""}.`;
  });
}
