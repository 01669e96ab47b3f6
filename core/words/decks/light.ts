import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const LIGHT: Deck = deckOf("light", "Light and weather", "prompt", {
  sky: [
    "The sky at one fixed hour, and what it did in the next ten minutes.",
    "The lowest the sun stood, and what it reached all the same.",
    "A cloud worth naming.",
    "What the moon was up to, if it came.",
    "Where the first star showed, from the same window as always.",
  ],
  wind: [
    "What the wind moved that should have stayed.",
    "A sound that only comes with this wind.",
    "What was tied down, and with what knot.",
    "Hair, flags, washing: something that showed which way it blew.",
  ],
  water: [
    "Rain as seen through one pane.",
    "A puddle with something in it.",
    "What was wet, what was drying, and on what.",
    "Ice, steam, mist or dew: water being something else.",
    "The colour of the water today, as exactly as you can.",
  ],
  cold: [
    "The thermometer, and what it felt like instead.",
    "Who wore what, layer by layer, from the inside out.",
    "A warm thing held in two hands.",
    "What froze, or nearly.",
    "The place in the house nobody sits in this month.",
  ],
  lamp: [
    "The first lamp lit, and what for.",
    "One light that is only lit in this month.",
    "A face by candle, by screen or by fire.",
    "The last light to go out, and when.",
    "Windows across the way: which were lit, and what you guessed.",
  ],
  shade: [
    "The longest shadow you met, and whose.",
    "Something you could only see by its outline.",
    "The darkest corner you had to go into.",
    "A reflection better than the thing.",
  ],
  season: [
    "One sign that the year has turned since last week.",
    "What still grows, against all advice.",
    "The animal that came nearest, and what it wanted.",
  ],
});
