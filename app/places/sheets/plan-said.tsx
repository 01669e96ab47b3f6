import { Why } from "#app/parts/why.tsx";
import { many } from "#app/wording/count.ts";
import { whySheets } from "#app/wording/why.ts";
import type { Gang } from "./use-gang.ts";

/** How many sheets and cuts the plan has, whether fewer are possible, and how to stop looking. */
export function PlanSaid({ gang, wanted, what }: { gang: Gang; wanted: number; what: "prints" | "cards" }) {
  const { packing, sheets, cuts, spares } = gang;
  if (wanted === 0) return <p>Nothing is waiting to be printed here.</p>;
  if (gang.noPaper) return <p>Choose a paper with room for {what} inside the printer’s white edge.</p>;
  if (sheets.length === 0)
    return <p role="status">{packing.state === "looking" ? `Laying the ${what} on sheets.` : "Nothing to lay."}</p>;
  const proven = packing.plan?.proven
    ? "No plan has fewer sheets: that is proven"
    : packing.plan && sheets.length === packing.plan.atLeast + 1
      ? `At least ${packing.plan.atLeast} are needed`
      : "";
  return (
    <div role="status" className="grid">
      <p className="font-numeral text-xl font-semibold">
        {many(sheets.length, "sheet")}, {cuts} cuts
      </p>
      <p className="text-on-soot-quiet">
        {[proven, spares > 0 && `${many(spares, "spare")} in what was left over`].filter(Boolean).join("; ")}
        {packing.state === "looking" && (
          <>
            {" "}
            {packing.plan?.proven ? "Looking for fewer cuts." : "Looking for fewer sheets."}{" "}
            <button type="button" className="underline" onClick={packing.stop}>
              That will do
            </button>
          </>
        )}
        {packing.plan && (
          <Why of="how many sheets" reckoning={whySheets(sheets.length, packing.plan.atLeast, packing.plan.proven)} />
        )}
      </p>
    </div>
  );
}
