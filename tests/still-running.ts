import type { Reporter, TestModule } from "vitest/node";

/** After how long without a file that ended those that run are named, in milliseconds. */
const QUIET = 120_000;

/** Names the test files that are still running where none has ended for long: a loop without an end never says so itself. */
export default class StillRunning implements Reporter {
  private readonly running = new Set<string>();
  private timer: NodeJS.Timeout | undefined;

  onTestModuleStart({ relativeModuleId }: TestModule): void {
    this.running.add(relativeModuleId);
    this.wait();
  }

  onTestModuleEnd({ relativeModuleId }: TestModule): void {
    this.running.delete(relativeModuleId);
    this.wait();
  }

  onTestRunEnd(): void {
    clearTimeout(this.timer);
  }

  private wait(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      process.stdout.write(`Still running after ${QUIET / 1000} s: ${[...this.running].join(", ")}\n`);
    }, QUIET);
  }
}
