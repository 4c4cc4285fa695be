import type { Looks, PhotoFace, PhotoPoint, PiecePhoto } from "../plan/photo-marks.ts";

// A camera that is known: for the photos of the demo, and for tests. Where places of the room come to lie in a picture.

/** A place in the room, in millimetres: x to the right along the front of the piece, y up, z towards whoever looks at it. */
export type PointInRoom = readonly [x: number, y: number, z: number];

export interface Camera {
  stands: PointInRoom;
  /** degrees it is turned to the left, and tilted down */
  turned: number;
  tilted: number;
  /** focal length with the longer side of the picture as 1 */
  focal: number;
  width: number;
  height: number;
}

/** How a place lies to the camera: to the right, down, and in front of it. */
export function seenFrom({ stands, turned, tilted }: Camera, [x, y, z]: PointInRoom): PointInRoom {
  const [dx, dy, dz] = [x - stands[0], y - stands[1], z - stands[2]];
  const [turn, tilt] = [(turned * Math.PI) / 180, (tilted * Math.PI) / 180];
  const right = dx * Math.cos(turn) - dz * Math.sin(turn);
  const level = -dx * Math.sin(turn) - dz * Math.cos(turn);
  return [right, -dy * Math.cos(tilt) - level * Math.sin(tilt), level * Math.cos(tilt) - dy * Math.sin(tilt)];
}

/** Where a place lies in the picture, as parts of its width and height. */
export function pictured(camera: Camera, place: PointInRoom): PhotoPoint {
  const [right, down, ahead] = seenFrom(camera, place);
  const longest = Math.max(camera.width, camera.height);
  return [
    0.5 + (camera.focal * right * longest) / (ahead * camera.width),
    0.5 + (camera.focal * down * longest) / (ahead * camera.height),
  ];
}

/** A marked face: its corners from the upper left, as places in the room. */
export const marked = (
  camera: Camera,
  id: string,
  looks: Looks,
  corners: readonly PointInRoom[],
  more: Partial<PhotoFace> = {},
): PhotoFace => ({
  id,
  name: id,
  looks,
  across: 1,
  down: 1,
  points: [corners[0]!, corners[1]!, corners[3]!, corners[2]!].map((corner) => pictured(camera, corner)),
  ...more,
});

export const photoOf = ({ width, height }: Camera, faces: PhotoFace[], known: PiecePhoto["known"]): PiecePhoto => ({
  id: "photo",
  width,
  height,
  faces,
  known,
});
