import { inches } from "../../measure/length.ts";
import { atLeast, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, glue, measured, strip, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** A scrap folded and stapled, into which the foot of a card tucks. Common practice: folded by 1, stapled halfway. */
export const MATCHBOOK_STOP = craft({
  ...{ kind: "matchbook-stop", name: "Matchbook stop", does: "holds", paper: "patterned-paper" },
  says: "A folded, stapled scrap that holds the foot of a card.",
  settings: {
    width: { name: "Width", usual: ({ item }) => item?.w ?? inches(3), least: inches(1) },
    fold: { name: "Folded by", usual: () => inches(1), least: inches(1 / 2) },
    back: { name: "Back", usual: () => inches(2), least: inches(1 / 2) },
  },
  make: ({ width, fold, back }, { paper }, { item }) => {
    if (back < fold) return atLeast("back", fold);
    const half = Math.round(fold / 2);
    const stop = strip({ id: "stop", name: "scrap", of: paper }, "down", [back, fold], width, ["mountain"], {
      zones: [glue("to the page", 0, back - half, width, half), free("the card tucks in", 0, back, width, half)],
      measures: [measured("Folded by", width, back, width, back + fold)],
    });
    const card = item ? [there("card", "card", item.w, item.h)] : [];
    const lies = (up: number) => [
      { part: "stop", folded: ["ab"], behind: true, at: at(width, 0) },
      ...(item
        ? [
            {
              part: "card",
              at: at((width - item.w) / 2, back - half - item.h - up),
              over: { part: "stop", panel: "a" },
            },
          ]
        : []),
    ];
    return putTogether({
      parts: [stop, ...card],
      closed: by(Math.max(width, item?.w ?? 0), Math.max(back, item ? item.h + half : 0)),
      states: [
        { id: "closed", name: "Closed", lies: lies(0) },
        ...(item ? [{ id: "out", name: "Taken out", lies: lies(fold) }] : []),
      ],
      steps: [
        { act: "fold", part: "stop", minutes: 1, say: "Fold {fold} up.", lengths: { fold } },
        {
          act: "fasten",
          part: "stop",
          minutes: 1,
          held: "staple",
          caution: "stapler",
          say: "Staple it through halfway, {half} above the fold.",
          lengths: { half },
        },
        {
          act: "glue",
          part: "stop",
          minutes: 1,
          held: "tape-runner",
          say: "Glue it down below the staple only; the card’s foot tucks in {half} above it.",
          lengths: { half },
        },
      ],
      opens: item ? [{ state: "out", hinge: null }] : [],
      stays: "by-itself",
      minds: [{ say: "The staple’s back lies on the page: glue the stop over it." }],
    });
  },
});
