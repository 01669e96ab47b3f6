import { newId } from "#app/parts/new-id.ts";
import type { SentBring } from "#core/album/edit-schema.ts";
import type { Came, Entry, SentPicture } from "./entry.ts";
import type { Outboxed } from "./outbox.ts";
import type { useSending } from "./sending.tsx";

/** Files as a hand gave them; of what lay in a folder, how many were left where they are because they are no pictures. */
export type Handed = { readonly files: readonly File[]; readonly leftOut: number };

const PICTURE_NAME = /\.(jpe?g|png|webp|avif|tiff?|hei[cf])$/i;

/** The pictures of a folder by their names and kinds: films and a computer's own files in it are nobody's mistake. */
export function picturesOf(folder: readonly File[]): Handed {
  const files = folder.filter(
    ({ name, type }) => (PICTURE_NAME.test(name) || type.startsWith("image/")) && !name.startsWith("."),
  );
  return { files, leftOut: folder.length - files.length };
}

/** Hands pictures in to the roll, or through it to a day of an album; each goes by itself. */
export function handIn(
  send: ReturnType<typeof useSending>["send"],
  files: readonly File[],
  to: { readonly album: string; readonly dayId: string } | null,
): void {
  for (const file of files) {
    const picture: SentPicture = { id: newId(), name: file.name, size: file.size };
    void send(
      {
        album: to?.album ?? null,
        key: `picture:${picture.id}`,
        sent: { what: "picture", picture, dayId: to?.dayId ?? null },
      },
      new Map([[picture.id, file]]),
    );
  }
}

/** Pictures of the roll put on a day, each under an id of its own there. */
export const broughtTo = (dayId: string, photoIds: readonly string[]): SentBring => ({
  ...{ what: "bring", dayId, jotting: null },
  pictures: photoIds.map((photoId) => ({ useId: newId(), photoId })),
});

/** How far the pictures are that were handed in to one place: a day, or with null the roll. */
export type Run = {
  readonly waiting: number;
  readonly came: readonly Came[];
  readonly added: number;
  readonly known: number;
  readonly refused: readonly Came[];
  /** Seconds still to go at the pace so far; null until there is a pace, or while nothing can be sent. */
  readonly secondsLeft: number | null;
};

/** How many pictures of the roll are out at once, and so share the time. */
const AT_ONCE = 3;
/** Milliseconds of sending before a pace means anything. */
const A_PACE = 1500;

export function runOf({ entries, came: all, trouble }: Outboxed, dayId: string | null): Run {
  const waiting = entries.flatMap(({ sent }: Entry) =>
    sent.what === "picture" && sent.dayId === dayId ? [sent.picture] : [],
  );
  const came = all.filter((each) => each.dayId === dayId);
  const taken = came.filter(({ result }) => result.ok && result.isNew);
  const [took, bytes] = [sum(taken.map((each) => each.took)), sum(taken.map(({ picture }) => picture.size))];
  const left = sum(waiting.map(({ size }) => size));
  const pace = dayId === null ? AT_ONCE : 1;
  return {
    waiting: waiting.length,
    came,
    added: taken.length,
    known: came.filter(({ result }) => result.ok && !result.isNew).length,
    refused: came.filter(({ result }) => !result.ok),
    secondsLeft:
      trouble !== null || took < A_PACE || waiting.length === 0
        ? null
        : Math.max(1, Math.round((took / Math.max(1, bytes)) * (left / pace / 1000))),
  };
}
const sum = (numbers: readonly number[]): number => numbers.reduce((all, each) => all + each, 0);
