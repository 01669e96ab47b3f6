/** Who is writing, in which album, and when. */
export type Author = {
  readonly householdId: string;
  readonly albumId: string;
  readonly memberId: string;
  readonly at: Date;
};
