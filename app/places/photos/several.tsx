import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import type { CalendarDate } from "#core/month/dates.ts";
import type { RollMark } from "#core/photo/roll.ts";
import { type OnPlace, PlaceOn } from "./place-on.tsx";
import type { RollPicture, RollView } from "./view.ts";
import { WhoIsOnIt } from "./who-is-on-it.tsx";

/** Several pictures that were chosen together, and what may be said of all of them. */
export function Several({
  pictures,
  days,
  names,
  aim,
  onMark,
  onPlace,
  onNone,
}: {
  pictures: readonly RollPicture[];
  days: RollView["days"];
  names: RollView["names"];
  aim: CalendarDate | null;
  onMark: (ids: readonly string[], mark: RollMark) => void;
  onPlace: OnPlace;
  onNone: () => void;
}) {
  const ids = pictures.map(({ id }) => id);
  return (
    <section aria-label="The chosen pictures" className="grid gap-4">
      <h2 className="text-xl">{pictures.length} pictures</h2>
      <div className="flex gap-1.5 overflow-x-auto wide:max-h-64 wide:flex-wrap wide:overflow-y-auto">
        {pictures.map(({ id, look }) => (
          <img key={id} src={pictureAddress(id, 480, look)} alt="" className="h-16 w-auto shrink-0" />
        ))}
      </div>
      <PlaceOn pictures={pictures} days={days} aim={aim} onPlace={onPlace} onInstead={null} />
      <WhoIsOnIt {...{ pictures, names, onMark }} />
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => onMark(ids, { kind: "star", on: true })}>
          Star them
        </Button>
        <Button small onClick={() => onMark(ids, { kind: "banked", on: true })}>
          Bank them
        </Button>
        <Button small onClick={() => onMark(ids, { kind: "set-aside", on: true })}>
          Set them aside
        </Button>
        <Button small look="quiet" onClick={onNone}>
          Choose none
        </Button>
      </div>
    </section>
  );
}
