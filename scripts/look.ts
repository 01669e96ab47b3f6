import { chromium } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";
const base = process.argv[2]!;
const entered = await fetch(`${base}/sign-in`, { method: "POST", redirect: "manual", headers: { origin: base, "content-type": "application/x-www-form-urlencoded" }, body: "intent=demo" });
const cookie = entered.headers.get("set-cookie")?.split(";")[0] ?? "";
const shelf = await (await fetch(`${base}/shelf`, { headers: { cookie } })).text();
const lantern = /\/albums\/([0-9a-f-]{36})\/month(?:(?!\/albums\/)[\s\S])*?Lantern Month/.exec(shelf)?.[1];
const browser = await chromium.launch(CHROMIUM);
for (const p of process.argv.slice(3)) {
for (let i=0;i<3;i++){
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const [name = "", value = ""] = cookie.split("=");
await context.addCookies([{ name, value, url: base }]);
const tab = await context.newPage();
const d = await context.newCDPSession(tab);
await d.send("Network.enable");
await d.send("Network.emulateNetworkConditions", { offline: false, latency: 150, downloadThroughput: 200000, uploadThroughput: 93750 });
await d.send("Emulation.setCPUThrottlingRate", { rate: 4 });
await tab.addInitScript(() => {
  const felt = { largest: 0, tasks: [] as any[] };
  Object.assign(window, { felt });
  new PerformanceObserver((l) => { for (const { startTime } of l.getEntries()) felt.largest = startTime; }).observe({ type: "largest-contentful-paint", buffered: true });
  new PerformanceObserver((l) => { for (const e of l.getEntries()) felt.tasks.push([Math.round(e.startTime), Math.round(e.duration)]); }).observe({ type: "longtask", buffered: true });
});
if (process.env.EXTRA) await tab.route(/\.css/, async (r) => { const a = await r.fetch(); await r.fulfill({ response: a, body: (await a.text()) + process.env.EXTRA }); });
await tab.goto(p === "/empty" ? base + p : `${base}/albums/${lantern}/${p}`, { waitUntil: "networkidle" });
await tab.waitForTimeout(1500);
console.log(p, JSON.stringify(await tab.evaluate(() => ({ bytes: Math.round(performance.getEntriesByType("resource").filter((e: any) => /\.js$/.test(e.name)).reduce((s, e: any) => s + e.transferSize, 0)/1000), blocked: (window as any).felt.tasks.filter((t: any) => t[0] >= performance.getEntriesByName("first-contentful-paint")[0]!.startTime).reduce((s: number, t: any) => s + t[1] - 50, 0), fonts: performance.getEntriesByType("resource").filter((e: any) => /woff/.test(e.name)).map((e: any) => e.name.split("/").pop().slice(0,14)+"@"+Math.round(e.startTime)+"-"+Math.round(e.responseEnd)), imgs: performance.getEntriesByType("resource").filter((e: any) => /photos/.test(e.name)).length, html: (performance.getEntriesByType("navigation")[0] as any).transferSize, fcp: Math.round(performance.getEntriesByName("first-contentful-paint")[0]!.startTime), ...(window as any).felt }))));
await context.close();
}}
await browser.close();
