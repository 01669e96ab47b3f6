import { NUMERAL_COLOURS } from "../album/leaf.ts";
import { keptOf } from "../book/keep-clear.ts";
import { type BookPage, type PlacedPiece, pageOfPiece } from "../book/read.ts";
import { wordsArea } from "../book/says.ts";
import type { Lying } from "../book/spread.ts";
import { seenThroughPiece } from "../book/windows.ts";
import { inches } from "../measure/length.ts";
import { areaOf, centredIn, grown, overlap, type Rect } from "../measure/rect.ts";
import { turned } from "../measure/size.ts";
import { VELLUM_HELPS } from "../photo/quiet.ts";
import { groundBehind, type Tones, toneOfGround } from "./ground.ts";
import { onSpread, type SeenSlip } from "./slip.ts";
import { bareInk, inksThatRead, standsOut } from "./stands-out.ts";

/** So far round the point to keep nothing should lie. */
export const POINT = inches(1 / 4);

/** Where lettering or a printed shape lies on its side; null for what has none. Of words on film only they themselves count. */
export function letteringOf({ piece, rect: lies }: PlacedPiece): Rect | null {
  const { what, turn } = piece;
  const words = "says" in what && what.says ? what.says : null;
  if (what.kind === "numeral") return lies;
  if (what.kind === "overlay" && !words) return lies;
  if (!words || !("size" in what)) return null;
  if (seenThroughPiece(piece) === "opaque") return lies;
  const area = wordsArea(words, what.size);
  return centredIn(lies, turn % 2 === 1 ? turned(area) : area);
}

/** Lettering over a face, or over the point that a print without marked faces must keep, of one print that is seen. */
export function overKept<P extends BookPage>(
  placed: PlacedPiece,
  on: Lying<P>,
  above: readonly { readonly piece: PlacedPiece; readonly on: Lying<P> }[],
  facesOnly: boolean,
): { kind: "over-face" | "over-point"; over: PlacedPiece; on: Lying<P> } | null {
  const kept = keptOf(placed, on.read[on.face].content)
    .filter(({ kind }) => kind === "face" || !facesOnly)
    .map(({ kind, at }) => ({ kind, near: onSpread(on, kind === "face" ? at : grown(at, POINT)) }));
  if (kept.length === 0) return null;
  for (const { piece, on: where } of above) {
    const lies = letteringOf(piece);
    const covered = lies ? kept.find(({ near }) => overlap(onSpread(where, lies), near)) : undefined;
    if (covered) return { kind: `over-${covered.kind}`, over: piece, on: where };
  }
  return null;
}

/** The lettering of the uppermost leaf that does not stand out from what is behind it. */
export function notStandingOut<P extends BookPage>(stack: readonly Lying<P>[], tones: Tones): SeenSlip<P>[] {
  const [top] = stack;
  if (!top) return [];
  const side = top.read[top.face];
  return side.pieces.flatMap((placed, under): SeenSlip<P>[] => {
    const { piece } = placed;
    const ink = bareInk(piece);
    const isPattern = piece.what.kind === "overlay" && ink === null;
    const lies = ink !== null || isPattern ? letteringOf(placed) : null;
    if (!lies) return [];
    const ground = groundBehind(stack, onSpread(top, lies), under);
    const tone = toneOfGround(ground, tones);
    if (!tone) return [];
    const { how, contrast } = ink
      ? standsOut(ink, tone)
      : { how: tone.spread > VELLUM_HELPS ? ("busy" as const) : ("reads" as const), contrast: null };
    if (how === "reads") return [];
    const far = ground.filter(({ isBehind }) => isBehind).reduce((sum, { at }) => sum + areaOf(at), 0);
    return [
      {
        ...{ kind: how, slip: `stands-out ${piece.id}`, through: top.read, face: top.face },
        ...{ page: pageOfPiece(side, piece), pieces: [placed], contrast },
        inks: ink ? inksThatRead(NUMERAL_COLOURS, tone) : [],
        isBehind: far * 2 > ground.reduce((sum, { at }) => sum + areaOf(at), 0),
      },
    ];
  });
}
