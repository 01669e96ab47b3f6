import { describe, expect, it } from "vitest";
import { EMPTY_DAY, newCard } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { inches } from "../measure/length.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { USUAL_HOURS } from "./capacity.ts";
import { catchUpOffers, type Offer, offerKey, valued } from "./catch-up.ts";
import { type Ask, USUAL_PAGE, type Work } from "./forecast.ts";
import { TYPICAL } from "./minutes.ts";

const DAY_1 = "2026-12-01" as CalendarDate;
const TODAY = addDays(DAY_1, 10);
type Has = "nothing" | "words" | "photo" | "both";
const card = newCard("card", { w: inches(3), h: inches(4) }, "The fog bell at six.");
const photo = { id: "use" } as unknown as (typeof EMPTY_DAY.photos)[number];

const pageOn = (at: number, has: Has): Page => {
  const photos = has === "photo" || has === "both" ? [photo] : [];
  const cards = has === "words" || has === "both" ? [card] : [];
  const content = { ...EMPTY_DAY, photos, cards };
  return {
    days: [{ id: `day-${at}`, date: addDays(DAY_1, at), content }],
    ...{ skipped: false, content, leaves: [], steps: [] },
  } as unknown as Page;
};
const workOf = (pages: readonly Page[]): Work[] =>
  pages.map(({ days: [first] }) => {
    const date = first?.date ?? TODAY;
    return { page: first?.id ?? "", from: [date, TODAY].sort()[1] ?? TODAY, steps: USUAL_PAGE };
  });
const offersOf = (all: readonly Has[], declined: readonly string[] = []) => {
  const pages = all.map((has, at) => pageOn(at, has));
  return catchUpOffers(pages, workOf(pages), TODAY, TYPICAL, new Set(declined));
};
const keys = (offers: readonly { readonly offer: Offer }[]) => offers.map(({ offer }) => offerKey(offer));
const ask = (work: readonly Work[]): Ask => ({
  ...{ today: TODAY, work, hours: USUAL_HOURS, own: TYPICAL, kept: { meant: 10, kept: 6 }, seed: 3, runs: 800 },
});

describe("ways to catch up", () => {
  it("are for days that are behind, by what each has", () => {
    expect(keys(offersOf(["nothing", "nothing", "words", "photo", "both"]))).toEqual([
      ...["merge day-0", "skip day-0", "skip day-1", "words-only day-2", "photo-only day-3", "one-printing", "lab"],
    ]);
    // Of the days to come none is given up, today being the eleventh; two with nothing on them may share a page.
    const later = keys(offersOf([...Array<Has>(10).fill("both"), "nothing", "nothing"]));
    expect(later.filter((key) => /^(merge|skip)/.test(key))).toEqual(["merge day-10"]);
  });

  it("leave out an insert on which nothing lies, and spread two stories onto a quiet neighbour", () => {
    const withInsert = (filled: boolean | null): Page =>
      ({
        ...pageOn(0, "both"),
        leaves: [{ id: "slip", make: { insert: "slip" }, done: [], sides: [{ filled }, { filled: null }] }],
      }) as unknown as Page;
    const insertOf = (page: Page) => {
      const work: Work[] = [{ page: "day-0", from: TODAY, steps: ["insert", "assemble"] }];
      return catchUpOffers([page], work, TODAY, TYPICAL, new Set());
    };
    expect(insertOf(withInsert(null))).toMatchObject([
      { offer: { kind: "no-insert", leaf: "slip" }, work: [{ steps: ["assemble"] }] },
    ]);
    expect(keys(insertOf(withInsert(true)))).toEqual([]);

    const content = { ...EMPTY_DAY, photos: Array(4).fill(photo), cards: [card, { ...card, id: "second" }] };
    const full = { ...pageOn(2, "both"), content } as Page;
    const spreadOf = (pages: Page[]) =>
      catchUpOffers(pages, workOf(pages), TODAY, TYPICAL, new Set()).filter(({ offer }) => offer.kind === "spread");
    const [found] = spreadOf([pageOn(1, "words"), full, pageOn(3, "nothing")]);
    expect(found?.offer).toMatchObject({ date: "2026-12-03", to: "2026-12-04" });
    expect(found?.work.find(({ page }) => page === "day-3")?.steps).not.toContain("write");
    // A neighbour that has something of its own stays as it is, and a gap is no neighbour.
    expect(spreadOf([full, pageOn(3, "words")])).toEqual([]);
    expect(spreadOf([full, pageOn(5, "nothing")])).toEqual([]);
    expect(spreadOf([pageOn(2, "both"), pageOn(3, "nothing")])).toEqual([]);
  });

  it("are never offered twice after “no”", () => {
    const all: Has[] = ["nothing", "nothing", "nothing", "words"];
    const first = keys(offersOf(all));
    for (const key of first) expect(keys(offersOf(all, [key]))).not.toContain(key);
    expect(offersOf(all, [...first, "skip day-2", "merge day-1"])).toEqual([]);
  });

  it("are worth what the same forecast says of the plan with them, the most first, and no noise is offered", () => {
    const pages = (["nothing", "nothing", "words", "photo", "both", "both", "both"] as const).map((has, at) =>
      pageOn(at, has),
    );
    const work = workOf(pages);
    const offers = catchUpOffers(pages, work, TODAY, TYPICAL, new Set());
    const found = valued(ask(work), offers);
    expect(found.length).toBeGreaterThan(2);
    const gains = found.map(({ even, sure }) => even + sure);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    for (const { minutes, even, sure } of found) {
      expect(minutes).toBeGreaterThan(0);
      expect(Math.max(even, sure)).toBeGreaterThan(0);
    }
    // A whole page less saves what a whole page takes.
    const skip = found.find(({ offer }) => offerKey(offer) === "skip day-0");
    expect(skip?.minutes).toBe(75);
    // With a construction to make that takes three quarters of an hour, as much more.
    const bench = work.map((each) => ({ ...each, steps: [...each.steps, "build" as const], build: 45 }));
    const without = catchUpOffers(pages, bench, TODAY, TYPICAL, new Set());
    const more = valued(ask(bench), without).find(({ offer }) => offerKey(offer) === "skip day-0");
    expect(more?.minutes).toBe(75 + 45);
    // The plan as it is gains nothing on itself, to the last evening.
    const nothing = { offer: { kind: "skip", day: "day-9", date: TODAY } as Offer, work };
    expect(valued(ask(work), [nothing])).toEqual([]);
  });

  it("of a lab take a week, and are no gain where that is longer than what is left", () => {
    const pages = [pageOn(7, "both"), pageOn(8, "both"), pageOn(9, "both")];
    const work: Work[] = pages.map(({ days: [first] }) => ({
      page: first?.id ?? "",
      from: TODAY,
      steps: ["print", "trim"],
    }));
    const offers = catchUpOffers(pages, work, TODAY, TYPICAL, new Set());
    expect(keys(offers)).toContain("lab");
    expect(keys(valued(ask(work), offers))).not.toContain("lab");
  });
});
