/** What a member of a household may do, the least first: look, help with words, photos and ticks, keep everything. */
export const ROLES = ["looker", "helper", "keeper"] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role may do what `least` may. */
export const isAtLeast = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);

/** A member as far as it matters who may do what. */
type Somebody = { readonly id: string; readonly role: Role };

/**
 * Whether a household would be shut for good if this member left, or were nothing but `role` from now on: nobody would be
 * left who can let others in.
 */
export const locksOut = (members: readonly Somebody[], id: string, role: Role | null): boolean =>
  role !== "keeper" && !members.some((each) => each.role === "keeper" && each.id !== id);
