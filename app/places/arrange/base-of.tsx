import type { LeafMake } from "#core/album/leaf.ts";
import { usualOfLeaf } from "#core/album/usual-material.ts";
import { MadeOfFields } from "./made-of-fields.tsx";

type Props = {
  readonly make: LeafMake;
  readonly albumId: string;
  readonly name: string;
  readonly onChange: (change: Pick<LeafMake, "of"> & Partial<Pick<LeafMake, "basePaper">>) => void;
};

/** What the base of a leaf is made of. A paper of the drawer gives it its name, where it has none. */
export const BaseOf = ({ make, albumId, name, onChange }: Props) => (
  <MadeOfFields
    {...{ albumId, name }}
    usual={usualOfLeaf(make)}
    of={make.of}
    takes="base"
    says={null}
    look="panel"
    onTake={(of, thing) => onChange({ of, ...(thing && make.basePaper === "" ? { basePaper: thing } : {}) })}
  />
);
