import type { MouseEvent } from "react";
import { useNavigate } from "react-router";

/**
 * Turns clicks on the plain links inside an element into moves within the program: one listener for all of them, so
 * that a link costs a page no more than its own text. Files, other windows and other sites are left to the browser.
 * A link marked `data-in-place` changes what is shown without a step in the history or a jump to the top.
 */
export function usePlainLinks(): (event: MouseEvent<HTMLElement>) => void {
  const navigate = useNavigate();
  return (event) => {
    const link = event.target instanceof Element ? event.target.closest("a") : null;
    if (
      !link ||
      event.defaultPrevented ||
      event.button !== 0 ||
      event.metaKey ||
      event.ctrlKey ||
      event.shiftKey ||
      event.altKey
    )
      return;
    if (link.target || link.hasAttribute("download") || link.origin !== window.location.origin) return;
    const inPage =
      link.hash !== "" && link.pathname === window.location.pathname && link.search === window.location.search;
    if (inPage) return;
    event.preventDefault();
    const inPlace = link.hasAttribute("data-in-place");
    void navigate(link.pathname + link.search + link.hash, { replace: inPlace, preventScrollReset: inPlace });
  };
}
