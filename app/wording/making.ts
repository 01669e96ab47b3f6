import type { Said } from "#core/craft/blueprint.ts";
import type { Craft, Does, Impossible } from "#core/craft/craft.ts";
import type { OwnImpossible } from "#core/craft/own.ts";
import type { PlaceTrouble } from "#core/craft/place.ts";
import type { Slot, SlotFit } from "#core/craft/slots.ts";
import type { Caution, MakingStep } from "#core/craft/step.ts";
import { type Length, sayLength, ticks, type Unit } from "#core/measure/length.ts";

/** The words of the bench: what constructions do, what is wrong with one, what is done with it. */

export const DOES_NAME: Record<Does, string> = {
  holds: "Holds something",
  lifts: "Lifts",
  "folds-out": "Folds out",
  "stands-up": "Stands up",
  "pulls-out": "Pulls out",
  shakes: "Shakes",
  dangles: "Dangles",
  "lets-through": "Lets something through",
  "is-a-shape": "Is cut to a shape",
};

const say = (value: number, unit: Unit): string => sayLength(ticks(Math.round(value)), unit);

/** A sentence with its lengths as a ruler has them. */
export const saidIn = ({ say: text, lengths = {} }: Said, unit: Unit): string =>
  text.replace(/\{(\w+)\}/g, (all, name: string) => {
    const value = lengths[name];
    return value === undefined ? all : say(value, unit);
  });

/** Why it cannot be made as it is set, and what that one setting may be. */
export function impossibleSaid(done: Impossible | OwnImpossible, of: Craft, unit: Unit): string {
  if ("cut" in done)
    return done.why === "outside"
      ? `Own cut ${done.cut + 1} reaches out of its part: move it or make it smaller.`
      : `Own cut ${done.cut + 1} is in a part that this does not have: choose another part, or take it away.`;
  const { setting, why, limit } = done;
  const { name = setting, counts } = of.settings[setting] ?? {};
  const value = counts ? String(limit) : say(limit, unit);
  return `${name}: ${why === "at-least" ? "at least" : "at most"} ${value}, as the rest is set.`;
}

export const ACT_NAME: Record<MakingStep["act"], string> = {
  cut: "Cut",
  score: "Score",
  fold: "Fold",
  glue: "Glue",
  fasten: "Fasten",
  punch: "Punch",
  fill: "Fill",
  check: "Try it",
};

export const HELD_NAME: Record<NonNullable<MakingStep["held"]>, string> = {
  "strong-tape": "Strong double-sided tape",
  "tape-runner": "Tape runner",
  "wet-glue": "Wet glue, little",
  staple: "Staples",
  brad: "Brad",
  eyelet: "Eyelet",
  washi: "Washi tape, something stickier under it",
  foam: "Foam tape",
};

/** The cautions of §17 at the step they are for; each defers to the product’s label. */
export const CAUTION_SAID: Record<Caution, string> = {
  blade: "Blades: metal ruler, cut away from your hand, close the blade after. Follow the trimmer’s label.",
  stapler: "Staples: fingers clear, and no point left open where a child feels for it.",
  eyelet: "Eyelet setters and punches: fingers clear, not where children reach.",
  "small-parts": "Small parts: not where small children or pets reach them.",
  sewing: "A needle can break on card: protect your eyes, and take hard pieces off first.",
  heat: "A heat tool burns, and film and vellum melt: keep it off them.",
  "photo-safe": "Photos: acid-free, PVC-free, photo-safe adhesive. Follow its label.",
};

export const driesSaid = (minutes: number): string =>
  `Leave it under a weight for about ${minutes} min, or as long as its label says.`;

/** Where a construction carries something, told apart by its number. */
export const slotName = ({ goesIn, name }: Slot, nth: number): string =>
  !goesIn ? `Side ${nth} inside` : name ? `In it, as ${name}` : "In it";

export function slotFitSaid(fit: SlotFit, unit: Unit): string {
  if (fit.kind === "fits") return "Fits.";
  if (fit.kind === "turned") return "Fits turned by a quarter.";
  const over = [
    ...(fit.w > 0 ? [`${say(fit.w, unit)} too wide`] : []),
    ...(fit.h > 0 ? [`${say(fit.h, unit)} too tall`] : []),
  ];
  return `Does not fit: ${over.join(", ")}. Trim it, or make the construction larger.`;
}

const SNAG_NAME = { stitching: "stitches", staple: "staples", brad: "brads" } as const;

/** What does not work where it lies, and what would. */
export function placeTroubleSaid(trouble: PlaceTrouble, stateName: (id: string) => string, unit: Unit): string {
  const length = (value: Length) => say(value, unit);
  switch (trouble.kind) {
    case "too-large":
      return `Closed it is ${length(trouble.over)} larger than its ${trouble.of}.`;
    case "tight":
      return `It is tight in its pocket: ${length(trouble.room)} of room beside its own thickness.`;
    case "jams":
      return "It jams in its pocket: with its own thickness it is wider than the pocket lets through.";
    case "into-rings":
      return `${stateName(trouble.state)}, it goes ${length(trouble.by)} into the binding: let it open away from it.`;
    case "past-cover":
      return `${stateName(trouble.state)}, it stands ${length(trouble.by)} past the cover.`;
    case "over-holes":
      return `${stateName(trouble.state)}, it lies over a hole.`;
    case "over-piece":
      return `${stateName(trouble.state)}, it lies over something else that opens: one of them must be closed first.`;
    case "snags":
      return `Where it slides it meets ${SNAG_NAME[trouble.by]}${trouble.behind ? " of what is on the other side" : ""}: cover them, or move one of the two.`;
    case "back-seen":
      return "The page is clear: its back is seen from the other side. Put something over it there.";
    case "two-days":
      return "It goes through the paper, and the other side is another day’s: make what comes on both before either is stuck down.";
    case "in-protector":
      return "Inside a closed protector it cannot be opened: put it on the outside, or on a bare page.";
    case "stays-open":
      return "Nothing keeps it shut: a pair of hook-and-loop dots, a clip, a tie or a loop of paper.";
    case "no-hint":
      return "Nothing says that it opens: a tab, or a word on it.";
  }
}
