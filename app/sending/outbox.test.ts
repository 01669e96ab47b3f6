import { describe, expect, it } from "vitest";
import { EMPTY_DAY } from "#core/album/model.ts";
import { Outbox, pendingOf, wordsIn } from "./outbox.ts";

const device = () => {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
    slots: () => [...kept.keys()],
  };
};
/** A window that opens where another, of this slot, is gone. */
const reopen = (storage: ReturnType<typeof device>, left: string) => {
  const box = new Outbox(storage, `after ${left}`);
  box.adopt(left);
  return box;
};
const title = (id: string, text: string, base = 3, due = 0) => ({
  id,
  key: "day:title",
  due,
  sent: { what: "edit" as const, dayId: "day", base, edit: { kind: "title" as const, text } },
});
const wordsOf = (box: Outbox) => {
  const sent = pendingOf(box.snapshot(), "day:title");
  return sent?.what === "edit" && sent.edit.kind === "title" ? sent.edit.text : null;
};

describe("the outbox", () => {
  it("keeps what was typed over a closed tab, until the server has it", () => {
    const storage = device();
    new Outbox(storage, "album").put(title("a", "Lit windows"));
    const reopened = reopen(storage, "album");
    expect(wordsOf(reopened)).toBe("Lit windows");
    expect(storage.slots()).toEqual(["after album"]);
    const entry = reopened.next(1);
    reopened.depart(entry?.id ?? "");
    reopened.answer({ ok: true, version: 4 }, 0);
    expect(storage.slots()).toEqual([]);
  });

  it("of one window is not written over by another's, and both are taken up when both are gone", () => {
    const storage = device();
    const [one, two] = [new Outbox(storage, "one"), new Outbox(storage, "two")];
    one.put(title("a", "Lit windows"));
    two.put({ ...title("b", "A note"), key: "day:note" });
    two.depart("b");
    two.answer({ ok: true, version: 4 }, 0);
    const third = reopen(storage, "one");
    third.adopt("two");
    expect(wordsOf(third)).toBe("Lit windows");
    expect(third.snapshot().entries).toHaveLength(1);
  });

  it("takes nothing up over what was typed here since, twice, or out of a slot that makes no sense", () => {
    const storage = device();
    new Outbox(storage, "gone").put(title("a", "Older"));
    const box = new Outbox(storage, "here");
    box.put(title("b", "Newer"));
    box.adopt("gone");
    box.adopt("gone");
    box.adopt("here");
    storage.setItem("broken", "{");
    box.adopt("broken");
    expect(box.snapshot().entries.map(({ id }) => id)).toEqual(["b"]);
  });

  it("goes on where the device writes nothing down, and says so until everything is saved", () => {
    const full = {
      ...device(),
      setItem: () => {
        throw new DOMException("no room", "QuotaExceededError");
      },
    };
    const box = new Outbox(full, "album");
    box.put(title("a", "Lit"));
    expect([wordsOf(box), box.snapshot().unkept]).toEqual(["Lit", true]);
    box.depart("a");
    box.answer({ ok: true, version: 4 }, 0);
    expect(box.snapshot()).toMatchObject({ entries: [], unkept: false });
  });

  it("sends only the newest words of a field, from the version the typing began at", () => {
    const box = new Outbox(device(), "album");
    box.put(title("a", "L", 3));
    box.put(title("b", "Li", 5));
    expect(box.snapshot().entries.length).toBe(1);
    expect(box.next(1)?.sent).toMatchObject({ base: 3, edit: { text: "Li" } });
  });

  it("waits for a pause in the typing, and sends one thing at a time", () => {
    const box = new Outbox(device(), "album");
    box.put(title("a", "Lit", 3, 500));
    expect(box.next(499)).toBeNull();
    expect(box.nextDue()).toBe(500);
    box.depart(box.next(500)?.id ?? "");
    expect(box.next(900)).toBeNull();
  });

  it("words typed while earlier ones are out follow them, on the version those made", () => {
    const box = new Outbox(device(), "album");
    box.put(title("a", "Lit"));
    box.depart("a");
    box.put(title("b", "Lit windows"));
    box.answer({ ok: true, version: 9 }, 0);
    expect(box.next(1)?.sent).toMatchObject({ base: 9, edit: { text: "Lit windows" } });
  });

  it("holds everything back while the server is away and tries again later", () => {
    const box = new Outbox(device(), "album");
    box.put(title("a", "Lit"));
    box.depart("a");
    box.answer({ ok: false, reason: "unreachable" }, 5000);
    expect(box.snapshot().trouble).toBe("unreachable");
    expect(box.next(4999)).toBeNull();
    expect(box.next(5000)?.id).toBe("a");
    box.depart("a");
    box.answer(null, 9000);
    expect(wordsOf(box)).toBe("Lit");
  });

  it("a clash keeps the words and stops sending them until the keeper chooses", () => {
    const storage = device();
    const box = new Outbox(storage, "album");
    box.put(title("a", "Mine"));
    box.depart("a");
    const change = { version: 4, fields: ["title"], by: "Tobiah", at: "2026-12-09T18:40:00Z" };
    box.answer(
      { ok: false, reason: "clash", clash: { change, current: { ...EMPTY_DAY, title: "Theirs" }, version: 4 } },
      0,
    );
    expect(box.next(1)).toBeNull();
    expect(wordsOf(reopen(storage, "album"))).toBe("Mine");
    box.put(title("b", "Mine", 4));
    expect(box.snapshot().clashes).toEqual([]);
    expect(box.next(1)?.sent).toMatchObject({ base: 4 });
  });

  it("lets go of a change that the server refuses for good, and says why", () => {
    const box = new Outbox(device(), "album");
    box.put(title("a", "Lit"));
    box.depart("a");
    box.answer({ ok: false, reason: "not-found" }, 0);
    expect(box.snapshot()).toMatchObject({ entries: [], refused: "not-found" });
  });

  it("knows the versions its own saves made of every leaf, so that a quick hand never clashes with itself", () => {
    const box = new Outbox(device(), "album");
    const lay = (id: string, leaves: string[], seen: number) => ({
      id,
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
    box.depart("first");
    box.put(lay("second", ["b"], 3));
    box.answer({ ok: true, made: { a: 4, b: 4 } }, 0);
    expect(box.next(1)?.sent).toMatchObject({ seen: { b: 4 } });
    // The page has not been read anew yet when the next change is made.
    box.depart("second");
    box.answer({ ok: true, made: { b: 5 } }, 0);
    box.put(lay("third", ["a", "b"], 3));
    expect(box.next(1)?.sent).toMatchObject({ seen: { a: 4, b: 5 } });
  });

  const sent = (box: Outbox, id: string, reason: string) => {
    box.depart(id);
    box.answer({ ok: false, reason }, 50);
  };

  it("sends a try-out's next step from the version that the one before made, so that a quick hand clashes with nobody", () => {
    const box = new Outbox(device(), "album");
    const step = (id: string, x: number) =>
      box.put({
        id,
        key: "try-out:t",
        due: 0,
        sent: { what: "try-out", how: "arrange", id: "t", base: 0, pieces: [{ id: `at ${x}` }] as never },
      });
    step("one", 1);
    box.depart("one");
    // Two more while the first is out: the later takes the earlier's place, and begins from what the first makes.
    step("two", 2);
    step("three", 3);
    expect(box.snapshot().entries.map(({ id }) => id)).toEqual(["one", "three"]);
    box.answer({ ok: true, version: 1 }, 0);
    expect(box.next(1)?.sent).toMatchObject({ base: 1, pieces: [{ id: "at 3" }] });
    box.depart("three");
    box.answer({ ok: true, version: 2 }, 0);
    // The page may not have been read anew yet.
    step("four", 4);
    expect(box.next(1)?.sent).toMatchObject({ base: 2 });
  });

  it("keeps what was typed whatever stands in its way, says what that is, and sends it again", () => {
    for (const reason of ["unreachable", "store-gone", "busy", "signed-out"] as const) {
      const box = new Outbox(device(), "album");
      box.put(title("a", "Lit windows"));
      for (let time = 0; time < 9; time++) sent(box, "a", reason);
      expect(wordsOf(box)).toBe("Lit windows");
      expect(box.snapshot()).toMatchObject({ trouble: reason, returned: [] });
      expect([box.next(49), box.next(50)?.id]).toEqual([null, "a"]);
    }
  });

  it("gives words back that the server will not take, and sends what was behind them", () => {
    const storage = device();
    const box = new Outbox(storage, "album");
    box.put(title("a", "Words of an older page"));
    box.put({ ...title("b", "A note"), key: "day:note" });
    sent(box, "a", "not-taken");
    expect(box.snapshot().returned.map(({ entry, reason }) => [wordsIn(entry.sent), reason])).toEqual([
      ["Words of an older page", "not-taken"],
    ]);
    expect(box.next(1)?.id).toBe("b");
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
    const box = new Outbox(device(), "album");
    box.put(title("a", "Lit windows"));
    for (let time = 0; time < 2; time++) {
      sent(box, "a", "broken");
      expect(box.snapshot()).toMatchObject({ trouble: "broken", returned: [] });
    }
    sent(box, "a", "broken");
    expect(box.snapshot()).toMatchObject({ trouble: null, entries: [], returned: [{ reason: "broken" }] });
  });

  it("passes over what in a slot is no change of any age", () => {
    const storage = device();
    storage.setItem(
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
