import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hinge, measured, panel, partOf, plain, rectangle } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/**
 * A pouch of film with loose things that move in it: film folded round a panel, ½ on every side. Common practice: a panel of
 * 10 × 8 takes film of 11 × 9.
 */
export const SHAKER = craft({
  ...{ kind: "shaker", name: "Shaker pouch", does: "shakes", paper: "cardstock-80" },
  says: "Film folded round a panel, with loose things between that move.",
  settings: {
    width: { name: "Panel, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(4), least: inches(1) },
    height: { name: "Panel, height", usual: ({ item, room }) => item?.h ?? room?.h ?? inches(6), least: inches(1) },
    round: { name: "Film more all round", usual: () => inches(1 / 2), least: inches(1 / 4) },
    tape: { name: "Tape", usual: () => inches(3 / 8), least: inches(1 / 8) },
    frame: { name: "Foam frame", ways: ["without", "with"], usual: () => 0, least: 0, most: 1 },
  },
  make: ({ width, height, round: more, tape, frame }, { paper }) => {
    if (tape > more) return atMost("tape", more);
    if (more * 2 > Math.min(width, height)) return atMost("round", Math.floor(Math.min(width, height) / 2));
    const film = {
      ...partOf(
        { id: "film", name: "film", of: "transparency" },
        [
          rectangle("face", more, more, width, height),
          panel("upper", [more, more], [2 * more, 0], [width, 0], [more + width, more]),
          panel(
            "right",
            [more + width, more],
            [2 * more + width, 2 * more],
            [2 * more + width, height],
            [more + width, more + height],
          ),
          panel(
            "lower",
            [more + width, more + height],
            [width, 2 * more + height],
            [2 * more, 2 * more + height],
            [more, more + height],
          ),
          panel("left", [more, more + height], [0, height], [0, 2 * more], [more, more]),
        ],
        [
          hinge("upper", "face", "upper", "mountain", line(more, more, more + width, more)),
          hinge("right", "face", "right", "mountain", line(more + width, more, more + width, more + height)),
          hinge("lower", "face", "lower", "mountain", line(more, more + height, more + width, more + height)),
          hinge("left", "face", "left", "mountain", line(more, more, more, more + height)),
        ],
        {
          trim: {
            say: "Cut its four corners off at 45°, {more} along each side, so that they do not lie on each other.",
            lengths: { more: 2 * more },
          },
          zones: [
            glue("upper", 2 * more, more - tape, width - more, tape),
            glue("lower", 2 * more, more + height, width - more, tape),
            glue("left", more - tape, 2 * more, tape, height - more),
            glue("right", more + width, 2 * more, tape, height - more),
          ],
          measures: [
            measured("Round the panel", 0, height, more, height),
            measured("Panel", more, 2 * more + height, more + width, 2 * more + height),
          ],
        },
      ),
      blank: by(width + 2 * more, height + 2 * more),
    };
    const panelPart = plain({ id: "panel", name: "panel", of: paper }, width, height);
    const bar = inches(1 / 4);
    const frames = [
      plain({ id: "long bar", name: "foam bar, long", of: "foam-tape" }, width, bar, { count: 2 }),
      plain({ id: "short bar", name: "foam bar, short", of: "foam-tape" }, bar, height - 2 * bar, { count: 2 }),
    ];
    const hasFrame = frame === 1 && height > 3 * bar;
    return putTogether({
      room: by(width, height),
      parts: [film, panelPart, ...(hasFrame ? frames : [])],
      closed: by(width, height),
      states: [
        {
          ...{ id: "closed", name: "Closed" },
          lies: [
            { part: "film", folded: ["upper", "right", "lower", "left"], at: at(-more, -more) },
            { part: "panel", at: at(0, 0), over: { part: "film", panel: "left" } },
            ...(hasFrame
              ? [
                  { part: "long bar", at: at(0, 0), over: { part: "panel", panel: "whole" } },
                  { part: "long bar", at: at(0, height - bar), over: { part: "panel", panel: "whole" } },
                  { part: "short bar", at: at(0, bar), over: { part: "panel", panel: "whole" } },
                  { part: "short bar", at: at(width - bar, bar), over: { part: "panel", panel: "whole" } },
                ]
              : []),
          ],
        },
      ],
      steps: [
        ...(hasFrame
          ? [
              {
                act: "glue" as const,
                part: "panel",
                minutes: 3,
                held: "foam" as const,
                say: "Lay the foam bars round the panel without a gap: grains find every one.",
              },
            ]
          : []),
        {
          act: "glue",
          part: "film",
          minutes: 3,
          held: "strong-tape",
          say: "Fold three sides of the film behind the panel and tape them, {tape} each.",
          lengths: { tape },
        },
        {
          act: "fill",
          minutes: 2,
          caution: "small-parts",
          say: "Wipe the film with an antistatic cloth, fill it less than half, and keep grains off the edge.",
        },
        { act: "glue", part: "film", minutes: 1, held: "strong-tape", say: "Fold the fourth side behind and tape it." },
        {
          act: "glue",
          minutes: 1,
          held: "strong-tape",
          say: "Tape of {wide} holds it on its base: it is heavy.",
          lengths: { wide: inches(5 / 8) },
        },
      ],
      opens: [],
      stays: "by-itself",
      minds: [
        {
          say: `It is thicker than thought, ${hasFrame ? "and the foam frame adds to it" : "and thickest where the things gather"}: look at Bulk before it is filled.`,
        },
        { say: "Grains under the next thing to be stuck on: wipe the table first." },
      ],
    });
  },
});
