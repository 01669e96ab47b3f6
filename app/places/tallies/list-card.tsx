import { useDeferredValue, useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Drawn } from "#app/drawing/drawn.tsx";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { drawingOf, mm } from "#app/drawing/mat-text.ts";
import { Button } from "#app/parts/button.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { newId } from "#app/parts/new-id.ts";
import { usePut } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { CARD_SIZES } from "#core/album/formats.ts";
import { type Card, newCard } from "#core/album/model.ts";
import { TALLY_ORDERS, type Tally, type TallyOrder, tallyLines } from "#core/album/tally.ts";
import { listCards } from "#core/album/tally-card.ts";
import { cardMarks } from "#core/draw/card.ts";
import type { Unit } from "#core/measure/length.ts";
import { ticks } from "#core/measure/length.ts";
import { rectOf } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import { fitCard } from "#core/words/fit.ts";
import { saySize, settingOf } from "#core/words/lettering.ts";
import type { TalliesView } from "./view.ts";

const ORDER_NAME: Record<TallyOrder, string> = { "by-date": "As the days went", "most-first": "The most often first" };
const NO_CARD = newCard("", { w: ticks(1), h: ticks(1) });

/** What was counted as a list on a card: how large it has to be, how it looks, and the page it goes on. */
export function ListCardMaker({ tally, view }: { tally: Tally; view: TalliesView }) {
  const put = usePut();
  const [order, setOrder] = useState<TallyOrder>("by-date");
  const [dates, setDates] = useState(true);
  const [size, setSize] = useState("");
  const [page, setPage] = useState(view.usualPage ?? "");
  const [made, setMade] = useState<string | null>(null);
  const open = tally.marks.filter((mark) => !view.privateDates.includes(mark.date));
  const shown = useDeferredValue(tallyLines({ name: tally.name, marks: open }, { order, dates }));
  const lines = shown.join("\n");
  const cards = useMemo(() => {
    const sizes = CARD_SIZES.filter((each) => printSize(each, view.unit) === size);
    return listCards(lines.split("\n"), sizes.length > 0 ? sizes : undefined).map(
      (card): Card => ({ ...NO_CARD, ...card }),
    );
  }, [lines, size, view.unit]);
  const target = view.pages.find(({ id }) => id === page);
  const keep = () => {
    if (!target) return;
    for (const card of cards) {
      const id = newId();
      put(`${target.id}:add:${id}`, {
        ...({ what: "edit", dayId: target.id, base: null } as const),
        edit: { kind: "add-card", card: { ...card, id } },
      });
    }
    setMade(target.id);
  };
  const leftOut = tally.marks.length - open.length;
  return (
    <div className="grid gap-4 border-l-2 border-line pl-4 wide:grid-cols-[minmax(0,1fr)_auto]">
      <div className="grid content-start gap-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectField
            label="In which order"
            value={order}
            onChange={({ target: { value } }) => setOrder(value as TallyOrder)}
          >
            {TALLY_ORDERS.map((each) => (
              <option key={each} value={each}>
                {ORDER_NAME[each]}
              </option>
            ))}
          </SelectField>
          <SelectField label="Size" value={size} onChange={({ target: { value } }) => setSize(value)}>
            <option value="">The smallest it fits</option>
            {CARD_SIZES.map((each) => (
              <option key={printSize(each, view.unit)} value={printSize(each, view.unit)}>
                {printSize(each, view.unit)}
              </option>
            ))}
          </SelectField>
          <SelectField label="Onto" value={page} onChange={({ target: { value } }) => setPage(value)}>
            {view.pages.map(({ id, said }) => (
              <option key={id} value={id}>
                {said}
              </option>
            ))}
          </SelectField>
          <label className="flex min-h-10 items-center gap-2 self-end">
            <input
              type="checkbox"
              className="size-4 accent-ember"
              checked={dates}
              onChange={(event) => setDates(event.target.checked)}
            />
            With the dates
          </label>
        </div>
        <p className="text-sm">
          <ListSaid cards={cards} unit={view.unit} />
          {leftOut > 0 && (
            <span className="text-quiet">
              {" "}
              {many(leftOut, "mark")} on private days {leftOut === 1 ? "is" : "are"} left out of it.
            </span>
          )}
        </p>
        <div className="flex flex-wrap items-center gap-4">
          <Button look="main" onClick={keep} disabled={!target}>
            {cards.length === 1 ? "Put the card there" : `Put ${cards.length} cards there`}
          </Button>
          <p role="status" className="text-sm">
            {made === target?.id && target && (
              <>
                On its page now.{" "}
                <Link to={to.entry(view.albumId, target.at)} className="link">
                  See {target.said}
                </Link>
              </>
            )}
          </p>
        </div>
      </div>
      <ul aria-label="How it looks" className="flex flex-wrap items-start gap-3 bg-mat p-3">
        {cards.map((card) => (
          <li key={card.text}>
            <Drawn
              as="svg"
              viewBox={viewBoxOf({ x: 0, y: 0, w: mm(card.size.w), h: mm(card.size.h) })}
              width={mm(card.size.w) * 2}
              className="h-auto max-w-full"
              role="img"
              aria-label={card.text}
              markup={drawingOf([
                { kind: "rect", at: rectOf(card.size), fill: "paper", stroke: "hair", line: ticks(60) },
                ...cardMarks(card, "front"),
              ])}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** How many cards, how large, in which letters, and whether it all goes in. */
function ListSaid({ cards, unit }: { cards: readonly Card[]; unit: Unit }) {
  const [first] = cards;
  if (!first) return null;
  const setting = settingOf(first);
  const { lettering } = setting;
  const over = cards.filter((card) => fitCard(card.text, card.size, settingOf(card), "front").verdict.kind !== "fits");
  const size = lettering.kind === "typed" ? `${saySize(lettering.size)} points` : "";
  const how = `${cards.length === 1 ? "One card" : `${cards.length} cards`} of ${printSize(first.size, unit)}, ${size}.`;
  return (
    <>
      {how}
      {over.length > 0 && (
        <strong className="font-semibold text-ember"> Not all of it goes in: take a larger size.</strong>
      )}
    </>
  );
}
