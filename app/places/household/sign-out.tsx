import { AlertDialog } from "radix-ui";
import { useRef, useState } from "react";
import { Form } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { forgetToday } from "#app/places/today/kept-page.ts";
import { heldOf } from "#app/sending/device.ts";
import { type Counts, countEntries } from "#app/sending/entry.ts";
import { useSending } from "#app/sending/sending.tsx";
import { signOutAsks } from "#app/wording/sending.ts";

/** Signs out; what this device has not sent yet is dropped with it, after asking. */
export function SignOut({ memberId }: { memberId: string }) {
  const form = useRef<HTMLFormElement>(null);
  const { forget: forgetWaiting } = useSending();
  const sure = useRef(false);
  const [held, setHeld] = useState<Counts | null>(null);
  const forget = () => {
    forgetWaiting();
    forgetToday();
  };
  const go = () => {
    sure.current = true;
    forget();
    form.current?.requestSubmit();
  };
  const asks = held && signOutAsks(held);
  return (
    <>
      <Form
        ref={form}
        method="post"
        action={to.signOut()}
        onSubmit={(event) => {
          if (sure.current) return;
          const entries = heldOf(memberId);
          if (entries.length === 0) return forget();
          event.preventDefault();
          setHeld(countEntries(entries));
        }}
      >
        <button type="submit" className="min-h-9 hover:text-on-soot">
          Sign out
        </button>
      </Form>
      <AlertDialog.Root open={asks !== null} onOpenChange={(open) => open || setHeld(null)}>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-30 bg-soot/60" />
          <AlertDialog.Content className="fixed top-1/2 left-1/2 z-40 grid w-[min(92vw,30rem)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-sm bg-panel p-6 text-text">
            <AlertDialog.Title className="text-xl">{asks?.title}</AlertDialog.Title>
            <AlertDialog.Description>{asks?.text}</AlertDialog.Description>
            <div className="flex flex-wrap gap-3">
              <AlertDialog.Cancel asChild>
                <Button look="main">Stay signed in</Button>
              </AlertDialog.Cancel>
              <AlertDialog.Action asChild>
                <Button onClick={go}>{asks?.go}</Button>
              </AlertDialog.Action>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </>
  );
}
