import { randomUUID } from "node:crypto";
import { type Held, type Piece, PLAIN_PAPER } from "../core/album/leaf.ts";
import { AS_USUAL } from "../core/album/made-of.ts";
import type { DatedPage } from "../core/book/dated-page.ts";
import type { BookEdit } from "../core/book/edit.ts";
import type { LeafRead } from "../core/book/read.ts";
import { builtAs, stockOf } from "../core/craft/built.ts";
import { craftOf } from "../core/craft/catalog.ts";
import { made, NOWHERE, type Sizes, usualSizes } from "../core/craft/craft.ts";
import type { KeptMaking } from "../core/craft/kept.ts";
import { slotsOf } from "../core/craft/slots.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";

/** What opens in Petra's book: an envelope that is made, and what she has measured for the days to come. */

type Asked = {
  readonly kind: string;
  readonly name: string;
  readonly sizes?: Sizes;
  readonly x: number;
  readonly y: number;
  /** Words on its sides inside, in order. */
  readonly words?: readonly string[];
};

function construction({ kind, name, sizes = {}, x, y, words = [] }: Asked): Piece {
  const of = craftOf(kind);
  if (!of) throw new Error(`the bench has no ${kind}`);
  const all = { ...usualSizes(of, NOWHERE), ...sizes };
  const done = made(of, all, stockOf(of.paper));
  if (!done.ok) throw new Error(`the demo's ${kind} cannot be made: ${done.setting}`);
  const slots = slotsOf(done).filter(({ goesIn }) => !goesIn);
  const holds = words.flatMap((says, nth): Held[] => {
    const slot = slots[nth];
    return slot ? [{ slot: slot.id, what: { kind: "words", says } }] : [];
  });
  return {
    ...{ id: randomUUID(), turn: 0, outside: false, dayId: null },
    at: { x: inches(x), y: inches(y) },
    of: { ...AS_USUAL, material: of.paper },
    what: {
      ...{ kind: "construction", name, size: done.closed },
      built: { ...builtAs(of, all, done, of.paper), holds },
    },
  };
}

/** What Petra keeps to begin others from: a flip with a hole to look through. */
export const PEEPHOLE: KeptMaking = {
  ...{ name: "Flip with a peephole", kind: "flip-up", paper: "cardstock-80" },
  lengths: { width: inches(3), height: inches(4) },
  counts: { edge: 0 },
  own: [{ kind: "circle", part: "flip", at: rect(inches(1), inches(1.5), inches(1), inches(1)) }],
};

const SONG = [
  "Lantern in the window,\nkettle on the hob",
  "boat is at the causeway,\nrope is on the bob",
  "who is at the landing,\nwho is in the rain",
  "light another lantern,\nset the kettle on again",
];

export async function layConstructions(
  leaves: readonly LeafRead<DatedPage>[],
  dayOn: (date: string) => string | undefined,
  change: (edit: BookEdit) => Promise<void>,
): Promise<void> {
  const leafOn = (date: string) =>
    leaves.find(({ build, front }) => build.insert === null && front.page?.days.some(({ id }) => id === dayOn(date)));
  const lay = async (date: string, face: "front" | "back", piece: Piece) => {
    const read = leafOn(date);
    if (!read) throw new Error(`the demo has no page on ${date}`);
    const pieces = [...read[face].pieces.map((each) => each.piece), piece];
    await change({ kind: "arrange", leaf: read.leaf.id, face, pieces });
    return { read, piece };
  };
  // Made and in the book: letters to the seal, behind the picture of the sea bath.
  const letters = construction({ kind: "envelope", name: "Letters to the seal", x: 1, y: 2.5 });
  const sent = await lay("-06", "back", letters);
  await change({
    ...{ kind: "tick-making", leaf: sent.read.leaf.id, face: "back", piece: letters.id, nth: null, done: true },
  });
  const booklet = construction({ kind: "grid-booklet", name: "The causeway song", x: 3.5, y: 3.75, words: SONG });
  const song = await lay("-17", "front", booklet);
  for (const nth of [0, 1])
    await change({ kind: "tick-making", leaf: song.read.leaf.id, face: "front", piece: booklet.id, nth, done: true });
  await lay("-24", "front", construction({ kind: "pull-out", name: "Who lit it", x: 0.75, y: 1.25 }));
  const leaf = randomUUID();
  const day = dayOn("-29");
  if (!day) return;
  await change({ kind: "give-leaf", id: leaf, make: { ...PLAIN_PAPER, basePaper: "Dusk Blue cardstock" }, dayId: day });
  const boat = construction({ kind: "pop-up", name: "The mail boat", x: 0.5, y: 2 });
  await change({ kind: "arrange", leaf, face: "front", pieces: [boat] });
}
