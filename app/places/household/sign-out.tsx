import { useRef, useState } from "react";
import { Form } from "react-router";
import { to } from "#app/addresses.ts";
import { Sure } from "#app/parts/sure.tsx";
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
      <Sure
        open={asks !== null}
        title={asks?.title ?? ""}
        stay="Stay signed in"
        go={asks?.go ?? ""}
        onGo={go}
        onClose={() => setHeld(null)}
      >
        {asks?.text}
      </Sure>
    </>
  );
}
