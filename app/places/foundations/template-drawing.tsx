import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, mm, thumbOf } from "#app/drawing/mat-text.ts";
import type { BookData } from "#app/places/book/data.ts";
import { type Leaf, newLeaf, PLAIN_PAPER } from "#core/album/leaf.ts";
import { type AlbumFormat, EMPTY_DAY } from "#core/album/model.ts";
import type { DatedPage } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { readBook } from "#core/book/read.ts";
import type { Template } from "#core/book/template.ts";
import { sideMarks } from "#core/draw/side.ts";
import type { Unit } from "#core/measure/length.ts";
import type { CalendarDate } from "#core/month/dates.ts";

const NO_DAY: DatedPage = {
  label: "9",
  skipped: false,
  content: EMPTY_DAY,
  days: [{ id: "day", date: "2026-01-01" as CalendarDate, weekday: 1, title: "" }],
};

/** A template with nothing but what it keeps room for. */
export function TemplateDrawing({ template, data }: { template: Template; data: BookData }) {
  const pieces = template.pieces.map((piece, at) => ({ ...piece, id: `look-${at}`, dayId: null }));
  return <PageDrawing page={NO_DAY} template={template} pieces={pieces} data={data} />;
}

/** A page as a template would make it; `far`: as large as a thumb. */
export function PageDrawing({
  page,
  template,
  pieces,
  data,
  far = false,
}: {
  page: DatedPage;
  template: Template;
  pieces: Leaf["front"]["pieces"];
  data: { format: AlbumFormat; unit: Unit; layouts: readonly PocketLayout[] };
  far?: boolean;
}) {
  const owner = { kind: "day" as const, dayId: page.days[0]?.id ?? "" };
  const { kind, layout, page: size } = template;
  const bareLeaf = newLeaf("look", { ...PLAIN_PAPER, kind, layout, size }, owner, owner);
  const leaf: Leaf = { ...bareLeaf, front: { ...bareLeaf.front, pieces } };
  // Bare, so that the page alone is shown and not its protector.
  const bare = { ...data.format, binding: "sewn" as const };
  const [read] = readBook({ format: bare, unit: data.unit }, [page], [leaf], data.layouts).leaves;
  if (!read) return null;
  const marks = sideMarks(read, "front", bare);
  return (
    <Drawn
      as="svg"
      viewBox={`-1 -1 ${mm(template.page.w) + 2} ${mm(template.page.h) + 2}`}
      className="h-full max-h-full w-full"
      aria-hidden="true"
      markup={far ? thumbOf(marks) : drawingOf(marks)}
    />
  );
}
