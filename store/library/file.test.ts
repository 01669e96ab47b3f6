import { eq } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { readLibraryFile, writeLibraryFile } from "../../core/format/library-file.ts";
import { inches } from "../../core/measure/length.ts";
import { openTestStore } from "../../tests/household.ts";
import { IN_WORLD, ownWorld } from "../../tests/matrix/own-world.ts";
import { takeBack } from "../journal/take-back.ts";
import { pocketLayout } from "../schema/index.ts";
import { FILE_KINDS, keepThing, readThing } from "./file.ts";
import { readTemplates, saveTemplate } from "./pages.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;

describe("a thing that goes out in a file", () => {
  it("comes into another household as it was, under a name that is free, and goes again with its line", async () => {
    const { ids, author } = await ownWorld(db);
    const { author: other } = await ownWorld(db);
    for (const kind of FILE_KINDS) {
      const out = await readThing(db, author.householdId, kind, ids[IN_WORLD[kind]]);
      expect(await readThing(db, other.householdId, kind, ids[IN_WORLD[kind]]), kind).toBeNull();
      const read = readLibraryFile(writeLibraryFile(out?.thing as never));
      if (!out || !read.ok) throw new Error(kind);
      expect(read.thing).toEqual(out.thing);
      // The other household has one of that name.
      expect(await keepThing(db, other, read.thing), kind).toBe(`${out.name} (2)`);
      expect(await keepThing(db, other, read.thing), kind).toBe(`${out.name} (3)`);
      expect(await takeBack(db, other), kind).toMatchObject({ ok: true, did: { how: "kept", thing: kind } });
      expect(await keepThing(db, other, read.thing), kind).toBe(`${out.name} (3)`);
    }
  });

  it("brings the pockets along that a template has", async () => {
    const { ids, author } = await ownWorld(db);
    const { author: other } = await ownWorld(db);
    const page = { w: inches(6), h: inches(8) };
    const made = { name: "With pockets", page, kind: "pocket" as const, layout: ids.layout, pieces: [] };
    const id = await saveTemplate(db, author.householdId, made);
    const out = await readThing(db, author.householdId, "template", id);
    expect(out?.thing).toMatchObject({ template: { layout: null }, layout: { page: expect.anything() } });
    expect(await keepThing(db, other, out?.thing as never)).toBe("With pockets");
    const kept = (await readTemplates(db, other.householdId)).find(({ name }) => name === "With pockets");
    const [layout] = await db
      .select()
      .from(pocketLayout)
      .where(eq(pocketLayout.id, kept?.layout ?? ""));
    expect(layout?.householdId).toBe(other.householdId);
  });
});
