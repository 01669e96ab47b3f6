import { createHash } from "node:crypto";
import type pg from "pg";
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { LIMITS } from "../core/limits.ts";

const MINUTE = 60;
/** The longest that somebody is kept waiting, in seconds. */
const LONGEST_WAIT = 8 * 60 * MINUTE;

/** What a try is counted under. `address` is null where the caller's is not known: behind a proxy that does not say. */
export type Trying = { readonly mail: string; readonly address: string | null; readonly knownDevice: string | null };
export type Allowed = { readonly ok: true } | { readonly ok: false; readonly waitSeconds: number };

const hashed = (...parts: string[]) => createHash("sha256").update(parts.join("\n")).digest("hex");
const ALLOWED: Allowed = { ok: true };

/**
 * How often something may be tried, counted in the database, so that several processes count together. A try is counted
 * before it is looked at: however many come at once, no more than the limit are.
 */
export function openLimiter(pool: pg.Pool) {
  const counter = (keyPrefix: string, points: number, duration: number) =>
    new RateLimiterPostgres({
      storeClient: pool,
      storeType: "pool",
      tableName: "try_count",
      tableCreated: true,
      keyPrefix,
      points,
      duration,
    });
  const pair = counter("pair", LIMITS.wrongTries.most, 15 * MINUTE);
  const strikes = counter("strikes", 1_000, 24 * 60 * MINUTE);
  const account = counter("account", LIMITS.wrongTriesOfAccount.most, 60 * MINUTE);
  const address = counter("address", LIMITS.triesOfAddress.most, 15 * MINUTE);
  const nowhere = counter("nowhere", LIMITS.triesOfUnknownAddress.most, MINUTE);
  const signUps = counter("sign-up", LIMITS.signUpsOfAddress.most, 60 * MINUTE);
  const signUpsNowhere = counter("sign-up-nowhere", LIMITS.signUpsOfUnknownAddress.most, 10 * MINUTE);

  const take = async (
    limiter: RateLimiterPostgres | RateLimiterMemory,
    key: string,
  ): Promise<RateLimiterRes | null> => {
    try {
      await limiter.consume(key);
      return null;
    } catch (refused) {
      if (refused instanceof RateLimiterRes) return refused;
      throw refused;
    }
  };
  const answer = (refused: RateLimiterRes | null): Allowed =>
    refused ? { ok: false, waitSeconds: Math.max(1, Math.ceil(refused.msBeforeNext / 1000)) } : ALLOWED;

  /** Counts a try of one account from one place; each time its limit is reached the wait is twice as long. */
  async function takePair(key: string): Promise<Allowed> {
    const refused = await take(pair, key);
    if (!refused) return ALLOWED;
    if (refused.consumedPoints === LIMITS.wrongTries.most + 1) {
      const struck = await strikes.penalty(key, 1);
      const wait = Math.min(LONGEST_WAIT, 15 * MINUTE * 2 ** (struck.consumedPoints - 1));
      await pair.block(key, wait);
      return { ok: false, waitSeconds: wait };
    }
    return answer(refused);
  }
  const pairKey = ({ mail, address: from, knownDevice }: Trying) =>
    knownDevice ? hashed("device", knownDevice, mail) : hashed("place", from ?? "", mail);

  // Pages and pictures are counted in each process by itself: the database is not to be asked for each of them.
  const visits = new RateLimiterMemory({ points: LIMITS.sharedOfAddress.most, duration: MINUTE });
  const visitsNowhere = new RateLimiterMemory({ points: LIMITS.sharedOfUnknownAddress.most, duration: MINUTE });
  const guesses = counter("guess", LIMITS.guessesOfAddress.most, 15 * MINUTE);
  const guessesNowhere = counter("guess-nowhere", LIMITS.guessesOfUnknownAddress.most, MINUTE);

  return {
    /** Counts a page or a picture of a link that was asked for. */
    visit: async (from: string | null): Promise<Allowed> =>
      answer(from ? await take(visits, hashed(from)) : await take(visitsNowhere, "all")),
    /** Counts an address of a link that led nowhere. */
    guessed: async (from: string | null): Promise<Allowed> =>
      answer(from ? await take(guesses, hashed(from)) : await take(guessesNowhere, "all")),
    /** Counts a try to sign in. A device from which the account was signed in before is not kept out by the tries of others. */
    async signIn(trying: Trying): Promise<Allowed> {
      const own = await takePair(pairKey(trying));
      if (!own.ok || trying.knownDevice) return own;
      const from = trying.address ? await take(address, hashed(trying.address)) : await take(nowhere, "all");
      if (from) return answer(from);
      return answer(await take(account, hashed(trying.mail)));
    },
    /** The try was right: what was counted against its place is forgotten. */
    async wasRight(trying: Trying): Promise<void> {
      await Promise.all([pair.delete(pairKey(trying)), strikes.delete(pairKey(trying))]);
      if (trying.address) await address.reward(hashed(trying.address), 1);
    },
    signUp: async (from: string | null): Promise<Allowed> =>
      answer(from ? await take(signUps, hashed(from)) : await take(signUpsNowhere, "all")),
  };
}
export type Limiter = ReturnType<typeof openLimiter>;
