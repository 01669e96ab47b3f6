import type { Config } from "@react-router/dev/config";

export default {
  appDirectory: "app",
  ssr: true,
  // Every place is known when the page arrives, so no manifest is fetched while a keeper moves about.
  routeDiscovery: { mode: "initial" },
} satisfies Config;
