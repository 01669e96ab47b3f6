import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  horizontalListSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
} from "@dnd-kit/sortable";
import { useDeferredValue, useEffect, useRef, useState } from "react";
import { useOneStop } from "#app/parts/one-stop.ts";
import { useIsKeeper } from "#app/parts/role.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { leafName } from "#app/places/arrange/boards.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { LeafRead } from "#core/book/read.ts";
import type { BookData } from "./data.ts";
import { Thumb } from "./thumb.tsx";

type Props = {
  readonly data: BookData;
  readonly leaves: readonly LeafRead[];
  readonly chosen: string;
  readonly onChoose: (index: number) => void;
  /** Puts a leaf behind another; null: to the front of the book. */
  readonly onMove: (leaf: string, after: string | null) => void;
};

/** Every leaf in order. Dragged, or taken with the space bar and carried with arrows, a leaf goes where it is put down. */
export function LeafStrip({ data, leaves, chosen, onChoose, onMove }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // While a leaf is carried, the arrows carry it.
  const [carrying, setCarrying] = useState(false);
  const stops = useOneStop<HTMLOListElement>({ isOff: carrying });
  const ids = leaves.map(({ leaf }) => leaf.id);
  // The spread is looked at first: its leaves' small drawings come after it.
  const isDrawn = useDeferredValue(useRunning());
  const nameOf = (id: string | number) => {
    const read = leaves.find(({ leaf }) => leaf.id === id);
    return read ? leafName(read, data.unit) : "The leaf";
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setCarrying(false);
    if (!over || active.id === over.id) return;
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over.id))];
    // Carried forward it comes to lie behind the one it is put on, carried back before it.
    const after = from < to ? ids[to] : ids[to - 1];
    onMove(String(active.id), after ?? null);
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(active.id)} taken up.`,
    onDragOver: ({ active, over }) =>
      over ? `${nameOf(active.id)} at place ${ids.indexOf(String(over.id)) + 1} of ${ids.length}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(active.id)} put at place ${ids.indexOf(String(over.id)) + 1}.` : undefined,
    onDragCancel: ({ active }) => `${nameOf(active.id)} put back.`,
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragStart={() => setCarrying(true)}
      onDragCancel={() => setCarrying(false)}
      onDragEnd={onDragEnd}
      accessibility={{ announcements }}
    >
      <SortableContext items={ids} strategy={horizontalListSortingStrategy}>
        <ol
          {...stops}
          aria-label="Leaves in order"
          className="relative flex gap-2 overflow-x-auto border-y border-line bg-ground px-4 py-2 max-wide:order-2 wide:border-b-0"
        >
          {leaves.map((read, at) => (
            <StripLeaf
              key={read.leaf.id}
              read={read}
              format={data.format}
              name={leafName(read, data.unit)}
              chosen={read.leaf.id === chosen}
              isDrawn={isDrawn}
              onChoose={() => onChoose(at)}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function StripLeaf({
  read,
  format,
  name,
  chosen,
  isDrawn,
  onChoose,
}: {
  read: LeafRead;
  format: AlbumFormat;
  name: string;
  chosen: boolean;
  isDrawn: boolean;
  onChoose: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: read.leaf.id,
    disabled: !useIsKeeper(),
  });
  const item = useRef<HTMLLIElement>(null);
  useEffect(() => {
    const list = item.current?.parentElement;
    // The strip alone is moved: the page stays where the keeper has it.
    if (chosen && item.current && list)
      list.scrollLeft = item.current.offsetLeft - (list.clientWidth - item.current.offsetWidth) / 2;
  }, [chosen]);
  // The content policy forbids style attributes in what the server sends; set from script, they are allowed.
  useEffect(() => {
    const { current } = item;
    if (!current) return;
    current.style.transform = transform ? `translate3d(${Math.round(transform.x)}px, 0, 0)` : "";
    current.style.transition = transition ?? "";
  }, [transform, transition]);
  const label = read.front.page?.label ?? read.back.page?.label ?? (read.build.insert ? "" : "–");
  return (
    <li
      ref={(node) => {
        item.current = node;
        setNodeRef(node);
      }}
      className={`strip-leaf shrink-0 p-0.5 ${isDragging ? "relative z-10 opacity-80" : ""}`}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-roledescription="leaf"
        aria-label={name}
        aria-current={chosen ? "true" : undefined}
        onClick={onChoose}
        className={`grid w-16 justify-items-center gap-0.5 rounded-sm border-2 bg-mat p-1 ${chosen ? "border-ember" : "border-transparent hover:border-edge"}`}
      >
        {isDrawn ? (
          <Thumb read={read} face="front" format={format} className="h-16 w-full" />
        ) : (
          <span className="h-16" />
        )}
        <span className="text-xs text-on-mat">{label || "·"}</span>
      </button>
    </li>
  );
}
