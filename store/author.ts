import type { Role } from "../core/share/role.ts";

/** Who is writing, in which album, and when. */
export type Author = {
  readonly householdId: string;
  readonly albumId: string;
  readonly memberId: string;
  readonly at: Date;
};
/** An author who sent something, with what they may do. */
export type Sender = Author & { readonly role: Role };
