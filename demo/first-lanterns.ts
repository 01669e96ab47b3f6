import { by, page, type Story } from "./day-maker.ts";
import type { Light, Sitting, Subject } from "./pictures/paint.ts";

/** Petra's December of the year before, begun late and told by nine days; some of its questions came back. */
const taken = (subject: Subject, light: Light, date: string, time: string): Sitting => ({
  subject,
  light,
  at: `2025-12-${date}T${time}:00`,
  seed: Number(date) * 13 + 3,
});
const paper = page("pocket", "one-over-two", "Linen Stars 12×12");
const told = (title: string, slip: string, text: string, more: Partial<Story> = {}): Story => ({
  ...{ title, slip, page: paper, done: "all", cards: [{ size: by(3, 4), text }] },
  ...more,
});

export const FIRST_LANTERNS: Record<string, Story> = {
  "01": told("The bell in fog", "noticing/sound-3", "It rang all by itself, at four, in no wind. Nobody has said why."),
  "04": told(
    "Saffron, the first try",
    "noticing/table-2",
    "Gran’s loaves without Gran. Twice the saffron, half the salt; flat, yellow, eaten to the last crumb.",
  ),
  "05": told("The long way over", "noticing/place-3", "Round by the mussel beds, because Isolde said it was quicker.", {
    photos: [
      {
        sitting: taken("slipRail", "dusk", "05", "15:40"),
        print: by(6, 4),
        alt: "The slip at dusk, seen from the mussel beds",
      },
    ],
  }),
  "06": told(
    "The boat that waited",
    "noticing/minute-2",
    "Two minutes late, and the mail boat had two minutes to give.",
  ),
  "09": told("Forty windows", "noticing/count-4", "Thirty-nine lights and one house away. We lit theirs for them.", {
    photos: [
      {
        sitting: taken("frostNets", "dawn", "09", "08:50"),
        print: by(6, 4),
        alt: "Nets on their posts in the first frost",
      },
    ],
  }),
  "13": told("Paper everywhere", "noticing/person-1", "Quill folds; the rest of us cut what Quill tells us to."),
  "20": told("A storm day off", "noticing/light-5", "No boat, no school, no bell. Soup."),
  "24": told("The lantern walk", "noticing/sound-3", "Nobody spoke until the point. Then everybody did."),
  "25": {
    title: "Home",
    done: "all",
    cards: [{ size: by(3, 4), text: "Who came: all four, and Marrow." }],
    page: paper,
  },
};
