import {
  between,
  boat,
  type Canvas,
  curve,
  disc,
  halo,
  line,
  oval,
  person,
  pick,
  rect,
  shape,
  times,
  wash,
} from "./brush.ts";

/** Scenes of the island within doors: each paints one picture on the canvas it is given. */
function room(c: Canvas, wall: string, table: string): string {
  const { w, h, rnd, p } = c;
  const boards = times(6, (i) => line(0, h * (0.7 + i * 0.055), w, h * (0.7 + i * 0.055 + 0.004), "#00000022", 3));
  return (
    rect(0, 0, w, h, wall) +
    rect(w * 0.58, h * 0.07, w * 0.32, h * 0.4, "#5a4332") +
    wash(w * 0.6, h * 0.095, w * 0.28, h * 0.35, p.top, p.low) +
    line(w * 0.74, h * 0.09, w * 0.74, h * 0.45, "#5a4332", w * 0.008) +
    line(w * 0.6, h * 0.27, w * 0.88, h * 0.27, "#5a4332", w * 0.008) +
    rect(0, h * 0.66, w, h * 0.34, table) +
    boards +
    times(40, () =>
      line(
        rnd() * w,
        h * between(rnd, 0.67, 0.99),
        rnd() * w * 0.02 + w * rnd(),
        h * between(rnd, 0.67, 0.99),
        "#00000012",
        2,
      ),
    )
  );
}

export function saffronLoaves(c: Canvas): string {
  const { w, h, rnd } = c;
  const loaf = (x: number, y: number, r: number) =>
    oval(x, y + r * 0.62, r * 1.25, r * 0.2, "#00000030") +
    oval(x, y, r * 1.2, r * 0.68, "#d9962f") +
    oval(x - r * 0.1, y - r * 0.14, r * 1.02, r * 0.5, "#ecb44b") +
    times(3, (i) =>
      curve(
        `M${x - r * 0.7 + i * r * 0.6},${y - r * 0.42} q${r * 0.22},${r * 0.3} ${r * 0.02},${r * 0.6}`,
        "none",
        `stroke="#b06f1e" stroke-width="${r * 0.09}" stroke-linecap="round"`,
      ),
    ) +
    times(5, () => disc(x + between(rnd, -0.7, 0.7) * r, y + between(rnd, -0.35, 0.3) * r, r * 0.06, "#4a2318"));
  return (
    room(c, "#b8694a", "#a47148") +
    rect(w * 0.1, h * 0.16, w * 0.36, h * 0.025, "#5a4332") +
    times(5, (i) =>
      rect(
        w * (0.12 + i * 0.068),
        h * 0.085,
        w * 0.046,
        h * 0.075,
        pick(rnd, ["#e4dbc6", "#7c9a92", "#d6a85c"]),
        'rx="6"',
      ),
    ) +
    person(w * 0.26, h * 0.82, h * 0.62, "#7b5f86", "#ece7dc") +
    rect(w * 0.17, h * 0.56, w * 0.18, h * 0.2, "#efe6d4", 'rx="10"') +
    oval(w * 0.6, h * 0.84, w * 0.34, h * 0.11, "#6f4a31") +
    loaf(w * 0.44, h * 0.79, w * 0.075) +
    loaf(w * 0.61, h * 0.83, w * 0.085) +
    loaf(w * 0.78, h * 0.8, w * 0.07) +
    times(6, (i) =>
      curve(
        `M${w * (0.45 + i * 0.06)},${h * 0.68} q-14,-40 6,-74 q16,-32 -2,-64`,
        "none",
        'stroke="#fff6e6" stroke-width="6" opacity="0.22" stroke-linecap="round"',
      ),
    )
  );
}

export function schoolPlay(c: Canvas): string {
  const { w, h, rnd } = c;
  const curtain = (side: number) =>
    times(6, (i) =>
      rect(side < 0 ? w * i * 0.026 : w * (1 - (i + 1) * 0.026), 0, w * 0.027, h * 0.8, i % 2 ? "#8c2a2a" : "#a63434"),
    );
  const wave = (y: number, fill: string, shift: number) =>
    curve(
      `M0,${h * y} ${times(9, () => `q${w * 0.03},${-h * 0.05} ${w * 0.06},0 q${w * 0.03},${h * 0.045} ${w * 0.06},0 `)} L${w},${h * 0.82} L0,${h * 0.82} Z`,
      fill,
      `transform="translate(${shift},0)"`,
    );
  return (
    rect(0, 0, w, h, "#1f1a22") +
    wash(w * 0.12, h * 0.05, w * 0.76, h * 0.72, "#34507a", "#c98a5a") +
    halo(w * 0.5, h * 0.3, w * 0.4, "#ffe2a6", 0.55) +
    disc(w * 0.7, h * 0.2, w * 0.045, "#f3ead2") +
    times(14, () =>
      shape(
        [
          [0, -9],
          [3, -3],
          [9, -2],
          [4, 3],
          [6, 9],
          [0, 5],
          [-6, 9],
          [-4, 3],
          [-9, -2],
          [-3, -3],
        ],
        "#f6d98a",
        `transform="translate(${w * between(rnd, 0.15, 0.85)},${h * between(rnd, 0.08, 0.34)})"`,
      ),
    ) +
    wave(0.58, "#2c5d7c", 0) +
    boat(c, w * 0.5, h * 0.62, w * 0.36, "#7a4a2c") +
    person(w * 0.42, h * 0.62, h * 0.22, "#e9e2d2", "#2f5d73") +
    person(w * 0.56, h * 0.62, h * 0.22, "#c98a2b", "#a63d2f") +
    wave(0.67, "#3f7896", -w * 0.06) +
    rect(0, h * 0.78, w, h * 0.06, "#6b452c") +
    curtain(-1) +
    curtain(1) +
    times(
      11,
      (i) =>
        disc(
          w * (0.05 + i * 0.092),
          h * between(rnd, 0.93, 0.98),
          w * 0.036,
          pick(rnd, ["#2b2430", "#352a33", "#241f2a"]),
        ) + rect(w * (0.02 + i * 0.092), h * 0.97, w * 0.065, h * 0.1, "#2b2430"),
    )
  );
}

