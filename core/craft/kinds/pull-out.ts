import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, glue, measured, plain } from "../part.ts";
import { putTogether } from "../table.ts";

/**
 * A slip that pulls out of a cover and stops: a wider strip is fixed to its foot, glue left, right and below the cover, and
 * an upper line of glue at both sides that the wider strip meets. Common practice.
 */
export const PULL_OUT = craft({
  ...{ kind: "pull-out", name: "Pull-out with a stop", does: "pulls-out", paper: "cardstock-80" },
  says: "A slip that comes out as far as it should, and no farther.",
  settings: {
    width: { name: "Slip, width", usual: ({ item }) => item?.w ?? inches(3), least: inches(1) },
    height: { name: "Slip, height", usual: ({ item }) => item?.h ?? inches(5), least: inches(1) },
    coverWidth: {
      name: "Cover, width",
      usual: ({ item, room }) => room?.w ?? (item ? item.w + inches(1.5) : inches(4.5)),
      least: inches(1),
    },
    coverHeight: {
      name: "Cover, height",
      usual: ({ item, room }) => room?.h ?? (item ? item.h + inches(1 / 2) : inches(5.5)),
      least: inches(1),
    },
    wider: { name: "Stop wider by, each side", usual: () => inches(1 / 4), least: inches(1 / 8) },
    stop: { name: "Stop, height", usual: () => inches(1 / 2), least: inches(1 / 4) },
    glued: { name: "Line of glue", usual: () => inches(1 / 4), least: inches(1 / 8) },
    play: { name: "Play beside the slip", usual: () => inches(1 / 16), least: inches(1 / 32) },
    shows: { name: "Shows above the cover", usual: () => inches(3 / 8), least: 0 },
  },
  make: ({ width, height, coverWidth, coverHeight, wider, stop, glued, play, shows }, { paper }) => {
    const channel = width + 2 * (wider + play);
    if (channel + 2 * glued > coverWidth) return atLeast("coverWidth", channel + 2 * glued);
    if (height - shows + glued > coverHeight) return atLeast("coverHeight", height - shows + glued);
    if (stop + glued > height - shows) return atMost("shows", height - stop - glued);
    // Closed, the foot of the slip lies so far above the foot of the cover.
    const foot = coverHeight - (height - shows);
    const travel = coverHeight - foot - stop - glued;
    const side = Math.round((coverWidth - channel) / 2);
    const gate = Math.round((coverWidth - width) / 2) - play;
    const slip = plain({ id: "slip", name: "slip", of: paper }, width, height, {
      measures: [measured("Slip", 0, 0, width, 0)],
    });
    const stopPart = plain({ id: "stop", name: "stop", of: paper }, width + 2 * wider, stop, {
      measures: [measured("Stop", 0, 0, width + 2 * wider, 0)],
    });
    const cover = plain({ id: "cover", name: "cover", of: paper }, coverWidth, coverHeight, {
      zones: [
        glue("left", 0, glued, side, coverHeight - 2 * glued),
        glue("right", coverWidth - side, glued, side, coverHeight - 2 * glued),
        glue("below", 0, coverHeight - Math.min(glued, foot || glued), coverWidth, Math.min(glued, foot || glued)),
        glue("stops it, left", 0, 0, gate, glued),
        glue("stops it, right", coverWidth - gate, 0, gate, glued),
        free("the slip comes out here", gate, 0, coverWidth - 2 * gate, glued),
        free("the stop runs here", side, glued, coverWidth - 2 * side, coverHeight - 2 * glued - foot),
      ].filter(({ at: { w, h } }) => w > 0 && h > 0),
      measures: [measured("Cover", 0, coverHeight, coverWidth, coverHeight)],
    });
    const [x, y] = [Math.round((coverWidth - width) / 2), coverHeight - foot - height];
    const lies = (up: number) => [
      { part: "slip", at: at(x, y - up) },
      { part: "stop", at: at(x - wider, y + height - stop - up) },
      { part: "cover", at: at(0, 0) },
    ];
    return putTogether({
      parts: [slip, stopPart, cover],
      closed: by(coverWidth, coverHeight + shows),
      states: [
        { id: "closed", name: "Closed", lies: lies(0) },
        { id: "out", name: "Pulled out", lies: lies(travel) },
      ],
      steps: [
        {
          act: "glue",
          part: "stop",
          minutes: 1,
          held: "strong-tape",
          say: "Fix the stop across the foot of the slip: {wider} stands out on each side.",
          lengths: { wider },
        },
        {
          act: "glue",
          part: "cover",
          minutes: 2,
          held: "strong-tape",
          say: "Glue the cover left, right and below: {side} at the sides, nothing where the slip runs.",
          lengths: { side },
        },
        {
          act: "glue",
          part: "cover",
          minutes: 2,
          held: "strong-tape",
          say: "Pull the slip out as far as it should come, and set the two upper lines of glue against its stop: {gate} from each side.",
          lengths: { gate },
        },
        {
          act: "check",
          part: "slip",
          minutes: 1,
          say: "It comes out {travel}; {inside} of it stay inside. Cover staples in its way: they snag.",
          lengths: { travel, inside: height - shows - travel },
        },
      ],
      opens: [{ state: "out", hinge: null }],
      stays: "by-itself",
      minds: [
        {
          say: "It travels {travel}, and {inside} of it stay inside.",
          lengths: { travel, inside: height - shows - travel },
        },
        {
          say: "Its back shows on the next page, or needs a cover there. Where cover and page are two days’, both are made before either is closed.",
        },
      ],
    });
  },
});
