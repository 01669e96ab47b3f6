import { redirect } from "react-router";
import { reading } from "#app/http/page.ts";
import type { Route } from "./+types/home";

export async function loader({ context }: Route.LoaderArgs) {
  throw redirect((await reading(context.member)) ? "/shelf" : "/sign-in");
}

export default function Home() {
  return null;
}
