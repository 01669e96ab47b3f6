import { randomUUID } from "node:crypto";
import type { Leaf, Piece } from "../core/album/leaf.ts";
import { AS_USUAL, type MadeOf } from "../core/album/made-of.ts";
import type { KeptThing } from "../core/drawer/thing.ts";
import { inches } from "../core/measure/length.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveBookEdit } from "../store/book.ts";
import type { Db } from "../store/db.ts";
import { readDrawer } from "../store/drawer.ts";
import { showPapers } from "./papers.ts";

/** Papers that bases are cut from, by turns. */
const BASES = ["Storm Blue", "Linen Stars", "Brown Kraft", "Harbour Check"] as const;
/** What pieces of a kind are of, by turns; what is short then is what the keeper is to find out. */
const OF_KIND: Partial<Record<Piece["what"]["kind"], readonly string[]>> = {
  numeral: ["Brass Numerals 1–25"],
  filler: ["Tide Table", "Linen Stars", "Saffron Stripe", "Net Mesh"],
  card: ["Tide Table", "Linen Stars"],
  "photo-mat": ["Chalk White", "Linen Stars"],
  tag: ["Parcel tags"],
  embellishment: ["Gold stars"],
  overlay: ["Printed branches"],
};

/** The one lighthouse of the drawer is planned for every page with a mat: it is short, and she is to see it. */
const lighthouse = (of: MadeOf): Piece => ({
  ...{ id: randomUUID(), turn: 0, outside: false, dayId: null, of },
  what: { kind: "embellishment", name: "Lighthouse", size: { w: inches(1.25), h: inches(2) } },
  at: { x: inches(4.625), y: inches(1.25) },
});

/** Says of Petra's pages what of the drawer they are made of. */
export async function takeFromDrawer(db: Db, author: Author): Promise<void> {
  const album = await readAlbum(db, author.householdId, author.albumId);
  if (!album) throw new Error("the demo's album is not there");
  // Of a paper there may be sheets and scraps: its name stands for the largest.
  const area = ({ size }: KeptThing) => (size ? size.w * size.h : 0);
  const drawer = (await readDrawer(db, author.householdId)).sort((a, b) => area(a) - area(b));
  const ids = new Map(drawer.map(({ name, id }) => [name, id]));
  const turns = new Map<string, number>();
  const next = (kind: string, names: readonly string[]): MadeOf | null => {
    const turn = turns.get(kind) ?? 0;
    turns.set(kind, turn + 1);
    const thing = ids.get(names[turn % names.length] ?? "");
    return thing ? { ...AS_USUAL, thing } : null;
  };
  const change = async (edit: Parameters<typeof saveBookEdit>[3]) => {
    const saved = await saveBookEdit(db, author, null, edit);
    if (!saved.ok) throw new Error(`the demo's papers were refused: ${saved.reason}`);
  };
  const laid = (pieces: Leaf["front"]["pieces"]) =>
    pieces?.map((piece) => {
      const names = OF_KIND[piece.what.kind];
      const of = names ? next(piece.what.kind, names) : null;
      return of ? { ...piece, of } : piece;
    });
  const sticker = ids.get("Lighthouse");
  const lighthouseOn = (pieces: readonly Piece[]): Piece[] =>
    sticker && pieces.some(({ what }) => what.kind === "photo-mat")
      ? [lighthouse({ ...AS_USUAL, thing: sticker })]
      : [];
  await showPapers(db, author, ids);
  for (const leaf of album.leaves) {
    const { make, id } = leaf;
    if (make.insert !== null || make.kind === "pocket") continue;
    if (make.kind === "full" || make.kind === "paper")
      await change({ kind: "make", leaf: id, make: { ...make, of: next("base", BASES) } });
  }
  for (const { id, front, back } of album.leaves)
    for (const [face, { pieces }] of [["front", front] as const, ["back", back] as const])
      if (pieces && pieces.length > 0)
        await change({ kind: "arrange", leaf: id, face, pieces: [...(laid(pieces) ?? []), ...lighthouseOn(pieces)] });
}
