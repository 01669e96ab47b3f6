import { describe, expect, it } from "vitest";
import { to } from "./addresses.ts";
import { addressOf } from "./places/album/address-of.ts";
import { PLACES, placeAt, tabsOf } from "./places.ts";
import routes from "./routes.ts";

const ALBUM = "0b8f6d3e-0000-4000-8000-000000000000";
const inAlbum = (address: string) => address.slice(to.album(ALBUM).length + 1);

describe("the table of places", () => {
  it("has every place and part once, a key of one letter each, and four of the five on the phone's bar at most", () => {
    const paths = PLACES.flatMap(({ parts }) => parts.map(({ path }) => path));
    expect(new Set(paths).size).toBe(paths.length);
    const keys = PLACES.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const key of keys) expect(key).toMatch(/^[a-z0-9]$/);
    // Today comes first and More last.
    expect(PLACES.filter(({ onPhoneBar }) => onPhoneBar).map(({ name }) => name)).toEqual(["Month", "Day", "Photos"]);
  });

  it("leads to each place by an address that the place knows as its own", () => {
    for (const { id } of PLACES) expect(placeAt(inAlbum(addressOf(id, ALBUM, "2026-12-09")))).toBe(id);
    for (const { id } of PLACES)
      for (const [path] of tabsOf(id)) expect(placeAt(inAlbum(to.part(ALBUM, path)))).toBe(id);
    expect(placeAt(inAlbum(to.cutting(ALBUM, "x")))).toBe("photos");
    expect(placeAt(inAlbum(to.tryOuts(ALBUM, "x", "front")))).toBe("book");
    expect([placeAt(""), placeAt("nowhere")]).toEqual([null, null]);
  });

  it("is what the routes are made from", () => {
    type Node = { readonly file: string; readonly path?: string; readonly children?: readonly Node[] };
    const all = (nodes: readonly Node[]): Node[] => nodes.flatMap((node) => [node, ...all(node.children ?? [])]);
    const made = all(routes as readonly Node[]);
    for (const { parts } of PLACES)
      for (const { path, file } of parts) expect(made).toContainEqual(expect.objectContaining({ path, file }));
  });
});

describe("an address", () => {
  it("carries what it is asked, as a browser reads it back, and leaves out what is not said", () => {
    const address = to.foundations(ALBUM, { days: "2026-12-01,2026-12-02" });
    expect(new URL(address, "http://here").searchParams.get("days")).toBe("2026-12-01,2026-12-02");
    expect(to.book(ALBUM, { at: null })).toBe(`/albums/${ALBUM}/book`);
    expect(to.words(ALBUM, { q: "a & b?" })).toBe(`/albums/${ALBUM}/words?q=a+%26+b%3F`);
  });
});
