import {
  between,
  boat,
  type Canvas,
  curve,
  disc,
  dog,
  halo,
  house,
  lantern,
  line,
  moon,
  oval,
  person,
  pick,
  rect,
  ridge,
  sea,
  shape,
  sky,
  sun,
  times,
} from "./brush.ts";

/** Scenes of the tidal island under the sky: each paints one picture on the canvas it is given. */
const COATS = ["#a63d2f", "#2f5d73", "#c98a2b", "#4f6b45", "#6b4a6e"];

function shore(c: Canvas, top: number): string {
  return ridge(c, top, c.h * 0.05, c.p.far, 6) + ridge(c, top + c.h * 0.03, c.h * 0.04, c.p.mid, 4);
}

function cottages(c: Canvas, foot: number, count: number, size: number): string {
  return times(count, (i) =>
    house(
      c,
      c.w * (0.04 + (i / count) * 0.94) + between(c.rnd, -0.01, 0.01) * c.w,
      foot + between(c.rnd, -0.01, 0.015) * c.h,
      c.w * size * between(c.rnd, 0.8, 1.15),
      c.w * size * between(c.rnd, 0.6, 0.9),
      pick(c.rnd, ["#d9d3c4", "#b9b2a6", "#c7a98f", "#a7b0b3"]),
    ),
  );
}

export function litWindows(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const level = h * 0.62;
  const panes = times(34, () => {
    const [x, y] = [rnd() * w, level - between(rnd, 0.005, 0.1) * h];
    const s = between(rnd, 0.005, 0.011) * w;
    return (
      halo(x, y, s * 5, p.glow, 0.6) +
      rect(x - s / 2, y - s / 2, s, s * 1.2, p.glow) +
      rect(x - s * 0.4, level + (level - y) * 0.6 + 6, s * 0.8, between(rnd, 0.04, 0.12) * h, p.glow, 'opacity="0.34"')
    );
  });
  return (
    sky(c) +
    moon(c) +
    ridge(c, level, h * 0.16, p.far, 4) +
    sea(c, level) +
    ridge({ ...c, h: level }, level, h * 0.09, p.near, 7) +
    panes +
    rect(0, h * 0.9, w, h * 0.1, p.near) +
    lantern(w * 0.2, h * 0.86, w * 0.018)
  );
}

export function fogBell(c: Canvas): string {
  const { w, h, p } = c;
  const x = w * 0.56;
  return (
    sky(c) +
    sea(c, h * 0.56) +
    shore(c, h * 0.56) +
    sea(c, h * 0.6) +
    shape(
      [
        [x - w * 0.13, h * 0.92],
        [x - w * 0.05, h * 0.3],
        [x + w * 0.05, h * 0.3],
        [x + w * 0.13, h * 0.92],
      ],
      "none",
      `stroke="#5b3a2c" stroke-width="${w * 0.016}" stroke-linejoin="round"`,
    ) +
    line(x - w * 0.09, h * 0.62, x + w * 0.09, h * 0.62, "#5b3a2c", w * 0.012) +
    line(x - w * 0.13, h * 0.9, x + w * 0.08, h * 0.62, "#5b3a2c", w * 0.008) +
    curve(
      `M${x - w * 0.055},${h * 0.53} Q${x - w * 0.045},${h * 0.36} ${x},${h * 0.35} Q${x + w * 0.045},${h * 0.36} ${x + w * 0.055},${h * 0.53} L${x + w * 0.07},${h * 0.56} L${x - w * 0.07},${h * 0.56} Z`,
      "#b88a3c",
    ) +
    curve(
      `M${x - w * 0.03},${h * 0.52} Q${x - w * 0.028},${h * 0.4} ${x - w * 0.005},${h * 0.37}`,
      "none",
      `stroke="#e7c478" stroke-width="${w * 0.008}" stroke-linecap="round"`,
    ) +
    disc(x, h * 0.575, w * 0.014, "#6e5222") +
    person(w * 0.3, h * 0.95, h * 0.36, "#2f5d73", "#a63d2f") +
    line(w * 0.32, h * 0.72, x - w * 0.01, h * 0.58, "#d8cbb0", 3) +
    times(6, (i) =>
      oval(w * (0.1 + i * 0.18), h * between(c.rnd, 0.5, 0.7), w * 0.2, h * 0.025, p.low, 'opacity="0.28"'),
    )
  );
}

