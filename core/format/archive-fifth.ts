import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const PIECE = z.looseObject({ what: z.looseObject({ kind: z.string(), dayId: z.string().nullish() }) });
const SIDE = z.looseObject({ pieces: z.array(PIECE).nullable() });
const FIFTH_FORMAT = z.object({
  photos: z.array(z.looseObject({ rejected: z.boolean() })),
  book: z.looseObject({
    leaves: z.array(z.looseObject({ front: SIDE, back: SIDE })),
    tryOuts: z.array(z.looseObject({ pieces: z.array(PIECE) })),
  }),
});

/** Any piece says whose it is, where before only a number did, within what it is; paper round a photo is a photo mat. */
const ofItself = ({ what: { dayId, ...what }, ...piece }: z.output<typeof PIECE>) => ({
  ...piece,
  what: what.kind === "mat" ? { ...what, kind: "photo-mat" } : what,
  dayId: dayId ?? null,
});
const alone = ({ pieces, ...side }: z.output<typeof SIDE>) => ({
  ...side,
  guests: [],
  pieces: pieces?.map(ofItself) ?? null,
});

/** No side is shared yet, no leaf glued to another, and a picture set aside is called so. */
export const fromFifth = step(5, FIFTH_FORMAT, ({ photos, book }, raw) =>
  brought({
    ...raw,
    formatVersion: 6,
    photos: photos.map(({ rejected, ...photo }) => ({ ...photo, setAside: rejected })),
    book: {
      ...book,
      leaves: book.leaves.map(({ front, back, ...leaf }) => ({
        ...leaf,
        ...{ glued: false, front: alone(front), back: alone(back) },
      })),
      tryOuts: book.tryOuts.map(({ pieces, ...tryOut }) => ({ ...tryOut, pieces: pieces.map(ofItself) })),
    },
  }),
);
