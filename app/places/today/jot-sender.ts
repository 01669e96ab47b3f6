import { createStore, del, set, values } from "idb-keyval";
import { type Jot, type JotPicture, type JotSender, type SentJot, SignedOut } from "./jot-box.ts";

const SLOW = 20_000;

async function post(address: string, body: BodyInit, type?: string): Promise<Response> {
  const response = await fetch(address, {
    method: "POST",
    body,
    signal: AbortSignal.timeout(SLOW),
    ...(type ? { headers: { "content-type": type } } : {}),
  });
  if (response.redirected || response.status === 401) throw new SignedOut();
  if (response.status >= 500 || response.status === 408 || response.status === 429) throw new Error("no answer");
  return response;
}

async function sendPicture({ name, type, bytes }: JotPicture): Promise<{ ok: true; id: string } | { ok: false }> {
  const form = new FormData();
  form.append("photo", new File([bytes], name, { type }));
  const response = await post("/photos", form);
  if (!response.ok) return { ok: false };
  const taken = (await response.json()) as { ok: boolean; id?: string };
  return taken.ok && taken.id ? { ok: true, id: taken.id } : { ok: false };
}

async function sendJot(jot: SentJot): Promise<{ ok: true } | { ok: false }> {
  const response = await post("/today/jot", JSON.stringify(jot), "application/json");
  if (!response.ok) return { ok: false };
  return (await response.json()) as { ok: true } | { ok: false };
}

/** How this device sends jottings: they lie in its own database until the server has them. */
export function jotSender(memberId: string): JotSender {
  // Opened when it is first needed: there is no such database where the page is drawn on the server.
  let opened: ReturnType<typeof createStore> | undefined;
  const store: ReturnType<typeof createStore> = (mode, work) => {
    opened ??= createStore(`hearth-jots-${memberId}`, "jots");
    return opened(mode, work);
  };
  return {
    keep: (jot) => set(jot.id, jot, store),
    forget: (id) => del(id, store),
    kept: () => values<Jot>(store),
    sendPicture,
    sendJot,
  };
}
