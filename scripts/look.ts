import { chromium } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";

const base = "http://127.0.0.1:4170";
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
const variants: Record<string, (h: string) => string> = {
  empty: (h) => h,
  same: (h) => h,
  noopts: (h) => h.replace(/<option[\s\S]*?<\/option>/g, ""),
  nostrip: (h) => h.replace(/<ol[\s\S]*?<\/ol>/g, ""),
  nostage: (h) => h.replace(/<section[\s\S]*?<\/section>/g, ""),
  notext: (h) => h.replace(/<text[\s\S]*?<\/text>/g, ""),
  noscripts: (h) => h.replace(/<script[^>]*>[\s\S]*?<\/script>/g, ""),
  nosvg: (h) => h.replace(/<svg[\s\S]*?<\/svg>/g, ""),
};
const best: Record<string, number[]> = {};
for (let round = 0; round < 3; round++)
  for (const [v, change] of Object.entries(variants)) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name = "", value = ""] = cookie.split("=");
    await context.addCookies([{ name, value, url: base }]);
    const tab = await context.newPage();
    const d = await context.newCDPSession(tab);
    await d.send("Network.enable");
    await d.send("Network.emulateNetworkConditions", {
      offline: false,
      latency: 150,
      downloadThroughput: 200_000,
      uploadThroughput: 93_750,
    });
    await d.send("Emulation.setCPUThrottlingRate", { rate: 4 });
    const url = v === "empty" ? `${base}/empty` : `${base}/albums/${lantern}/${process.argv[2]}`;
    await tab.route(url, async (r) => {
      const res = await r.fetch();
      await new Promise((f) => setTimeout(f, 150));
      await r.fulfill({ response: res, body: change(await res.text()) });
    });
    await tab.addInitScript(() => {
      new PerformanceObserver((l) => {
        for (const e of l.getEntries()) (window as any).lcp = e.startTime;
      }).observe({ type: "largest-contentful-paint", buffered: true });
    });
    await tab.goto(url, { waitUntil: "networkidle" });
    await tab.waitForTimeout(300);
    const { lcp, fcp } = await tab.evaluate(() => ({
      lcp: (window as any).lcp,
      fcp: performance.getEntriesByName("first-contentful-paint")[0]?.startTime ?? 0,
    }));
    (best[v] ??= []).push(Math.round(lcp));
    (best[`${v} fcp`] ??= []).push(Math.round(fcp));
    await context.close();
  }
console.log(JSON.stringify(best, null, 0).replaceAll("],", "],\n"));
await browser.close();
