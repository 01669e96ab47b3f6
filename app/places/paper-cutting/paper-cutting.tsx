import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { CutNumbers } from "#app/drawing/cut-lines.tsx";
import { Drawn } from "#app/drawing/drawn.tsx";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { letterOn, matGround, mm } from "#app/drawing/mat-text.ts";
import { Button } from "#app/parts/button.tsx";
import { PlaceTabs } from "#app/parts/place-tabs.tsx";
import { MatStage, PageStage, Workplace } from "#app/parts/workplace.tsx";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { NotDone } from "#app/places/drawer/not-done.tsx";
import { many } from "#app/wording/count.ts";
import { STEP_CAUTION } from "#app/wording/day.ts";
import { motifOn } from "#core/drawer/motif.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { sizeOf } from "#core/measure/rect.ts";
import { printSize, saySize } from "#core/measure/size.ts";
import type { CutAct, CutAnswer } from "./acts.ts";
import type { PaperCuttingView, PaperView, RestView, SheetView } from "./view.ts";

const FROM = { left: "left", right: "right", top: "upper", bottom: "lower" } as const;
const nameOf = (paper: number, sheet: number) => `${paper}-${sheet}`;

/** What is still to be cut of paper: which piece of which sheet, in the order of the cuts, and what remains. */
export function PaperCutting({ view }: { view: PaperCuttingView }) {
  const { albumId, unit, papers } = view;
  const [chosen, setChosen] = useState<string | null>(null);
  const all = papers.flatMap((paper, nth) =>
    paper.sheets.map((sheet, at) => ({ key: nameOf(nth, at), paper, sheet, at })),
  );
  const shown = all.find(({ key }) => key === chosen) ?? all[0];
  const tabs = <PlaceTabs place="drawer" albumId={albumId} here="paper-cutting" />;
  const heading = (
    <div>
      <h1 className="text-2xl">Cut from paper</h1>
      <p className="text-sm text-quiet">
        {all.length > 0
          ? `${many(all.length, "sheet")} to begin, remainders before whole ones.`
          : "Nothing is to be cut of any paper of the drawer."}
      </p>
    </div>
  );
  if (!shown)
    return (
      <Workplace tabs={tabs}>
        <PageStage>
          <div className="grid max-w-prose content-start gap-4">
            {heading}
            <p>
              Say of a page’s base, or of a mat or card on it, that it is made of a paper of the{" "}
              <Link to={to.part(albumId, "drawer")} className="link">
                drawer
              </Link>
              : under “Made of”, on its day or in the book. Here stands then which sheet it is cut from.
            </p>
            <Rest view={view} />
          </div>
        </PageStage>
      </Workplace>
    );
  return (
    <Workplace
      width="broad"
      tabs={tabs}
      lead={heading}
      panel={
        <>
          <OneSheet
            key={shown.key}
            {...{ albumId, unit }}
            paper={shown.paper}
            sheet={shown.sheet}
            onCut={() => setChosen(null)}
          />
          <nav aria-label="Sheets to cut" className="not-printed grid gap-3 border-t border-line pt-4">
            {papers.map((paper, nth) => (
              <Paper key={paper.name} {...{ paper, nth, unit }} chosen={shown.key} onChoose={setChosen} />
            ))}
          </nav>
          <Rest view={view} />
        </>
      }
    >
      <MatStage label="The sheet, to scale">
        <Zoomed>
          <SheetDrawing sheet={shown.sheet} unit={unit} name={shown.paper.name} hasTop={shown.paper.hasTop} />
        </Zoomed>
      </MatStage>
    </Workplace>
  );
}

type PaperProps = { paper: PaperView; nth: number; unit: Unit; chosen: string; onChoose: (key: string) => void };

