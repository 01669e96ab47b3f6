import { randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { unlink } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream as NodeStream } from "node:stream/web";
import { type FileUpload, MaxFileSizeExceededError, parseFormData } from "@remix-run/form-data-parser";
import { redirect } from "react-router";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { requireMember, writing } from "#app/http/page.ts";
import { ReadArchive } from "#app/places/read-archive/read-archive.tsx";
import { unpackAlbum } from "#press/archive.ts";
import type { Route } from "./+types/album-read";

const MOST_BYTES = 1024 ** 3;

export const meta: Route.MetaFunction = () => [{ title: "Read an archive · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  await requireMember(context);
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  // The archive is written to a file of its own first: a ZIP is read from its end, and may be larger than memory should be.
  const file = path.join(tmpdir(), `hearth-archive-${randomUUID()}.zip`);
  let given = false;
  const take = async (upload: FileUpload) => {
    if (upload.fieldName !== "archive" || upload.name === "") return;
    await pipeline(Readable.fromWeb(upload.stream() as NodeStream), createWriteStream(file, { mode: 0o600 }));
    given = true;
  };
  try {
    const member = await requireMember(context);
    const form = await parseFormData(
      request,
      { maxFileSize: MOST_BYTES, maxFiles: 1, maxTotalSize: MOST_BYTES + 1_000_000 },
      take,
    );
    if (!given) return { ok: false as const, reason: "no-file" as const };
    return await writing(async () => {
      const read = await unpackAlbum(
        context.db,
        member.household.id,
        file,
        form.get("copy") === "yes",
        context.readPicture,
      );
      if (read.ok) throw redirect(`/albums/${read.albumId}/month`);
      return read;
    });
  } catch (error) {
    if (error instanceof MaxFileSizeExceededError) return { ok: false as const, reason: "too-large" as const };
    throw error;
  } finally {
    await unlink(file).catch(() => {});
  }
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export default function ReadRoute({ actionData }: Route.ComponentProps) {
  return <ReadArchive answer={actionData ?? null} />;
}
