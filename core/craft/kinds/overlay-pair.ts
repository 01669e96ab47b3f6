import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, hole, measured, plain, there } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** Two prints of one viewpoint, the upper on film or vellum and hinged at the holes. Common practice. */
export const OVERLAY_PAIR = craft({
  ...{ kind: "overlay-pair", name: "Overlay pair", does: "lifts", paper: "transparency" },
  says: "Day over night, before over after: the upper one lifts.",
  settings: {
    width: { name: "Print, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(6), least: inches(1) },
    height: { name: "Print, height", usual: ({ item, room }) => item?.h ?? room?.h ?? inches(8), least: inches(1) },
    strip: { name: "Strip at the binding edge", usual: () => inches(1), least: inches(1 / 2) },
    hole: { name: "Holes", usual: () => inches(1 / 4), least: inches(1 / 8) },
    inset: { name: "Holes, from the edge", usual: () => inches(1 / 2), least: inches(1 / 8) },
  },
  make: ({ width, height, strip: wide, hole: across, inset }, { paper }) => {
    if (inset + across / 2 > wide) return atMost("inset", wide - Math.ceil(across / 2));
    if (inset * 2 < across) return atLeast("inset", Math.ceil(across / 2));
    if (across * 3 > height) return atMost("hole", Math.floor(height / 3));
    const ys = [height / 6, height / 2, (height * 5) / 6];
    const upper = plain({ id: "upper", name: "upper print", of: paper }, width + wide, height, {
      holes: ys.map((y) => hole(inset, y, across as never)),
      slits: ys.map((y) => line(0, y, inset - across / 2, y)),
      measures: [measured("Strip", 0, height, wide, height), measured("Print", wide, height, wide + width, height)],
    });
    return putTogether({
      parts: [there("lower", "lower print", width, height), upper],
      closed: by(width + wide, height),
      states: [
        {
          id: "closed",
          name: "Closed",
          lies: [
            { part: "lower", at: at(wide, 0) },
            { part: "upper", at: at(0, 0) },
          ],
        },
        {
          id: "open",
          name: "Lifted off",
          lies: [
            { part: "lower", at: at(wide, 0) },
            { part: "upper", behind: true, at: at(0, 0) },
          ],
        },
      ],
      steps: [
        {
          act: "cut",
          part: "upper",
          minutes: 1,
          caution: "blade",
          say: "Slit from each hole to the edge: it lifts off the rings without opening them.",
        },
        {
          act: "check",
          minutes: 1,
          say: "Lay both on each other against a window: what stands still in both must lie on itself.",
        },
      ],
      opens: [{ state: "open", hinge: line(0, 0, 0, height) }],
      stays: "by-itself",
      minds: [
        { say: "Ink on film scratches: the printed side down, and dry for a day." },
        { say: "On vellum everything is paler: choose the darker of the two for it." },
      ],
    });
  },
});
