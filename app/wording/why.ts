import { type Binding, type Closing, HINGE } from "#core/bulk/closing.ts";
import { type Fit, PLAY, WANDERS_OVER } from "#core/fit/fit.ts";
import { type Length, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { printSize, type Size } from "#core/measure/size.ts";
import type { Sharpness } from "#core/photo/crop.ts";
import { saySize } from "#core/words/lettering.ts";

/** What stands behind a verdict: the numbers, the rule they were held against, and where the rule is from. */
export type Reckoning = {
  readonly numbers: readonly (readonly [name: string, value: string])[];
  readonly rule: string;
  readonly source: string;
  /** The word of the craft that it turns on, by its id in `CRAFT`. */
  readonly word?: string;
  /** It stands or falls with what was measured of the book: the way to its measures is beside it. */
  readonly ofMeasures?: true;
};

/** Why a closed book is said to close, or not: `say` says a thickness as it was reckoned. */
export function whyCloses(
  { gape, rests, thickest }: Closing,
  { depth, board }: Binding,
  say: (thick: number) => string,
  unit: Unit,
): Reckoning {
  const far = (x: number) => sayLength(ticks(Math.round(Math.max(x, HINGE))), unit);
  return {
    numbers: [
      ["The rings or spine take", say(depth)],
      ["The board, from the hinge on", sayLength(board, unit)],
      ...(rests
        ? ([
            ["The board rests on", say(rests.height)],
            ["So far from the hinge", far(rests.x)],
            ["Apart more than it should be", say(gape)],
          ] as const)
        : ([["Thickest", say(thickest?.height ?? 0)]] as const)),
    ],
    rule: rests
      ? "What stands higher than the rings at some distance lifts the board there, and its free edge by as much more as the board is longer: the height over the rings, times the board, through the distance. The place that lifts it most counts."
      : "Nowhere is it higher than the rings or the spine are deep, so nothing lifts the boards.",
    source: "Similar triangles; thicknesses as typical, from memory, or as measured.",
    ofMeasures: true,
  };
}

const PRACTICE = "Common practice.";
const MEMORY = "Common practice; how much is too much is from memory.";

/** Why a piece is said to fit as it does: `made` as it lies, `room` what it lies in. */
export const whyFits = (fit: Fit, made: Size, room: Size, inPocket: boolean, unit: Unit): Reckoning => ({
  ...reckonFit(fit, made, room, inPocket, unit),
  ofMeasures: true,
});

function reckonFit(fit: Fit, made: Size, room: Size, inPocket: boolean, unit: Unit): Reckoning {
  const say = (length: number) => sayLength(ticks(length), unit);
  const both = ({ w, h }: { w: Length; h: Length }) => `${say(w)} by ${say(h)}`;
  const where = inPocket ? "The pocket" : "The page";
  const numbers: [string, string][] = [
    ["The piece, as it lies", printSize(made, unit)],
    [where, printSize(room, unit)],
  ];
  const left = ticks(room.w - made.w) >= 0 && ticks(room.h - made.h) >= 0;
  const play = `It goes in where it is no larger than the pocket either way. ${say(PLAY)} of play lets it slide; with more than ${say(WANDERS_OVER)} it wanders.`;
  switch (fit.kind) {
    case "fits":
    case "snug":
    case "wanders":
      return { numbers: [...numbers, ["Left over", both(fit.play)]], rule: play, source: MEMORY, word: "play" };
    case "turn":
      return { numbers: [...numbers, ["Left over, turned", both(fit.play)]], rule: play, source: MEMORY, word: "play" };
    case "trim":
      return {
        numbers: [...numbers, ["Taken, with play", printSize(fit.takes, unit)], ["To come off", both(fit.off)]],
        rule: `It is larger than the ${fit.inOpening ? "protector’s opening" : "pocket"} either way up. What comes off leaves ${say(PLAY)} of play, the way up that keeps more of it.`,
        source: PRACTICE,
        word: fit.inOpening ? "opening" : "play",
      };
    case "carried":
      return {
        numbers: left ? [...numbers, ["Left over", `${say(room.w - made.w)} by ${say(room.h - made.h)}`]] : numbers,
        rule: "Small for its pocket, it would wander; but it is stuck to something that fills the pocket.",
        source: PRACTICE,
        word: "wanders",
      };
    case "split":
      return { numbers, rule: "A pocket ends at its weld: nothing lies across two.", source: PRACTICE, word: "pocket" };
    case "lies":
    case "overhangs":
    case "stands":
    case "beside": {
      const edges = fit.kind === "lies" ? fit.room : fit.kind === "overhangs" ? fit.over : null;
      const named = edges
        ? (["left", "right", "top", "bottom"] as const).map(
            (edge) =>
              [
                `${fit.kind === "lies" ? "From" : "Over"} the ${edge === "bottom" ? "foot" : edge}`,
                say(edges[edge]),
              ] as const,
          )
        : [];
      return {
        numbers: [...numbers, ...named],
        rule: "On an open page nothing holds a piece but glue: it may lie anywhere, and is told where it passes the edge.",
        source: PRACTICE,
        word: "hangs-over",
      };
    }
  }
}

/** Why a print is said to be as sharp as it is: `shown` the pixels of the picture that it shows. */
export const whySharp = (
  shown: { readonly across: number; readonly down: number },
  print: Size,
  ppi: number,
  verdict: Sharpness,
  unit: Unit,
): Reckoning => ({
  numbers: [
    ["Pixels of the picture it shows", `${Math.round(shown.across)} by ${Math.round(shown.down)}`],
    ["The print, with its border", printSize(print, unit)],
    ["Pixels to each inch", String(Math.round(ppi))],
  ],
  rule: `300 or more is sharp, 200 good, 150 just good enough, and less looks soft${verdict === "soft" ? ", at arm’s length already" : ""}.`,
  source: PRACTICE,
  word: "pixels-an-inch",
});

/** Why words are said to fit their card, or not. */
export const whyWords = (
  { lines, room, size, largest }: { lines: number; room: number; size: number | null; largest: number | null },
  card: Size,
  unit: Unit,
): Reckoning => ({
  numbers: [
    ["The card", printSize(card, unit)],
    ...(size === null ? [] : [["Lettering", `${saySize(size)} points`] as const]),
    ["Lines the words take", String(lines)],
    ["Lines there is height for", String(room)],
    ...(largest === null ? [] : [["Largest size that holds all", `${saySize(largest)} points`] as const]),
  ],
  rule: "Each paragraph is broken where the whole of it comes out evenest. It fits when its lines are no more than there is height for, and no word is wider than its line. Every larger size that is offered was tried.",
  source: "Line breaking after Knuth and Plass, 1981; where a line may break after the Unicode standard, UAX 14.",
  word: "journaling-card",
});

/** Why lettering on a picture is said to read, or not. */
export const whyReads = (contrast: number, lettering: "light" | "dark"): Reckoning => ({
  numbers: [
    [`${lettering === "light" ? "Light" : "Dark"} lettering to the picture under it`, `${contrast} to 1`],
    ["Needed", "3 to 1"],
  ],
  rule: "The lighter of the two, by how bright it is to the eye, over the darker, each with a twentieth of white added. The better of light and dark is named.",
  source: "Contrast and relative luminance after WCAG 2.2; 3 to 1 is its figure for large letters.",
});

/** Why a plan of sheets is said to need no fewer, or perhaps fewer. */
export const whySheets = (sheets: number, atLeast: number, proven: boolean): Reckoning => ({
  numbers: [
    ["Sheets in this plan", String(sheets)],
    ["Sheets that are needed at least", String(atLeast)],
  ],
  rule: proven
    ? "No plan has fewer: what the prints take up together, gaps and turned ones counted, is more than fewer sheets hold."
    : "Fewer sheets would have the area; whether some plan of straight cuts has fewer is still looked for, or was not settled.",
  source: "Lower bounds for cutting problems, after Martello and Vigo, 1998.",
  word: "edge-to-edge",
});
