import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const LETTERING = z.looseObject({ face: z.unknown().optional() });
const CARD = z.looseObject({ setting: z.looseObject({ lettering: LETTERING }).nullable() });
const ENTRY = z.looseObject({ cards: z.array(CARD) });
const SIXTH_FORMAT = z.object({ days: z.array(ENTRY), matters: z.array(ENTRY) });

const ofType = ({ face, ...lettering }: z.output<typeof LETTERING>) =>
  face === undefined ? lettering : { ...lettering, typeface: face };
const renamed = ({ cards, ...entry }: z.output<typeof ENTRY>) => ({
  ...entry,
  cards: cards.map(({ setting, ...card }) => ({
    ...card,
    setting: setting && { ...setting, lettering: ofType(setting.lettering) },
  })),
});

/** What words are set in is called a typeface; a face is the front or the back. */
export const fromSixth = step(6, SIXTH_FORMAT, ({ days, matters }, raw) =>
  brought({ ...raw, formatVersion: 7, days: days.map(renamed), matters: matters.map(renamed) }),
);
