import { expect, it } from "vitest";
import { writerOf } from "./view.ts";

it("who wrote a jotting is said where more than one writes in the album, and nowhere else", () => {
  const several = writerOf(
    new Map([
      ["a", "Petra"],
      ["b", "Quill"],
    ]),
  );
  expect(["a", "b", "unknown"].map(several)).toEqual(["Petra", "Quill", null]);
  expect(writerOf(new Map([["a", "Petra"]]))("a")).toBeNull();
});