export function slipRail(c: Canvas): string {
  const { w, h } = c;
  const rail = (dx: number) => line(w * (0.3 + dx), h, w * (0.52 + dx * 0.35), h * 0.55, "#8a4b2e", w * 0.014);
  return (
    sky(c) +
    sun(c) +
    shore(c, h * 0.5) +
    sea(c, h * 0.52) +
    shape(
      [
        [w * 0.06, h],
        [w * 0.46, h * 0.54],
        [w * 0.66, h * 0.54],
        [w * 0.94, h],
      ],
      "#9c978c",
    ) +
    times(9, (i) =>
      line(
        w * (0.1 + i * 0.043),
        h * (0.98 - i * 0.05),
        w * (0.9 - i * 0.027),
        h * (0.98 - i * 0.05),
        "#6f6a61",
        3 + (9 - i) * 0.5,
      ),
    ) +
    rail(0) +
    rail(0.36) +
    person(w * 0.64, h * 0.93, h * 0.34, "#c98a2b", "#2a2d38") +
    person(w * 0.75, h * 0.9, h * 0.24, "#a63d2f", "#e9e2d2") +
    rect(w * 0.14, h * 0.82, w * 0.13, h * 0.09, "#7a3d2a") +
    line(w * 0.15, h * 0.8, w * 0.26, h * 0.77, "#4b4f55", w * 0.009)
  );
}

export function frostNets(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const posts = [0.08, 0.36, 0.66, 0.94];
  const nets = posts.slice(1).map((to, i) => {
    const from = posts[i] ?? 0;
    return (
      times(9, (k) =>
        curve(
          `M${w * from},${h * (0.4 + k * 0.05)} Q${(w * (from + to)) / 2},${h * (0.5 + k * 0.055)} ${w * to},${h * (0.4 + k * 0.05)}`,
          "none",
          `stroke="#eef4f6" stroke-width="2.4" opacity="0.85"`,
        ),
      ) +
      times(12, (k) =>
        line(
          w * (from + ((to - from) * (k + 0.5)) / 12),
          h * 0.44,
          w * (from + ((to - from) * (k + 0.7)) / 12),
          h * 0.9,
          "#dfe9ee",
          1.8,
          'opacity="0.75"',
        ),
      )
    );
  });
  return (
    sky(c) +
    sun(c) +
    shore(c, h * 0.5) +
    sea(c, h * 0.52) +
    ridge(c, h * 0.86, h * 0.05, "#c9d3d6", 4) +
    posts.map((x) => line(w * x, h * 0.96, w * x, h * 0.36, "#4d4036", w * 0.014)).join("") +
    nets.join("") +
    times(120, () => disc(rnd() * w, between(rnd, 0.4, 0.95) * h, between(rnd, 1, 3.4), "#ffffff", 'opacity="0.8"')) +
    times(5, (i) => disc(w * (0.2 + i * 0.17), h * 0.6, w * 0.016, pick(rnd, ["#d0632f", "#e0b23c", p.mid])))
  );
}

