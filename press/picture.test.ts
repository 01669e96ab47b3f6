import { crc32 } from "node:zlib";
import exifr from "exifr";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { MOST_BYTES } from "../core/photo/roll.ts";
import { readPicture } from "./picture.ts";
import { withoutPlace } from "./place.ts";

const plain = (width = 60, height = 40) => sharp({ create: { width, height, channels: 3, background: "#b8451b" } });
const PLACE = {
  IFD2: { DateTimeOriginal: "2026:12:09 17:48:00" },
  IFD3: { GPSLatitudeRef: "N", GPSLatitude: "54/1 36/1 0/1", GPSLongitudeRef: "W", GPSLongitude: "3/1 12/1 0/1" },
};
const readReason = async (bytes: Buffer) => {
  const read = await readPicture(bytes, "a picture");
  return read.ok ? "read" : read.reason;
};

describe("a picture handed in", () => {
  it("is refused, with the reason, when it is no picture, breaks off, or is too large", async () => {
    const jpeg = await plain(600, 400).jpeg().toBuffer();
    expect(await readReason(Buffer.from("not a picture at all"))).toBe("not-a-picture");
    expect(await readReason(Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"))).toBe("not-a-picture");
    expect(await readReason(await plain().gif().toBuffer())).toBe("not-a-picture");
    expect(await readReason(jpeg.subarray(0, jpeg.length - 700))).toBe("damaged");
    expect(await readReason(jpeg.subarray(0, 20))).toBe("damaged");
    expect(await readReason(Buffer.alloc(MOST_BYTES + 1))).toBe("too-large");
  });

  it("is refused from its header when it would unpack to more than 120 megapixels", async () => {
    const png = await plain(16, 16).png().toBuffer();
    const bomb = Buffer.from(png);
    bomb.writeUInt32BE(30_000, 16);
    bomb.writeUInt32BE(30_000, 20);
    bomb.writeUInt32BE(crc32(bomb.subarray(12, 29)), 29);
    const before = process.memoryUsage().rss;
    expect(await readReason(bomb)).toBe("too-many-pixels");
    expect(process.memoryUsage().rss - before).toBeLessThan(200 * 1024 * 1024);
  });

  it("gets versions no larger than itself, and none with the camera's notes", async () => {
    const bytes = await plain(700, 300).withExif(PLACE).jpeg().toBuffer();
    const read = await readPicture(bytes, "a.jpg");
    if (!read.ok) throw new Error(read.reason);
    expect(read.photo).toMatchObject({
      width: 700,
      height: 300,
      capturedAt: "2026-12-09T17:48:00",
      hasPlace: true,
      mime: "image/jpeg",
    });
    const sizes = await Promise.all(read.photo.versions.map(({ bytes: version }) => sharp(version).metadata()));
    expect(sizes.map(({ width, height }) => [width, height])).toEqual([
      [700, 300],
      [480, 206],
      [96, 41],
    ]);
    for (const version of sizes) expect(version.exif ?? version.xmp).toBeUndefined();
  });

  it("brings the words somebody wrote into it, however they are kept there, and none that only the camera wrote", async () => {
    const said = async (bytes: Buffer) => {
      const read = await readPicture(bytes, "a.jpg");
      if (!read.ok) throw new Error(read.reason);
      return read.photo.ownWords;
    };
    const described = (ImageDescription: string) => plain().withExif({ IFD0: { ImageDescription } });
    expect(await said(await plain().jpeg().toBuffer())).toBe("");
    expect(await said(await described("  Ice on the rail. ").jpeg().toBuffer())).toBe("Ice on the rail.");
    expect(await said(await described("Ice on the rail.").webp().toBuffer())).toBe("Ice on the rail.");
    for (const written of ["SOME MAKER DIGITAL CAMERA", "ANOTHER DSC", "Screenshot"])
      expect(await said(await described(written).jpeg().toBuffer())).toBe("");
    // Exif 2.32: a comment with its alphabet before it. XMP specification part 1: a description in several tongues.
    const comment = { IFD2: { UserComment: "Gulls on the ice." } };
    expect(await said(await plain().withExif(comment).jpeg().toBuffer())).toBe("Gulls on the ice.");
    const rdf = "http://www.w3.org/1999/02/22-rdf-syntax-ns#";
    const xmp = `<?xpacket begin="" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="${rdf}"><rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:description><rdf:Alt><rdf:li xml:lang="x-default">The tide was late.</rdf:li></rdf:Alt></dc:description></rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="w"?>`;
    expect(await said(await plain().withXmp(xmp).jpeg().toBuffer())).toBe("The tide was late.");
  });

  it("has no date when the camera wrote none, or a date that no calendar has", async () => {
    for (const DateTimeOriginal of ["0000:00:00 00:00:00", "2026:13:40 10:00:00", "    :  :     :  :  "]) {
      const read = await readPicture(await plain().withExif({ IFD2: { DateTimeOriginal } }).jpeg().toBuffer(), "a.jpg");
      expect(read.ok && read.photo.capturedAt).toBeNull();
    }
  });
});

describe("taking the place out of a picture", () => {
  it.each(["jpeg", "png", "webp"] as const)("leaves every pixel and the date of a %s, and no place", async (kind) => {
    const bytes = await plain(90, 60)
      .withExif(PLACE)
      .withXmp('<x:xmpmeta xmlns:x="adobe:ns:meta/"><place>54.6 N</place></x:xmpmeta>')
      [kind]()
      .toBuffer();
    const mime = `image/${kind}` as const;
    const cleaned = withoutPlace(bytes, mime);
    const [was, is] = [await readPicture(bytes, "a"), await readPicture(cleaned, "a")];
    if (!was.ok || !is.ok) throw new Error("a cleaned picture can be read");
    expect(was.photo.hasPlace).toBe(true);
    expect(is.photo).toMatchObject({ hasPlace: false, capturedAt: "2026-12-09T17:48:00", width: 90, height: 60 });
    expect(cleaned.includes("54.6 N")).toBe(false);
    expect(await sharp(cleaned).raw().toBuffer()).toEqual(await sharp(bytes).raw().toBuffer());
    if (kind === "jpeg") expect(await exifr.gps(cleaned).catch(() => undefined)).toBeFalsy();
  });
});
