/** The words for what could not be saved, and why. */

export const UNREACHABLE = {
  unreachable: "The server does not answer. What you wrote is kept on this device and sent when it is back.",
  "store-gone": "The database does not answer. What you wrote is kept on this device and sent when it is back.",
  busy: "The server has much to do. What you wrote is kept on this device and sent again in a moment.",
  "signed-out": "You are signed out on this device. What you wrote is kept here and saved once you sign in again.",
  broken: "The server made a mistake. What you wrote is kept on this device and sent again.",
  "not-taken": "The server would not take this. Nothing was changed, and what you wrote is still here.",
} as const;

/** Why nothing could be saved, whatever it was. */
export type Away = keyof typeof UNREACHABLE;

export const isAway = (reason: string): reason is Away => reason in UNREACHABLE;

export const UNKEPT =
  "This device would not write down what you did: it is full, or keeps nothing for pages. It goes to the server all the same; leave the page open until it says Saved.";