export function causeway(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const stones = times(46, () => {
    const t = rnd();
    const side = rnd() < 0.5 ? -1 : 1;
    return oval(
      w * (0.52 + side * (0.03 + (1 - t) * 0.3)),
      h * (0.56 + (1 - t) * 0.42),
      6 + (1 - t) * 20,
      4 + (1 - t) * 9,
      pick(rnd, [p.near, p.mid, "#6b6f70"]),
    );
  });
  return (
    sky(c) +
    sun(c) +
    ridge(c, h * 0.54, h * 0.14, p.far, 3) +
    cottages({ ...c, w: c.w * 0.5 }, h * 0.53, 5, 0.06) +
    sea(c, h * 0.54) +
    shape(
      [
        [w * 0.16, h],
        [w * 0.5, h * 0.55],
        [w * 0.55, h * 0.55],
        [w * 0.86, h],
      ],
      "#cbb893",
    ) +
    shape(
      [
        [w * 0.36, h],
        [w * 0.51, h * 0.55],
        [w * 0.53, h * 0.55],
        [w * 0.62, h],
      ],
      "#dccba8",
    ) +
    stones +
    person(w * 0.5, h * 0.83, h * 0.2, pick(rnd, COATS), "#2a2d38") +
    person(w * 0.56, h * 0.85, h * 0.15, pick(rnd, COATS), "#e9e2d2") +
    person(w * 0.605, h * 0.85, h * 0.145, pick(rnd, COATS), "#c98a2b") +
    dog(w * 0.38, h * 0.84, w * 0.06)
  );
}

export function dogBath(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const spray = times(90, () => {
    const angle = between(rnd, 3.3, 6.1);
    const reach = between(rnd, 0.08, 0.34) * w;
    return disc(
      w * 0.5 + Math.cos(angle) * reach,
      h * 0.7 + Math.sin(angle) * reach * 0.8,
      between(rnd, 2, 9),
      "#f4fbfc",
      `opacity="${between(rnd, 0.4, 0.95).toFixed(2)}"`,
    );
  });
  return (
    sky(c) +
    shore(c, h * 0.44) +
    sea(c, h * 0.46) +
    oval(w * 0.5, h * 0.8, w * 0.36, h * 0.07, p.glint, 'opacity="0.5"') +
    dog(w * 0.32, h * 0.8, w * 0.3) +
    spray +
    oval(w * 0.5, h * 0.82, w * 0.27, h * 0.035, "#eef8f9", 'opacity="0.75"') +
    sea(c, h * 0.86)
  );
}

export function parcels(c: Canvas): string {
  const { w, h, rnd } = c;
  const box = (x: number, y: number, s: number) => {
    const paper = pick(rnd, ["#b98d5e", "#c9a173", "#a77a4d", "#8b5a3c"]);
    return (
      rect(x, y - s * 0.7, s, s * 0.7, paper) +
      shape(
        [
          [x, y - s * 0.7],
          [x + s * 0.14, y - s * 0.84],
          [x + s * 1.14, y - s * 0.84],
          [x + s, y - s * 0.7],
        ],
        "#d6b68c",
      ) +
      shape(
        [
          [x + s, y - s * 0.7],
          [x + s * 1.14, y - s * 0.84],
          [x + s * 1.14, y - s * 0.14],
          [x + s, y],
        ],
        "#7d5636",
      ) +
      line(x + s / 2, y, x + s / 2, y - s * 0.7, pick(rnd, ["#a63d2f", "#e9e2d2"]), s * 0.05) +
      line(x, y - s * 0.35, x + s, y - s * 0.35, "#e9e2d2", s * 0.04)
    );
  };
  return (
    sky(c) +
    shore(c, h * 0.46) +
    sea(c, h * 0.48) +
    boat(c, w * 0.62, h * 0.64, w * 0.5, "#a63d2f") +
    rect(0, h * 0.78, w, h * 0.22, "#7c6a56") +
    times(9, (i) => line(w * i * 0.125, h * 0.78, w * (i * 0.16 - 0.14), h, "#5c4d3e", 4)) +
    box(w * 0.08, h * 0.93, w * 0.13) +
    box(w * 0.24, h * 0.95, w * 0.1) +
    box(w * 0.12, h * 0.82, w * 0.09) +
    box(w * 0.37, h * 0.92, w * 0.08) +
    person(w * 0.56, h * 0.95, h * 0.36, "#2f5d73", "#2a2d38") +
    person(w * 0.72, h * 0.94, h * 0.22, "#c98a2b", "#a63d2f")
  );
}

