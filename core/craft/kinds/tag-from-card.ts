import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, cornered, hole, measured, partOf, plain, there } from "../part.ts";
import { putTogether } from "../table.ts";

/**
 * A tag made of a card: its foot trimmed so that only the head shows above its pocket. Common practice: an 8 inch card for
 * a pocket of 6¼ with ⅞ in sight is 7⅛ long, so ⅞ comes off; behind the mouth of that pocket on a leaf of 8¼ 2 are seen,
 * so that a backing strip is 2 and a tuck of ½.
 */
export const TAG_FROM_CARD = craft({
  ...{ kind: "tag-from-card", name: "Tag from a card", does: "pulls-out", paper: "cardstock-80" },
  says: "A card trimmed so that only its head shows above its pocket.",
  settings: {
    width: { name: "Card, width", usual: ({ item }) => item?.w ?? inches(4), least: inches(1) },
    card: { name: "Card, height", usual: ({ item }) => item?.h ?? inches(8), least: inches(1) },
    pocket: { name: "Pocket, depth", usual: () => inches(6.25), least: inches(1) },
    head: { name: "Shows above it", usual: () => inches(7 / 8), least: inches(1 / 4) },
    leaf: { name: "Leaf, height", usual: ({ room }) => room?.h ?? inches(8.25), least: inches(1) },
    tuck: { name: "Backing strip tucks in", usual: () => inches(1 / 2), least: 0 },
    corner: { name: "Corners cut at 45°", usual: () => inches(3 / 4), least: 0 },
    punched: { name: "Punched margin cut off", usual: () => 0, least: 0 },
  },
  make: ({ width, card, pocket, head, leaf, tuck, corner, punched }, { paper }) => {
    const [long, wide] = [pocket + head, width - punched];
    if (wide < inches(1)) return atMost("punched", width - inches(1));
    if (long > card) return atMost("head", Math.max(0, card - pocket));
    if (corner * 2 > wide) return atMost("corner", Math.floor(wide / 2));
    if (leaf < long) return atLeast("leaf", long);
    const shape = cornered(0, 0, wide, long, { upperLeft: corner, upperRight: corner });
    const tag = {
      ...partOf({ id: "tag", name: "tag", of: paper }, [{ id: "whole", shape }], [], {
        holes: [hole(wide / 2, Math.max(inches(3 / 8), head / 2), inches(1 / 4))],
        trim: {
          say: `Trim {off} off its foot${punched > 0 ? " and the punched margin of {punched}" : ""}; cut both upper corners at 45°, {corner} along each side.`,
          lengths: { off: card - long, punched, corner },
        },
        measures: [measured("Long", 0, 0, 0, long), measured("Shows", wide, 0, wide, head)],
      }),
      blank: by(width, card),
    };
    const visible = leaf - pocket;
    const backing = plain({ id: "backing", name: "backing strip", of: "patterned-paper" }, wide, visible + tuck, {
      measures: [measured("In sight", 0, 0, 0, visible), measured("Tucked in", 0, visible, 0, visible + tuck)],
    });
    const lies = (up: number) => [
      { part: "backing", at: at(0, 0) },
      { part: "tag", at: at(0, visible - head - up) },
      { part: "pocket", at: at(0, visible) },
    ];
    return putTogether({
      parts: [tag, backing, there("pocket", "pocket", wide, pocket, { isGround: true })],
      closed: by(wide, leaf),
      states: [
        { id: "closed", name: "Closed", lies: lies(0) },
        { id: "out", name: "Pulled out", lies: lies(Math.round(pocket * 0.75)) },
      ],
      steps: [
        {
          act: "glue",
          part: "backing",
          minutes: 1,
          held: "tape-runner",
          say: "Behind the mouth {visible} of the leaf are seen: the backing strip covers them and goes {tuck} into the pocket.",
          lengths: { visible, tuck },
        },
      ],
      opens: [{ state: "out", hinge: null }],
      stays: "in-its-pocket",
      minds: [
        { say: "{long} long: {pocket} in the pocket, {head} in sight.", lengths: { long, pocket, head } },
        { say: "Turn some upside down so that their pattern shows at the head." },
        ...(punched > 0
          ? [
              {
                say: "Words that stood in the middle of the card stand {off} off it now.",
                lengths: { off: Math.round(punched / 2) },
              },
            ]
          : []),
      ],
    });
  },
});
