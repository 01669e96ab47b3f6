import { SelectField } from "#app/parts/field.tsx";
import { Options } from "#app/parts/options.tsx";
import type { LeafMake } from "#core/album/leaf.ts";
import { offeredLayouts } from "#core/book/layout.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize, type Size, sameSize } from "#core/measure/size.ts";

type Props = {
  readonly label: string;
  readonly make: LeafMake;
  /** The household's own layouts. */
  readonly own: readonly { readonly id: string; readonly name: string; readonly page: Size }[];
  /** The album's page. */
  readonly album: Size;
  readonly unit: Unit;
  readonly onPick: (change: Partial<LeafMake>) => void;
};

/** The pockets of a page. Own ones of a smaller page are offered too, and make the leaf as small. */
export function PocketsField({ label, make, own, album, unit, onPick }: Props) {
  const offered = offeredLayouts(own, make.size ?? album, album);
  return (
    <SelectField
      label={label}
      value={make.layout ?? ""}
      onChange={(event) => {
        const layout = event.target.value;
        const page = offered.find(({ id }) => id === layout)?.page;
        onPick(page ? { layout, size: sameSize(page, album) ? null : page } : { layout });
      }}
    >
      <Options
        all={offered.map(
          ({ id, name, page }) => [id, page ? `${name}, a leaf of ${printSize(page, unit)}` : name] as const,
        )}
      />
    </SelectField>
  );
}
