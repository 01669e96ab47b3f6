import { afterEach, describe, expect, it, vi } from "vitest";
import { STATUS_MEANS } from "../../tests/statuses.ts";
import { carry } from "./carry.ts";
import type { Entry } from "./entry.ts";

const ALBUM = "11111111-1111-4111-8111-111111111111";
/** SHA-256 of the letters "gate", as `sha256sum` says. */
const HASH_OF_GATE = "c974e17b8e7321ce8c12983de3d0ed4a289821f579bbe0925b0181a4bc8e8d80";
type Asked = { readonly path: string; readonly body: unknown };
const json = (body: unknown, status = 200) => Response.json(body, { status });

/** Stands in for the server: what was asked of it, and what it answers in turn. */
function server(...answers: (Response | Error | (() => Response))[]): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal("fetch", async (path: string, { body }: RequestInit) => {
    asked.push({ path, body: typeof body === "string" ? JSON.parse(body) : [...(body as FormData).keys()] });
    const next = answers.shift();
    if (next instanceof Error) throw next;
    return typeof next === "function" ? next() : (next ?? json({ ok: true }));
  });
  return asked;
}
afterEach(() => vi.unstubAllGlobals());

const base = { album: ALBUM, due: 0 };
const title: Entry = {
  ...{ ...base, id: "act", key: "day:title" },
  sent: { what: "edit", dayId: "day", base: 3, edit: { kind: "title", text: "Lit" } },
};
const photo = (dayId: string | null): Entry => ({
  ...{ ...base, id: "act", key: "p", album: dayId && ALBUM },
  sent: { what: "picture", picture: { id: "use", name: "gate.jpg", size: 4 }, dayId },
});
const jotting: Entry = {
  ...{ ...base, id: "act", key: "j" },
  sent: {
    ...{ what: "jotting", dayId: "day", day: "Sunday" },
    jotting: { id: "jot", text: "Gulls", at: "2026-12-06T19:00" },
    pictures: [{ id: "use", name: "gate.jpg", size: 4 }],
  },
};
const all = [title, photo(null), photo("day"), jotting];
const pictures = async () => new Blob(["gate"], { type: "image/jpeg" });

describe("what is sent", () => {
  it("means the same under every status, whatever it is", async () => {
    for (const entry of all)
      for (const [status, reason] of Object.entries(STATUS_MEANS)) {
        server(new Response("<h1>Not now</h1>", { status: Number(status) }));
        expect(await carry(entry, pictures), `${entry.sent.what} under ${status}`).toEqual({ ok: false, reason });
      }
  });

  it("waits where nobody answers, where the door is shown, and where somebody else answers for the server", async () => {
    const door = () => Object.defineProperty(new Response(null), "type", { value: "opaqueredirect" });
    for (const entry of all) {
      server(new TypeError("Failed to fetch"));
      expect(await carry(entry, pictures)).toEqual({ ok: false, reason: "unreachable" });
      server(door);
      expect(await carry(entry, pictures)).toEqual({ ok: false, reason: "signed-out" });
      server(new Response("<h1>Welcome to the guest network</h1>"));
      expect(await carry(entry, pictures)).toEqual({ ok: false, reason: "unreachable" });
    }
  });

  it("goes to its album under its own name, and comes back as it was answered", async () => {
    const clash = { ok: false, reason: "clash", clash: { version: 4 } };
    const asked = server(json({ ok: true, version: 4 }), json(clash));
    expect(await carry(title, pictures)).toEqual({ ok: true, version: 4 });
    expect(await carry(title, pictures)).toEqual(clash);
    expect(asked[0]).toEqual({ path: `/albums/${ALBUM}/sent`, body: { ...title.sent, act: "act" } });
  });

  it("asks of a picture for the roll whether it is there before it sends it", async () => {
    const asked = server(json({ ok: true, known: [] }), json({ ok: true, id: "P", isNew: true, taken: "2026-12-06" }));
    expect(await carry(photo(null), pictures)).toEqual({ ok: true, arrived: { isNew: true, taken: "2026-12-06" } });
    expect(asked.map(({ path }) => path)).toEqual(["/photos", "/photos"]);
    const [first, second] = asked;
    expect(first?.body).toEqual({ hashes: [HASH_OF_GATE] });
    expect(second?.body).toEqual(["photo"]);
    const again = server(json({ ok: true, known: [HASH_OF_GATE] }));
    expect(await carry(photo(null), pictures)).toEqual({ ok: true, arrived: { isNew: false, taken: null } });
    expect(again).toHaveLength(1);
  });

  it("puts a picture on its day under the id it was given here, and says when it was there already", async () => {
    const taken = { ok: true, id: "P", isNew: true, taken: null };
    const asked = server(json(taken), json({ ok: true, there: [] }));
    expect(await carry(photo("day"), pictures)).toEqual({ ok: true, arrived: { isNew: true, taken: null } });
    const brought = {
      what: "bring",
      dayId: "day",
      jotting: null,
      pictures: [{ useId: "use", photoId: "P" }],
      act: "act",
    };
    expect(asked[1]).toEqual({ path: `/albums/${ALBUM}/sent`, body: brought });
    server(json(taken), json({ ok: true, there: ["use"] }));
    expect(await carry(photo("day"), pictures)).toEqual({ ok: false, reason: "already-there" });
  });

  it("brings a jotting only when all its pictures are in, and refuses it whole when one is not", async () => {
    const asked = server(json({ ok: true, id: "P", isNew: true, taken: null }), json({ ok: true, there: [] }));
    expect(await carry(jotting, pictures)).toMatchObject({ ok: true });
    expect(asked[1]?.body).toMatchObject({ what: "bring", jotting: { id: "jot", text: "Gulls" }, act: "act" });
    const refused = server(json({ ok: false, reason: "damaged" }));
    expect(await carry(jotting, pictures)).toEqual({ ok: false, reason: "damaged" });
    expect(refused).toHaveLength(1);
  });

  it("does not send what cannot be read any more, or is too large to be taken", async () => {
    const asked = server();
    const pulledOut = Object.assign(new Blob(["gate"]), {
      slice: () => ({ arrayBuffer: () => Promise.reject(new DOMException("gone", "NotReadableError")) }),
      arrayBuffer: () => Promise.reject(new DOMException("gone", "NotReadableError")),
    }) as unknown as Blob;
    for (const gone of [null, pulledOut])
      expect(await carry(photo("day"), async () => gone)).toEqual({ ok: false, reason: "gone" });
    const large = {
      ...photo("day"),
      sent: { ...photo("day").sent, picture: { id: "u", name: "l", size: 5e7 } },
    } as Entry;
    expect(await carry(large, pictures)).toEqual({ ok: false, reason: "too-large" });
    expect(asked).toEqual([]);
  });
});
