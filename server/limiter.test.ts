import { randomUUID } from "node:crypto";
import { afterAll, describe, expect, it } from "vitest";
import { LIMITS } from "../core/limits.ts";
import { openTestStore } from "../tests/household.ts";
import { openLimiter, type Trying } from "./limiter.ts";

const store = openTestStore();
afterAll(() => store.close());
/** Two processes on one database. */
const [one, two] = [openLimiter(store.pool), openLimiter(store.pool)];

const somebody = (change: Partial<Trying> = {}): Trying => ({
  mail: `${randomUUID()}@example.org`,
  address: `2001:db8::${randomUUID().slice(0, 4)}`,
  knownDevice: null,
  ...change,
});
const allowed = async (tries: readonly Promise<{ ok: boolean }>[]) =>
  (await Promise.all(tries)).filter(({ ok }) => ok).length;

describe("tries to sign in", () => {
  it("are counted before they are looked at: of forty at once, in two processes, eight are let through", async () => {
    const trying = somebody();
    expect(await allowed(Array.from({ length: 40 }, (_, at) => (at % 2 ? one : two).signIn(trying)))).toBe(
      LIMITS.wrongTries.most,
    );
  });

  it("wait twice as long each time their limit is reached", async () => {
    const trying = somebody();
    const waits: number[] = [];
    for (let round = 0; round < 3; round++) {
      for (let time = 0; time < LIMITS.wrongTries.most; time++) await one.signIn(trying);
      const refused = await one.signIn(trying);
      if (!refused.ok) waits.push(refused.waitSeconds);
      // The wait is over: what was counted goes, that it was reached does not.
      await store.pool.query("update try_count set expire = 1 where key like 'pair:%'");
    }
    expect(waits).toEqual([15 * 60, 30 * 60, 60 * 60]);
  });

  it("by others do not shut the owner out: not at another address, and not on a known device", async () => {
    const owner = somebody();
    for (let time = 0; time < 20; time++)
      await one.signIn({ ...owner, address: `2001:db8:3::${randomUUID().slice(0, 4)}` });
    expect((await one.signIn(owner)).ok).toBe(true);
    for (let at = 0; at < 80; at++) await one.signIn({ ...owner, address: `2001:db8:1::${at}` });
    expect((await one.signIn(somebody({ mail: owner.mail }))).ok).toBe(false);
    expect((await one.signIn({ ...owner, knownDevice: randomUUID() })).ok).toBe(true);
  });

  it("from an address are limited over all accounts; where no address is known, nobody is everybody", async () => {
    const { address } = somebody();
    const many = Array.from({ length: LIMITS.triesOfAddress.most + 5 }, () => one.signIn(somebody({ address })));
    expect(await allowed(many)).toBe(LIMITS.triesOfAddress.most);
    const unknown = Array.from({ length: 60 }, () => one.signIn(somebody({ address: null })));
    expect(await allowed(unknown)).toBe(60);
  });

  it("that were right are forgotten", async () => {
    const trying = somebody();
    for (let time = 0; time < 30; time++) {
      expect((await one.signIn(trying)).ok).toBe(true);
      await one.wasRight(trying);
    }
  });

  it("and signing up are each limited for an address", async () => {
    const { address } = somebody();
    const many = Array.from({ length: 30 }, () => one.signUp(address));
    expect(await allowed(many)).toBe(LIMITS.signUpsOfAddress.most);
  });
});

describe("what is asked for by links", () => {
  it("is counted for each address by itself, and an address that leads nowhere in all processes together", async () => {
    const [from, other] = [`2001:db8:7::${randomUUID().slice(0, 4)}`, `2001:db8:8::${randomUUID().slice(0, 4)}`];
    expect(await allowed(Array.from({ length: LIMITS.sharedOfAddress.most + 5 }, () => one.visit(from)))).toBe(
      LIMITS.sharedOfAddress.most,
    );
    expect((await one.visit(other)).ok).toBe(true);
    const guesses = Array.from({ length: 60 }, (_, at) => (at % 2 ? one : two).guessed(from));
    expect(await allowed(guesses)).toBe(LIMITS.guessesOfAddress.most);
    expect((await two.guessed(other)).ok).toBe(true);
    // Where no address is known there is room for many, and an end to it.
    expect((await one.visit(null)).ok && (await one.guessed(null)).ok).toBe(true);
  });
});
