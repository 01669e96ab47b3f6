import type { AlbumFormat } from "../album/model.ts";
import { inOneLine } from "./card-line.ts";
import type { Inside, Move, Opener, Towards } from "./openers.ts";
import { whereOn } from "./openers.ts";

/** So many letters of what is written inside are said. */
const MOST_LETTERS = 60;

const EDGE: Record<Towards, string> = { up: "lower", down: "upper", left: "right", right: "left" };
const TO: Record<Towards, string> = { up: "upwards", down: "downwards", left: "to the left", right: "to the right" };

const toSaid = (to: readonly Towards[]): string => to.map((each) => TO[each]).join(" and ");

function moveSaid({ by, to }: Move): string {
  const [first] = to;
  switch (by) {
    case "hinge":
      return first ? `lift it by its ${EDGE[first]} edge and turn it over ${TO[first]}` : "lift it by its free edge";
    case "slide":
      return first ? `pull it out ${toSaid(to)}` : "pull it out";
    case "fold":
      return first ? `fold it out ${toSaid(to)}` : "open it";
  }
}

/** The same moves one after the other are said once. */
function movesSaid(moves: readonly Move[]): string[] {
  const said: { words: string; times: number }[] = [];
  for (const words of moves.map(moveSaid)) {
    const last = said.at(-1);
    if (last?.words === words) last.times += 1;
    else said.push({ words, times: 1 });
  }
  return said.map(({ words, times }) => (times > 1 ? `${words}, ${times} of them one by one` : words));
}

function shortened(text: string): string {
  const line = text.replace(/\s+/g, " ").trim();
  if (line.length <= MOST_LETTERS) return line;
  const cut = line.slice(0, MOST_LETTERS);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(" "), MOST_LETTERS / 2)).trim()} …`;
}

function insideSaid(inside: Inside): string {
  switch (inside.kind) {
    case "photo":
      return inside.use.alt.trim() === "" ? "a photo" : `a photo: ${shortened(inside.use.alt)}`;
    case "card": {
      const words = inOneLine(inside.card);
      return words === "" ? "a card" : `a card: “${shortened(words)}”`;
    }
    case "words":
      return `“${shortened(inside.says)}”`;
  }
}

/** What to do with something that opens, step by step; then what is inside. Each a sentence. */
export function openerSaid({ what, moves, inside, under }: Opener): { does: string[]; inside: string | null } {
  const does = ((): string[] => {
    switch (what.kind) {
      case "hidden-card":
        return [`look ${/^(behind|under|inside|in|below)\b/i.test(what.behind) ? "" : "behind "}${what.behind}`];
      case "card-back":
        return ["take the card out of its pocket and turn it over"];
      case "envelope":
        return ["open the envelope"];
      case "lifts-off":
        return ["lift the leaf off the rings"];
      case "flip":
        return movesSaid(moves);
      case "construction": {
        const said = movesSaid(moves);
        if (said.length > 0) return what.does === "stands-up" ? [...said.slice(0, -1), "open it: it stands up"] : said;
        if (what.does === "shakes") return ["shake it"];
        if (what.does === "dangles") return ["lift what dangles"];
        return what.does === "lets-through" ? ["look through it"] : ["take out what is in it"];
      }
    }
  })();
  const all = under === null ? does : [`undo ${under.toLowerCase()} first`, ...does];
  return {
    does: all.map((each) => `${each.charAt(0).toUpperCase()}${each.slice(1)}.`),
    inside: inside.length > 0 ? `Inside: ${inside.map(insideSaid).join("; ")}.` : null,
  };
}

/** Where it is: on which page as the book lies open, and where there. A book bound at the top has one above the other. */
export function placeSaid({ at, face, read }: Opener, { bindingEdge }: Pick<AlbumFormat, "bindingEdge">): string {
  if (!at) return "a leaf of its own";
  const [front, back] = bindingEdge === "left" ? ["right", "left"] : ["lower", "upper"];
  return `${face === "front" ? front : back} page, ${whereOn(at, read.build.page)}`;
}
