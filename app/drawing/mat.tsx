import type { ReactNode } from "react";

/** Something that lies on the mat, in millimetres from the mat's zero. */
export type MatItem = {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly caption: string;
  readonly draw: ReactNode;
};

type Props = {
  readonly items: readonly MatItem[];
  readonly unit: "inch" | "cm";
  readonly label: string /** Small mats go without numbers and captions. */;
  readonly small?: boolean;
};

const STEP = { inch: 25.4, cm: 10 } as const;
const BEYOND = 600;

/** The cutting mat: one grid, one ruler, everything on it to one scale. Zero is the left upper corner of what lies there. */
export function Mat({ items, unit, label, small = false }: Props) {
  const step = STEP[unit];
  const right = Math.max(60, ...items.map(({ x, w }) => x + w));
  const foot = Math.max(60, ...items.map(({ y, h }) => y + h));
  const margin = 15;
  const view = { x: -margin, y: -margin, w: right + margin * 1.6, h: foot + margin * 2 };
  const letter = Math.max(3.4, view.h * 0.019, view.w * 0.014);
  const marks = (length: number) =>
    Array.from({ length: Math.floor(length / step) + 2 }, (_, at) => at).filter(
      (at) => unit === "inch" || at % 2 === 0,
    );
  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.w} ${view.h}`}
      preserveAspectRatio="xMidYMid meet"
      className="block h-full w-full overflow-visible"
      role="img"
      aria-label={label}
    >
      <defs>
        <pattern id="mat-grid" width={step} height={step} patternUnits="userSpaceOnUse">
          <path d={`M${step} 0H0V${step}`} fill="none" className="stroke-mat-line" strokeWidth={0.5} />
          <path
            d={unit === "inch" ? `M${step / 2} 0V${step}M0 ${step / 2}H${step}` : ""}
            fill="none"
            className="stroke-mat-line"
            strokeWidth={0.18}
          />
        </pattern>
      </defs>
      <rect x={-BEYOND} y={-BEYOND} width={BEYOND * 3} height={BEYOND * 3} fill="url(#mat-grid)" />
      {!small && (
        <g className="fill-on-mat" fontSize={letter * 0.85}>
          {marks(right).map((at) => (
            <text key={`x${at}`} x={at * step + 0.8} y={view.y + 4.5}>
              {at}
            </text>
          ))}
          {marks(foot).map((at) => (
            <text key={`y${at}`} x={view.x + 1} y={at * step + 4}>
              {at}
            </text>
          ))}
        </g>
      )}
      {items.map((item) => (
        <g key={item.key} transform={`translate(${item.x} ${item.y})`}>
          {item.draw}
          {!small && (
            <text y={item.h + 3.5 + letter} className="fill-on-mat" fontSize={letter}>
              {item.caption}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
