import { useState } from "react";
import type { Look } from "#app/parts/look-switch.tsx";
import { useMedia } from "#app/parts/use-media.ts";
import { LateFind, LateMore } from "#app/places/album/late-dialogs.tsx";
import { PhoneBar } from "#app/places/album/phone-bar.tsx";
import { useUndo } from "#app/places/album/use-undo.ts";
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
  const undo = useUndo(album.id);
  return (
    <>
      {undo.said && (
        <p role="status" className="-mx-4 -mt-4 bg-panel px-4 py-2 text-sm">
          {undo.said}
        </p>
      )}
      <PhoneBar albumId={album.id} dayDate={dayDate} here="today" drawn={narrow} onMore={() => setOpen("more")} />
      {open === "more" && (
        <LateMore
          albumId={album.id}
          dayDate={dayDate}
          here={null}
          look={look}
          onFind={() => setOpen("find")}
          onTakeBack={() => {
            onTakeBack();
            undo.take();
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
