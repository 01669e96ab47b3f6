import {
  between,
  type Canvas,
  curve,
  disc,
  halo,
  house,
  line,
  oval,
  person,
  pick,
  rect,
  ridge,
  shape,
  sky,
  sun,
  times,
  wash,
} from "./brush.ts";

/** Scenes of the orchard co-operative on the mainland. */
const APPLES = ["#b7332b", "#d9652f", "#c9a52f", "#9db23e"];
const LEAVES = ["#6f7f33", "#a8762b", "#c98f2e", "#8a5a26", "#5c6b35"];

function tree(c: Canvas, x: number, y: number, tall: number): string {
  const { rnd } = c;
  return (
    line(x, y, x, y - tall * 0.5, "#5a4030", tall * 0.075) +
    line(x, y - tall * 0.4, x - tall * 0.2, y - tall * 0.62, "#5a4030", tall * 0.035) +
    line(x, y - tall * 0.38, x + tall * 0.2, y - tall * 0.6, "#5a4030", tall * 0.035) +
    times(16, () =>
      oval(
        x + between(rnd, -0.34, 0.34) * tall,
        y - between(rnd, 0.5, 0.98) * tall,
        tall * between(rnd, 0.11, 0.19),
        tall * between(rnd, 0.08, 0.13),
        pick(rnd, LEAVES),
        'opacity="0.93"',
      ),
    ) +
    times(15, () =>
      disc(x + between(rnd, -0.36, 0.36) * tall, y - between(rnd, 0.48, 0.95) * tall, tall * 0.026, pick(rnd, APPLES)),
    )
  );
}

function grass(c: Canvas, top: number): string {
  const { w, h, rnd } = c;
  return (
    wash(0, top, w, h - top, "#8f9a4e", "#5b6b35") +
    times(90, () =>
      disc(rnd() * w, between(rnd, 0, 1) * (h - top) + top, between(rnd, 2, 7), pick(rnd, LEAVES), 'opacity="0.6"'),
    )
  );
}

export function orchardRows(c: Canvas): string {
  const { w, h, p } = c;
  return (
    sky(c) +
    sun(c) +
    ridge(c, h * 0.56, h * 0.14, p.far, 4) +
    grass(c, h * 0.56) +
    times(5, (i) => tree(c, w * (0.06 + i * 0.22), h * 0.62, h * 0.2)) +
    times(4, (i) => tree(c, w * (0.02 + i * 0.32), h * 0.76, h * 0.36)) +
    tree(c, w * 0.16, h * 1.0, h * 0.72) +
    tree(c, w * 0.9, h * 1.02, h * 0.66) +
    person(w * 0.52, h * 0.9, h * 0.26, "#2f5d73", "#c98a2b")
  );
}

export function appleCrates(c: Canvas): string {
  const { w, h, rnd } = c;
  const crate = (x: number, y: number, s: number) =>
    times(
      9,
      (i) =>
        disc(x + s * (0.09 + (i % 5) * 0.2), y - s * (0.56 + Math.floor(i / 5) * 0.1), s * 0.115, pick(rnd, APPLES)) +
        disc(x + s * (0.06 + (i % 5) * 0.2), y - s * (0.6 + Math.floor(i / 5) * 0.1), s * 0.03, "#ffffff88"),
    ) +
    times(3, (i) => rect(x, y - s * (0.5 - i * 0.18), s, s * 0.145, pick(rnd, ["#b98d5e", "#a77a4d", "#c49a6c"]))) +
    rect(x, y - s * 0.5, s * 0.07, s * 0.5, "#8b6540") +
    rect(x + s * 0.93, y - s * 0.5, s * 0.07, s * 0.5, "#8b6540");
  return (
    sky(c) +
    ridge(c, h * 0.5, h * 0.1, c.p.far, 4) +
    grass(c, h * 0.52) +
    tree(c, w * 0.82, h * 0.66, h * 0.5) +
    house(c, w * 0.08, h * 0.62, w * 0.26, w * 0.17, "#8b4b38") +
    crate(w * 0.1, h * 0.94, w * 0.3) +
    crate(w * 0.44, h * 0.96, w * 0.28) +
    crate(w * 0.24, h * 0.74, w * 0.24) +
    person(w * 0.84, h * 0.96, h * 0.42, "#a63d2f", "#3a4a33")
  );
}

