import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { leafName } from "#app/places/arrange/boards.ts";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { many } from "#app/wording/count.ts";
import type { Leaf } from "#core/album/leaf.ts";
import { alsoOn } from "#core/book/also.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { asRooms } from "#core/book/edit.ts";
import { type BookRead, markedFor } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";
import { sizeOf } from "#core/measure/rect.ts";
import type { There } from "./there.ts";

type Props = {
  readonly book: Pick<BookRead<InBook>, "leaves">;
  readonly leaves: readonly Leaf[];
  readonly there: There;
  readonly unit: Unit;
};

/** The same construction on several other days at once, where it fits there: nothing in it yet, nothing of it made. */
export function AlsoOn({ book, leaves, there, unit }: Props) {
  const { arrange } = useBookEdits();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [done, setDone] = useState(0);
  const { read, face, placed } = there;
  const places = alsoOn(book, read, face, placed.piece, placed.rect);
  const keyOf = ({ page }: (typeof places)[number]) => page.days[0]?.id ?? "";
  const on = places.filter((each) => chosen.has(keyOf(each)));
  const lay = () => {
    arrange(
      leaves,
      on.map(({ read: other, face: up, lies }) => {
        const [copy] = asRooms([{ piece: placed.piece, size: sizeOf(placed.rect), dayId: null }], newId);
        const pieces = other[up].pieces.map(({ piece }) => piece);
        const laid = copy && markedFor({ ...copy, at: { x: lies.x, y: lies.y } }, other[up], null);
        return { leaf: other.leaf.id, face: up, pieces: laid ? [...pieces, laid] : pieces };
      }),
    );
    setDone(on.length);
    setChosen(new Set());
  };
  if (places.length === 0) return <p className="text-sm text-quiet">There is no other page that it fits on.</p>;
  return (
    <details>
      <summary className="link w-fit cursor-pointer text-sm">The same on several days</summary>
      <fieldset className="mt-2 grid gap-2">
        <legend className="text-sm text-quiet">As it lies on its page, with nothing in it yet.</legend>
        <div className="grid max-h-56 gap-1 overflow-y-auto border-y border-line py-2">
          {places.map((each) => (
            <label key={keyOf(each)} className="flex min-h-6 items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="size-4 accent-ember"
                checked={chosen.has(keyOf(each))}
                onChange={({ target }) => {
                  const next = new Set(chosen);
                  if (target.checked) next.add(keyOf(each));
                  else next.delete(keyOf(each));
                  setChosen(next);
                  setDone(0);
                }}
              />
              <span>
                {inBookName(each.page)}
                <span className="text-quiet">{`, ${leafName(each.read, unit)}, ${each.face}`}</span>
              </span>
            </label>
          ))}
        </div>
        <Button small className="justify-self-start" disabled={on.length === 0} onClick={lay}>
          {on.length === 0 ? "Lay it on these" : `Lay it on ${many(on.length, "page")}`}
        </Button>
        <p role="status" className="text-sm">
          {done > 0 && `It lies on ${many(done, "more page", "more pages")}.`}
        </p>
      </fieldset>
    </details>
  );
}
