import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { pagesOf } from "../core/album/page.ts";
import { standings } from "../core/album/print.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { size } from "../core/measure/size.ts";
import type { GangedSheet } from "../core/sheet/gang.ts";
import { readPicture } from "../press/picture.ts";
import { readAlbum } from "../store/album.ts";
import { saveDayEdit } from "../store/day.ts";
import type { Store } from "../store/db.ts";
import { keepPhoto, newUse } from "../store/photo.ts";
import { newAlbum } from "./household.ts";

let colour = 0;
/** A picture like no other, on a household's roll. */
export async function aPhoto(store: Store, householdId: string) {
  colour += 1;
  const bytes = await sharp({
    create: { width: 120, height: 80, channels: 3, background: { r: (colour * 40) % 256, g: colour * 8, b: 20 } },
  })
    .jpeg()
    .toBuffer();
  const read = await readPicture(bytes, `a${colour}.jpg`);
  if (!read.ok) throw new Error(read.reason);
  return { kept: await keepPhoto(store.db, householdId, read.photo), photo: read.photo };
}

/** An album with two prints on its first day, and how to read it. */
export async function withPrints(store: Store) {
  const { keeper, albumId, author } = await newAlbum(store);
  const read = async () => {
    const aggregate = await readAlbum(store.db, keeper.householdId, albumId);
    if (!aggregate) throw new Error("the album is not there");
    return { ...aggregate, pages: pagesOf(aggregate) };
  };
  const dayId = (await read()).days[0]?.id ?? "";
  const uses = [];
  for (const _ of [1, 2]) {
    const use = newUse(randomUUID(), (await aPhoto(store, keeper.householdId)).kept);
    await saveDayEdit(store.db, author(), dayId, null, { kind: "add-photo", photo: use });
    uses.push(use);
  }
  const [one, two] = uses;
  if (!one || !two) throw new Error("made above");
  const standing = async (id: string) => {
    const { pages, prints } = await read();
    return standings(pages, prints).find(({ use }) => use.id === id)?.standing.kind;
  };
  const done = async () => (await read()).pages[0]?.steps.filter((step) => step.done).map(({ step }) => step) ?? [];
  return { keeper, albumId, author, read, dayId, one, two, standing, done };
}

/** A sheet with prints of 6 × 4 under each other, cut by one cut after another. */
export function sheetOf(...ids: string[]): GangedSheet {
  return {
    paper: size(inches(8.5), inches(11)),
    prints: ids.map((id, at) => ({
      id,
      at: rect(0, inches(4 * at), inches(6), inches(4)),
      turned: false,
      spare: false,
    })),
    waste: [],
    cuts: ids.map((_, at) => ({
      piece: rect(0, inches(4 * at), inches(6), inches(11 - 4 * at)),
      axis: "y" as const,
      line: inches(4 * (at + 1)),
      from: "top" as const,
      measure: inches(4),
      first: { kind: "print" as const, print: at },
      second:
        at === ids.length - 1
          ? { kind: "waste" as const }
          : { kind: "cut-on" as const, prints: ids.map((__, n) => n).slice(at + 1) },
    })),
  };
}
