import { useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { SelectField, TextField } from "#app/parts/field.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { Outcome } from "#app/parts/outcome.tsx";
import { OwnFromFile, OwnSaid, OwnThing } from "#app/parts/own-thing.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { CUT_PROBLEM, LAYOUT_PROBLEM } from "#app/wording/book.ts";
import { many } from "#app/wording/count.ts";
import type { Away } from "#app/wording/sending.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import {
  cutDown,
  grid,
  heightWithoutLastRow,
  type LayoutNode,
  type LayoutPath,
  POCKET,
  POCKET_LAYOUTS,
  type PocketLayout,
  pocketPaths,
  readLayout,
  replaceNode,
  resizePocket,
  seamIn,
  USUAL_SEAM,
  withSeams,
} from "#core/book/layout.ts";
import { openingOf } from "#core/book/read.ts";
import { type Length, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { printSize, type Size, sameSize, size } from "#core/measure/size.ts";
import { LayoutDrawing } from "./layout-drawing.tsx";

export type LayoutsAnswer =
  | { ok: true; said: string }
  | { ok: false; reason: "no-name" | "bad-layout" | "too-many" | Away };

export type OwnLayoutView = PocketLayout & { readonly page: Size };
type Props = {
  readonly albumId: string;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly own: readonly OwnLayoutView[];
  readonly answer: LayoutsAnswer | null;
};

type Draft = { readonly page: Size; readonly margin: Length; readonly root: LayoutNode };
const NOTHING = ticks(0);

/** Pockets by splitting, or by cutting a protector down; saved under a name for every page of that size. */
export function Pockets({ albumId, format, unit, own, answer }: Props) {
  const busy = useNavigation().state !== "idle";
  const [draft, setDraft] = useState<Draft>({ page: format.nominal, margin: NOTHING, root: grid(2, 2) });
  const [chosen, setChosen] = useState<LayoutPath>([0, 0]);
  /** What splits of a page that has none yet get. */
  const [newSeam, setNewSeam] = useState<Length>(USUAL_SEAM);
  const [said, setSaid] = useState<string | null>(null);
  const opening = openingOf(draft.page, format);
  const read = readLayout(draft, opening);
  const seam = seamIn(draft.root) ?? newSeam;
  const paths = pocketPaths(draft.root);
  const at = Math.max(
    0,
    paths.findIndex((path) => path.join() === chosen.join()),
  );
  const path = paths[at] ?? [];
  const pocket = read.ok ? read.pockets[at] : undefined;

  const take = (next: Draft, select: LayoutPath = []) => {
    const tried = readLayout(next, openingOf(next.page, format));
    if (!tried.ok) return setSaid(LAYOUT_PROBLEM[tried.reason]);
    setSaid(null);
    setDraft(next);
    setChosen(pocketPaths(next.root).find((each) => each.join().startsWith(select.join())) ?? []);
  };
  const splitInto = (kind: "rows" | "columns", count: number) => {
    const made: LayoutNode = { kind, seam, parts: Array.from({ length: count }, () => ({ share: 1, node: POCKET })) };
    take({ ...draft, root: replaceNode(draft.root, path, () => made) }, path);
  };
  const join = () =>
    path.length > 0 &&
    take({ ...draft, root: replaceNode(draft.root, path.slice(0, -1), () => POCKET) }, path.slice(0, -1));
  const resize = (axis: "w" | "h") => (length: Length) => {
    const root = resizePocket(draft, opening, path, axis, length);
    if (root) take({ ...draft, root }, path);
    else setSaid("No weld beside this pocket can move that far. Split the page that way first, or ask for less.");
  };
  const cutTo = (to: Size) => {
    const cut = cutDown(draft, opening, to);
    if (!cut.ok) return setSaid(CUT_PROBLEM[cut.reason]);
    const ease = { w: opening.w - draft.page.w, h: opening.h - draft.page.h };
    // What is cut is the protector; the page that fits it is smaller by the same ease as before.
    const page = size(ticks(Math.max(1, cut.size.w - ease.w)), ticks(Math.max(1, cut.size.h - ease.h)));
    take({ page, margin: cut.layout.margin, root: cut.layout.root });
    const lost = cut.lost > 0 ? `${many(cut.lost, "pocket is", "pockets are")} cut off. ` : "";
    const open =
      cut.opened > 0 ? `${many(cut.opened, "pocket is", "pockets are")} open at the cut: tape the edge. ` : "";
    setSaid(`${lost}${open}Blades: metal ruler, cut away from your hand. Punch the holes anew where they are gone.`);
  };
  const lastRow = heightWithoutLastRow(draft, opening);
  const start = (id: string) => {
    const shipped = POCKET_LAYOUTS.find((each) => each.id === id);
    const mine = own.find((each) => each.id === id);
    if (shipped) take({ page: format.nominal, margin: shipped.margin, root: shipped.root });
    if (mine) take({ page: mine.page, margin: mine.margin, root: mine.root });
  };
  return (
    <Workplace
      width="broad"
      tabs={<PlaceTabs place="book" albumId={albumId} here="pockets" />}
      panel={
        <>
          <div>
            <h1 className="text-2xl">Pockets</h1>
            <p className="text-sm text-quiet">
              For a page of {printSize(draft.page, unit)}. Choose a pocket on the mat, then split it, or cut the whole
              protector down.
            </p>
          </div>
          <Outcome answer={answer} kept="The layout is still here. Save again in a moment." why={REFUSED} />
          {said && (
            <p role="alert" className="border-l-4 border-ember pl-3 text-sm font-medium">
              {said}
            </p>
          )}
          <SelectField label="Begin with" value="" onChange={(event) => start(event.target.value)}>
            <option value="">Choose a layout</option>
            {POCKET_LAYOUTS.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            {own.map(({ id, name, page }) => (
              <option key={id} value={id}>
                {name}, {printSize(page, unit)}
              </option>
            ))}
          </SelectField>
          <section className="grid gap-2" aria-label="The chosen pocket">
            <p className="text-sm font-medium">The chosen pocket</p>
            <div className="grid grid-cols-2 gap-2">
              {([2, 3, 4] as const).flatMap((count) => [
                <Button key={`c${count}`} small onClick={() => splitInto("columns", count)}>
                  {count} side by side
                </Button>,
                <Button key={`r${count}`} small onClick={() => splitInto("rows", count)}>
                  {count} one under another
                </Button>,
              ])}
              <Button small onClick={join} disabled={path.length === 0}>
                Join with its neighbours
              </Button>
            </div>
            {pocket && (
              <div className="leaf-drop flex flex-wrap gap-4 text-sm">
                <LengthBox
                  key={`w${at}`}
                  label="Wide"
                  value={pocket.w}
                  unit={unit}
                  range="positive"
                  onTake={resize("w")}
                />
                <LengthBox
                  key={`h${at}`}
                  label="High"
                  value={pocket.h}
                  unit={unit}
                  range="positive"
                  onTake={resize("h")}
                />
              </div>
            )}
          </section>
          <section className="grid gap-2" aria-label="Welds">
            <p className="text-sm font-medium">Welds</p>
            <div className="leaf-drop flex flex-wrap gap-4 text-sm">
              <LengthBox
                label="Margin all round"
                value={draft.margin}
                unit={unit}
                range="zero"
                onTake={(margin) => take({ ...draft, margin }, path)}
              />
              <LengthBox
                label="Between pockets"
                value={seam}
                unit={unit}
                range="zero"
                onTake={(next) => {
                  setNewSeam(next);
                  take({ ...draft, root: withSeams(draft.root, next) }, path);
                }}
              />
            </div>
          </section>
          <section className="grid gap-2" aria-label="Cut the protector down">
            <p className="text-sm font-medium">Cut the protector down</p>
            <div className="leaf-drop flex flex-wrap items-center gap-4 text-sm">
              <Button small disabled={lastRow === null} onClick={() => lastRow && cutTo(size(opening.w, lastRow))}>
                Drop the last row
              </Button>
              <LengthBox
                label="To a width of"
                value={opening.w}
                unit={unit}
                range="positive"
                onTake={(w) => cutTo(size(w, opening.h))}
              />
              <LengthBox
                label="To a height of"
                value={opening.h}
                unit={unit}
                range="positive"
                onTake={(h) => cutTo(size(opening.w, h))}
              />
            </div>
          </section>
          <Form method="post" className="flex items-end gap-3 border-t border-line pt-4">
            <input type="hidden" name="layout" value={JSON.stringify(draft)} />
            <div className="flex-1">
              <TextField label="Save under the name" name="name" maxLength={120} defaultValue="" />
            </div>
            <Button type="submit" look="main" name="intent" value="save" disabled={busy || !read.ok}>
              Save
            </Button>
          </Form>
          <OwnSaid kind="layout" />
          {own.length > 0 && (
            <section aria-labelledby="own-layouts">
              <h2 id="own-layouts" className="border-b border-line pb-1 text-lg">
                Your own
              </h2>
              {own.map(({ id, name, page }) => (
                <OwnThing key={id} kind="layout" {...{ albumId, id, name }}>
                  {` for ${sameSize(page, format.nominal) ? "this album’s page" : printSize(page, unit)}`}
                </OwnThing>
              ))}
            </section>
          )}
          <OwnFromFile kind="layout" albumId={albumId} />
        </>
      }
    >
      <MatStage
        label="The pockets, to scale"
        bar={
          <p aria-live="polite">
            {pocket ? (
              <>
                Pocket {at + 1} of {paths.length}: {sayLength(pocket.w, unit)} × {sayLength(pocket.h, unit)} inside.
              </>
            ) : (
              "Choose a pocket."
            )}
          </p>
        }
      >
        <Zoomed>
          {read.ok && (
            <LayoutDrawing
              opening={opening}
              read={read}
              unit={unit}
              chosen={at}
              onChoose={(index) => setChosen(paths[index] ?? [])}
            />
          )}
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

const REFUSED = {
  "no-name": "Give the layout a name of up to 120 letters. It is still here to save.",
  "too-many": "Your household has 200 layouts of its own, the most there can be. Put one away first.",
  "bad-layout": "That layout does not go together. Nothing was saved.",
} as const;
