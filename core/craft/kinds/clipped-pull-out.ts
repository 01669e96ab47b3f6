import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, measured, plain, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** A card held by a clip at its head, which comes out by it. Common practice. */
export const CLIPPED_PULL_OUT = craft({
  ...{ kind: "clipped-pull-out", name: "Clipped pull-out", does: "pulls-out", paper: "cardstock-80" },
  says: "A card behind a page, held and pulled out by its clip.",
  settings: {
    width: { name: "Card, width", usual: ({ item }) => item?.w ?? inches(3), least: inches(1) },
    height: { name: "Card, height", usual: ({ item }) => item?.h ?? inches(5), least: inches(1) },
    pageHeight: { name: "Page, height", usual: ({ room }) => room?.h ?? inches(8), least: inches(1) },
    shows: { name: "Stands out above the page", usual: () => inches(1 / 4), least: 0 },
    clip: { name: "Clip reaches down", usual: () => inches(1), least: inches(1 / 4) },
  },
  make: ({ width, height, pageHeight, shows, clip }, { paper }) => {
    if (clip > height) return atMost("clip", height);
    if (height - shows > pageHeight) return atLeast("pageHeight", height - shows);
    const card = plain({ id: "card", name: "card", of: paper }, width, height, {
      zones: [free("the clip sits here", 0, 0, width, clip, "front")],
      measures: [measured("Clip", width, 0, width, clip)],
    });
    const lies = (up: number) => [
      { part: "card", at: at(0, -up) },
      { part: "page", at: at(-inches(1 / 2), shows) },
    ];
    return putTogether({
      parts: [card, there("page", "page", width + inches(1), pageHeight, { isGround: true })],
      closed: by(width + inches(1), pageHeight + shows),
      states: [
        { id: "closed", name: "Behind the page", lies: lies(0) },
        { id: "out", name: "Pulled out", lies: lies(Math.round(height / 2)) },
      ],
      steps: [
        {
          act: "fasten",
          part: "card",
          minutes: 1,
          caution: "small-parts",
          say: "Clip it to the page, {clip} down; a label round the clip says that it comes out.",
          lengths: { clip },
        },
      ],
      opens: [{ state: "out", hinge: null }],
      stays: "by-itself",
      minds: [
        {
          say: "A clip stands out {shows} past the page and presses into the next: put card under it.",
          lengths: { shows },
        },
      ],
    });
  },
});
