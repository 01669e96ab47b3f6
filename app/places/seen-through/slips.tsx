import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { pieceSaid } from "#app/wording/bulk.ts";
import { many } from "#app/wording/count.ts";
import { NUMERAL_COLOUR_NAME } from "#app/wording/day.ts";
import type { NumeralColour } from "#core/album/leaf.ts";
import type { Piercing } from "#core/album/made-of.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { PlacedPiece } from "#core/book/read.ts";
import type { Spread } from "#core/book/spread.ts";
import { seenThroughBase } from "#core/book/windows.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { sizeOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { Tones } from "#core/see-through/ground.ts";
import { isTryable, type SeenSlip } from "#core/see-through/slip.ts";
import { isLeft, seenSlips } from "#core/see-through/slips.ts";

type Props = {
  unit: Unit;
  spread: Spread<InBook>;
  today: CalendarDate;
  tones: Tones;
  onLeave: (leaf: string, slip: string, on: boolean) => void;
};
const NO_NAMES = new Map<string, { readonly name: string }>();

/** What is seen through film, vellum and empty pockets of this opening and may not be meant; what is left stays left. */
export function SeenThrough({ albumId, ...props }: Props & { albumId: string }) {
  const slips = seenSlips(props.spread, props.today, props.tones);
  return slips.length === 0 ? null : (
    <section aria-labelledby="seen-through" className="mt-5 grid gap-2 border-t border-line pt-4">
      <h3 id="seen-through" className="text-lg">
        Seen through
      </h3>
      <SlipList {...props} />
      {slips.some((slip) => !isLeft(slip) && isTryable(slip)) && (
        <Link to={to.seenThrough(albumId, { at: leafOf(props.spread) })} className="link justify-self-start text-sm">
          Try what would help
        </Link>
      )}
    </section>
  );
}

/** The leaf by which the book is opened there. */
export const leafOf = ({ left, right }: Spread): string => (right[0] ?? left[0])?.read.leaf.id ?? "";

/** The same as a list alone. */
export function SlipList({ spread, today, tones, unit, onLeave }: Props) {
  const slips = seenSlips(spread, today, tones);
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
              keepers
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
            keepers
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

function throughSaid(by: Piercing, piece: string): string {
  switch (by) {
    case "brad":
    case "staple":
      return `The ${by} of the ${piece} comes through the page.`;
    case "stitching":
      return `The stitches of the ${piece} show on this side.`;
    case "slit":
      return `The ${piece} comes through its slits to this side.`;
  }
}

function said(slip: SeenSlip<InBook>): string {
  const { kind, page, pieces } = slip;
  switch (kind) {
    case "over-face":
      return `The ${pieceOf(slip.over, null)} lies over a face on the print of ${ofPage(page)}.`;
    case "over-point":
      return `The ${pieceOf(slip.over, null)} lies over what the print of ${ofPage(page)} must keep.`;
    case "private":
      return `Something of ${ofPage(page)} that is not to be seen yet shows through.`;
    case "alike":
      return `The ${pieceOf(pieces[0], page)} hardly stands out: ${slip.contrast} to 1.`;
    case "busy":
      return slip.contrast === null
        ? `The ${pieceOf(pieces[0], page)} is lost on what is busy behind it.`
        : `The ${pieceOf(pieces[0], page)} is lost on what is busy behind it: ${slip.contrast} to 1.`;
    case "pierced":
      return throughSaid(slip.by, pieceOf(pieces[0], page));
    case "back":
      return `The back of the ${pieceOf(pieces[0], page)} is in sight.`;
    case "glue":
      return `Glue behind the ${pieceOf(pieces[0], page)} would be seen through it.`;
    case "glimpse":
      return `One sees ${many(pieces.length, "piece")} of ${ofPage(page)} behind it.`;
  }
}

/** `in white or in kraft`. */
const inInks = (inks: readonly NumeralColour[]): string =>
  inks.map((ink) => `in ${NUMERAL_COLOUR_NAME[ink].toLowerCase()}`).join(" or ");

function remedy(slip: SeenSlip, unit: Unit): string {
  const { kind, through, pieces } = slip;
  switch (kind) {
    case "over-face":
    case "over-point":
      return pieces.some((placed) => through[slip.face].pieces.includes(placed))
        ? "Move it, make it smaller, or crop the picture anew."
        : "Move it, make it smaller, crop the picture anew, or put vellum or plain paper between.";
    case "private":
      return "Put paper into the pocket, or plain paper between the leaves.";
    case "alike":
    case "busy": {
      const ink = slip.inks.length > 0 ? `It reads ${inInks(slip.inks.slice(0, 2))}. ` : "";
      const elsewhere = slip.isBehind ? "put vellum or plain paper between" : "put a label or vellum under it";
      return `${ink}Or lay it where it is quieter, or ${elsewhere}. Large letters need 3 to 1.`;
    }
    case "pierced": {
      const [first] = pieces;
      const size = first ? ` of ${printSize(sizeOf(first.rect), unit)}` : "";
      return `Cover it from this side with paper or a sticker${size}, before something is laid over it.`;
    }
    case "back":
      return "Cover it from this side with paper or a sticker of its shape.";
    case "glue": {
      const [hidden] = slip.mayGo;
      return hidden
        ? `Glue only where something hides it: ${printSize(sizeOf(hidden), unit)}, ${sayLength(hidden.x, unit)} from the left and ${sayLength(hidden.y, unit)} from the top.`
        : "Nothing hides it: hold it by a staple, a brad or stitches, or lay something over a corner and glue under that.";
    }
    case "glimpse":
      if (through.build.kind === "pocket") return "Fill the pocket, or put vellum between, where it is not wanted.";
      return seenThroughBase(through) === "translucent"
        ? "Put plain paper between, where it is not wanted."
        : "Put vellum or plain paper between, where it is not wanted.";
  }
}