export function ciderPress(c: Canvas): string {
  const { w, h, rnd } = c;
  const x = w * 0.5;
  return (
    rect(0, 0, w, h, "#4a3b30") +
    times(12, (i) => rect(w * i * 0.085, 0, w * 0.08, h * 0.76, i % 2 ? "#5a483a" : "#544335")) +
    halo(w * 0.82, h * 0.2, w * 0.36, "#ffd89a", 0.7) +
    rect(w * 0.76, h * 0.1, w * 0.14, h * 0.2, "#f6e2b4") +
    rect(0, h * 0.76, w, h * 0.24, "#6f5640") +
    rect(x - w * 0.2, h * 0.14, w * 0.4, h * 0.055, "#7a4a2c") +
    rect(x - w * 0.2, h * 0.14, w * 0.045, h * 0.68, "#8b5a36") +
    rect(x + w * 0.155, h * 0.14, w * 0.045, h * 0.68, "#8b5a36") +
    rect(x - w * 0.018, h * 0.05, w * 0.036, h * 0.36, "#565b61") +
    times(8, (i) => line(x - w * 0.018, h * (0.07 + i * 0.042), x + w * 0.018, h * (0.06 + i * 0.042), "#8d949a", 3)) +
    line(x - w * 0.16, h * 0.07, x + w * 0.16, h * 0.05, "#3f4348", w * 0.014) +
    rect(x - w * 0.13, h * 0.38, w * 0.26, h * 0.05, "#a77a4d") +
    times(9, (i) => rect(x - w * 0.13 + i * w * 0.0292, h * 0.43, w * 0.022, h * 0.26, i % 2 ? "#c49a6c" : "#b98d5e")) +
    rect(x - w * 0.14, h * 0.5, w * 0.28, h * 0.016, "#4b4f55") +
    rect(x - w * 0.14, h * 0.62, w * 0.28, h * 0.016, "#4b4f55") +
    rect(x - w * 0.17, h * 0.69, w * 0.34, h * 0.045, "#7a4a2c") +
    curve(
      `M${x},${h * 0.735} q6,40 0,90`,
      "none",
      `stroke="#e0962f" stroke-width="${w * 0.012}" stroke-linecap="round"`,
    ) +
    shape(
      [
        [x - w * 0.06, h * 0.82],
        [x + w * 0.06, h * 0.82],
        [x + w * 0.05, h * 0.93],
        [x - w * 0.05, h * 0.93],
      ],
      "#8d949a",
    ) +
    times(16, () => disc(w * between(rnd, 0.04, 0.3), h * between(rnd, 0.84, 0.96), w * 0.019, pick(rnd, APPLES))) +
    person(w * 0.86, h * 0.96, h * 0.5, "#4f6b45", "#c98a2b")
  );
}

export function ciderTable(c: Canvas): string {
  const { w, h, rnd } = c;
  const glass = (x: number, y: number, s: number) =>
    shape(
      [
        [x - s * 0.32, y - s],
        [x + s * 0.32, y - s],
        [x + s * 0.25, y],
        [x - s * 0.25, y],
      ],
      "#ffffff3a",
    ) +
    shape(
      [
        [x - s * 0.29, y - s * 0.8],
        [x + s * 0.29, y - s * 0.8],
        [x + s * 0.24, y - s * 0.04],
        [x - s * 0.24, y - s * 0.04],
      ],
      "#e39a2c",
    ) +
    oval(x, y - s * 0.8, s * 0.29, s * 0.05, "#f6c869") +
    line(x - s * 0.18, y - s * 0.7, x - s * 0.14, y - s * 0.15, "#fff1c9", s * 0.05);
  return (
    sky(c) +
    sun(c) +
    ridge(c, h * 0.48, h * 0.1, c.p.far, 4) +
    grass(c, h * 0.5) +
    tree(c, w * 0.12, h * 0.64, h * 0.46) +
    tree(c, w * 0.9, h * 0.62, h * 0.4) +
    shape(
      [
        [0, h * 0.66],
        [w, h * 0.66],
        [w, h],
        [0, h],
      ],
      "#a9805a",
    ) +
    times(5, (i) => line(0, h * (0.72 + i * 0.065), w, h * (0.72 + i * 0.065), "#7d5b3d", 4)) +
    curve(
      `M${w * 0.2},${h * 0.86} q-${w * 0.035},-${h * 0.2} ${w * 0.03},-${h * 0.3} l${w * 0.09},0 q${w * 0.065},${h * 0.1} ${w * 0.03},${h * 0.3} z`,
      "#6f8f94",
    ) +
    glass(w * 0.46, h * 0.88, w * 0.15) +
    glass(w * 0.63, h * 0.84, w * 0.13) +
    times(6, () => disc(w * between(rnd, 0.76, 0.95), h * between(rnd, 0.8, 0.92), w * 0.03, pick(rnd, APPLES))) +
    rect(w * 0.3, h * 0.9, w * 0.13, h * 0.05, "#ecd7a0", 'rx="10"')
  );
}