export function lanternParade(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const walkers = times(9, (i) => {
    const [x, y, tall] = [w * (0.05 + i * 0.112), h * (0.9 + (i % 3) * 0.025), h * between(rnd, 0.16, 0.27)];
    return (
      person(x, y, tall, pick(rnd, COATS), pick(rnd, ["#2a2d38", "#e9e2d2", "#7a3d2a"])) +
      line(x + tall * 0.14, y - tall * 0.5, x + tall * 0.3, y - tall * 1.05, "#3b3128", 5) +
      lantern(x + tall * 0.3, y - tall * 0.95, tall * 0.11, pick(rnd, ["#ffc75e", "#ff9d4d", "#ffe08a"]))
    );
  });
  const strings = times(
    2,
    (k) =>
      curve(
        `M0,${h * (0.16 + k * 0.08)} Q${w * 0.5},${h * (0.34 + k * 0.07)} ${w},${h * (0.12 + k * 0.08)}`,
        "none",
        'stroke="#2a2230" stroke-width="4"',
      ) +
      times(10, (i) => {
        const t = (i + 0.5) / 10;
        return lantern(
          w * t,
          h * ((1 - t) ** 2 * (0.16 + k * 0.08) + 2 * t * (1 - t) * (0.34 + k * 0.07) + t * t * (0.12 + k * 0.08)) + 16,
          w * 0.011,
          pick(rnd, ["#ffc75e", "#ff8d4d", "#ffe08a"]),
        );
      }),
  );
  return (
    sky(c) +
    ridge(c, h * 0.5, h * 0.1, p.far, 4) +
    cottages(c, h * 0.6, 7, 0.11) +
    sea(c, h * 0.62) +
    boat(c, w * 0.66, h * 0.7, w * 0.34, "#7a3d2a") +
    lantern(w * 0.71, h * 0.5, w * 0.014) +
    lantern(w * 0.55, h * 0.62, w * 0.012) +
    rect(0, h * 0.86, w, h * 0.14, p.near) +
    strings +
    walkers
  );
}

export function signalTower(c: Canvas): string {
  const { w, h, rnd, p } = c;
  const x = w * between(rnd, 0.36, 0.6);
  const lit = c.light !== "day";
  return (
    sky(c) +
    (c.light === "night" ? moon(c) : sun(c)) +
    sea(c, h * 0.7) +
    ridge(c, h * 0.8, h * 0.12, p.mid, 4) +
    ridge(c, h * 0.92, h * 0.08, p.near, 3) +
    (lit
      ? shape(
          [
            [x, h * 0.225],
            [w * 1.05, h * 0.08],
            [w * 1.05, h * 0.3],
          ],
          p.glow,
          'opacity="0.22"',
        )
      : "") +
    shape(
      [
        [x - w * 0.06, h * 0.84],
        [x - w * 0.038, h * 0.29],
        [x + w * 0.038, h * 0.29],
        [x + w * 0.06, h * 0.84],
      ],
      "#e9e4d8",
    ) +
    shape(
      [
        [x + w * 0.01, h * 0.84],
        [x + w * 0.008, h * 0.29],
        [x + w * 0.038, h * 0.29],
        [x + w * 0.06, h * 0.84],
      ],
      "#c4bcae",
    ) +
    shape(
      [
        [x - w * 0.05, h * 0.6],
        [x - w * 0.044, h * 0.46],
        [x + w * 0.044, h * 0.46],
        [x + w * 0.05, h * 0.6],
      ],
      "#a63d2f",
    ) +
    rect(x - w * 0.05, h * 0.27, w * 0.1, h * 0.022, "#3a3f47") +
    rect(x - w * 0.028, h * 0.185, w * 0.056, h * 0.085, lit ? p.glow : "#9fb8c2") +
    (lit ? halo(x, h * 0.226, w * 0.16, p.glow, 0.8) : "") +
    shape(
      [
        [x - w * 0.038, h * 0.188],
        [x, h * 0.135],
        [x + w * 0.038, h * 0.188],
      ],
      "#3a3f47",
    ) +
    house(c, x + w * 0.09, h * 0.86, w * 0.14, w * 0.1, "#d9d3c4") +
    person(x - w * 0.14, h * 0.9, h * 0.13, "#2f5d73", "#a63d2f")
  );
}
