import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import type { PageRow } from "#app/drawing/page-row.ts";
import { StateMark } from "#app/drawing/state-mark.tsx";
import { stateNamed } from "#app/drawing/states.ts";
import { shortDate, shortWeekday } from "#app/wording/dates.ts";
import { RING_NAME, RING_STATE } from "#app/wording/day.ts";
import { RINGS } from "#core/album/steps.ts";
import type { MonthView } from "./view.ts";

type Props = {
  readonly view: MonthView;
  readonly rows: readonly PageRow[];
  readonly chosen: number;
  readonly onChoose: (index: number) => void;
};

/** The dial's equal twin: the same days and the same five rings, as rows. */
export function DayTable({ view, rows, chosen, onChoose }: Props) {
  return (
    <table className="w-full border-collapse text-left">
      <caption className="pb-2 text-left">
        <strong className="font-numeral text-2xl font-semibold">{view.inBook}</strong> of {view.wanted} in the book
      </caption>
      <thead className="text-xs text-quiet">
        <tr className="border-b border-line">
          <th scope="col" className="py-1.5 pr-3 font-medium">
            Day
          </th>
          <th scope="col" className="py-1.5 font-medium">
            Title
          </th>
          {RINGS.map((ring) => (
            <th key={ring} scope="col" className="px-0.5 py-1.5 text-center font-medium">
              <span className="max-wide:not-print:sr-only">{RING_NAME[ring]}</span>
              <span aria-hidden="true" className="not-printed wide:hidden">
                {{ prompt: "Pr", photos: "Ph", words: "Wo", paper: "Pa", book: "Bk" }[ring]}
              </span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <tr
            key={row.date}
            className={`border-b border-line ${index === chosen ? "bg-panel shadow-[inset_3px_0_0_var(--color-ember)]" : ""}`}
          >
            <th scope="row" className="w-16 py-0 pr-3 pl-2 font-numeral text-lg font-semibold">
              <button
                type="button"
                className="min-h-10 w-full text-left hover:text-ember"
                aria-label={`Show ${row.label} beside the list`}
                aria-pressed={index === chosen}
                onClick={() => onChoose(index)}
              >
                {row.label || "–"}
              </button>
            </th>
            <td className="min-w-0 py-1">
              <Link to={to.day(view.albumId, row.date)} className="block hover:text-ember">
                {row.title || <span className="text-quiet">No title yet</span>}
                <span className="block text-xs text-quiet">
                  {shortWeekday(row.date)} {[row.date, ...row.also].map(shortDate).join(", ")}
                </span>
              </Link>
            </td>
            {RINGS.map((ring, at) => (
              <td key={ring} className="px-0.5 wide:px-2">
                <span className="grid justify-items-center">
                  <StateMark ring={ring} state={stateNamed(row.states, at)} />
                  <span className="sr-only">{RING_STATE[stateNamed(row.states, at)]}</span>
                </span>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
