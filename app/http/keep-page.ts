import type { ShouldRevalidateFunctionArgs } from "react-router";

/** What an action answers when nothing could be saved for want of a server or its database. */
export type Unreachable = { ok: false; reason: "unreachable" | "store-gone" };

export const isUnreachable = (answer: unknown): answer is Unreachable =>
  typeof answer === "object" &&
  answer !== null &&
  "reason" in answer &&
  (answer.reason === "unreachable" || answer.reason === "store-gone");

/** Sends an action to the server; a server that does not answer is told to the page instead of replacing it. */
export async function sendOrKeep<T>({ serverAction }: { serverAction: () => Promise<T> }): Promise<T | Unreachable> {
  try {
    return await serverAction();
  } catch (error) {
    if (error instanceof Response || (typeof error === "object" && error !== null && "status" in error)) throw error;
    return { ok: false, reason: "unreachable" };
  }
}

/** After a save that did not reach the server there is nothing new to read, and no server to read it from. */
export function revalidateWhenReached({
  actionResult,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return isUnreachable(actionResult) ? false : defaultShouldRevalidate;
}
