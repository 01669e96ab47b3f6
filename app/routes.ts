import { index, layout, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("routes/home.tsx"),
  route("sign-in", "routes/sign-in.tsx"),
  route("sign-up", "routes/sign-up.tsx"),
  route("sign-out", "routes/sign-out.ts"),
  route("look", "routes/look.ts"),
  route("empty", "routes/empty.tsx"),
  layout("routes/household.tsx", [
    route("shelf", "routes/shelf.tsx"),
    route("albums/new", "routes/album-new.tsx"),
    route("albums/read", "routes/album-read.tsx"),
    route("tray", "routes/tray.tsx"),
  ]),
  route("albums/:album", "routes/album.tsx", [
    index("routes/album-index.ts"),
    route("month", "routes/album.month.tsx"),
    route("days/:date", "routes/album.day.tsx"),
    route("finish", "routes/album.finish.tsx"),
    route("settings", "routes/album.settings.tsx"),
  ]),
  route("albums/:album/days/:date/photos", "routes/album.day.photos.ts"),
  route("albums/:album/undo", "routes/album.undo.ts"),
  route("albums/:album/archive.zip", "routes/album.archive.ts"),
  route("albums/:album/day-plan.csv", "routes/album.day-plan.ts"),
  route("photos/:photo/:side", "routes/photo.ts"),
  route("*", "routes/not-found.tsx"),
] satisfies RouteConfig;
