import { placeTroubleSaid } from "#app/wording/making.ts";
import type { PlaceTrouble } from "#core/craft/place.ts";
import type { Unit } from "#core/measure/length.ts";

type Props = {
  readonly troubles: readonly PlaceTrouble[];
  readonly nameOfState: (id: string) => string;
  readonly unit: Unit;
};

/** Whether it works where it lies, or would lie. */
export const WorksThere = ({ troubles, nameOfState, unit }: Props) => (
  <section aria-labelledby="works-there" className="grid gap-1">
    <h2 id="works-there" className="text-lg">
      {troubles.length === 0 ? "It works there" : "There"}
    </h2>
    {troubles.length === 0 ? (
      <p className="text-sm">It fits closed, and opens clear of the rings, the cover and what lies beside it.</p>
    ) : (
      <ul className="grid gap-1 text-sm">
        {troubles.map((trouble) => {
          const words = placeTroubleSaid(trouble, nameOfState, unit);
          return <li key={words}>{words}</li>;
        })}
      </ul>
    )}
  </section>
);
