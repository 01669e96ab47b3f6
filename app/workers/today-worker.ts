import { TODAY_PAGE } from "#app/places/today/kept-page.ts";

/**
 * Keeps the page of today and the files it is made of on the device, so that its address opens without a connection. Only
 * pages and files are kept: jottings have their own place, and nothing that is sent passes through here.
 */
type Waiting = Event & { waitUntil: (work: Promise<unknown>) => void };
type Fetching = Waiting & { readonly request: Request; respondWith: (answer: Promise<Response>) => void };
type Told = Waiting & { readonly data: unknown };
type Scope = {
  addEventListener(kind: "install" | "activate", listener: (event: Waiting) => void): void;
  addEventListener(kind: "fetch", listener: (event: Fetching) => void): void;
  addEventListener(kind: "message", listener: (event: Told) => void): void;
  readonly skipWaiting: () => Promise<void>;
  readonly clients: { readonly claim: () => Promise<void> };
  readonly location: Location;
};
const scope = self as unknown as Scope;

const FILES = "hearth-today-files";
const PATIENCE = 4000;

const isFile = (url: URL) => url.origin === scope.location.origin && /^\/(assets\/|flame\.svg$)/.test(url.pathname);
const isToday = (url: URL) => url.origin === scope.location.origin && url.pathname === "/today";

/**
 * The page as it is now, kept for later; the one kept before where there is no answer. Where the answer is the door, nobody
 * is signed in, and what was kept is let go.
 */
async function page(request: Request): Promise<Response> {
  const cache = await caches.open(TODAY_PAGE);
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE) });
    if (answer.redirected || answer.type === "opaqueredirect") await cache.delete("/today");
    else if (answer.ok) await cache.put("/today", answer.clone());
    return answer;
  } catch {
    return (await cache.match("/today")) ?? Response.error();
  }
}

/** A file by its name, which changes with what is in it. */
async function file(request: Request): Promise<Response> {
  const cache = await caches.open(FILES);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await cache.put(request, answer.clone());
  return answer;
}

async function keepAll(addresses: readonly string[]): Promise<void> {
  const cache = await caches.open(FILES);
  const wanted = addresses.filter((address) => isFile(new URL(address)));
  await Promise.all(
    wanted.map(async (address) => {
      if (!(await cache.match(address))) await cache.add(address);
    }),
  );
  // Files of a version before this one are not asked for any more.
  const now = new Set(wanted);
  for (const request of await cache.keys()) if (!now.has(request.url)) await cache.delete(request);
  if (!(await (await caches.open(TODAY_PAGE)).match("/today"))) await page(new Request("/today"));
}

scope.addEventListener("install", (event) => event.waitUntil(scope.skipWaiting()));
scope.addEventListener("activate", (event) => event.waitUntil(scope.clients.claim()));
scope.addEventListener("message", (event) => {
  const { keep, renew } = event.data as { keep?: unknown; renew?: unknown };
  if (renew === true)
    event.waitUntil(
      page(new Request("/today")).then(
        () => undefined,
        () => undefined,
      ),
    );
  if (Array.isArray(keep))
    event.waitUntil(keepAll(keep.filter((each) => typeof each === "string")).catch(() => undefined));
});
scope.addEventListener("fetch", (event) => {
  if (event.request.method !== "GET") return;
  const url = new URL(event.request.url);
  if (event.request.mode === "navigate" && isToday(url)) event.respondWith(page(event.request));
  else if (isFile(url)) event.respondWith(file(event.request));
});
