import { useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { Said } from "#app/parts/said.tsx";
import { useFocus } from "#app/parts/use-focus.ts";
import { FocusRow, MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import type { SheetAct, SheetsAnswer } from "#app/places/sheets/acts.ts";
import { HadList } from "#app/places/sheets/had.tsx";
import { MadeSheets } from "#app/places/sheets/made-sheets.tsx";
import { MakeButton } from "#app/places/sheets/make-button.tsx";
import { planMat } from "#app/places/sheets/plan-mat.ts";
import { PlanSaid } from "#app/places/sheets/plan-said.tsx";
import { SheetChoices } from "#app/places/sheets/sheet-choices.tsx";
import { sheetsMat } from "#app/places/sheets/sheet-drawing.ts";
import { useAct } from "#app/places/sheets/use-act.ts";
import { type Gang, madeOn, useGang } from "#app/places/sheets/use-gang.ts";
import { sheetNow, usePrints, wishesNow } from "#app/places/sheets/use-prints.ts";
import { isAway, nothingDone } from "#app/wording/sending.ts";
import type { Card } from "#core/album/model.ts";
import { cardMarks } from "#core/draw/card.ts";
import { printSize } from "#core/measure/size.ts";
import { type LyingCard, layOnCarriers } from "#core/sheet/card-sheet.ts";
import { PRINT_PAPERS, paperName, printableOf } from "#core/sheet/paper.ts";
import { isMeasured } from "#core/sheet/printer.ts";
import type { CardSheetsAnswer } from "./acts.ts";
import { Carrier } from "./carrier.tsx";
import type { CardSheetsView, CardWish } from "./view.ts";

/** Cards to print as they are with everything said of them that is on its way. */
function cardSheetsNow(view: CardSheetsView, pending: ReturnType<typeof usePrints>["pending"]): CardSheetsView {
  if (pending.length === 0) return view;
  const said = ({ card }: CardWish) => ({ id: card.id, said: printSize(card.size, view.unit) });
  const { wishes, had } = wishesNow(view, "cards", pending, said);
  const carried = wishesNow({ wishes: view.carried, had }, "cards", pending, said);
  return {
    ...view,
    ...{ wishes, carried: carried.wishes, had: carried.had },
    sheets: view.sheets.map((sheet) => sheetNow(sheet, pending)),
  };
}

/**
 * Lays a card out and draws nothing. Each is a step of its own of the page's coming alive, with room between for a hand; the
 * sheet then finds them laid.
 */
function LaidAhead({ card }: { card: Card }) {
  useMemo(() => cardMarks(card, "front"), [card]);
  return null;
}

/** From written cards to sheets that are cut, or to words printed onto cards that have a print of their own. */
export function CardSheets({ view: saved }: { view: CardSheetsView }) {
  const { tick, pending } = usePrints();
  const view = useMemo(() => cardSheetsNow(saved, pending), [saved, pending]);
  const { albumId, unit, wishes, carried, printers, sheets } = view;
  const made = useAct<object, CardSheetsAnswer>(to.cardSheets(albumId));
  const { act, busy } = useAct<SheetAct, SheetsAnswer>(to.sheets(albumId));
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [asked, setOnCarrier] = useState<boolean | null>(null);
  const onCarrier = carried.length > 0 && (asked ?? wishes.length === 0);
  const [carrierPaper, setCarrierPaper] = useState<string>(unit === "inch" ? "letter" : "a4");
  const chosen = useMemo(() => wishes.filter(({ card }) => !left.has(card.id)), [wishes, left]);
  const wants = useMemo(
    () => chosen.map(({ card, spoiled }) => ({ id: card.id, size: card.size, risk: spoiled ? 1 : 0 })),
    [chosen],
  );
  const gang = useGang(wants, printers, unit);
  const { printer } = gang;
  const carrying = useMemo(() => {
    const paper = PRINT_PAPERS.find(({ id }) => id === carrierPaper)?.size;
    const printable = paper && printableOf(paper, printer, printer.bar);
    const picked = carried.filter(({ card }) => !left.has(card.id)).map(({ card }) => card);
    return paper && printable ? { paper, ...layOnCarriers(picked, paper, printable) } : null;
  }, [carried, carrierPaper, printer, left]);
  const mat = useMemo(() => {
    if (onCarrier && carrying) return carrierMat(carrying, view);
    const shown = new Map(
      wishes.map(({ card }) => [card.id, { of: { kind: "card" as const, card }, label: "" }] as const),
    );
    return planMat(gang, (id) => shown.get(id), sheets, unit, "cards");
  }, [onCarrier, carrying, gang, wishes, view, sheets, unit]);
  const focus = useFocus(mat.parts);
  const { answer } = made;
  const anyBack = chosen.some(({ card }) => card.back.trim() !== "");
  const turn = (id: string) => setLeft(new Set(left.has(id) ? [...left].filter((each) => each !== id) : [...left, id]));
  return (
    <Workplace
      width="usual"
      tabs={<PlaceTabs place="words" albumId={albumId} here="card-sheets" />}
      panel={
        <>
          <h1 className="text-2xl">Print cards</h1>
          {wishes.map(({ card }) => (
            <LaidAhead key={card.id} card={card} />
          ))}
          <Refusal />
          {answer &&
            (answer.ok ? (
              <Said good>{answer.said}</Said>
            ) : (
              <Said good={false}>
                {isAway(answer.reason)
                  ? nothingDone(answer.reason, "Nothing was made. Try again.")
                  : "Some of these cards were made or changed in another window meanwhile. Here is how it stands now; nothing was made."}
              </Said>
            ))}
          {gang.tooLarge.map(({ id, largest }) => (
            <p key={id} className="border-l-4 border-ember pl-3 text-sm">
              {wishes.find(({ card }) => card.id === id)?.day}: larger than the paper. The largest of its shape that
              fits is {printSize(largest, unit)}; or choose a larger paper.
            </p>
          ))}
          {onCarrier ? (
            <Carrier
              albumId={albumId}
              paper={carrierPaper}
              onPaper={(paper) => {
                setCarrierPaper(paper);
                setOnCarrier(true);
              }}
              sheets={carrying?.sheets ?? []}
              tooLarge={carrying?.tooLarge.length ?? 0}
              onDone={(ids) => tick({ how: "elsewhere", of: "cards", ids: [...ids], on: true })}
            >
              <Picks wishes={carried} left={left} onTurn={turn} view={view} name="Cards for a carrier" />
            </Carrier>
          ) : (
            <ToCut {...{ wishes, left, view, gang, anyBack }} onTurn={turn} anyMade={sheets.length > 0} />
          )}
          {carried.length === 0 && (
            <section aria-label="Carrier sheet" className="grid gap-1 border-t border-line pt-3 text-sm">
              <h2 className="text-lg">Carrier sheet</h2>
              <p>
                Words onto cards that have a print of their own: the cards are stuck to a sheet and go through the
                printer on it. Say of a card, under “What the card is”, that it has its own print, and it is offered
                here.{" "}
                <Link className="link" to={`${to.part(albumId, "craft")}#carrier-sheet`}>
                  How it goes
                </Link>
              </p>
            </section>
          )}
          <HadList
            title="Words printed on their cards"
            all={view.had}
            back="Not after all"
            onBack={(card) => tick({ how: "elsewhere", of: "cards", ids: [card], on: false })}
          />
          <MadeSheets
            sheets={sheets}
            albumId={albumId}
            unit={unit}
            files="card-sheets"
            act={act}
            tick={tick}
            busy={busy}
          />
          <p className="border-t border-line pt-3 text-sm text-quiet">
            {isMeasured(printer) ? "Made up for how your printer stretches." : "Your printer has not been measured."}{" "}
            <Link className="link" to={to.sheets(albumId)}>
              The scale test page
            </Link>{" "}
            lies with the print sheets.
          </p>
        </>
      }
    >
      <MatStage
        label="The sheets, to scale"
        focus={<FocusRow label="Which sheet" things={mat.parts} chosen={focus.chosen} onChoose={focus.onChoose} />}
        bar={
          <>
            {carried.length > 0 && (
              <div className="flex gap-2">
                <button
                  type="button"
                  className="mat-button"
                  aria-pressed={!onCarrier}
                  onClick={() => setOnCarrier(false)}
                >
                  Sheets to cut
                </button>
                <button
                  type="button"
                  className="mat-button"
                  aria-pressed={onCarrier}
                  onClick={() => setOnCarrier(true)}
                >
                  Carrier
                </button>
              </div>
            )}
            {onCarrier ? (
              <p role="status" className="font-numeral text-xl font-semibold">
                {carrying?.sheets.flat().length ?? 0} {carrying?.sheets.flat().length === 1 ? "card" : "cards"} on{" "}
                {carrying?.sheets.length ?? 0} {carrying?.sheets.length === 1 ? "carrier" : "carriers"}
              </p>
            ) : (
              <PlanSaid gang={gang} wanted={chosen.length} what="cards" />
            )}
            {!onCarrier && (
              <MakeButton
                sheets={gang.sheets.length}
                busy={made.busy}
                onMake={() => made.act({ sheets: structuredClone(gang.sheets), ...madeOn(gang) })}
              />
            )}
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

type ToCutProps = {
  readonly wishes: readonly CardWish[];
  readonly left: ReadonlySet<string>;
  readonly view: CardSheetsView;
  readonly gang: Gang;
  readonly anyBack: boolean;
  readonly anyMade: boolean;
  readonly onTurn: (id: string) => void;
};

/** Cards to be printed on sheets and cut: which, and on what paper. */
function ToCut({ wishes, left, view, gang, anyBack, anyMade, onTurn }: ToCutProps) {
  if (wishes.length === 0)
    return (
      <p>
        {anyMade
          ? "Every card with words is on a sheet, or printed."
          : "No card is waiting to be printed. Typed cards with words gather here; those written by hand or stamped go on by hand."}
      </p>
    );
  return (
    <>
      <Picks wishes={wishes} left={left} onTurn={onTurn} view={view} name="Cards to print" />
      {anyBack && (
        <p className="border-l-4 border-ring-words pl-3 text-sm">
          Some have a back. Each sheet’s second page is theirs: print it on the same sheet, turned over like a page of a
          book, and they meet.
        </p>
      )}
      <SheetChoices gang={gang} unit={view.unit} />
    </>
  );
}

function Picks({
  wishes,
  left,
  onTurn,
  view,
  name,
}: {
  wishes: readonly CardWish[];
  left: ReadonlySet<string>;
  onTurn: (id: string) => void;
  view: CardSheetsView;
  name: string;
}) {
  return (
    <section>
      <div className="max-h-64 overflow-y-auto border-y border-line">
        <ul aria-label={name}>
          {wishes.map(({ card, day, spoiled, trouble }) => (
            <li key={card.id} className="flex items-center gap-2 border-b border-line py-1 text-sm last:border-0">
              <label className="flex min-h-8 min-w-0 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  checked={!left.has(card.id)}
                  onChange={() => onTurn(card.id)}
                  className="size-4 accent-ember"
                />
                <span className="truncate">
                  {day}
                  {spoiled && ", spoiled before"}
                  {trouble && <span className="font-medium text-ember">. {trouble}</span>}
                </span>
                <span className="ml-auto whitespace-nowrap text-quiet">{printSize(card.size, view.unit)}</span>
              </label>
              <Link className="link" to={to.card(view.albumId, card.id)}>
                Write<span className="sr-only"> the card of {day}</span>
              </Link>
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

function carrierMat(
  { paper, sheets }: { paper: CardWish["card"]["size"]; sheets: readonly (readonly LyingCard[])[] },
  view: CardSheetsView,
) {
  const drawn = sheets.map((cards) => ({
    paper,
    waste: [],
    prints: cards.map(({ card, at, turned }) => ({ at, turned, of: { kind: "card" as const, card }, words: "" })),
  }));
  const titles = sheets.map((_, at) => ({
    name: `Carrier ${at + 1}`,
    title: `Carrier ${at + 1}, ${paperName(paper, view.unit)}`,
  }));
  return { ...sheetsMat(drawn, titles, view.unit), label: `${sheets.length} carrier sheets with their cards` };
}
