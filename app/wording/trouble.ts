import { isRouteErrorResponse } from "react-router";

export type TroubleSaid = { readonly title: string; readonly text: string; readonly again: boolean };

/** Thrown by a file of the program that did not come; vite.config.ts has the router throw it. */
const isFileMissing = (error: unknown): boolean =>
  error instanceof Error && /page-did-not-load|dynamically imported module|module script/i.test(error.message);
/** A browser's own words for a request that nobody answered. */
const isNoConnection = (error: unknown): boolean =>
  error instanceof TypeError && /fetch|network|load failed/i.test(error.message);

/** What stands in the place of a page that cannot be shown: what happened, what is safe, what to do. */
export function troubleSaid(error: unknown): TroubleSaid {
  if (isRouteErrorResponse(error) && error.status === 404)
    return {
      title: "Not found",
      text: "There is no such page, or it is not in your household. It may lie in the tray.",
      again: false,
    };
  if (isRouteErrorResponse(error) && error.status === 503)
    return {
      title: "The database does not answer",
      text: "Nothing you saved is lost. Wait a moment, then try again.",
      again: true,
    };
  if (isFileMissing(error))
    return {
      title: "This page did not load",
      text: "A file of the program did not come: the connection broke off, or a newer Hearth Clock was put here. Nothing you saved is lost.",
      again: true,
    };
  if (isNoConnection(error))
    return {
      title: "No connection",
      text: "The server does not answer. Nothing you saved is lost, and what waits on this device is sent when it is back.",
      again: true,
    };
  return {
    title: "Something went wrong here",
    text: "Nothing you saved is lost. Try again; if it happens once more, tell whoever keeps this Hearth Clock running.",
    again: true,
  };
}
