import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { memoryDevice } from "../../tests/memory-device.ts";
import type { Answer, Entry } from "./entry.ts";
import { Outbox } from "./outbox.ts";
import { sendFrom } from "./sender.ts";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const note = (id: string, text = id, wait = 0): Entry => ({
  ...{ id, album: "album", key: `${id}:note`, due: Date.now() + wait },
  sent: { what: "edit", dayId: id, base: null, edit: { kind: "note", text } },
});

/** A sender whose answers are given by hand; `sent` is what left, in order. */
function sending(answers: (Answer | Error)[] = []) {
  const outbox = new Outbox(memoryDevice(), "window");
  const sent: string[] = [];
  const read: string[] = [];
  const gone = new AbortController();
  const carry = async ({ id }: Entry): Promise<Answer> => {
    sent.push(id);
    await new Promise((resolve) => setTimeout(resolve, 10));
    const answer = answers.shift() ?? { ok: true };
    if (answer instanceof Error) throw answer;
    return answer;
  };
  const answered = async ({ id }: Entry) => void read.push(id);
  sendFrom(outbox, { carry, answered, now: Date.now, tryAgain: 3000 }, gone.signal);
  return { outbox, sent, read, stop: () => gone.abort() };
}

describe("the sender", () => {
  it("sends one, waits, and sends the next, each when it is due", async () => {
    const { outbox, sent, read } = sending();
    void outbox.put(note("a", "typed", 700));
    void outbox.put(note("b"));
    void outbox.put(note("c"));
    expect(sent).toEqual(["b"]);
    await vi.advanceTimersByTimeAsync(15);
    expect(sent).toEqual(["b", "c"]);
    await vi.advanceTimersByTimeAsync(1000);
    expect([sent, read]).toEqual([
      ["b", "c", "a"],
      ["b", "c", "a"],
    ]);
    expect(outbox.snapshot().entries).toEqual([]);
  });

  it("tries again what was not answered, in the same order, and never sends anything that is out a second time", async () => {
    const { outbox, sent } = sending([new Error("no answer"), { ok: false, reason: "unreachable" }]);
    void outbox.put(note("a"));
    void outbox.put(note("b"));
    await vi.advanceTimersByTimeAsync(20);
    expect(sent).toEqual(["a"]);
    expect(outbox.snapshot().trouble).toBe("unreachable");
    await vi.advanceTimersByTimeAsync(20_000);
    expect(sent).toEqual(["a", "a", "a", "b"]);
    expect(outbox.snapshot()).toMatchObject({ entries: [], trouble: null });
  });

  it("sends what comes due at the very moment it is looked at, however the clock ticks between two looks", async () => {
    const outbox = new Outbox(memoryDevice(), "window");
    const sent: string[] = [];
    // A clock that goes on by one with every look at it.
    let time = 0;
    const carry = async ({ id }: Entry): Promise<Answer> => {
      sent.push(id);
      return { ok: true };
    };
    const { signal } = new AbortController();
    sendFrom(outbox, { carry, answered: async () => {}, now: () => time++, tryAgain: 3000 }, signal);
    void outbox.put({ ...note("a"), due: time + 1 });
    await vi.advanceTimersByTimeAsync(100);
    expect(sent).toEqual(["a"]);
  });

  it("reads the page anew before what was saved stops counting as on its way", async () => {
    const outbox = new Outbox(memoryDevice(), "window");
    const waiting: number[] = [];
    const answered = async () => void waiting.push(outbox.snapshot().entries.length);
    sendFrom(
      outbox,
      { carry: async () => ({ ok: true }), answered, now: Date.now, tryAgain: 3000 },
      new AbortController().signal,
    );
    void outbox.put(note("a"));
    await vi.advanceTimersByTimeAsync(5);
    expect(waiting).toEqual([1]);
    expect(outbox.snapshot().entries).toEqual([]);
  });

  it("sends nothing more once it has ended, and still takes what is answered to what was out", async () => {
    const { outbox, sent, stop } = sending();
    void outbox.put(note("a"));
    void outbox.put(note("b"));
    stop();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(sent).toEqual(["a"]);
    expect(outbox.snapshot().entries.map(({ id }) => id)).toEqual(["b"]);
  });
});
