import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { writeLines } from "#core/words/deck-text.ts";
import type { PromptsAnswer } from "./acts.ts";
import { DealOutcome } from "./outcome.tsx";
import type { PromptsView } from "./view.ts";

type Props = {
  readonly view: PromptsView;
  readonly chosen: ReadonlySet<string>;
  readonly setChosen: (chosen: ReadonlySet<string>) => void;
  readonly action: string;
};

/** The decks to deal from, shipped and own; each can be written out, and own ones written anew. */
export function DeckPanel({ view, chosen, setChosen, action }: Props) {
  const { decks, albumId, jar } = view;
  const [writing, setWriting] = useState<string | null>(null);
  const [text, setText] = useState("");
  const [name, setName] = useState("");
  const open = (id: string, called: string, slips: string) => {
    setWriting(id);
    setName(called);
    setText(slips);
  };
  return (
    <section aria-label="Decks" className="grid gap-2 border-t border-line p-4 wide:px-0 wide:pb-0">
      <h2 className="text-lg">Decks</h2>
      <OwnSaid kind="deck" />
      <ul className="grid">
        {decks.map(({ id, name: called, slips, isOwn }) => (
          <li key={id} className="border-b border-line text-sm">
            {isOwn ? (
              <OwnThing
                kind="deck"
                {...{ albumId, id, name: called }}
                lead={<DeckChoice {...{ id, called, slips, chosen, setChosen }} />}
                more={
                  <>
                    <DeckFiles {...{ albumId, id, called }} />
                    <Button small look="quiet" onClick={() => open(id, called, writeLines(slips))}>
                      Change<span className="sr-only"> {called}</span>
                    </Button>
                  </>
                }
              />
            ) : (
              <div className="flex items-center justify-between py-1">
                <DeckChoice {...{ id, called, slips, chosen, setChosen }} />
                <DeckFiles {...{ albumId, id, called }} />
              </div>
            )}
          </li>
        ))}
      </ul>
      {writing === null ? (
        <div>
          <Button small onClick={() => open(newId(), "", "")}>
            Add a deck of your own
          </Button>
        </div>
      ) : (
        <DeckForm
          key={writing}
          {...{ id: writing, jar, action, name, setName, text, setText }}
          onDone={(id) => {
            setWriting(null);
            setChosen(new Set([...chosen, id]));
          }}
          onCancel={() => setWriting(null)}
        />
      )}
    </section>
  );
}

type ChoiceProps = Pick<Props, "chosen" | "setChosen"> & {
  readonly id: string;
  readonly called: string;
  readonly slips: readonly unknown[];
};

/** Whether a deck is dealt from, and how many slips it has. */
const DeckChoice = ({ id, called, slips, chosen, setChosen }: ChoiceProps) => (
  <label className="flex min-h-9 min-w-0 items-center gap-2">
    <input
      type="checkbox"
      className="size-4 accent-ember"
      checked={chosen.has(id)}
      onChange={() => setChosen(new Set(chosen.has(id) ? [...chosen].filter((each) => each !== id) : [...chosen, id]))}
    />
    <span className="truncate">{called}</span>
    <span className="text-quiet">{slips.length}</span>
  </label>
);

/** The files of a deck: as a table, and as plain text. */
const DeckFiles = ({ albumId, id, called }: { albumId: string; id: string; called: string }) => (
  <span className="flex items-center gap-2">
    {(["csv", "txt"] as const).map((ending) => (
      <a key={ending} className="link" href={to.document(albumId, "deck", `${id}.${ending}`)} download>
        {ending === "csv" ? "CSV table" : "Plain text"}
        <span className="sr-only"> of {called}</span>
      </a>
    ))}
  </span>
);

type FormProps = {
  readonly id: string;
  readonly jar: string;
  readonly action: string;
  readonly name: string;
  readonly setName: (name: string) => void;
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly onDone: (id: string) => void;
  readonly onCancel: () => void;
};

/** A deck typed, pasted or read from a file. What was typed stays until it is kept. */
function DeckForm({ id, jar, action, name, setName, text, setText, onDone, onCancel }: FormProps) {
  const fetcher = useFetcher<PromptsAnswer>();
  const answer = fetcher.data;
  // What was looked at is this text: written on since, it is looked at again.
  const [lookedAt, setLookedAt] = useState<string | null>(null);
  const preview = answer?.ok && "preview" in answer && lookedAt === text ? answer.preview : null;
  return (
    <fetcher.Form
      method="post"
      action={action}
      encType="multipart/form-data"
      className="grid gap-2 border-t border-line pt-3"
      onSubmit={() => setLookedAt(text)}
    >
      {preview && <input type="hidden" name="looked" value="yes" />}
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="jar" value={jar} />
      <label className="grid gap-0.5 text-sm">
        <span className="text-quiet">Its name</span>
        <input
          name="name"
          className="field py-1"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label className="grid gap-0.5 text-sm">
        <span className="text-quiet">
          A slip a line. After a stroke its kind, and its day: The last parcel | errands | 12-24
        </span>
        <textarea
          name="text"
          className="field"
          rows={6}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <label className="grid gap-0.5 text-sm">
        <span className="text-quiet">Or a file: a table (CSV) or plain text</span>
        <input type="file" name="file" accept=".csv,.txt,text/csv,text/plain" className="text-sm" />
      </label>
      <div className="flex items-center gap-2">
        <button type="submit" className={buttonLook("main", true)} disabled={fetcher.state !== "idle"}>
          {preview ? `Keep these ${preview.count === 1 ? "one slip" : `${preview.count} slips`}` : "Keep the deck"}
        </button>
        {answer?.ok && "said" in answer ? (
          <Button small onClick={() => onDone(id)}>
            Done
          </Button>
        ) : (
          <Button small look="quiet" onClick={onCancel}>
            Leave it
          </Button>
        )}
      </div>
      <DealOutcome answer={answer ?? null} />
    </fetcher.Form>
  );
}
