import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import type { Mark } from "../core/draw/marks.ts";
import { inches, millimetres } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { LETTER } from "../core/measure/sheets.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import { documentPdf, pageSvg, pdfPieces } from "./document.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-sheet-"));
const camera = () =>
  sharp({ create: { width: 3000, height: 2000, channels: 3, background: "#b8451b" } })
    .withExif({
      IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1", GPSLongitudeRef: "W", GPSLongitude: "3/1 12/1 0/1" },
    })
    .jpeg()
    .toBuffer();
const words = (text: string, typeface: "numeral" | "typed" | "plain" = "plain"): Mark => ({
  kind: "text",
  x: inches(1),
  y: inches(1),
  text,
  typeface,
  size: millimetres(5),
});
const sheet = (...marks: Mark[]) => ({ title: "A sheet", paper: LETTER, marks });
const nothing = async () => null;
const WIDE = { crop: AS_IT_COMES, picture: { ...UNKNOWN_PICTURE, width: 3000, height: 2000 } };

async function textOf(...marks: Mark[]): Promise<string> {
  const file = path.join(folder, "words.pdf");
  writeFileSync(file, await documentPdf({ title: "A sheet", pages: [sheet(...marks)] }, nothing, new Date(0)));
  return execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" }).trim();
}

describe("a sheet as PDF", () => {
  it("has its words as text another program reads, accents and quotes too, in every face", async () => {
    for (const face of ["plain", "typed", "numeral"] as const)
      expect(await textOf(words("Gran’s café, “Łódź” 12", face))).toBe("Gran’s café, “Łódź” 12");
  });

  it("says small fractions and the inch mark in signs the typeface has, and never an empty box", async () => {
    expect(await textOf(words("4¹⁄₁₆″"))).toBe('4 1/16"');
    expect(await textOf(words("fog 🌫 bell", "typed"))).toBe("fog ? bell");
  });

  it("holds each print at 300 pixels an inch at most, without the camera's place, and once however often it is used", async () => {
    const bytes = await camera();
    const at = rect(0, 0, inches(6), inches(4));
    const picture: Mark = { kind: "picture", photoId: "p", alt: "", ...WIDE, at, shown: at };
    let asked = 0;
    const file = path.join(folder, "print.pdf");
    const page = sheet(picture, {
      kind: "group",
      x: inches(1),
      y: inches(5),
      turn: 1,
      w: inches(6),
      h: inches(4),
      marks: [picture],
    });
    const pdf = await documentPdf(
      { title: "A sheet", pages: [page] },
      async () => {
        asked += 1;
        return { bytes, mime: "image/jpeg" };
      },
      new Date(0),
    );
    writeFileSync(file, pdf);
    expect(asked).toBe(1);
    const [, , first = "", second = ""] = execFileSync("pdfimages", ["-list", file], { encoding: "utf8" })
      .trim()
      .split("\n");
    expect(first.split(/\s+/).filter(Boolean).slice(3, 5)).toEqual(["1800", "1200"]);
    expect(second.split(/\s+/).filter(Boolean).slice(3, 5)).toEqual(["1800", "1200"]);
    expect(pdf.includes(Buffer.from("GPS"))).toBe(false);
  });

  it("leaves out a picture whose bytes are gone and draws the rest", async () => {
    const at = rect(0, 0, inches(6), inches(4));
    expect(
      await textOf({ kind: "picture", photoId: "gone", alt: "", ...WIDE, at, shown: at }, words("still here")),
    ).toBe("still here");
  });
});

describe("a sheet as SVG", () => {
  it("holds its pictures inside it, so that it is whole wherever it is taken", async () => {
    const bytes = await camera();
    const at = rect(0, 0, inches(2), inches(2));
    const svg = await pageSvg(
      sheet({ kind: "picture", photoId: "p", alt: "Nets", ...WIDE, at, shown: at }, words("<words>")),
      async () => ({ bytes, mime: "image/jpeg" }),
    );
    expect(svg).toContain('href="data:image/jpeg;base64,');
    expect(svg).toContain("&#60;words&#62;");
    const { width, height } = await sharp(Buffer.from(svg)).metadata();
    expect(width / height).toBeCloseTo(8.5 / 11, 2);
  });
});

describe("a document of several pages", () => {
  const picture = (photoId: string): Mark => {
    const at = rect(0, 0, inches(1), inches(1));
    return { kind: "picture", photoId, alt: "", ...WIDE, at, shown: at };
  };
  const pages = ["one", "two", "three"].map((id) => sheet(picture(id)));

  it("makes a page when those before it are taken, tells how far it is, and ends where nobody takes any more", async () => {
    const bytes = await camera();
    const asked: string[] = [];
    const far: number[] = [];
    const stop = new AbortController();
    const bytesOf = async (id: string) => {
      asked.push(id);
      return { bytes, mime: "image/jpeg" as const };
    };
    const progress = (done: number, whole: number) => void far.push(done / whole);
    const pieces = pdfPieces({ title: "Three", pages }, bytesOf, new Date(0), { progress, signal: stop.signal });
    await pieces.next();
    expect(asked).toEqual(["one"]);
    while (asked.length < 2) await pieces.next();
    expect(far).toEqual([1 / 3, 2 / 3]);
    stop.abort();
    await expect(
      (async () => {
        for (;;) if ((await pieces.next()).done) return;
      })(),
    ).rejects.toThrow();
    expect(asked).toEqual(["one", "two"]);
  });

  it("is one PDF with all of them, the same in pieces as at once", async () => {
    const bytes = await camera();
    const bytesOf = async () => ({ bytes, mime: "image/jpeg" as const });
    const file = path.join(folder, "three.pdf");
    writeFileSync(file, await documentPdf({ title: "Three", pages }, bytesOf, new Date(0)));
    expect(execFileSync("pdfinfo", [file], { encoding: "utf8" })).toMatch(/Title:\s+Three[\s\S]*Pages:\s+3/);
  });
});
