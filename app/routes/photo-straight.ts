import { isId, notFound, reading, requireMember } from "#app/http/page.ts";
import { readStraightKey } from "#core/photo/preprint.ts";
import { laidStraight } from "#press/straight.ts";
import { readVersion } from "#store/photo.ts";
import type { Route } from "./+types/photo-straight";

const SIDE = 1600;

/** One of the household's photos of a card, laid straight between the card's corners. It never changes under its address. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const asked = readStraightKey(params.corners);
  const version =
    isId(params.photo) && asked
      ? await reading(() => readVersion(context.db, member.household.id, params.photo, SIDE))
      : null;
  if (!version || !asked) throw notFound();
  return new Response(new Uint8Array(await laidStraight(version, asked.corners, asked.shape)), {
    headers: {
      "Content-Type": "image/webp",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
