import { z } from "zod";
import { plainName } from "../units/plain-text.ts";

/** Bounds of what is marked on photos of a piece. */
export const PHOTO_MARKS = { photos: 8, faces: 40, lengths: 12, across: 8, millimetres: 20_000 } as const;

const PhotoId = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most");

/** A corner may lie outside the picture, where the piece is cut off by it. */
const Part = z
  .number()
  .min(-1, "a corner lies no further from the photo than the photo is wide")
  .max(2, "a corner lies no further from the photo than the photo is wide");
/** From the left and from the top of a photo, as parts of its width and height. */
export const PhotoPoint = z.tuple([Part, Part]);
export type PhotoPoint = z.infer<typeof PhotoPoint>;

/** Which way a face of the piece looks: forwards, to a side, or up. */
export const LOOKS = ["front", "side", "top"] as const;
export type Looks = (typeof LOOKS)[number];

/** A face of the piece on a photo: a grid of points on it, of one cell with four corners where the face is flat. */
export const PhotoFace = z
  .strictObject({
    id: PhotoId,
    zoneId: PhotoId.optional().describe("the zone that it shows; none yet where it is to become one"),
    name: plainName(80),
    looks: z.enum(LOOKS),
    across: z.int().min(1).max(PHOTO_MARKS.across).describe("cells from left to right; more than one on a bowed front"),
    down: z.int().min(1).max(PHOTO_MARKS.across).describe("cells from top to bottom"),
    points: z.array(PhotoPoint).describe("row by row from the upper left as one looks at the face"),
    asItIs: z.boolean().optional().describe("stays as the photo shows it, over the faces behind it: a handle, a glass"),
    opening: z
      .array(PhotoPoint)
      .length(4)
      .optional()
      .describe("corners of the opening of a frame, from the upper left"),
  })
  .refine(({ points, across, down }) => points.length === (across + 1) * (down + 1), {
    path: ["points"],
    message: "a face has a point at every corner of its cells",
  });
export type PhotoFace = z.infer<typeof PhotoFace>;

/** A length that was measured with a tape: between two places on one face. */
export const KnownLength = z.strictObject({
  faceId: PhotoId,
  from: PhotoPoint,
  to: PhotoPoint,
  millimetres: z
    .number()
    .gt(0, "a length is more than nothing")
    .max(PHOTO_MARKS.millimetres, `a length is ${PHOTO_MARKS.millimetres} mm at most`),
});
export type KnownLength = z.infer<typeof KnownLength>;

/** What is marked on a photo of the piece. */
export const PiecePhoto = z
  .strictObject({
    id: PhotoId.describe("the photo's own id, where it is kept"),
    width: z.int().min(1).max(20_000).describe("pixels"),
    height: z.int().min(1).max(20_000).describe("pixels"),
    faces: z.array(PhotoFace).max(PHOTO_MARKS.faces, `${PHOTO_MARKS.faces} faces at most can be marked on a photo`),
    known: z.array(KnownLength).max(PHOTO_MARKS.lengths, `${PHOTO_MARKS.lengths} lengths at most can be marked`),
    lighter: z.number().min(-1).max(1).optional().describe("how much lighter the finish is shown, in stops"),
  })
  .superRefine(({ faces, known }, context) => {
    const ids = new Set(faces.map(({ id }) => id));
    if (ids.size < faces.length)
      context.addIssue({ code: "custom", path: ["faces"], message: "two faces have the same id" });
    known.forEach(({ faceId }, index) => {
      if (!ids.has(faceId))
        context.addIssue({
          code: "custom",
          path: ["known", index],
          message: `there is no face "${faceId}" on this photo`,
        });
    });
  });
export type PiecePhoto = z.infer<typeof PiecePhoto>;
