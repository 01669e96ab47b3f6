import { spawn } from "node:child_process";
import { readFileSync, rmSync } from "node:fs";
import path from "node:path";

/** Runs the unit, outside and fault tests, then the browser tests, and ends with one line that counts them all. */
const root = path.resolve(import.meta.dirname, "..");
const report = (name: string) => path.join(root, ".hearth", name);
/** Seconds since 1970, as the shell that began the run counts them. */
const clock = () => Math.round(Date.now() / 1000);
const took: [what: string, seconds: number][] = [];
const begun = {
  run: Number(process.env.HEARTH_TEST_BEGAN ?? clock()),
  checks: Number(process.env.HEARTH_TEST_READY ?? clock()),
};
took.push(["packages", begun.checks - begun.run], ["checks and build", clock() - begun.checks]);
/**
 * Runs a command and answers its status. One that does not end within its minutes is ended with all it started, and has
 * failed: a loop without an end is told to nobody by the test that is in it.
 */
const run = async (what: string, minutes: number, ...command: string[]): Promise<number> => {
  const from = clock();
  const child = spawn("npx", ["--no-install", ...command], { cwd: root, stdio: "inherit", detached: true });
  const endAll = () => child.pid && process.kill(-child.pid, "SIGKILL");
  const limit = setTimeout(() => {
    process.stdout.write(`\n"${what}" did not end within ${minutes} minutes, and was ended\n`);
    endAll();
  }, minutes * 60_000);
  process.once("SIGINT", endAll).once("SIGTERM", endAll);
  const status = await new Promise<number | null>((ended) => child.once("exit", (code) => ended(code)));
  clearTimeout(limit);
  took.push([what, clock() - from]);
  return status ?? 1;
};

type Vitest = {
  numPassedTests: number;
  numFailedTests: number;
  testResults: {
    name: string;
    status: string;
    message: string;
    assertionResults: { status: string; fullName: string; failureMessages: string[] }[];
  }[];
};
type Playwright = { stats: { expected: number; unexpected: number; flaky: number }; errors: unknown[] };
const read = <T>(name: string): T | null => {
  try {
    return JSON.parse(readFileSync(report(name), "utf8")) as T;
  } catch {
    return null;
  }
};

// The large run tries more moments and more made-up bodies, and an archive and a household of five gigabytes.
if (process.argv.includes("--large")) process.env.HEARTH_LARGE = "1";

for (const name of ["unit.json", "browser.json"]) rmSync(report(name), { force: true });
const large = process.argv.includes("--large") ? 6 : 1;
const reporters = ["default", "json", "./tests/still-running.ts"].map((each) => `--reporter=${each}`);
const statuses = [
  await run(
    "unit, outside and faults",
    15 * large,
    "vitest",
    "run",
    ...reporters,
    `--outputFile.json=${report("unit.json")}`,
  ),
  await run("browser", 25 * large, "playwright", "test", "--config=tests/browser/playwright.config.ts"),
];
const unit = read<Vitest>("unit.json");
const browser = read<Playwright>("browser.json");
const passed = (unit?.numPassedTests ?? 0) + (browser ? browser.stats.expected + browser.stats.flaky : 0);
// A file that could not be run at all holds no test to fail, and a runner that left no report failed as a whole.
const unread =
  unit?.testResults.filter(({ status, assertionResults }) => status === "failed" && assertionResults.length === 0)
    .length ?? 1;
const failed = (unit?.numFailedTests ?? 0) + unread + (browser ? browser.stats.unexpected + browser.errors.length : 1);
const again = browser?.stats.flaky ?? 0;
if (again > 0)
  process.stdout.write(`\n${again} of the browser tests passed at their second try only, named above as flaky\n`);
// Once more what failed, with how: of a long run often only the end is kept.
for (const file of unit?.testResults ?? []) {
  const from = path.relative(root, file.name);
  for (const test of file.assertionResults.filter(({ status }) => status === "failed"))
    process.stdout.write(`\nfailed: ${from} > ${test.fullName}\n${test.failureMessages.join("\n").slice(0, 3000)}\n`);
  if (file.status === "failed" && file.assertionResults.length === 0)
    process.stdout.write(`\nfailed: ${from}\n${file.message.slice(0, 3000)}\n`);
}
const inMinutes = (seconds: number) => `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
process.stdout.write(
  `\nThe whole run took ${inMinutes(clock() - begun.run)}: ${took.map(([what, seconds]) => `${what} ${seconds} s`).join(", ")}\n`,
);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exitCode = statuses.every((status) => status === 0) && failed === 0 ? 0 : 1;
