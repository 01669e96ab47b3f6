import { setNonce } from "get-nonce";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { useRouteLoaderData } from "react-router";
import type { loader as rootLoader } from "#app/root.tsx";
import { useOpener } from "./focus.ts";

/** A panel over the page that takes the whole attention until it is closed. `label` is what a reader calls it. */
export function Modal({
  label,
  className,
  onClose,
  children,
}: {
  label: string;
  className: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const { giveBack } = useOpener();
  const nonce = useRouteLoaderData<typeof rootLoader>("root")?.nonce;
  // The dialog library keeps the page behind from scrolling with a style of its own; the content policy lets it in by this nonce.
  if (nonce) setNonce(nonce);
  return (
    <Dialog.Root open onOpenChange={(open) => open || onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <Dialog.Content
          className={`fixed z-30 border-edge bg-panel ${className}`}
          aria-describedby={undefined}
          onCloseAutoFocus={giveBack}
        >
          <Dialog.Title className="sr-only">{label}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

export const ModalClose = Dialog.Close;
