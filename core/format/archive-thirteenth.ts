import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const THIRTEENTH_FORMAT = z.object({
  album: z.looseObject({}),
  photos: z.array(z.looseObject({})),
});

/** Nobody had said who is on a picture, no loose end was left, and no opening had a line under it. */
export const fromThirteenth = step(13, THIRTEENTH_FORMAT, ({ album, photos }, raw) =>
  brought({
    ...raw,
    formatVersion: 14,
    album: { ...album, looseEnds: [] },
    photos: photos.map((photo) => ({ ...photo, people: null })),
  }),
);
