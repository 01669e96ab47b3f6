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
import { FocusRow, MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { leafName } from "#app/places/arrange/boards.ts";
import { inBookName } from "#app/places/arrange/in-book.ts";
import type { BookData } from "#app/places/book/data.ts";
import { useBook } from "#app/places/book/use-book.ts";
import { sayThin } from "#app/wording/bulk.ts";
import { many } from "#app/wording/count.ts";
import { impossibleSaid, placeTroubleSaid, saidIn } from "#app/wording/making.ts";
import type { Face, Piece } from "#core/album/leaf.ts";
import { AS_USUAL } from "#core/album/made-of.ts";
import type { InBook } from "#core/book/dated-page.ts";
import { markedFor, type PlacedPiece } from "#core/book/read.ts";
import { builtAs, readBuilt, stockOf } from "#core/craft/built.ts";
import { craftOf } from "#core/craft/catalog.ts";
import { type Craft, type Made, made, type Sizes, usualSizes } from "#core/craft/craft.ts";
import { foldingOf } from "#core/craft/lies.ts";
import { layersOf, thickOf, troublesThere } from "#core/craft/place.ts";
import { isMaterial, MATERIAL_IDS, MATERIALS } from "#core/material/material.ts";
import { at, centredIn, type Rect, sizeOf } from "#core/measure/rect.ts";
import { saySize, turned } from "#core/measure/size.ts";
import { FromSheet } from "./from-sheet.tsx";
import { itemsOf, pageOfDay, type Room, roomsOf } from "./goes.ts";
import { blueprintMat, stateMat } from "./making-mat.ts";
import { MakingSteps } from "./making-steps.tsx";
import { SettingsForm } from "./settings-form.tsx";

/** Papers and the like that are folded; what is no sheet is left out. */
const SHEETS = MATERIAL_IDS.filter(
  (id) => MATERIALS[id].caliper <= 400 && !/tape|washi|sticker|stitching|ply/.test(MATERIALS[id].name),
);

const BLUEPRINT = "blueprint";
const FOLDING = "folding";
const STEPS = "steps";

type Props = { kind: string; data: BookData; dayDate: string };

/** One construction, where the catalog has it. */
export function Making({ kind, ...props }: Props) {
  const of = craftOf(kind);
  return of && <MakingOf of={of} {...props} />;
}

/** What is set of a construction, its blueprint, how it folds, whether it works there, and its steps. */
function MakingOf({ of, data, dayDate }: Omit<Props, "kind"> & { of: Craft }) {
  const { albumId, unit, format } = data;
  const [query, setQuery] = useSearchParams();
  const { book, leaves, arrange } = useBook(data);
  const pages: readonly InBook[] = useMemo(() => [...data.pages, ...data.matters], [data]);
  const [forPage, setFor] = useState<number | null>(null);
  const page = forPage === null ? pageOfDay(pages, query.get("day") ?? dayDate) : pages[forPage];
  const items = useMemo(() => itemsOf(page, unit), [page, unit]);
  const rooms = useMemo(() => roomsOf(book, page, unit), [book, page, unit]);
  const there = placedAs(book, query.get("leaf"), query.get("face"), query.get("piece"));
  const was = there?.placed.piece.what.kind === "construction" ? (there.placed.piece.what.built ?? null) : null;
  // What was set by hand; the rest follows.
  const [byHand, setByHand] = useState<Readonly<Record<string, number>>>(() =>
    was ? (readBuilt(was)?.sizes ?? {}) : {},
  );
  const [itemId, setItem] = useState("");
  const [roomId, setRoom] = useState("");
  const [paper, setPaper] = useState(there?.placed.piece.of?.material ?? of.paper);
  const [shown, setShown] = useState<string>(BLUEPRINT);
  const item = items.find(({ id }) => id === itemId) ?? null;
  const room = rooms.find(({ id }) => id === roomId) ?? null;
  const goes = useMemo(() => ({ item: item?.size ?? null, room: room?.size ?? null }), [item, room]);
  const sizes = useMemo(() => ({ ...usualSizes(of, goes), ...byHand }), [of, goes, byHand]);
  const stock = useMemo(() => stockOf(paper), [paper]);
  const done = useMemo(() => made(of, sizes, stock, goes), [of, sizes, stock, goes]);
  // What cannot be made is said beside the last drawing that could.
  const [last, setLast] = useState<Made | null>(null);
  if (done.ok && done !== last) setLast(done);
  const drawn = done.ok ? done : last;
  const states = drawn?.states ?? [];
  const folding = useMemo(() => (drawn ? foldingOf(drawn) : []), [drawn]);
  const [folds, setFolds] = useState(0);
  const folded = folding[Math.min(folds, folding.length - 1)];
  const state = shown === FOLDING ? folded : states.find(({ id }) => id === shown);
  const nameOfState = (id: string) => states.find((each) => each.id === id)?.name ?? "Open";

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
      name: (old?.what.kind === "construction" && old.what.name) || of.name,
      ...(done.ok ? { built: builtAs(of, sizes, done, paper) } : {}),
    },
    of: { ...(old?.of ?? AS_USUAL), material: paper },
  });
  const lay = (where: Room) => {
    if (!done.ok) return;
    const { read, face } = where;
    const side = read[face];
    const id = newId();
    const next = piece(id, centredIn(where.at, done.closed));
    const pieces = side.pieces.map((each) => each.piece);
    arrange(leaves, [{ leaf: read.leaf.id, face, pieces: [...pieces, markedFor(next, side, null)] }]);
    // From now on that piece is what is looked at, so that it is laid once.
    setQuery({ leaf: read.leaf.id, face, piece: id }, { replace: true, preventScrollReset: true });
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
  const troubles = done.ok && (there || room) ? troublesThere(done, whereOf(there, room, done), format) : [];
  const download = (ending: "pdf" | "svg") =>
    to.document(albumId, ending === "pdf" ? "making" : "cut-file", `${of.kind}.${ending}`, {
      sizes: sizesIn(sizes),
      paper,
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
            <div className="grid gap-3">
              <SelectField
                label="For the page of"
                value={page ? pages.indexOf(page) : ""}
                onChange={(event) => setFor(Number(event.target.value))}
              >
                {pages.map((each, nth) => (
                  <option key={each.days.map(({ id }) => id).join()} value={nth}>
                    {inBookName(each)}
                  </option>
                ))}
              </SelectField>
              <SelectField label="What goes in" value={itemId} onChange={(event) => setItem(event.target.value)}>
                <option value="">Nothing that is known yet</option>
                {items.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </SelectField>
              <SelectField label="Where it goes" value={roomId} onChange={(event) => setRoom(event.target.value)}>
                <option value="">On its own</option>
                {rooms.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </SelectField>
            </div>
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
          {(there || room) && done.ok && (
            <section aria-labelledby="works-there" className="grid gap-1">
              <h2 id="works-there" className="text-lg">
                {troubles.length === 0 ? "It works there" : "There"}
              </h2>
              {troubles.length === 0 ? (
                <p className="text-sm">
                  It fits closed, and opens clear of the rings, the cover and what lies beside it.
                </p>
              ) : (
                <ul className="grid gap-1 text-sm">
                  {troubles.map((trouble) => {
                    const words = placeTroubleSaid(trouble, nameOfState, unit);
                    return <li key={words}>{words}</li>;
                  })}
                </ul>
              )}
            </section>
          )}
          <div className="flex flex-wrap gap-3">
            {there && (
              <Button look="main" disabled={!done.ok} onClick={change}>
                Change it on its page
              </Button>
            )}
            {room && (
              <Button look="main" disabled={!done.ok} onClick={() => lay(room)}>
                Lay it on {room.name}
              </Button>
            )}
          </div>
          {there && (
            <p className="text-sm">
              It lies on {leafName(there.read, unit)}, {there.face}.
            </p>
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
              {(["pdf", "svg"] as const).map((ending) => (
                <a key={ending} href={download(ending)} download className="link">
                  {ending === "pdf" ? "Template at true size, PDF" : "For a cutter, SVG"}
                </a>
              ))}
            </p>
          )}
        </>
      }
    >
      {shown === STEPS && done.ok ? (
        <div className="flex h-full min-h-0 flex-col">
          <Views states={states} folds={folding.length > 1} shown={shown} onShow={setShown} />
          <div className="min-h-0 flex-1">
            <MakingSteps made={done} unit={unit} />
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
            {drawn && (
              <Mat
                mat={state ? stateMat(drawn, state, unit) : blueprintMat(drawn, unit)}
                label={
                  state
                    ? `${of.name}, ${state.name.toLowerCase()}, from above and from behind`
                    : `The blueprint of the ${of.name.toLowerCase()}: ${drawn.parts
                        .filter(({ count }) => count > 0)
                        .map(({ name, blank }) => `${name} ${saySize(blank, unit)}`)
                        .join(", ")}`
                }
              />
            )}
          </Zoomed>
        </MatStage>
      )}
    </Workplace>
  );
}

const BLUEPRINT_SAID =
  "Full line: cut. Dashes: fold towards the printed side. Dash and dot: fold away from it. Hatched: glue. Dotted: stays free.";
const FOLDED_SAID =
  "The small sign points to the head of what is printed: full on the printed side, hollow on its back.";

type ViewsProps = {
  states: Made["states"];
  /** Whether any part of it folds. */
  folds: boolean;
  shown: string;
  onShow: (id: string) => void;
};

function Views({ states, folds, shown, onShow }: ViewsProps) {
  const things = [
    ...(folds ? [{ id: FOLDING, name: "Fold by fold" }] : []),
    ...states.map(({ id, name }) => ({ id, name })),
    { id: STEPS, name: "Steps" },
  ];
  return (
    <FocusRow
      label="What is looked at"
      all="Blueprint"
      things={things}
      chosen={shown === BLUEPRINT ? null : shown}
      onChoose={(id) => onShow(id ?? BLUEPRINT)}
    />
  );
}

/** The piece that is looked at on its page, where the address names one that is there. */
function placedAs(
  book: ReturnType<typeof useBook>["book"],
  leaf: string | null,
  face: string | null,
  piece: string | null,
) {
  const read = book.leaves.find((each) => each.leaf.id === leaf);
  const up: Face = face === "back" ? "back" : "front";
  const placed = read?.[up].pieces.find((each) => each.piece.id === piece);
  return read && placed ? { read, face: up, placed } : null;
}

/** Sizes as an address has them. */
const sizesIn = (sizes: Sizes): string =>
  Object.entries(sizes)
    .map(([id, value]) => `${id}:${value}`)
    .join(",");

type There = NonNullable<ReturnType<typeof placedAs>>;

/** Where it lies, or would lie in the middle of the room that is chosen. */
function whereOf(there: There | null, room: Room | null, done: Made) {
  if (there) {
    const { read, face, placed } = there;
    const others: readonly PlacedPiece[] = read[face].pieces.filter((each) => each !== placed);
    const { turn, outside, at: corner } = placed.piece;
    // As large as it is with what is set now, where it lies.
    const lies = at(corner, turn % 2 === 1 ? turned(done.closed) : done.closed);
    return { read, face, lies, turn, outside, others };
  }
  if (!room) throw new Error("somewhere");
  const { read, face } = room;
  return {
    read,
    face,
    lies: centredIn(room.at, done.closed),
    turn: 0 as const,
    outside: false,
    others: read[face].pieces,
  };
}
