import sharp from "sharp";

/** Bytes of a photo as it comes from the camera. */
export const PHOTO_BYTES = 8_000_000;
const MOST_PIXELS = 40_000_000;
const LONGEST_SIDE = 1600;
const QUALITY = 84;
/** What a camera or a phone writes. Drawings and documents that run as programs are not among them. */
const FORMATS: ReadonlySet<string> = new Set(["jpeg", "png", "webp", "avif", "heif", "tiff"]);

export type ReadPhoto = { ok: true; jpeg: Buffer; width: number; height: number } | { ok: false; says: string };

const refused = (says: string): ReadPhoto => ({ ok: false, says });

/**
 * A photo made safe to keep: decoded, turned upright, made smaller, and written again as JPEG without the camera's
 * notes on place and time. Anything that is not a photo comes back as a sentence that says what to do.
 */
export async function readPhoto(file: unknown): Promise<ReadPhoto> {
  if (!(file instanceof File) || file.size === 0) return refused("Choose a photo first.");
  if (file.size > PHOTO_BYTES)
    return refused(
      `This photo is ${(file.size / 1e6).toFixed(1)} MB; the limit is ${PHOTO_BYTES / 1e6} MB. Save it smaller.`,
    );
  const bytes = Buffer.from(await file.arrayBuffer());
  try {
    const { format, width = 0, height = 0 } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!format || !FORMATS.has(format))
      return refused("This is not a photo. Choose a JPEG, PNG, WebP, AVIF, HEIF or TIFF file.");
    if (width * height > MOST_PIXELS)
      return refused(
        `This photo has ${Math.round((width * height) / 1e6)} megapixels; the limit is ${MOST_PIXELS / 1e6}. Save it smaller.`,
      );
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error", pages: 1 })
      .rotate()
      .flatten({ background: "#ffffff" })
      .resize(LONGEST_SIDE, LONGEST_SIDE, { fit: "inside", withoutEnlargement: true })
      .toColourspace("srgb")
      .jpeg({ quality: QUALITY, mozjpeg: false })
      .toBuffer({ resolveWithObject: true });
    return { ok: true, jpeg: data, width: info.width, height: info.height };
  } catch {
    return refused(
      "This file cannot be read as a photo. It may be incomplete, or another kind of file with a photo's name.",
    );
  }
}
