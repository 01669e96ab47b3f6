import { Form, Link, useNavigation } from "react-router";
import { Button } from "#app/ui/button.tsx";
import { Labelled } from "#app/ui/field.tsx";
import { ARCHIVE_PROBLEM } from "#app/ui/wording.ts";

type Answer =
  | { ok: false; reason: keyof typeof ARCHIVE_PROBLEM | "unreachable" | "store-gone" }
  | { ok: false; reason: "already-here"; albumId: string };

export function ReadArchive({ answer }: { answer: Answer | null }) {
  const busy = useNavigation().state !== "idle";
  const error =
    !answer || answer.reason === "already-here"
      ? undefined
      : answer.reason === "unreachable" || answer.reason === "store-gone"
        ? "The server or its database does not answer. Nothing was read; try again in a moment."
        : ARCHIVE_PROBLEM[answer.reason];
  return (
    <div className="mx-auto grid max-w-xl gap-6">
      <div>
        <h1 className="text-3xl">Read an archive</h1>
        <p className="text-quiet">
          An album that was saved from here or from another Hearth Clock comes back whole: every day, word, photo and
          tick.
        </p>
      </div>
      <Form method="post" encType="multipart/form-data" className="grid gap-5">
        <Labelled label="The archive" hint="A file ending in .zip, up to 1 GB" error={error}>
          {(props) => (
            <input type="file" name="archive" accept=".zip,application/zip" required className="field" {...props} />
          )}
        </Labelled>
        {answer?.reason === "already-here" && (
          <div role="alert" className="grid gap-2 border-l-4 border-ember pl-4">
            <p className="font-medium">This album is on your shelf already, so it was not read a second time.</p>
            <p>
              <Link to={`/albums/${answer.albumId}/month`} className="link">
                Open the one that is here
              </Link>
              , or choose the file again and read it as a second album.
            </p>
            <label className="flex min-h-9 items-center gap-2">
              <input type="checkbox" name="copy" value="yes" className="size-4 accent-ember" /> Read it as a second
              album
            </label>
          </div>
        )}
        <div className="flex items-center gap-5">
          <Button type="submit" look="main" disabled={busy}>
            {busy ? "Reading it" : "Read it"}
          </Button>
          <Link to="/shelf" className="link">
            Back to the shelf
          </Link>
        </div>
      </Form>
    </div>
  );
}