function Paper({ paper, nth, unit, chosen, onChoose }: PaperProps) {
  return (
    <section aria-label={paper.name} className="grid gap-1">
      <h2 className="text-lg">{paper.name}</h2>
      <ul>
        {paper.sheets.map((sheet, at) => {
          const key = nameOf(nth, at);
          return (
            <li key={key}>
              <button
                type="button"
                aria-current={key === chosen ? "true" : undefined}
                onClick={() => onChoose(key)}
                className={`w-full border-b border-line py-1.5 text-left text-sm hover:text-ember ${key === chosen ? "border-l-4 border-l-ember pl-3 font-semibold" : ""}`}
              >
                {printSize(sheet.size, unit)}
                {sheet.isRemainder ? ", a remainder" : ""}
                <span className="block text-quiet">{sheet.pieces.map(({ name }) => name).join("; ")}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

type SheetProps = {
  albumId: string;
  unit: Unit;
  paper: PaperView;
  sheet: SheetView;
  onCut: () => void;
};

/** One sheet at the trimmer: its cuts in order, and what of it goes back into the drawer. */
function OneSheet({ albumId, unit, paper, sheet, onCut }: SheetProps) {
  const fetcher = useFetcher<CutAnswer>({ key: "paper-cutting" });
  const [kept, setKept] = useState(() => sheet.rests.map(({ keep }) => keep));
  const cut = () => {
    const act: CutAct = {
      thing: sheet.thing,
      cut: sheet.finishes.map((each) => ({ ...each })),
      rests: sheet.rests.filter((_, at) => kept[at]).map(({ size }) => size),
      kept: sheet.kept && motifOn(sheet.kept.rest, sheet.kept.motif),
    };
    onCut();
    void fetcher.submit(act as never, {
      method: "post",
      action: to.part(albumId, "paper-cutting"),
      encType: "application/json",
    });
  };
  return (
    <section aria-labelledby="one-sheet" className="grid gap-3">
      <h2 id="one-sheet" className="text-xl">
        {paper.name} {printSize(sheet.size, unit)}
      </h2>
      {paper.hasTop && <p className="text-sm text-quiet">Its pattern stays upright: nothing is turned.</p>}
      {paper.oneSided && <p className="text-sm text-quiet">Printed on one side: cut with that side up.</p>}
      {sheet.cuts.length === 0 ? (
        <p>The whole sheet, as it is: nothing is cut.</p>
      ) : (
        <ol className="grid border-t border-line">
          {sheet.cuts.map((each, at) => (
            <li
              key={`${each.axis}${each.line} ${each.piece.x} ${each.piece.y}`}
              className="grid grid-cols-[28px_minmax(0,1fr)] items-baseline gap-1 border-b border-line py-1.5 text-sm"
            >
              <span className="font-numeral">{at + 1}</span>
              <span>
                <strong className="font-semibold">{sayLength(each.measure, unit)}</strong> from the {FROM[each.from]}{" "}
                edge
                <span className="text-quiet"> of {saySize(each.piece, unit)}</span>
              </span>
            </li>
          ))}
        </ol>
      )}
      <ul className="text-sm">
        {sheet.pieces.map(({ id, name, at, turned }) => (
          <li key={id}>
            {name}: {printSize({ w: at.w, h: at.h }, unit)}
            {turned ? ", lying turned" : ""}
          </li>
        ))}
      </ul>
      {sheet.kept && (
        <p className="border-t border-line pt-2 text-sm">
          {printSize(sizeOf(sheet.kept.rest), unit)} keeps the motif whole and goes back into the drawer.
        </p>
      )}
      {sheet.rests.length > 0 && (
        <fieldset className="grid gap-1 border-t border-line pt-2">
          <legend className="float-left mb-1 text-base font-medium">What is left goes back into the drawer</legend>
          {sheet.rests.map((rest, at) => (
            <label
              // biome-ignore lint/suspicious/noArrayIndexKey: two rests may be alike
              key={at}
              className="flex min-h-8 items-center gap-2 text-sm"
            >
              <input
                type="checkbox"
                className="size-5 accent-ember"
                checked={kept[at] ?? false}
                onChange={(event) => setKept(kept.map((is, nth) => (nth === at ? event.target.checked : is)))}
              />
              {restSaid(rest, unit)}
            </label>
          ))}
        </fieldset>
      )}
      {sheet.cuts.length > 0 && <p className="border-l-4 border-ring-paper pl-3 text-sm">{STEP_CAUTION.trim}</p>}
      <NotDone answer={fetcher.data ?? null} />
      <Button
        look="main"
        className="not-printed min-h-12 justify-self-start"
        disabled={fetcher.state !== "idle"}
        onClick={cut}
      >
        {sheet.cuts.length === 0 ? "It is on its page" : "All cut"}
      </Button>
    </section>
  );
}

/** `4¼ × 12, makes 3 of 3 × 4`. */
const restSaid = ({ size, makes }: RestView, unit: Unit): string =>
  `${printSize(size, unit)}${makes ? `, makes ${makes.count} of ${printSize(makes.size, unit)}` : ""}`;

/** What no sheet takes: short of paper, larger than any, or of a paper whose size nobody said. */
function Rest({ view: { albumId, unit, papers, unsized } }: { view: PaperCuttingView }) {
  const short = papers.flatMap((paper) => paper.short.map((each) => ({ ...each, paper: paper.name })));
  const joined = papers.flatMap(({ joined, name, keepsMotif }) =>
    joined.map((each) => ({ ...each, paper: name, keepsMotif })),
  );
  if (short.length + joined.length + unsized.length === 0) return null;
  return (
    <section aria-labelledby="no-sheet" className="grid gap-1 border-t border-line pt-4 text-sm">
      <h2 id="no-sheet" className="text-lg">
        No sheet for these
      </h2>
      <ul className="grid gap-1">
        {short.map(({ name, paper, size }) => (
          <li key={`${name} ${paper}`}>
            {name}, {printSize(size, unit)}: <strong className="font-semibold">{paper} is used up</strong>.
          </li>
        ))}
        {joined.map(({ name, paper, size, from, keepsMotif }) => (
          <li key={`${name} ${paper}`}>
            {name}, {printSize(size, unit)}, is larger than any {paper} there is
            {keepsMotif ? " beside the motif that is kept" : ""}
            {from
              ? `: join ${from.parts} of ${printSize(from.size, unit)}; the ${from.parts === 2 ? "seam runs" : "seams run"} ${from.along === "w" ? "from top to foot" : "from side to side"}.`
              : "."}
          </li>
        ))}
        {unsized.map((name) => (
          <li key={name}>
            How large a sheet of {name} is, nobody said yet:{" "}
            <Link to={to.part(albumId, "drawer")} className="link">
              say it in the drawer
            </Link>
            .
          </li>
        ))}
      </ul>
    </section>
  );
}

type DrawingProps = { sheet: SheetView; unit: Unit; name: string; hasTop: boolean };

function SheetDrawing({ sheet, unit, name, hasTop }: DrawingProps) {
  const [w, h] = [mm(sheet.size.w), mm(sheet.size.h)];
  const box = { x: -14, y: -14, w: w + 28, h: h + 28 };
  const letter = letterOn(box) * 1.2;
  return (
    <svg
      viewBox={viewBoxOf(box)}
      preserveAspectRatio="xMidYMid meet"
      className="block h-full w-full"
      role="img"
      aria-label={`${name}, ${printSize(sheet.size, unit)}, with ${many(sheet.cuts.length, "cut")}`}
    >
      <Drawn markup={matGround(box, unit, false, "paper-cutting")} />
      <rect width={w} height={h} fill="#e9e2d2" stroke="#14181a" strokeWidth={0.4} />
      {hasTop && <path d={`M${w / 2} 2l3 6h-6z`} fill="#14181a" fillOpacity={0.55} />}
      {sheet.pieces.map(({ id, at, short }) => {
        const fits = Math.min(letter, mm(at.w) / Math.max(4, short.length * 0.62), mm(at.h) / 1.6);
        return (
          <g key={id}>
            <rect
              x={mm(at.x)}
              y={mm(at.y)}
              width={mm(at.w)}
              height={mm(at.h)}
              fill="#ffffff"
              stroke="#14181a"
              strokeWidth={0.5}
            />
            <text
              x={mm(at.x) + mm(at.w) / 2}
              y={mm(at.y) + mm(at.h) / 2}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={fits}
              fill="#14181a"
            >
              {short}
            </text>
          </g>
        );
      })}
      {sheet.kept && (
        <g>
          <rect
            x={mm(sheet.kept.motif.x)}
            y={mm(sheet.kept.motif.y)}
            width={mm(sheet.kept.motif.w)}
            height={mm(sheet.kept.motif.h)}
            fill="none"
            stroke="#14181a"
            strokeWidth={0.5}
            strokeDasharray="2 1.4"
          />
          <text
            x={mm(sheet.kept.motif.x) + mm(sheet.kept.motif.w) / 2}
            y={mm(sheet.kept.motif.y) + mm(sheet.kept.motif.h) / 2}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={Math.min(letter, mm(sheet.kept.motif.w) / 6, mm(sheet.kept.motif.h) / 1.6)}
            fill="#14181a"
          >
            motif, kept
          </text>
        </g>
      )}
      <CutNumbers cuts={sheet.cuts} letter={letter} />
    </svg>
  );
}
