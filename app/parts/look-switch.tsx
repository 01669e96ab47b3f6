import { Moon, Sun } from "lucide-react";

export type Look = "day" | "night" | "system";

/** Turns between the day look and the night look; which one shows is the browser's to say until it is used. */
export function LookSwitch({ look, onSoot = false }: { look: Look; onSoot?: boolean }) {
  const next = look === "night" ? "day" : "night";
  const Icon = next === "day" ? Sun : Moon;
  return (
    <form method="post" action="/look">
      <button
        type="submit"
        name="look"
        value={next}
        className={`flex min-h-9 items-center gap-2 text-sm ${onSoot ? "text-on-soot-quiet hover:text-on-soot" : "text-quiet hover:text-ember"}`}
      >
        <Icon className="size-4" aria-hidden="true" />
        {next === "day" ? "Day look" : "Night look"}
      </button>
    </form>
  );
}
