import { index, layout, type RouteConfig, route } from "@react-router/dev/routes";
import { PLACES } from "./places.ts";

export default [
  index("routes/home.tsx"),
  route("sign-in", "routes/sign-in.tsx"),
  route("sign-up", "routes/sign-up.tsx"),
  route("invited/:secret", "routes/invited.tsx"),
  route("sign-out", "routes/sign-out.ts"),
  route("look", "routes/look.ts"),
  route("empty", "routes/empty.tsx"),
  // Whoever is signed in: what they do is sent from whichever page they are on.
  layout("routes/member.tsx", [
    layout("routes/household.tsx", [
      // What goes wrong in a place is said inside the frame, which stays.
      layout("routes/place.tsx", { id: "household-place" }, [
        route("shelf", "routes/shelf.tsx"),
        route("albums/new", "routes/album-new.tsx"),
        route("albums/read", "routes/album-read.tsx"),
        route("tray", "routes/tray.tsx"),
        route("household", "routes/our-household.tsx"),
      ]),
    ]),
    route("albums/:album", "routes/album.tsx", [
      index("routes/album-index.ts"),
      layout("routes/place.tsx", { id: "album-place" }, [
        ...PLACES.flatMap(({ parts }) => parts.map(({ path, file }) => route(path, file))),
        route("*", "routes/not-found.tsx", { id: "no-such-place" }),
      ]),
    ]),
    route("today", "routes/today.tsx"),
  ]),
  // What somebody sees who only looks: drawn as a link's is, under its policy.
  route("albums/:album/shown/:opening?", "routes/album.shown.ts"),
  route("albums/:album/shown/:opening/pictures/:key", "routes/album.shown-picture.ts"),
  route("albums/:album/find", "routes/album.find.ts"),
  route("albums/:album/stock", "routes/album.stock.ts"),
  route("albums/:album/tones", "routes/album.tones.ts"),
  route("albums/:album/free-pictures/:date", "routes/album.free-pictures.ts"),
  route("albums/:album/latest-pictures", "routes/album.latest-pictures.ts"),
  route("albums/:album/sent", "routes/album.sent.ts"),
  route("albums/:album/library", "routes/album.library.ts"),
  route("albums/:album/documents/:kind/:file", "routes/album.document.ts"),
  route("feeds/:file", "routes/feed.ts"),
  route("albums/:album/shared/:share/:opening?", "routes/album.shared.ts"),
  route("albums/:album/shared/:share/:opening/pictures/:key", "routes/album.shared-picture.ts"),
  // What a link shows: outside every session, and with a policy of its own.
  route("shared/:secret/:opening?", "routes/shared.ts"),
  route("shared/:secret/:opening/pictures/:key", "routes/shared-picture.ts"),
  route("letters/:file", "routes/letters.ts"),
  route("work", "routes/work.ts"),
  route("work/:work", "routes/work.one.ts"),
  route("work/:work/parts/:part", "routes/work.part.ts"),
  route("photos", "routes/photos.ts"),
  route("photos/:photo/straight/:corners", "routes/photo-straight.ts"),
  route("photos/:photo/:side/:look?", "routes/photo.ts"),
  route("stand-ins/phone", "routes/phone.ts"),
  route("stand-ins/phone/:at", "routes/phone-picture.ts"),
  route("*", "routes/not-found.tsx"),
] satisfies RouteConfig;
