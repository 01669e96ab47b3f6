import { useState } from "react";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { parseDate } from "#core/month/dates.ts";
import type { RollMark } from "#core/photo/roll.ts";
import type { RollPicture } from "./view.ts";

/** Pictures whose camera wrote no date, given one together. */
export function UndatedForm({
  undated,
  onMark,
}: {
  undated: readonly RollPicture[];
  onMark: (ids: readonly string[], mark: RollMark) => void;
}) {
  const [text, setText] = useState("");
  const [left, setLeft] = useState<readonly string[]>([]);
  const date = parseDate(text);
  const ids = undated.map(({ id }) => id).filter((id) => !left.includes(id));
  return (
    <form
      className="grid gap-2 border-t border-line pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (date && ids.length > 0) onMark(ids, { kind: "date", date });
      }}
    >
      <h2 className="text-lg">
        {undated.length === 1 ? "One picture has no date" : `${undated.length} pictures have no date`}
      </h2>
      <div className="flex flex-wrap gap-1.5">
        {undated.slice(0, 40).map(({ id, name, look }) => (
          <label key={id} className={`relative ${left.includes(id) ? "opacity-40" : ""}`}>
            <input
              type="checkbox"
              checked={!left.includes(id)}
              aria-label={name}
              onChange={(event) => setLeft(event.target.checked ? left.filter((each) => each !== id) : [...left, id])}
              className="absolute top-1 left-1 size-4 accent-ember"
            />
            <img src={pictureAddress(id, 96, look)} alt="" className="size-16 object-cover" />
          </label>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <label className="grid gap-1 text-sm font-medium">
          They were taken on
          <input
            type="date"
            value={text}
            onChange={(event) => setText(event.target.value)}
            className="field max-w-44"
          />
        </label>
        <Button type="submit" disabled={!date || ids.length === 0}>
          Date {ids.length}
        </Button>
      </div>
    </form>
  );
}
