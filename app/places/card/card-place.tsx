import { useDeferredValue, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat, viewBoxOf } from "#app/drawing/mat.tsx";
import type { MatBox } from "#app/drawing/mat-text.ts";
import { MoveHandle, pointOn } from "#app/drawing/move-handle.tsx";
import { buttonLook } from "#app/parts/button.tsx";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { KeptField } from "#app/parts/kept-field.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { SizePicker } from "#app/parts/size-picker.tsx";
import { Why } from "#app/parts/why.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { JottingList } from "#app/places/words/jotting-list.tsx";
import { doesNotFit, fitReason, fitSaid } from "#app/wording/card.ts";
import { whyWords } from "#app/wording/why.ts";
import { CARD_SIZES } from "#core/album/formats.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import { countWords } from "#core/words/count.ts";
import { type CardFit, fitCard } from "#core/words/fit.ts";
import type { CardFace, CardSetting } from "#core/words/lettering.ts";
import { settingOf } from "#core/words/lettering.ts";
import { BoxesPanel } from "./boxes-panel.tsx";
import { cardMat } from "./card-drawing.ts";
import { KeptFree } from "./kept-free.tsx";
import { LetteringPanel } from "./lettering-panel.tsx";
import { PreprintPanel } from "./preprint-panel.tsx";
import { Secrecy } from "./secrecy.tsx";
import { type CardDesk, useCard } from "./use-card.ts";
import type { CardView } from "./view.ts";
import { Wordings } from "./wordings.tsx";

/** The reckoning behind a verdict that is one of lines and room. */
function WhyWords({ fit, card, setting, unit }: { fit: CardFit; card: Size; setting: CardSetting; unit: Unit }) {
  const { verdict, laid } = fit;
  if (verdict.kind !== "fits" && verdict.kind !== "over" && verdict.kind !== "too-wide") return null;
  const { lettering } = setting;
  const size = lettering.kind === "typed" ? lettering.size : null;
  const lines = { lines: laid.lines, room: laid.room, size, largest: verdict.largest };
  return <Why of="whether the words fit" reckoning={whyWords(lines, card, unit)} />;
}

