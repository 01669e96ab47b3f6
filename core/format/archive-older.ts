import { z } from "zod";
import { type HolePresetId, holePreset } from "../album/holes.ts";
import { BINDINGS } from "../album/model.ts";
import { millimetres, toMillimetres } from "../measure/length.ts";
import { AS_IT_COMES } from "../photo/crop.ts";
import { NO_LOOK } from "../photo/look.ts";
import { USUAL_RULE } from "../photo/propose.ts";
import { fromEighth } from "./archive-eighth.ts";
import { fromEleventh } from "./archive-eleventh.ts";
import { fromFifth } from "./archive-fifth.ts";
import { fromFourteenth } from "./archive-fourteenth.ts";
import { fromFourth } from "./archive-fourth.ts";
import { fromNinth } from "./archive-ninth.ts";
import { fromSeventh } from "./archive-seventh.ts";
import { fromSixth } from "./archive-sixth.ts";
import { type Brought, brought, type Step, step } from "./archive-step.ts";
import { fromTenth } from "./archive-tenth.ts";
import { fromThirteenth } from "./archive-thirteenth.ts";
import { fromTwelfth } from "./archive-twelfth.ts";

const FIRST_FORMAT = z.object({
  album: z.looseObject({
    format: z.looseObject({
      binding: z.enum(BINDINGS),
      outer: z.object({ w: z.number().positive().max(2000), h: z.number().positive().max(2000) }),
    }),
  }),
});
const FIRST_HOLES: Record<(typeof BINDINGS)[number], HolePresetId> = {
  ring: "three-ring",
  "two-hole": "iso-838",
  sewn: "none",
};

/** Typical holes for its binding, a cover a quarter inch larger, no book yet. */
const fromFirst = step(1, FIRST_FORMAT, ({ album }, raw) => {
  const { binding, outer } = album.format;
  const { positions, inset, diameter } = holePreset(FIRST_HOLES[binding], millimetres(outer.h));
  const measured = {
    bindingEdge: "left",
    holes: { positions: positions.map(toMillimetres), inset: toMillimetres(inset), diameter: toMillimetres(diameter) },
    cover: { w: outer.w + 6.35, h: outer.h + 6.35 },
  };
  return brought({
    ...raw,
    formatVersion: 2,
    album: { ...album, format: { ...album.format, ...measured } },
    book: null,
  });
});

const SECOND_FORMAT = z.object({
  days: z.array(z.looseObject({ photos: z.array(z.looseObject({})) })),
  photos: z.array(z.looseObject({})),
});

/** Prints as they come, pictures plain. */
const fromSecond = step(2, SECOND_FORMAT, ({ days, photos }, raw) =>
  brought({
    ...raw,
    formatVersion: 3,
    days: days.map((day) => ({ ...day, photos: day.photos.map((use) => ({ ...use, crop: AS_IT_COMES })) })),
    photos: photos.map((photo) => ({ ...photo, givenDate: null, look: NO_LOOK })),
  }),
);

const THIRD_FORMAT = z.object({
  album: z.looseObject({}),
  days: z.array(z.looseObject({ cards: z.array(z.looseObject({})) })),
  photos: z.array(z.looseObject({})),
});

/** Cards with a front only, written as usual; nothing jotted down or marked. */
const fromThird = step(3, THIRD_FORMAT, ({ album, days, photos }, raw) => {
  const plain = { back: "", setting: null, hidden: "", privateUntil: null };
  const unmarked = { star: false, banked: false, rejected: false };
  return brought({
    ...raw,
    formatVersion: 4,
    privateTextsLeftOut: 0,
    album: { ...album, photoRule: USUAL_RULE },
    photos: photos.map((photo) => ({ ...photo, ...unmarked })),
    days: days.map((day) => ({
      ...day,
      technique: { text: "", slip: null },
      jottings: [],
      cards: day.cards.map((card) => ({ ...card, ...plain })),
    })),
  });
});

const STEPS: readonly Step[] = [
  fromFirst,
  fromSecond,
  fromThird,
  fromFourth,
  fromFifth,
  fromSixth,
  fromSeventh,
  fromEighth,
  fromNinth,
  fromTenth,
  fromEleventh,
  fromTwelfth,
  fromThirteenth,
  fromFourteenth,
];

/** An archive of any earlier format as one of today; one of today as it is. */
export function asOfToday(raw: unknown): Brought {
  return STEPS.reduce<Brought>(
    (now, { version, bring }) => {
      if (!now.ok || (now.raw as { formatVersion?: unknown }).formatVersion !== version) return now;
      return bring(now.raw);
    },
    { ok: true, raw },
  );
}
