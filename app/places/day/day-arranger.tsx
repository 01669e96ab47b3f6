import { useMemo, useState } from "react";
import { matBox, mm } from "#app/drawing/mat-text.ts";
import { Arranger, type Selection } from "#app/places/arrange/arranger.tsx";
import type { Faces } from "#app/places/arrange/boards.ts";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { SelectionBar } from "#app/places/arrange/selection-bar.tsx";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { poolContent } from "#core/album/steps.ts";
import type { Loose } from "#core/book/read.ts";
import type { Size } from "#core/measure/size.ts";
import { dayBoards } from "./day-book.ts";
import { useDayLeaves } from "./use-day-leaves.ts";
import { type DayView, entryName } from "./view.ts";

/** The day's mat with everything that can be moved on it. */
export function DayArranger({ view }: { view: DayView }) {
  const { put } = useOutbox();
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
      ...{ label: view.matter ? null : view.label, skipped: view.skipped, content, days: view.parts },
      ...(view.matter && { matter: { kind: view.matter.kind, title: first.content.title } }),
    };
  }, [view]);
  const { leaves, own } = useDayLeaves(view);
  const laid = useMemo(
    () => (page ? dayBoards(page, { ...view.bench, leaves }, view.unit, faces) : { boards: [], beside: [] }),
    [page, view, leaves, faces],
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
    <Arranger
      {...laid}
      box={box}
      format={view.bench.format}
      unit={view.unit}
      name="day"
      label={`The leaves of ${entryName(view)}, to scale. Tab goes from piece to piece, arrow keys move one.`}
      onArrange={(changes) => arrange(leaves, changes)}
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
  );
}