/** One card, front and back: its words laid to scale as they will be printed, and whether they fit. */
export function CardPlace({ view }: { view: CardView }) {
  const { unit, albumId, dayId } = view;
  const desk = useCard(view.card, dayId, view.version);
  const { card } = desk;
  const [face, setFace] = useState<CardFace>("front");
  const [box, setBox] = useState<string | null>(null);
  const words = face === "front" ? desk.front : desk.back;
  // The letters typed come first; the drawing follows a moment later.
  const [text, setting] = [useDeferredValue(words.text), useDeferredValue(desk.setting)];
  const fit = useMemo(() => fitCard(text, card.size, setting, face), [text, card.size, setting, face]);
  const mat = useMemo(() => cardMat(card, setting, face, fit.laid, unit), [card, setting, face, fit.laid, unit]);
  const step = (id: string | null, said: string) =>
    id && (
      <Link to={to.card(albumId, id)} className={buttonLook("plain", true)}>
        {said}
      </Link>
    );
  const isOver = doesNotFit(fit.verdict);
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="words" albumId={albumId} here={null} />}
      panel={
        <>
          <ClashPanel />
          <div className="flex flex-wrap items-baseline justify-between gap-2">
            <h1 className="text-2xl">
              <Link to={to.entry(albumId, view.at)} className="hover:text-ember">
                {view.day}
              </Link>
            </h1>
            <p className="text-sm text-quiet">
              Card {view.place.at} of {view.place.of}. {view.standing}
              {view.writtenBy && ` Written by ${view.writtenBy}.`}
            </p>
          </div>
          {view.prompt && <p className="border-l-4 border-line pl-3 text-sm">{view.prompt}</p>}
          <div className="flex flex-wrap items-center gap-3">
            <FaceChoice face={face} onFace={setFace} desk={desk} />
            <SizePicker
              label="Size of the card"
              value={card.size}
              choices={CARD_SIZES}
              unit={unit}
              onPick={desk.resize}
            />
          </div>
          <div className="grid gap-1">
            <label htmlFor="words-of-card" className="flex justify-between text-sm font-medium">
              Words of the {face}
              <span className="font-normal text-quiet">{countWords(words.text)} words</span>
            </label>
            <KeptField
              id="words-of-card"
              className="field max-h-72 min-h-32 text-base"
              key={face}
              text={words.text}
              onWords={words.change}
              placeholder="What happened, who said it, what it smelled of. A line that begins with a dash is a point of a list."
              maxLength={100_000}
              rows={6}
            />
          </div>
          <Over fit={fit} text={words.text} face={face} />
          <Lacks fit={fit} />
          <section aria-label="Jottings of the day" className="grid gap-2 border-t border-line pt-3">
            <h2 className="font-medium">Jotted on the day</h2>
            <JottingList
              jottings={view.jottings}
              dates={view.dates}
              day={"date" in view.at ? view.at.date : null}
              onTake={(jotted) => words.change([words.text.trimEnd(), jotted].filter(Boolean).join("\n"))}
            />
          </section>
          <LetteringPanel {...{ desk, face, unit }} text={text} hands={view.hands} sets={view.sets} albumId={albumId} />
          <KeptFree desk={desk} face={face} unit={unit} />
          <PreprintPanel {...{ desk, albumId }} />
          {(setting.stock === "printed" || (setting.boxes ?? []).length > 0) && face === "front" && (
            <BoxesPanel {...{ desk, unit }} chosen={box} onChoose={setBox} />
          )}
          <Secrecy desk={desk} today={view.today} />
          <Wordings wordings={view.wordings} desk={desk} />
          <div className="flex gap-2 border-t border-line pt-3">
            {step(view.before, "Card before")}
            {step(view.after, "Next card")}
          </div>
        </>
      }
    >
      <MatStage
        label="The card, to scale"
        bar={
          <>
            <div className="grid" role="status">
              <p className={`font-numeral text-2xl font-semibold ${isOver ? "text-flame" : ""}`}>
                {fitSaid(fit.verdict, unit)}
              </p>
              <p className="text-on-soot-quiet">
                {fitReason(fit.verdict)}
                <WhyWords fit={fit} card={card.size} setting={setting} unit={unit} />
              </p>
            </div>
            <div className="ml-auto flex flex-wrap gap-2">
              <Remedies {...{ fit, desk, face, text: words.text }} onFace={setFace} />
            </div>
          </>
        }
      >
        <Zoomed>
          <div className="relative h-full w-full">
            <Mat mat={mat} label={`The ${face} of the card with its words, to scale`} />
            {face === "front" && <BoxHandles {...{ desk, unit }} box={mat.box} chosen={box} onChoose={setBox} />}
          </div>
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

/** Takes hold of the words in boxes, on the drawing. */
function BoxHandles({
  desk,
  unit,
  box,
  chosen,
  onChoose,
}: {
  desk: CardDesk;
  unit: Unit;
  box: MatBox;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const { setting } = desk;
  const boxes = setting.boxes ?? [];
  if (boxes.length === 0) return null;
  return (
    <svg
      ref={svg}
      viewBox={viewBoxOf(box)}
      preserveAspectRatio="xMidYMid meet"
      className="absolute inset-0 h-full w-full touch-none overflow-visible"
      aria-label="Words in boxes, to be moved"
    >
      {boxes.map(({ id, at, text }, nth) => (
        <MoveHandle
          key={id}
          at={at}
          name={`${text || `Box ${nth + 1}`}.`}
          isChosen={id === chosen}
          unit={unit}
          onMat={(event) => pointOn(svg.current, event)}
          onChoose={() => onChoose(id)}
          onMove={(to) =>
            desk.set({ ...setting, boxes: boxes.map((each) => (each.id === id ? { ...each, at: to } : each)) })
          }
        />
      ))}
    </svg>
  );
}

function FaceChoice({ face, onFace, desk }: { face: CardFace; onFace: (face: CardFace) => void; desk: CardDesk }) {
  const said = { front: "Front", back: desk.card.back.trim() === "" ? "Back" : "Back, written" };
  return (
    <fieldset className="flex">
      <legend className="sr-only">Which face</legend>
      {(["front", "back"] as const).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={face === each}
          onClick={() => onFace(each)}
          className={`min-h-9 border px-3 text-sm first:rounded-l-sm last:-ml-px last:rounded-r-sm ${face === each ? "border-text bg-text text-ground" : "border-edge bg-raised hover:border-ember"}`}
        >
          {said[each]}
        </button>
      ))}
    </fieldset>
  );
}

