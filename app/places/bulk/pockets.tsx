import { useMemo } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { inBookAt, inBookName } from "#app/places/arrange/in-book.ts";
import { sayThick } from "#app/wording/bulk.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { LeafRead } from "#core/book/read.ts";
import type { Things } from "#core/bulk/layers.ts";
import { type PocketRead, pocketsRead } from "#core/bulk/pocket-room.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";

type Props = {
  leaves: readonly LeafRead<InBook>[];
  format: AlbumFormat;
  things: Things;
  unit: Unit;
  albumId: string;
};

/** What lies in a pocket so full that it does not slide, or does not come out any more. */
export function Pockets({ leaves, format, things, unit, albumId }: Props) {
  const full = useMemo(
    () =>
      leaves
        .flatMap((leaf) => pocketsRead(leaf, format, things))
        .filter(({ kind }) => kind !== "slides")
        .sort((a, b) => a.room - b.room),
    [leaves, format, things],
  );
  return (
    <section aria-labelledby="comes-out" className="grid gap-2 border-t border-line pt-3">
      <h2 id="comes-out" className="text-lg">
        Does it still come out?
      </h2>
      {full.length === 0 ? (
        <p className="text-sm">Everything in a pocket slides freely.</p>
      ) : (
        <ul className="grid text-sm">
          {full.map((read) => (
            <li key={`${read.leaf.leaf.id} ${read.pocket}`} className="border-b border-line py-1.5">
              <Place read={read} albumId={albumId} />:{" "}
              <strong className="font-semibold">{read.kind === "jams" ? "jams" : "tight"}</strong>. {said(read, unit)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Place({ read: { leaf, pocket }, albumId }: { read: PocketRead<InBook>; albumId: string }) {
  const page = leaf.front.page ?? leaf.back.page;
  const at = page && inBookAt(page);
  const name = `${page ? inBookName(page) : "nobody’s page"}${pocket === null ? ", the page in its protector" : `, pocket ${pocket + 1}`}`;
  return at ? (
    <Link to={to.entry(albumId, at)} className="link inline-block first-letter:uppercase">
      {name}
    </Link>
  ) : (
    <span className="first-letter:uppercase">{name}</span>
  );
}

function said({ kind, room, size, stack }: PocketRead, unit: Unit): string {
  const what = `The stack is ${sayLength(stack.size.w, unit)} wide and ${sayThick(stack.thick, unit)} thick, the pocket takes ${sayLength(size.w, unit)}`;
  return kind === "jams"
    ? `${what}: ${sayLength(-room as typeof room, unit)} too much.`
    : `${what}: only ${sayLength(room, unit)} of play.`;
}
