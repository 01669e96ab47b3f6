/** Geometry of the dial, in the units of its own 600 × 600 picture. Angles are fractions of a turn from the top. */
export const DIAL = { size: 600, centre: 300, rim: 240, depth: 31, gap: 3, labels: 262 } as const;

/** A point at a turn and radius, to a tenth of a unit: finer than a pixel, and short to send. */
function at(turn: number, radius: number): string {
  const angle = turn * 2 * Math.PI;
  return `${(DIAL.centre + Math.sin(angle) * radius).toFixed(1)} ${(DIAL.centre - Math.cos(angle) * radius).toFixed(1)}`;
}

export const point = (turn: number, radius: number): { x: string; y: string } => {
  const [x = "", y = ""] = at(turn, radius).split(" ");
  return { x, y };
};

/** Outer and inner radius of ring `index`, counted from the rim inward. */
export function ringRadii(index: number): { outer: number; inner: number } {
  const outer = DIAL.rim - index * (DIAL.depth + DIAL.gap);
  return { outer, inner: outer - DIAL.depth };
}

/** A ring's part between two turns, held off its neighbours by a hair. */
export function cell(from: number, to: number, outer: number, inner: number): string {
  const hair = 1.1;
  const edge = (radius: number) => hair / (2 * Math.PI * radius);
  const [o1, o2] = [from + edge(outer), to - edge(outer)];
  const [i1, i2] = [from + edge(inner), to - edge(inner)];
  const large = to - from > 0.5 ? 1 : 0;
  if (to - from > 0.999) return wholeRing(outer, inner);
  return `M${at(o1, outer)}A${outer} ${outer} 0 ${large} 1 ${at(o2, outer)}L${at(i2, inner)}A${inner} ${inner} 0 ${large} 0 ${at(i1, inner)}Z`;
}

/** An album of one day: its wedge is the whole ring, drawn as two half turns. */
function wholeRing(outer: number, inner: number): string {
  const circle = (radius: number, sweep: 0 | 1) =>
    `M${at(0, radius)}A${radius} ${radius} 0 1 ${sweep} ${at(0.5, radius)}A${radius} ${radius} 0 1 ${sweep} ${at(0, radius)}Z`;
  return circle(outer, 1) + circle(inner, 0);
}

/** The short radial line that stands for "not needed". */
export function dash(from: number, to: number, outer: number, inner: number): string {
  const middle = (from + to) / 2;
  const inset = (outer - inner) * 0.28;
  return `M${at(middle, outer - inset)}L${at(middle, inner + inset)}`;
}

/** Start and end turn of each wedge; a wedge is as wide as the dates it covers. */
export function wedges(dates: readonly number[]): { from: number; to: number }[] {
  const total = dates.reduce((sum, count) => sum + count, 0);
  let before = 0;
  return dates.map((count) => {
    const from = before / total;
    before += count;
    return { from, to: before / total };
  });
}

/** The wedge under a point of the picture, or -1 inside the hub and outside the labels. */
export function wedgeAt(turns: readonly { from: number; to: number }[], x: number, y: number, hub: number): number {
  const [dx, dy] = [x - DIAL.centre, y - DIAL.centre];
  const radius = Math.hypot(dx, dy);
  if (radius < hub || radius > DIAL.labels + 24) return -1;
  const turn = (Math.atan2(dx, -dy) / (2 * Math.PI) + 1) % 1;
  return turns.findIndex(({ from, to }) => from <= turn && turn < to);
}
