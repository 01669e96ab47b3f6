import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["{core,store,press,server,app,demo}/**/*.test.{ts,tsx}", "tests/{outside,faults}/**/*.test.ts"],
    globalSetup: ["tests/database.setup.ts"],
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
