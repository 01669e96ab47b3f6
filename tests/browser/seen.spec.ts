import { expect, type Page, test } from "./browser-test.ts";
import { base, enterDemo } from "./keeper.ts";

/** The demo's ninth with its first piece under the hand. */
async function chosenPiece(page: Page) {
  await enterDemo(page);
  const href = await page.getByRole("link", { name: /Lantern Month/ }).getAttribute("href");
  await page.goto(`${base()}${href?.replace("/month", "")}/days/2026-12-09`);
  const piece = page.locator('[data-piece^="day-"][aria-pressed]').first();
  await piece.focus();
  await expect(piece).toHaveAttribute("aria-pressed", "true");
  return { piece, edge: page.locator("[data-chosen] .chosen-edge"), halo: page.locator("[data-chosen] .chosen-halo") };
}

/** A colour of the system's as the browser has it. */
const system = (page: Page, name: string) =>
  page.evaluate((colour) => {
    const probe = document.createElement("i");
    probe.style.setProperty("forced-color-adjust", "none");
    probe.style.setProperty("color", colour);
    document.body.append(probe);
    const { color } = getComputedStyle(probe);
    probe.remove();
    return color;
  }, name);

test("the chosen piece shows from far and from near", async ({ page }) => {
  const { edge, halo } = await chosenPiece(page);
  await expect(edge).toHaveCount(1);
  for (const line of [edge, halo]) await expect(line).toHaveCSS("vector-effect", "non-scaling-stroke");
  const wide = async (line: typeof edge) =>
    Number.parseFloat(await line.evaluate((it) => getComputedStyle(it).strokeWidth));
  expect(await wide(edge)).toBeGreaterThanOrEqual(2);
  expect(await wide(halo)).toBeGreaterThan(await wide(edge));
});

test("where the system says the colours, what is chosen, pressed and current has one of the system's", async ({
  openWindow,
}) => {
  const page = await openWindow({ forcedColors: "active" });
  const { edge, halo } = await chosenPiece(page);
  const [highlight, canvas] = [await system(page, "Highlight"), await system(page, "Canvas")];
  expect(highlight).not.toBe(canvas);
  await expect(edge).toHaveCSS("stroke", highlight);
  await expect(halo).toHaveCSS("stroke", canvas);
  const ink = await system(page, "CanvasText");
  await expect(page.locator(".mat-stage .fill-on-mat").first()).toHaveCSS("fill", ink);
  const here = page.getByRole("navigation", { name: "Places" }).locator("[aria-current]");
  await expect(here).toHaveCSS("background-color", highlight);
  await expect(page.getByRole("navigation", { name: "Days" }).locator("[aria-current]")).toHaveCSS(
    "outline-color",
    highlight,
  );
});
