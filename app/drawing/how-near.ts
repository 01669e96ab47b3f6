import { createContext } from "react";
import type { PictureHref } from "#core/draw/svg.ts";
import { farPicture } from "./mat-text.ts";

/** Which version of a picture is shown where a drawing is seen: the small one from far, so that a page is there soon. */
export const HowNear = createContext<PictureHref>(farPicture);
