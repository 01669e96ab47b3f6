import { redirect } from "react-router";

export function loader({ params }: { params: { album: string } }) {
  return redirect(`/albums/${params.album}/month`);
}
