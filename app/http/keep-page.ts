import type { ShouldRevalidateFunctionArgs } from "react-router";
import { type Away, isAway } from "#app/wording/sending.ts";

/** What an action answers when nothing could be saved, whatever was asked of it. */
export type Unreachable = { ok: false; reason: Away };

export const isUnreachable = (answer: unknown): answer is Unreachable =>
  typeof answer === "object" && answer !== null && "reason" in answer && isAway(String(answer.reason));

/** What an answer that our server did not write, a proxy's for one, means for what was sent; by its HTTP status. */
export function awayFor(status: number): Away {
  if (status === 401) return "signed-out";
  if (status === 429) return "busy";
  if (status === 503) return "store-gone";
  if (status === 408 || status === 502 || status === 504) return "unreachable";
  return status >= 500 ? "broken" : "not-taken";
}

/** Our own refusal of what is another role's to do; a 403 of something between is none. */
const isNotYours = (error: object): boolean =>
  "data" in error && typeof error.data === "object" && error.data !== null && "notYours" in error.data;

const isRedirect = (thrown: unknown): boolean =>
  thrown instanceof Response && thrown.status >= 300 && thrown.status < 400;

/**
 * Sends an action to the server. Whatever goes wrong on the way, or is answered, is told to the page instead of replacing
 * it: what was typed there stays.
 */
export async function sendOrKeep<T>({ serverAction }: { serverAction: () => Promise<T> }): Promise<T | Unreachable> {
  try {
    return await serverAction();
  } catch (error) {
    if (isRedirect(error)) throw error;
    if (typeof error === "object" && error !== null && "status" in error && typeof error.status === "number")
      return { ok: false, reason: isNotYours(error) ? "not-yours" : awayFor(error.status) };
    // Fetching fails with a TypeError where nobody answers; any other error is what the server made of its own.
    return { ok: false, reason: error instanceof TypeError ? "unreachable" : "broken" };
  }
}

/** After a save that did not reach the server there is nothing new to read, and no server to read it from. */
export function revalidateWhenReached({
  actionResult,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return isUnreachable(actionResult) ? false : defaultShouldRevalidate;
}
