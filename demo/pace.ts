import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import type { Step } from "../core/album/model.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Hours } from "../core/pace/capacity.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { hours, household, sitting } from "../store/schema/index.ts";

const date = (text: string) => text as CalendarDate;
const WATCH = { from: "07:30", to: "16:30" };

/** Petra is on watch until four on weekdays; her evenings are for the album, and two a week are really kept. */
const PETRAS: Hours = {
  weekly: [45, 45, 45, 45, 30, 120, 90],
  exceptions: [
    { from: date("2026-12-12"), to: date("2026-12-12"), minutes: 0, why: "The lantern parade" },
    { from: date("2026-12-24"), to: date("2026-12-26"), minutes: 0, why: "The feast" },
    { from: date("2026-12-28"), to: date("2026-12-28"), minutes: 150, why: "A day off watch" },
  ],
  away: [...Array.from({ length: 5 }, () => WATCH), null, null],
};

const SITTINGS: readonly { readonly on: string; readonly minutes: number; readonly steps: readonly Step[] }[] = [
  { on: "2026-12-03", minutes: 44, steps: ["choose", "print", "trim", "write", "letter"] },
  {
    on: "2026-12-06",
    minutes: 96,
    steps: ["write", "letter", "base", "number", "assemble", "assemble", "punch", "file"],
  },
];

/** The keeper's hours, two sittings she was timed in, and where the island lies. */
export async function keepLanternHours(db: Db, { householdId, albumId, memberId }: Author): Promise<void> {
  await db.update(household).set({ latitude: 54.6, longitude: -1.1 }).where(eq(household.id, householdId));
  await db.insert(hours).values({ memberId, said: PETRAS });
  await db.insert(sitting).values(
    SITTINGS.map(({ on, minutes, steps }) => {
      const beganAt = new Date(`${on}T19:10:00Z`);
      return {
        ...{ id: randomUUID(), memberId, albumId, date: date(on), steps: [...steps], beganAt },
        endedAt: new Date(beganAt.getTime() + minutes * 60_000),
      };
    }),
  );
}
