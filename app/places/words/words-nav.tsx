import { PlaceTabs } from "#app/parts/place-tabs.tsx";

const TABS = [
  ["words", "Words"],
  ["prompts", "Prompts"],
  ["card-sheets", "Print cards"],
  ["letters", "Hands and stamps"],
] as const;

/** The ways to work on the album's words. */
export const WordsNav = ({ albumId, here }: { albumId: string; here: (typeof TABS)[number][0] | null }) => (
  <PlaceTabs label="Words" albumId={albumId} tabs={TABS} here={here} />
);
