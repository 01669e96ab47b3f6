import sharp from "sharp";
import { readPicture } from "../press/picture.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { pictureThing } from "../store/drawer.ts";
import { keepPhoto } from "../store/photo.ts";

/** So many pixels are a sheet of twelve inches; patterns are drawn in inches. */
const PIXELS = 1200;
const INCHES = 12;

const tile = (id: string, size: number, inside: string): string =>
  `<defs><pattern id="${id}" width="${size}" height="${size}" patternUnits="userSpaceOnUse">${inside}</pattern></defs><rect width="12" height="12" fill="url(#${id})"/>`;
const STAR = "M.5.18 .6.42 .86.42 .65.58 .73.83 .5.68 .27.83 .35.58 .14.42 .4.42Z";

/** What the papers of the demo's drawer look like: quiet, so that what lies on them is read. */
const PAPERS: Readonly<Record<string, string>> = {
  "Linen Stars": `<rect width="12" height="12" fill="#ece4d2"/>${tile("a", 0.5, `<path transform="scale(.5)" d="${STAR}" fill="#e0d4b9"/>`)}`,
  "Brown Kraft": `<rect width="12" height="12" fill="#c9ac82"/>${tile("b", 0.5, '<path d="M0 .13h.3M.2 .38h.25" stroke="#b99a6e" stroke-width=".02"/>')}`,
  "Tide Table": `<rect width="12" height="12" fill="#e3ebee"/>${tile("c", 1.5, '<path d="M0 .75q.375 -.5 .75 0t.75 0" fill="none" stroke="#9bb7c4" stroke-width=".05"/>')}<circle cx="10.25" cy="1.75" r="1.3" fill="#f6e3b0" stroke="#9bb7c4" stroke-width=".06"/><circle cx="9.85" cy="1.4" r=".22" fill="#e6cf94"/><circle cx="10.6" cy="2.2" r=".33" fill="#e6cf94"/>`,
  "Saffron Stripe": `<rect width="12" height="12" fill="#f3d9a4"/>${tile("d", 1, '<rect width=".5" height="1" fill="#e0a847"/>')}`,
  "Storm Blue": '<rect width="12" height="12" fill="#38506b"/>',
  "Harbour Check": `<rect width="12" height="12" fill="#dfe3df"/>${tile("e", 0.75, '<path d="M0 .375H.75M.375 0V.75" stroke="#6f8e8d" stroke-width=".09" stroke-opacity=".6"/>')}`,
};

/** Photographs Petra's papers: each picture is on the roll, set aside, and shows its paper in the drawer. */
export async function showPapers(db: Db, author: Author, ids: ReadonlyMap<string, string>): Promise<void> {
  for (const [name, drawn] of Object.entries(PAPERS)) {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${PIXELS}" height="${PIXELS}" viewBox="0 0 ${INCHES} ${INCHES}">${drawn}</svg>`;
    const bytes = await sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer();
    const read = await readPicture(bytes, `${name}.jpg`);
    const thing = ids.get(name);
    if (!read.ok || !thing) throw new Error(`the demo's ${name} cannot be shown`);
    const kept = await keepPhoto(db, author.householdId, read.photo, { setAside: true });
    const shown = await pictureThing(db, author, thing, kept.id);
    if (!shown.ok) throw new Error(`the demo's ${name} was refused: ${shown.reason}`);
  }
}
