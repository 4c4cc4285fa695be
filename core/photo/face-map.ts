import type { PhotoFace, PhotoPoint, PiecePhoto } from "../plan/photo-marks.ts";
import {
  areaRound,
  back,
  type Corners,
  cornerFault,
  type Homography,
  mapped,
  toCorners,
  type XY,
} from "./homography.ts";

/** One cell of a face: flat, with the map that takes the unit square onto it in the photo. */
export interface Cell {
  corners: Corners;
  map: Homography;
  back: Homography;
}

/** A face of the piece as it lies in the photo, cell by cell. */
export interface FaceMap {
  face: PhotoFace;
  /** rows from the top, cells from the left */
  cells: readonly (readonly Cell[])[];
  /** how much of the photo it takes up, with the photo's longer side as 1 */
  area: number;
}

/** Size of what marks are counted on. */
type Size = Pick<PiecePhoto, "width" | "height">;

/** A mark as a place from the middle of the photo, where its longer side is 1: so the middle of the lens is nought. */
export const centred = ({ width, height }: Size, [x, y]: PhotoPoint): XY => {
  const longest = Math.max(width, height);
  return [((x - 0.5) * width) / longest, ((y - 0.5) * height) / longest];
};

const FAULTS: Record<NonNullable<ReturnType<typeof cornerFault>>, string> = {
  crossed: "Its corners cross: two of its edges run through each other. Drag the corners back into their order.",
  dented: "One of its corners lies inside the other three. Drag it outwards to the corner of the face.",
  mirrored: "Its corners run the wrong way round. Begin at the upper left and go on to the right.",
  flat: "Three of its corners lie in a line. Drag them apart to the corners of the face.",
};

/** The cells of a face, or what is wrong with its corners in a sentence. */
export function faceMap(size: Size, face: PhotoFace): FaceMap | { fault: string } {
  const known = mappedBefore.get(face);
  if (known && known.width === size.width && known.height === size.height) return known.map;
  const map = mapOf(size, face);
  mappedBefore.set(face, { width: size.width, height: size.height, map });
  return map;
}

/** Faces never change in place: the map of one holds as long as it is there. */
const mappedBefore = new WeakMap<PhotoFace, Size & { map: ReturnType<typeof mapOf> }>();

function mapOf(size: Size, face: PhotoFace): FaceMap | { fault: string } {
  const at = (row: number, column: number) => centred(size, face.points[row * (face.across + 1) + column]!);
  const cells: Cell[][] = [];
  for (let row = 0; row < face.down; row++) {
    const inRow: Cell[] = [];
    for (let column = 0; column < face.across; column++) {
      const corners: Corners = [at(row, column), at(row, column + 1), at(row + 1, column + 1), at(row + 1, column)];
      const fault = cornerFault(corners);
      if (fault) return { fault: FAULTS[fault] };
      const map = toCorners(corners);
      inRow.push({ corners, map, back: back(map) });
    }
    cells.push(inRow);
  }
  if (face.opening) {
    const corners = face.opening.map((point) => centred(size, point)) as unknown as Corners;
    if (cornerFault(corners))
      return { fault: `Its opening: ${FAULTS[cornerFault(corners)!].replace(/^Its /, "its ")}` };
    if (corners.some((corner) => !placeOn({ cells }, corner)))
      return { fault: "Its opening reaches beyond the frame. Drag its corners inwards." };
  }
  const area = cells.flat().reduce((sum, { corners }) => sum + areaRound(corners), 0);
  return { face, cells, area };
}

/** How far outside a cell a place may lie and still be taken for one on it. */
const OVER = 0.02;

/** On which cell of a face a place lies, and where on it from 0 to 1; null where it lies beside the face. */
export function placeOn(
  { cells }: Pick<FaceMap, "cells">,
  place: XY,
): { row: number; column: number; u: number; v: number } | null {
  for (const [row, inRow] of cells.entries())
    for (const [column, cell] of inRow.entries()) {
      const [u, v] = mapped(cell.back, place);
      if (u >= -OVER && u <= 1 + OVER && v >= -OVER && v <= 1 + OVER) return { row, column, u, v };
    }
  return null;
}

/** The four outer corners of a face, with the cell each belongs to and where on it that is. */
export function outerCorners({ cells }: FaceMap) {
  const [top, bottom] = [cells[0]!, cells.at(-1)!];
  return [
    { cell: top[0]!, row: 0, column: 0, u: 0, v: 0, place: top[0]!.corners[0] },
    { cell: top.at(-1)!, row: 0, column: top.length - 1, u: 1, v: 0, place: top.at(-1)!.corners[1] },
    {
      cell: bottom.at(-1)!,
      row: cells.length - 1,
      column: top.length - 1,
      u: 1,
      v: 1,
      place: bottom.at(-1)!.corners[2],
    },
    { cell: bottom[0]!, row: cells.length - 1, column: 0, u: 0, v: 1, place: bottom[0]!.corners[3] },
  ];
}
