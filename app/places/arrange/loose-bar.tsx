import { MatButton } from "#app/parts/mat-button.tsx";
import type { BesideItem, Board } from "./boards.ts";
import { targetFor, whyNoRoom } from "./targets.ts";

type Props = {
  readonly item: BesideItem;
  readonly boards: readonly Board[];
  readonly onPut: () => void;
};

const WHY = {
  "other-kind": "The rooms left are kept for something else.",
  "other-shape": "It would lose more than a quarter in the rooms left; drop it on one to use it all the same.",
};

/** What can be done with something that lies beside, and where it would go. */
export function LooseBar({ item: { loose, name }, boards, onPut }: Props) {
  const target = targetFor(boards, loose, null, true);
  const why = whyNoRoom(boards, loose);
  const goes = !target
    ? "There is no page yet to put it on."
    : "room" in target
      ? "A room is kept for it."
      : target.board.read[target.board.face].pockets.length > 0 && "pocket" in target
        ? "It goes into the first free pocket."
        : "It goes where nothing lies yet.";
  return (
    <div className="mat-bar">
      <p className="basis-full">
        <strong className="font-semibold">{name}, beside.</strong> {why && `${WHY[why]} `}
        {goes}
      </p>
      {target && (
        <MatButton strong onClick={onPut} keys="Enter">
          Put it on
        </MatButton>
      )}
    </div>
  );
}
