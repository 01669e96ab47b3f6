import { Moon, Sun } from "lucide-react";
import { useFetcher } from "react-router";

export type Look = "day" | "night" | "system";

/** Turns between the day look and the night look; which one shows is the browser's to say until it is used. */
export function LookSwitch({ look, onSoot = false }: { look: Look; onSoot?: boolean }) {
  const fetcher = useFetcher();
  const shown = (fetcher.formData?.get("look") as Look | undefined) ?? look;
  const next = shown === "night" ? "day" : "night";
  return (
    <fetcher.Form method="post" action="/look">
      <button name="look" value={next} className={`flex min-h-9 items-center gap-2 text-sm ${onSoot ? "text-on-soot-quiet hover:text-on-soot" : "text-quiet hover:text-ember"}`}>
        {next === "day" ? <Sun className="size-4" aria-hidden="true" /> : <Moon className="size-4" aria-hidden="true" />}
        {next === "day" ? "Day look" : "Night look"}
      </button>
    </fetcher.Form>
  );
}