export function stormCandle(c: Canvas): string {
  const { w, h, rnd } = c;
  const [x, y] = [w * 0.34, h * 0.44];
  return (
    room(c, "#2c2a33", "#4a3427") +
    times(26, () =>
      line(
        w * between(rnd, 0.6, 0.86),
        h * between(rnd, 0.1, 0.4),
        w * between(rnd, 0.6, 0.88),
        h * between(rnd, 0.14, 0.44),
        "#c3d2da",
        2.5,
        'opacity="0.4"',
      ),
    ) +
    halo(x, y, w * 0.52, "#ffb347", 0.75) +
    rect(x - w * 0.035, y + h * 0.05, w * 0.07, h * 0.27, "#f1e4c6", 'rx="8"') +
    oval(x, h * 0.77, w * 0.12, h * 0.03, "#8a6a3a") +
    curve(`M${x - w * 0.035},${y + h * 0.07} q12,26 4,60 q12,22 14,-10 z`, "#fff3d8") +
    curve(
      `M${x},${y - h * 0.09} Q${x + w * 0.03},${y} ${x},${y + h * 0.045} Q${x - w * 0.03},${y} ${x},${y - h * 0.09} Z`,
      "#fff0b8",
    ) +
    curve(
      `M${x},${y - h * 0.03} Q${x + w * 0.014},${y + h * 0.02} ${x},${y + h * 0.045} Q${x - w * 0.014},${y + h * 0.02} ${x},${y - h * 0.03} Z`,
      "#ff9d3a",
    ) +
    rect(w * 0.5, h * 0.7, w * 0.12, h * 0.11, "#6f8f94", 'rx="14"') +
    curve(
      `M${w * 0.62},${h * 0.725} q${w * 0.045},${h * 0.02} 0,${h * 0.06}`,
      "none",
      `stroke="#6f8f94" stroke-width="${w * 0.012}"`,
    ) +
    shape(
      [
        [w * 0.68, h * 0.8],
        [w * 0.9, h * 0.78],
        [w * 0.94, h * 0.88],
        [w * 0.71, h * 0.91],
      ],
      "#e5ddc9",
    ) +
    times(5, (i) => line(w * 0.72, h * (0.815 + i * 0.016), w * 0.89, h * (0.803 + i * 0.016), "#7b7467", 3))
  );
}

export function paperStars(c: Canvas): string {
  const { w, h, rnd } = c;
  const star = (x: number, y: number, r: number, fill: string) =>
    shape(
      Array.from(
        { length: 10 },
        (_, i) =>
          [
            x + Math.sin((i * Math.PI) / 5) * (i % 2 ? r * 0.45 : r),
            y - Math.cos((i * Math.PI) / 5) * (i % 2 ? r * 0.45 : r),
          ] as const,
      ),
      fill,
    );
  return (
    room(c, "#41606a", "#c19a6b") +
    times(
      6,
      (i) =>
        line(w * (0.06 + i * 0.085), 0, w * (0.06 + i * 0.085), h * (0.1 + (i % 3) * 0.07), "#e9e2d2", 2) +
        star(
          w * (0.06 + i * 0.085),
          h * (0.13 + (i % 3) * 0.07),
          w * 0.033,
          pick(rnd, ["#f2e3b8", "#e9e2d2", "#e2a35c"]),
        ),
    ) +
    person(w * 0.28, h * 0.84, h * 0.48, "#c98a2b", "#7a3d2a") +
    person(w * 0.5, h * 0.84, h * 0.46, "#a63d2f", "#4a3427") +
    rect(0, h * 0.78, w, h * 0.22, "#c19a6b") +
    times(11, () =>
      star(
        w * between(rnd, 0.08, 0.92),
        h * between(rnd, 0.83, 0.95),
        w * between(rnd, 0.02, 0.042),
        pick(rnd, ["#f2e3b8", "#d97b4f", "#7c9a92", "#e9e2d2"]),
      ),
    ) +
    shape(
      [
        [w * 0.7, h * 0.86],
        [w * 0.84, h * 0.83],
        [w * 0.845, h * 0.845],
        [w * 0.71, h * 0.88],
      ],
      "#8d949a",
    )
  );
}
