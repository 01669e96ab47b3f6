import { describe, expect, it } from "vitest";
import { MOST_BYTES } from "#core/photo/roll.ts";
import {
  picturesOf,
  type Run,
  SignedOut,
  sayTimeLeft,
  type TakenIn,
  UploadRun,
  type UploadSender,
} from "./upload-run.ts";

const file = (name: string, content = name) => new File([content], name);
const handed = (...given: File[]) => ({ files: given, leftOut: 0 });
const files = (count: number) => handed(...Array.from({ length: count }, (_, at) => file(`${at}.jpg`)));

/** A sender to a server in memory. `answer` decides what comes of a file, and may throw as a lost connection does. */
function senderTo(
  answer: (name: string, times: number) => TakenIn,
  inAlready: string[] = [],
): UploadSender & { sent: string[] } {
  const sent: string[] = [];
  let clock = 0;
  return {
    sent,
    send: async ({ name }) => {
      sent.push(name);
      return answer(name, sent.filter((each) => each === name).length);
    },
    isThere: async ({ name }) => !name.startsWith("pulled-out"),
    known: async (hashes) => hashes.filter((hash) => inAlready.includes(hash)),
    hash: async (each) => each.text(),
    wait: async () => {},
    now: () => (clock += 1000),
  };
}
const kept: TakenIn = { ok: true, id: "x", isNew: true, dated: true };

describe("pictures on their way", () => {
  it("all come in, counted, and say how long it takes", async () => {
    const told: Run[] = [];
    const run = await new UploadRun(
      senderTo(() => kept),
      (now) => told.push(now),
    ).start(files(60));
    expect(run).toMatchObject({ state: "done", total: 60, added: 60, known: 0, refused: [] });
    expect(told.some(({ secondsLeft }) => secondsLeft !== null)).toBe(true);
    for (const [at, now] of told.entries()) expect(now.added).toBeGreaterThanOrEqual(told[at - 1]?.added ?? 0);
  });

  it("are not sent when they are in already, nor twice when they are doubles of each other", async () => {
    const sender = senderTo(() => kept, ["same"]);
    const three = handed(file("a.jpg", "same"), file("b.jpg", "new"), file("c.jpg", "new"));
    const run = await new UploadRun(sender, () => {}).start(three);
    expect(sender.sent).toEqual(["b.jpg"]);
    expect(run).toMatchObject({ added: 1, known: 2 });
  });

  it("wait while the server is away and go on by themselves, losing none", async () => {
    let away = 5;
    const states: string[] = [];
    const sender = senderTo(() => {
      if (away-- > 0) throw new TypeError("connection lost");
      return kept;
    });
    const run = await new UploadRun(sender, ({ state }) => states.push(state)).start(files(4));
    expect(states).toContain("waiting");
    expect(run).toMatchObject({ state: "done", added: 4 });
  });

  it("wait for whoever was signed out, and say which it is", async () => {
    let signedOut = 2;
    const waits: (string | null)[] = [];
    const sender = senderTo(() => {
      if (signedOut-- > 0) throw new SignedOut();
      return kept;
    });
    const run = await new UploadRun(sender, ({ waitsFor }) => waits.push(waitsFor)).start(files(2));
    expect(waits).toContain("sign-in");
    expect(run).toMatchObject({ state: "done", added: 2, waitsFor: null });
  });

  it("stop when cancelled; what was acknowledged stays counted, and a second run sends only the rest", async () => {
    const inNow: string[] = [];
    let upload: UploadRun | null = null;
    const sender = senderTo((name) => {
      inNow.push(name);
      if (inNow.length === 5) upload?.cancel();
      return kept;
    }, inNow);
    upload = new UploadRun(sender, () => {});
    const first = await upload.start(files(40));
    expect(first.state).toBe("cancelled");
    expect(inNow.length).toBeLessThan(10);
    const second = await new UploadRun(sender, () => {}).start(files(40));
    expect(second.added + second.known).toBe(40);
    expect(new Set(sender.sent).size).toBe(40);
    expect(sender.sent.length).toBe(40);
  });

  it("handed in while others are on their way join them, and neither keeps the other out", async () => {
    let upload: UploadRun | null = null;
    const sender = senderTo((name) => {
      if (name === "2.jpg") upload?.add({ files: [file("late.jpg"), file("0.jpg")], leftOut: 1 });
      return kept;
    });
    upload = new UploadRun(sender, () => {});
    const run = await upload.start(files(30));
    expect(run).toMatchObject({ state: "done", total: 32, leftOut: 1 });
    expect(run.added + run.known).toBe(32);
    expect(new Set(sender.sent)).toEqual(new Set([...files(30).files.map(({ name }) => name), "late.jpg"]));
    expect(upload.isOpen).toBe(false);
  });

  it("that are refused are named with the reason, and hold up none of the others", async () => {
    const run = await new UploadRun(
      senderTo((name) => (name === "1.jpg" ? { ok: false, reason: "broken" } : { ...kept, dated: name !== "2.jpg" })),
      () => {},
    ).start(files(4));
    expect(run).toMatchObject({ added: 3, undated: 1, refused: [{ name: "1.jpg", reason: "broken" }] });
  });

  it("that cannot be read any more are told, and are not waited for as an absent server is", async () => {
    const sender = senderTo((name) => {
      if (name.startsWith("pulled-out")) throw new TypeError("no such file");
      return kept;
    });
    const waits: (string | null)[] = [];
    const upload = new UploadRun(sender, ({ waitsFor }) => waits.push(waitsFor));
    const run = await upload.start(handed(file("pulled-out.jpg"), file("there.jpg")));
    expect(run).toMatchObject({ state: "done", added: 1, refused: [{ name: "pulled-out.jpg", reason: "gone" }] });
    expect(waits.every((each) => each === null)).toBe(true);
  });

  it("that are too large are told without being sent or read", async () => {
    const read: string[] = [];
    const sender = senderTo(() => kept);
    const large = Object.defineProperty(file("film.tif"), "size", { value: MOST_BYTES + 1 });
    const hash = async (each: File) => {
      read.push(each.name);
      return each.name;
    };
    const run = await new UploadRun({ ...sender, hash }, () => {}).start(handed(large, file("a.jpg")));
    expect(run).toMatchObject({ added: 1, refused: [{ name: "film.tif", reason: "too-large" }] });
    expect([sender.sent, read]).toEqual([["a.jpg"], ["a.jpg"]]);
  });

  it("are picked out of a folder; what else lies there is counted and left", () => {
    const names = ["A.JPG", "b.heic", "c.Tiff", "film.mov", "notes.txt", ".hidden.jpg", "Thumbs.db", "d.png"];
    const { files: picked, leftOut } = picturesOf(names.map((name) => file(name)));
    expect(picked.map(({ name }) => name)).toEqual(["A.JPG", "b.heic", "c.Tiff", "d.png"]);
    expect(leftOut).toBe(4);
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
