import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, measured, plain, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** Slips of three lengths in one pocket, each with its head in sight. Common practice. */
export const THREE_SLIPS = craft({
  ...{ kind: "three-slips", name: "Slips in one pocket", does: "pulls-out", paper: "cardstock-65" },
  says: "Several slips behind each other, each head above the one before it.",
  settings: {
    width: { name: "Pocket, inside width", usual: ({ room }) => room?.w ?? inches(3), least: inches(1) },
    pocket: { name: "Pocket, depth", usual: ({ room }) => room?.h ?? inches(4), least: inches(1) },
    slips: { name: "Slips", counts: true, usual: () => 3, least: 2, most: 5 },
    head: { name: "Each shows", usual: () => inches(1 / 2), least: inches(1 / 4) },
    play: { name: "Play", usual: () => inches(1 / 8), least: inches(1 / 32) },
  },
  make: ({ width, pocket, slips = 3, head, play }, { paper }) => {
    if (play * 2 > width) return atMost("play", Math.floor(width / 2));
    const wide = width - play;
    const all = Array.from({ length: slips }, (_, nth) => ({
      part: plain({ id: `slip ${nth + 1}`, name: `slip ${nth + 1}`, of: paper }, wide, pocket + (slips - nth) * head, {
        measures: [measured("Shows", wide, 0, wide, head)],
      }),
      top: -(slips - nth) * head,
    }));
    const lies = (out: number | null) => [
      ...all.map(({ part, top }, nth) => ({ part: part.id, at: at(play / 2, top - (nth === out ? pocket / 2 : 0)) })),
      { part: "pocket", at: at(0, 0) },
    ];
    return putTogether({
      parts: [...all.map(({ part }) => part), there("pocket", "pocket", width, pocket, { isGround: true })],
      closed: by(width, pocket + slips * head),
      states: [
        { id: "closed", name: "Closed", lies: lies(null) },
        ...all.map((_, nth) => ({ id: `out ${nth + 1}`, name: `Slip ${nth + 1} out`, lies: lies(nth) })),
      ],
      steps: [
        {
          act: "check",
          minutes: 1,
          say: "All of them together slide freely: {play} of play from side to side.",
          lengths: { play },
        },
      ],
      opens: all.map((_, nth) => ({ state: `out ${nth + 1}`, hinge: null })),
      stays: "in-its-pocket",
      minds: [
        {
          say: "The longest stands {out} above the pocket: it must not pass the page.",
          lengths: { out: slips * head },
        },
      ],
    });
  },
});
