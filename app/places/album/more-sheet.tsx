import { Redo2, Search, Undo2 } from "lucide-react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { type Look, LookSwitch } from "#app/parts/look-switch.tsx";
import { Modal, ModalClose } from "#app/parts/modal.tsx";
import { PLACES, type PlaceId } from "#app/places.ts";
import { addressOf } from "./address-of.ts";

type Props = {
  readonly albumId: string;
  readonly dayDate: string;
  readonly here: PlaceId | null;
  readonly look: Look;
  readonly onFind: () => void;
  readonly onTurn: (way: "back" | "again") => void;
  readonly onClose: () => void;
};

const TURNS = [
  ["back", "Take back the last change", Undo2],
  ["again", "Do it again", Redo2],
] as const;
const LINE = "flex min-h-12 items-center gap-3 border-b border-line px-4 text-left text-lg";

/** On a phone, what the bar at the foot has no room for: from the foot up, in reach of the thumb. */
export function MoreSheet({ albumId, dayDate, here, look, onFind, onTurn, onClose }: Props) {
  return (
    <Modal
      label="More"
      onClose={onClose}
      className="inset-x-0 bottom-0 grid max-h-[88dvh] overflow-y-auto border-t pb-2"
    >
      <nav aria-label="More places" className="grid">
        {PLACES.filter(({ onPhoneBar }) => !onPhoneBar).map(({ id, name }) => (
          <Link
            key={id}
            to={addressOf(id, albumId, dayDate)}
            aria-current={id === here ? "page" : undefined}
            onClick={onClose}
            className={`${LINE} aria-[current]:font-semibold aria-[current]:text-ember`}
          >
            {name}
          </Link>
        ))}
        <Link to={to.shelf()} onClick={onClose} className={LINE}>
          Shelf
        </Link>
        <Link to={to.tray()} onClick={onClose} className={LINE}>
          Tray
        </Link>
      </nav>
      <button type="button" onClick={onFind} className={LINE}>
        <Search className="size-5" aria-hidden="true" /> Find
      </button>
      {TURNS.map(([way, name, Icon]) => (
        <button
          key={way}
          type="button"
          onClick={() => {
            onClose();
            onTurn(way);
          }}
          className={LINE}
        >
          <Icon className="size-5" aria-hidden="true" /> {name}
        </button>
      ))}
      <div className="flex items-center justify-between px-4 pt-1">
        <LookSwitch look={look} />
        <ModalClose className="min-h-12 px-2 text-lg font-medium">Close</ModalClose>
      </div>
    </Modal>
  );
}
