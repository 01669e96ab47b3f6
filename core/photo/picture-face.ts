import { type Frame, type PictureFace, type PictureFacts, type Spot, usablePixels, WHOLE } from "./crop.ts";

/** As many are marked at the most: in a larger crowd nobody is looked for. */
export const MOST_FACES = 40;
/** No box is narrower or lower than this share of its picture, in ten-thousandths. */
export const LEAST_FACE = 100;
/** A face marked by one press is as wide as this share of the picture's shorter side, and a third higher. */
const USUAL_FACE = 1 / 6;

const between = (low: number, value: number, high: number) => Math.min(high, Math.max(low, value));

/** A box within the picture, at least as large as any is. */
export function faceWithin({ x, y, w, h }: PictureFace): PictureFace {
  const [wide, high] = [w, h].map((each) => Math.round(between(LEAST_FACE, each, WHOLE))) as [number, number];
  return { x: Math.round(between(0, x, WHOLE - wide)), y: Math.round(between(0, y, WHOLE - high)), w: wide, h: high };
}

/** The face that one press marks: as large as the one marked before it, or as the usual. */
export function faceAround(spot: Spot, picture: PictureFacts, like: PictureFace | undefined): PictureFace {
  const { width, height } = usablePixels(picture);
  const side = Math.min(width, height) * USUAL_FACE;
  const { w, h } = like ?? { w: (side / width) * WHOLE, h: ((side * 4) / 3 / height) * WHOLE };
  return faceWithin({ x: spot.x - w / 2, y: spot.y - h / 2, w, h });
}

/** The face that two corners of it mark. */
export const faceFrom = (a: Spot, b: Spot): PictureFace =>
  faceWithin({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) });

/** The same about its middle, larger or smaller. */
export const faceScaled = ({ x, y, w, h }: PictureFace, by: number): PictureFace =>
  faceWithin({ x: x + (w - w * by) / 2, y: y + (h - h * by) / 2, w: w * by, h: h * by });

/** Which of the faces a press is on, the one marked last first; -1: none. */
export const faceAt = (faces: readonly PictureFace[], { x, y }: Spot): number =>
  faces.findLastIndex((face) => x >= face.x && y >= face.y && x <= face.x + face.w && y <= face.y + face.h);

/** A face in shares of its picture, as frames are. */
export const shareOf = ({ x, y, w, h }: PictureFace): Frame => ({
  x: x / WHOLE,
  y: y / WHOLE,
  w: w / WHOLE,
  h: h / WHOLE,
});

/** What of a face a frame shows, in shares of the picture; null: nothing. */
export function faceShown(face: PictureFace, frame: Frame): Frame | null {
  const { x, y, w, h } = shareOf(face);
  const [left, top] = [Math.max(x, frame.x), Math.max(y, frame.y)];
  const [right, bottom] = [Math.min(x + w, frame.x + frame.w), Math.min(y + h, frame.y + frame.h)];
  return right > left && bottom > top ? { x: left, y: top, w: right - left, h: bottom - top } : null;
}

/** Rounding of shares into ten-thousandths is nobody's loss. */
const HAIR = 1 / WHOLE;
const isWhole = (face: PictureFace, shown: Frame): boolean =>
  shown.w >= face.w / WHOLE - HAIR && shown.h >= face.h / WHOLE - HAIR;

/** The faces that a frame cuts through: neither wholly in it nor wholly outside. */
export const facesCut = (faces: readonly PictureFace[], frame: Frame): PictureFace[] =>
  faces.filter((face) => {
    const shown = faceShown(face, frame);
    return shown !== null && !isWhole(face, shown);
  });

/** Whether a frame shows all of every face. */
export const showsAll = (faces: readonly PictureFace[], frame: Frame): boolean =>
  faces.every((face) => {
    const shown = faceShown(face, frame);
    return shown !== null && isWhole(face, shown);
  });

/** A frame of the same size moved as little as need be to show every face whole; null where they do not go into it. */
export function frameWithFaces(faces: readonly PictureFace[], frame: Frame): Frame | null {
  if (faces.length === 0) return frame;
  const shares = faces.map(shareOf);
  const moved = (at: number, long: number, least: number, most: number) => between(most - long, at, least);
  const [left, top] = [Math.min(...shares.map(({ x }) => x)), Math.min(...shares.map(({ y }) => y))];
  const [right, bottom] = [Math.max(...shares.map(({ x, w }) => x + w)), Math.max(...shares.map(({ y, h }) => y + h))];
  if (right - left > frame.w || bottom - top > frame.h) return null;
  return { ...frame, x: moved(frame.x, frame.w, left, right), y: moved(frame.y, frame.h, top, bottom) };
}
