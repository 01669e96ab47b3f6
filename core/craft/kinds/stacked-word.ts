import { inches } from "../../measure/length.ts";
import { craft } from "../craft.ts";
import { at } from "../lies.ts";
import { ownOutline } from "../own.ts";
import { by, measured, partOf, plain } from "../part.ts";
import { putTogether } from "../table.ts";

/** A cut word or shape of three or four layers glued on each other, so that it stands out. Common practice. */
export const STACKED_WORD = craft({
  ...{ kind: "stacked-word", name: "Stacked word", does: "is-a-shape", paper: "cardstock-80", takesOutline: true },
  says: "A word cut several times and stacked, so that it stands off the page.",
  settings: {
    width: { name: "Width", usual: ({ item }) => item?.w ?? inches(4), least: inches(1 / 2) },
    height: { name: "Height", usual: ({ item }) => item?.h ?? inches(1), least: inches(1 / 4) },
    layers: { name: "Layers", counts: true, usual: () => 3, least: 2, most: 6 },
  },
  make: ({ width, height, layers = 3 }, { paper }, _, own) => {
    const named = { id: "word", name: "word", of: paper };
    const measures = [measured("Width", 0, height, width, height), measured("Height", width, 0, width, height)];
    const outline = ownOutline(own, width, height);
    const word = outline
      ? partOf(
          named,
          outline.shapes.map((shape, nth) => ({ id: `${nth + 1}`, shape })),
          [],
          {
            ...{ count: layers, measures, windows: outline.windows, isLoose: outline.shapes.length > 1 },
            trim: { say: "Trace the word onto each and cut it out, what lies within its letters first." },
          },
        )
      : plain(named, width, height, { count: layers, measures });
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
