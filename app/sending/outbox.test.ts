import { describe, expect, it } from "vitest";
import { EMPTY_DAY } from "#core/album/model.ts";
import { answer, depart, memoryDevice, NOW, nextOf, reopen, title } from "../../tests/memory-device.ts";
import { type Entry, wordsIn } from "./entry.ts";
import { Outbox } from "./outbox.ts";
import { pendingOf } from "./pending.ts";

const wordsOf = (box: Outbox) => {
  const sent = pendingOf(box.snapshot(), "day:title");
  return sent?.what === "edit" && sent.edit.kind === "title" ? sent.edit.text : null;
};

describe("the outbox", () => {
  it("keeps what was typed over a closed tab, until the server has it", () => {
    const storage = memoryDevice();
    new Outbox(storage, "album").put(title("a", "Lit windows"));
    const reopened = reopen(storage, "album");
    expect(wordsOf(reopened)).toBe("Lit windows");
    expect([...storage.slots.keys()]).toEqual(["after album"]);
    depart(reopened, nextOf(reopened)?.id ?? "");
    answer(reopened, { ok: true, version: 4 });
    expect([...storage.slots.keys()]).toEqual([]);
  });

  it("of one window is not written over by another's, and both are taken up when both are gone", () => {
    const storage = memoryDevice();
    const [one, two] = [new Outbox(storage, "one"), new Outbox(storage, "two")];
    one.put(title("a", "Lit windows"));
    two.put({ ...title("b", "A note"), key: "day:note" });
    depart(two, "b");
    answer(two, { ok: true, version: 4 });
    const third = reopen(storage, "one");
    third.adopt("two");
    expect(wordsOf(third)).toBe("Lit windows");
    expect(third.snapshot().entries).toHaveLength(1);
  });

  it("takes nothing up over what was typed here since, twice, or out of a slot that makes no sense", () => {
    const storage = memoryDevice();
    new Outbox(storage, "gone").put(title("a", "Older"));
    const box = new Outbox(storage, "here");
    box.put(title("b", "Newer"));
    box.adopt("gone");
    box.adopt("gone");
    box.adopt("here");
    storage.slots.set("broken", "{");
    box.adopt("broken");
    expect(box.snapshot().entries.map(({ id }) => id)).toEqual(["b"]);
  });

  it("goes on where the device writes nothing down, and says so until everything is saved", () => {
    const box = new Outbox(memoryDevice(true), "album");
    box.put(title("a", "Lit"));
    expect([wordsOf(box), box.snapshot().unkept]).toEqual(["Lit", true]);
    depart(box, "a");
    answer(box, { ok: true, version: 4 });
    expect(box.snapshot()).toMatchObject({ entries: [], unkept: false });
  });

  it("tells what a hand did, to be seen at once, from letters typed and from what the server says", () => {
    const box = new Outbox(memoryDevice(), "album");
    const seen = () => {
      const { turn, acted, moved } = box.snapshot();
      return { atOnce: acted === turn, moved };
    };
    box.put(title("a", "L"), new Map(), true);
    expect(seen()).toEqual({ atOnce: false, moved: false });
    box.put({ ...title("b", "A note"), key: "day:note" });
    expect(seen()).toEqual({ atOnce: true, moved: false });
    const edit = { kind: "arrange", leaf: "leaf", face: "front", pieces: [] } as const;
    box.put({ ...title("c", ""), key: "book:leaf:front", sent: { what: "book", seen: null, edit } });
    expect(seen()).toEqual({ atOnce: true, moved: true });
    box.put(title("d", "Li"), new Map(), true);
    expect(seen()).toEqual({ atOnce: false, moved: false });
    depart(box, "b");
    answer(box, { ok: true, version: 4 });
    expect(seen().atOnce).toBe(false);
  });

  it("sends only the newest words of a field, from the version the typing began at", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "L", 3));
    box.put(title("b", "Li", 5));
    expect(box.snapshot().entries.length).toBe(1);
    expect(nextOf(box, 1)?.sent).toMatchObject({ base: 3, edit: { text: "Li" } });
  });

  it("waits for a pause in the typing, and sends one thing at a time", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "Lit", 3, 500));
    expect(nextOf(box, 499)).toBeNull();
    expect(box.nextDue(0)).toBe(500);
    depart(box, nextOf(box, 500)?.id ?? "");
    expect(nextOf(box, 900)).toBeNull();
  });

  it("words typed while earlier ones are out follow them, on the version those made", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "Lit"));
    depart(box, "a");
    box.put(title("b", "Lit windows"));
    answer(box, { ok: true, version: 9 });
    expect(nextOf(box, 1)?.sent).toMatchObject({ base: 9, edit: { text: "Lit windows" } });
  });

  it("holds everything back while the server is away and tries again later", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "Lit"));
    depart(box, "a");
    answer(box, { ok: false, reason: "unreachable" }, 5000);
    expect(box.snapshot().trouble).toBe("unreachable");
    expect(nextOf(box, 4999)).toBeNull();
    expect(nextOf(box, 5000)?.id).toBe("a");
    depart(box, "a");
    answer(box, null, 9000);
    expect(wordsOf(box)).toBe("Lit");
  });

  it("a clash keeps the words and stops sending them until the keeper chooses", () => {
    const storage = memoryDevice();
    const box = new Outbox(storage, "album");
    box.put(title("a", "Mine"));
    depart(box, "a");
    const change = { version: 4, fields: ["title"], by: "Tobiah", at: "2026-12-09T18:40:00Z" };
    answer(box, {
      ok: false,
      reason: "clash",
      clash: { change, current: { ...EMPTY_DAY, title: "Theirs" }, version: 4 },
    });
    expect(nextOf(box, 1)).toBeNull();
    expect(wordsOf(reopen(storage, "album"))).toBe("Mine");
    box.put(title("b", "Mine", 4));
    expect(box.snapshot().clashes).toEqual([]);
    expect(nextOf(box, 1)?.sent).toMatchObject({ base: 4 });
  });

  it("lets go of a change that the server refuses for good, and says why", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "Lit"));
    depart(box, "a");
    answer(box, { ok: false, reason: "not-found" });
    expect(box.snapshot()).toMatchObject({ entries: [], refused: { reason: "not-found" } });
  });

  it("knows the versions its own saves made of every leaf, so that a quick hand never clashes with itself", () => {
    const box = new Outbox(memoryDevice(), "album");
    const lay = (id: string, leaves: string[], seen: number) => ({
      id,
      album: "album",
      key: `book:${id}`,
      due: 0,
      sent: {
        what: "book" as const,
        seen: Object.fromEntries(leaves.map((leaf) => [leaf, seen])),
        edit: {
          kind: "arrange-many" as const,
          sides: leaves.map((leaf) => ({ leaf, face: "front" as const, pieces: [] })),
        },
      },
    });
    box.put(lay("first", ["a", "b"], 3));
    depart(box, "first");
    box.put(lay("second", ["b"], 3));
    answer(box, { ok: true, made: { a: 4, b: 4 } });
    expect(nextOf(box, 1)?.sent).toMatchObject({ seen: { b: 4 } });
    // The page has not been read anew yet when the next change is made.
    depart(box, "second");
    answer(box, { ok: true, made: { b: 5 } });
    box.put(lay("third", ["a", "b"], 3));
    expect(nextOf(box, 1)?.sent).toMatchObject({ seen: { a: 4, b: 5 } });
  });

  const sent = (box: Outbox, id: string, reason: string) => {
    depart(box, id);
    answer(box, { ok: false, reason }, 50);
  };

  it("sends a try-out's next step from the version that the one before made, so that a quick hand clashes with nobody", () => {
    const box = new Outbox(memoryDevice(), "album");
    const step = (id: string, x: number) =>
      box.put({
        id,
        album: "album",
        key: "try-out:t",
        due: 0,
        sent: { what: "try-out", how: "arrange", id: "t", base: 0, pieces: [{ id: `at ${x}` }] as never },
      });
    step("one", 1);
    depart(box, "one");
    // Two more while the first is out: the later takes the earlier's place, and begins from what the first makes.
    step("two", 2);
    step("three", 3);
    expect(box.snapshot().entries.map(({ id }) => id)).toEqual(["one", "three"]);
    answer(box, { ok: true, version: 1 });
    expect(nextOf(box, 1)?.sent).toMatchObject({ base: 1, pieces: [{ id: "at 3" }] });
    depart(box, "three");
    answer(box, { ok: true, version: 2 });
    // The page may not have been read anew yet.
    step("four", 4);
    expect(nextOf(box, 1)?.sent).toMatchObject({ base: 2 });
  });

  it("keeps what was typed whatever stands in its way, says what that is, and sends it again", () => {
    for (const reason of ["unreachable", "store-gone", "busy", "signed-out"] as const) {
      const box = new Outbox(memoryDevice(), "album");
      box.put(title("a", "Lit windows"));
      for (let time = 0; time < 9; time++) sent(box, "a", reason);
      expect(wordsOf(box)).toBe("Lit windows");
      expect(box.snapshot()).toMatchObject({ trouble: reason, returned: [] });
      expect([nextOf(box, 49), nextOf(box, 50)?.id]).toEqual([null, "a"]);
    }
  });

  it("gives words back that the server will not take, and sends what was behind them", () => {
    const storage = memoryDevice();
    const box = new Outbox(storage, "album");
    box.put(title("a", "Words of an older page"));
    box.put({ ...title("b", "A note"), key: "day:note" });
    sent(box, "a", "not-taken");
    expect(box.snapshot().returned.map(({ entry, reason }) => [wordsIn(entry.sent), reason])).toEqual([
      ["Words of an older page", "not-taken"],
    ]);
    expect(nextOf(box, 1)?.id).toBe("b");
    // Closed and opened again, they are still to be had; sent again, they go; let go, they are gone.
    const reopened = reopen(storage, "album");
    expect(reopened.snapshot().returned).toHaveLength(1);
    reopened.sendAgain("a", 0);
    expect([wordsOf(reopened), reopened.snapshot().returned]).toEqual(["Words of an older page", []]);
    sent(reopened, "a", "not-found");
    reopened.letGo("a");
    expect(reopened.snapshot().returned).toEqual([]);
  });

  it("tries a change three times that breaks the server, and then gives it back instead of holding up the rest", () => {
    const box = new Outbox(memoryDevice(), "album");
    box.put(title("a", "Lit windows"));
    for (let time = 0; time < 2; time++) {
      sent(box, "a", "broken");
      expect(box.snapshot()).toMatchObject({ trouble: "broken", returned: [] });
    }
    sent(box, "a", "broken");
    expect(box.snapshot()).toMatchObject({ trouble: null, entries: [], returned: [{ reason: "broken" }] });
  });

  it("lets words be typed on a card before it is known to be there, and clash with nobody but another's", () => {
    const words = (id: string, base: number): Entry => ({
      ...{ id, album: "album", key: "day:card", due: 0 },
      sent: { what: "edit", dayId: "day", base, edit: { kind: "card-text", id: "card", text: id } },
    });
    const add: Entry = {
      ...{ id: "add", album: "album", key: "day:add", due: 0 },
      sent: { what: "edit", dayId: "day", base: null, edit: { kind: "add-card", card: { id: "card" } as never } },
    };
    const box = new Outbox(memoryDevice(), "window");
    void box.put(add);
    void box.put(words("first", 3));
    void box.put(title("t", "Lit", 3));
    depart(box, "add");
    answer(box, { ok: true, version: 7 });
    // Nobody can have written on the card before it was there; the title is another's to write, and keeps its version.
    expect(box.next(NOW)[0]?.sent).toMatchObject({ base: 7 });
    expect(box.snapshot().entries.find(({ id }) => id === "t")?.sent).toMatchObject({ base: 3 });
    depart(box, "first");
    answer(box, { ok: true, version: 8 });
    // The page may not have been read anew yet.
    void box.put(words("second", 3));
    expect(box.snapshot().entries.find(({ id }) => id === "second")?.sent).toMatchObject({ base: 8 });
  });

  it("passes over what in a slot is no change of any age", () => {
    const storage = memoryDevice();
    storage.slots.set(
      "old",
      JSON.stringify({ entries: [null, 7, { id: 1 }, title("a", "Lit windows")], clashes: [{}], returned: "?" }),
    );
    expect(wordsOf(reopen(storage, "old"))).toBe("Lit windows");
  });

  it("knows every word that a change carries", () => {
    const words = (edit: object) => wordsIn({ what: "edit", dayId: "day", base: null, edit } as never);
    expect(words({ kind: "card-text", id: "c", text: "On a card" })).toBe("On a card");
    expect(words({ kind: "carry-over", id: "c", kept: "First", rest: "Second", to: "back" })).toBe("First\nSecond");
    expect(words({ kind: "add-jotting", jotting: { id: "j", text: "Jotted", at: "2026-12-09T18:40" } })).toBe("Jotted");
    expect(words({ kind: "photo-alt", id: "u", alt: "A lurcher" })).toBe("A lurcher");
    expect(words({ kind: "step", step: "print", done: true })).toBe("");
  });
});
