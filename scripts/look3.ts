import { chromium } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";
const at = "http://127.0.0.1:4170";
const browser = await chromium.launch(CHROMIUM as never);
for (const [name, w, h] of [["pt", 1280, 800], ["pt-phone", 390, 844]] as const) {
  const p = await (await browser.newContext({ viewport: { width: w, height: h } })).newPage();
  p.on("console", (m) => m.type() === "error" && console.log("console:", m.text()));
  await p.goto(`${at}/sign-in`);
  await p.getByRole("button", { name: /demo household/ }).click();
  await p.waitForURL(/shelf/);
  await p.getByRole("link", { name: /Lantern Month/ }).first().click();
  await p.waitForURL(/month/);
  await p.goto(p.url().replace(/month.*/, "plan-table"));
  await p.waitForLoadState("networkidle");
  await p.getByLabel(/The table, changed/).setInputFiles({ name: "a.csv", mimeType: "text/csv", buffer: Buffer.from("Dates;Title;Prompt;Weather\r\n05/12/2026;Between the tides, and back;;snow\r\n14/12/2026;Bread;What rose overnight, and what did not;\r\n20/12/2026;;A word that somebody used twice today;\r\n24/01/2027;Too late;;\r\nsoon;x;;\r\n") });
  await p.getByRole("button", { name: "Read it" }).click();
  await p.getByRole("list", { name: "What would change" }).waitFor();
  await p.screenshot({ path: `/tmp/looks/${name}.png` });
}
await browser.close();
