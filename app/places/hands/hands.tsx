import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import { drawingOf, mm, stillMat } from "#app/drawing/mat-text.ts";
import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { OwnFromFile, OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Said } from "#app/parts/said.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { nothingDone } from "#app/wording/sending.ts";
import { laidMarks } from "#core/draw/card.ts";
import { inches, type Length, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { rectOf } from "#core/measure/rect.ts";
import { size } from "#core/measure/size.ts";
import { type HandProblem, readHand, SAMPLE } from "#core/words/hand.ts";
import { layWords } from "#core/words/lay.ts";
import { type Hand, NO_EDGES, STAMP_SETS, type StampSet, usualSetting } from "#core/words/lettering.ts";
import type { HandsAct, HandsAnswer } from "./acts.ts";

export type HandsView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly who: readonly string[];
  readonly hands: readonly (Hand & { readonly id: string })[];
  readonly sets: readonly (StampSet & { readonly id: string })[];
};

const PROBLEM: Record<HandProblem, string> = {
  "no-width": "Measure how wide the lines are, and how far apart.",
  "one-line": "Copy it over two lines or more: one line says too little.",
  "last-beyond": "The last line cannot reach further than the lines are wide.",
  "does-not-add-up": "Those measures do not go together. Count the lines once more.",
};

/** Handwriting measured once for each person, and the stamps of the house. */
export function Hands({ view }: { view: HandsView }) {
  const { albumId, unit, hands, sets, who } = view;
  const fetcher = useFetcher<HandsAnswer>();
  const send = (act: HandsAct) =>
    void fetcher.submit(act as never, {
      method: "post",
      action: to.hands(albumId),
      encType: "application/json",
    });
  const busy = fetcher.state !== "idle";
  const answer = fetcher.data;
  const [name, setName] = useState(who[0] ?? "");
  const [wide, setWide] = useState<Length>(unit === "inch" ? inches(5) : millimetres(120));
  const [lines, setLines] = useState(6);
  const [last, setLast] = useState<Length>(unit === "inch" ? inches(3) : millimetres(70));
  const [line, setLine] = useState<Length>(unit === "inch" ? inches(5 / 16) : millimetres(8));
  const read = readHand(name.trim() || "A hand", { wide, lines, last, line });
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="words" albumId={albumId} here="hands" />}
      panel={
        <>
          <h1 className="text-2xl">Hands and stamps</h1>
          {answer &&
            (answer.ok ? (
              <Said good>{answer.said}</Said>
            ) : (
              <Said good={false}>{nothingDone(answer.reason, "What you measured is still here. Try again.")}</Said>
            ))}
          <section aria-label="A hand" className="grid gap-3">
            <h2 className="text-lg">Measure a hand</h2>
            <p className="text-sm text-quiet">
              Copy this as you write on a card, over lines of one width. Then count the lines and put a rule to them.
            </p>
            <blockquote className="border-l-4 border-ring-words pl-3">{SAMPLE}</blockquote>
            <div className="grid grid-cols-2 gap-3">
              <label className="grid gap-0.5 text-sm">
                <span className="text-quiet">Whose hand</span>
                <input
                  className="field py-1"
                  value={name}
                  maxLength={60}
                  onChange={(event) => setName(event.target.value)}
                />
              </label>
              <label className="grid gap-0.5 text-sm">
                <span className="text-quiet">Lines it took</span>
                <input
                  type="number"
                  min={1}
                  max={60}
                  className="field py-1"
                  value={lines}
                  onChange={(event) => setLines(Math.max(0, Math.min(60, Math.trunc(Number(event.target.value)))))}
                />
              </label>
              <LengthBox
                label="The lines are wide"
                value={wide}
                unit={unit}
                onTake={setWide}
                range="positive"
                whileTyping
              />
              <LengthBox
                label="The last line reaches"
                value={last}
                unit={unit}
                onTake={setLast}
                range="positive"
                whileTyping
              />
              <LengthBox
                label="From line to line"
                value={line}
                unit={unit}
                onTake={setLine}
                range="positive"
                whileTyping
              />
            </div>
            {!read.ok && (
              <p role="alert" className="text-sm font-medium text-ember">
                {PROBLEM[read.reason]}
              </p>
            )}
            <div>
              <Button
                look="main"
                disabled={busy || !read.ok || name.trim() === ""}
                onClick={() => read.ok && send({ act: "keep-hand", hand: read.hand })}
              >
                Keep this hand
              </Button>
            </div>
            <OwnSaid kind="hand" />
            <div>
              {hands.map(({ id, name: whose, line: apart }) => (
                <OwnThing key={id} kind="hand" {...{ albumId, id, name: whose }}>
                  {`, lines ${sayLength(apart, unit)} apart`}
                </OwnThing>
              ))}
            </div>
          </section>
          <StampForm unit={unit} busy={busy} onKeep={(set) => send({ act: "keep-set", set })} />
          <OwnSaid kind="stamp-set" />
          <div>
            {sets.map((set) => (
              <OwnThing key={set.id} kind="stamp-set" {...{ albumId, id: set.id, name: set.name }}>
                {`, ${sayLength(set.high, unit)} high`}
              </OwnThing>
            ))}
          </div>
          <OwnFromFile kind="stamp-set" albumId={albumId} />
          <p className="text-sm text-quiet">
            Cards keep the measures they were written with, whatever is changed or put away here.
          </p>
        </>
      }
    >
      <MatStage label="The copy, to scale">
        <Zoomed>
          <Copy hand={read.ok ? read.hand : null} wide={wide} unit={unit} />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

