import { hash, verify } from "@node-rs/argon2";
import { isTimeZone } from "../core/month/dates.ts";
import type { Db } from "../store/db.ts";
import {
  countTries,
  createHousehold,
  endSession,
  findByMail,
  findDemoMember,
  forgetTries,
  memberOfSession,
  noteFailedTry,
  startSession,
} from "../store/household.ts";

export const SESSION_COOKIE = "hearth_session";
/** Wrong tries in a quarter of an hour before the door stays shut. */
const MOST_TRIES_PER_MAIL = 8;
const MOST_TRIES_PER_CALLER = 40;

/** argon2id, the library's default, at the settings OWASP names: 19 MiB, two passes, one lane. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export type SignInProblem = "wrong" | "too-many-tries";
export type SignedIn = { ok: true; cookie: string };

export type Auth = ReturnType<typeof makeAuth>;

function tokenFrom(cookieHeader: string | undefined): string | null {
  for (const pair of cookieHeader?.split(";") ?? []) {
    const [name, value] = pair.trim().split("=");
    if (name === SESSION_COOKIE && value) return value;
  }
  return null;
}

/** The time a real check takes, and never a yes. */
async function waitAsLong(passphrase: string): Promise<false> {
  await hash(passphrase, ARGON);
  return false;
}

/** Signing in and out for one request: `caller` is its network address, `secure` whether it came over HTTPS. */
export function makeAuth(
  db: Db,
  request: { cookieHeader: string | undefined; caller: string; secure: boolean; now: Date },
) {
  const { now } = request;
  const token = tokenFrom(request.cookieHeader);
  const attributes = `Path=/; HttpOnly; SameSite=Lax${request.secure ? "; Secure" : ""}`;
  const begin = async (memberId: string): Promise<SignedIn> => {
    const session = await startSession(db, memberId, now);
    return {
      ok: true,
      cookie: `${SESSION_COOKIE}=${session.token}; Expires=${session.expiresAt.toUTCString()}; ${attributes}`,
    };
  };

  return {
    member: () => (token ? memberOfSession(db, token, now) : Promise.resolve(null)),

    async signUp(given: {
      mail: string;
      passphrase: string;
      name: string;
      timeZone: string;
    }): Promise<SignedIn | { ok: false; reason: "mail-taken" }> {
      const passphraseHash = await hash(given.passphrase, ARGON);
      const timeZone = isTimeZone(given.timeZone) ? given.timeZone : "UTC";
      const made = await createHousehold(db, { mail: given.mail, passphraseHash, name: given.name, timeZone });
      return made.ok ? begin(made.memberId) : made;
    },

    async signIn(mail: string, passphrase: string): Promise<SignedIn | { ok: false; reason: SignInProblem }> {
      const keys = { mail: `mail:${mail.toLowerCase()}`, caller: `caller:${request.caller}` };
      const [byMail, byCaller] = await Promise.all([
        countTries(db, [keys.mail], now),
        countTries(db, [keys.caller], now),
      ]);
      if (byMail >= MOST_TRIES_PER_MAIL || byCaller >= MOST_TRIES_PER_CALLER)
        return { ok: false, reason: "too-many-tries" };
      const found = await findByMail(db, mail);
      // An unknown address costs the same time as a wrong passphrase, so that the wait tells nothing.
      const right = found ? await verify(found.passphraseHash, passphrase) : await waitAsLong(passphrase);
      if (!found || !right) {
        await noteFailedTry(db, Object.values(keys), now);
        return { ok: false, reason: "wrong" };
      }
      await forgetTries(db, keys.mail);
      return begin(found.id);
    },

    async enterDemo(): Promise<SignedIn | { ok: false; reason: "no-demo" }> {
      const memberId = await findDemoMember(db);
      return memberId ? begin(memberId) : { ok: false, reason: "no-demo" };
    },

    hasDemo: async () => (await findDemoMember(db)) !== null,

    async signOut(): Promise<string> {
      if (token) await endSession(db, token);
      return `${SESSION_COOKIE}=; Max-Age=0; ${attributes}`;
    },
  };
}
