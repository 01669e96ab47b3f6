import { existsSync, readFileSync } from "node:fs";
import path from "node:path";
import { paint, type Sitting } from "./pictures/paint.ts";
import { twinOf } from "./pictures/twin.ts";

/** A picture in the simulated phone. `twin` is taken a moment after the one before it and a little shaken. */
type Shot =
  | { readonly kind: "painted"; readonly name: string; readonly sitting: Sitting; readonly twin: boolean }
  | { readonly kind: "file"; readonly name: string; readonly file: string };

const shot = (name: string, sitting: Sitting, twin = false): Shot => ({ kind: "painted", name, sitting, twin });

const TOWER: Sitting = { subject: "signalTower", seed: 61, light: "night", at: "2026-12-09T16:58:10", place: true };
const WINDOWS: Sitting = { subject: "litWindows", seed: 62, light: "dusk", at: "2026-12-09T16:31:40" };

/**
 * The stand-in for a phone: what its camera took on the ninth, in the kinds of file phones write. Its pictures are handed
 * over through the same door as any other.
 */
const SHOTS: readonly Shot[] = [
  { kind: "file", name: "IMG_0901.HEIC", file: "loaves.heic" },
  shot("IMG_0902.JPG", WINDOWS),
  shot("IMG_0903.JPG", { ...WINDOWS, at: "2026-12-09T16:31:58" }, true),
  shot("IMG_0904.JPG", {
    subject: "frostNets",
    seed: 63,
    light: "dawn",
    at: "2026-12-09T08:20:05",
    shape: "upright",
    sideways: true,
  }),
  shot("IMG_0905.JPG", { subject: "slipRail", seed: 64, light: "day", at: "2026-12-09T12:02:44" }),
  shot("IMG_0906.JPG", TOWER),
  shot("IMG_0907.JPG", { ...TOWER, at: "2026-12-09T16:58:31" }, true),
  shot("IMG_0908.JPG", { subject: "parcels", seed: 65, light: "dusk", at: "2026-12-09T15:49:20", shape: "upright" }),
];

export const PHONE_NAMES: readonly string[] = SHOTS.map(({ name }) => name);

const MIME = { HEIC: "image/heic", JPG: "image/jpeg" } as const;
const made = new Map<number, Promise<Buffer>>();

/** A file that ships beside this one, whether this runs as it stands or built into the server. */
function shipped(file: string): string {
  const places = ["phone", "../../../demo/phone"].map((folder) => path.resolve(import.meta.dirname, folder, file));
  return places.find(existsSync) ?? file;
}

async function make(shot: Shot): Promise<Buffer> {
  if (shot.kind === "file") return readFileSync(shipped(shot.file));
  const painted = await paint(shot.sitting);
  return shot.twin ? twinOf(painted) : painted;
}

/** One of the phone's pictures as its file; null when it has none of that number. Made when first asked for. */
export async function phonePicture(at: number): Promise<{ name: string; mime: string; bytes: Buffer } | null> {
  const shot = SHOTS[at];
  if (!shot) return null;
  const bytes = made.get(at) ?? make(shot);
  made.set(at, bytes);
  const ending = shot.name.split(".").at(-1) === "HEIC" ? "HEIC" : "JPG";
  return { name: shot.name, mime: MIME[ending], bytes: await bytes };
}
