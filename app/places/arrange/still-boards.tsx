import { Mat } from "#app/drawing/mat.tsx";
import { stillMat } from "#app/drawing/mat-text.ts";
import { useIsKeeper } from "#app/parts/role.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import type { Arranger } from "./arranger.tsx";
import { stillThings } from "./boards.ts";

type Props = Pick<Parameters<typeof Arranger>[0], "boards" | "box" | "format" | "unit" | "label" | "name">;

/** Boards that hold still: as the server sends them until they can be taken up, and for whoever may not move what lies there. */
export function StillBoards({ boards, box, format, unit, label, name }: Props) {
  const isKeeper = useIsKeeper();
  const nobodys = { content: null, label: "" };
  // What the server drew is left as it is, for the moment until the pieces can be taken up.
  const mat =
    import.meta.env.SSR || !isKeeper
      ? stillMat(stillThings({ boards, beside: [] }, format, nobodys), unit, false, `still-${name}`, box)
      : { box, drawing: "" };
  return (
    // The bar that comes with the pieces has its room already.
    <div className={`flex min-h-0 flex-1 flex-col ${isKeeper ? "pb-28" : ""}`}>
      <Zoomed>
        <Mat mat={mat} label={label} />
      </Zoomed>
    </div>
  );
}
