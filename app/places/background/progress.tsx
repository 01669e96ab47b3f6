import { Progress } from "radix-ui";
import { Button } from "#app/parts/button.tsx";

/** How far something is that takes a while, in words and as a bar, and the way to end it. */
export function HowFar({
  said,
  done,
  whole,
  onCancel,
}: {
  said: string;
  done: number;
  whole: number;
  onCancel: () => void;
}) {
  const share = whole > 0 ? Math.min(100, Math.floor((100 * done) / whole)) : null;
  return (
    <div className="grid gap-2">
      <p role="status">{said}</p>
      <Progress.Root value={share} className="h-2 overflow-hidden rounded-sm bg-line" aria-label={said}>
        <Progress.Indicator asChild>
          <svg className="h-full w-full" viewBox="0 0 100 2" preserveAspectRatio="none" aria-hidden="true">
            <rect width={share ?? 0} height={2} className="fill-ember" />
          </svg>
        </Progress.Indicator>
      </Progress.Root>
      <div>
        <Button look="quiet" small onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </div>
  );
}

/** Bytes as somebody says them: `640 kB`, `6.2 MB`, `3.1 GB`. */
export function sayBytes(bytes: number): string {
  const [unit, name] = bytes < 1e6 ? [1e3, "kB"] : bytes < 1e9 ? [1e6, "MB"] : [1e9, "GB"];
  const said = bytes / unit;
  return `${said < 10 && unit > 1e3 ? said.toFixed(1) : Math.round(said)} ${name}`;
}
