import type { Command } from "../edit/command.ts";
import { groundOf } from "../plan/ground.ts";
import { PHOTO_MARKS, type PhotoFace, type PiecePhoto } from "../plan/photo-marks.ts";
import { MOULDED_RELIEF, type Piece, PLAIN_RELIEF, type Plan, type Zone, zonesOf } from "../plan/plan.ts";
import { type FaceSize, measurePhoto } from "./measure.ts";

/** What a photo says of a zone: its shape now and by the photo. */
export interface ZoneReading {
  zone: Zone;
  shape: Zone["shape"];
  /** how many faces it was read off */
  faces: number;
  changed: boolean;
}

interface Read {
  face: PhotoFace;
  size: FaceSize;
}

const whole = (value: number) => Math.min(PHOTO_MARKS.millimetres, Math.max(1, Math.round(value)));

/** A mean in which what is less sure counts less. */
function mean(reads: readonly Read[], of: (size: FaceSize) => number, doubt: (size: FaceSize) => number): number {
  let sum = 0;
  let weights = 0;
  for (const { size } of reads) {
    const weight = 1 / (doubt(size) + 1) ** 2;
    sum += weight * of(size);
    weights += weight;
  }
  return sum / weights;
}
const widthOf = (reads: readonly Read[]) =>
  mean(
    reads,
    ({ width }) => width,
    ({ doubt }) => doubt.width,
  );
const heightOf = (reads: readonly Read[]) =>
  mean(
    reads,
    ({ height }) => height,
    ({ doubt }) => doubt.height,
  );

/** The faces that look the way the largest of them does: the others are edges and returns, painted but not measured. */
function facing(reads: readonly Read[]): Read[] {
  const largest = [...reads].sort((a, b) => b.size.area - a.size.area)[0];
  return reads.filter(({ face }) => face.looks === largest?.face.looks);
}

/** The shape of a zone as its faces say, or null where they do not say enough. */
function shapeBy(shape: Zone["shape"], reads: readonly Read[]): Zone["shape"] | null {
  const looking = (looks: PhotoFace["looks"]) => reads.filter(({ face }) => face.looks === looks);
  const main = facing(reads);
  switch (shape.kind) {
    case "panel": {
      const width = widthOf(main);
      // faces of unlike height, as drawers that grow towards the bottom, come to the same area
      const height =
        main.length > 1
          ? main.reduce((sum, { size }) => sum + size.area, 0) * (1e6 / main.length / width)
          : heightOf(main);
      return { ...shape, width: whole(width), height: whole(height), count: Math.max(shape.count, main.length) };
    }
    case "frame": {
      const open = main.filter(({ size }) => size.member !== undefined);
      if (open.length === 0) return null;
      return {
        ...shape,
        width: whole(widthOf(open)),
        height: whole(heightOf(open)),
        member: whole(
          mean(
            open,
            ({ member }) => member!,
            ({ doubt }) => doubt.width,
          ),
        ),
        count: Math.max(shape.count, open.length),
      };
    }
    case "box": {
      const [fronts, sides, tops] = [looking("front"), looking("side"), looking("top")];
      const upright = [...fronts, ...sides];
      return {
        ...shape,
        ...(fronts.length + tops.length > 0 ? { width: whole(widthOf(fronts.length > 0 ? fronts : tops)) } : {}),
        ...(upright.length > 0 ? { height: whole(heightOf(upright)) } : {}),
        ...(sides.length > 0
          ? { depth: whole(widthOf(sides)) }
          : tops.length > 0
            ? { depth: whole(heightOf(tops)) }
            : {}),
      };
    }
    case "disc":
      return {
        ...shape,
        diameter: whole((widthOf(main) + heightOf(main)) / 2),
        count: Math.max(shape.count, main.length),
      };
    case "leg":
      return {
        ...shape,
        diameter: whole(widthOf(main)),
        length: whole(heightOf(main)),
        count: Math.max(shape.count, main.length),
      };
  }
}

