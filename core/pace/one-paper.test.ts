import { describe, expect, it } from "vitest";
import { constructionOf } from "../../tests/constructions.ts";
import { decemberDays, fullDay, makeOf } from "../../tests/samples.ts";
import { EMPTY_SIDE, type Leaf, newLeaf, type Piece } from "../album/leaf.ts";
import type { DayContent } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import type { CalendarDate } from "../month/dates.ts";
import { TYPICAL } from "./minutes.ts";
import { madeTogether, waitsForOthers } from "./one-paper.ts";
import { planEvening } from "./tonight.ts";

const [FIRST, SECOND] = ["2026-12-01", "2026-12-02"] as const;
const TODAY = "2026-12-04" as CalendarDate;

/** The first on the front of a leaf, the second on its back; a construction on the front. */
function twoDays(piece: Piece, second: DayContent = fullDay("2")) {
  const { plan, days } = decemberDays({ [FIRST]: fullDay("1"), [SECOND]: second });
  const own = (dayId: string) => ({ kind: "day", dayId }) as const;
  const shared = newLeaf("l", makeOf({ kind: "paper" }), own(FIRST), own(SECOND));
  const leaf: Leaf = { ...shared, front: { ...EMPTY_SIDE, owner: own(FIRST), pieces: [piece] } };
  const pages = pagesOf({ album: plan, days, leaves: [leaf], prints: [] });
  const named = (map: ReturnType<typeof madeTogether<(typeof pages)[number]>>) =>
    Object.fromEntries([...map].map(([page, others]) => [page.days[0]?.date, others.map(({ days: [d] }) => d?.date)]));
  return { pages, together: named(madeTogether(pages)) };
}
const PULL_OUT = constructionOf("p", "tag-from-card");
const STAPLED = constructionOf("p", "dangling-tags");

describe("two days in one piece of paper", () => {
  it("wait for each other's things where a construction goes through it", () => {
    expect(twoDays(STAPLED).together).toEqual({ [FIRST]: [SECOND], [SECOND]: [FIRST] });
  });

  it("wait for nothing where nothing goes through it, or the other day's things are made", () => {
    expect(twoDays(PULL_OUT).together).toEqual({});
    const made = { ...fullDay("2"), done: ["choose", "print", "trim", "write", "letter"] as const };
    expect(twoDays(STAPLED, made).together).toEqual({ [SECOND]: [FIRST] });
  });

  it("are not stuck on in an evening before both are made: the plan has what comes first", () => {
    const { pages } = twoDays(STAPLED);
    const evening = (waits?: ReturnType<typeof waitsForOthers>) =>
      planEvening(pages, TODAY, 400, "parts", TYPICAL, waits)
        .items.filter(({ page }) => page.days[0]?.date === FIRST || page.days[0]?.date === SECOND)
        .map(({ step: { step } }) => step);
    expect(evening().filter((step) => step === "assemble")).toHaveLength(2);
    expect(evening(waitsForOthers(pages))).not.toContain("assemble");
    expect(evening(waitsForOthers(pages))).toEqual(expect.arrayContaining(["build", "trim", "letter"]));
  });
});
