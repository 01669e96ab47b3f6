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

/** For loaders that look at the path alone: asking for another part of the same page reads nothing anew. */
export function revalidateWhenMoved(args: ShouldRevalidateFunctionArgs): boolean {
  const { currentUrl, nextUrl, formMethod } = args;
  const samePlace = currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search;
  return formMethod === undefined && samePlace ? false : revalidateWhenReached(args);
}
