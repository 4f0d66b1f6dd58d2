import { PHOTO_SIDE } from "@scutch/contract";
import sharp from "sharp";

/** Only what a camera makes is ever decoded: nothing that could hold a script, a link or pages. */
sharp.block({ operation: ["VipsForeignLoad"] });
sharp.unblock({
  operation: ["VipsForeignLoadJpegBuffer", "VipsForeignLoadPngBuffer", "VipsForeignLoadWebpBuffer"],
});
sharp.cache(false);

/** A picture of more than this is not a photo of a floor but an attack on memory, pixels. */
const MAX_PIXELS = 60_000_000;
const QUALITY = 82;

export interface Picture {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/** One picture is decoded at a time: each takes some 200 MB while it lasts. */
let turn: Promise<unknown> = Promise.resolve();

/** {@link decode}, when its turn has come. */
export function readPicture(bytes: Buffer): Promise<Picture | undefined> {
  const decoded = turn.then(() => decode(bytes));
  turn = decoded;
  return decoded;
}

/**
 * Reads a JPEG, PNG or WebP by its content, and makes it afresh: upright, no larger than it is shown, as JPEG, with
 * nothing of what the camera wrote into it (place, time, device). undefined where it isn't such a picture.
 */
async function decode(bytes: Buffer): Promise<Picture | undefined> {
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: "error", pages: 1 })
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
