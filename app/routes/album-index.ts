import { redirect } from "react-router";
import { to } from "#app/addresses.ts";

export function loader({ params }: { params: { album: string } }) {
  return redirect(to.month(params.album));
}
