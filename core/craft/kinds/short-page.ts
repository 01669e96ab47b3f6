import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, measured, strip, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** A page cut short at its fore-edge, what is left wrapped in a paper with a short and a long flap. Common practice: 1½ off. */
export const SHORT_PAGE = craft({
  ...{ kind: "short-page", name: "Short page with wrap", does: "lets-through", paper: "patterned-paper" },
  says: "A page made short, wrapped in paper with a short and a long flap.",
  settings: {
    width: { name: "Page, width", usual: ({ room }) => room?.w ?? inches(6), least: inches(2) },
    height: { name: "Page, height", usual: ({ room }) => room?.h ?? inches(8), least: inches(1) },
    off: { name: "Off the fore-edge", usual: () => inches(1.5), least: inches(1 / 4) },
    short: { name: "Short flap", usual: () => inches(1), least: inches(1 / 4) },
  },
  make: ({ width, height, off, short }, { paper }) => {
    const left = width - off;
    if (left < inches(1)) return atMost("off", width - inches(1));
    if (short > left) return atMost("short", left);
    const wrap = strip({ id: "wrap", name: "wrap", of: paper }, "across", [left, short], height, ["mountain"], {
      zones: [glue("long flap", 0, 0, left, height), glue("short flap", left, 0, short, height)],
      measures: [
        measured("Long flap", 0, height, left, height),
        measured("Short flap", left, height, left + short, height),
      ],
    });
    return putTogether({
      parts: [there("page", "page", left, height, { isGround: true }), wrap],
      closed: by(left, height),
      states: [
        {
          ...{ id: "closed", name: "Wrapped" },
          lies: [
            { part: "wrap", folded: ["ab"], at: at(0, 0) },
            { part: "page", at: at(0, 0), over: { part: "wrap", panel: "b" } },
          ],
        },
      ],
      steps: [
        {
          act: "cut",
          minutes: 1,
          caution: "blade",
          say: "Cut {off} off the fore-edge of the page: {left} are left.",
          lengths: { off, left },
        },
        { act: "check", part: "wrap", minutes: 1, say: "Print or stamp the wrap before it is glued on." },
        {
          act: "glue",
          part: "wrap",
          minutes: 2,
          held: "tape-runner",
          say: "Lay the score on the cut edge, the long flap on the side that shows, and glue both down.",
        },
      ],
      opens: [],
      stays: "does-not-open",
      minds: [{ say: "Past its edge {off} of the next page are seen: look at the opening.", lengths: { off } }],
    });
  },
});
