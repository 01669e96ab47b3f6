import { describe, expect, it } from "vitest";
import type { Came, Entry } from "./entry.ts";
import { picturesOf, runOf } from "./hand-in.ts";
import { EMPTY } from "./outbox.ts";

const MB = 1_000_000;
const waits = (id: string, dayId: string | null, size = MB): Entry => ({
  ...{ id, album: null, key: id, due: 0 },
  sent: { what: "picture", picture: { id, name: id, size }, dayId },
});
const came = (id: string, result: Came["result"], dayId: string | null = null, took = 1000): Came => ({
  ...{ picture: { id, name: id, size: MB }, dayId, took, result },
});
const fresh: Came["result"] = { ok: true, isNew: true, taken: null };

describe("pictures that are handed in", () => {
  it("are picked out of a folder; what else lies there is counted and left", () => {
    const names = ["A.JPG", "b.heic", "c.Tiff", "film.mov", "notes.txt", ".hidden.jpg", "Thumbs.db", "d.png"];
    const { files, leftOut } = picturesOf(names.map((name) => new File(["x"], name)));
    expect(files.map(({ name }) => name)).toEqual(["A.JPG", "b.heic", "c.Tiff", "d.png"]);
    expect(leftOut).toBe(4);
  });

  it("are counted for the place they were handed in at, by what came of them", () => {
    const state = {
      ...EMPTY,
      entries: [waits("a", null), waits("b", "day")],
      came: [
        came("c", fresh),
        came("d", { ok: true, isNew: false, taken: null }),
        came("e", { ok: false, reason: "damaged" }),
        came("f", fresh, "day"),
      ],
    };
    expect(runOf(state, null)).toMatchObject({ waiting: 1, added: 1, known: 1 });
    expect(runOf(state, null).refused.map(({ picture }) => picture.name)).toEqual(["e"]);
    expect(runOf(state, "day")).toMatchObject({ waiting: 1, added: 1, known: 0, refused: [] });
  });

  it("say how long the rest takes at the pace so far, and nothing before there is one or while nobody answers", () => {
    // Two megabytes took a second each: thirty more, three at once, are ten seconds.
    const state = { ...EMPTY, entries: [waits("a", null, 30 * MB)], came: [came("c", fresh), came("d", fresh)] };
    expect(runOf(state, null).secondsLeft).toBe(10);
    expect(runOf({ ...state, trouble: "unreachable" }, null).secondsLeft).toBeNull();
    expect(runOf({ ...state, came: [came("c", fresh)] }, null).secondsLeft).toBeNull();
    expect(runOf({ ...state, entries: [] }, null).secondsLeft).toBeNull();
  });
});
