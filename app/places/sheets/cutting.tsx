import { useEffect, useMemo, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { CutNumbers, lineOf } from "#app/drawing/cut-lines.tsx";
import { Drawn } from "#app/drawing/drawn.tsx";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { letterOn, matGround, mm } from "#app/drawing/mat-text.ts";
import { Button, buttonLook } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { Refusal } from "#app/parts/refusal.tsx";
import { MatStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { many } from "#app/wording/count.ts";
import { STEP_CAUTION } from "#app/wording/day.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { saySize } from "#core/measure/size.ts";
import type { CutPart, CutStep } from "#core/sheet/cutting.ts";
import { paperName } from "#core/sheet/paper.ts";
import { sheetMarkup } from "./sheet-drawing.ts";
import { sheetNow, usePrints } from "./use-prints.ts";
import type { MadePrint, MadeSheet } from "./view.ts";

type Props = { readonly albumId: string; readonly title: string; readonly unit: Unit; readonly sheet: MadeSheet };

const FROM = { left: "left", right: "right", top: "upper", bottom: "lower" } as const;

/** A print as it is called at the trimmer. */
const nameOf = (print: MadePrint | undefined): string =>
  print ? `${print.label}${print.spare ? " spare" : ""}` : "a print";

/** What one side of a cut is, in a few words. */
function partSaid(part: CutPart, prints: readonly MadePrint[], unit: Unit): string {
  switch (part.kind) {
    case "waste":
      return "waste";
    case "print": {
      const print = prints[part.print];
      return `${nameOf(print)}, ${print ? saySize({ w: print.at.w, h: print.at.h }, unit) : ""}, is free`;
    }
    case "cut-on":
      return `a piece with ${part.prints.length} to cut on`;
  }
}

/** One sheet at the trimmer: one cut at a time, big enough to read from there, ticked as it is made. */
export function Cutting({ albumId, title, unit, sheet: saved }: Props) {
  const { tick: send, pending } = usePrints();
  const sheet = useMemo(() => sheetNow(saved, pending), [saved, pending]);
  const done = useMemo(() => new Set(sheet.cutsDone), [sheet.cutsDone]);
  const firstOpen = sheet.cuts.findIndex((_, at) => !done.has(at));
  const [chosen, setChosen] = useState<number | null>(null);
  const at = chosen ?? (firstOpen < 0 ? sheet.cuts.length - 1 : firstOpen);
  const cut = sheet.cuts[at];
  const tick = (which: number, on: boolean) => {
    send({ how: "cut", sheet: sheet.id, cut: which, on });
    // On to the first cut that is open, or to the end.
    setChosen(on ? null : which);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLElement && ["BUTTON", "A", "INPUT"].includes(event.target.tagName)) return;
      if (event.key === " " || event.key === "Enter") {
        event.preventDefault();
        tick(at, true);
      } else if (event.key === "ArrowDown" || event.key === "ArrowUp") {
        event.preventDefault();
        setChosen(Math.max(0, Math.min(sheet.cuts.length - 1, at + (event.key === "ArrowDown" ? 1 : -1))));
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const allDone = firstOpen < 0;
  return (
    <Workplace
      width="broad"
      tabs={
        sheet.of === "cards" ? (
          <PlaceTabs place="words" albumId={albumId} here="card-sheets" />
        ) : (
          <PlaceTabs place="photos" albumId={albumId} here="sheets" />
        )
      }
      // At the trimmer the measure comes first, and the drawing after it.
      lead={
        <>
          <p className="only-printed font-numeral text-2xl font-semibold">
            {title}, sheet {sheet.number} on {paperName(sheet.paper, unit)}: {many(sheet.cuts.length, "cut")} in this
            order
          </p>
          <p className="not-printed text-sm text-quiet">
            <Link className="link" to={sheet.of === "cards" ? to.cardSheets(albumId) : to.sheets(albumId)}>
              {sheet.of === "cards" ? "Print cards" : "Print sheets"}
            </Link>{" "}
            · sheet {sheet.number}, {paperName(sheet.paper, unit)}
            {sheet.printedAt === null && ", not printed yet: the first cut says that it is"}
          </p>
          <Refusal />
          {allDone && chosen === null ? (
            <div className="grid gap-3" role="status">
              <h1 className="text-4xl">All cut</h1>
              <p className="text-lg">
                {sheet.cuts.length} cuts, {sheet.prints.filter(({ state }) => state !== "spoiled").length} prints. Close
                the blade.
              </p>
            </div>
          ) : (
            cut && <BigStep cut={cut} at={at} of={sheet.cuts.length} prints={sheet.prints} unit={unit} />
          )}
          <div className="flex flex-wrap gap-2">
            {!done.has(at) ? (
              <Button look="main" className="min-h-14 flex-1 text-lg" onClick={() => tick(at, true)}>
                Cut. Next
              </Button>
            ) : (
              <Button className="min-h-14 flex-1 text-lg" onClick={() => tick(at, false)}>
                Take the tick of cut {at + 1} away
              </Button>
            )}
            <Button
              className="min-h-14"
              aria-label="The cut before"
              disabled={at === 0}
              onClick={() => setChosen(at - 1)}
            >
              Back
            </Button>
            {sheet.cuts.length - done.size > 1 && (
              <Button
                className="min-h-14"
                onClick={() => {
                  send({ how: "all-cut", sheet: sheet.id });
                  setChosen(null);
                }}
              >
                All cut
              </Button>
            )}
          </div>
          <p className="border-l-4 border-ring-paper pl-3 text-sm">{STEP_CAUTION.trim}</p>
        </>
      }
      panel={
        <>
          <ol className="grid border-t border-line">
            {sheet.cuts.map((each, index) => (
              <li key={`${each.axis}${each.line} ${each.piece.x} ${each.piece.y}`}>
                <button
                  type="button"
                  onClick={() => setChosen(index)}
                  aria-current={index === at ? "step" : undefined}
                  className={`grid w-full grid-cols-[28px_20px_minmax(0,1fr)] items-baseline gap-1 border-b border-line py-1.5 text-left text-sm ${index === at ? "font-semibold" : done.has(index) ? "text-quiet" : ""}`}
                >
                  <span className="font-numeral">{index + 1}</span>
                  <span aria-hidden="true">{done.has(index) ? "✓" : ""}</span>
                  <span>
                    {sayLength(each.measure, unit)} from the {FROM[each.from]} edge
                    <span className="text-quiet"> of {saySize(each.piece, unit)}</span>
                    {done.has(index) && <span className="sr-only">, cut</span>}
                  </span>
                </button>
              </li>
            ))}
          </ol>
          <Spoiled sheet={sheet} unit={unit} onMark={(print, on) => send({ how: "spoiled", print, on })} />
          <a
            className={buttonLook("plain", true)}
            href={to.document(albumId, sheet.of === "photos" ? "print-sheets" : "card-sheets", `${sheet.number}.pdf`)}
            download
          >
            PDF of this sheet
          </a>
        </>
      }
    >
      <MatStage label="The sheet, to scale">
        <Zoomed>
          <CutDrawing
            sheet={sheet}
            cut={allDone && chosen === null ? undefined : cut}
            done={done}
            title={title}
            unit={unit}
          />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

/** The cut in hand, in letters that are read from an arm's length. */
function BigStep({
  cut,
  at,
  of,
  prints,
  unit,
}: {
  cut: CutStep;
  at: number;
  of: number;
  prints: readonly MadePrint[];
  unit: Unit;
}) {
  const [kept, off] = cut.from === "right" || cut.from === "bottom" ? [cut.second, cut.first] : [cut.first, cut.second];
  return (
    <div aria-live="polite" className="not-printed grid gap-1">
      <p className="text-lg text-quiet">
        Cut {at + 1} of {of}
      </p>
      <h1 className="text-[clamp(3.2rem,7vw,5.2rem)] leading-none tabular-nums">
        {sayLength(cut.measure, unit).replace(/″| cm/, "")}
        {unit === "inch" ? (
          <span className="align-top text-[0.6em]">″</span>
        ) : (
          <span className="text-[0.5em]"> cm</span>
        )}
      </h1>
      <p className="text-2xl leading-snug font-medium">from the {FROM[cut.from]} edge</p>
      <p className="text-lg">
        Take the piece of {saySize(cut.piece, unit)}; the blade runs{" "}
        {cut.axis === "x" ? "from top to foot" : "from side to side"}.
      </p>
      <p className="text-lg">
        Measured side: {partSaid(kept, prints, unit)}. Other side: {partSaid(off, prints, unit)}.
      </p>
    </div>
  );
}

function CutDrawing({
  sheet,
  cut,
  done,
  title,
  unit,
}: {
  sheet: MadeSheet;
  cut: CutStep | undefined;
  done: ReadonlySet<number>;
  title: string;
  unit: Unit;
}) {
  const [w, h] = [mm(sheet.paper.w), mm(sheet.paper.h)];
  const box = { x: -16, y: -16, w: w + 32, h: h + 32 };
  const markup = useMemo(
    () =>
      matGround({ x: -16, y: -16, w: w + 32, h: h + 32 }, unit, false, "cutting") +
      sheetMarkup(
        {
          ...sheet,
          prints: sheet.prints.map((print) => ({ ...print, words: nameOf(print) })),
        },
        `${title}, sheet ${sheet.number}`,
        unit,
      ),
    [sheet, title, unit, w, h],
  );
  const letter = letterOn(box) * 1.5;
  return (
    <svg
      viewBox={viewBoxOf(box)}
      preserveAspectRatio="xMidYMid meet"
      className="block h-full w-full"
      role="img"
      aria-label={`Sheet ${sheet.number} with its cuts`}
    >
      <Drawn markup={markup} />
      {sheet.cuts.map((each, at) =>
        done.has(at) ? (
          <path
            key={`${each.axis}${each.line} ${each.piece.x} ${each.piece.y}`}
            d={lineOf(each)}
            stroke="#14181a"
            strokeWidth={0.6}
            strokeDasharray="1.5 1.5"
          />
        ) : null,
      )}
      <g className="only-printed">
        <CutNumbers cuts={sheet.cuts} letter={letter} />
      </g>
      {cut && (
        <g className="not-printed">
          <path
            d={`M0 0H${w}V${h}H0ZM${mm(cut.piece.x)} ${mm(cut.piece.y)}v${mm(cut.piece.h)}h${mm(cut.piece.w)}v${-mm(cut.piece.h)}Z`}
            fill="#14181a"
            fillOpacity={0.55}
            fillRule="evenodd"
          />
          <path d={lineOf(cut, 7)} className="stroke-flame" strokeWidth={1.8} />
          <Measure cut={cut} letter={letter} unit={unit} />
        </g>
      )}
    </svg>
  );
}

/** How far the blade is from the edge that lies at the rule, drawn between the two. */
function Measure({ cut, letter, unit }: { cut: CutStep; letter: number; unit: Unit }) {
  const { axis, piece, from, line, measure } = cut;
  const [x, y, w, h] = [mm(piece.x), mm(piece.y), mm(piece.w), mm(piece.h)];
  const edge = { left: x, right: x + w, top: y, bottom: y + h }[from];
  const middle = (edge + mm(line)) / 2;
  const [cx, cy] = axis === "x" ? [middle, y + h / 2] : [x + w / 2, middle];
  const words = sayLength(measure, unit);
  const wide = words.length * letter * 0.6 + letter;
  return (
    <g>
      <path
        d={axis === "x" ? `M${edge} ${cy}H${mm(line)}` : `M${cx} ${edge}V${mm(line)}`}
        className="stroke-flame"
        strokeWidth={0.8}
      />
      <rect x={cx - wide / 2} y={cy - letter * 0.85} width={wide} height={letter * 1.7} rx={1} fill="#14181a" />
      <text
        x={cx}
        y={cy}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={letter}
        fill="#ffffff"
        className="font-numeral"
      >
        {words}
      </text>
    </g>
  );
}

/** Prints that went wrong: they are wanted again, and join the next sheet. */
function Spoiled({
  sheet,
  unit,
  onMark,
}: {
  sheet: MadeSheet;
  unit: Unit;
  onMark: (print: string, on: boolean) => void;
}) {
  if (sheet.printedAt === null) return null;
  return (
    <section aria-label="Prints of this sheet" className="not-printed grid gap-1">
      <h2 className="text-lg">If one is spoiled</h2>
      <ul className="flex flex-wrap gap-2">
        {sheet.prints.map((print) => (
          <li key={print.id}>
            <button
              type="button"
              aria-pressed={print.state === "spoiled"}
              aria-label={`${nameOf(print)}, ${saySize({ w: print.at.w, h: print.at.h }, unit)}, spoiled`}
              onClick={() => onMark(print.id, print.state !== "spoiled")}
              className={`min-h-9 rounded-sm border px-3 text-sm ${print.state === "spoiled" ? "border-ember bg-ember text-on-ember line-through" : "border-edge bg-raised hover:border-ember"}`}
            >
              {nameOf(print)}
            </button>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">A spoiled print joins the next sheet; a spare takes its place at once.</p>
    </section>
  );
}
