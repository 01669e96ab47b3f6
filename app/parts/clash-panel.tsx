import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import type { Clash } from "#app/sending/entry.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { newCard } from "#core/album/model.ts";
import { saidByEdit, saidNow, withWords } from "#core/album/said.ts";
import { inches } from "#core/measure/length.ts";

const NAMED: Record<string, string> = {
  title: "the title",
  note: "the note",
  prompt: "the prompt",
  technique: "the technique",
  "card-text": "the words of a card",
  "card-back": "the back of a card",
  "card-setting": "how a card is written",
  "card-preprint": "the picture under a card",
  "card-secrecy": "what is said of a card’s privacy",
  "day-private": "whether the day is private",
  "every-year": "whether the day stands every year",
  "next-year": "the note for next year",
  dries: "until when the page dries",
  "photo-repeat": "how a pattern is repeated",
  "photo-together": "which pictures share a print",
  "photo-on-it": "what is printed on a photo",
  "photo-private": "whether a photo is private",
  "carry-over": "the words of a card",
  "jotting-text": "a jotting",
  "photo-alt": "a photo’s description",
  numeral: "the number",
};

/** Two windows wrote the same thing: who, what, when, both versions, and the choice. */
export function ClashPanel() {
  const { state } = useOutbox();
  return state.clashes.map((clash) => <OneClash key={clash.entry.key} clash={clash} />);
}

const at = (iso: string) =>
  new Date(iso).toLocaleString("en-GB", { day: "numeric", month: "long", hour: "2-digit", minute: "2-digit" });

function OneClash({ clash }: { clash: Clash }) {
  return clash.kind === "leaf" ? <LeafClash clash={clash} /> : <DayClash clash={clash} />;
}

/** Two windows laid out one leaf: whose arrangement stays. The other's is seen as soon as one is chosen. */
function LeafClash({ clash }: { clash: Extract<Clash, { kind: "leaf" }> }) {
  const { put, dropClash } = useOutbox();
  const { entry, leaf, by, version } = clash;
  const { sent } = entry;
  if (sent.what !== "book") return null;
  return (
    <section role="alert" className="my-3 grid gap-3 rounded-md border-2 border-ember bg-panel p-4">
      <h2 className="text-lg">{by} changed this leaf in another window</h2>
      <p className="text-sm text-quiet">
        On {at(clash.at)}, after you opened it. What you did is safe here and not yet in the book; nothing is lost until
        you choose.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button look="main" small onClick={() => put(entry.key, { ...sent, seen: { ...sent.seen, [leaf]: version } })}>
          Keep mine
        </Button>
        <Button small onClick={() => dropClash(entry.key)}>
          Take theirs
        </Button>
      </div>
    </section>
  );
}

function DayClash({ clash }: { clash: Extract<Clash, { kind: "day" }> }) {
  const { put, dropClash } = useOutbox();
  const { entry, change, current, version } = clash;
  if (entry.sent.what !== "edit") return null;
  const { edit, dayId } = entry.sent;
  const theirs = saidNow(current, edit);
  const mine = saidByEdit(edit);
  const both = theirs ? withWords(edit, `${theirs}\n\n${mine}`) : null;
  const keep = (kept: typeof edit) => put(entry.key, { what: "edit", dayId, base: version, edit: kept });
  return (
    <section role="alert" className="my-3 grid gap-3 rounded-md border-2 border-ember bg-panel p-4">
      <h2 className="text-lg">
        {change.by} {theirs === null ? "removed" : "changed"} {NAMED[edit.kind] ?? "this"} in another window
      </h2>
      <p className="text-sm text-quiet">
        On {at(change.at)}, after you opened this day. Your version is safe here; nothing is lost until you choose.
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        <figure>
          <figcaption className="text-sm font-medium">Now saved</figcaption>
          <blockquote className="whitespace-pre-wrap border-l-2 border-line pl-3">
            {theirs === null ? "removed" : theirs || "nothing"}
          </blockquote>
        </figure>
        <figure>
          <figcaption className="text-sm font-medium">Yours</figcaption>
          <blockquote className="whitespace-pre-wrap border-l-2 border-ember pl-3">{mine || "nothing"}</blockquote>
        </figure>
      </div>
      <div className="flex flex-wrap gap-3">
        {theirs === null && edit.kind === "card-text" ? (
          <Button
            look="main"
            small
            onClick={() => {
              dropClash(entry.key);
              const id = newId();
              put(`${dayId}:add:${id}`, {
                what: "edit",
                dayId,
                base: null,
                edit: { kind: "add-card", card: newCard(id, { w: inches(3), h: inches(4) }, mine) },
              });
            }}
          >
            Put mine on a new card
          </Button>
        ) : (
          theirs !== null && (
            <Button look="main" small onClick={() => keep(edit)}>
              Keep mine
            </Button>
          )
        )}
        <Button small onClick={() => dropClash(entry.key)}>
          {theirs === null ? "Leave it removed" : "Take theirs"}
        </Button>
        {both && (
          <Button small onClick={() => keep(both)}>
            Keep both
          </Button>
        )}
      </div>
    </section>
  );
}
