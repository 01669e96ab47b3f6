import { Outlet } from "react-router";
import { requireMember } from "#app/http/page.ts";
import { SendingProvider } from "#app/sending/sending.tsx";
import type { Route } from "./+types/member";

/** Round every page of somebody who is signed in: what they do is sent from here, whichever page they walk on to. */
export async function loader({ context }: Route.LoaderArgs) {
  return { memberId: (await requireMember(context, "looker")).id };
}

/** Whoever it is stays who they are until they walk out of the door. */
export const shouldRevalidate = () => false;

export default function MemberRoute({ loaderData: { memberId } }: Route.ComponentProps) {
  return (
    <SendingProvider key={memberId} memberId={memberId}>
      <Outlet />
    </SendingProvider>
  );
}
