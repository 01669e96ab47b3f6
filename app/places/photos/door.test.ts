import { describe, expect, it } from "vitest";
import { type Door, type Run, SignedOut, sayTimeLeft, type TakenIn, UploadRun } from "./door.ts";

const file = (name: string, content = name) => new File([content], name);
const files = (count: number) => Array.from({ length: count }, (_, at) => file(`${at}.jpg`));

/** A door over a server in memory. `answer` decides what comes of a file, and may throw as a lost connection does. */
function doorTo(answer: (name: string, times: number) => TakenIn, inAlready: string[] = []): Door & { sent: string[] } {
  const sent: string[] = [];
  let clock = 0;
  return {
    sent,
    send: async ({ name }) => {
      sent.push(name);
      return answer(name, sent.filter((each) => each === name).length);
    },
    known: async (hashes) => hashes.filter((hash) => inAlready.includes(hash)),
    hash: async (each) => each.text(),
    wait: async () => {},
    now: () => (clock += 1000),
  };
}
const kept: TakenIn = { ok: true, id: "x", isNew: true, dated: true };

describe("pictures through the door", () => {
  it("all come in, counted, and say how long it takes", async () => {
    const told: Run[] = [];
    const run = await new UploadRun(
      doorTo(() => kept),
      (now) => told.push(now),
    ).start(files(60));
    expect(run).toMatchObject({ state: "done", total: 60, added: 60, known: 0, refused: [] });
    expect(told.some(({ secondsLeft }) => secondsLeft !== null)).toBe(true);
    for (const [at, now] of told.entries()) expect(now.added).toBeGreaterThanOrEqual(told[at - 1]?.added ?? 0);
  });

  it("are not sent when they are in already, nor twice when they are doubles of each other", async () => {
    const door = doorTo(() => kept, ["same"]);
    const run = await new UploadRun(door, () => {}).start([
      file("a.jpg", "same"),
      file("b.jpg", "new"),
      file("c.jpg", "new"),
    ]);
    expect(door.sent).toEqual(["b.jpg"]);
    expect(run).toMatchObject({ added: 1, known: 2 });
  });

  it("wait while the server is away and go on by themselves, losing none", async () => {
    let away = 5;
    const states: string[] = [];
    const door = doorTo(() => {
      if (away-- > 0) throw new TypeError("connection lost");
      return kept;
    });
    const run = await new UploadRun(door, ({ state }) => states.push(state)).start(files(4));
    expect(states).toContain("waiting");
    expect(run).toMatchObject({ state: "done", added: 4 });
  });

  it("wait for whoever was signed out, and say which it is", async () => {
    let signedOut = 2;
    const waits: (string | null)[] = [];
    const door = doorTo(() => {
      if (signedOut-- > 0) throw new SignedOut();
      return kept;
    });
    const run = await new UploadRun(door, ({ waitsFor }) => waits.push(waitsFor)).start(files(2));
    expect(waits).toContain("sign-in");
    expect(run).toMatchObject({ state: "done", added: 2, waitsFor: null });
  });

  it("stop when cancelled; what was acknowledged stays counted, and a second run sends only the rest", async () => {
    const inNow: string[] = [];
    let upload: UploadRun | null = null;
    const door = doorTo((name) => {
      inNow.push(name);
      if (inNow.length === 5) upload?.cancel();
      return kept;
    }, inNow);
    upload = new UploadRun(door, () => {});
    const first = await upload.start(files(40));
    expect(first.state).toBe("cancelled");
    expect(inNow.length).toBeLessThan(10);
    const second = await new UploadRun(door, () => {}).start(files(40));
    expect(second.added + second.known).toBe(40);
    expect(new Set(door.sent).size).toBe(40);
    expect(door.sent.length).toBe(40);
  });

  it("that are refused are named with the reason, and hold up none of the others", async () => {
    const run = await new UploadRun(
      doorTo((name) => (name === "1.jpg" ? { ok: false, reason: "broken" } : { ...kept, dated: name !== "2.jpg" })),
      () => {},
    ).start(files(4));
    expect(run).toMatchObject({ added: 3, undated: 1, refused: [{ name: "1.jpg", reason: "broken" }] });
  });
});

it("time left is said roughly, never to the second", () => {
  expect([3, 12, 59, 61, 240].map(sayTimeLeft)).toEqual([
    ...[
      "about 5 seconds left",
      "about 15 seconds left",
      "about 60 seconds left",
      "about 2 minutes left",
      "about 4 minutes left",
    ],
  ]);
});
