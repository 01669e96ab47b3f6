import { Mat } from "#app/drawing/mat.tsx";
import type { PageRow } from "#app/drawing/page-row.ts";
import { useOutbox } from "#app/places/album/outbox-provider.tsx";
import { EDIT_PROBLEM, SLOT_PROBLEM, UNREACHABLE } from "#app/ui/wording.ts";
import { ClashPanel } from "./clash-panel.tsx";
import { DayMenuButton } from "./day-menu-button.tsx";
import { FinishTray } from "./finish-tray.tsx";
import { KeptLine } from "./kept-fields.tsx";
import { matItems } from "./mat-items.tsx";
import { NoteTray } from "./note-tray.tsx";
import { PaperTray } from "./paper-tray.tsx";
import { PhotosTray } from "./photos-tray.tsx";
import { PromptTray } from "./prompt-tray.tsx";
import type { DayView } from "./view.ts";
import { WordsTray } from "./words-tray.tsx";

/** One day's bench: its leaves to scale on the mat, its trays in working order beside them. */
export function DayBench({ view, rows }: { view: DayView; rows: readonly PageRow[] }) {
  return (
    <div className="wide:grid wide:h-full wide:grid-cols-[minmax(0,1fr)_minmax(380px,430px)]">
      <section aria-label="The mat" className="relative flex h-[46vh] flex-col overflow-hidden bg-mat wide:h-full">
        <div className="min-h-0 flex-1 p-2 wide:p-5">
          <Mat items={matItems(view.leaf, `Page ${view.label}`)} unit={view.unit} label={matLabel(view)} />
        </div>
        <div className="relative flex flex-wrap justify-between gap-x-6 gap-y-1 bg-soot/80 px-4 py-2 text-sm text-on-mat">
          <FitNotes view={view} />
          <p className="text-on-soot-quiet">One square is {view.unit === "inch" ? "1″" : "1 cm"}. A first dry fit.</p>
        </div>
      </section>
      <div className="min-w-0 wide:overflow-y-auto">
        <div className="grid gap-0 px-4 pt-4 pb-8 wide:px-6">
          <Heading view={view} rows={rows} />
          <Troubles />
          <ClashPanel />
          <PromptTray view={view} />
          <PhotosTray view={view} />
          <WordsTray view={view} />
          <PaperTray view={view} />
          <FinishTray view={view} />
          <NoteTray view={view} />
          <Foot view={view} rows={rows} />
        </div>
      </div>
    </div>
  );
}

const matLabel = (view: DayView) =>
  `The page of day ${view.label}, ${view.leaf.said.size}, with ${view.leaf.laid.length} pieces laid on it, ${view.leaf.beside.length} beside it and ${view.leaf.inserts.length} inserts, to scale`;

function FitNotes({ view }: { view: DayView }) {
  if (!view.leaf.kind) return <p>No page chosen yet: the outline is the album’s page size.</p>;
  if (view.fit.length === 0) return <p>Nothing to lay on it yet.</p>;
  return (
    <ul>
      {view.fit.slice(0, 4).map((line) => (
        <li key={line}>{line}</li>
      ))}
      {view.fit.length > 4 && <li>And {view.fit.length - 4} more.</li>}
    </ul>
  );
}

function Heading({ view, rows }: { view: DayView; rows: readonly PageRow[] }) {
  const [first, ...others] = view.parts;
  if (!first) return null;
  return (
    <header className="flex items-start gap-4 border-b border-line pb-3">
      <p
        className={`shrink-0 pt-0.5 font-numeral leading-none font-semibold ${view.label.length > 2 ? "text-3xl" : "text-6xl"}`}
      >
        {view.label}
      </p>
      <div className="min-w-0 flex-1">
        <h1 className="sr-only">
          Day {view.label}: {first.content.title || "no title yet"}
        </h1>
        <KeptLine
          part={first}
          name="title"
          label="Title"
          saved={first.content.title}
          toEdit={(text) => ({ kind: "title", text })}
          placeholder="A title, when there is one"
          className="font-numeral text-2xl font-medium"
        />
        {others.map((part) => (
          <KeptLine
            key={part.id}
            part={part}
            name="title"
            label={`Title of ${part.dateSaid}`}
            saved={part.content.title}
            toEdit={(text) => ({ kind: "title", text })}
            placeholder={`A title for ${part.dateSaid}`}
            className="font-numeral text-lg"
          />
        ))}
        <p className="px-1 text-sm text-quiet">
          {view.when}
          {view.skipped && <strong className="font-semibold text-text">, skipped</strong>}
        </p>
      </div>
      <DayMenuButton view={view} rows={rows} />
    </header>
  );
}

/** What could not be saved and why, in the place it was tried. */
function Troubles() {
  const { state } = useOutbox();
  if (state.trouble) {
    return (
      <p role="alert" className="my-3 border-l-4 border-ember pl-3 font-medium">
        {UNREACHABLE[state.trouble]}
      </p>
    );
  }
  if (!state.refused) return null;
  const words: Record<string, string> = { ...SLOT_PROBLEM, ...EDIT_PROBLEM };
  return (
    <p role="alert" className="my-3 border-l-4 border-ember pl-3 font-medium">
      {words[state.refused] ?? "That could not be done. Nothing was changed."}
    </p>
  );
}

function Foot({ view, rows }: { view: DayView; rows: readonly PageRow[] }) {
  const at = rows.findIndex(({ date }) => date === view.date);
  const [before, after] = [rows[at - 1]?.date, rows[at + 1]?.date];
  const href = (date: string) => `/albums/${view.albumId}/days/${date}`;
  return (
    <footer className="flex items-center justify-between gap-4 pt-5 text-sm">
      {before ? (
        <a href={href(before)} className="flex min-h-10 items-center gap-1 hover:text-ember">
          <span aria-hidden="true">←</span> The day before
        </a>
      ) : (
        <span />
      )}
      <span className="text-center text-quiet">{view.lastWrite && `Last written by ${view.lastWrite}`}</span>
      {after ? (
        <a href={href(after)} className="flex min-h-10 items-center gap-1 hover:text-ember">
          The day after <span aria-hidden="true">→</span>
        </a>
      ) : (
        <span />
      )}
    </footer>
  );
}
