import type { Size } from "#core/measure/size.ts";
import { isPlain, type Look, lookKey } from "#core/photo/look.ts";
import { type Preprint, straightKey } from "#core/photo/preprint.ts";

/** Long sides of the versions a picture is shown in. */
export type ShownSide = 96 | 480 | 1600;

/** Where a picture of a card is fetched, laid straight between its corners and of the card's shape. */
export const straightAddress = ({ photoId, corners }: Preprint, size: Size): string =>
  `/photos/${photoId}/straight/${straightKey(corners, size)}`;

/** Where a screen version of a picture is fetched; another look has another address, so that both may be kept for good. */
export const pictureAddress = (photoId: string, side: ShownSide, look?: Look): string =>
  `/photos/${photoId}/${side}${look && !isPlain(look) ? `/${lookKey(look)}` : ""}`;
