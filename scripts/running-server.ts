import { type ChildProcess, spawn } from "node:child_process";
import path from "node:path";

export type Running = { readonly base: string; readonly process: ChildProcess; readonly stop: () => Promise<void> };

/** Starts the built program over a database and waits until it listens. `port` 0 takes any free one. */
export function startServer(
  databaseUrl: string,
  port = 0,
  log = "silent",
  settings: Readonly<Record<string, string>> = {},
): Promise<Running> {
  const child = spawn(process.execPath, [path.resolve(import.meta.dirname, "serve.mjs")], {
    stdio: ["ignore", "pipe", "inherit"],
    env: {
      ...process.env,
      NODE_ENV: "production",
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      HEARTH_LOG: log,
      ...settings,
    },
  });
  const gone = new Promise<void>((resolve) => child.once("exit", () => resolve()));
  return new Promise((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on("data", (text: Buffer) => {
      const said = /listening on (\d+)/.exec(text.toString());
      if (!said) return;
      resolve({
        base: `http://127.0.0.1:${said[1]}`,
        process: child,
        stop: async () => {
          child.kill("SIGTERM");
          await gone;
        },
      });
    });
  });
}
