import { useMemo, useState } from "react";
import { matBox, mm } from "#app/drawing/mat-text.ts";
import { FocusRow } from "#app/parts/workplace.tsx";
import { Arranger, type Selection } from "#app/places/arrange/arranger.tsx";
import type { Board, Faces } from "#app/places/arrange/boards.ts";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { SelectionBar } from "#app/places/arrange/selection-bar.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { poolContent } from "#core/album/steps.ts";
import type { Loose } from "#core/book/read.ts";
import type { Size } from "#core/measure/size.ts";
import { dayBoards } from "./day-book.ts";
import { useDayLeaves } from "./use-day-now.ts";
import { type DayView, entryName } from "./view.ts";

/** The day's mat with everything that can be moved on it. */
export function DayArranger({ view }: { view: DayView }) {
  const put = usePut();
  const { arrange } = useBookEdits();
  const [faces, setFaces] = useState<Faces>({});
  const page = useMemo(() => {
    const [first, ...others] = view.parts;
    if (!first) return null;
    const content = poolContent(
      first.content,
      others.map((part) => part.content),
    );
    return {
      ...{ label: view.label || null, skipped: view.skipped, content, days: view.parts },
      ...(view.matter && { matter: { kind: view.matter.kind, title: first.content.title, month: view.matter.month } }),
    };
  }, [view]);
  const { leaves, own } = useDayLeaves(view);
  const [asked, ask] = useState<string | null>(null);
  const all = useMemo(
    () => (page ? dayBoards(page, { ...view.bench, leaves }, view.unit, faces) : NOTHING),
    [page, view, leaves, faces],
  );
  // Of many leaves one lies alone, so that it is large; asked for, all together.
  const many = all.boards.length > MOST_TOGETHER;
  const only = chosenLeaf(all.boards, asked, many);
  const laid = useMemo(
    () => (page && only ? dayBoards(page, { ...view.bench, leaves }, view.unit, faces, only) : all),
    [page, view, leaves, faces, only, all],
  );
  const box = useMemo(
    () =>
      matBox([
        ...laid.boards.map(({ x, y, whole }) => ({
          x: x + mm(whole.x),
          y: y + mm(whole.y),
          w: mm(whole.w),
          h: mm(whole.h),
        })),
        ...laid.beside.map(({ loose, x, y }) => ({ x, y, w: mm(loose.size.w), h: mm(loose.size.h) })),
      ]),
    [laid],
  );
  const onPrint = (use: string, print: Size) => {
    const part = view.parts.find(({ content }) => content.photos.some(({ id }) => id === use));
    if (!part) return;
    const edit = { kind: "photo-print" as const, id: use, print };
    put(`${part.id}:photo-print:${use}`, { what: "edit", dayId: part.id, base: part.version, edit });
  };
  const onResize = ({ id, what }: Loose, size: Size) => {
    if (what === "photo") onPrint(id, size);
    const part = view.parts.find(({ content }) => content.cards.some((card) => card.id === id));
    if (what === "card" && part)
      put(`${part.id}:card-size:${id}`, {
        what: "edit",
        dayId: part.id,
        base: part.version,
        edit: { kind: "card-size", id, size },
      });
  };
  return (
    <>
      <FocusRow
        label="Leaves on the mat"
        things={all.boards.map(({ read, name }) => ({ id: read.leaf.id, name }))}
        chosen={only}
        onChoose={(leaf) => ask(leaf ?? ALL)}
      />
      <Arranger
        // Another leaf on the mat: nothing on it is under the hand yet.
        key={only}
        {...laid}
        box={box}
        format={view.bench.format}
        unit={view.unit}
        name="day"
        label={`The leaves of ${entryName(view)}, to scale. Tab goes from piece to piece, arrow keys move one.`}
        onArrange={(changes, isNudge) => arrange(leaves, changes, isNudge)}
        onResize={onResize}
        bar={(selection: Selection | null, select, putOn) => (
          <SelectionBar
            selection={selection}
            select={select}
            boards={laid.boards}
            beside={laid.beside}
            onPut={putOn}
            albumId={view.albumId}
            format={view.bench.format}
            unit={view.unit}
            tryOuts={view.bench.tryOuts}
            onArrange={(changes) => arrange(leaves, changes)}
            onPrint={onPrint}
            onFlip={(board) => setFaces({ ...faces, [board.read.leaf.id]: board.face === "front" ? "back" : "front" })}
            noPage={own.every(({ make }) => make.insert !== null)}
          />
        )}
      />
    </>
  );
}

const NOTHING: ReturnType<typeof dayBoards> = { boards: [], beside: [] };
const MOST_TOGETHER = 3;
/** Asked for instead of a leaf: all of them. */
const ALL = "all";

function chosenLeaf(boards: readonly Board[], asked: string | null, many: boolean): string | null {
  if (asked === ALL) return null;
  const found = boards.find(({ read }) => read.leaf.id === asked);
  const first = many ? (boards.find(({ read }) => read.build.insert === null) ?? boards[0]) : undefined;
  return found?.read.leaf.id ?? first?.read.leaf.id ?? null;
}
