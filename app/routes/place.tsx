import { Outlet, useLocation } from "react-router";
import { to } from "#app/addresses.ts";
import { KeepersOnly } from "#app/parts/role.tsx";
import { Trouble } from "#app/parts/trouble.tsx";
import { keepersAt } from "#app/places.ts";

/** Places of the household where what is done is a keeper's. */
const OF_HOUSEHOLD: readonly string[] = [to.newAlbum(), to.readArchive(), to.tray()];

/** Round every place of a frame: what goes wrong in one is said in its own room, and the ways out of it stay. */
export default function Place() {
  const { pathname } = useLocation();
  const [, , , ...after] = pathname.split("/");
  return OF_HOUSEHOLD.includes(pathname) || keepersAt(after.join("/")) === true ? (
    <KeepersOnly>
      <Outlet />
    </KeepersOnly>
  ) : (
    <Outlet />
  );
}

export function ErrorBoundary() {
  return <Trouble />;
}
