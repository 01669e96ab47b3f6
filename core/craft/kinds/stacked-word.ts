import { inches } from "../../measure/length.ts";
import { craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, plain } from "../part.ts";
import { putTogether } from "../table.ts";

/** A cut word or shape of three or four layers glued on each other, so that it stands out. Common practice. */
export const STACKED_WORD = craft({
  ...{ kind: "stacked-word", name: "Stacked word", does: "is-a-shape", paper: "cardstock-80" },
  says: "A word cut several times and stacked, so that it stands off the page.",
  settings: {
    width: { name: "Width", usual: ({ item }) => item?.w ?? inches(4), least: inches(1 / 2) },
    height: { name: "Height", usual: ({ item }) => item?.h ?? inches(1), least: inches(1 / 4) },
    layers: { name: "Layers", counts: true, usual: () => 3, least: 2, most: 6 },
  },
  make: ({ width, height, layers = 3 }, { paper }) => {
    const word = plain({ id: "word", name: "word", of: paper }, width, height, { count: layers });
    return putTogether({
      parts: [word],
      closed: by(width, height),
      states: [
        { id: "closed", name: "Stacked", lies: Array.from({ length: layers }, () => ({ part: "word", at: at(0, 0) })) },
      ],
      steps: [
        {
          act: "glue",
          part: "word",
          minutes: layers,
          held: "wet-glue",
          say: `Glue the ${layers} layers on each other, little glue, edges flush: a toothpick, and a weight on it till it is dry.`,
        },
      ],
      opens: [],
      stays: "does-not-open",
      minds: [{ say: "Thin strokes break: none thinner than {least}.", lengths: { least: inches(1 / 16) } }],
    });
  },
});
