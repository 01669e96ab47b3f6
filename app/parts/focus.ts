import { useState } from "react";

/** What a place is called; where it has no heading of its own, the place itself. */
const headingOfPlace = (): HTMLElement | null =>
  document.querySelector<HTMLElement>("#place h1") ?? document.querySelector<HTMLElement>("#place");

/** Gives the focus to something that is not walked to by Tab. */
function give(element: HTMLElement | null): void {
  if (!element) return;
  if (element.tabIndex < 0 && !element.hasAttribute("tabindex")) element.tabIndex = -1;
  element.focus({ preventScroll: true });
}

/** To the heading of the place, where what had the focus is not there any more. */
export function focusPlaceIfLost(): void {
  const { activeElement } = document;
  if (activeElement === null || activeElement === document.body) give(headingOfPlace());
}

/**
 * What has the focus is about to go, one of several of its kind (`data-one-of`): the focus goes to the next of them, or to the
 * one before, or to what adds one (`data-adds`).
 */
export function focusNextOf(kind: string, from: Element): void {
  const all = [...document.querySelectorAll<HTMLElement>(`[data-one-of="${kind}"]`)];
  const at = all.indexOf(from as HTMLElement);
  const adds = () => document.querySelector<HTMLElement>(`[data-adds="${kind}"]`);
  const next = all[at + 1] ?? all[at - 1];
  requestAnimationFrame(() => {
    if (next?.isConnected) next.focus();
    else give(adds() ?? headingOfPlace());
  });
}

/** For a dialog that is opened by a key as often as by a button: gives the focus back to whatever had it before. */
export function useOpener(): { readonly giveBack: (event: Event) => void } {
  // As it was before the dialog took it.
  const [opener] = useState(() => document.activeElement);
  return {
    giveBack: (event) => {
      event.preventDefault();
      // A quick hand may have gone on meanwhile: it is not called back.
      if (document.activeElement !== null && document.activeElement !== document.body) return;
      if (opener instanceof HTMLElement && opener.isConnected && opener !== document.body) opener.focus();
      else give(headingOfPlace());
    },
  };
}
