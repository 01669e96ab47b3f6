import { useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import { Button } from "#app/parts/button.tsx";
import { ClashPanel } from "#app/parts/clash-panel.tsx";
import { SelectField } from "#app/parts/field.tsx";
import { MatButton } from "#app/parts/mat-button.tsx";
import { newId } from "#app/parts/new-id.ts";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { KeepersOnly } from "#app/parts/role.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import type { BookData } from "#app/places/book/data.ts";
import { useBook } from "#app/places/book/use-book.ts";
import { sayThin } from "#app/wording/bulk.ts";
import { many } from "#app/wording/count.ts";
import { impossibleSaid, saidIn } from "#app/wording/making.ts";
import type { Built, Held, OwnCut, Piece } from "#core/album/leaf.ts";
import { AS_USUAL } from "#core/album/made-of.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { markedFor, pageOfPiece, standsFor } from "#core/book/read.ts";
import { builtAs, lengthsAndCounts, sizesInCommon, stockOf } from "#core/craft/built.ts";
import { craftOf } from "#core/craft/catalog.ts";
import { type Craft, type Made, made, type Sizes, type State, usualSizes } from "#core/craft/craft.ts";
import { foldingOf } from "#core/craft/lies.ts";
import { ownAsText } from "#core/craft/own-text.ts";
import { layersOf, thickOf, troublesThere } from "#core/craft/place.ts";
import { pullsOf } from "#core/craft/pulls.ts";
import { slotsOf } from "#core/craft/slots.ts";
import { carriedMarks } from "#core/draw/opened.ts";
import { drawnFor } from "#core/draw/piece.ts";
import { isMaterial, MATERIAL_IDS, MATERIALS, type MaterialId } from "#core/material/material.ts";
import { at, centredIn, type Rect, sizeOf } from "#core/measure/rect.ts";
import { saySize } from "#core/measure/size.ts";
import { AlsoOn } from "./also-on.tsx";
import { Cutter } from "./cutter.tsx";
import { FromSheet } from "./from-sheet.tsx";
import { heldAs, itemsOf, pageOfDay, type Room, roomsOf } from "./goes.ts";
import { Inside } from "./inside.tsx";
import { KeepSettings } from "./keep-settings.tsx";
import type { Kept } from "./kept.ts";
import { stateMat } from "./making-mat.ts";
import { MakingSteps } from "./making-steps.tsx";
import { BLUEPRINT, FOLDING, STEPS, Views } from "./making-views.tsx";
import { OnItsPage } from "./on-its-page.tsx";
import { OwnCuts } from "./own-cuts.tsx";
import { PulledBlueprint } from "./pull-layer.tsx";
import { SettingsForm } from "./settings-form.tsx";
import { builtOf, constructionsOn, holding, placedAs, whereOf } from "./there.ts";
import { WhatFor } from "./what-for.tsx";
import { WorksThere } from "./works-there.tsx";

/** Papers and the like that are folded; what is no sheet is left out. */
const SHEETS = MATERIAL_IDS.filter(
  (id) => MATERIALS[id].caliper <= 400 && !/tape|washi|sticker|stitching|ply/.test(MATERIALS[id].name),
);

type Props = { kind: string; data: BookData; kept: readonly Kept[]; dayDate: string };

/** One construction, where the catalog has it. */
export function Making({ kind, ...props }: Props) {
  const of = craftOf(kind);
  return of && <MakingOf of={of} {...props} />;
}

/** What is set of a construction, its blueprint, how it folds, whether it works there, and its steps. */
function MakingOf({ of, data, kept, dayDate }: Omit<Props, "kind"> & { of: Craft }) {
  const { albumId, unit, format } = data;
  const [query, setQuery] = useSearchParams();
  const { book, leaves, arrange } = useBook(data);
  const pages: readonly InBook[] = useMemo(() => [...data.pages, ...data.matters], [data]);
  const [forPage, setFor] = useState<number | null>(null);
  const there = placedAs(book, query.get("leaf"), query.get("face"), query.get("piece"));
  const itsDay = there && pageOfPiece(there.read[there.face], there.placed.piece)?.days[0]?.id;
  const page = forPage === null ? pageOfDay(pages, itsDay ?? query.get("day") ?? dayDate) : pages[forPage];
  const items = useMemo(() => itemsOf(page, unit), [page, unit]);
  const rooms = useMemo(() => roomsOf(book, page, unit), [book, page, unit]);
  const was = there && builtOf(there.placed.piece);
  const alike = constructionsOn(book).filter(
    ({ id, built }) => built.kind === of.kind && id !== there?.placed.piece.id,
  );
  const begunFrom = alike.find(({ id }) => id === query.get("like"));
  const keptFrom = kept.find(({ id }) => id === query.get("kept"));
  // What was set by hand; the rest follows.
  const from = was ?? begunFrom?.built ?? keptFrom;
  const [byHand, setByHand] = useState<Readonly<Record<string, number>>>(() => {
    return from ? sizesInCommon(from, of) : {};
  });
  const [own, setOwn] = useState<readonly OwnCut[]>(() => from?.own ?? []);
  const [itemId, setItem] = useState("");
  const [roomId, setRoom] = useState("");
  const [paper, setPaper] = useState((there ?? begunFrom)?.placed.piece.of?.material ?? keptFrom?.paper ?? of.paper);
  const [shown, setShown] = useState<string>(query.get("show") === STEPS ? STEPS : BLUEPRINT);
  const item = items.find(({ id }) => id === itemId) ?? null;
  const room = rooms.find(({ id }) => id === roomId) ?? null;
  const goes = useMemo(() => ({ item: item?.size ?? null, room: room?.size ?? null }), [item, room]);
  const sizes = useMemo(() => ({ ...usualSizes(of, goes), ...byHand }), [of, goes, byHand]);
  const stock = useMemo(() => stockOf(paper), [paper]);
  const done = useMemo(() => made(of, sizes, stock, goes, own), [of, sizes, stock, goes, own]);
  // What cannot be made is said beside the last drawing that could.
  const [last, setLast] = useState<Made | null>(null);
  if (done.ok && done !== last) setLast(done);
  const drawn = done.ok ? done : last;
  const pulls = useMemo(
    () => (done.ok ? pullsOf(of, sizes, stock, goes, own, done) : []),
    [of, sizes, stock, goes, own, done],
  );
  const [lastPulls, setLastPulls] = useState(pulls);
  if (done.ok && pulls !== lastPulls) setLastPulls(pulls);
  const states = drawn?.states ?? [];
  const folding = useMemo(() => (drawn ? foldingOf(drawn) : []), [drawn]);
  const [folds, setFolds] = useState(0);
  const folded = folding[Math.min(folds, folding.length - 1)];
  const state = shown === FOLDING ? folded : states.find(({ id }) => id === shown);
  const carried = (of: State) =>
    there && drawn && was && shown !== FOLDING
      ? carriedMarks(drawn, of, was.holds, drawnFor(there.read[there.face], there.placed.piece))
      : [];
  const nameOfState = (id: string) => states.find((each) => each.id === id)?.name ?? "Open";

  const beginFrom = (set: Pick<Built, "kind" | "lengths" | "counts" | "own">, paper: MaterialId) => {
    setByHand(sizesInCommon(set, of));
    setOwn(set.own ?? []);
    setPaper(paper);
  };

  const piece = (id: string, lies: Rect, old?: Piece): Piece => ({
    ...{
      id,
      at: { x: lies.x, y: lies.y },
      turn: old?.turn ?? 0,
      outside: old?.outside ?? false,
      dayId: old?.dayId ?? null,
    },
    what: {
      kind: "construction",
      size: sizeOf(lies),
      name: nameOf(old, of),
      ...(done.ok ? { built: builtAs(of, sizes, done, paper, (old && builtOf(old)) ?? undefined, own) } : {}),
    },
    of: { ...(old?.of ?? AS_USUAL), material: paper },
  });
  const lay = (where: Room) => {
    if (!done.ok) return;
    const { read, face } = where;
    const side = read[face];
    const id = newId();
    // What it is made for goes into it, and lies nowhere else on that side.
    const slot = slotsOf(done).find(({ goesIn }) => goesIn);
    const holds: Held[] = item && slot ? [{ slot: slot.id, what: heldAs(item) }] : [];
    const next = holding(piece(id, centredIn(where.at, done.closed)), holds);
    const pieces = side.pieces.map((each) => each.piece).filter((each) => !slot || standsFor(each) !== item?.id);
    arrange(leaves, [{ leaf: read.leaf.id, face, pieces: [...pieces, markedFor(next, side, null)] }]);
    // From now on that piece is what is looked at, so that it is laid once.
    const at = { leaf: read.leaf.id, face, piece: id, ...(shown === STEPS ? { show: STEPS } : {}) };
    setQuery(at, { replace: true, preventScrollReset: true });
  };
  const change = () => {
    if (!there || !done.ok) return;
    const { read, face, placed } = there;
    const lies = at(placed.piece.at, done.closed);
    const pieces = read[face].pieces.map((each) =>
      each === placed ? piece(placed.piece.id, lies, placed.piece) : each.piece,
    );
    arrange(leaves, [{ leaf: read.leaf.id, face, pieces }]);
  };
  const where = done.ok ? whereOf(there, room, done) : null;
  const troubles = done.ok && where ? troublesThere(done, where, format) : [];
  const download = (what: keyof typeof DOWNLOAD) =>
    to.document(albumId, what === "svg" ? "cut-file" : "making", `${of.kind}.${what === "svg" ? "svg" : "pdf"}`, {
      ...{ sizes: sizesIn(sizes), paper, ...(own.length > 0 ? { own: ownAsText(own) } : {}) },
      ...(what === "mirrored" ? { mirrored: "yes" } : {}),
    });

  return (
    <Workplace
      tabs={<PlaceTabs place="bench" albumId={albumId} here={null} />}
      panel={
        <>
          <Refusal />
          <ClashPanel />
          <div>
            <h1 className="text-2xl">{of.name}</h1>
            <p className="text-sm text-quiet">{of.says}</p>
          </div>
          {!there && (
            <WhatFor
              {...{ page, pages, alike, kept, items, rooms, itemId, roomId }}
              onPage={setFor}
              onItem={setItem}
              onRoom={setRoom}
              onLike={({ built, placed }) => beginFrom(built, placed.piece.of?.material ?? of.paper)}
              onKept={(chosen) => beginFrom(chosen, chosen.paper)}
            />
          )}
          <SettingsForm {...{ of, sizes, unit }} onSet={(id, value) => setByHand((now) => ({ ...now, [id]: value }))} />
          <SelectField
            label="Made of"
            value={paper}
            onChange={(event) => isMaterial(event.target.value) && setPaper(event.target.value)}
          >
            {SHEETS.map((id) => (
              <option key={id} value={id}>
                {MATERIALS[id].name}
              </option>
            ))}
          </SelectField>
          {Object.keys(byHand).length > 0 && !there && (
            <Button small className="justify-self-start" onClick={() => setByHand({})}>
              All as usual again
            </Button>
          )}
          <OwnCuts
            {...{ of, own, unit }}
            parts={drawn?.parts ?? []}
            onSet={setOwn}
            onSize={({ w, h }) => setByHand((now) => ({ ...now, width: w, height: h }))}
          />
          {!done.ok && (
            <p role="alert" className="border-l-4 border-ember pl-3 font-medium">
              {impossibleSaid(done, of, unit)}
            </p>
          )}
          {done.ok && (
            <section aria-labelledby="in-numbers" className="grid gap-1">
              <h2 id="in-numbers" className="text-lg">
                Closed {saySize(done.closed, unit)}
              </h2>
              <p className="text-sm">
                {many(layersOf(done), "layer", "layers")} where most lie on each other, about{" "}
                {sayThin(thickOf(done), unit)} thick.
              </p>
              <ul className="grid gap-1 text-sm">
                {done.minds.map((each) => (
                  <li key={each.say}>{saidIn(each, unit)}</li>
                ))}
              </ul>
            </section>
          )}
          {done.ok && (
            <FromSheet
              {...{ of, sizes, stock, goes, unit }}
              onSet={(id, value) => setByHand((now) => ({ ...now, [id]: value }))}
            />
          )}
          {where && <WorksThere {...{ troubles, nameOfState, unit }} />}
          {there && done.ok && (
            <KeepersOnly>
              <Inside {...{ there, made: done, items, leaves, unit }} />
            </KeepersOnly>
          )}
          <div className="flex flex-wrap gap-3 empty:hidden">
            {there && (
              <Button keepers look="main" disabled={!done.ok} onClick={change}>
                Change it on its page
              </Button>
            )}
            {room && (
              <Button keepers look="main" disabled={!done.ok} onClick={() => lay(room)}>
                Lay it on {room.name}
              </Button>
            )}
          </div>
          {there && was && <OnItsPage {...{ of, there, was, albumId, unit }} />}
          {there && was && (
            <KeepersOnly>
              <AlsoOn {...{ book, leaves, there, unit }} />
            </KeepersOnly>
          )}
          {(there ?? room) && (
            <Link
              to={to.book(albumId, { at: (there ?? room)?.read.leaf.id ?? null, face: (there ?? room)?.face ?? null })}
              className="link justify-self-start text-sm"
            >
              Look at it in the book
            </Link>
          )}
          {done.ok && (
            <p className="flex flex-wrap gap-x-4 text-sm">
              {(["pdf", "mirrored", "svg"] as const).map((what) => (
                <a key={what} href={download(what)} download className="link">
                  {DOWNLOAD[what]}
                </a>
              ))}
            </p>
          )}
          {done.ok && (
            <KeepersOnly>
              <KeepSettings
                set={{ kind: of.kind, ...lengthsAndCounts(of.settings, sizes), own }}
                {...{ paper }}
                name={there ? nameOf(there.placed.piece, of) : of.name}
              />
            </KeepersOnly>
          )}
          {done.ok && <Cutter made={done} name={of.name} unit={unit} />}
        </>
      }
    >
      {shown === STEPS && done.ok ? (
        <div className="flex h-full min-h-0 flex-col">
          <Views states={states} folds={folding.length > 1} shown={shown} onShow={setShown} />
          <div className="min-h-0 flex-1">
            <MakingSteps kind={of.kind} made={done} unit={unit} there={there} leaves={leaves} />
          </div>
        </div>
      ) : (
        <MatStage
          label={state ? "How it lies folded" : "Its blueprint, to scale"}
          focus={<Views states={states} folds={folding.length > 1} shown={shown} onShow={setShown} />}
          bar={
            <>
              {shown === FOLDING && (
                <>
                  <MatButton onClick={() => setFolds(Math.max(0, folds - 1))}>Unfold</MatButton>
                  <MatButton strong onClick={() => setFolds(Math.min(folding.length - 1, folds + 1))}>
                    Fold on
                  </MatButton>
                  <p role="status">{folded?.name}.</p>
                </>
              )}
              <p className="basis-full text-sm">{state ? FOLDED_SAID : BLUEPRINT_SAID}</p>
            </>
          }
        >
          <Zoomed>
            {drawn && state && (
              <Mat
                mat={stateMat(drawn, state, unit, carried(state))}
                label={`${of.name}, ${state.name.toLowerCase()}, from above and from behind`}
              />
            )}
            {drawn && !state && (
              <PulledBlueprint
                {...{ of, made: drawn, sizes, pulls: lastPulls, unit }}
                label={`The blueprint of the ${of.name.toLowerCase()}: ${drawn.parts
                  .filter(({ count }) => count > 0)
                  .map(({ name, blank }) => `${name} ${saySize(blank, unit)}`)
                  .join(", ")}`}
                onSet={(id, value) => setByHand((now) => ({ ...now, [id]: value }))}
              />
            )}
          </Zoomed>
        </MatStage>
      )}
    </Workplace>
  );
}

/** What it is called: as somebody named it, else as its kind is. */
function nameOf(old: Piece | undefined, of: Craft): string {
  const built = old && builtOf(old);
  const own = old && "name" in old.what ? old.what.name : "";
  return own && own !== (built && craftOf(built.kind)?.name) ? own : of.name;
}

const DOWNLOAD = {
  pdf: "Template at true size, PDF",
  mirrored: "Mirrored, for the back of patterned paper",
  svg: "For a cutter, SVG",
} as const;

const BLUEPRINT_SAID =
  "Full line: cut. Dashes: fold towards the printed side. Dash and dot: fold away from it. Hatched: glue. Dotted: stays free. A dot at the end of a measure is pulled to change it.";
const FOLDED_SAID =
  "The small sign points to the head of what is printed: full on the printed side, hollow on its back.";

/** Sizes as an address has them. */
const sizesIn = (sizes: Sizes): string =>
  Object.entries(sizes)
    .map(([id, value]) => `${id}:${value}`)
    .join(",");
