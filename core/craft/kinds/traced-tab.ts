import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, cornered, glue, measured, partOf, plain } from "../part.ts";
import { putTogether } from "../table.ts";

/** A tab traced and cut double, a scrap behind so that it does not stick to the photo. Common practice. */
export const TRACED_TAB = craft({
  ...{ kind: "traced-tab", name: "Traced tab", does: "lifts", paper: "patterned-paper" },
  says: "A tab to find or lift by, with a scrap behind it.",
  settings: {
    width: { name: "Width", usual: () => inches(1), least: inches(1 / 2) },
    out: { name: "Stands out", usual: () => inches(3 / 8), least: inches(1 / 8) },
    under: { name: "Holds on by", usual: () => inches(3 / 8), least: inches(1 / 8) },
    corner: { name: "Corners cut", usual: () => inches(1 / 8), least: 0 },
  },
  make: ({ width, out, under, corner }, { paper }) => {
    if (corner > out || corner * 2 > width) return atMost("corner", Math.min(out, Math.floor(width / 2)));
    const tab = partOf(
      { id: "tab", name: "tab", of: paper },
      [{ id: "whole", shape: cornered(0, 0, width, out + under, { upperLeft: corner, upperRight: corner }) }],
      [],
      {
        trim:
          corner > 0
            ? { say: "Cut both upper corners at 45°, {corner} along each side.", lengths: { corner } }
            : undefined,
        zones: [glue("on the page", 0, out, width, under)],
        measures: [measured("Stands out", width, 0, width, out)],
      },
    );
    const scrap = plain({ id: "scrap", name: "scrap behind", of: paper }, width, out);
    return putTogether({
      parts: [tab, scrap],
      closed: by(width, out + under),
      states: [
        {
          id: "closed",
          name: "On its page",
          lies: [
            { part: "scrap", at: at(0, 0) },
            { part: "tab", at: at(0, 0) },
          ],
        },
      ],
      steps: [
        {
          act: "glue",
          part: "scrap",
          minutes: 1,
          held: "tape-runner",
          say: "Glue the scrap behind the {out} that stand out, so that it does not stick to the photo behind.",
          lengths: { out },
        },
        {
          act: "glue",
          part: "tab",
          minutes: 1,
          held: "strong-tape",
          say: "Glue it on by {under}.",
          lengths: { under },
        },
      ],
      opens: [],
      stays: "does-not-open",
      minds: [{ say: "It stands {out} out of the page: it must not pass the cover.", lengths: { out } }],
    });
  },
});
