import type { Piece } from "#core/album/leaf.ts";
import { matterName } from "#core/album/matter-name.ts";
import type { BookPage, SideRead } from "#core/book/read.ts";

type Props = {
  readonly side: Pick<SideRead, "page" | "guests">;
  readonly piece: Piece;
  readonly onTake: (dayId: string | null) => void;
};

/**
 * Whose a number, a room or a made piece is: the page's, one's of the days that share the page, or another's that shares the
 * side. Not there where only one can be meant.
 */
export function WhoseField({ side: { page, guests }, piece, onTake }: Props) {
  const days = piece.what.kind === "numeral" && page && page.days.length > 1 ? page.days : [];
  if (days.length + guests.length === 0) return null;
  const isNumber = piece.what.kind === "numeral";
  return (
    <select
      aria-label={isNumber ? "Day the number stands for" : "Whose it is"}
      className="mat-field"
      value={piece.dayId ?? ""}
      onChange={(event) => onTake(event.target.value || null)}
    >
      <option value="">{days.length > 1 ? "All days of the page" : page ? sharedName(page) : "Nobody’s"}</option>
      {days.map(({ id }, at) => (
        <option key={id} value={id}>
          Its {at + 1}. day
        </option>
      ))}
      {guests.map((guest) => (
        <option key={guest.days[0]?.id} value={guest.days[0]?.id}>
          {sharedName(guest)}
        </option>
      ))}
    </select>
  );
}

/** What one that shares a side is called in a list. */
const sharedName = ({ label, matter }: BookPage): string =>
  matter ? matterName(matter) : label ? `Day ${label}` : "A day without a number";
