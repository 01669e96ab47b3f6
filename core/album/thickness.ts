import { MATERIALS } from "../material/material.ts";
import type { Size } from "../measure/size.ts";
import type { LeafMake } from "./leaf.ts";
import { thicknessOf } from "./made-of.ts";
import type { PageContent } from "./steps.ts";
import { usualOfLeaf, usualOfNumeral } from "./usual-material.ts";

/** A protector is film on both sides of what is in it. */
export const PROTECTOR = 2 * MATERIALS["protector-film"].caliper;

const share = (piece: Size, page: Size) => Math.min(1, (piece.w * piece.h) / (page.w * page.h));

/** Thickness of a bare leaf in micrometres; an insert is counted by the share of the album's page that it covers. */
export function leafThickness(make: Pick<LeafMake, "kind" | "size" | "insert" | "of">, nominal: Size): number {
  const own = thicknessOf(usualOfLeaf(make), make.of);
  if (make.insert !== null) return Math.round(own * share(make.size ?? nominal, nominal));
  return make.kind === "full" || make.kind === "pocket" ? own + PROTECTOR : own;
}

/** A number covers about so much of its page. */
const NUMBER_SHARE = 0.05;

/**
 * Mean thickness in micrometres of what a page's worth of days lays on its leaves, each piece counted by the share of the
 * page it covers. It tells how thick the closed book is on the whole; where pieces pile up is a matter of their places.
 */
export function contentThickness(content: PageContent, page: Size, hasLeaf: boolean): number {
  const number = hasLeaf ? thicknessOf(usualOfNumeral(content.numeral.style), null) * NUMBER_SHARE : 0;
  const print = MATERIALS["photo-paper"].caliper;
  const card = MATERIALS["cardstock-80"].caliper;
  const prints = content.photos.reduce((sum, use) => sum + print * share(use.print, page), 0);
  const cards = content.cards.reduce((sum, { size }) => sum + card * share(size, page), 0);
  return Math.round(number + prints + cards);
}
