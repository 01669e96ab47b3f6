import { pagesOf } from "../../core/album/page.ts";
import { looseEnds } from "../../core/finish/loose-ends.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { fullLeaf } from "./book.ts";
import { inBrowser } from "./client.ts";
import type { Visit } from "./pages.ts";
import { bigAlbum, median } from "./recompute.ts";

/** Median milliseconds from an arrow key to the next opening of the demo's book drawn and laid out. */
export function leafTurn(visit: Visit, page: string): Promise<number> {
  return inBrowser(visit, page, async (tab) => {
    await tab.getByRole("img", { name: "The two pages that lie open" }).waitFor();
    const times = await tab.evaluate(async () => {
      const book = document.querySelector('svg[role="img"][aria-label^="The two pages"]');
      if (!book) throw new Error("no book");
      const times: { took: number; seen: string }[] = [];
      for (let turn = 0; turn < 60; turn++) {
        const key = turn % 40 < 20 ? "ArrowRight" : "ArrowLeft";
        const began = performance.now();
        window.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
        await new Promise<void>((resolve) => queueMicrotask(() => queueMicrotask(resolve)));
        book.getBoundingClientRect();
        times.push({ took: performance.now() - began, seen: book.innerHTML });
        await new Promise((resolve) => setTimeout(resolve, 0));
      }
      return times;
    });
    if (new Set(times.map(({ seen }) => seen)).size < 15) throw new Error("no page was turned");
    return median(times.slice(10).map(({ took }) => took));
  });
}

/** Median milliseconds to gather the loose ends of an album of 62 days, as many leaves and 600 pieces. */
export function measureEnds(): number {
  const { plan, days } = bigAlbum(62);
  const leaves = days.map(({ id }, at) => fullLeaf(id, at % 31 < 21 ? 10 : 9));
  const photos = new Map(
    days.flatMap(({ content }) =>
      content.photos.map(
        ({ photoId }) => [photoId, { capturedAt: null, givenDate: null, people: ["Ilo", "Mara"] }] as const,
      ),
    ),
  );
  const source = { album: plan, days, leaves, layouts: [], prints: [], photos, matters: [] };
  pagesOf(source);
  const times: number[] = [];
  for (let round = 0; round < 12; round++) {
    const began = performance.now();
    const found = looseEnds(source, { people: ["Ilo", "Mara"], keepers: ["Ada"] }, "2099-01-01" as CalendarDate);
    const took = performance.now() - began;
    if (found.length < 10) throw new Error("hardly an end");
    if (round >= 3) times.push(took);
  }
  return median(times);
}
