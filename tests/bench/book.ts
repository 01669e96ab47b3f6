import { type Leaf, leafOfDay, type Piece, PLAIN_PAPER } from "../../core/album/leaf.ts";
import { pagesOf } from "../../core/album/page.ts";
import { readBook } from "../../core/book/read.ts";
import { inches, ticks } from "../../core/measure/length.ts";
import { inBrowser } from "./client.ts";
import type { Visit } from "./pages.ts";
import { bigAlbum, median } from "./recompute.ts";

/** A leaf whose front carries `count` pieces strewn over its pockets, some fitting and some not. */
export function fullLeaf(dayId: string, count: number): Leaf {
  const pieces = Array.from(
    { length: count },
    (_, at): Piece => ({
      id: `piece-${at}`,
      what: { kind: at % 3 ? "filler" : "photo-mat", size: { w: inches(1.5 + (at % 4) / 2), h: inches(2) }, name: "" },
      at: { x: ticks((at * 3571) % inches(5)), y: ticks((at * 7919) % inches(7)) },
      turn: at % 2 ? 1 : 0,
      outside: false,
      dayId: null,
    }),
  );
  const leaf = leafOfDay(`leaf-${dayId}`, PLAIN_PAPER, dayId);
  return {
    ...leaf,
    front: { ...leaf.front, pieces },
  };
}

/** Median milliseconds to read and fit a whole book of 62 leaves with 600 pieces. */
export function measureFit(): number {
  const { plan, days } = bigAlbum(62);
  const leaves = days.map(({ id }, at) => fullLeaf(id, at % 31 < 21 ? 10 : 9));
  const pages = pagesOf({ album: plan, days, leaves, prints: [] });
  const times: number[] = [];
  for (let round = 0; round < 60; round++) {
    const began = performance.now();
    const book = readBook(plan, pages, leaves);
    const took = performance.now() - began;
    if (book.leaves.length !== 62) throw new Error("not the whole book");
    if (round >= 20) times.push(took);
  }
  return median(times);
}

/** Median milliseconds from a pointer's move to the frame drawn and laid out, on a side with 40 pieces. */
export function dragFrame(visit: Visit, album: string, day: string): Promise<number> {
  const { base, cookie } = visit;
  return inBrowser(visit, day, async (tab) => {
    const [leaf = ""] = (await tab.locator("[data-board]").last().getAttribute("data-board"))?.split("/") ?? [];
    const { pieces } = fullLeaf("bench", 40).front;
    const saved = await fetch(`${base}${album}/sent`, {
      method: "POST",
      headers: { origin: base, "content-type": "application/json", cookie },
      body: JSON.stringify({ what: "book", seen: null, edit: { kind: "arrange", leaf, face: "front", pieces } }),
    });
    if (!saved.ok) throw new Error(`the bench's pieces were refused: ${saved.status}`);
    await tab.reload({ waitUntil: "networkidle" });
    const times = await tab.evaluate(async () => {
      const held = document.querySelector('[data-piece="day-piece-20"]');
      const svg = held?.closest("svg");
      if (!held || !svg) throw new Error("no piece to carry");
      const box = held.getBoundingClientRect();
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
      const pointer = { button: 0, bubbles: true, pointerId: 1 };
      held.dispatchEvent(new PointerEvent("pointerdown", { ...pointer, clientX: x, clientY: y }));
      const times: { took: number; seen: string }[] = [];
      for (let step = 1; step <= 90; step++) {
        const began = performance.now();
        const by = (step % 45) * 2 + 5;
        window.dispatchEvent(new PointerEvent("pointermove", { ...pointer, clientX: x + by, clientY: y + by / 2 }));
        svg.getBoundingClientRect();
        times.push({ took: performance.now() - began, seen: svg.lastElementChild?.innerHTML ?? "" });
        await new Promise((resolve) => setTimeout(resolve, 0));
      }
      window.dispatchEvent(new PointerEvent("pointercancel", pointer));
      return times;
    });
    if (new Set(times.map(({ seen }) => seen)).size < 20) throw new Error("the piece did not follow the pointer");
    return median(times.slice(20).map(({ took }) => took));
  });
}