type RemedyProps = {
  readonly fit: CardFit;
  readonly desk: CardDesk;
  readonly face: CardFace;
  readonly text: string;
  readonly onFace: (face: CardFace) => void;
};

/** What can be done about words that are too many; or how much larger those that fit may be. */
function Remedies({ fit, desk, face, text, onFace }: RemedyProps) {
  const { verdict } = fit;
  const { setting, card } = desk;
  const { lettering } = setting;
  const largest = "largest" in verdict ? verdict.largest : null;
  const resize =
    lettering.kind === "typed" && largest !== null && largest !== lettering.size ? (
      <button
        type="button"
        className="mat-button"
        onClick={() => desk.set({ ...setting, lettering: { ...lettering, size: largest } })}
      >
        {largest < lettering.size ? "Shrink to fit" : "As large as fits"}
      </button>
    ) : null;
  if (verdict.kind === "too-wide")
    return (
      <>
        {resize}
        {lettering.kind !== "handwriting" && (
          <button type="button" className="mat-button" onClick={() => desk.set({ ...setting, longWords: "break" })}>
            Break {verdict.words.length === 1 ? "it" : "them"}
          </button>
        )}
      </>
    );
  if (verdict.kind !== "over") return resize;
  const kept = text.slice(0, verdict.from).trimEnd();
  const rest = text.slice(verdict.from);
  const onBack =
    fitCard([rest, card.back].filter(Boolean).join("\n"), card.size, settingOf(card), "back").verdict.kind === "fits";
  const carry = (to: "back" | { card: string }) => desk.carry({ kind: "carry-over", id: card.id, kept, rest, to });
  return (
    <>
      {resize}
      {face === "front" && onBack && (
        <button
          type="button"
          className="mat-button"
          onClick={() => {
            carry("back");
            onFace("back");
          }}
        >
          The rest on the back
        </button>
      )}
      {face === "front" && (
        <button type="button" className="mat-button" onClick={() => carry({ card: newId() })}>
          The rest on a second card
        </button>
      )}
    </>
  );
}

/** Where the words begin that are too many, and where they would go on. */
function Over({ fit, text, face }: { fit: CardFit; text: string; face: CardFace }) {
  const { verdict } = fit;
  if (verdict.kind !== "over" || verdict.from >= text.length) return null;
  const begins = text.slice(verdict.from).split(/\s+/).slice(0, 6).join(" ");
  return (
    <p className="border-l-4 border-ember pl-3 text-sm">
      From “{begins} …” on there is no room.{" "}
      {face === "front" ? "It would go on, on the back or on a second card." : ""}
    </p>
  );
}

/** Letters that will not be printed, and words that are wider than the card. */
function Lacks({ fit }: { fit: CardFit }) {
  const { lacks, laid } = fit;
  if (lacks.length === 0 && laid.tooWide.length === 0) return null;
  return (
    <div role="status" className="grid gap-1 border-l-4 border-ember pl-3 text-sm">
      {lacks.length > 0 && (
        <p>
          This lettering has no {lacks.slice(0, 12).join(" ")}. A gap is left{" "}
          {lacks.length === 1 ? "for it" : "for each"}, to draw it by hand.
        </p>
      )}
      {laid.tooWide.length > 0 && (
        <p className="break-words">
          Wider than the card, and so not printed: {laid.tooWide.slice(0, 6).join(", ").slice(0, 300)}.
        </p>
      )}
    </div>
  );
}
