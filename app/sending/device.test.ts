import { describe, expect, it } from "vitest";
import { readKept } from "./device.ts";

/** What an earlier program wrote into a slot of one album. */
const EARLIER = JSON.stringify({
  entries: [
    {
      id: "a",
      key: "day:title",
      due: 5,
      sent: { what: "edit", dayId: "day", base: 3, edit: { kind: "title", text: "Lit windows" } },
    },
  ],
  clashes: [],
  returned: [{ entry: { id: "b", key: "day:note", due: 5, sent: { what: "edit" } }, reason: "not-taken" }],
});

describe("what lies on the device", () => {
  it("of an earlier program is of the album its slot was named after", () => {
    for (const slot of ["hearth:member:album", "hearth:member:album:k3f9"]) {
      const kept = readKept(slot, EARLIER);
      expect(kept?.entries).toMatchObject([{ id: "a", album: "album", sent: { edit: { text: "Lit windows" } } }]);
      expect(kept?.returned).toMatchObject([{ entry: { id: "b", album: "album" } }]);
    }
  });

  it("of this program says itself which album each thing is of, and what is the household's", () => {
    const entries = [
      { id: "a", key: "k", due: 0, album: "one", sent: { what: "edit" } },
      { id: "p", key: "l", due: 0, album: null, sent: { what: "picture" } },
    ];
    const kept = readKept("hearth:sending:member:k3f9", JSON.stringify({ entries }));
    expect(kept?.entries.map(({ album }) => album)).toEqual(["one", null]);
  });

  it("is passed over where it is nothing of ours", () => {
    for (const text of [null, "", "{", "7", "null", '"words"']) {
      const kept = readKept("hearth:sending:member:k3f9", text);
      expect(kept?.entries ?? []).toEqual([]);
    }
    const odd = { entries: [null, 7, {}, { id: 1 }, { id: "a", key: "k", sent: null }], clashes: [{}], returned: "?" };
    expect(readKept("s", JSON.stringify(odd))).toEqual({ entries: [], clashes: [], returned: [] });
  });
});
