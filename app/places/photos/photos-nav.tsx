import { PlaceTabs } from "#app/parts/place-tabs.tsx";

const TABS = [
  ["photos", "Roll"],
  ["who-goes-where", "Who goes where"],
  ["sheets", "Print sheets"],
] as const;

/** The ways to work on the album's pictures. */
export const PhotosNav = ({ albumId, here }: { albumId: string; here: (typeof TABS)[number][0] | null }) => (
  <PlaceTabs label="Photos" albumId={albumId} tabs={TABS} here={here} />
);
