/** A small paint box: shapes as SVG text, on a canvas `w` × `h`, all chance from one seeded source. */
export type Chance = () => number;

/** A seeded source of numbers in [0, 1): the same seed paints the same picture. Mulberry32, public domain. */
export function chance(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export type Light = "dawn" | "day" | "dusk" | "night" | "storm";
export type Palette = {
  top: string;
  low: string;
  far: string;
  mid: string;
  near: string;
  water: string;
  glint: string;
  glow: string;
};

export const PALETTES: Record<Light, Palette> = {
  dawn: {
    top: "#7fa3c4",
    low: "#f6c9a6",
    far: "#8d93ad",
    mid: "#5f6b84",
    near: "#38435a",
    water: "#8fa9bf",
    glint: "#ffe3c2",
    glow: "#ffb37a",
  },
  day: {
    top: "#86b7d8",
    low: "#e3eff2",
    far: "#8fae9f",
    mid: "#5f8a6c",
    near: "#39604a",
    water: "#5f97ad",
    glint: "#e9f7f7",
    glow: "#fff2c4",
  },
  dusk: {
    top: "#2e3a5f",
    low: "#e8895a",
    far: "#564a68",
    mid: "#3a3450",
    near: "#211f33",
    water: "#49506f",
    glint: "#ffb27d",
    glow: "#ffca7a",
  },
  night: {
    top: "#0d1730",
    low: "#2b3d63",
    far: "#1c2747",
    mid: "#131c36",
    near: "#0a1022",
    water: "#16213f",
    glint: "#f5c66a",
    glow: "#ffc75e",
  },
  storm: {
    top: "#3d4a55",
    low: "#8c979b",
    far: "#57646b",
    mid: "#3e4a51",
    near: "#262f36",
    water: "#4a5a63",
    glint: "#c9d6d8",
    glow: "#ffd89a",
  },
};

export type Canvas = {
  readonly w: number;
  readonly h: number;
  readonly rnd: Chance;
  readonly light: Light;
  readonly p: Palette;
};

const n = (value: number) => value.toFixed(1);
export const between = (rnd: Chance, low: number, high: number): number => low + rnd() * (high - low);
export const pick = <T>(rnd: Chance, items: readonly T[]): T => items[Math.floor(rnd() * items.length)] as T;
export const times = (count: number, paint: (index: number) => string): string =>
  Array.from({ length: Math.round(count) }, (_, index) => paint(index)).join("");

export const rect = (x: number, y: number, w: number, h: number, fill: string, more = ""): string =>
  `<rect x="${n(x)}" y="${n(y)}" width="${n(w)}" height="${n(h)}" fill="${fill}" ${more}/>`;
export const disc = (x: number, y: number, r: number, fill: string, more = ""): string =>
  `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="${fill}" ${more}/>`;
export const oval = (x: number, y: number, rx: number, ry: number, fill: string, more = ""): string =>
  `<ellipse cx="${n(x)}" cy="${n(y)}" rx="${n(rx)}" ry="${n(ry)}" fill="${fill}" ${more}/>`;
export const shape = (points: readonly (readonly [number, number])[], fill: string, more = ""): string =>
  `<polygon points="${points.map(([x, y]) => `${n(x)},${n(y)}`).join(" ")}" fill="${fill}" ${more}/>`;
export const line = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  stroke: string,
  width: number,
  more = "",
): string =>
  `<line x1="${n(x1)}" y1="${n(y1)}" x2="${n(x2)}" y2="${n(y2)}" stroke="${stroke}" stroke-width="${n(width)}" stroke-linecap="round" ${more}/>`;
export const curve = (d: string, fill: string, more = ""): string => `<path d="${d}" fill="${fill}" ${more}/>`;