/** The sample as that hand would write it over lines of that width. */
function Copy({ hand, wide, unit }: { hand: Hand | null; wide: Length; unit: Unit }) {
  const page = size(wide, ticks(Math.round(wide * 0.72)));
  const setting = {
    ...usualSetting(page),
    margins: NO_EDGES,
    ...(hand ? { lettering: { kind: "handwriting" as const, hand } } : {}),
  };
  const laid = hand ? layWords(SAMPLE, page, setting, "front") : { words: [] };
  const drawing = drawingOf([{ kind: "rect", at: rectOf(page), fill: "paper" }, ...laidMarks(laid, setting)]);
  const [w, h] = [mm(page.w), mm(page.h)];
  const thing = { key: "copy", x: 0, y: 0, w, h, caption: hand ? `${hand.name}, to scale` : "", drawing };
  const box = { x: -12, y: -12, w: w + 24, h: h + 32 };
  return (
    <Mat
      mat={stillMat([thing], unit, false, "copy", box)}
      label="The copied text as that hand would write it, to scale"
    />
  );
}

const STAMP_LABELS = {
  high: "Letters are high",
  usual: "A usual letter, N",
  narrow: "A narrow one, I",
  broad: "A broad one, M",
  between: "Between letters",
  space: "Between words",
} as const;

/** A set of stamps, measured from what they print. */
function StampForm({ unit, busy, onKeep }: { unit: Unit; busy: boolean; onKeep: (set: StampSet) => void }) {
  const [set, setSet] = useState<StampSet>(() => ({ ...(STAMP_SETS[1] as StampSet), name: "" }));
  return (
    <section aria-label="A set of stamps" className="grid gap-3 border-t border-line pt-4">
      <h2 className="text-lg">Measure a set of stamps</h2>
      <p className="text-sm text-quiet">Stamp N, I and M side by side and put a rule to them.</p>
      <div className="grid grid-cols-2 gap-3">
        <label className="col-span-2 grid gap-0.5 text-sm">
          <span className="text-quiet">What you call it</span>
          <input
            className="field py-1"
            value={set.name}
            maxLength={60}
            onChange={(event) => setSet({ ...set, name: event.target.value })}
          />
        </label>
        {(Object.keys(STAMP_LABELS) as (keyof typeof STAMP_LABELS)[]).map((part) => (
          <LengthBox
            key={part}
            label={STAMP_LABELS[part]}
            value={set[part]}
            unit={unit}
            range={part === "between" || part === "space" ? "zero" : "positive"}
            onTake={(length) => setSet({ ...set, [part]: length })}
            whileTyping
          />
        ))}
      </div>
      <div>
        <Button disabled={busy || set.name.trim() === ""} onClick={() => onKeep({ ...set, name: set.name.trim() })}>
          Keep this set
        </Button>
      </div>
    </section>
  );
}
