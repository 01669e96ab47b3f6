import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "../../scripts/chromium.ts";

export default defineConfig({
  testDir: ".",
  outputDir: "../../test-results",
  globalSetup: "./world.setup.ts",
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [["list"], ["json", { outputFile: "../../.hearth/browser.json" }]],
  use: {
    launchOptions: CHROMIUM,
    locale: "en-GB",
    timezoneId: "Europe/London",
    viewport: { width: 1280, height: 800 },
    trace: "off",
  },
});
