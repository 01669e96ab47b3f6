import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, measured, strip, there } from "../part.ts";
import { putTogether } from "../table.ts";

/**
 * A photo on two hinge strips that make a pocket of it, closed at the foot and at one side; the binding edge is closed by
 * tape. Common practice: a photo of 11 × 6¼ has strips of 1 × 11 and 1 × 6¼, scored at ½, taped ⅜ on each side of the score.
 */
export const HINGED_PHOTO_POCKET = craft({
  ...{ kind: "hinged-photo-pocket", name: "Photo pocket on hinges", does: "holds", paper: "cardstock-65" },
  says: "A large photo that is itself a pocket, on a strip at its foot and one at its side.",
  settings: {
    width: { name: "Photo, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(11), least: inches(2) },
    height: { name: "Photo, height", usual: ({ item }) => item?.h ?? inches(6.25), least: inches(2) },
    wing: { name: "Half a strip", usual: () => inches(1 / 2), least: inches(1 / 4) },
    tape: { name: "Tape", usual: () => inches(3 / 8), least: inches(1 / 8) },
  },
  make: ({ width, height, wing, tape }, { paper }) => {
    if (tape > wing) return atMost("tape", wing);
    const taped = (x: number, y: number, w: number, h: number, name: string) => glue(name, x, y, w, h, "back");
    const foot = strip({ id: "foot", name: "strip of the foot", of: paper }, "down", [wing, wing], width, ["valley"], {
      zones: [
        taped(0, 0, width, Math.min(tape, wing), "to the page"),
        taped(0, 2 * wing - tape, width, tape, "to the photo"),
      ],
      trim: {
        say: "Clip its corner at {wing} where the two strips meet, so that they do not lie on each other.",
        lengths: { wing },
      },
      measures: [measured("Score", 0, 0, 0, wing)],
    });
    const side = strip(
      { id: "side", name: "strip of the side", of: paper },
      "across",
      [wing, wing],
      height,
      ["valley"],
      {
        zones: [taped(0, 0, tape, height, "to the page"), taped(2 * wing - tape, 0, tape, height, "to the photo")],
        measures: [measured("Score", 0, height, wing, height)],
      },
    );
    return putTogether({
      parts: [foot, side, there("photo", "photo", width, height)],
      closed: by(width, height),
      states: [
        {
          id: "closed",
          name: "Closed",
          lies: [
            { part: "foot", folded: ["ab"], at: at(0, height - wing) },
            { part: "side", folded: ["ab"], at: at(width - wing, 0) },
            { part: "photo", at: at(0, 0) },
          ],
        },
      ],
      steps: [
        { act: "fold", part: "foot", minutes: 1, say: "Fold both strips at {wing}.", lengths: { wing } },
        {
          act: "glue",
          part: "side",
          minutes: 2,
          held: "strong-tape",
          caution: "photo-safe",
          say: "Tape {tape} on each side of both scores. One wing under the photo, the other on the page; the corner where they meet is clipped.",
          lengths: { tape },
        },
        {
          act: "glue",
          minutes: 1,
          held: "strong-tape",
          say: "Close the binding edge with tape. The upper edge stays open.",
        },
      ],
      opens: [],
      stays: "by-itself",
      minds: [
        { say: "Where both strips cross they would lie three thick: clip the corner of both." },
        { say: "Words on tags in it stand off the middle once their punched margin is cut off." },
      ],
    });
  },
});
