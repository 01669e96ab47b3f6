import type { Craft } from "./craft.ts";
import { CLEAR_POCKET } from "./kinds/clear-pocket.ts";
import { CLIPPED_PULL_OUT } from "./kinds/clipped-pull-out.ts";
import { CURVED_EDGE } from "./kinds/curved-edge.ts";
import { CUT_SHAPE } from "./kinds/cut-shape.ts";
import { DANGLING_TAGS } from "./kinds/dangling-tags.ts";
import { ENVELOPE } from "./kinds/envelope.ts";
import { ENVELOPE_LEAF } from "./kinds/envelope-leaf.ts";
import { FLATTENED_CUP } from "./kinds/flattened-cup.ts";
import { FLIP_UP } from "./kinds/flip-up.ts";
import { FOLD_OUT } from "./kinds/fold-out.ts";
import { FOLD_OVER_TAG } from "./kinds/fold-over-tag.ts";
import { GRID_BOOKLET } from "./kinds/grid-booklet.ts";
import { HINGED_PHOTO_POCKET } from "./kinds/hinged-photo-pocket.ts";
import { INSERT_WITH_POCKET } from "./kinds/insert-with-pocket.ts";
import { LID } from "./kinds/lid.ts";
import { MATCHBOOK_STOP } from "./kinds/matchbook-stop.ts";
import { OVERLAY_PAIR } from "./kinds/overlay-pair.ts";
import { PAGE_OF_FLIPS } from "./kinds/page-of-flips.ts";
import { PARTIAL_PAGES } from "./kinds/partial-pages.ts";
import { PLAIN_SHEET } from "./kinds/plain-sheet.ts";
import { POP_UP } from "./kinds/pop-up.ts";
import { PULL_OUT } from "./kinds/pull-out.ts";
import { RING } from "./kinds/ring.ts";
import { SHAKER } from "./kinds/shaker.ts";
import { SHORT_PAGE } from "./kinds/short-page.ts";
import { STACKED_WORD } from "./kinds/stacked-word.ts";
import { TABBED_POCKET } from "./kinds/tabbed-pocket.ts";
import { TAG_FROM_CARD } from "./kinds/tag-from-card.ts";
import { THREE_SLIPS } from "./kinds/three-slips.ts";
import { TIP_IN } from "./kinds/tip-in.ts";
import { TRACED_TAB } from "./kinds/traced-tab.ts";
import { TWO_TAGS } from "./kinds/two-tags.ts";

/** Every construction, what holds something first; a new one is a file and a line here. */
export const CRAFTS: readonly Craft[] = [
  TABBED_POCKET,
  CLEAR_POCKET,
  INSERT_WITH_POCKET,
  MATCHBOOK_STOP,
  HINGED_PHOTO_POCKET,
  ENVELOPE,
  ENVELOPE_LEAF,
  LID,
  FLIP_UP,
  PAGE_OF_FLIPS,
  OVERLAY_PAIR,
  TIP_IN,
  TRACED_TAB,
  FOLD_OUT,
  GRID_BOOKLET,
  PARTIAL_PAGES,
  FLATTENED_CUP,
  PLAIN_SHEET,
  POP_UP,
  PULL_OUT,
  TAG_FROM_CARD,
  TWO_TAGS,
  THREE_SLIPS,
  CLIPPED_PULL_OUT,
  SHAKER,
  DANGLING_TAGS,
  FOLD_OVER_TAG,
  SHORT_PAGE,
  RING,
  STACKED_WORD,
  CURVED_EDGE,
  CUT_SHAPE,
];

export const craftOf = (kind: string): Craft | null => CRAFTS.find((each) => each.kind === kind) ?? null;
