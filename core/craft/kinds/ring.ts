import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, measured, partOf, round } from "../part.ts";
import { putTogether } from "../table.ts";

/** A ring of card round a circle. Common practice: 4 across outside, a photo of 3 in it. */
export const RING = craft({
  ...{ kind: "ring", name: "Ring round a circle", does: "is-a-shape", paper: "cardstock-80" },
  says: "A ring of card with a round photo in it.",
  settings: {
    outer: { name: "Outside", usual: () => inches(4), least: inches(1) },
    photo: { name: "Photo", usual: ({ item }) => item?.w ?? inches(3), least: inches(1 / 2) },
    under: { name: "Photo goes under by", usual: () => inches(1 / 8), least: inches(1 / 32) },
  },
  make: ({ outer, photo, under }, { paper }) => {
    const inner = photo - 2 * under;
    if (inner < inches(1 / 4)) return atMost("under", Math.floor((photo - inches(1 / 4)) / 2));
    if (photo >= outer) return atLeast("outer", photo + inches(1 / 4));
    const ringPart = partOf(
      { id: "ring", name: "ring", of: paper },
      [{ id: "whole", shape: round(outer / 2, outer / 2, outer) }],
      [],
      {
        windows: [round(outer / 2, outer / 2, inner)],
        trim: { say: "Cut the ring {outer} across, and {inner} out of its middle.", lengths: { outer, inner } },
        measures: [measured("Outside", 0, outer, outer, outer)],
      },
    );
    const photoPart = partOf(
      { id: "photo", name: "round photo", of: "photo-paper" },
      [{ id: "whole", shape: round(photo / 2, photo / 2, photo) }],
      [],
    );
    const inset = (outer - photo) / 2;
    return putTogether({
      parts: [ringPart, photoPart],
      closed: by(outer, outer),
      states: [
        {
          id: "closed",
          name: "Together",
          lies: [
            { part: "photo", at: at(inset, inset) },
            { part: "ring", at: at(0, 0) },
          ],
        },
      ],
      steps: [
        {
          act: "glue",
          part: "ring",
          minutes: 1,
          held: "wet-glue",
          caution: "photo-safe",
          say: "Glue the ring onto the photo: {under} of it lie under the ring all round.",
          lengths: { under },
        },
      ],
      opens: [],
      stays: "does-not-open",
      minds: [],
    });
  },
});
