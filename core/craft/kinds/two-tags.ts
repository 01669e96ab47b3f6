import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, glue, hole, measured, plain } from "../part.ts";
import { putTogether } from "../table.ts";

const HOLE = inches(1 / 4);

/** Two tags back to back with a list that slides between them: glue on three sides of its channel, and nowhere in it. */
export const TWO_TAGS = craft({
  ...{ kind: "two-tags", name: "Two tags back to back", does: "pulls-out", paper: "cardstock-80" },
  says: "Two tags glued together, a list sliding between them.",
  settings: {
    width: {
      name: "Tag, width",
      usual: ({ room }) => (room ? Math.min(room.w, inches(4)) : inches(4)),
      least: inches(1),
    },
    height: {
      name: "Tag, height",
      usual: ({ room }) => (room ? Math.min(room.h, inches(6)) : inches(6)),
      least: inches(1),
    },
    list: { name: "List, width", usual: ({ item }) => item?.w ?? inches(3), least: inches(1 / 2) },
    long: { name: "List, length", usual: ({ item }) => item?.h ?? inches(5.5), least: inches(1) },
    play: { name: "Play beside the list", usual: () => inches(1 / 16), least: inches(1 / 32) },
    punch: { name: "Clear strip to punch", usual: () => inches(1 / 2), least: 0 },
  },
  make: ({ width, height, list, long, play, punch }, { paper }) => {
    if (punch > 0 && punch < HOLE) return atLeast("punch", HOLE);
    const seam = Math.floor((width - list - 2 * play) / 2);
    if (seam < inches(1 / 8)) return atMost("list", width - 2 * play - inches(1 / 4));
    if (long > height) return atMost("long", height);
    const channel = list + 2 * play;
    const foot = Math.max(inches(1 / 8), height - long);
    const tag = (id: string, name: string, isGlued: boolean) =>
      plain({ id, name, of: paper }, width, height, {
        zones: isGlued
          ? [
              glue("left of the list", 0, 0, seam, height),
              glue("right of the list", seam + channel, 0, width - seam - channel, height),
              glue("below the list", seam, height - foot, channel, foot),
              free("the list slides here", seam, 0, channel, height - foot),
            ]
          : [],
        measures: [measured("Channel", seam, 0, seam + channel, 0)],
      });
    const listPart = plain({ id: "list", name: "list", of: "printer-paper" }, list, long);
    const strip = plain({ id: "strip", name: "clear strip", of: "transparency" }, punch * 2 || 1, height, {
      holes: punch > 0 ? [hole(punch / 2, height / 4, HOLE), hole(punch / 2, (height * 3) / 4, HOLE)] : [],
    });
    const lies = (up: number) => [
      { part: "behind", behind: true, at: at(width, 0) },
      ...(punch > 0 ? [{ part: "strip", at: at(-punch, 0) }] : []),
      { part: "list", at: at(seam + play, height - foot - long - up) },
      { part: "front", at: at(0, 0) },
    ];
    return putTogether({
      parts: [
        tag("behind", "tag behind", true),
        tag("front", "tag in front", false),
        listPart,
        ...(punch > 0 ? [strip] : []),
      ],
      closed: by(width + punch, height + Math.max(0, long + foot - height)),
      states: [
        { id: "closed", name: "Closed", lies: lies(0) },
        { id: "out", name: "Pulled out", lies: lies(Math.round(long * 0.75)) },
      ],
      steps: [
        {
          act: "glue",
          part: "behind",
          minutes: 2,
          held: "strong-tape",
          say: "Glue the two tags back to back on three sides only: {seam} left and right of the list, {foot} below it. Glue over the whole back would hold the list.",
          lengths: { seam, foot },
        },
        ...(punch > 0
          ? [
              {
                act: "glue" as const,
                part: "strip",
                minutes: 1,
                held: "strong-tape" as const,
                say: "Let the clear strip stand out {punch} between them at the binding edge, and punch only that: the list may be longer then.",
                lengths: { punch },
              },
            ]
          : []),
        {
          act: "check",
          part: "list",
          minutes: 1,
          say: "Slide the list in and out before the glue has set: {play} of play on each side.",
          lengths: { play },
        },
      ],
      opens: [{ state: "out", hinge: null }],
      stays: "by-itself",
      minds: [
        {
          say: "The channel of the list, {channel} wide, stays free of glue down to {foot} above the foot.",
          lengths: { channel, foot },
        },
      ],
    });
  },
});
