import { type Browser, chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "../../scripts/chromium.ts";
import type { Visit } from "./pages.ts";
import { median } from "./recompute.ts";

/** A laptop of some years ago at the end of a thin line: a processor four times slower, 1.6 Mbit a second, 150 ms. */
const SLOWER = 4;
const LINE = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 93_750 };

type First = {
  /** Milliseconds until the largest thing of the first view is painted. */
  readonly largest: number;
  /** Milliseconds in which a hand would have waited: of each task of more than 50, once something is seen, what is over. */
  readonly blocked: number;
  /** Script files fetched. */
  readonly scripts: number;
};

async function slowTab(browser: Browser, { base, cookie }: Visit, line: boolean): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [name = "", value = ""] = cookie.split("=");
  await context.addCookies([{ name, value, url: base }]);
  const tab = await context.newPage();
  const devtools = await context.newCDPSession(tab);
  await devtools.send("Network.enable");
  if (line) await devtools.send("Network.emulateNetworkConditions", LINE);
  await devtools.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  return tab;
}

/** A page opened with nothing kept from before. */
async function firstVisit(browser: Browser, visit: Visit, path: string): Promise<First> {
  const tab = await slowTab(browser, visit, true);
  try {
    await tab.addInitScript(() => {
      const felt = { largest: 0, tasks: [] as { began: number; took: number }[] };
      Object.assign(window, { felt });
      new PerformanceObserver((list) => {
        for (const { startTime } of list.getEntries()) felt.largest = startTime;
      }).observe({ type: "largest-contentful-paint", buffered: true });
      new PerformanceObserver((list) => {
        for (const { startTime, duration } of list.getEntries()) felt.tasks.push({ began: startTime, took: duration });
      }).observe({ type: "longtask", buffered: true });
    });
    await tab.goto(visit.base + path, { waitUntil: "networkidle", timeout: 60_000 });
    // A line that is still for half a second is no sign that the page runs.
    await tab.waitForFunction(() => Object.keys(document.body).some((key) => key.startsWith("__reactProps")));
    await tab.waitForTimeout(1000);
    return await tab.evaluate(() => {
      type Seen = { largest: number; tasks: { began: number; took: number }[] };
      const { largest, tasks } = (window as unknown as { felt: Seen }).felt;
      const [seen] = performance.getEntriesByName("first-contentful-paint");
      const after = tasks.filter(({ began }) => began >= (seen?.startTime ?? 0));
      const scripts = performance.getEntriesByType("resource").filter(({ name }) => /\.js$/.test(name));
      return {
        largest,
        blocked: after.reduce((sum, { took }) => sum + Math.max(0, took - 50), 0),
        scripts: scripts.length,
      };
    });
  } finally {
    await tab.context().close();
  }
}

const TIMES = 3;

/**
 * How long each place keeps somebody waiting who comes to it for the first time, against the program's empty page: of
 * several times the least, because whatever else the machine does only makes it longer; and the worst of the places.
 */
export async function firstLoads(visit: Visit, places: readonly string[]): Promise<Record<string, number>> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const least = new Map<string, First>();
    for (let time = 0; time < TIMES; time++) {
      for (const path of ["/empty", ...places]) {
        const now = await firstVisit(browser, visit, path);
        const was = least.get(path) ?? now;
        least.set(path, {
          largest: Math.min(was.largest, now.largest),
          blocked: Math.min(was.blocked, now.blocked),
          scripts: Math.max(was.scripts, now.scripts),
        });
      }
    }
    const empty = least.get("/empty")?.largest ?? Number.NaN;
    const all = places.map((path) => ({ path, ...(least.get(path) ?? { largest: 0, blocked: 0, scripts: 0 }) }));
    if (all.some(({ largest, scripts }) => largest === 0 || scripts === 0)) throw new Error("a place was not seen");
    const worst = (what: "largest" | "blocked" | "scripts") => Math.max(...all.map((each) => each[what]));
    for (const { path, largest, blocked, scripts } of all)
      process.stderr.write(`  ${Math.round(largest)} ms, ${Math.round(blocked)} ms, ${scripts} files  ${path}\n`);
    return {
      "felt.lcp_ratio": worst("largest") / empty,
      "felt.lcp_ms": worst("largest"),
      "felt.tbt_ms": worst("blocked"),
      "felt.script_files": worst("scripts"),
    };
  } finally {
    await browser.close();
  }
}

/** Milliseconds from each key to the frame drawn after it. */
async function keysFelt(tab: Page, keys: readonly string[]): Promise<number[]> {
  await tab.evaluate(() => {
    const took: number[] = [];
    Object.assign(window, { took });
    window.addEventListener(
      "keydown",
      ({ timeStamp }) =>
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => took.push(performance.now() - timeStamp);
          port2.postMessage(null);
        }),
      true,
    );
  });
  for (const key of keys) {
    await tab.keyboard.press(key);
    await tab.waitForTimeout(120);
  }
  const took = await tab.evaluate(() => (window as unknown as { took: number[] }).took);
  if (took.length < keys.length * 0.9) throw new Error("keys were not seen");
  return took.slice(5);
}

const TYPED = [..."the lamp was lit before the fog came in and we walked home"].map((sign) =>
  sign === " " ? "Space" : sign,
);

/** Typing into a day's prompt and into a card of 170 words, and nudging a piece: the median and the longest of each. */
export async function hands(visit: Visit, day: string, card: string): Promise<Record<string, number>> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const tab = await slowTab(browser, visit, false);
    const figures: Record<string, number> = {};
    const told = (name: string, took: number[]) => {
      figures[`felt.${name}_ms`] = median(took);
      figures[`felt.${name}_longest_ms`] = Math.max(...took);
    };
    await tab.goto(visit.base + day, { waitUntil: "networkidle" });
    await tab.getByRole("textbox", { name: "Prompt" }).first().click();
    told("typing", await keysFelt(tab, TYPED));
    await tab.locator("[data-piece]").first().focus();
    told(
      "nudge",
      await keysFelt(
        tab,
        Array.from({ length: 40 }, (_, at) => (at % 2 ? "ArrowLeft" : "ArrowRight")),
      ),
    );
    await tab.goto(visit.base + card, { waitUntil: "networkidle" });
    const words = tab.locator("textarea").first();
    await words.fill(Array.from({ length: 170 }, (_, at) => ["lantern", "sound", "and", "walked"][at % 4]).join(" "));
    await words.press("End");
    told("card", await keysFelt(tab, TYPED));
    return figures;
  } finally {
    await browser.close();
  }
}
