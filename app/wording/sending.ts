import { many } from "./count.ts";

/** The words for what could not be saved, and why. */

const WHY_NOT = {
  unreachable: "The server does not answer.",
  "store-gone": "The database does not answer.",
  busy: "The server has much to do.",
  "signed-out": "You are signed out on this device.",
  broken: "The server made a mistake.",
  "not-taken": "The server would not take this.",
  "not-yours": "Only a keeper of the household does this.",
} as const;

/** Why nothing could be saved, whatever it was. */
export type Away = keyof typeof WHY_NOT;

export const isAway = (reason: string): reason is Away => reason in WHY_NOT;

/** That nothing came of what was asked, and what of it is still there. */
export const nothingDone = (reason: Away, kept = "Nothing was changed, and what you wrote is still here."): string =>
  `${WHY_NOT[reason]} ${kept}`;

type Counts = { readonly changes: number; readonly jottings: number; readonly pictures: number };

/** `2 changes, 1 jotting and 3 pictures`. */
export function countsSaid({ changes, jottings, pictures }: Counts): string {
  const parts = [
    changes > 0 && many(changes, "change"),
    jottings > 0 && many(jottings, "jotting"),
    pictures > 0 && many(pictures, "picture"),
  ].filter((part) => part !== false);
  return parts.length < 2 ? (parts[0] ?? "") : `${parts.slice(0, -1).join(", ")} and ${parts.at(-1)}`;
}
const isOne = ({ changes, jottings, pictures }: Counts): boolean => changes + jottings + pictures === 1;

/** When what waits goes, by why it has not gone yet. */
const WHEN: Record<Exclude<Away, "not-taken" | "not-yours">, string> = {
  unreachable: "sent when it is back",
  "store-gone": "sent when it is back",
  busy: "sent again in a moment",
  "signed-out": "saved once you sign in again",
  broken: "sent again in a moment",
};

/** In one sentence what is not saved yet, why, and when it will be. */
export const waitingSaid = (
  reason: Exclude<Away, "not-taken" | "not-yours">,
  isOffline: boolean,
  counts: Counts,
): string =>
  `${isOffline && reason === "unreachable" ? "No connection." : WHY_NOT[reason]} ${keptSaid(counts)} ${WHEN[reason]}.`;
const keptSaid = (counts: Counts): string =>
  `${countsSaid(counts)} ${isOne(counts) ? "is" : "are"} kept on this device and`;

export const OFFLINE = "No connection. What you do here is kept on this device and sent when it is back.";

export const UNKEPT =
  "This device would not write down what you did: it is full, or keeps nothing for pages. It goes to the server all the same; leave the page open until it says Saved.";

/** What is asked before somebody signs out of a device that holds what the server does not have. */
export const signOutAsks = (counts: Counts) => ({
  title: isOne(counts) ? "One thing is not saved yet" : "Some things are not saved yet",
  text: `${countsSaid(counts)} ${isOne(counts) ? "is" : "are"} kept on this device until the server has ${isOne(counts) ? "it. If you sign out now, it is dropped." : "them. If you sign out now, they are dropped."}`,
  go: isOne(counts) ? "Drop it and sign out" : "Drop them and sign out",
});
