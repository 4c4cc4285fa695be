import { createHash } from "node:crypto";
import { LRUCache } from "lru-cache";
import sharp from "sharp";
import { measurePhoto } from "#core/photo/measure";
import { PieceOnPhoto } from "#core/photo/on-photo";
import { photoSteps } from "#core/photo/steps";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { stepAt, worksOf, zonesShown } from "~/photo/ready";

const QUALITY = 88;
/** Photos kept as they were painted, pixel by pixel; the one not requested for longest goes first. */
const MOST_KEPT = 4;

interface Painted {
  width: number;
  height: number;
  before: Buffer;
  after: Buffer;
}
const kept = new LRUCache<string, Painted>({ max: MOST_KEPT });

/** What a picture depends on: the marks, the pieces, their crusts, the materials, the air, the step. Null without such a photo. */
export function onPhotoKey(plan: Plan, params: URLSearchParams): string | null {
  const marks = plan.photos?.find(({ id }) => id === params.get("photo"));
  if (!marks) return null;
  const { start, pieces, crusts, pinned, done } = plan;
  return createHash("sha256")
    .update(JSON.stringify([marks, start, pieces, crusts, pinned, done, [...params].sort()]))
    .digest("base64url");
}

const WIDTHS = { least: 200, most: 1600 } as const;

/** How wide the photo is taken, in pixels: as it is kept, unless less will do. */
function widthOf(params: URLSearchParams): number {
  const asked = Number(params.get("width") ?? WIDTHS.most);
  return Number.isFinite(asked) ? Math.round(Math.min(WIDTHS.most, Math.max(WIDTHS.least, asked))) : WIDTHS.most;
}

/** The gap between before and after, in pixels. */
const GAP = 16;

/** The photo as it is and with the finish on it. The same work is painted once, whichever picture is made of it. */
async function paintedPhoto(plan: Plan, jpeg: Buffer, params: URLSearchParams): Promise<Painted> {
  const alone = new URLSearchParams(params);
  alone.delete("both");
  const key = onPhotoKey(plan, alone)!;
  const known = kept.get(key);
  if (known) return known;
  const marks = plan.photos!.find(({ id }) => id === params.get("photo"))!;
  const { data, info } = await sharp(jpeg)
    .resize(widthOf(params), null, { withoutEnlargement: true })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const shown = zonesShown(marks, judgementOf(plan));
  const steps = photoSteps(shown);
  const { counts } = steps[stepAt(params, steps)]!;
  const zones = new Map(worksOf(shown).map((work) => [work.zone.id, work]));
  const photo = { width, height, data: new Uint8ClampedArray(data) };
  const piece = new PieceOnPhoto(photo, marks, measurePhoto(marks), zones);
  const painted = { width, height, before: data, after: Buffer.from(piece.picture(counts, marks.lighter).buffer) };
  kept.set(key, painted);
  return painted;
}

/**
 * The finish on a photo of the piece as JPEG, for pages without scripts, for the quote and for the customer; with `both`, the
 * photo as it was beside it.
 */
export async function onPhotoJpeg(plan: Plan, jpeg: Buffer, params: URLSearchParams): Promise<Buffer> {
  const { width, height, before, after } = await paintedPhoto(plan, jpeg, params);
  const raw = { width, height, channels: 4 as const };
  const made = params.has("both")
    ? sharp({ create: { width: 2 * width + GAP, height, channels: 3, background: "#ffffff" } }).composite([
        { input: before, raw, left: 0, top: 0 },
        { input: after, raw, left: width + GAP, top: 0 },
      ])
    : sharp(after, { raw }).removeAlpha();
  return made.jpeg({ quality: QUALITY }).toBuffer();
}
