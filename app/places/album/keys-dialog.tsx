import { Dialog } from "radix-ui";
import { Link, useParams } from "react-router";
import { to } from "#app/addresses.ts";
import { useOpener } from "#app/parts/focus.ts";
import { PLACES } from "#app/places.ts";

const KEYS = [
  ["← →", "The day before, the day after"],
  ["Enter", "On the dial: open the chosen day"],
  ["Home, End", "On the dial: first and last day"],
  ["Ctrl or Cmd + Z", "Take your last change back"],
  ["with Shift", "Do again what was taken back"],
  ["Tab", "From field to field, from piece to piece"],
  ["← → ↑ ↓", "On a piece: a sixteenth of an inch or a millimetre; with Shift, eight times that"],
  ["T", "On a piece: turn it by a quarter"],
  ["[ ]", "On a piece: back, forward"],
  ["P", "On a piece: into the next pocket"],
  ["O", "On something that opens: open it, further, and close it"],
  ["← → Home End", "Leafing through: turn the page, to the first, to the last; O opens what opens there"],
  ["Enter", "On something beside the page: put it on"],
  ["Delete", "On a piece: take it off the page"],
  ["Alt", "Held while dragging: no snapping"],
  ["Space, ← →", "On a leaf of the strip: take it up, carry it"],
  ["↑ ↓", "On the roll: from picture to picture; S star, B bank, A set aside, D onto its day"],
  ["+ −", "On a drawing: nearer, farther; the wheel with Ctrl does the same"],
  ["← → ↑ ↓", "On a crop: slide the picture; with Shift, faster"],
  ["Space", "At the trimmer: this cut is made"],
  ["/", "Find a place, a day, a word, a picture, a setting"],
  [PLACES.map(({ key }) => key).join(" "), PLACES.map(({ name }) => name).join(", ")],
  ["?", "This list"],
] as const;

export function KeysDialog({ onClose }: { onClose: () => void }) {
  const { giveBack } = useOpener();
  const { album } = useParams();
  return (
    <Dialog.Root open onOpenChange={(open) => open || onClose()} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          className="fixed top-1/2 left-1/2 z-30 w-[min(92vw,26rem)] -translate-1/2 rounded-md border border-edge bg-panel p-6"
          aria-describedby={undefined}
          onCloseAutoFocus={giveBack}
        >
          <Dialog.Title className="mb-4 text-xl">Keys</Dialog.Title>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          {album && (
            <p className="pt-4 text-sm">
              <Link to={to.part(album, "craft")} onClick={onClose} className="link">
                The craft’s words
              </Link>
            </p>
          )}
          <Dialog.Close className="mt-5 min-h-10 underline decoration-edge underline-offset-3 hover:text-ember">
            Close
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
