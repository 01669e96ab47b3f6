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
await tab.addInitScript(() => {
  const all: unknown[] = [];
  Object.assign(window, { lcp: all });
  new PerformanceObserver((l) => {
    for (const e of l.getEntries())
      all.push({ t: Math.round(e.startTime), s: (e as any).size, el: (e as any).element?.tagName, u: (e as any).url });
  }).observe({ type: "largest-contentful-paint", buffered: true });
  new PerformanceObserver((l) => {
    for (const e of l.getEntries()) all.push({ long: Math.round(e.startTime), d: e.duration });
  }).observe({ type: "longtask", buffered: true });
});
for (const p of process.argv.slice(2)) {
  await tab.goto(`${base}/albums/${lantern}/${p}`, { waitUntil: "networkidle" });
  await tab.waitForTimeout(600);
  console.log(p);
  console.log(
    (
      await tab.evaluate(() =>
        performance
          .getEntriesByType("resource")
          .map(
            (e: any) =>
              `${Math.round(e.startTime)}-${Math.round(e.responseEnd)} ${e.encodedBodySize} ${e.initiatorType} ${new URL(e.name).pathname.slice(-60)} ${e.renderBlockingStatus}`,
          ),
      )
    ).join("\n"),
  );
  console.log(
    JSON.stringify(
      await tab.evaluate(() => ({
        lcp: (window as any).lcp,
        fcp: performance.getEntriesByName("first-contentful-paint")[0]?.startTime,
        nav: performance
          .getEntriesByType("navigation")
          .map((e: any) => [e.responseStart, e.responseEnd, e.domInteractive, e.encodedBodySize, e.decodedBodySize]),
      })),
      null,
      0,
    ).replaceAll("},{", "},\n{"),
  );
}
await browser.close();
