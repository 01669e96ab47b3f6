import { Redo2, Undo2 } from "lucide-react";
import { Form, Link } from "react-router";
import { to } from "#app/addresses.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { type Away, nothingDone } from "#app/wording/sending.ts";
import type { ToldLine } from "./runs.ts";

type Props = {
  readonly albumId: string;
  readonly lines: readonly ToldLine[];
  /** Whether these are the latest, and where those before them begin; null where there are none. */
  readonly isFirst: boolean;
  readonly more: number | null;
  readonly answer: { ok: boolean; said: string } | { ok: false; reason: Away } | null;
};

/** Everything that was done in the album, each to be taken back by itself, whoever did it. */
export function Changes({ albumId, lines, isFirst, more, answer }: Props) {
  const said = answer && ("said" in answer ? answer.said : nothingDone(answer.reason));
  return (
    <Workplace tabs={<PlaceTabs place="settings" albumId={albumId} here="changes" />}>
      <PageStage>
        <div className="grid max-w-3xl gap-5">
          <div>
            <h1 className="text-3xl">Changes</h1>
            <p className="mt-1 text-quiet">
              What was done here and in the household, the latest first. How things were before is kept for 30 days, and
              until the tray is emptied.
            </p>
          </div>
          {said && (
            <p role="status" className="border-l-2 border-ember bg-panel px-3 py-2">
              {said}
            </p>
          )}
          {lines.length === 0 && (
            <p>
              {isFirst ? "Nothing yet: whatever you do in this album will be listed here." : "Nothing before that."}
            </p>
          )}
          <ol className="grid border-t border-line">
            {lines.map((line) => (
              <li
                key={line.id}
                className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-line py-1.5"
              >
                <div className="min-w-0">
                  <p className={line.takenBack ? "text-quiet line-through decoration-edge" : ""}>{line.said}</p>
                  <p className="text-sm text-quiet">
                    {line.by === null ? "You" : line.by}, {line.at}
                    {line.times > 1 && ` · the last of ${line.times} in a row`}
                    {line.takenBack && " · taken back"}
                  </p>
                </div>
                <Turn line={line} />
              </li>
            ))}
          </ol>
          <nav aria-label="Earlier and later" className="flex gap-6">
            {!isFirst && (
              <Link to={to.changes(albumId)} className="min-h-10 underline decoration-edge underline-offset-3">
                The latest
              </Link>
            )}
            {more !== null && (
              <Link
                to={to.changes(albumId, { before: String(more) })}
                className="min-h-10 underline decoration-edge underline-offset-3"
              >
                Earlier ones
              </Link>
            )}
          </nav>
        </div>
      </PageStage>
    </Workplace>
  );
}

function Turn({ line }: { line: ToldLine }) {
  if (!line.open) return null;
  const [way, name, Icon] = line.takenBack
    ? (["again", "Do again", Redo2] as const)
    : (["back", "Take back", Undo2] as const);
  return (
    <Form method="post">
      <input type="hidden" name="line" value={line.id} />
      <button
        type="submit"
        name="way"
        value={way}
        aria-label={`${name}: ${line.said}`}
        className="flex min-h-10 items-center gap-2 px-2 text-sm font-medium hover:text-ember"
      >
        <Icon className="size-4" aria-hidden="true" /> {name}
      </button>
    </Form>
  );
}
