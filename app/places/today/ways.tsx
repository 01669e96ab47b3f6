import { useState } from "react";
import type { Look } from "#app/parts/look-switch.tsx";
import { useMedia } from "#app/parts/use-media.ts";
import { LateFind, LateMore } from "#app/places/album/late-dialogs.tsx";
import { PhoneBar } from "#app/places/album/phone-bar.tsx";
import { TurnBar } from "#app/places/album/turn-bar.tsx";
import { useTurn } from "#app/places/album/use-turn.ts";
import { ofAlbum, useSending } from "#app/sending/sending.tsx";
import type { TodayView } from "./view.ts";

type Props = {
  readonly album: NonNullable<TodayView["album"]>;
  readonly dayDate: string;
  readonly look: Look;
  readonly phone: boolean;
  /** Something is being taken back: what was said of it before is true no longer. */
  readonly onTakeBack: () => void;
};

/** From today to the rest of its album, as on every page of the album: the bar, what lies behind More, and Take back. */
export function Ways({ album, dayDate, look, phone, onTakeBack }: Props) {
  const [open, setOpen] = useState<"more" | "find" | null>(null);
  const narrow = useMedia("(max-width: 899.9px)", phone);
  const { state } = useSending();
  const turning = useTurn(album.id, ofAlbum(state, album.id).entries.length > 0);
  return (
    <>
      <div className="-mx-4 -mt-4">
        <TurnBar turn={turning} albumId={album.id} />
      </div>
      <PhoneBar albumId={album.id} dayDate={dayDate} here="today" drawn={narrow} onMore={() => setOpen("more")} />
      {open === "more" && (
        <LateMore
          albumId={album.id}
          dayDate={dayDate}
          here={null}
          look={look}
          onFind={() => setOpen("find")}
          onTurn={(way) => {
            onTakeBack();
            turning.turn(way);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === "find" && (
        <LateFind albumId={album.id} rows={album.rows} dayDate={dayDate} onClose={() => setOpen(null)} />
      )}
    </>
  );
}
