import { newId } from "#app/parts/new-id.ts";
import { LIMITS } from "#core/limits.ts";

/** What is answered to asking for a work. */
export type WorkAnswer = { ok: true } | { ok: false; reason: "too-many" | "not-found" | "no-room" };

/** How a work goes, as its address tells. */
export type WorkTold = {
  readonly state: "gathering" | "waiting" | "running" | "done" | "refused" | "failed" | "cancelled";
  readonly done: number;
  readonly whole: number;
  readonly outcome: unknown;
  /** While its file comes in: the parts that are there. */
  readonly parts: readonly number[];
};

/** Who asks is not known here any more. */
export class SignedOut extends Error {}

const TRY_AGAIN_MS = 2000;
const SLOW_MS = 60_000;

/**
 * Asks until there is an answer: a server that is away is waited for. Returns null where it answers that there is no such
 * thing, or will not take it.
 */
async function insist(address: string, init: RequestInit, signal: AbortSignal): Promise<unknown> {
  for (;;) {
    signal.throwIfAborted();
    try {
      const each = AbortSignal.any([signal, AbortSignal.timeout(SLOW_MS)]);
      const response = await fetch(address, { ...init, signal: each });
      if (response.redirected || response.status === 401) throw new SignedOut();
      if (response.ok) return await response.json();
      if (response.status < 500 && response.status !== 408 && response.status !== 429) return null;
    } catch (error) {
      if (signal.aborted || error instanceof SignedOut) throw error;
    }
    await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
  }
}

const json = (body: object): RequestInit => ({
  method: "POST",
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

export const askFor = (asked: object, signal: AbortSignal) =>
  insist("/work", json(asked), signal) as Promise<WorkAnswer | null>;
export const tellOf = (id: string, signal: AbortSignal) =>
  insist(`/work/${id}`, {}, signal) as Promise<WorkTold | null>;
export const actOn = (id: string, act: "begin" | "cancel" | "read-as-copy", signal: AbortSignal) =>
  insist(`/work/${id}`, json({ act }), signal) as Promise<{ ok: boolean } | null>;

/** Under which work a file was begun to be sent from this device, so that the same file chosen again goes on there. */
function workFor(file: File): string {
  const name = `hearth-sending:${file.size}:${file.lastModified}:${file.name}`;
  try {
    const known = localStorage.getItem(name);
    if (known) return known;
    const id = newId();
    localStorage.setItem(name, id);
    return id;
  } catch {
    return newId();
  }
}

/** Forgets which work a file was sent under: it is done, or was given up. */
export function forgetFile(file: File): void {
  try {
    localStorage.removeItem(`hearth-sending:${file.size}:${file.lastModified}:${file.name}`);
  } catch {
    // A device that keeps nothing has nothing to forget.
  }
}

const ENDED = ["done", "refused", "failed", "cancelled"];

/**
 * Sends an archive part by part and lets it be read. What came in stays: broken off, by a reload or a dead server, it goes
 * on with the parts that are missing. Returns the work's id, or why it was not taken.
 */
export async function sendArchive(
  file: File,
  told: (sent: number, whole: number) => void,
  signal: AbortSignal,
): Promise<{ ok: true; id: string } | { ok: false; reason: string }> {
  let id = workFor(file);
  const before = await tellOf(id, signal);
  if (before && ENDED.includes(before.state)) {
    forgetFile(file);
    id = workFor(file);
  }
  const asked = await askFor({ kind: "read-archive", id, copy: false, bytes: file.size }, signal);
  if (!asked?.ok) return { ok: false, reason: asked?.reason ?? "not-found" };
  const now = await tellOf(id, signal);
  const there = new Set(now?.parts);
  const size = LIMITS.partBytes.most;
  const parts = Math.ceil(file.size / size);
  for (let place = 0; place < parts && now?.state === "gathering"; place++) {
    told(place * size, file.size);
    if (there.has(place)) continue;
    const body = file.slice(place * size, (place + 1) * size);
    const headers = { "content-type": "application/octet-stream" };
    const kept = (await insist(`/work/${id}/parts/${place}`, { method: "POST", headers, body }, signal)) as {
      ok: boolean;
    } | null;
    if (!kept?.ok) return { ok: false, reason: "not-found" };
  }
  told(file.size, file.size);
  const begun = await actOn(id, "begin", signal);
  return begun?.ok ? { ok: true, id } : { ok: false, reason: "not-found" };
}

const LOOK_EVERY_MS = 500;

/** Looks how a work goes until it has ended; tells each look. */
export async function follow(id: string, told: (now: WorkTold) => void, signal: AbortSignal): Promise<WorkTold | null> {
  for (;;) {
    const now = await tellOf(id, signal);
    if (now) told(now);
    if (!now || ENDED.includes(now.state)) return now;
    await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
  }
}
