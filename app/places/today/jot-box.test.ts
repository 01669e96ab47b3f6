import { describe, expect, it } from "vitest";
import { type Jot, JotBox, type JotSender, type SentJot, SignedOut } from "./jot-box.ts";

type Given = Parameters<JotBox["put"]>[0];
const jot = (id: string, change: Partial<Given> = {}): Given => ({
  id,
  albumId: "a",
  dayId: "d",
  day: "Today",
  at: "2026-12-09T18:40",
  text: `text ${id}`,
  pictures: [],
  ...change,
});
const moment = () => new Promise((resolve) => setTimeout(resolve, 0));

/** A device and a home that can be made to fail. */
function world() {
  const kept = new Map<string, Jot>();
  const home = new Map<string, SentJot>();
  const faults = { jots: [] as ("lost" | "down" | "refused" | "out")[], pictures: true, full: false };
  const sender: JotSender = {
    keep: async (each) => {
      if (faults.full) throw new DOMException("no room", "QuotaExceededError");
      await moment();
      kept.set(each.id, each);
    },
    forget: async (id) => {
      await moment();
      kept.delete(id);
    },
    kept: async () => [...kept.values()],
    sendPicture: async ({ useId }) => (faults.pictures ? { ok: true, id: `photo of ${useId}` } : { ok: false }),
    sendJot: async (sent) => {
      const fault = faults.jots.shift();
      if (fault === "down") throw new Error("no answer");
      if (fault === "out") throw new SignedOut();
      if (fault === "refused") return { ok: false };
      home.set(sent.jotting?.id ?? "", sent);
      if (fault === "lost") throw new Error("the answer was lost");
      return { ok: true };
    },
  };
  return { sender, home, faults, device: () => [...kept.values()].sort((a, b) => a.order - b.order) };
}

describe("jottings on their way to the server", () => {
  it("lie on the device before they are sent, and leave it when they have arrived, the oldest first", async () => {
    const { sender, home, device } = world();
    const box = new JotBox(sender);
    await box.put(jot("1"));
    await box.put(jot("2"));
    expect(device().map(({ id }) => id)).toEqual(["1", "2"]);
    expect(await box.send()).toBe(2);
    expect([...home.keys()]).toEqual(["1", "2"]);
    expect(device()).toEqual([]);
    expect(box.snapshot()).toEqual({ jots: [], state: "idle" });
  });

  it("stay through a lost connection, a lost answer and a closed page, and are at home once", async () => {
    const { sender, home, faults, device } = world();
    faults.jots = ["down", "lost"];
    const box = new JotBox(sender);
    await box.put(jot("1"));
    expect(await box.send()).toBe(0);
    expect(box.snapshot().state).toBe("offline");
    await box.send();
    expect(home.size).toBe(1);
    expect(device().length).toBe(1);
    const opened = new JotBox(sender);
    await opened.open();
    expect(await opened.send()).toBe(1);
    expect(home.size).toBe(1);
    expect(device()).toEqual([]);
  });

  it("wait for somebody to sign in again", async () => {
    const { sender, faults } = world();
    faults.jots = ["out"];
    const box = new JotBox(sender);
    await box.put(jot("1"));
    await box.send();
    expect(box.snapshot()).toMatchObject({ state: "sign-in", jots: [{ id: "1" }] });
  });

  it("that are refused stay on the device with the reason, are in nobody's way, and go only when they are let go", async () => {
    const { sender, home, faults, device } = world();
    faults.jots = ["refused"];
    const box = new JotBox(sender);
    await box.put(jot("1"));
    await box.put(jot("2"));
    expect(await box.send()).toBe(1);
    expect([...home.keys()]).toEqual(["2"]);
    expect(device()).toMatchObject([{ id: "1", refused: "no-day" }]);
    await box.drop("1");
    expect(device()).toEqual([]);
    faults.pictures = false;
    const picture = { useId: "u", name: "a.jpg", type: "image/jpeg", bytes: new ArrayBuffer(1) };
    await box.put(jot("3", { pictures: [picture] }));
    await box.send();
    expect(device()).toMatchObject([{ id: "3", refused: "no-picture" }]);
  });

  it("that were refused are gone from the device once they are sent again and taken", async () => {
    const { sender, home, faults, device } = world();
    faults.jots = ["refused"];
    const box = new JotBox(sender);
    await box.put(jot("1"));
    await box.send();
    expect(await box.send()).toBe(0);
    await box.again();
    expect(await box.send()).toBe(1);
    expect([[...home.keys()], device()]).toEqual([["1"], []]);
  });

  it("kept while others are on their way are lost in no order of events, on the device or on the page", async () => {
    for (let late = 0; late < 6; late++) {
      const { sender, home, device } = world();
      const slow: JotSender = {
        ...sender,
        sendJot: async (sent) => {
          for (let turn = 0; turn < 3; turn++) await moment();
          return sender.sendJot(sent);
        },
      };
      const box = new JotBox(slow);
      await box.put(jot("1"));
      const sending = box.send();
      for (let turn = 0; turn < late; turn++) await moment();
      await box.put(jot("2"));
      await sending;
      const there = new Set([...home.keys(), ...device().map(({ id }) => id)]);
      expect(there).toEqual(new Set(["1", "2"]));
      await box.send();
      expect([...home.keys()]).toEqual(["1", "2"]);
      expect([device(), box.snapshot().jots]).toEqual([[], []]);
    }
  });

  it("of two open pages do not put each other off the device", async () => {
    const { sender, home, faults, device } = world();
    const [one, two] = [new JotBox(sender), new JotBox(sender)];
    await Promise.all([one.open(), two.open()]);
    await one.put(jot("1"));
    await two.put(jot("2"));
    expect(
      device()
        .map(({ id }) => id)
        .sort(),
    ).toEqual(["1", "2"]);
    faults.jots = ["down"];
    await one.send();
    await two.send();
    expect(device().map(({ id }) => id)).toEqual(["1"]);
    // The first page is closed; the second takes up what it left.
    await two.open();
    await two.send();
    expect([...home.keys()].sort()).toEqual(["1", "2"]);
  });

  it("are not called kept where the device would not keep them", async () => {
    const { sender, faults } = world();
    faults.full = true;
    const box = new JotBox(sender);
    await expect(box.put(jot("1"))).rejects.toThrow("no room");
    expect(box.snapshot().jots).toEqual([]);
  });

  it("take their pictures with them under the ids they were given", async () => {
    const { sender, home } = world();
    const box = new JotBox(sender);
    const picture = { useId: "u", name: "a.jpg", type: "image/jpeg", bytes: new ArrayBuffer(1) };
    await box.put(jot("", { text: "  ", pictures: [picture] }));
    await box.send();
    expect(home.get("")).toMatchObject({ jotting: null, pictures: [{ useId: "u", photoId: "photo of u" }] });
  });
});
