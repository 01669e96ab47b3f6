import { useState } from "react";
import { Form } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";

type Piece = {
  readonly kind: "card" | "jotting" | "photo";
  readonly id: string;
  readonly albumTitle: string;
  /** Its day; null on a page that is no day's. */
  readonly on: string | null;
  readonly photoId: string | null;
  readonly daysLeft: number;
};
type Leaf = {
  readonly kind: "leaf" | "try-out";
  readonly id: string;
  readonly albumTitle: string;
  readonly on: string | null;
  readonly daysLeft: number;
};
type Kept = {
  readonly kind: keyof typeof STASH_NAME;
  readonly id: string;
  readonly name: string;
  readonly photoId: string | null;
  readonly daysLeft: number;
};
type Props = {
  readonly kept: readonly Kept[];
  readonly leaves: readonly Leaf[];
  readonly albums: readonly { id: string; title: string; daysLeft: number }[];
  readonly pieces: readonly Piece[];
  readonly unreachable: boolean;
};

const NAME = {
  card: "A card",
  jotting: "A jotting",
  photo: "A photo",
  leaf: "A leaf",
  "try-out": "A try-out",
} as const;
const STASH_NAME = {
  picture: "A picture of the roll",
  deck: "The deck",
  hand: "The hand",
  "stamp-set": "The stamps",
  layout: "The pocket layout",
  template: "The template",
  making: "The settings",
  format: "The measured book",
  thing: "From the drawer:",
} as const;
const left = (days: number) => many(days, "day left", "days left");

/** What was put away lately, and the way back. */
export function TrayPlace({ albums, pieces, leaves, kept, unreachable }: Props) {
  const empty = albums.length + pieces.length + leaves.length + kept.length === 0;
  return (
    <div className="mx-auto grid max-w-3xl gap-6">
      <div>
        <h1 className="text-3xl">The tray</h1>
        <p className="text-quiet">What you put away lies here for 30 days.</p>
      </div>
      {unreachable && (
        <p role="alert" className="border-l-4 border-ember pl-3 font-medium">
          The server or its database does not answer. Nothing was changed; try again in a moment.
        </p>
      )}
      {empty && <p className="border-l-4 border-line py-1 pl-4">The tray is empty.</p>}
      <ul>
        {albums.map(({ id, title, daysLeft }) => (
          <Row key={id} id={id} intent="album" name={`The album ${title}`} about={left(daysLeft)} />
        ))}
        {leaves.map(({ kind, id, albumTitle, on, daysLeft }) => (
          <Row
            key={id}
            id={id}
            intent={kind}
            name={`${NAME[kind]} ${on ? `of ${on}` : "of its own"}, ${albumTitle}`}
            about={left(daysLeft)}
          />
        ))}
        {kept.map(({ kind, id, name, photoId, daysLeft }) => (
          <Row
            key={id}
            id={id}
            intent={kind}
            name={kind === "picture" ? `${STASH_NAME[kind]}, ${name}` : `${STASH_NAME[kind]} “${name}”`}
            about={left(daysLeft)}
            photoId={photoId}
          />
        ))}
        {pieces.map(({ kind, id, albumTitle, on, photoId, daysLeft }) => (
          <Row
            key={id}
            id={id}
            intent={kind}
            name={`${NAME[kind]} from ${on}, ${albumTitle}`}
            about={left(daysLeft)}
            photoId={photoId}
          />
        ))}
      </ul>
      {!empty && <Empty />}
    </div>
  );
}

/** Nothing else in the program is gone by one press, and neither is this. */
function Empty() {
  const [asked, setAsked] = useState(false);
  return (
    <Form method="post" className="flex flex-wrap items-center justify-between gap-4" onSubmit={() => setAsked(false)}>
      <p className="text-sm text-quiet">Emptying cannot be taken back, nor can any change that was made before it.</p>
      {asked ? (
        <span className="flex items-center gap-3">
          <Button type="submit" name="intent" value="empty" small>
            Yes, gone for good
          </Button>
          <Button small look="quiet" onClick={() => setAsked(false)}>
            Leave it
          </Button>
        </span>
      ) : (
        <Button small onClick={() => setAsked(true)}>
          Empty the tray for good
        </Button>
      )}
    </Form>
  );
}

function Row({
  id,
  intent,
  name,
  about,
  photoId = null,
}: {
  id: string;
  intent: string;
  name: string;
  about: string;
  photoId?: string | null;
}) {
  return (
    <li className="flex items-center gap-4 border-b border-line py-2">
      {photoId && <img src={`/photos/${photoId}/96`} alt="" className="size-12 rounded-sm object-cover" />}
      <span className="min-w-0 flex-1">
        {name}
        <span className="block text-sm text-quiet">{about}</span>
      </span>
      <Form method="post">
        <input type="hidden" name="id" value={id} />
        <Button type="submit" name="intent" value={intent} small aria-label={`Put back: ${name}`}>
          Put back
        </Button>
      </Form>
    </li>
  );
}