/** Everything that the photos of a plan say of its zones: all their measured faces, of every photo. */
function readsOf(plan: Plan): { byZone: Map<string, Read[]>; fresh: { photo: PiecePhoto; read: Read }[] } {
  const byZone = new Map<string, Read[]>();
  const fresh: { photo: PiecePhoto; read: Read }[] = [];
  const zones = new Set(zonesOf(plan).map(({ id }) => id));
  for (const photo of plan.photos ?? []) {
    const { sizes } = measurePhoto(photo);
    for (const face of photo.faces) {
      const size = sizes.find(({ faceId }) => faceId === face.id);
      if (!size || face.asItIs) continue;
      if (face.zoneId === undefined) fresh.push({ photo, read: { face, size } });
      else if (zones.has(face.zoneId)) byZone.set(face.zoneId, [...(byZone.get(face.zoneId) ?? []), { face, size }]);
    }
  }
  return { byZone, fresh };
}

const sameShape = (a: Zone["shape"], b: Zone["shape"]) => JSON.stringify(a) === JSON.stringify(b);

/** What the photos say of each zone that is marked on one, in the order of the plan. */
export function zoneReadings(plan: Plan): ZoneReading[] {
  const { byZone } = readsOf(plan);
  return zonesOf(plan).flatMap((zone) => {
    const reads = byZone.get(zone.id);
    const shape = reads && shapeBy(zone.shape, reads);
    return shape ? [{ zone, shape, faces: reads.length, changed: !sameShape(shape, zone.shape) }] : [];
  });
}

/** Faces that belong to no zone yet, with their sizes: each becomes one. */
export const newZonesOn = (plan: Plan): { face: PhotoFace; size: FaceSize }[] =>
  readsOf(plan).fresh.map(({ read }) => read);

/** What a new zone is like where nothing is known but its face. */
function zoneFor({ face, size }: Read, piece: Piece, id: string, crustId: string): Zone {
  const like = piece.zones[0];
  const framed = size.member !== undefined;
  return {
    id,
    name: face.name,
    shape: framed
      ? { kind: "frame", width: whole(size.width), height: whole(size.height), member: whole(size.member!), count: 1 }
      : { kind: "panel", width: whole(size.width), height: whole(size.height), count: 1 },
    carving: framed ? 1.1 : 1,
    faces: 1,
    relief: framed ? MOULDED_RELIEF : PLAIN_RELIEF,
    orientation: face.looks === "top" ? "flat" : "upright",
    use: like?.use ?? { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" },
    ground: like?.ground ?? groundOf("raw timber", "pine"),
    crustId,
    overrides: [],
    hands: [],
    movingParts: false,
  };
}

/**
 * The commands that take the measures of the photos into the zones: known zones get their sizes, faces without a zone become one
 * each. Empty where there is nothing to take.
 */
export function readIntoZones(plan: Plan, newId: () => string): Command[] {
  const commands: Command[] = zoneReadings(plan)
    .filter(({ changed }) => changed)
    .map(({ zone, shape }) => ({ do: "patch zone", zoneId: zone.id, patch: { shape } }));
  const { fresh } = readsOf(plan);
  if (fresh.length === 0) return commands;
  const piece = plan.pieces[0];
  const pieceId = piece?.id ?? newId();
  const crustId = piece?.zones[0]?.crustId ?? plan.crusts[0]?.id ?? newId();
  if (!plan.crusts.some(({ id }) => id === crustId))
    commands.push({ do: "insert crust", at: 0, crust: { id: crustId, name: "Finish", steps: [] } });
  if (!piece) commands.push({ do: "insert piece", at: 0, piece: { id: pieceId, name: plan.title, zones: [] } });
  const zoneOf = new Map<PhotoFace, string>();
  fresh.forEach(({ read }, index) => {
    const id = newId();
    zoneOf.set(read.face, id);
    const zone = zoneFor(read, piece ?? { id: pieceId, name: plan.title, zones: [] }, id, crustId);
    commands.push({ do: "insert zone", pieceId, at: (piece?.zones.length ?? 0) + index, zone });
  });
  for (const photo of new Set(fresh.map(({ photo: one }) => one)))
    commands.push({
      do: "set photo",
      photoId: photo.id,
      photo: {
        ...photo,
        faces: photo.faces.map((face) => (zoneOf.has(face) ? { ...face, zoneId: zoneOf.get(face)! } : face)),
      },
    });
  return commands;
}
