import { Outlet } from "react-router";
import { Trouble } from "#app/parts/trouble.tsx";

/** Round every place of a frame: what goes wrong in one is said in its own room, and the ways out of it stay. */
export default function Place() {
  return <Outlet />;
}

export function ErrorBoundary() {
  return <Trouble />;
}
