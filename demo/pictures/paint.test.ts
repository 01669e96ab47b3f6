import sharp from "sharp";
import { expect, it } from "vitest";
import { readPicture } from "../../press/picture.ts";
import { paint, type Sitting } from "./paint.ts";

const SITTING: Sitting = {
  subject: "frostNets",
  seed: 5,
  light: "dawn",
  at: "2026-12-03T08:55:00",
  shape: "upright",
  place: true,
};

it("a picture that the phone stored on its side is the same picture, the right way up, with its date and its place", async () => {
  const [upright, sideways] = await Promise.all([paint(SITTING), paint({ ...SITTING, sideways: true })]);
  expect((await sharp(sideways).metadata()).orientation).toBe(6);
  const [one, other] = await Promise.all([readPicture(upright, "a.jpg"), readPicture(sideways, "b.jpg")]);
  if (!one.ok || !other.ok) throw new Error("a painted picture was refused");
  expect([other.photo.width, other.photo.height]).toEqual([one.photo.width, one.photo.height]);
  expect(other.photo.height).toBeGreaterThan(other.photo.width);
  expect([other.photo.capturedAt, other.photo.offset, other.photo.hasPlace]).toEqual([
    "2026-12-03T08:55:00",
    "+00:00",
    true,
  ]);
  const light = (read: typeof one) => (read.ok ? read.photo.traits.light : []);
  const apart = light(one).reduce((sum, each, at) => sum + Math.abs(each - (light(other)[at] ?? 0)), 0) / 576;
  expect(apart).toBeLessThan(4);
});
