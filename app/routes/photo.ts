import { isId, notFound, reading, requireMember } from "#app/http/page.ts";
import { readVersion } from "#store/photo.ts";
import type { Route } from "./+types/photo";

/** A screen version of one of the household's photos. Its content never changes under its address. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const side = Number(params.side);
  const bytes = isId(params.photo)
    ? await reading(() => readVersion(context.db, member.household.id, params.photo, side))
    : null;
  if (!bytes) throw notFound();
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "image/webp",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
