import { readFileSync } from "node:fs";
import path from "node:path";
import { gzipSync } from "node:zlib";
import { chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "../../scripts/chromium.ts";
import type { Visit } from "./pages.ts";

/** Kilobytes of gzipped JavaScript that a browser fetches to show a page for the first time, as its own HTML names it. */
export async function firstLoadKb({ base, cookie }: Visit, page: string, clientFiles: string): Promise<number> {
  const html = await (await fetch(base + page, { headers: { cookie } })).text();
  const files = new Set(html.match(/\/assets\/[\w.-]+\.js/g) ?? []);
  if (files.size < 3) throw new Error("the page names hardly any script");
  const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(path.join(clientFiles, file))).length, 0);
  return bytes / 1000;
}

/** Opens a page of the demo in a browser as its keeper, and closes it when `work` is done. */
export async function inBrowser<T>({ base, cookie }: Visit, page: string, work: (tab: Page) => Promise<T>): Promise<T> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name = "", value = ""] = cookie.split("=");
    await context.addCookies([{ name, value, url: base }]);
    const tab = await context.newPage();
    await tab.goto(base + page, { waitUntil: "networkidle" });
    return await work(tab);
  } finally {
    await browser.close();
  }
}

/** Median milliseconds from an arrow key to the dial drawn and laid out anew. */
export function dialRedraw(visit: Visit, page: string): Promise<number> {
  return inBrowser(visit, page, async (tab) => {
    await tab.getByRole("listbox").focus();
    const times = await tab.evaluate(async () => {
      const dial = document.querySelector('[role="listbox"]');
      if (!(dial instanceof HTMLElement)) throw new Error("no dial");
      const times: { took: number; moved: boolean }[] = [];
      for (let turn = 0; turn < 60; turn++) {
        const before = dial.getAttribute("aria-activedescendant");
        const began = performance.now();
        dial.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowRight", bubbles: true, cancelable: true }));
        // React draws the answer to a key press in the microtasks that follow it.
        await new Promise<void>((resolve) => queueMicrotask(() => queueMicrotask(resolve)));
        dial.querySelector("svg")?.getBoundingClientRect();
        times.push({ took: performance.now() - began, moved: dial.getAttribute("aria-activedescendant") !== before });
      }
      return times;
    });
    const moved = times.filter((each) => each.moved).map((each) => each.took);
    if (moved.length < 50) throw new Error("the dial did not follow the keys");
    return moved.sort((a, b) => a - b)[Math.floor(moved.length / 2)] ?? Number.NaN;
  });
}
