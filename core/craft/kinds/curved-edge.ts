import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, measured, partOf } from "../part.ts";
import { polygon } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** How many straight lines the wave is drawn with: each is off by less than a tenth of a millimetre. */
const STEPS = 48;

/** A page whose free edge is cut in a wave. Common practice. */
export const CURVED_EDGE = craft({
  ...{ kind: "curved-edge", name: "Curved edge", does: "is-a-shape", paper: "cardstock-80" },
  says: "A page or card with a wave along its free edge.",
  settings: {
    width: { name: "Width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(6), least: inches(1) },
    height: { name: "Height", usual: ({ item, room }) => item?.h ?? room?.h ?? inches(8), least: inches(1) },
    deep: { name: "Wave, depth", usual: () => inches(1 / 2), least: inches(1 / 16) },
    waves: { name: "Waves", counts: true, usual: () => 2, least: 1, most: 8 },
  },
  make: ({ width, height, deep, waves = 2 }, { paper }) => {
    if (deep * 2 > width) return atMost("deep", Math.floor(width / 2));
    const edge = Array.from({ length: STEPS + 1 }, (_, nth) => {
      const down = nth / STEPS;
      return [width - (deep / 2) * (1 - Math.cos(2 * Math.PI * waves * down)), height * down] as const;
    });
    const page = partOf(
      { id: "page", name: "page", of: paper },
      [{ id: "whole", shape: polygon([0, 0], ...edge, [0, height]) }],
      [],
      {
        trim: { say: "Trace the wave along its free edge, {deep} deep, and cut it.", lengths: { deep } },
        measures: [measured("Wave", width - deep, height, width, height)],
      },
    );
    return putTogether({
      parts: [page],
      closed: by(width, height),
      states: [{ id: "closed", name: "Cut", lies: [{ part: "page", at: at(0, 0) }] }],
      steps: [{ act: "check", part: "page", minutes: 1, say: "Cut the curve with the paper turning, not the blade." }],
      opens: [],
      stays: "does-not-open",
      minds: [{ say: "Up to {deep} of the next page are seen past it.", lengths: { deep } }],
    });
  },
});
