import { isPlain, type Look, lookKey } from "#core/photo/look.ts";

/** Long sides of the versions a picture is shown in. */
export type ShownSide = 96 | 480 | 1600;

/** Where a screen version of a picture is fetched; another look has another address, so that both may be kept for good. */
export const pictureAddress = (photoId: string, side: ShownSide, look?: Look): string =>
  `/photos/${photoId}/${side}${look && !isPlain(look) ? `/${lookKey(look)}` : ""}`;
