import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Tick } from "#app/parts/tick.tsx";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { printSize, type Size, sameSize } from "#core/measure/size.ts";
import { isMeasured, LAB_PAPERS, type LabRecord, MOST_LAB_DAYS } from "#core/sheet/printer.ts";
import type { SheetAct } from "./acts.ts";
import { offSaid, useMeasures } from "./use-measures.tsx";

type Props = {
  /** The lab that is changed; one with a null id is a new one. */
  readonly lab: LabRecord;
  readonly albumId: string;
  readonly unit: Unit;
  readonly act: (act: SheetAct) => void;
  readonly onDone: () => void;
};

/** A lab: its name, the papers it prints on, how long it takes, and what it makes of a file, with a white edge and without. */
export function LabForm({ lab, albumId, unit, act, onDone }: Props) {
  const { read, field, nameField } = useMeasures(lab, unit);
  const [papers, setPapers] = useState(lab.lab.papers);
  const [days, setDays] = useState(lab.lab.days);
  const offered = [
    ...LAB_PAPERS[unit],
    ...papers.filter((each) => !LAB_PAPERS[unit].some((known) => sameSize(known, each))),
  ];
  const has = (paper: Size) => papers.some((each) => sameSize(each, paper));
  const turn = (paper: Size) =>
    setPapers(has(paper) ? papers.filter((each) => !sameSize(each, paper)) : [...papers, paper]);
  const save = () => {
    const measures = read();
    if (!measures) return;
    act({ act: "printer", id: lab.id, bar: lab.bar, ...measures, lab: { papers: [...papers], days } });
    onDone();
  };
  const meant = `Meant: ${sayLength(lab.bar, unit)}`;
  return (
    <div className="grid gap-3 border-l-4 border-ring-photos pl-3">
      {nameField("Name of the lab", "As you call it")}
      <fieldset>
        <legend className="mb-1 font-medium">Papers it prints on</legend>
        <div className="flex flex-wrap gap-x-4">
          {offered.map((paper) => (
            <Tick key={`${paper.w} ${paper.h}`} on={has(paper)} onTurn={() => turn(paper)}>
              {printSize(paper, unit)}
            </Tick>
          ))}
        </div>
        <p className="text-sm text-quiet">None ticked: it prints every size it is asked for.</p>
      </fieldset>
      <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
        Days it takes
        <input
          type="number"
          min={0}
          max={MOST_LAB_DAYS}
          className="field w-20 py-1 font-normal"
          value={days}
          onChange={(event) =>
            setDays(Math.min(MOST_LAB_DAYS, Math.max(0, Math.round(Number(event.target.value) || 0))))
          }
        />
      </label>
      <p className="text-sm">
        {isMeasured(lab)
          ? `Corrected: ${offSaid(lab, false)}${lab.borderless ? `; to the paper’s edge ${offSaid(lab, true)}` : ""}. Every order is made up for it.`
          : "Not measured yet. Have the test file printed, measure both bars, and every later order is made up for what they are off."}{" "}
        <a className="link" href={to.document(albumId, "lab-test", `${lab.id ?? "any"}.jpg`)} download>
          Test file
        </a>
      </p>
      <div className="grid grid-cols-2 gap-3">
        {field("across", "Bar across", meant)}
        {field("along", "Bar along", meant)}
        {field("edgeAcross", "Across, to the edge", "Without a white border")}
        {field("edgeAlong", "Along, to the edge", meant)}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={save}>Keep the lab</Button>
        <Button look="quiet" small onClick={onDone}>
          Leave it
        </Button>
        {lab.id !== null && (
          <Button
            look="quiet"
            small
            aria-label={`Put the lab ${lab.name} away`}
            onClick={() => {
              if (lab.id !== null) act({ act: "drop-printer", printer: lab.id });
              onDone();
            }}
          >
            Put it away
          </Button>
        )}
      </div>
    </div>
  );
}
