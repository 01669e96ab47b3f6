import { Bar, BarChart, ReferenceLine, XAxis, YAxis } from "recharts";
import { shortDate } from "#app/wording/dates.ts";
import { addDays, type CalendarDate, daysBetween } from "#core/month/dates.ts";

/** One stage: the days, counted from today, by which it is done with one, five and nine chances in ten; null: later than is looked at. */
export type BandRow = { readonly name: string; readonly days: readonly [number | null, number | null, number | null] };

type Props = {
  readonly rows: readonly BandRow[];
  readonly first: CalendarDate;
  readonly last: CalendarDate;
  readonly today: CalendarDate;
};

/** When each stage will be done, over the calendar. Its figures are said beside it. */
export function Band({ rows, first, last, today }: Props) {
  const from = daysBetween(today, first) < 0 ? first : today;
  const at = (date: CalendarDate) => daysBetween(from, date);
  const now = at(today);
  const ends = rows.flatMap(({ days }) => days.flatMap((day) => (day === null ? [] : [now + day])));
  const longest = Math.max(at(last), ...ends) + 3;
  const data = rows.map(({ name, days: [early, even, late] }) => ({
    name,
    likely: early === null || even === null ? null : [now + early, now + even + 1],
    later: even === null ? null : [now + even + 1, now + (late ?? longest) + 1],
  }));
  const step = longest > 120 ? 28 : longest > 50 ? 14 : 7;
  const ticks = Array.from({ length: Math.floor(longest / step) + 1 }, (_, each) => each * step);
  return (
    <div>
      <BarChart
        responsive
        accessibilityLayer={false}
        style={{ width: "100%", height: 46 * rows.length + 34 }}
        data={data}
        layout="vertical"
        margin={{ top: 14, right: 12, bottom: 0, left: 0 }}
        barGap={-16}
      >
        <XAxis
          type="number"
          domain={[0, longest]}
          ticks={ticks}
          interval={0}
          tickFormatter={(day: number) => shortDate(addDays(from, day))}
          tick={{ fill: "var(--color-quiet)", fontSize: 12 }}
          stroke="var(--color-line)"
        />
        <YAxis
          type="category"
          dataKey="name"
          width={92}
          interval={0}
          tick={{ fill: "var(--color-text)", fontSize: 13 }}
          stroke="none"
        />
        <ReferenceLine x={now} stroke="var(--color-ember)" strokeWidth={2} label={label("today")} />
        <ReferenceLine x={at(last) + 1} stroke="var(--color-edge)" strokeDasharray="4 3" label={label("last day")} />
        <Bar dataKey="likely" barSize={16} isAnimationActive={false} fill="var(--color-ember)" />
        <Bar dataKey="later" barSize={16} isAnimationActive={false} fill="var(--color-flame)" fillOpacity={0.45} />
      </BarChart>
      <p className="text-sm text-quiet">
        From one chance in ten, through even odds where the colour changes, to nine in ten.
      </p>
    </div>
  );
}

const label = (value: string) => ({ value, position: "top" as const, fill: "var(--color-quiet)", fontSize: 12 });
