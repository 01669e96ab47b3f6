import { PlaceTabs } from "#app/parts/place-tabs.tsx";

const TABS = [
  ["book", "Openings"],
  ["rhythm", "Rhythm"],
  ["foundations", "Foundation pages"],
  ["layouts", "Pockets"],
  ["measure", "Measures"],
] as const;

/** The ways to look at the book. */
export const BookNav = ({ albumId, here }: { albumId: string; here: (typeof TABS)[number][0] }) => (
  <PlaceTabs label="The book" albumId={albumId} tabs={TABS} here={here} />
);
