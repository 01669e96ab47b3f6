import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import type { ListTrouble } from "#core/drawer/list.ts";
import { PUT_AS } from "#core/drawer/put-on.ts";
import { MOST_OF_A_THING } from "#core/drawer/thing.ts";
import { THING } from "#core/drawer/thing-schema.ts";
import { LIMITS } from "#core/limits.ts";

export const DRAWER_ACT = z.discriminatedUnion("act", [
  z.object({ act: z.literal("keep"), id: z.uuid(), thing: THING }),
  z.object({ act: z.literal("count"), id: z.uuid(), by: z.int().min(-MOST_OF_A_THING).max(MOST_OF_A_THING) }),
  /** The picture of the roll that shows it; null: none does. */
  z.object({ act: z.literal("picture"), id: z.uuid(), photo: z.uuid().nullable() }),
  z.object({ act: z.literal("drop"), id: z.uuid() }),
  /** One of it goes onto a page of a day; `piece` is the new card's or piece's id. */
  z.object({ act: z.literal("put-on"), id: z.uuid(), day: z.uuid(), as: z.enum(PUT_AS), piece: z.uuid() }),
  /** Lines as somebody typed or pasted them, or a table with its head. */
  z.object({ act: z.literal("list"), text: z.string().max(LIMITS.drawerListBytes.most) }),
]);
export type DrawerAct = z.input<typeof DRAWER_ACT>;

export type DrawerAnswer =
  | { readonly ok: true; readonly list?: undefined }
  /** What came of a list. */
  | {
      readonly ok: true;
      readonly list: { readonly fresh: number; readonly changed: number; readonly same: number };
      readonly troubles: readonly ListTrouble[];
    }
  | { readonly ok: false; readonly reason: "not-found" | "too-many" | "none-left" | NotPut | NoList | Away };
/** Why something did not go onto a page. */
export type NotPut = "no-size" | "no-room" | "changed-since";
/** Why a list could not be read. */
export type NoList =
  | "no-file"
  | "too-large"
  | "no-list"
  | "no-room-for-pictures"
  | "not-a-drawer"
  | "newer-format"
  | "damaged";
