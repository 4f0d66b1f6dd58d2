import { PHOTO_SIDE } from "@scutch/contract";
import { Semaphore, withTimeout } from "async-mutex";
import sharp from "sharp";
import { ApiFailure } from "../../failures.ts";

/** Only what a camera makes is ever decoded: nothing that could hold a script, a link or pages. */
sharp.block({ operation: ["VipsForeignLoad"] });
sharp.unblock({
  operation: ["VipsForeignLoadJpegFile", "VipsForeignLoadPngFile", "VipsForeignLoadWebpFile"],
});
sharp.cache(false);

/** A picture of more than this is not a photo of a floor but an attack on memory, pixels. Devices send at most PHOTO_SIDE each way. */
const MAX_PIXELS = 40_000_000;
const QUALITY = 82;
/** What a pixel takes while a picture is decoded, bytes: four samples, twice over on their way. As measured, beside 150 MB for the decoder. */
const BYTES_PER_PIXEL = 8;
const megabytes = (pixels: number) => Math.ceil((pixels * BYTES_PER_PIXEL) / 1e6);
/** What all pictures being decoded may take together, MB: one of the largest, or three of a phone's. */
const MEMORY = megabytes(MAX_PIXELS);
/** A picture waits this long for its turn, ms. */
const PATIENCE = 45_000;

const memory = withTimeout(new Semaphore(MEMORY), PATIENCE, new ApiFailure("unavailable"));

export interface Picture {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/**
 * Reads a JPEG, PNG or WebP by its content, and makes it again: upright, no larger than it is shown, as JPEG, with nothing of what the
 * camera wrote into it (place, time, device). undefined where it isn't such a picture. It waits until there is memory for it; throws
 * unavailable when that takes too long.
 */
export async function readPicture(file: string): Promise<Picture | undefined> {
  const size = await sizeOf(file);
  if (!size || size.width * size.height > MAX_PIXELS) return undefined;
  return memory.runExclusive(() => decode(file), megabytes(size.width * size.height));
}

/** Width and height by a picture's first bytes, pixels; undefined: it is none, or none of a camera, which has 8 bits a sample. */
async function sizeOf(
  file: string,
): Promise<{ readonly width: number; readonly height: number } | undefined> {
  try {
    const { width, height, depth } = await sharp(file, { limitInputPixels: MAX_PIXELS }).metadata();
    return depth === "uchar" ? { width, height } : undefined;
  } catch {
    return undefined;
  }
}

async function decode(file: string): Promise<Picture | undefined> {
  try {
    const { data, info } = await sharp(file, { limitInputPixels: MAX_PIXELS, failOn: "error", pages: 1 })
      .rotate()
      .resize({ width: PHOTO_SIDE, height: PHOTO_SIDE, fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch {
    // Whatever the decoder says of it, to the sender it is the same: not a picture.
    return undefined;
  }
}
