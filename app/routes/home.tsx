import { redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { reading } from "#app/http/page.ts";
import type { Route } from "./+types/home";

export async function loader({ context }: Route.LoaderArgs) {
  throw redirect((await reading(context.member)) ? to.shelf() : to.signIn());
}

export default function Home() {
  return null;
}
