import { randomUUID } from "node:crypto";

export const PASSPHRASE = "four plain words here";
const FORM = { "content-type": "application/x-www-form-urlencoded" };

/** Somebody in front of a running server, with or without a session. */
export type Visitor = {
  readonly base: string;
  readonly cookie: string;
  readonly device: string;
  readonly mail: string;
};
export const nobody = (base: string): Visitor => ({ base, cookie: "", device: "", mail: "" });

export const get = ({ base, cookie }: Visitor, path: string, headers: Record<string, string> = {}) =>
  fetch(base + path, { redirect: "manual", headers: { cookie, ...headers } });

/** Sends a form as a page's script does, or without `.data` as a browser itself would. */
export const sendForm = ({ base, cookie }: Visitor, path: string, fields: Record<string, string>) =>
  fetch(base + path, {
    method: "POST",
    redirect: "manual",
    body: new URLSearchParams(fields).toString(),
    headers: { origin: base, ...FORM, cookie },
  });

export const sendJson = ({ base, cookie }: Visitor, path: string, body: unknown) =>
  fetch(base + path, {
    method: "POST",
    redirect: "manual",
    body: JSON.stringify(body),
    headers: { origin: base, "content-type": "application/json", cookie },
  });

export const sendFile = ({ base, cookie }: Visitor, path: string, bytes: Buffer, name = "a.jpg") => {
  const body = new FormData();
  body.append("photo", new File([new Uint8Array(bytes)], name, { type: "image/jpeg" }));
  return fetch(base + path, { method: "POST", redirect: "manual", body, headers: { origin: base, cookie } });
};

/** A newcomer with a household of their own. */
export async function signUp(base: string, mail = `${randomUUID()}@example.org`): Promise<Visitor> {
  const answer = await sendForm(nobody(base), "/sign-up", {
    name: "Keeper",
    mail,
    passphrase: PASSPHRASE,
    timeZone: "UTC",
  });
  const [session = "", device = ""] = answer.headers.getSetCookie().map((cookie) => cookie.split(";")[0] ?? "");
  return { base, mail, cookie: session, device };
}

/** A December album; its address, as `/albums/id`. */
export async function makeAlbum(visitor: Visitor, title = "Mine"): Promise<string> {
  const span = { start: "2026-12-01", end: "2026-12-31" };
  const answer = await sendForm(visitor, "/albums/new", {
    title,
    ...span,
    numbering: "date",
    book: "ring-6x8",
    unit: "inch",
  });
  return answer.headers.get("location")?.replace("/month", "") ?? "";
}

/** The id of a day, read from the page's own data. */
export async function dayId(visitor: Visitor, album: string, date: string): Promise<string> {
  const page = await (await get(visitor, `${album}/days/${date}.data`)).text();
  return /"([0-9a-f-]{36})","dateSaid"/.exec(page)?.[1] ?? "";
}

/** Sends a change of an album, as its outbox does. */
export const edit = (visitor: Visitor, album: string, sent: object) => sendJson(visitor, `${album}/sent`, sent);

/** Hands a picture in and puts it on a day, as the day's page does; the answer of whichever refused it, or of the second. */
export async function putOnDay(visitor: Visitor, album: string, date: string, bytes: Buffer): Promise<Response> {
  const taken = await sendFile(visitor, "/photos", bytes);
  const { id } = (await taken.clone().json()) as { id?: string };
  if (!id) return taken;
  const pictures = [{ useId: randomUUID(), photoId: id }];
  return edit(visitor, album, { what: "bring", dayId: await dayId(visitor, album, date), jotting: null, pictures });
}

/** Writes an album's archive in the background and takes it away. */
export async function archiveOf(visitor: Visitor, album: string, forWhom: "self" | "others" = "self"): Promise<Buffer> {
  const id = randomUUID();
  const albumId = album.replace("/albums/", "");
  await sendJson(visitor, "/work", { kind: "write-archive", id, albumId, forWhom });
  const end = await workEnd(visitor, id);
  if (end.state !== "done") throw new Error(`the archive was ${end.state}`);
  return Buffer.from(await (await get(visitor, `/work/${id}/file`)).arrayBuffer());
}

export type WorkEnd = {
  state: string;
  outcome: { ok?: boolean; reason?: string; albumId?: string; bytes?: number } | null;
};

/** Waits until a work has ended, and asks whether it has every so many milliseconds. */
export async function workEnd(visitor: Visitor, id: string, every = 50): Promise<WorkEnd> {
  for (;;) {
    const now = (await (await get(visitor, `/work/${id}`)).json()) as WorkEnd;
    if (["done", "refused", "failed", "cancelled"].includes(now.state)) return now;
    await new Promise((resolve) => setTimeout(resolve, every));
  }
}

const PART = 4 * 1024 * 1024;

/** Hands an archive in, part by part, and lets it be read; returns the work's id. */
export async function handArchiveIn(visitor: Visitor, bytes: Buffer, id: string = randomUUID()): Promise<string> {
  await sendJson(visitor, "/work", { kind: "read-archive", id, copy: false, bytes: bytes.length });
  for (let place = 0; place * PART < bytes.length; place++)
    await sendPart(visitor, id, place, bytes.subarray(place * PART, (place + 1) * PART));
  await sendJson(visitor, `/work/${id}`, { act: "begin" });
  return id;
}

export const sendPart = ({ base, cookie }: Visitor, id: string, place: number, bytes: Buffer) =>
  fetch(`${base}/work/${id}/parts/${place}`, {
    method: "POST",
    redirect: "manual",
    body: new Uint8Array(bytes),
    headers: { origin: base, "content-type": "application/octet-stream", cookie },
  });
