import { afterAll, describe, expect, it } from "vitest";
import type { KeptMaking } from "../../core/craft/kept.ts";
import { inches } from "../../core/measure/length.ts";
import { openTestStore } from "../../tests/household.ts";
import { ownWorld } from "../../tests/matrix/own-world.ts";
import { takeBack } from "../journal/take-back.ts";
import { keepAs, readMakings } from "./makings.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

const POCKET: KeptMaking = {
  ...{ name: "For 3 × 4 cards", kind: "tabbed-pocket", paper: "vellum", counts: {} },
  lengths: { width: inches(3) },
};

describe("settings of a construction that are kept", () => {
  it("are the household's alone, by name, each name once, and are taken back like any change", async () => {
    const { author } = await ownWorld(db);
    const { author: other } = await ownWorld(db);
    const before = (await readMakings(db, other.householdId)).length;
    expect(await keepAs(db, author, POCKET)).toEqual({ ok: true });
    expect(await keepAs(db, author, { ...POCKET, paper: "cardstock-80" })).toEqual({ ok: false, reason: "name-taken" });
    const kept = await readMakings(db, author.householdId);
    expect(kept.find(({ name }) => name === POCKET.name)).toMatchObject(POCKET);
    expect(kept.map(({ name }) => name)).toEqual(kept.map(({ name }) => name).sort());
    expect(await readMakings(db, other.householdId)).toHaveLength(before);
    expect(await takeBack(db, author)).toMatchObject({ ok: true, did: { how: "kept", thing: "making" } });
    expect((await readMakings(db, author.householdId)).map(({ name }) => name)).not.toContain(POCKET.name);
    expect(await keepAs(db, author, POCKET)).toEqual({ ok: true });
  });

  it("are not more than there may be", async () => {
    const { author } = await ownWorld(db);
    let answer: Awaited<ReturnType<typeof keepAs>> = { ok: true };
    for (let nth = 0; answer.ok; nth++) answer = await keepAs(db, author, { ...POCKET, name: `No. ${nth}` });
    expect(answer).toEqual({ ok: false, reason: "too-many" });
    expect(await readMakings(db, author.householdId)).toHaveLength(200);
  });
});
