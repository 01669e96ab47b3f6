import { notFound, requireMember } from "#app/http/page.ts";
import { phonePicture } from "#demo/phone.ts";
import type { Route } from "./+types/phone-picture";

/** One picture of the simulated phone, as the file its camera wrote. */
export async function loader({ params, context }: Route.LoaderArgs) {
  await requireMember(context);
  const picture = await phonePicture(Number(params.at));
  if (!picture) throw notFound();
  return new Response(new Uint8Array(picture.bytes), {
    headers: {
      "Content-Type": picture.mime,
      "Cache-Control": "private, no-store",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
