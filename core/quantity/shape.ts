import { z } from "zod";
import type { Metres, Share, SquareMetres } from "../units/units.ts";

const millimetres = z
  .number("give this size in millimetres")
  .gt(0, "a size must be more than 0 mm")
  .max(20_000, "a size over 20 m is not furniture");
const count = z.int("a whole number of pieces").min(1, "at least one").max(200, "200 of a kind at most");

/** The shape of a zone. Sizes in millimetres, as they are read off the tape. */
export const Shape = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("panel"), width: millimetres, height: millimetres, count }),
  z.strictObject({ kind: z.literal("frame"), width: millimetres, height: millimetres, member: millimetres, count }),
  z.strictObject({ kind: z.literal("disc"), diameter: millimetres, count }),
  z.strictObject({ kind: z.literal("leg"), diameter: millimetres, length: millimetres, count }),
  z.strictObject({ kind: z.literal("box"), width: millimetres, height: millimetres, depth: millimetres, count }),
]);
export type Shape = z.infer<typeof Shape>;
export type ShapeKind = Shape["kind"];

const ONE_SQUARE_METRE = 1e6;

function flatArea(shape: Shape): number {
  switch (shape.kind) {
    case "panel":
      return shape.width * shape.height;
    case "frame":
      return (
        shape.width * shape.height -
        Math.max(0, shape.width - 2 * shape.member) * Math.max(0, shape.height - 2 * shape.member)
      );
    case "disc":
      return (Math.PI / 4) * shape.diameter ** 2;
    case "leg":
      return Math.PI * shape.diameter * shape.length;
    case "box":
      return 2 * (shape.width * shape.height + shape.depth * shape.height) + shape.width * shape.depth;
  }
}

/** The largest of a shape's faces that is worked in one go, as a part of the whole shape: a frame is worked member by member. */
export function largestFace(shape: Shape): Share {
  const whole = flatArea(shape);
  switch (shape.kind) {
    case "frame":
      return (Math.max(shape.width, shape.height) * shape.member) / whole;
    case "box":
      return Math.max(shape.width * shape.height, shape.depth * shape.height, shape.width * shape.depth) / whole;
    default:
      return 1;
  }
}

/**
 * The surface to cover, in square metres: the shape's own area, times how many there are, times how many faces are
 * finished, times the carving factor (1 plain, about 1.1 moulded, 1.2 to 1.6 carved: common practice).
 * A box counts its four sides and its top, not its bottom; a leg counts its round, not its ends.
 * @example areaOf({ kind: "panel", width: 1000, height: 500, count: 1 }) // 0.5
 */
export function areaOf(shape: Shape, carving = 1, faces = 1): SquareMetres {
  return (flatArea(shape) * shape.count * carving * faces) / ONE_SQUARE_METRE;
}

/** Edges to be taped round all faces of a shape: outer edges, of a frame the inner ones too, of a leg both ends. */
export function perimeterOf(shape: Shape): Metres {
  const millimetresRound = (): number => {
    switch (shape.kind) {
      case "panel":
        return 2 * (shape.width + shape.height);
      case "frame":
        return (
          2 * (shape.width + shape.height) +
          2 * (Math.max(0, shape.width - 2 * shape.member) + Math.max(0, shape.height - 2 * shape.member))
        );
      case "disc":
        return Math.PI * shape.diameter;
      case "leg":
        return 2 * Math.PI * shape.diameter;
      case "box":
        return 2 * (shape.width + shape.depth);
    }
  };
  return (millimetresRound() * shape.count) / 1000;
}
