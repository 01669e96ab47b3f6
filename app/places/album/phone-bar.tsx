import { CalendarDays, Flame, Images, type LucideIcon, Menu, NotebookPen } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { PLACES, type PlaceId } from "#app/places.ts";
import { addressOf } from "./address-of.ts";

type OnBar = Extract<(typeof PLACES)[number], { onPhoneBar: true }>;
const ON_BAR = PLACES.filter((place): place is OnBar => place.onPhoneBar);
const ICONS: Record<OnBar["id"], LucideIcon> = {
  month: CalendarDays,
  day: NotebookPen,
  photos: Images,
};

type Props = {
  readonly albumId: string;
  readonly dayDate: string;
  readonly here: PlaceId | "today" | null;
  /** Whether the page is narrow: on a wide one the bar is hidden, and its small drawings are left out. */
  readonly drawn: boolean;
  readonly onMore: () => void;
};

/** The bar at the foot of a phone, in reach of the thumb: Today first, what is used most, and More for all the rest. */
export function PhoneBar({ albumId, dayDate, here, drawn, onMore }: Props) {
  const current = (id: Props["here"]) => (id === here ? "page" : undefined);
  return (
    <nav
      aria-label="Places"
      className="phone-bar not-printed fixed inset-x-0 bottom-0 z-10 flex justify-around border-t border-line bg-ground wide:hidden"
    >
      <Link to={to.today()} aria-current={current("today")} className="place">
        {drawn && <Flame className="size-5" aria-hidden="true" />}
        Today
      </Link>
      {ON_BAR.map(({ id, name }) => {
        const Icon = ICONS[id];
        return (
          <Link key={id} to={addressOf(id, albumId, dayDate)} aria-current={current(id)} className="place">
            {drawn && <Icon className="size-5" aria-hidden="true" />}
            {name}
          </Link>
        );
      })}
      <button type="button" onClick={onMore} className="place" aria-haspopup="dialog">
        {drawn && <Menu className="size-5" aria-hidden="true" />}
        More
      </button>
    </nav>
  );
}
