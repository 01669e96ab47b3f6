import { randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { parseCookie, stringifySetCookie } from "cookie";
import { isTimeZone } from "../core/month/dates.ts";
import type { Db } from "../store/db.ts";
import {
  changePassphrase,
  createHousehold,
  endOtherSessions,
  endSession,
  findByMail,
  findDemoMember,
  isDeviceKnown,
  knowDevice,
  memberOfSession,
  sessionsOf,
  signsInBy,
  startSession,
} from "../store/household.ts";
import { takeInvitation } from "../store/members.ts";
import type { SessionDevice } from "../store/schema/index.ts";
import type { Limiter } from "./limiter.ts";

export const SESSION_COOKIE = "hearth_session";
const DEVICE_COOKIE = "hearth_device";
const DEVICE_SECONDS = 400 * 86_400;

/** argon2id, the library's default, at the settings OWASP names: 19 MiB, two passes, one lane. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export type SignInProblem =
  | { readonly reason: "wrong" }
  | { readonly reason: "too-many-tries"; readonly waitSeconds: number };
/** Cookies to set, whole. */
export type SignedIn = { ok: true; cookies: string[] };

export type Auth = ReturnType<typeof makeAuth>;

/** The time a real check takes, and never a yes. */
async function waitAsLong(passphrase: string): Promise<false> {
  await hash(passphrase, ARGON);
  return false;
}

/**
 * Signing in and out for one request: `caller` is its network address, null where it is not known; `secure` whether it
 * came over HTTPS.
 */
export function makeAuth(
  db: Db,
  limiter: Limiter,
  request: {
    cookieHeader: string | undefined;
    caller: string | null;
    secure: boolean;
    device: SessionDevice | null;
    now: Date;
  },
) {
  const { now } = request;
  const cookies = parseCookie(request.cookieHeader ?? "");
  const token = cookies[SESSION_COOKIE] || null;
  const device = cookies[DEVICE_COOKIE] || null;
  const attributes = { path: "/", httpOnly: true, sameSite: "lax", secure: request.secure } as const;
  const begin = async (memberId: string): Promise<SignedIn> => {
    const session = await startSession(db, memberId, now, request.device);
    return {
      ok: true,
      cookies: [stringifySetCookie(SESSION_COOKIE, session.token, { ...attributes, expires: session.expiresAt })],
    };
  };
  /** Notes that the member knew their passphrase on this device; the cookie that says so. */
  const knownFrom = async (memberId: string): Promise<string> => {
    const name = device ?? randomBytes(32).toString("base64url");
    await knowDevice(db, name, memberId, now);
    return stringifySetCookie(DEVICE_COOKIE, name, { ...attributes, maxAge: DEVICE_SECONDS });
  };
  /** Signed in with a passphrase, so that the device is known from now on. */
  const beginKnown = async (memberId: string): Promise<SignedIn> => {
    const known = await knownFrom(memberId);
    const begun = await begin(memberId);
    return { ok: true, cookies: [...begun.cookies, known] };
  };

  return {
    member: () => (token ? memberOfSession(db, token, now) : Promise.resolve(null)),
    /** Whether somebody signed in from this browser before: a session that is over takes its cookie along. */
    hadSession: token !== null || device !== null,

    async signUp(given: {
      mail: string;
      passphrase: string;
      name: string;
      timeZone: string;
    }): Promise<SignedIn | { ok: false; reason: "mail-taken" } | ({ ok: false } & SignInProblem)> {
      const allowed = await limiter.signUp(request.caller);
      if (!allowed.ok) return { ok: false, reason: "too-many-tries", waitSeconds: allowed.waitSeconds };
      const passphraseHash = await hash(given.passphrase, ARGON);
      const timeZone = isTimeZone(given.timeZone) ? given.timeZone : "UTC";
      const made = await createHousehold(db, { mail: given.mail, passphraseHash, name: given.name, timeZone });
      return made.ok ? beginKnown(made.memberId) : made;
    },

    /** Takes up an invitation by the secret of its address. Counted as signing up is. */
    async join(
      secret: string,
      given: { mail: string; passphrase: string; name: string },
    ): Promise<
      SignedIn | { ok: false; reason: "not-found" | "mail-taken" | "too-many" } | ({ ok: false } & SignInProblem)
    > {
      const allowed = await limiter.signUp(request.caller);
      if (!allowed.ok) return { ok: false, reason: "too-many-tries", waitSeconds: allowed.waitSeconds };
      const passphraseHash = await hash(given.passphrase, ARGON);
      const taken = await takeInvitation(db, secret, now, { mail: given.mail, passphraseHash, name: given.name });
      return taken.ok ? beginKnown(taken.memberId) : taken;
    },

    async signIn(mail: string, passphrase: string): Promise<SignedIn | ({ ok: false } & SignInProblem)> {
      const known = device !== null && (await isDeviceKnown(db, device, mail));
      const trying = { mail: mail.toLowerCase(), address: request.caller, knownDevice: known ? device : null };
      const allowed = await limiter.signIn(trying);
      if (!allowed.ok) return { ok: false, reason: "too-many-tries", waitSeconds: allowed.waitSeconds };
      const found = await findByMail(db, mail);
      // An unknown address costs the same time as a wrong passphrase, so that the wait tells nothing.
      const right = found ? await verify(found.passphraseHash, passphrase) : await waitAsLong(passphrase);
      if (!found || !right) return { ok: false, reason: "wrong" };
      await limiter.wasRight(trying);
      return beginKnown(found.id);
    },

    async enterDemo(): Promise<SignedIn | { ok: false; reason: "no-demo" }> {
      const memberId = await findDemoMember(db);
      return memberId ? begin(memberId) : { ok: false, reason: "no-demo" };
    },

    hasDemo: async () => (await findDemoMember(db)) !== null,

    /** Where the member is signed in. */
    sessions: (memberId: string) => sessionsOf(db, memberId, token ?? "", now),
    endOtherSessions: (memberId: string) => endOtherSessions(db, memberId, token ?? ""),

    /** Whether the passphrase is the member's own: asked where what follows cannot be done by a browser left open. */
    async isOwnPassphrase(
      memberId: string,
      passphrase: string,
    ): Promise<{ ok: true } | { ok: false; reason: "no-passphrase" } | ({ ok: false } & SignInProblem)> {
      const found = await signsInBy(db, memberId);
      if (!found) return { ok: false, reason: "no-passphrase" };
      const known = device !== null && (await isDeviceKnown(db, device, found.mail));
      const trying = { mail: found.mail, address: request.caller, knownDevice: known ? device : null };
      const allowed = await limiter.signIn(trying);
      if (!allowed.ok) return { ok: false, reason: "too-many-tries", waitSeconds: allowed.waitSeconds };
      if (!(await verify(found.passphraseHash, passphrase))) return { ok: false, reason: "wrong" };
      await limiter.wasRight(trying);
      return { ok: true };
    },

    /** Gives a member another passphrase, which ends every session but this one. Tries are counted as those at the door are. */
    async changePassphrase(
      memberId: string,
      passphrase: string,
      next: string,
    ): Promise<
      { ok: true; cookies: string[] } | { ok: false; reason: "no-passphrase" } | ({ ok: false } & SignInProblem)
    > {
      const found = await signsInBy(db, memberId);
      if (!found || !token) return { ok: false, reason: "no-passphrase" };
      const right = await this.isOwnPassphrase(memberId, passphrase);
      if (!right.ok) return right;
      const change = { was: found.passphraseHash, next: await hash(next, ARGON), token };
      if (!(await changePassphrase(db, memberId, change))) return { ok: false, reason: "wrong" };
      return { ok: true, cookies: [await knownFrom(memberId)] };
    },

    async signOut(): Promise<string[]> {
      if (token) await endSession(db, token);
      return [stringifySetCookie(SESSION_COOKIE, "", { ...attributes, maxAge: 0 })];
    },
  };
}
