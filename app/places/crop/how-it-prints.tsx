import { Button } from "#app/parts/button.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { Why } from "#app/parts/why.tsx";
import { many } from "#app/wording/count.ts";
import { SHARPNESS } from "#app/wording/photo.ts";
import { whySharp } from "#app/wording/why.ts";
import { PRINT_SIZES } from "#core/album/formats.ts";
import type { PhotoUse } from "#core/album/model.ts";
import { inches, type Unit } from "#core/measure/length.ts";
import { printSize, type Size, size, turned } from "#core/measure/size.ts";
import {
  frameFor,
  largestAt,
  lostOf,
  type PictureFacts,
  type PrintCrop,
  pixelsPerInch,
  pixelsShown,
  verdictOn,
} from "#core/photo/crop.ts";
import { repeatsOf } from "#core/photo/repeat.ts";

/** A print is offered turned where that shows this much more of its picture, as a share of its area. */
const WORTH_TURNING = 0.05;

/** Sizes that patterned papers are sold in, or pictures of them are taken of. */
const PATTERNS: readonly Size[] = [
  size(inches(6), inches(6)),
  size(inches(6), inches(8)),
  size(inches(8), inches(8)),
  size(inches(12), inches(12)),
];

/** Whether the picture fills the print once, or is a pattern that is repeated over it at a size of its own. */
export function Repeated({
  use,
  unit,
  onRepeat,
}: {
  use: PhotoUse;
  unit: Unit;
  onRepeat: (repeat: Size | null) => void;
}) {
  const { repeat } = use;
  const { across, down } = repeatsOf(use);
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <select
        aria-label="Once, or as a pattern"
        className="field w-auto py-1 text-sm"
        value={repeat ? "pattern" : "once"}
        onChange={(event) => onRepeat(event.target.value === "once" ? null : (PATTERNS[1] ?? null))}
      >
        <option value="once">The picture once</option>
        <option value="pattern">A pattern, repeated every</option>
      </select>
      {repeat && (
        <>
          <SizePicker label="One repetition" value={repeat} choices={PATTERNS} unit={unit} onPick={onRepeat} />
          <span className="text-quiet">
            {many(across * down, "time", "times")}, {across} across and {down} down
          </span>
        </>
      )}
    </div>
  );
}

/** Offers the print turned, where that shows clearly more of the picture. */
export function Turned({
  facts,
  print,
  crop,
  onPrint,
}: {
  facts: PictureFacts;
  print: Size;
  crop: PrintCrop;
  onPrint: (print: Size) => void;
}) {
  const other = turned(print);
  const [now, then] = [print, other].map((each) => lostOf(frameFor(facts, each, crop)).area);
  if (now === undefined || then === undefined || now - then < WORTH_TURNING) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <Button small onClick={() => onPrint(other)}>
        Turn the print
      </Button>
      <span className="text-sm text-quiet">
        {then < 0.005 ? "Then nothing is lost." : `Then ${percent(then)} is lost.`}
      </span>
    </div>
  );
}

const percent = (share: number) => `${Math.max(1, Math.round(share * 100))} %`;

/** What a crop loses, and at which edges. */
export function Lost({ lost }: { lost: ReturnType<typeof lostOf> }) {
  const edges = (["left", "right", "top", "bottom"] as const).filter((edge) => lost[edge] >= 0.005);
  const said = { left: "on the left", right: "on the right", top: "at the top", bottom: "at the bottom" };
  return (
    <p aria-live="polite">
      {edges.length === 0 ? (
        <strong className="font-semibold">Nothing is lost.</strong>
      ) : (
        <>
          <strong className="font-semibold">{percent(lost.area)} is lost</strong>:{" "}
          {edges.map((edge) => `${percent(lost[edge])} ${said[edge]}`).join(", ")}.
        </>
      )}
    </p>
  );
}

export function Pixels({
  facts,
  print,
  crop,
  unit,
  onPrint,
}: {
  facts: Parameters<typeof pixelsPerInch>[0];
  print: Size;
  crop: PrintCrop;
  unit: Unit;
  /** Takes another size of print; null where that is not what is asked. */
  onPrint: ((print: Size) => void) | null;
}) {
  const ppi = pixelsPerInch(facts, print, crop);
  const verdict = verdictOn(ppi);
  const smaller = verdict === "soft" || verdict === "just" ? largestAt(facts, print, crop, 200) : null;
  const inside =
    smaller && PRINT_SIZES.filter(({ w, h }) => w <= smaller.w && h <= smaller.h && w >= h === print.w >= print.h);
  const best = inside?.reduce<Size | null>((a, b) => (!a || b.w * b.h > a.w * a.h ? b : a), null);
  return (
    <p aria-live="polite">
      <strong className="font-semibold tabular-nums">{Math.round(ppi)} pixels an inch.</strong> {SHARPNESS[verdict]}.
      <Why of="how sharp it prints" reckoning={whySharp(pixelsShown(facts, print, crop), print, ppi, verdict, unit)} />{" "}
      {best && onPrint && (
        <Button small look="quiet" onClick={() => onPrint(best)}>
          Print it at {printSize(best, unit)}
        </Button>
      )}
    </p>
  );
}
