import { isSmallTree } from "../book/layout.ts";
import { LIMITS } from "../limits.ts";

const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);
const inside = (value: unknown, ...path: string[]): unknown =>
  path.reduce<unknown>(
    (now, name) => (typeof now === "object" && now !== null ? (now as Record<string, unknown>)[name] : undefined),
    value,
  );
const piecesOnSide = (side: unknown): number => listOf(inside(side, "pieces")).length;

/**
 * Whether an archive's lists are as long as an album's can be, counted before anything in them is looked at: each wrong
 * value costs a complaint, and a book too large costs every page that shows it.
 */
export function isWithinBounds(raw: unknown): boolean {
  const days = listOf(inside(raw, "days"));
  const book = inside(raw, "book");
  const [leaves, tryOuts, layouts] = ["leaves", "tryOuts", "layouts"].map((name) => listOf(inside(book, name)));
  if (!leaves || !tryOuts || !layouts) return false;
  const matters = listOf(inside(raw, "matters"));
  if (matters.length > LIMITS.matters.most) return false;
  if (days.length > LIMITS.archiveDays.most || leaves.length > LIMITS.leaves.most) return false;
  if (tryOuts.length > LIMITS.tryOuts.most || layouts.length > LIMITS.ownLayouts.most) return false;
  if (listOf(inside(raw, "photos")).length > LIMITS.archivePhotos.most) return false;
  if (listOf(inside(raw, "things")).length > LIMITS.things.most) return false;
  if (!layouts.every((layout) => isSmallTree(inside(layout, "root")))) return false;
  let pieces = 0;
  for (const day of [...days, ...matters])
    for (const kind of ["photos", "cards", "jottings", "inserts"]) {
      const { length } = listOf(inside(day, kind));
      if (length > LIMITS.piecesOfDay.most) return false;
      pieces += length;
    }
  for (const leaf of leaves) pieces += piecesOnSide(inside(leaf, "front")) + piecesOnSide(inside(leaf, "back"));
  for (const tryOut of tryOuts) pieces += piecesOnSide(tryOut);
  return pieces <= LIMITS.archivePieces.most;
}
