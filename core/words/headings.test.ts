import { describe, expect, it } from "vitest";
import { headingsIn, isWritten, underHeadings } from "./headings.ts";

describe("a prompt with parts", () => {
  it("has the few words of each line as headings, and the sentence over them is none", () => {
    expect(headingsIn("Three things from this minute.\nSeen\nHeard:\n\nTasted")).toEqual(["Seen", "Heard:", "Tasted"]);
    expect(headingsIn("Count one kind of thing tonight, and say who else might be counting.")).toEqual([]);
    expect(headingsIn("A sound\nSay who made it, and from where you heard it first.")).toEqual([]);
  });

  it("gives a card that is written once something stands under them", () => {
    const headings = ["Seen", "Heard:"];
    const card = underHeadings(headings);
    expect(card).toBe("Seen\n\nHeard:\n");
    expect(isWritten(card, headings)).toBe(false);
    expect(isWritten("Seen\nIce\n\nHeard:\n", headings)).toBe(true);
    expect(isWritten("", [])).toBe(false);
    expect(isWritten("Seen", [])).toBe(true);
  });
});
