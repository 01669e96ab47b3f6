import { createReadStream } from "node:fs";
import { Readable } from "node:stream";
import { notFound } from "#app/http/page.ts";
import { letterFile } from "#press/typefaces.ts";
import type { Route } from "./+types/letters";

/** A font file for pages that are not our application's own: those that a link shows. */
export function loader({ params }: Route.LoaderArgs) {
  const file = letterFile(params.file);
  if (!file) throw notFound();
  const headers = { "Content-Type": "font/woff2", "Cache-Control": "public, max-age=31536000" };
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, { headers });
}
