import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { isId, notFound, reading, requireAlbum } from "#app/http/page.ts";
import { Crop } from "#app/places/crop/crop.tsx";
import { type CropView, cropView } from "#app/places/crop/view.ts";
import { colourName, coloursAsLooked } from "#core/photo/colours.ts";
import { readTraits } from "#store/photo.ts";
import type { Route } from "./+types/album.crop";

export const meta: Route.MetaFunction = () => [{ title: "Crop · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs): Promise<CropView> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const view = isId(params.use) ? cropView(aggregate, params.use) : null;
  if (!view) throw notFound();
  const traits = await reading(() => readTraits(context.db, member.household.id, view.use.photoId));
  const { look } = view.use.picture;
  return {
    ...view,
    traits: traits && {
      tone: traits.tone,
      busy: traits.busy,
      colours: coloursAsLooked(traits.colours, look).map((colour) => ({ colour, name: colourName(colour) })),
    },
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function CropRoute({ loaderData }: Route.ComponentProps) {
  return <Crop key={loaderData.use.id} view={loaderData} />;
}
