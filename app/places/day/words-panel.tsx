import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { focusNextOf } from "#app/parts/focus.ts";
import { newId } from "#app/parts/new-id.ts";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { Tools } from "#app/parts/tools.tsx";
import { Counting } from "#app/places/tallies/counting.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { many } from "#app/wording/count.ts";
import { CARD_SIZES } from "#core/album/formats.ts";
import { newCard } from "#core/album/model.ts";
import { printSize } from "#core/measure/size.ts";
import { countWords } from "#core/words/count.ts";
import { headingsIn, underHeadings } from "#core/words/headings.ts";
import { type CardSetting, usualSetting, withHeadings } from "#core/words/lettering.ts";
import { KeptText } from "./kept-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import type { DayView } from "./view.ts";

export function WordsPanel({ view }: { view: DayView }) {
  const put = usePut();
  const [first] = view.parts;
  if (!first) return null;
  const cards = view.parts.flatMap((part) => part.content.cards.map((card) => ({ part, card })));
  const words = cards.reduce((sum, { card }) => sum + countWords(card.text), 0);
  const [usual] = CARD_SIZES;
  const headings = headingsIn(view.parts.find(({ content }) => content.prompt.text !== "")?.content.prompt.text ?? "");
  const addCard = (text: string, setting: CardSetting | null) => {
    const id = newId();
    if (usual)
      put(`${first.id}:add:${id}`, {
        what: "edit",
        dayId: first.id,
        base: null,
        edit: { kind: "add-card", card: { ...newCard(id, usual, text), setting } },
      });
  };
  const addWithHeadings = () => usual && addCard(underHeadings(headings), withHeadings(usualSetting(usual)));
  const jotted = view.parts.flatMap(({ content }) => content.jottings);
  const adding = (
    <>
      <Button small data-adds="card" onClick={() => addCard("", null)}>
        {cards.length === 0 ? "Add a card" : "Another card"}
      </Button>
      {headings.length > 0 && (
        <Button small onClick={addWithHeadings}>
          A card with the prompt’s headings
        </Button>
      )}
      {cards.length === 0 && <Without day={first} part="words" />}
    </>
  );
  return (
    <Panel
      id="words"
      ring="words"
      state={view.states.words}
      name="Words"
      aside={cards.length > 0 && many(words, "word")}
    >
      {jotted.length > 0 && (
        <ul aria-label="Jotted on the day" className="grid gap-1 border-l-4 border-line pl-3 text-sm">
          {jotted.map(({ id, at, text }) => (
            <li key={id}>
              <time dateTime={at} className="text-quiet tabular-nums">
                {at.slice(11)}
              </time>{" "}
              {text}
              {view.writtenBy[id] && <span className="text-quiet"> {view.writtenBy[id]}</span>}
            </li>
          ))}
        </ul>
      )}
      {cards.map(({ part, card }, at) => (
        <div key={card.id} className="grid gap-1.5">
          <KeptText
            part={part}
            name={`card:${card.id}`}
            label={`Words of card ${at + 1}`}
            text={card.text}
            toEdit={(text) => ({ kind: "card-text", id: card.id, text })}
            placeholder="What happened, who said it, what it smelled of"
          />
          <p className="flex flex-wrap items-baseline gap-x-3 text-sm">
            <span className={view.fits[card.id]?.isOver ? "font-medium text-ember" : "text-quiet"}>
              {view.fits[card.id]?.said}
            </span>
            {view.writtenBy[card.id] && <span className="text-quiet">Written by {view.writtenBy[card.id]}</span>}
          </p>
          <div className="flex flex-wrap items-center gap-3">
            <SizePicker
              label={`Size of card ${at + 1}`}
              value={card.size}
              choices={CARD_SIZES}
              unit={view.unit}
              onPick={(size) =>
                put(`${part.id}:card-size:${card.id}`, {
                  what: "edit",
                  dayId: part.id,
                  base: null,
                  edit: { kind: "card-size", id: card.id, size },
                })
              }
            />
            <Tools name={`Card ${at + 1}`} className="flex flex-wrap items-center gap-3">
              <Link className="link text-sm" to={to.card(view.albumId, card.id)}>
                Write it to its card<span className="sr-only">, card {at + 1}</span>
              </Link>
              <Button
                look="quiet"
                small
                aria-label={`Remove card ${at + 1}, ${printSize(card.size, view.unit)}`}
                data-one-of="card"
                onClick={(event) => {
                  focusNextOf("card", event.currentTarget);
                  put(`${part.id}:remove:${card.id}`, {
                    what: "edit",
                    dayId: part.id,
                    base: null,
                    edit: { kind: "remove-card", id: card.id },
                  });
                }}
              >
                Remove
              </Button>
            </Tools>
          </div>
        </div>
      ))}
      {view.date ? (
        <Counting saved={view.tallies} albumId={view.albumId} date={view.date} said={first.dateSaid} lead={adding} />
      ) : (
        <div className="flex flex-wrap items-center gap-x-4">{adding}</div>
      )}
    </Panel>
  );
}
