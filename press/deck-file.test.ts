import { describe, expect, it } from "vitest";
import { DECKS } from "../core/words/decks.ts";
import { readDeckFile, writeDeckFile } from "./deck-file.ts";

const bytes = (text: string) => new TextEncoder().encode(text);
const texts = (read: ReturnType<typeof readDeckFile>) => read.slips.map(({ text }) => text);

describe("a deck's file", () => {
  it("written out is read back, as a table and as plain text", () => {
    for (const { slips } of DECKS)
      for (const ending of ["csv", "txt"] as const) {
        const read = readDeckFile(`deck.${ending}`, bytes(writeDeckFile(ending, slips)));
        expect(read).toEqual({
          encoding: "utf-8",
          troubles: [],
          head: ending === "csv" ? "text, kind, on" : null,
          slips: slips.map(({ text, kind, on }) => ({ text, kind, on })),
        });
      }
  });

  it("is read whatever its letters are written in, and says when that was a guess", () => {
    const utf16 = new Uint8Array([0xff, 0xfe, ...[..."Café"].flatMap((letter) => [letter.charCodeAt(0), 0])]);
    expect(texts(readDeckFile("a.txt", utf16))).toEqual(["Café"]);
    const windows = new Uint8Array([..."Caf"].map((letter) => letter.charCodeAt(0)).concat(0xe9, 0x96));
    expect(readDeckFile("a.txt", windows)).toMatchObject({ encoding: "guessed", slips: [{ text: "Café–" }] });
    expect(readDeckFile("a.txt", bytes("\uFEFFCafé"))).toMatchObject({ encoding: "utf-8", slips: [{ text: "Café" }] });
  });

  it("is taken for a table by its name or its head, with its columns in any order and semicolons between", () => {
    const read = readDeckFile("month.csv", bytes('kind;prompt;on\r\nboat;"The list; as it is";Mon Thu\r\n'));
    expect(read.slips).toEqual([{ text: "The list; as it is", kind: "boat", on: { kind: "weekdays", days: [1, 4] } }]);
    expect(texts(readDeckFile("pasted", bytes("prompt,kind\nOne,a\nTwo,b")))).toEqual(["One", "Two"]);
    expect(texts(readDeckFile("empty.csv", bytes("")))).toEqual([]);
    expect(texts(readDeckFile("noise.txt", new Uint8Array([0, 1, 2, 10, 65])))).toContain("A");
  });
});

describe("the head of a deck", () => {
  const read = (name: string, text: string) => readDeckFile(name, bytes(text));
  it("is none in plain text: a line that is called like a column is a slip like any other", () => {
    for (const first of ["prompt", "text", "on", "Kind", "text | kind"]) {
      const { slips, head } = read("deck.txt", `${first}\nA bell\n`);
      expect([slips.length, head], first).toEqual([2, null]);
    }
    expect(texts(read("pasted", "Text, please\nA bell"))).toEqual(["Text, please", "A bell"]);
  });

  it("is the first line of a table where it holds names of columns and nothing else, and is said", () => {
    expect(read("deck.csv", "text,kind,on\nA bell,,\n")).toMatchObject({
      head: "text, kind, on",
      slips: [{ text: "A bell" }],
    });
    expect(read("deck.csv", "prompt\nA bell\n")).toMatchObject({ head: "prompt", slips: [{ text: "A bell" }] });
    expect(read("deck.csv", "text,of the day\nA bell,\n").head).toBeNull();
    expect(read("deck.csv", "kind,on\nA bell,\n").head).toBeNull();
    expect(read("deck.csv", "text,text\nA bell,\n").head).toBeNull();
  });

  it("and slips that begin like a formula go out guarded and come back as they were", () => {
    const slips = ["=SUM(A1)", "+ a bell", "- a gull", "@noon", "'=quoted", "''", "plain"].map((text) => ({
      text,
      kind: "",
      on: { kind: "any" as const },
    }));
    const file = writeDeckFile("csv", slips);
    for (const line of file.replace(/^\uFEFF/, "").split("\r\n")) expect(line).not.toMatch(/^"?[=+\-@]/);
    expect(readDeckFile("a.csv", bytes(file)).slips).toEqual(slips);
  });
});
