import { Minus, Plus } from "lucide-react";
import { type FormEvent, useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { PageStage, Workplace } from "#app/parts/workplace.tsx";
import { many } from "#app/wording/count.ts";
import { besideSaid, countSaid, isLow, KIND_NAME, stockSaid } from "#app/wording/drawer.ts";
import { readTyped } from "#core/drawer/typed.ts";
import type { Unit } from "#core/measure/length.ts";
import { Adhesive } from "./adhesive.tsx";
import { ListPanel } from "./list-panel.tsx";
import { NotDone } from "./not-done.tsx";
import { ThingPanel } from "./thing-panel.tsx";
import { useAnswered, useDrawer } from "./use-drawer.ts";
import type { DrawerRow, DrawerView } from "./view.ts";

/** What there is to make pages of, and how many of it. Nothing of it has to be filled in. */
export function Drawer({ view }: { view: DrawerView }) {
  const { albumId, unit, kinds, count } = view;
  const drawer = useDrawer(albumId);
  const { send, answer } = drawer;
  const [chosen, setChosen] = useState<string | null>(null);
  const things = kinds.flatMap((each) => each.things);
  const close = (id: string) => {
    setChosen(null);
    document.getElementById(nameOf(id))?.focus();
  };
  const thing = things.find(({ id }) => id === chosen);
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="drawer" albumId={albumId} here="drawer" />}
      panel={
        thing ? (
          <ThingPanel key={thing.id} {...{ thing, unit, albumId }} days={view.days} onDone={() => close(thing.id)} />
        ) : (
          <div className="grid content-start gap-6">
            <ListPanel albumId={albumId} unit={unit} count={count} />
            <Adhesive />
          </div>
        )
      }
    >
      <PageStage>
        <div className="grid content-start gap-5">
          <div>
            <h1 className="text-2xl">Drawer</h1>
            <p className="max-w-prose text-sm text-quiet">
              Paper, numbers, letters, stickers, film: what your household has, for all its albums. An empty drawer
              stops nothing.
            </p>
          </div>
          <QuickAdd
            unit={unit}
            drawer={drawer}
            onAdd={(made) => send({ act: "keep", id: newId(), thing: made as never })}
          />
          {!thing && <NotDone answer={answer} />}
          {kinds.map(({ kind, things: some }) => (
            <section key={kind} aria-labelledby={`kind-${kind}`}>
              <h2 id={`kind-${kind}`} className="flex items-baseline gap-3 border-b border-line pb-1 text-lg">
                {KIND_NAME[kind]}
                <span className="text-sm text-quiet">{some.length}</span>
              </h2>
              <ul>
                {some.map((each) => (
                  <Row
                    key={each.id}
                    {...{ thing: each, unit }}
                    isChosen={each.id === chosen}
                    onChoose={() => setChosen(each.id === chosen ? null : each.id)}
                    onCount={(by) => send({ act: "count", id: each.id, by })}
                  />
                ))}
              </ul>
            </section>
          ))}
        </div>
      </PageStage>
    </Workplace>
  );
}

/** What the row of a thing is called on the page. */
const nameOf = (id: string) => `thing-${id}`;

type RowProps = {
  thing: DrawerRow;
  unit: Unit;
  isChosen: boolean;
  onChoose: () => void;
  onCount: (by: number) => void;
};

function Row({ thing, unit, isChosen, onChoose, onCount }: RowProps) {
  const beside = besideSaid(thing, unit);
  return (
    <li
      className={`grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 border-b border-line ${isChosen ? "border-l-4 border-l-ember pl-3" : ""}`}
    >
      <button
        id={nameOf(thing.id)}
        type="button"
        aria-pressed={isChosen}
        onClick={onChoose}
        className="min-h-11 py-1 text-left leading-snug hover:text-ember"
      >
        <span className="font-medium">{thing.name}</span>
        {beside && <span className="block text-sm text-quiet">{beside}</span>}
        <Planned thing={thing} />
      </button>
      <span className="flex items-center gap-1">
        <Step name={`One ${thing.name} fewer`} off={thing.count === 0} onPress={() => onCount(-1)}>
          <Minus size={16} aria-hidden />
        </Step>
        <span className={`min-w-20 text-center text-sm ${isLow(thing) ? "font-semibold text-ember" : ""}`}>
          {countSaid(thing)}
        </span>
        <Step name={`One ${thing.name} more`} off={false} onPress={() => onCount(1)}>
          <Plus size={16} aria-hidden />
        </Step>
      </span>
    </li>
  );
}

/** What pages of the albums take of it, and what is left then; nothing where none does. */
function Planned({ thing: { stock, places, forgotten } }: { thing: DrawerRow }) {
  if (places.length === 0)
    return forgotten ? <span className="block text-sm text-quiet">nobody used it for a year</span> : null;
  const isShort = stock.short > 0;
  return (
    <span className={`block text-sm ${isShort || stock.left === 0 ? "font-semibold text-ember" : "text-quiet"}`}>
      {stockSaid(stock)}
    </span>
  );
}

type StepProps = { name: string; off: boolean; onPress: () => void; children: React.ReactNode };
const Step = ({ name, off, onPress, children }: StepProps) => (
  <button
    type="button"
    aria-label={name}
    disabled={off}
    onClick={onPress}
    className="grid size-9 place-items-center rounded-sm border border-edge bg-raised hover:border-ember hover:text-ember disabled:opacity-55"
  >
    {children}
  </button>
);

type QuickProps = {
  unit: Unit;
  drawer: ReturnType<typeof useDrawer>;
  onAdd: (thing: NonNullable<ReturnType<typeof readTyped>>) => void;
};

/** One line is one thing: how many, its size and its kind are read off it. */
function QuickAdd({ unit, drawer, onAdd }: QuickProps) {
  const [line, setLine] = useState("");
  const [last, setLast] = useState("");
  // The field is free for the next one at once; a line that was not taken comes back into it.
  const sent = useAnswered(drawer, ({ ok }) => ok || setLine((now) => now || last));
  const made = readTyped(line, unit);
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (!made) return;
    sent();
    setLast(line);
    onAdd(made);
    setLine("");
  };
  return (
    <form onSubmit={add} className="grid gap-1">
      <label htmlFor="one-thing" className="text-sm font-medium">
        Put something in
      </label>
      <div className="flex gap-2">
        <input
          id="one-thing"
          className="field"
          value={line}
          maxLength={200}
          placeholder={unit === "inch" ? "Linen Stars 12 × 12, 6" : "Linen Stars 30 × 30, 6"}
          onChange={(event) => setLine(event.target.value)}
          aria-describedby="one-thing-read"
        />
        <Button type="submit" look="main" disabled={!made}>
          Add
        </Button>
      </div>
      <p id="one-thing-read" className="min-h-5 text-sm text-quiet">
        {made
          ? [KIND_NAME[made.kind], made.name, besideSaid(made, unit), many(made.count, "piece")]
              .filter(Boolean)
              .join(" · ")
          : "Its name, and if you like its size and how many there are."}
      </p>
    </form>
  );
}
