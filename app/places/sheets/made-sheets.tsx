import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { WriteFile } from "#app/places/background/write-file.tsx";
import { paperName } from "#core/sheet/paper.ts";
import type { SheetAct } from "./acts.ts";
import type { PrintTick } from "./use-prints.ts";
import type { MadeSheet, SheetsView } from "./view.ts";

type Props = Pick<SheetsView, "sheets" | "albumId" | "unit"> & {
  /** Where the PDFs of these sheets are. */
  readonly files: "print-sheets" | "card-sheets";
  readonly act: (act: SheetAct) => void;
  readonly tick: (tick: PrintTick) => void;
  readonly busy: boolean;
};

/** How far a sheet is, in a few words. */
function saidOf({ printedAt, cuts, cutsDone, prints }: MadeSheet): string {
  const spoiled = prints.filter(({ state }) => state === "spoiled").length;
  const far =
    printedAt === null
      ? "to be printed"
      : cutsDone.length === 0
        ? "printed"
        : cutsDone.length < cuts.length
          ? `${cutsDone.length} of ${cuts.length} cuts made`
          : "cut";
  return spoiled > 0 ? `${far}, ${spoiled} spoiled` : far;
}

/** Sheets that were made: to print, to say they are printed, to cut. */
export function MadeSheets({ sheets, albumId, unit, files, act, tick, busy }: Props) {
  if (sheets.length === 0) return null;
  const file = (name: string) => to.document(albumId, files, `${name}.pdf`);
  const unprinted = sheets.filter(({ printedAt }) => printedAt === null);
  return (
    <section aria-label="Sheets made" className="grid gap-2 border-t border-line pt-4">
      <h2 className="text-lg">Sheets made</h2>
      {unprinted.length > 1 && (
        <div className="flex flex-wrap items-start gap-2">
          <WriteFile
            key={unprinted.map(({ id }) => id).join()}
            wanted={{ kind: "write-document", albumId, document: { kind: files, which: "to-print" } }}
            action={`All ${unprinted.length} to print, as one PDF`}
          />
          <Button small onClick={() => tick({ how: "printed", sheets: unprinted.map(({ id }) => id), on: true })}>
            All {unprinted.length} are printed
          </Button>
        </div>
      )}
      <ol className="grid">
        {sheets.map((sheet) => (
          <li key={sheet.id} className="grid gap-1.5 border-b border-line py-2.5 last:border-0">
            <p className="flex items-baseline gap-2">
              <span className="font-numeral text-lg font-semibold">{sheet.number}</span>
              <span className="text-sm">
                {sheet.prints.length} {sheet.of === "cards" ? "card" : "print"}
                {sheet.prints.length === 1 ? "" : "s"} on {paperName(sheet.paper, unit)}
              </span>
              <span className="ml-auto text-sm text-quiet">{saidOf(sheet)}</span>
            </p>
            <div className="flex flex-wrap gap-2">
              <a className={buttonLook("plain", true)} href={file(String(sheet.number))} download>
                PDF<span className="sr-only"> of sheet {sheet.number}</span>
              </a>
              {sheet.printedAt === null ? (
                <>
                  <Button
                    small
                    aria-label={`Sheet ${sheet.number} is printed`}
                    onClick={() => tick({ how: "printed", sheets: [sheet.id], on: true })}
                  >
                    It is printed
                  </Button>
                  <Button
                    small
                    look="quiet"
                    keepers
                    disabled={busy}
                    aria-label={`Put sheet ${sheet.number} away`}
                    onClick={() => act({ act: "drop", sheet: sheet.id })}
                  >
                    Put it away
                  </Button>
                </>
              ) : (
                <Button
                  small
                  look="quiet"
                  aria-label={`Sheet ${sheet.number} is not printed after all`}
                  onClick={() => tick({ how: "printed", sheets: [sheet.id], on: false })}
                >
                  Not printed after all
                </Button>
              )}
              <Link
                className={buttonLook(
                  sheet.printedAt && sheet.cutsDone.length < sheet.cuts.length ? "main" : "plain",
                  true,
                )}
                to={to.cutting(albumId, sheet.id)}
              >
                Cut<span className="sr-only"> sheet {sheet.number}</span>
              </Link>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
