import { useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { FreePictures } from "#app/places/day/free-pictures.tsx";
import type { CropView } from "./view.ts";

/** Pictures that could be in this one's place: those the day may have, or any of the roll. */
export function AnotherPicture({ view: { albumId, use, dayId, at } }: { view: CropView }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details
      open={isOpen}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      className="border-t border-line pt-3"
    >
      <summary className="min-h-8 content-center font-medium">Another picture</summary>
      {isOpen &&
        ("date" in at ? (
          <FreePictures
            {...{ albumId, dayId, date: at.date }}
            isBare
            wanted={{ kind: "instead", useId: use.id, said: "this one", onPut: () => setOpen(false) }}
          />
        ) : (
          <Link to={to.roll(albumId, { instead: use.id })} className="link text-sm">
            Choose from the whole roll
          </Link>
        ))}
    </details>
  );
}
