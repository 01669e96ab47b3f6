import { expect, it } from "vitest";
import { wantsDayAndNight } from "./daylight.ts";

it.each([
  ["One view by day and by night", true],
  ["The slip at night, and the same by day.", true],
  ["The window in daylight, then in the dark", true],
  ["A day at the fair. The night was cold.", false],
  ["Counting lit windows", false],
  ["Every day this week, as long as there is light enough to see what the night left", false],
  ["Today's knight", false],
])("“%s” asks for one view by day and by night: %s", (text, wanted) => {
  expect(wantsDayAndNight(["", text])).toBe(wanted);
});
