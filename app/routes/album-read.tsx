import { reading, requireMember } from "#app/http/page.ts";
import { sayBytes } from "#app/places/background/progress.tsx";
import { ReadArchive } from "#app/places/read-archive/read-archive.tsx";
import { keptBytes } from "#store/work.ts";
import type { Route } from "./+types/album-read";

export const meta: Route.MetaFunction = () => [{ title: "Read an archive · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const kept = await reading(() => keptBytes(context.db, member.household.id));
  return { room: `Your household has room for ${sayBytes(Math.max(0, context.room - kept))} more.` };
}

export default function ReadRoute({ loaderData }: Route.ComponentProps) {
  return <ReadArchive {...loaderData} />;
}
