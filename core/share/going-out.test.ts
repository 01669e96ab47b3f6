import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { anySecretDays, markedAlbum, TODAY } from "../../tests/marked-album.ts";
import type { DayContent } from "../album/model.ts";
import { ALL_GOES_OUT, entriesOut, type GoesOut, goingOut } from "./going-out.ts";
import { isPrivate, type Shareable, shareable } from "./share.ts";

/** The same album, of which what was private is kept back by a link instead: the days and things that say so. */
function byLink(album: Shareable, pages: GoesOut["pages"]): { album: Shareable; goes: GoesOut } {
  const [entries, pieces]: [string[], string[]] = [[], []];
  const opened = ({ id, content }: { id: string; content: DayContent }): DayContent => {
    if (isPrivate(content, TODAY)) entries.push(id);
    const open = <T extends { id: string; privateUntil: DayContent["privateUntil"] }>(all: readonly T[]): T[] =>
      all.map((each) => {
        if (isPrivate(each, TODAY)) pieces.push(each.id);
        return { ...each, privateUntil: null };
      });
    return { ...content, privateUntil: null, photos: open(content.photos), cards: open(content.cards) };
  };
  const days = album.days.map((day) => ({ ...day, content: opened(day) }));
  const others = days.flatMap(({ id }) => (entries.includes(id) ? [] : [id]));
  return { album: { ...album, days }, goes: { pages, entries: pages === "only" ? others : entries, pieces } };
}

describe("what goes out by a link", () => {
  it("has nothing of what is kept back, by whichever way it is reached, and everything else", () => {
    fc.assert(
      fc.property(anySecretDays, fc.constantFrom("all-but" as const, "only" as const), (contents, pages) => {
        const { album, said } = markedAlbum(contents);
        const link = byLink(album, pages);
        const out = goingOut(link.album, TODAY, link.goes);
        const words = JSON.stringify(out);
        expect(said.private.filter((word) => words.includes(word))).toEqual([]);
        expect(said.open.filter((word) => !words.includes(word))).toEqual([]);
        expect(out.leaves.map(({ id }) => id)).toEqual(album.leaves.map(({ id }) => id));
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });

  it("is never what is private, whatever is ticked; and with nothing kept back it is all that may leave", () => {
    fc.assert(
      fc.property(anySecretDays, (contents) => {
        const { album } = markedAlbum(contents);
        expect(goingOut(album, TODAY, ALL_GOES_OUT)).toEqual(shareable(album, TODAY));
        const all = { pages: "only" as const, entries: album.days.map(({ id }) => id), pieces: [] };
        expect(goingOut(album, TODAY, all)).toEqual(shareable(album, TODAY));
        const open = album.days.filter(({ content }) => !isPrivate(content, TODAY)).map(({ id }) => id);
        expect([...entriesOut(album, TODAY, all)]).toEqual(open);
        expect([...entriesOut(album, TODAY, { pages: "only", entries: [], pieces: [] })]).toEqual([]);
      }),
      { numRuns: 30 },
    );
  });

  it("leaves off a construction that is kept back with all it carries, and what is nobody's where pages are named", () => {
    const { album } = markedAlbum([]);
    const card = "11111111-1111-4111-8111-111111111111";
    const built = constructionOf("flip", "flip-up", { holds: [{ slot: "inside", what: { kind: "card", card } }] });
    const side = (owner: object, pieces: object[]) => ({ owner, guests: [], done: [], pieces, line: "" });
    const leaf = {
      ...{ id: "l", make: {}, done: [] },
      front: side({ kind: "day", dayId: "d" }, [built]),
      back: side({ kind: "nobody" }, [{ ...built, id: "stray" }]),
    };
    const content = {
      photos: [],
      cards: [{ id: card, text: "inside", privateUntil: null }],
      jottings: [],
      privateUntil: null,
    };
    const whole = { ...album, days: [{ id: "d", content }], leaves: [leaf] } as unknown as Shareable;
    const out = (goes: Partial<GoesOut>) => JSON.stringify(goingOut(whole, TODAY, { ...ALL_GOES_OUT, ...goes }));
    expect(out({})).toContain('"inside"');
    expect(out({ pieces: ["flip"] })).not.toContain("inside");
    expect(out({ pieces: ["flip"] })).not.toContain('"id":"flip"');
    expect(out({})).toContain('"stray"');
    expect(out({ pages: "only", entries: ["d"] })).not.toContain('"stray"');
  });
});