export function ladderTree(c: Canvas): string {
  const { w, h } = c;
  const rung = (t: number) =>
    line(w * (0.4 + t * 0.1), h * (0.94 - t * 0.5), w * (0.54 + t * 0.06), h * (0.94 - t * 0.5), "#d6b68c", w * 0.012);
  return (
    sky(c) +
    ridge(c, h * 0.62, h * 0.1, c.p.far, 4) +
    grass(c, h * 0.66) +
    tree(c, w * 0.56, h * 0.94, h * 0.86) +
    line(w * 0.39, h * 0.97, w * 0.51, h * 0.42, "#c49a6c", w * 0.014) +
    line(w * 0.55, h * 0.97, w * 0.6, h * 0.42, "#c49a6c", w * 0.014) +
    [0.05, 0.2, 0.36, 0.52, 0.68, 0.84].map(rung).join("") +
    person(w * 0.5, h * 0.68, h * 0.25, "#a63d2f", "#c98a2b") +
    person(w * 0.2, h * 0.96, h * 0.28, "#2f5d73", "#6b4a6e") +
    disc(w * 0.27, h * 0.84, w * 0.018, "#b7332b")
  );
}

export function bonfire(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const x = w * 0.52;
  const flame = (dx: number, tall: number, fill: string) =>
    curve(
      `M${x + dx - tall * 0.26},${h * 0.84} Q${x + dx - tall * 0.2},${h * 0.84 - tall * 0.5} ${x + dx},${h * 0.84 - tall} Q${x + dx + tall * 0.24},${h * 0.84 - tall * 0.45} ${x + dx + tall * 0.24},${h * 0.84} Z`,
      fill,
    );
  return (
    sky(c) +
    ridge(c, h * 0.62, h * 0.12, p.far, 4) +
    rect(0, h * 0.74, w, h * 0.26, p.near) +
    halo(x, h * 0.66, w * 0.5, "#ff9d3a", 0.8) +
    flame(-w * 0.05, h * 0.34, "#e2571f") +
    flame(w * 0.05, h * 0.4, "#ef7a26") +
    flame(0, h * 0.3, "#ffc24d") +
    flame(w * 0.01, h * 0.16, "#fff0b8") +
    line(x - w * 0.12, h * 0.86, x + w * 0.1, h * 0.8, "#3b2a20", w * 0.024) +
    line(x + w * 0.13, h * 0.86, x - w * 0.08, h * 0.8, "#4b3527", w * 0.024) +
    times(50, () =>
      disc(
        x + between(rnd, -0.16, 0.16) * w,
        h * between(rnd, 0.08, 0.6),
        between(rnd, 1.5, 4.5),
        "#ffc75e",
        `opacity="${between(rnd, 0.4, 0.95).toFixed(2)}"`,
      ),
    ) +
    person(w * 0.2, h * 0.95, h * 0.34, "#3a2f3f", "#221d2a") +
    person(w * 0.3, h * 0.94, h * 0.22, "#4a2f2a", "#2a1d22") +
    person(w * 0.82, h * 0.95, h * 0.36, "#2b3a3f", "#1d2628")
  );
}

export function mistMorning(c: Canvas): string {
  const { w, h, rnd, p } = c;
  return (
    sky(c) +
    sun(c) +
    ridge(c, h * 0.5, h * 0.16, p.far, 4) +
    times(5, (i) => tree(c, w * (0.1 + i * 0.21), h * 0.6, h * 0.22)) +
    rect(0, h * 0.44, w, h * 0.16, p.low, 'opacity="0.55"') +
    ridge(c, h * 0.68, h * 0.08, p.mid, 4) +
    tree(c, w * 0.24, h * 0.8, h * 0.44) +
    times(10, () => oval(w * rnd(), h * between(rnd, 0.56, 0.82), w * 0.26, h * 0.03, p.low, 'opacity="0.4"')) +
    ridge(c, h * 0.95, h * 0.08, p.near, 3) +
    times(
      6,
      (i) =>
        oval(w * (0.56 + i * 0.062), h * (0.88 + (i % 2) * 0.03), w * 0.024, h * 0.02, "#f1ede2") +
        line(
          w * (0.577 + i * 0.062),
          h * (0.875 + (i % 2) * 0.03),
          w * (0.583 + i * 0.062),
          h * (0.835 + (i % 2) * 0.03),
          "#f1ede2",
          w * 0.008,
        ) +
        disc(w * (0.585 + i * 0.062), h * (0.832 + (i % 2) * 0.03), w * 0.007, "#e0842c"),
    )
  );
}
