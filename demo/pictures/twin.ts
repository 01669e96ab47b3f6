import sharp from "sharp";

/** The same picture taken a moment later from half a step aside, a little shaken; its camera's notes stay. */
export async function twinOf(jpeg: Buffer): Promise<Buffer> {
  const { width, height } = await sharp(jpeg).metadata();
  return sharp(jpeg)
    .extract({ left: 14, top: 9, width: width - 40, height: height - 30 })
    .blur(2.2)
    .keepMetadata()
    .jpeg({ quality: 86 })
    .toBuffer();
}

/** The same picture without any of the camera's notes, as it comes out of somebody's message. */
export const withoutNotes = (jpeg: Buffer): Promise<Buffer> =>
  sharp(jpeg).autoOrient().jpeg({ quality: 80 }).toBuffer();
