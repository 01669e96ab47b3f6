import { createStore, keys } from "idb-keyval";
import { AlertDialog } from "radix-ui";
import { useRef, useState } from "react";
import { Form } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { forgetToday } from "#app/places/today/kept-page.ts";
import { deviceStorage } from "#app/sending/window-slot.ts";

const slotsOf = (memberId: string) =>
  Object.keys(deviceStorage()).filter((key) => key.startsWith(`hearth:${memberId}:`));

/** How many things this device still holds of the member that the server does not have. */
async function unsent(memberId: string): Promise<number> {
  const changes = slotsOf(memberId).map((slot): number => {
    try {
      const kept = JSON.parse(deviceStorage().getItem(slot) ?? "{}") as Record<string, readonly unknown[] | undefined>;
      return (kept.entries?.length ?? 0) + (kept.clashes?.length ?? 0) + (kept.returned?.length ?? 0);
    } catch {
      return 0;
    }
  });
  const jots = await keys(createStore(jotsOf(memberId), "jots")).catch(() => []);
  return changes.reduce((sum, each) => sum + each, jots.length);
}
const jotsOf = (memberId: string) => `hearth-jots-${memberId}`;

/** Deletes all that this device holds of the member, so that whoever uses it next finds nothing of it. */
function forgetDevice(memberId: string): void {
  for (const slot of slotsOf(memberId)) deviceStorage().removeItem(slot);
  globalThis.indexedDB?.deleteDatabase(jotsOf(memberId));
  forgetToday();
}

/** Signs out; what this device has not sent yet is dropped with it, after asking. */
export function SignOut({ memberId }: { memberId: string }) {
  const form = useRef<HTMLFormElement>(null);
  const sure = useRef(false);
  const [held, setHeld] = useState(0);
  const go = () => {
    sure.current = true;
    forgetDevice(memberId);
    form.current?.requestSubmit();
  };
  return (
    <>
      <Form
        ref={form}
        method="post"
        action={to.signOut()}
        onSubmit={(event) => {
          if (sure.current) return;
          event.preventDefault();
          void unsent(memberId).then((count) => (count > 0 ? setHeld(count) : go()));
        }}
      >
        <button type="submit" className="min-h-9 hover:text-on-soot">
          Sign out
        </button>
      </Form>
      <AlertDialog.Root open={held > 0} onOpenChange={(open) => open || setHeld(0)}>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-30 bg-soot/60" />
          <AlertDialog.Content className="fixed top-1/2 left-1/2 z-40 grid w-[min(92vw,30rem)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-sm bg-panel p-6 text-text">
            <AlertDialog.Title className="text-xl">
              {held === 1 ? "One thing is not saved yet" : `${held} things are not saved yet`}
            </AlertDialog.Title>
            <AlertDialog.Description>
              {held === 1 ? "It is kept" : "They are kept"} on this device until the server has{" "}
              {held === 1 ? "it. If you sign out now, it is dropped." : "them. If you sign out now, they are dropped."}{" "}
              Stay, open the album or today’s page, and wait until it says Saved.
            </AlertDialog.Description>
            <div className="flex flex-wrap gap-3">
              <AlertDialog.Cancel asChild>
                <Button look="main">Stay signed in</Button>
              </AlertDialog.Cancel>
              <AlertDialog.Action asChild>
                <Button onClick={go}>{held === 1 ? "Drop it and sign out" : "Drop them and sign out"}</Button>
              </AlertDialog.Action>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </>
  );
}
