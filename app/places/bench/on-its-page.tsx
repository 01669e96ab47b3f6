import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { SelectField } from "#app/parts/field.tsx";
import { leafName } from "#app/places/arrange/boards.ts";
import type { Built } from "#core/album/leaf.ts";
import { CRAFTS, craftOf } from "#core/craft/catalog.ts";
import type { Craft } from "#core/craft/craft.ts";
import type { Unit } from "#core/measure/length.ts";
import type { There } from "./there.ts";

type Props = { of: Craft; there: There; was: Built; albumId: string; unit: Unit };

/** Where it lies, what it may become there, and another like it elsewhere. */
export function OnItsPage({ of, there: { read, face, placed }, was, albumId, unit }: Props) {
  const navigate = useNavigate();
  const at = { leaf: read.leaf.id, face, piece: placed.piece.id };
  return (
    <>
      <p className="text-sm">
        It lies on {leafName(read, unit)}, {face}.
        {was.kind !== of.kind && ` It is a ${craftOf(was.kind)?.name.toLowerCase()} there until you change it.`}
      </p>
      <SelectField
        label="Turn it into"
        hint="What it carries goes along."
        value={of.kind}
        onChange={({ target: { value } }) => navigate(to.making(albumId, value, at))}
      >
        {CRAFTS.map(({ kind, name }) => (
          <option key={kind} value={kind}>
            {name}
          </option>
        ))}
      </SelectField>
      <Link to={to.making(albumId, of.kind, { like: placed.piece.id })} className="link justify-self-start text-sm">
        Another like it, for another day
      </Link>
    </>
  );
}
