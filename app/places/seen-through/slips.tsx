import { Button } from "#app/parts/button.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { pieceSaid } from "#app/wording/bulk.ts";
import { many } from "#app/wording/count.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { PlacedPiece } from "#core/book/read.ts";
import type { Spread } from "#core/book/spread.ts";
import { seenThroughBase } from "#core/book/windows.ts";
import type { Unit } from "#core/measure/length.ts";
import { sizeOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { isLeft, type SeenSlip, seenSlips } from "#core/see-through/slips.ts";

type Props = {
  unit: Unit;
  spread: Spread<InBook>;
  today: CalendarDate;
  onLeave: (leaf: string, slip: string, on: boolean) => void;
};
const NO_NAMES = new Map<string, { readonly name: string }>();

/** What is seen through film, vellum and empty pockets of this opening and may not be meant; what is left stays left. */
export function SeenThrough(props: Props) {
  return seenSlips(props.spread, props.today).length === 0 ? null : (
    <section aria-labelledby="seen-through" className="mt-5 grid gap-2 border-t border-line pt-4">
      <h3 id="seen-through" className="text-lg">
        Seen through
      </h3>
      <SlipList {...props} />
    </section>
  );
}

/** The same as a list alone. */
export function SlipList({ spread, today, unit, onLeave }: Props) {
  const slips = seenSlips(spread, today);
  const open = slips.filter((slip) => !isLeft(slip));
  const left = slips.filter(isLeft);
  return (
    <>
      <ul className="grid gap-2 text-sm">
        {open.map((slip) => (
          <li
            key={`${slip.through.leaf.id} ${slip.face} ${slip.slip}`}
            className="grid gap-1 border-b border-line pb-2"
          >
            <span className={slip.kind === "private" ? "font-medium text-ember" : ""}>{said(slip)}</span>
            <span className="text-quiet">{remedy(slip, unit)}</span>
            <Button
              small
              className="justify-self-start"
              onClick={() => onLeave(slip.through.leaf.id, slip.slip, true)}
              aria-label={`Leave it: ${said(slip)}`}
            >
              {slip.kind === "glimpse" ? "It is wanted" : "Leave it"}
            </Button>
          </li>
        ))}
      </ul>
      {left.length > 0 && (
        <p className="flex flex-wrap items-baseline gap-x-3 text-sm text-quiet">
          {many(left.length, "thing", "things")} left as {left.length === 1 ? "it is" : "they are"}.
          <Button
            small
            look="quiet"
            onClick={() => {
              for (const { through, slip } of left) onLeave(through.leaf.id, slip, false);
            }}
          >
            Say {left.length === 1 ? "it" : "them"} again
          </Button>
        </p>
      )}
    </>
  );
}

const ofPage = (page: InBook | null): string => (page ? inBookName(page) : "another leaf");

function pieceOf(placed: PlacedPiece | undefined, page: InBook | null): string {
  return placed ? pieceSaid({ piece: placed.piece, page }, NO_NAMES) : "a piece";
}

function said({ kind, page, pieces, over }: SeenSlip<InBook>): string {
  switch (kind) {
    case "over-face":
      return `The ${pieceOf(over ?? undefined, null)} lies over a face on the print of ${ofPage(page)}.`;
    case "over-point":
      return `The ${pieceOf(over ?? undefined, null)} lies over what the print of ${ofPage(page)} must keep.`;
    case "private":
      return `Something of ${ofPage(page)} that is not to be seen yet shows through.`;
    case "pierced":
      return `The back of the ${pieceOf(pieces[0], page)} comes through the page.`;
    case "back":
      return `The back of the ${pieceOf(pieces[0], page)} is in sight.`;
    case "glimpse":
      return `One sees ${many(pieces.length, "piece")} of ${ofPage(page)} behind it.`;
  }
}

function remedy({ kind, through, pieces }: SeenSlip, unit: Unit): string {
  switch (kind) {
    case "over-face":
    case "over-point":
      return "Move it, make it smaller, crop the picture anew, or put vellum or plain paper between.";
    case "private":
      return "Put paper into the pocket, or plain paper between the leaves.";
    case "pierced": {
      const [first] = pieces;
      const size = first ? ` of ${printSize(sizeOf(first.rect), unit)}` : "";
      return `Cover it from this side with paper or a sticker${size}, before something is laid over it.`;
    }
    case "back":
      return "Cover it from this side with paper or a sticker of its shape.";
    case "glimpse":
      if (through.build.kind === "pocket") return "Fill the pocket, or put vellum between, where it is not wanted.";
      return seenThroughBase(through) === "translucent"
        ? "Put plain paper between, where it is not wanted."
        : "Put vellum or plain paper between, where it is not wanted.";
  }
}
