import { chromium } from "@playwright/test";
import { CHROMIUM } from "./chromium.ts";

const address = "http://127.0.0.1:4170";
const browser = await chromium.launch(CHROMIUM);
for (const arg of process.argv.slice(2)) {
  const [name = "x", path = "", size = "1280x800", scheme = "light", ...steps] = arg.split("@");
  const [width = 1280, height = 800] = size.split("x").map(Number);
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme: scheme as never,
    locale: "en-GB",
    timezoneId: "Europe/London",
    isMobile: width < 500,
    hasTouch: width < 500,
  });
  const page = await context.newPage();
  page.on("console", (m) => m.type() === "error" && console.log(name, m.text().slice(0, 300)));
  page.on("pageerror", (e) => console.log(name, String(e).slice(0, 500)));
  await page.goto(`${address}/sign-in`);
  await page.getByRole("button", { name: /demo household/ }).click();
  await page.waitForURL(/\/shelf/);
  if (path.startsWith("/")) await page.goto(address + path);
  else {
    await page
      .getByRole("link", { name: /Lantern Month/ })
      .first()
      .click();
    await page.waitForURL(/\/month/);
    await page.goto(page.url().replace(/month.*/, path));
  }
  await page.waitForLoadState("networkidle");
  for (const step of steps) {
    const [kind = "", ...restOf] = step.split("="); const [what = "", more = ""] = kind === "css" ? [restOf.join("=")] : restOf;
    if (kind === "text") await page.getByText(what, { exact: false }).first().click();
    else if (kind === "css") await page.locator(what).first().click();
    else if (kind === "key") await page.keyboard.press(what);
    else if (kind === "select") await page.getByLabel(what).first().selectOption({ label: more });
    else if (kind === "at") await page.mouse.click(...(what.split(",").map(Number) as [number, number]));
    else if (kind === "drag") {
      const [a, b, c, d] = what.split(",").map(Number) as [number, number, number, number];
      await page.mouse.move(a, b);
      await page.mouse.down();
      await page.mouse.move((a + c) / 2, (b + d) / 2);
      await page.mouse.move(c, d);
      await page.mouse.up();
    } else if (kind === "scroll") await page.locator(what).first().scrollIntoViewIfNeeded();
    await page.waitForTimeout(500);
  }
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: `/tmp/looks/${name}.png` });
  await context.close();
}
await browser.close();
