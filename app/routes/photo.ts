import { isId, notFound, reading, requireMember } from "#app/http/page.ts";
import { readLook } from "#core/photo/look.ts";
import { lookedVersion } from "#press/develop.ts";
import { readVersion } from "#store/photo.ts";
import type { Route } from "./+types/photo";

/** A screen version of one of the household's photos. Its content never changes under its address. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const side = /^\d{2,5}$/.test(params.side) ? Number(params.side) : 0;
  const look = readLook(params.look ?? "plain");
  const version =
    isId(params.photo) && look
      ? await reading(() => readVersion(context.db, member.household.id, params.photo, side))
      : null;
  if (!version || !look) throw notFound();
  return new Response(new Uint8Array(await lookedVersion(version, look)), {
    headers: {
      "Content-Type": "image/webp",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
