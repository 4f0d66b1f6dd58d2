import { PHOTO_SIDE } from "@scutch/contract";

const QUALITY = 0.85;

/**
 * A picture from the camera made small enough to send over a poor line: upright, its longer side 1600 px, JPEG, with
 * nothing of where it was taken. undefined where the file isn't a picture this device can read.
 */
export async function smallPicture(file: Blob): Promise<Blob | undefined> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: "from-image" });
  } catch {
    return undefined;
  }
  const scale = Math.min(1, PHOTO_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? undefined), "image/jpeg", QUALITY));
}
