import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const TENTH_FORMAT = z.object({
  album: z.looseObject({}),
  book: z.looseObject({ leaves: z.array(z.looseObject({})) }),
  photos: z.array(z.looseObject({})),
});

/** Every book was one volume, no picture had its faces marked, nobody had put a ruler to it, and nothing seen through a leaf was left as it is. */
export const fromTenth = step(10, TENTH_FORMAT, ({ album, book, photos }, raw) =>
  brought({
    ...raw,
    formatVersion: 11,
    photos: photos.map((photo) => ({ ...photo, faces: [] })),
    album: { ...album, ruler: [] },
    book: { ...book, leaves: book.leaves.map((leaf) => ({ ...leaf, opensVolume: false, leftSeen: [] })) },
  }),
);
