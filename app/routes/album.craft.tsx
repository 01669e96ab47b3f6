import { useRouteLoaderData } from "react-router";
import { Craft } from "#app/places/settings/craft.tsx";
import type { Route } from "./+types/album.craft";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = () => [{ title: "The craft’s words · Hearth Clock" }];

export default function CraftRoute() {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <Craft albumId={album.albumId} /> : null;
}
