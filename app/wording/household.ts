import type { Role } from "#core/share/role.ts";

/** The words for who may do what in a household. */
export const ROLE_NAME: Record<Role, string> = { keeper: "Keeper", helper: "Helper", looker: "Looker" };

/** What each may do, after “A keeper”, “A helper”, “A looker”. */
export const ROLE_MAY: Record<Role, string> = {
  keeper: "does everything: plans, keeps, invites.",
  helper: "writes words, brings pictures and ticks steps, and sees everything, what is private too.",
  looker: "leafs through the albums, without what is private, and changes nothing.",
};

export const LAST_KEEPER =
  "Nobody else here is a keeper, and without one nobody could come in any more. Make somebody else a keeper first.";
