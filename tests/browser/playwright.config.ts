import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "../../scripts/chromium.ts";

export default defineConfig({
  testDir: ".",
  outputDir: "../../test-results",
  globalSetup: "./world.setup.ts",
  // Side by side, file or no file: each test has a household of its own, and none changes what another reads of the demo.
  fullyParallel: true,
  workers: 3,
  // On a busy machine a browser may be starved; what needs its second try is named at the end and is not passed over.
  retries: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json", { outputFile: "../../.hearth/browser.json" }]],
  use: {
    launchOptions: CHROMIUM,
    locale: "en-GB",
    timezoneId: "Europe/London",
    viewport: { width: 1280, height: 800 },
    trace: "off",
    contextOptions: { reducedMotion: "reduce" },
  },
});
