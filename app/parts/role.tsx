import { createContext, type ReactNode, useContext } from "react";
import type { Role } from "#core/share/role.ts";

/** What whoever is signed in may do here. */
export const RoleContext = createContext<Role>("keeper");

export const useIsKeeper = (): boolean => useContext(RoleContext) === "keeper";

/** Said of what cannot be pressed for that reason. */
export const KEEPERS = "A keeper does that.";

/** What only a keeper changes: others see it, and nothing in it can be pressed or typed. Links lead on as ever. */
export const KeepersOnly = ({ children }: { children: ReactNode }) => (
  <fieldset disabled={!useIsKeeper()} className="contents">
    {children}
  </fieldset>
);
