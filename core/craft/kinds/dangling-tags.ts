import { inches } from "../../measure/length.ts";
import { atLeast, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, cornered, hole, measured, partOf, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** Small tags in rows that hang by twine on a page. Common practice: 1 × 2, three across and two down on 6 × 8. */
export const DANGLING_TAGS = craft({
  ...{ kind: "dangling-tags", name: "Dangling tags", does: "dangles", paper: "cardstock-80" },
  says: "Small tags on twine, which turn to show their backs.",
  settings: {
    pageWidth: { name: "Page, width", usual: ({ room }) => room?.w ?? inches(6), least: inches(1) },
    pageHeight: { name: "Page, height", usual: ({ room }) => room?.h ?? inches(8), least: inches(1) },
    width: { name: "Tag, width", usual: ({ item }) => item?.w ?? inches(1), least: inches(1 / 2) },
    height: { name: "Tag, height", usual: ({ item }) => item?.h ?? inches(2), least: inches(1 / 2) },
    across: { name: "Across", counts: true, usual: () => 3, least: 1, most: 6 },
    down: { name: "Down", counts: true, usual: () => 2, least: 1, most: 5 },
    hangs: { name: "Hang by", usual: () => inches(1 / 2), least: inches(1 / 8) },
  },
  make: ({ pageWidth, pageHeight, width, height, across = 3, down = 2, hangs }, { paper }) => {
    const [left, above] = [pageWidth - across * width, pageHeight - down * (height + hangs)];
    if (left < 0) return atLeast("pageWidth", across * width);
    if (above < 0) return atLeast("pageHeight", down * (height + hangs));
    const [gap, rows] = [Math.floor(left / (across + 1)), Math.floor(above / (down + 1))];
    const tag = partOf(
      { id: "tag", name: "tag", of: paper },
      [{ id: "whole", shape: cornered(0, 0, width, height, { upperLeft: width / 4, upperRight: width / 4 }) }],
      [],
      {
        count: across * down,
        holes: [hole(width / 2, inches(1 / 4), inches(1 / 8))],
        trim: {
          say: "Cut the two upper corners of each at 45°, {by} along each side.",
          lengths: { by: Math.round(width / 4) },
        },
        measures: [measured("Width", 0, height, width, height), measured("Height", width, 0, width, height)],
      },
    );
    const places = Array.from({ length: across * down }, (_, nth) => ({
      x: gap + (nth % across) * (width + gap),
      y: rows + hangs + Math.floor(nth / across) * (height + hangs + rows),
    }));
    const page = { part: "page", at: at(0, 0) };
    const turn = Math.ceil(Math.hypot(width, height) - height);
    return putTogether({
      parts: [there("page", "page", pageWidth, pageHeight, { isGround: true }), tag],
      closed: by(pageWidth, pageHeight),
      states: [
        { id: "closed", name: "Hanging", lies: [page, ...places.map(({ x, y }) => ({ part: "tag", at: at(x, y) }))] },
        {
          id: "open",
          name: "Turned",
          lies: [page, ...places.map(({ x, y }) => ({ part: "tag", behind: true, at: at(x + width, y) }))],
        },
      ],
      steps: [
        {
          act: "fasten",
          part: "tag",
          minutes: across * down,
          held: "eyelet",
          caution: "eyelet",
          say: "Set an eyelet into each tag; glue photos on their backs first.",
        },
        {
          act: "fasten",
          minutes: across * down,
          held: "staple",
          caution: "stapler",
          say: "Staple the twine to the page {hangs} above each tag, then knot it: {gap} between the tags, {rows} between the rows.",
          lengths: { hangs, gap, rows },
        },
      ],
      opens: [{ state: "open", hinge: null }],
      stays: "does-not-open",
      minds: [
        {
          say: "The stapler must reach {reach} in from the edge for the lowest row.",
          lengths: {
            reach: Math.round(Math.min(pageHeight - (places.at(-1)?.y ?? 0) + hangs, (places.at(-1)?.y ?? 0) - hangs)),
          },
        },
        ...(gap < turn
          ? [{ say: "A tag that swings needs {turn} beside it and has {gap}.", lengths: { turn, gap } }]
          : []),
        { say: "The backs of the staples come out on the other side of the page." },
      ],
    });
  },
});
