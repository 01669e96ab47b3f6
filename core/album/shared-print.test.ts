import { describe, expect, it } from "vitest";
import { PLAIN_USE } from "../../tests/samples.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../photo/crop.ts";
import type { Together } from "../photo/together.ts";
import { applyEdit, type DayEdit } from "./edit.ts";
import { type DayContent, EMPTY_DAY, type PhotoUse } from "./model.ts";

const use = (id: string, change: Partial<PhotoUse> = {}): PhotoUse => ({
  ...{ id, photoId: `picture of ${id}`, print: { w: inches(6), h: inches(4) }, alt: "", ...PLAIN_USE },
  ...change,
});
const withOthers = (...photoIds: string[]): Together => ({
  ...{ along: "rows", counts: [photoIds.length + 1], gap: inches(1 / 8) },
  others: photoIds.map((photoId) => ({ photoId, crop: AS_IT_COMES, picture: UNKNOWN_PICTURE })),
});
/** The edit that puts these into a print, the first first. */
const put = (id: string, ...photoIds: string[]): DayEdit => ({
  ...{ kind: "photo-together", id, along: "rows", counts: [photoIds.length], gap: inches(1 / 8) },
  pictures: photoIds.map((photoId) => ({ photoId, crop: AS_IT_COMES, picture: UNKNOWN_PICTURE })),
});
const day = (...photos: PhotoUse[]): DayContent => ({ ...EMPTY_DAY, photos, done: ["choose", "print", "trim"] });
const edited = (content: DayContent, edit: DayEdit) => {
  const result = applyEdit(content, edit, "ring");
  if (!result.ok) throw new Error(result.reason);
  return result;
};

describe("pictures put together in one print", () => {
  const three = day(use("a"), use("b"), use("c"));

  it("come into it from their own prints, are to be printed again, and clash with whoever changed those", () => {
    const { content, fields } = edited(three, put("a", "picture of a", "picture of c", "another"));
    expect(content.photos.map(({ id }) => id)).toEqual(["a", "b"]);
    expect(content.photos[0]?.together?.others.map(({ photoId }) => photoId)).toEqual(["picture of c", "another"]);
    expect(content.done).toEqual(["choose"]);
    expect(fields).toEqual(expect.arrayContaining(["photo-together:a", "photo:c", "step:print"]));
  });

  it("are never twice on a day, neither alone nor in another print", () => {
    const shared = day(use("a", { together: withOthers("x") }), use("b"));
    const refused = (edit: DayEdit) => applyEdit(shared, edit, "ring");
    for (const edit of [
      put("b", "picture of b", "x"),
      put("b", "picture of b", "picture of a"),
      put("b", "picture of b", "picture of b"),
      put("b", "picture of b", "y", "y"),
      { kind: "add-photo", photo: use("d", { photoId: "x" }) },
      { kind: "photo-picture", id: "b", photoId: "x", picture: UNKNOWN_PICTURE },
    ] satisfies DayEdit[])
      expect(refused(edit)).toEqual({ ok: false, reason: "already-there" });
  });

  it("stay as private as any of them was alone, and no pattern is repeated over them", () => {
    const until = "2030-01-01" as CalendarDate;
    const repeat = { w: inches(2), h: inches(2) };
    const before = day(use("a", { repeat }), use("b", { privateUntil: until }));
    const { content } = edited(before, put("a", "picture of a", "picture of b"));
    expect(content.photos).toMatchObject([{ id: "a", privateUntil: until, repeat: null }]);
    const pattern = edited(content, { kind: "photo-repeat", id: "a", repeat });
    expect(pattern.content.photos).toMatchObject([{ repeat, together: null }]);
  });

  it("may change places and leave again; what was said of them goes with the first, and the border stays", () => {
    const border = inches(1 / 4);
    const shared = day(use("a", { alt: "Lanterns", crop: { ...AS_IT_COMES, border }, together: withOthers("x", "y") }));
    const turned = edited(shared, put("a", "y", "picture of a", "x")).content.photos[0];
    expect(turned).toMatchObject({ photoId: "y", alt: "Lanterns", crop: { border } });
    expect(turned?.together?.others.map(({ photoId }) => photoId)).toEqual(["picture of a", "x"]);
    expect(edited(shared, put("a", "x", "y")).content.photos[0]).toMatchObject({ photoId: "x", alt: "" });
    expect(edited(shared, put("a", "picture of a")).content.photos).toMatchObject([
      { photoId: "picture of a", alt: "Lanterns", together: null },
    ]);
  });

  it("are cropped one by one, and one that is in the print no more is told as gone", () => {
    const shared = day(use("a", { together: withOthers("x", "y") }));
    const crop = { ...AS_IT_COMES, closer: 200 };
    const { content } = edited(shared, { kind: "photo-together-crop", id: "a", photoId: "y", crop });
    expect(content.photos[0]?.together?.others.map((each) => each.crop.closer)).toEqual([100, 200]);
    expect(content.photos[0]?.crop).toEqual(AS_IT_COMES);
    expect(content.done).toEqual(["choose"]);
    expect(applyEdit(shared, { kind: "photo-together-crop", id: "a", photoId: "z", crop }, "ring")).toEqual({
      ...{ ok: false, reason: "piece-gone" },
    });
  });
});
