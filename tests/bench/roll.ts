import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import type { Db } from "../../store/db.ts";
import { photo, picture, pictureTrait, pictureVersion } from "../../store/schema/index.ts";
import { inBrowser } from "./client.ts";
import type { Visit } from "./pages.ts";

const PICTURES = 2000;

/** Fills the demo's roll up to two thousand pictures and more, once. */
export async function fillRoll(db: Db): Promise<void> {
  const [home] = await db.select({ householdId: photo.householdId }).from(photo).limit(1);
  const [{ count } = { count: 0 }] = await db.select({ count: sql<number>`count(*)::int` }).from(photo);
  if (count >= PICTURES) return;
  const [base] = await db.select().from(pictureVersion).where(sql`${pictureVersion.longSide} = 480`).limit(1);
  const [trait] = await db.select().from(pictureTrait).limit(1);
  if (!home || !base || !trait) throw new Error("the demo has no pictures");
  const rows = Array.from({ length: PICTURES }, (_, at) => ({
    at,
    sha256: randomUUID().replaceAll("-", "").repeat(2),
  }));
  for (let from = 0; from < rows.length; from += 250) {
    const some = rows.slice(from, from + 250);
    await db
      .insert(picture)
      .values(some.map(({ sha256 }) => ({ sha256, mime: "image/jpeg" as const, bytes: Buffer.from("x") })));
    await db.insert(pictureVersion).values(some.map(({ sha256 }) => ({ sha256, longSide: 480, bytes: base.bytes })));
    await db.insert(pictureTrait).values(
      some.map(({ sha256, at }) => ({
        ...trait,
        sha256,
        fingerprint: at.toString(16).padStart(16, "5").padEnd(160, "7"),
      })),
    );
    await db.insert(photo).values(
      some.map(({ sha256, at }) => ({
        householdId: home.householdId,
        sha256,
        name: `bench-${at}.jpg`,
        width: 1400,
        height: 1050,
        hasPlace: false,
        ownWords: "",
        capturedAt: new Date(Date.UTC(2026, 0, 1, 8) + at * 4_200_000).toISOString().slice(0, 19),
      })),
    );
  }
}

/** The share of frames drawn within two frames' time while a roll of two thousand pictures is scrolled from end to end. */
export function smoothScroll(visit: Visit, place: string): Promise<number> {
  return inBrowser(visit, place, async (tab) => {
    await tab.locator("[data-photo]").first().waitFor();
    const shown = await tab.locator("[data-photo]").count();
    if (shown < PICTURES) throw new Error(`only ${shown} pictures are on the roll`);
    const frames = await tab.evaluate(async () => {
      const list = document.querySelector("[data-photo]")?.closest(".wide\\:overflow-y-auto");
      if (!(list instanceof HTMLElement)) throw new Error("nothing to scroll");
      const took: number[] = [];
      let last = performance.now();
      for (let step = 0; step < 240; step++) {
        list.scrollTop += 60;
        await new Promise((resolve) => requestAnimationFrame(resolve));
        const now = performance.now();
        took.push(now - last);
        last = now;
      }
      return took;
    });
    return frames.slice(10).filter((each) => each <= 34).length / (frames.length - 10);
  });
}
