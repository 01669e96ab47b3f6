import { useLayoutEffect } from "react";
import { useLocation, useNavigationType } from "react-router";

/** Where each part of a page that scrolls by itself was left, by its name. */
type Scrolled = Record<string, number>;

const NAME = "scrolled";
/** So many pages' places are kept, the latest. */
const MOST = 60;
/** A list may be drawn longer a moment after it came: it is tried again so often, a frame apart. */
const TRIES = 20;

function kept(): Record<string, Scrolled> {
  try {
    return JSON.parse(sessionStorage.getItem(NAME) ?? "{}") as Record<string, Scrolled>;
  } catch {
    return {};
  }
}

function keep(key: string, scrolled: Scrolled): void {
  const { [key]: _, ...others } = kept();
  const all = Object.entries({ ...others, [key]: scrolled }).slice(-MOST);
  try {
    sessionStorage.setItem(NAME, JSON.stringify(Object.fromEntries(all)));
  } catch {
    // Without room for it a page comes back at its beginning.
  }
}

const parts = () => [...document.querySelectorAll<HTMLElement>("[data-scrolls]")];

/**
 * Back leads to the place on the page that one came from, where it is a part of the page that scrolls (`data-scrolls` names
 * it); of the page as a whole the router sees to that.
 */
export function useScrolled(): void {
  const { key } = useLocation();
  const how = useNavigationType();

  useLayoutEffect(() => {
    const was = how === "POP" ? kept()[key] : undefined;
    if (!was) return;
    let tries = 0;
    let frame = 0;
    const put = () => {
      for (const part of parts()) part.scrollTop = was[part.dataset.scrolls ?? ""] ?? 0;
      const isThere = parts().every((part) => Math.abs(part.scrollTop - (was[part.dataset.scrolls ?? ""] ?? 0)) < 2);
      tries += 1;
      if (!isThere && tries < TRIES) frame = requestAnimationFrame(put);
    };
    put();
    return () => cancelAnimationFrame(frame);
  }, [key, how]);

  // Before the next page is drawn: its parts may be those of the one before, put back to their beginning.
  useLayoutEffect(() => {
    // It may have been scrolled before the page ran.
    const now: Scrolled = Object.fromEntries(
      parts().flatMap(({ dataset, scrollTop }) =>
        dataset.scrolls && scrollTop > 0 ? [[dataset.scrolls, scrollTop]] : [],
      ),
    );
    let waits = 0;
    const onScroll = ({ target }: Event) => {
      const name = target instanceof HTMLElement ? target.dataset.scrolls : undefined;
      if (!name) return;
      now[name] = (target as HTMLElement).scrollTop;
      window.clearTimeout(waits);
      waits = window.setTimeout(() => keep(key, now), 120);
    };
    document.addEventListener("scroll", onScroll, { capture: true, passive: true });
    return () => {
      document.removeEventListener("scroll", onScroll, { capture: true });
      window.clearTimeout(waits);
      if (Object.keys(now).length > 0) keep(key, now);
    };
  }, [key]);
}