let gradients = 0;
/** A rectangle that runs from one colour to another, top to bottom. */
export function wash(x: number, y: number, w: number, h: number, from: string, to: string): string {
  const id = `g${++gradients}`;
  return `<defs><linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${from}"/><stop offset="1" stop-color="${to}"/></linearGradient></defs>${rect(x, y, w, h, `url(#${id})`)}`;
}
/** Light round a point, fading out. */
export function halo(x: number, y: number, r: number, colour: string, strength = 0.7): string {
  const id = `g${++gradients}`;
  return `<defs><radialGradient id="${id}"><stop offset="0" stop-color="${colour}" stop-opacity="${strength}"/><stop offset="0.4" stop-color="${colour}" stop-opacity="${strength * 0.35}"/><stop offset="1" stop-color="${colour}" stop-opacity="0"/></radialGradient></defs>${disc(x, y, r, `url(#${id})`)}`;
}

/** A line of hills across the picture, closed down to its foot. */
export function ridge({ w, h, rnd }: Canvas, y: number, lift: number, fill: string, bumps = 5): string {
  const heights = Array.from({ length: bumps + 1 }, () => y - rnd() * lift);
  let d = `M0,${n(heights[0] ?? y)}`;
  for (let i = 0; i < bumps; i++) {
    const [x1, x2] = [(w * i) / bumps, (w * (i + 1)) / bumps];
    const mid = (x1 + x2) / 2;
    d += ` C${n(mid)},${n(heights[i] ?? y)} ${n(mid)},${n(heights[i + 1] ?? y)} ${n(x2)},${n(heights[i + 1] ?? y)}`;
  }
  return curve(`${d} L${w},${h} L0,${h} Z`, fill);
}

export function sky(c: Canvas, down = 0.65): string {
  const { w, h, p, rnd, light } = c;
  const clouds = times(light === "night" ? 3 : 7, () => {
    const [x, y, r] = [rnd() * w, between(rnd, 0.05, down * 0.8) * h, between(rnd, 0.06, 0.16) * w];
    return times(4, (i) =>
      oval(
        x + (i - 1.5) * r * 0.6,
        y + between(rnd, -0.01, 0.01) * h,
        r * between(rnd, 0.5, 0.9),
        r * 0.09,
        light === "storm" ? p.mid : p.low,
        `opacity="${light === "night" ? 0.25 : 0.4}"`,
      ),
    );
  });
  const stars =
    light === "night"
      ? times(70, () =>
          disc(
            rnd() * w,
            rnd() * h * down * 0.8,
            between(rnd, 0.6, 2.2),
            "#e8edf7",
            `opacity="${n(between(rnd, 0.3, 0.9))}"`,
          ),
        )
      : "";
  return wash(0, 0, w, h, p.top, p.low) + stars + clouds;
}

export function moon({ w, h, rnd }: Canvas): string {
  const [x, y, r] = [between(rnd, 0.62, 0.86) * w, between(rnd, 0.12, 0.24) * h, 0.045 * w];
  return (
    halo(x, y, r * 4.5, "#f3ead2", 0.5) +
    disc(x, y, r, "#f3ead2") +
    disc(x + r * 0.25, y - r * 0.15, r * 0.2, "#ddd2b6") +
    disc(x - r * 0.3, y + r * 0.3, r * 0.14, "#ddd2b6")
  );
}

export function sun({ w, h, rnd, p }: Canvas): string {
  const [x, y, r] = [between(rnd, 0.2, 0.75) * w, between(rnd, 0.42, 0.54) * h, 0.04 * w];
  return halo(x, y, r * 8, p.glow, 0.8) + disc(x, y, r, "#fff3d6");
}

/** Water from `top` down, with streaks of light. */
export function sea({ w, h, rnd, p }: Canvas, top: number): string {
  const streaks = times(60, () => {
    const y = top + (h - top) * rnd() ** 1.4;
    const far = (y - top) / (h - top);
    return oval(
      rnd() * w,
      y,
      w * between(rnd, 0.02, 0.09) * (0.4 + far),
      1.2 + far * 3.2,
      rnd() < 0.3 ? p.glint : p.near,
      `opacity="${n(between(rnd, 0.12, 0.4))}"`,
    );
  });
  return wash(0, top, w, h - top, p.water, p.near) + streaks;
}

/** A house with a pitched roof and lit or dark windows; `x`, `y` its foot's left end. */
export function house({ rnd, p, light }: Canvas, x: number, y: number, w: number, tall: number, wall: string): string {
  const lit = light !== "day" && light !== "dawn";
  const pane = (px: number, py: number) =>
    (lit ? halo(px + w * 0.08, py + w * 0.1, w * 0.35, p.glow, 0.45) : "") +
    rect(px, py, w * 0.16, w * 0.2, lit && rnd() < 0.8 ? p.glow : "#2c3d4c");
  return (
    rect(x, y - tall, w, tall, wall) +
    shape(
      [
        [x - w * 0.06, y - tall],
        [x + w / 2, y - tall - w * 0.42],
        [x + w * 1.06, y - tall],
      ],
      p.near,
    ) +
    rect(x + w * 0.72, y - tall - w * 0.38, w * 0.11, w * 0.3, p.near) +
    pane(x + w * 0.16, y - tall * 0.75) +
    pane(x + w * 0.66, y - tall * 0.75) +
    rect(x + w * 0.42, y - tall * 0.5, w * 0.17, tall * 0.5, "#4a2f28")
  );
}

/** Somebody in a coat, standing at `x`, `y` (the feet), `tall` high. */
export function person(x: number, y: number, tall: number, coat: string, hat: string, skin = "#d9a883"): string {
  const u = tall / 10;
  return (
    rect(x - u * 1.0, y - u * 3, u * 0.85, u * 3, "#2a2d38") +
    rect(x + u * 0.15, y - u * 3, u * 0.85, u * 3, "#2a2d38") +
    curve(
      `M${n(x - u * 1.7)},${n(y - u * 2.4)} Q${n(x - u * 1.6)},${n(y - u * 7.4)} ${n(x)},${n(y - u * 7.6)} Q${n(x + u * 1.6)},${n(y - u * 7.4)} ${n(x + u * 1.7)},${n(y - u * 2.4)} Z`,
      coat,
    ) +
    disc(x, y - u * 8.5, u * 1.15, skin) +
    curve(
      `M${n(x - u * 1.25)},${n(y - u * 8.7)} Q${n(x)},${n(y - u * 11)} ${n(x + u * 1.25)},${n(y - u * 8.7)} Z`,
      hat,
    ) +
    rect(x - u * 1.1, y - u * 7.6, u * 2.2, u * 0.6, hat)
  );
}

/** A long-legged grey dog, nose to the right, `long` from chest to tail. */
export function dog(x: number, y: number, long: number, coat = "#6d6a68"): string {
  const u = long / 10;
  const leg = (lx: number, lean: number) => line(x + lx * u, y - u * 4.2, x + (lx + lean) * u, y, coat, u * 0.75);
  return (
    leg(1.2, -0.6) +
    leg(2.2, 0.4) +
    leg(7.6, -0.2) +
    leg(8.5, 0.8) +
    curve(
      `M${n(x + u * 0.5)},${n(y - u * 5.2)} Q${n(x + u * 3)},${n(y - u * 7)} ${n(x + u * 6)},${n(y - u * 6.1)} Q${n(x + u * 9.6)},${n(y - u * 6.8)} ${n(x + u * 9.4)},${n(y - u * 4.4)} Q${n(x + u * 7.6)},${n(y - u * 3)} ${n(x + u * 5)},${n(y - u * 4.2)} Q${n(x + u * 2)},${n(y - u * 3.2)} ${n(x + u * 0.5)},${n(y - u * 5.2)} Z`,
      coat,
    ) +
    line(x + u * 8.9, y - u * 5.6, x + u * 10.6, y - u * 8.2, coat, u * 1.5) +
    curve(
      `M${n(x + u * 10)},${n(y - u * 8.9)} Q${n(x + u * 11.2)},${n(y - u * 9.4)} ${n(x + u * 13)},${n(y - u * 8)} L${n(x + u * 12.9)},${n(y - u * 7.6)} L${n(x + u * 10.3)},${n(y - u * 7.5)} Z`,
      coat,
    ) +
    shape(
      [
        [x + u * 10.1, y - u * 8.8],
        [x + u * 9.4, y - u * 8],
        [x + u * 10.4, y - u * 8],
      ],
      "#4e4b4a",
    ) +
    disc(x + u * 11.1, y - u * 8.6, u * 0.16, "#1c1c1c") +
    curve(
      `M${n(x + u * 0.8)},${n(y - u * 5.4)} Q${n(x - u * 1.6)},${n(y - u * 4)} ${n(x - u * 2)},${n(y - u * 2.2)}`,
      "none",
      `stroke="${coat}" stroke-width="${n(u * 0.5)}" stroke-linecap="round"`,
    )
  );
}

/** A lamp that hangs or is carried, with its light. */
export const lantern = (x: number, y: number, size: number, glow = "#ffc75e"): string =>
  halo(x, y, size * 5, glow, 0.75) +
  rect(x - size * 0.5, y - size * 0.7, size, size * 1.4, glow, `rx="${n(size * 0.2)}"`) +
  rect(x - size * 0.6, y - size * 0.95, size * 1.2, size * 0.28, "#3a2a22") +
  rect(x - size * 0.6, y + size * 0.65, size * 1.2, size * 0.24, "#3a2a22");

/** A working boat seen from the side; `x`, `y` the middle of its waterline. */
export function boat({ p }: Canvas, x: number, y: number, long: number, hull: string): string {
  const u = long / 10;
  return (
    curve(
      `M${n(x - u * 5)},${n(y - u * 1.6)} Q${n(x - u * 4.2)},${n(y + u * 0.2)} ${n(x - u * 3.4)},${n(y + u * 0.5)} L${n(x + u * 3.6)},${n(y + u * 0.5)} Q${n(x + u * 4.8)},${n(y - u * 0.6)} ${n(x + u * 5.6)},${n(y - u * 2.2)} L${n(x + u * 1)},${n(y - u * 1.5)} Z`,
      hull,
    ) +
    rect(x - u * 3, y - u * 3.3, u * 3, u * 1.8, "#e9e2d2") +
    rect(x - u * 3.2, y - u * 3.6, u * 3.4, u * 0.35, p.near) +
    rect(x - u * 2.5, y - u * 2.9, u * 0.8, u * 0.7, p.glow) +
    rect(x - u * 1.2, y - u * 2.9, u * 0.8, u * 0.7, p.glow) +
    line(x + u * 1.5, y - u * 1.5, x + u * 1.5, y - u * 6.5, "#3b3128", u * 0.22) +
    line(x + u * 1.5, y - u * 6.3, x + u * 5.3, y - u * 2.2, "#3b3128", u * 0.08) +
    line(x + u * 1.5, y - u * 6.3, x - u * 4.6, y - u * 1.7, "#3b3128", u * 0.08)
  );
}
