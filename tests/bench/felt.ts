import { type Browser, chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "../../scripts/chromium.ts";
import type { Visit } from "./pages.ts";

/** A keeper's laptop of some years ago at the end of a thin line: a processor four times slower, 1.6 Mbit a second, 150 ms. */
const SLOWER = 4;
const LINE = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 93_750 };

export type Felt = {
  /** Milliseconds until the largest thing of the first view is painted. */
  readonly largest: number;
  /** Milliseconds in which a press would have waited: of each task over 50 ms what is over them. */
  readonly blocked: number;
  readonly scripts: number;
  readonly scriptKb: number;
};

/** A page opened for the first time, with nothing kept, as it is felt at a slow machine. */
async function firstVisit(browser: Browser, { base, cookie }: Visit, path: string): Promise<Felt> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    const [name = "", value = ""] = cookie.split("=");
    await context.addCookies([{ name, value, url: base }]);
    const tab = await context.newPage();
    const devtools = await context.newCDPSession(tab);
    await devtools.send("Network.enable");
    await devtools.send("Network.emulateNetworkConditions", LINE);
    await devtools.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
    await tab.addInitScript(() => {
      const felt = { largest: 0, what: "", blocked: 0 };
      Object.assign(window, { felt });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
          felt.largest = entry.startTime;
          const { element } = entry as PerformanceEntry & { element?: Element };
          felt.what = `${element?.tagName} ${element?.className} ${element?.textContent?.slice(0, 60)}`;
        }
      }).observe({ type: "largest-contentful-paint", buffered: true });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) felt.blocked += Math.max(0, entry.duration - 50);
      }).observe({ type: "longtask", buffered: true });
    });
    await tab.goto(base + path, { waitUntil: "networkidle", timeout: 60_000 });
    await tab.waitForTimeout(500);
    return await tab.evaluate(() => {
      const scripts = performance
        .getEntriesByType("resource")
        .filter((entry): entry is PerformanceResourceTiming => /\.js$/.test(new URL(entry.name).pathname));
      const { felt } = window as unknown as { felt: { largest: number; what: string; blocked: number } };
      return {
        ...felt,
        scripts: scripts.length,
        scriptKb: scripts.reduce((sum, each) => sum + each.encodedBodySize, 0) / 1000,
      };
    });
  } finally {
    await context.close();
  }
}
if (process.argv[2]) {
  const base = process.argv[2];
  const entered = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: base, "content-type": "application/x-www-form-urlencoded" },
    body: "intent=demo",
  });
  const cookie = entered.headers.get("set-cookie")?.split(";")[0] ?? "";
  const shelf = await (await fetch(`${base}/shelf`, { headers: { cookie } })).text();
  const lantern = /\/albums\/([0-9a-f-]{36})\/month(?:(?!\/albums\/)[\s\S])*?Lantern Month/.exec(shelf)?.[1];
  const browser = await chromium.launch(CHROMIUM);
  const html = await (await fetch(`${base}/albums/${lantern}/words`, { headers: { cookie } })).text();
  const card = /cards\/[0-9a-f-]{36}/.exec(html)?.[0];
  const places = process.argv.slice(3);
  for (const p of places.length
    ? places
    : [
        "/empty",
        "month",
        "days/2026-12-09",
        "days/2026-12-10",
        "photos",
        "who-goes-where",
        "sheets",
        "words",
        card,
        "prompts",
        "card-sheets",
        "book",
        "rhythm",
        "foundations",
        "pockets",
        "measure",
        "finish",
        "settings",
        "told",
        "hands",
        "changes",
        "/today",
        "/shelf",
      ]) {
    const path = p!.startsWith("/") ? p! : `/albums/${lantern}/${p}`;
    console.log(p, JSON.stringify(await firstVisit(browser, { base, cookie }, path)));
  }
  await browser.close();
}
