import { Button } from "#app/parts/button.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { FACE_NAME } from "#app/wording/book.ts";
import type { Face } from "#core/album/leaf.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { SideRead } from "#core/book/read.ts";

type Props = {
  readonly face: Face;
  readonly side: SideRead<InBook>;
  readonly all: readonly InBook[];
  readonly onShare: (dayId: string, shares: boolean) => void;
};

/** Who else has pieces on a side, each with its own number and steps, and who might. */
export function GuestsField({ face, side: { owner, page, guests }, all, onShare }: Props) {
  if (owner.kind === "nobody") return null;
  const others = all.filter((each) => each !== page && !guests.includes(each) && !each.skipped);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      {guests.map((guest) => (
        <span key={guest.days[0]?.id} className="flex items-center gap-1">
          shared with {inBookName(guest)}
          <Button
            look="quiet"
            small
            aria-label={`${FACE_NAME[face]} no longer shared with ${inBookName(guest)}`}
            onClick={() => onShare(guest.days[0]?.id ?? "", false)}
          >
            No longer
          </Button>
        </span>
      ))}
      <select
        aria-label={`${FACE_NAME[face]} is shared with`}
        className="field w-auto py-1 text-sm"
        value=""
        onChange={(event) => onShare(event.target.value, true)}
      >
        <option value="">{guests.length > 0 ? "And with…" : "Shared with…"}</option>
        {others.map((each) => (
          <option key={each.days[0]?.id} value={each.days[0]?.id}>
            {inBookName(each)}
          </option>
        ))}
      </select>
    </div>
  );
}
