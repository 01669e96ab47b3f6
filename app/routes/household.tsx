import { Outlet, useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireMember } from "#app/http/page.ts";
import { saidAt } from "#app/http/turn.ts";
import { HouseholdFrame } from "#app/places/household/frame.tsx";
import type { loader as rootLoader } from "#app/root.tsx";
import type { Route } from "./+types/household";

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context, "looker");
  const { goesAt, timeZone } = member.household;
  return {
    household: member.household.name,
    member: member.name,
    memberId: member.id,
    role: member.role,
    goes: goesAt && saidAt(goesAt, timeZone),
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function Household({ loaderData }: Route.ComponentProps) {
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return (
    <HouseholdFrame {...loaderData} look={root?.look ?? "system"}>
      <Outlet />
    </HouseholdFrame>
  );
}
