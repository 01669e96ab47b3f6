import { useMemo } from "react";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { SpreadThumb } from "#app/places/book/thumb.tsx";
import { sayThin } from "#app/wording/bulk.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { InBook } from "#core/book/dated-page.ts";
import type { BookEdit } from "#core/book/edit.ts";
import type { LeafRead } from "#core/book/read.ts";
import type { Spread } from "#core/book/spread.ts";
import type { Unit } from "#core/measure/length.ts";
import { BETWEEN, putBetween, spreadWith, thicknessOfBetween } from "#core/see-through/between.ts";
import type { SeenSlip } from "#core/see-through/slips.ts";

type Props = {
  slip: SeenSlip<InBook>;
  spread: Spread<InBook>;
  leaves: readonly LeafRead<InBook>[];
  format: AlbumFormat;
  unit: Unit;
  onTake: (edit: BookEdit) => void;
};

const NAME = { vellum: "Vellum between", paper: "Plain paper between" } as const;

/** What is seen, side by side with what would be: nothing between, vellum, paper; each with what it costs in thickness. */
export function TryIt({ slip, spread, leaves, format, unit, onTake }: Props) {
  const tried = useMemo(
    () =>
      BETWEEN.flatMap((kind) => {
        const after = spreadWith(leaves, spread, slip, kind, format);
        return after ? [{ kind, after }] : [];
      }),
    [leaves, spread, slip, format],
  );
  return (
    <ul className="col-span-full grid gap-4 wide:grid-cols-3">
      <li className="grid content-start gap-2">
        <span className="bg-mat p-2">
          <SpreadThumb spread={spread} format={format} isLarge />
        </span>
        <span className="text-sm">As it is</span>
      </li>
      {tried.map(({ kind, after }) => (
        <li key={kind} className="grid content-start gap-2">
          <span className="bg-mat p-2">
            <SpreadThumb spread={after} format={format} isLarge />
          </span>
          <span className="flex flex-wrap items-center justify-between gap-2 text-sm">
            <span>
              {NAME[kind]}
              <span className="block text-quiet">{sayThin(thicknessOfBetween(kind), unit)} thicker</span>
            </span>
            <Button
              small
              aria-label={`Put ${kind === "vellum" ? "vellum" : "plain paper"} there`}
              onClick={() =>
                onTake(
                  putBetween(
                    leaves.map(({ leaf }) => leaf),
                    slip,
                    kind,
                    newId(),
                  ),
                )
              }
            >
              Put it there
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}
