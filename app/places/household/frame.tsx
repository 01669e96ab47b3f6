import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { to } from "#app/addresses.ts";
import { Brand } from "#app/parts/brand.tsx";
import { GoingBar } from "#app/parts/going-bar.tsx";
import { type Look, LookSwitch } from "#app/parts/look-switch.tsx";
import { ReturnedWords } from "#app/parts/returned.tsx";
import { RoleContext } from "#app/parts/role.tsx";
import { Unsaved } from "#app/parts/unsaved.tsx";
import { useSending } from "#app/sending/sending.tsx";
import type { Role } from "#core/share/role.ts";
import { SignOut } from "./sign-out.tsx";

const link = ({ isActive }: { isActive: boolean }) =>
  `flex min-h-11 items-center border-b-2 px-1 ${isActive ? "border-flame text-on-soot" : "border-transparent text-on-soot-quiet hover:text-on-soot"}`;

/** The mantel over the places outside any album: the shelf, a new album, reading an archive, the tray. */
export function HouseholdFrame({
  household,
  member,
  memberId,
  role,
  goes,
  look,
  children,
}: {
  household: string;
  member: string;
  memberId: string;
  role: Role;
  /** When the household goes; null: it stays. */
  goes: string | null;
  look: Look;
  children: ReactNode;
}) {
  return (
    <div className="grid min-h-dvh grid-rows-[auto_1fr]">
      <header className="flex flex-wrap items-center gap-x-6 gap-y-1 bg-soot px-4 py-1.5 wide:px-6">
        <Brand to={to.shelf()} />
        <nav aria-label="Household" className="flex gap-5">
          <NavLink to={to.shelf()} className={link}>
            Shelf
          </NavLink>
          {role === "keeper" && (
            <NavLink to={to.tray()} className={link}>
              Tray
            </NavLink>
          )}
          <NavLink to={to.household()} className={link}>
            Household
          </NavLink>
        </nav>
        <div className="ml-auto flex items-center gap-5 text-sm text-on-soot-quiet">
          <span className="max-wide:hidden">
            {member}, {household}
          </span>
          <LookSwitch look={look} onSoot />
          <SignOut memberId={memberId} />
        </div>
      </header>
      <div>
        {goes && <GoingBar goes={goes} />}
        <Unsaved at="top" />
        <ReturnedWords returned={useSending().state.returned} />
        <main className="mx-auto w-full max-w-6xl p-4 wide:p-8">
          <RoleContext value={role}>{children}</RoleContext>
        </main>
      </div>
    </div>
  );
}
