import { describe, expect, it } from "vitest";
import { answer, depart, memoryDevice, NOW, nextOf, reopen, title } from "../../tests/memory-device.ts";
import type { Entry } from "./entry.ts";
import { Outbox } from "./outbox.ts";

describe("pictures in the outbox", () => {
  const picture = (id: string, dayId: string | null = null, due = 0): Entry => ({
    ...{ id, due, album: dayId && "album", key: `picture:${id}` },
    sent: { what: "picture", picture: { id: `in ${id}`, name: `${id}.jpg`, size: 9 }, dayId },
  });
  const bytes = (...ids: string[]) => new Map(ids.map((id) => [`in ${id}`, new Blob([id])]));

  it("lets words and pictures wait for their own kind only, and of the roll's pictures three be out at once", () => {
    const box = new Outbox(memoryDevice(), "window");
    for (const id of ["p", "q", "r", "s"]) void box.put(picture(id), bytes(id));
    void box.put(picture("on-day-1", "day"));
    void box.put(picture("on-day-2", "day"));
    void box.put(title("a", "Lit windows"));
    void box.put({ ...title("b", "Elsewhere"), album: "another", key: "other:title" });
    const out = box.next(NOW).map(({ id }) => id);
    expect(out).toEqual(["p", "q", "r", "on-day-1", "a", "b"]);
    for (const id of out) depart(box, id);
    expect(box.next(NOW)).toEqual([]);
    answer(box, { ok: true, arrived: { isNew: true, taken: null } }, NOW, "q");
    expect(box.next(NOW).map(({ id }) => id)).toEqual(["s"]);
  });

  it("keeps what is in a picture over a closed tab, in order, and lets go of it once it is in", async () => {
    const storage = memoryDevice();
    const box = new Outbox(storage, "window");
    void box.put(picture("p"), bytes("p"));
    await box.put(picture("q"), bytes("q"));
    expect([...storage.pictures.keys()]).toEqual(["in p", "in q"]);
    const reopened = reopen(storage, "window");
    expect(await (await reopened.pictureOf("in p"))?.text()).toBe("p");
    depart(reopened, "p");
    answer(reopened, { ok: true, arrived: { isNew: true, taken: null } });
    await Promise.resolve();
    expect([...storage.pictures.keys()]).toEqual(["in q"]);
    expect(reopened.snapshot().came).toMatchObject([{ picture: { name: "p.jpg" }, result: { ok: true, isNew: true } }]);
  });

  it("sends a picture that the device has no room for all the same, and says until then that it is kept nowhere", async () => {
    const box = new Outbox(memoryDevice(true), "window");
    await box.put(picture("p"), bytes("p"));
    expect(box.snapshot().unkept).toBe(true);
    expect(await (await box.pictureOf("in p"))?.text()).toBe("p");
    depart(box, "p");
    answer(box, { ok: true, arrived: { isNew: false, taken: null } });
    expect(box.snapshot()).toMatchObject({ entries: [], unkept: false });
  });

  it("lets nothing of a picture lie about that arrived while it was being written down", async () => {
    const storage = memoryDevice();
    let written = () => {};
    const slow = new Promise<void>((resolve) => {
      written = resolve;
    });
    const box = new Outbox(
      { ...storage, keepPicture: (id, each) => slow.then(() => storage.keepPicture(id, each)) },
      "window",
    );
    const kept = box.put(picture("p"), bytes("p"));
    await Promise.resolve();
    depart(box, "p");
    answer(box, { ok: true, arrived: { isNew: true, taken: null } });
    written();
    await kept;
    expect([...storage.pictures.keys()]).toEqual([]);
  });

  it("says of a refused picture why, where it was handed in; a refused jotting is given back with its pictures", async () => {
    const storage = memoryDevice();
    const box = new Outbox(storage, "window");
    await box.put(picture("p", "day"), bytes("p"));
    depart(box, "p");
    answer(box, { ok: false, reason: "day-full" });
    expect(box.snapshot()).toMatchObject({ entries: [], returned: [], refused: null });
    expect(box.snapshot().came).toMatchObject([{ dayId: "day", result: { ok: false, reason: "day-full" } }]);
    expect(storage.pictures.size).toBe(0);
    const jotting: Entry = {
      ...{ id: "j", album: "album", key: "jotting:j", due: 0 },
      sent: {
        ...{ what: "jotting", dayId: "day", day: "Sunday", jotting: null },
        pictures: [{ id: "in j", name: "j.jpg", size: 1 }],
      },
    };
    await box.put(jotting, bytes("j"));
    depart(box, "j");
    answer(box, { ok: false, reason: "not-found" });
    expect(box.snapshot().returned).toMatchObject([{ entry: { id: "j" }, reason: "not-found" }]);
    expect(await (await box.pictureOf("in j"))?.text()).toBe("j");
    box.letGo("j");
    await Promise.resolve();
    expect(storage.pictures.size).toBe(0);
  });

  it("begins to count anew with the first picture after the last has come, each place for itself", () => {
    const box = new Outbox(memoryDevice(), "window");
    const arrive = (each: Entry) => {
      void box.put(each);
      depart(box, each.id);
      answer(box, { ok: true, arrived: { isNew: true, taken: null } }, NOW, each.id);
    };
    arrive(picture("p"));
    arrive(picture("d", "day"));
    expect(box.snapshot().came.map((each) => each.picture.name)).toEqual(["p.jpg", "d.jpg"]);
    arrive(picture("q"));
    expect(box.snapshot().came.map((each) => each.picture.name)).toEqual(["d.jpg", "q.jpg"]);
  });

  it("lets go of the rest of the pictures when it is told to, also of those that are out", () => {
    const box = new Outbox(memoryDevice(), "window");
    for (const each of [picture("p"), picture("q"), picture("d", "day")]) void box.put(each);
    depart(box, "p");
    box.stopPictures(null);
    answer(box, { ok: true, arrived: { isNew: true, taken: null } }, NOW, "p");
    expect(box.snapshot()).toMatchObject({ entries: [{ id: "d" }], flying: [], came: [] });
  });

  it("sends at once what waited for a connection when there may be one again, and nothing sooner than it may go", () => {
    const box = new Outbox(memoryDevice(), "window");
    void box.put(title("a", "Lit", 3, NOW + 700));
    box.hurry(NOW);
    expect(nextOf(box)).toBeNull();
    depart(box, "a");
    answer(box, { ok: false, reason: "unreachable" }, NOW + 3000);
    box.hurry(NOW);
    expect(nextOf(box)?.id).toBe("a");
  });
});
