import { defineConfig } from "vitest/config";

const BOTH = {
  ...{ testTimeout: 180_000, hookTimeout: 180_000, pool: "forks" as const },
  setupFiles: ["tests/seed.setup.ts"],
};

export default defineConfig({
  test: {
    // Three for two processors: many a test of the house waits for a server or the database.
    maxWorkers: 3,
    projects: [
      {
        // What computes, and what the interface reckons: nothing outside itself, so that files may share what is loaded.
        test: { name: "core", include: ["{core,app}/**/*.test.{ts,tsx}"], isolate: false, ...BOTH },
      },
      {
        test: {
          ...{ name: "house", isolate: false, globalSetup: ["tests/database.setup.ts"], ...BOTH },
          include: ["{store,press,server,demo}/**/*.test.ts", "tests/{outside,faults}/**/*.test.ts"],
        },
      },
    ],
  },
});
