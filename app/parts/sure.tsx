import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";
import { Button } from "./button.tsx";

/** Asks once more before something is done that is not undone by a press. */
export function Sure({
  open,
  title,
  stay,
  go,
  onGo,
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  /** What is pressed to leave all as it is, and what to go on. */
  stay: string;
  go: string;
  onGo: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <AlertDialog.Root open={open} onOpenChange={(now) => now || onClose()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-30 bg-soot/60" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-40 grid w-[min(92vw,30rem)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-sm bg-panel p-6 text-text">
          <AlertDialog.Title className="text-xl">{title}</AlertDialog.Title>
          <AlertDialog.Description>{children}</AlertDialog.Description>
          <div className="flex flex-wrap gap-3">
            <AlertDialog.Cancel asChild>
              <Button look="main">{stay}</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button onClick={onGo}>{go}</Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
