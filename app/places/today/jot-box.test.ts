import { describe, expect, it } from "vitest";
import { type Jot, JotBox, type JotDoor, type SentJot, SignedOut } from "./jot-box.ts";

const jot = (id: string, change: Partial<Jot> = {}): Jot => ({
  ...{
    id,
    albumId: "a",
    dayId: "d",
    day: "Today",
    at: "2026-12-09T18:40",
    text: `text ${id}`,
    pictures: [],
    refused: null,
  },
  ...change,
});

/** A device and a home that can be made to fail. */
function world() {
  let device: readonly Jot[] = [];
  const home = new Map<string, SentJot>();
  const faults = { jots: [] as ("lost" | "down" | "refused" | "out")[], pictures: true };
  const door: JotDoor = {
    keep: async (jots) => {
      device = jots;
    },
    kept: async () => device,
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
  return { door, home, faults, device: () => device };
}

describe("jottings on their way home", () => {
  it("lie on the device before they are sent, and leave it when they have arrived, the oldest first", async () => {
    const { door, home, device } = world();
    const box = new JotBox(door);
    await box.put(jot("1"));
    await box.put(jot("2"));
    expect(device().map(({ id }) => id)).toEqual(["1", "2"]);
    expect(await box.send()).toBe(2);
    expect([...home.keys()]).toEqual(["1", "2"]);
    expect(device()).toEqual([]);
    expect(box.snapshot()).toEqual({ jots: [], state: "idle" });
  });

  it("stay through a lost connection, a lost answer and a closed page, and are at home once", async () => {
    const { door, home, faults, device } = world();
    faults.jots = ["down", "lost"];
    const box = new JotBox(door);
    await box.put(jot("1"));
    expect(await box.send()).toBe(0);
    expect(box.snapshot().state).toBe("offline");
    await box.send();
    expect(home.size).toBe(1);
    expect(device().length).toBe(1);
    const opened = new JotBox(door);
    await opened.open();
    expect(await opened.send()).toBe(1);
    expect(home.size).toBe(1);
    expect(device()).toEqual([]);
  });

  it("wait for somebody to sign in again", async () => {
    const { door, faults } = world();
    faults.jots = ["out"];
    const box = new JotBox(door);
    await box.put(jot("1"));
    await box.send();
    expect(box.snapshot()).toMatchObject({ state: "sign-in", jots: [{ id: "1" }] });
  });

  it("that are refused stay on the device with the reason, are in nobody's way, and go only when they are let go", async () => {
    const { door, home, faults, device } = world();
    faults.jots = ["refused"];
    const box = new JotBox(door);
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

  it("take their pictures with them under the ids they were given", async () => {
    const { door, home } = world();
    const box = new JotBox(door);
    const picture = { useId: "u", name: "a.jpg", type: "image/jpeg", bytes: new ArrayBuffer(1) };
    await box.put(jot("", { text: "  ", pictures: [picture] }));
    await box.send();
    expect(home.get("")).toMatchObject({ jotting: null, pictures: [{ useId: "u", photoId: "photo of u" }] });
  });
});
