import { by, page, type Story } from "./day-maker.ts";
import type { Light, Subject } from "./pictures/paint.ts";

/** Bram's October at the orchard, 10 × 8, told as twenty-seven stories; finished and flat. */
type Told = [title: string, subject: Subject, light: Light, words: string];

const STORIES: Told[] = [
  ["The gate, propped open", "orchardRows", "day", "Nobody shuts it from now until the last cart."],
  ["Ladders out", "ladderTree", "day", "Odette checks every rung, then sends Bram up anyway."],
  ["First crates", "appleCrates", "day", "Eleven, and one for the horse."],
  ["Mist to the knees", "mistMorning", "dawn", "The geese walked through it as if they had ordered it."],
  ["Supper outdoors", "ciderTable", "dusk", "Last one of the year without coats. We said that last week too."],
  ["The press is washed", "ciderPress", "day", "Three buckets, two brushes, one song."],
  ["Ivo counts", "appleCrates", "day", "One, two, three, many, mine."],
  ["Row nine", "orchardRows", "dusk", "The old trees give less and taste of more."],
  ["Up the tall one", "ladderTree", "day", "You can see the island from the eighth rung."],
  ["Cold hands", "mistMorning", "dawn", "Gloves off for the knots, on for everything else."],
  ["First juice", "ciderPress", "dusk", "Cloudy, sharp, gone by noon."],
  ["Neighbours", "ciderTable", "day", "Seven chairs, nine people, one pie."],
  ["Windfalls", "orchardRows", "day", "The bruised half went to the pot."],
  ["A letter from Petra", "ciderTable", "dusk", "She wants two demijohns and all the news."],
  ["Fire one", "bonfire", "night", "Prunings and a broken ladder."],
  ["Sorting day", "appleCrates", "day", "Keepers left, pressers right, doubtful in Ivo."],
  ["Geese again", "mistMorning", "dawn", "They have opinions about the yard."],
  ["Rain on the roof", "ciderPress", "storm", "Pressed all day, nobody minded."],
  ["The blue hour", "orchardRows", "dusk", "Odette stood still for once."],
  ["Crates stacked", "appleCrates", "dusk", "Sixty-four. Bram says sixty-six."],
  ["The last tree", "ladderTree", "day", "Left three apples on it, as one does."],
  ["Tasting", "ciderTable", "day", "Notes: plum, smoke, boot."],
  ["A frost", "mistMorning", "dawn", "Everything the colour of tin."],
  ["Ladder away", "orchardRows", "day", "It hangs until the blossom is over."],
  ["Press to bed", "ciderPress", "day", "Oiled, covered, thanked."],
  ["Fire two", "bonfire", "night", "Ivo stayed up, and then did not."],
  ["The gate, shut", "orchardRows", "dusk", "Ivo did it. It took both arms."],
];
/** Days of the month without a story, and so without a number. */
export const QUIET = ["06", "13", "20", "29"];

const dates = Array.from({ length: 31 }, (_, at) => String(at + 1).padStart(2, "0"));
const told = dates.filter((date) => !QUIET.includes(date));

function story([title, subject, light, words]: Told, at: number): Story {
  const date = told[at] ?? "01";
  const hour = light === "dawn" ? "07" : light === "dusk" ? "17" : light === "night" ? "20" : "12";
  const sitting = {
    subject,
    light,
    at: `2026-10-${date}T${hour}:1${at % 10}:00`,
    seed: at * 17 + 5,
    ...(at % 8 === 4 ? { shape: "camera" as const } : {}),
  };
  const photos = [{ sitting, print: by(6, 4), alt: title }];
  // Every fourth story has a second, upright picture from a little later.
  if (at % 4 === 1)
    photos.push({
      sitting: { ...sitting, seed: at * 17 + 6, at: sitting.at.replace(/:1\d:/, ":41:") },
      print: by(4, 3),
      alt: `${title}, a little later`,
    });
  return {
    title,
    prompt: words,
    photos,
    cards: [{ size: by(4, 3), text: words }],
    page: at % 3 === 0 ? page("full", null, "Orchard Green cardstock") : page("pocket", "four", "Russet 12×12"),
    numeral: { style: "printed", note: "Printed small in the corner" },
    done: "all",
  };
}

export const CIDER_MONTH: Record<string, Story> = {
  ...Object.fromEntries(QUIET.map((date) => [date, {}])),
  ...Object.fromEntries(STORIES.map((each, at) => [told[at], story(each, at)])),
};
