import { createContext } from "react";

/** Which construction of a board lies open, and in which of its states, counted from 0 over those that open. */
export type OpenedHere = { readonly board: string; readonly piece: string; readonly nth: number };

/** A piece opened one state further than it is. */
export const nextOpened = (opened: OpenedHere | null, board: string, piece: string): OpenedHere => ({
  ...{ board, piece },
  nth: opened?.board === board && opened.piece === piece ? opened.nth + 1 : 0,
});

/** A construction is opened where it lies, once more into its next state, and closed after the last. */
export const OpenHere = createContext<{
  readonly opened: OpenedHere | null;
  readonly open: (opened: OpenedHere | null) => void;
}>({ opened: null, open: () => {} });
