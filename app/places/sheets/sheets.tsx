import { useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import { Button } from "#app/parts/button.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { KeepersOnly } from "#app/parts/role.tsx";
import { useFocus } from "#app/parts/use-focus.ts";
import { FocusRow, MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { labelOf, partName } from "#app/wording/photo.ts";
import type { Away } from "#app/wording/sending.ts";
import { readPrintOf, tileAt } from "#core/album/tiles.ts";
import { sizeOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import { canBeParted, inParts } from "#core/sheet/gang.ts";
import type { SheetAct, SheetsAnswer } from "./acts.ts";
import { HadList } from "./had.tsx";
import { LabOrders } from "./lab-orders.tsx";
import { MadeSheets } from "./made-sheets.tsx";
import { MakeButton } from "./make-button.tsx";
import { planMat, type Shown } from "./plan-mat.ts";
import { PlanSaid } from "./plan-said.tsx";
import { PrinterForm } from "./printer-form.tsx";
import { SheetChoices } from "./sheet-choices.tsx";
import { useAct } from "./use-act.ts";
import { type Gang, madeOn, useGang } from "./use-gang.ts";
import { sheetsNow, usePrints } from "./use-prints.ts";
import type { SheetsView, Wish } from "./view.ts";
import { type Scope, WishList } from "./wish-list.tsx";

/** From prints that are wanted to whole sheets that are printed and cut; or to an order at the lab. */
export function Sheets({ view: saved }: { view: SheetsView }) {
  const { tick, pending } = usePrints();
  const view = useMemo(() => sheetsNow(saved, pending), [saved, pending]);
  const { wishes, unit, albumId, week } = view;
  const { act, answer, busy } = useAct<SheetAct, SheetsAnswer>(to.sheets(albumId));
  const [scope, setScope] = useState<Scope>("all");
  const [day, setDay] = useState<string | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = useMemo(
    () =>
      wishes.filter(({ use, date }) => {
        if (scope === "all") return true;
        if (scope === "week") return date >= week.from && date <= week.to;
        return scope === "day" ? date === (day ?? wishes[0]?.date) : !left.has(use.id);
      }),
    [wishes, scope, day, left, week],
  );
  const wants = useMemo(
    () =>
      chosen.flatMap((wish) => {
        const whole = { id: wish.use.id, size: wish.use.print, risk: risk(wish) };
        return wish.missing.length > 0 ? inParts(whole, wish.missing) : [whole];
      }),
    [chosen],
  );
  const gang = useGang(wants, view.printers, unit);
  const byUse = useMemo(() => new Map(wishes.map((wish) => [wish.use.id, wish])), [wishes]);
  const mat = useMemo(() => {
    const shownAt = (word: string): Shown | undefined => {
      const read = readPrintOf(word);
      const wish = read && byUse.get(read.id);
      if (!wish) return undefined;
      const { tile } = read;
      return {
        of: { kind: "photo", use: wish.use, tile },
        label: labelOf(wish.label, tile),
      };
    };
    return planMat(gang, shownAt, view.sheets, unit, "prints");
  }, [gang, byUse, view.sheets, unit]);
  const focus = useFocus(mat.parts);
  return (
    <Workplace
      width="usual"
      tabs={<PlaceTabs place="photos" albumId={albumId} here="sheets" />}
      panel={
        <>
          <h1 className="text-2xl">Print sheets</h1>
          <Refusal />
          <Outcome answer={answer} why={REFUSED} kept="Nothing was changed. Try again." />
          {gang.tooLarge.length > 0 && <TooLargeList gang={gang} byUse={byUse} view={view} />}
          <WishList
            albumId={albumId}
            anyMade={view.sheets.length > 0 || view.orders.length > 0}
            wishes={wishes}
            chosen={chosen}
            scope={scope}
            onScope={setScope}
            onDay={setDay}
            left={left}
            onLeft={setLeft}
            unit={unit}
            onElsewhere={(use) => tick({ how: "elsewhere", of: "photos", ids: [use], on: true })}
          />
          {wishes.length > 0 && (
            <KeepersOnly>
              <SheetChoices gang={gang} unit={unit} />
            </KeepersOnly>
          )}
          <HadList
            title="Had elsewhere"
            all={view.had}
            back="Print it after all"
            onBack={(use) => tick({ how: "elsewhere", of: "photos", ids: [use], on: false })}
          />
          <MadeSheets
            sheets={view.sheets}
            albumId={albumId}
            unit={unit}
            files="print-sheets"
            act={act}
            tick={tick}
            busy={busy}
          />
          <LabOrders view={view} chosen={chosen} act={act} tick={tick} busy={busy} />
          <KeepersOnly>
            <PrinterForm
              key={`${gang.printer.id} ${gang.printer.across} ${gang.printer.along} ${gang.printer.margin}`}
              printer={gang.printer}
              {...{ albumId, unit, act }}
            />
          </KeepersOnly>
        </>
      }
    >
      <MatStage
        label="The sheets, to scale"
        focus={<FocusRow label="Which sheet" things={mat.parts} chosen={focus.chosen} onChoose={focus.onChoose} />}
        bar={
          <>
            <PlanSaid gang={gang} wanted={chosen.length} what="prints" />
            <MakeButton
              sheets={gang.sheets.length}
              busy={busy}
              onMake={() => act({ act: "make", sheets: structuredClone(gang.sheets), ...madeOn(gang) })}
            />
          </>
        }
      >
        <Zoomed>
          <Mat mat={{ ...mat, box: focus.box ?? mat.box }} label={mat.label} className="min-h-0 w-full flex-1" />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

/** Which prints are most in need of a second one: spoiled before, then starred, then bordered ones, where a crooked cut shows. */
const risk = ({ spoiled, star, use }: Wish): number =>
  (spoiled ? 4 : 0) + (star ? 2 : 0) + (use.crop.border > 0 ? 1 : 0);

const REFUSED: Record<Exclude<Extract<SheetsAnswer, { ok: false }>["reason"], Away>, string> = {
  "changed-since":
    "Some of these prints were made or changed in another window meanwhile. Here is how it stands now; nothing was made.",
  "not-found": "That is not there any more. Here is how it stands now.",
  printed: "That sheet is printed. Say first that it is not, then put it away.",
  implausible:
    "A bar that far off is the wrong print setting or a slip of the rule. Print the test page at 100 per cent and measure again; nothing was changed.",
  "lab-refused": "The lab did not take the order. Nothing was ordered.",
};

/** What no paper takes: what would fit, or the parts it can be made in. */
function TooLargeList({ gang, byUse, view }: { gang: Gang; byUse: ReadonlyMap<string, Wish>; view: SheetsView }) {
  const { unit, albumId } = view;
  return (
    <section aria-label="Too large for the paper" className="grid gap-3 border-l-4 border-ember pl-3">
      {gang.tooLarge.map((wish) => {
        const { id, size, largest, tiles } = wish;
        const { id: use = "", tile = null } = readPrintOf(id) ?? {};
        const day = byUse.get(use)?.day ?? "A print";
        const named = (
          <Link className="link also-printed" to={to.crop(albumId, use)}>
            {day}
          </Link>
        );
        if (tile)
          return (
            <p key={id}>
              {named}, {partName(tile)}: {printSize(size, unit)} is larger than the paper. Its other parts are made
              already; choose the paper that they are on.
            </p>
          );
        const parts = tiles.across * tiles.down;
        const part = printSize(sizeOf(tileAt(size, { ...tiles, column: 0, row: 0 })), unit);
        if (gang.parted.has(id) && canBeParted(wish))
          return (
            <div key={id} className="grid justify-items-start gap-1">
              <p>
                {named}: {printSize(size, unit)} in {parts} parts of {part}. They meet edge to edge: stick a strip of
                paper behind each seam.
              </p>
              <Button small look="quiet" className="-ml-2.5" onClick={() => gang.setParted(id, false)}>
                Not in parts
              </Button>
            </div>
          );
        return (
          <div key={id} className="grid justify-items-start gap-1">
            <p>
              {named}: {printSize(size, unit)} is larger than the paper. The largest of its shape that fits is{" "}
              {printSize(largest, unit)}; or choose a larger paper.
            </p>
            {canBeParted(wish) && (
              <Button small aria-label={`Print ${day} in ${parts} parts`} onClick={() => gang.setParted(id, true)}>
                Print it in {parts} parts of {part}
              </Button>
            )}
          </div>
        );
      })}
    </section>
  );
}
