import { type Camera, marked, type PointInRoom, pictured } from "#core/photo/camera";
import { groundOf } from "#core/plan/ground";
import type { PhotoFace, PiecePhoto } from "#core/plan/photo-marks";
import type { Surface } from "./room";

// Two pieces of Hobnail Yard as they came in, and what a painter marked on their photos.

type Corners = readonly [PointInRoom, PointInRoom, PointInRoom, PointInRoom];

/** A face that looks forwards, from its lower left. */
const front = (x: number, y: number, z: number, width: number, height: number): Corners => [
  [x, y + height, z],
  [x + width, y + height, z],
  [x + width, y, z],
  [x, y, z],
];
/** A face that looks to the right, from the lower corner that is nearest. */
const right = (x: number, y: number, z: number, depth: number, height: number): Corners => [
  [x, y + height, z],
  [x, y + height, z - depth],
  [x, y, z - depth],
  [x, y, z],
];
/** A face that looks to the left, from the lower corner that is nearest. */
const leftwards = (x: number, y: number, z: number, depth: number, height: number): Corners => [
  [x, y + height, z - depth],
  [x, y + height, z],
  [x, y, z],
  [x, y, z - depth],
];
/** A face that looks up, from its near left corner. */
const top = (x: number, y: number, z: number, width: number, depth: number): Corners => [
  [x, y, z - depth],
  [x + width, y, z - depth],
  [x + width, y, z],
  [x, y, z],
];

const LIGHT = { front: 0.92, side: 0.5, top: 1.12 };
const PINE = { ...groundOf("raw timber", "pine"), knots: 2 };
const OAK = groundOf("raw timber", "oak");
const LAMINATE = { ...groundOf("laminate"), colour: "#a98c68" };

const floor = (y: number): Surface => ({
  corners: [
    [-3600, y, WALL_AT],
    [4600, y, WALL_AT],
    [4600, y, 1500],
    [-3600, y, 1500],
  ],
  ground: { ...groundOf("raw timber", "oak"), colour: "#94785a" },
  profile: { boards: 150 },
  light: 0.86,
  seed: 90,
  repeats: 900,
});
/** The wall of the workshop, and the board along its foot. */
const WALL_AT = -900;
const skirting = (y: number): Surface => ({
  corners: front(-3600, y, WALL_AT, 8200, 130),
  ground: { ...groundOf("old paint"), colour: "#b9b4a6" },
  profile: "plain",
  light: 0.86,
  seed: 91,
  repeats: 900,
});

export interface PhotoOfPiece {
  planId: string;
  id: string;
  note: string;
  camera: Camera;
  surfaces: readonly Surface[];
  stands: readonly [number, number, number, number];
  floor: number;
  marks: Pick<PiecePhoto, "faces" | "known">;
}

const tape = (camera: Camera, faceId: string, from: PointInRoom, to: PointInRoom): PiecePhoto["known"][number] => ({
  faceId,
  from: pictured(camera, from),
  to: pictured(camera, to),
  millimetres: Math.round(Math.hypot(from[0] - to[0], from[1] - to[1], from[2] - to[2])),
});

/** A mark as it is kept: to a tenth of a thousandth of the photo. */
const rounded = ({ points, opening, ...face }: PhotoFace): PhotoFace => {
  const round = ([x, y]: PhotoFace["points"][number]): PhotoFace["points"][number] => [
    Math.round(1e4 * x) / 1e4,
    Math.round(1e4 * y) / 1e4,
  ];
  return { ...face, points: points.map(round), ...(opening ? { opening: opening.map(round) } : {}) };
};

function chartCabinet(): PhotoOfPiece {
  const camera: Camera = {
    stands: [1830, 1270, 2030],
    turned: 30.5,
    tilted: 21,
    focal: 1.3,
    width: 1600,
    height: 1200,
  };
  const drawers = Array.from({ length: 8 }, (_, row) => front(40, 664 - 82 * row, 3, 900, 78));
  const carcass = front(0, 0, 0, 980, 720);
  const side = right(980, 0, 0, 640, 720);
  const lid = top(-15, 752, 10, 1010, 660);
  const plinth = front(0, -90, 0, 980, 90);
  const zoned = (id: string, name: string, zoneId: string, looks: PhotoFace["looks"], corners: Corners) =>
    rounded({ ...marked(camera, id, looks, corners), name, zoneId });
  const made = (corners: Corners, more: Partial<Surface>): Surface => ({
    corners,
    ground: LAMINATE,
    profile: "plain",
    light: LIGHT.front,
    seed: 1,
    ...more,
  });
  return {
    planId: "chart-cabinet",
    id: "chart-cabinet-photo",
    note: "As it came in",
    camera,
    floor: -90,
    stands: [0, 980, -640, 0],
    surfaces: [
      floor(-90),
      skirting(-90),
      made(carcass, { seed: 2 }),
      made(side, { seed: 3, light: LIGHT.side }),
      made(right(980, -90, 0, 640, 90), { seed: 4, ground: OAK, profile: "moulded", light: LIGHT.side }),
      ...drawers.map((corners, row) => made(corners, { seed: 10 + row, ground: PINE, profile: "moulded" })),
      made(plinth, { seed: 5, ground: OAK, profile: "moulded" }),
      made(lid, { seed: 6, light: LIGHT.top }),
      made(front(-15, 720, 10, 1010, 32), { seed: 7, light: 0.85 }),
      made(right(995, 720, 10, 660, 32), { seed: 8, light: LIGHT.side }),
    ],
    marks: {
      faces: [
        zoned("carcass-front", "Carcass, front", "sides", "front", carcass),
        zoned("carcass-side", "Carcass, side", "sides", "side", side),
        ...drawers.map((corners, row) => zoned(`drawer-${row + 1}`, `Drawer ${row + 1}`, "drawers", "front", corners)),
        zoned("top", "Top", "cabinet-top", "top", lid),
        zoned("top-front", "Front edge of the top", "cabinet-top", "front", front(-15, 720, 10, 1010, 32)),
        zoned("top-side", "Side edge of the top", "cabinet-top", "side", right(995, 720, 10, 660, 32)),
        zoned("plinth", "Plinth", "plinth", "front", plinth),
        zoned("plinth-side", "Plinth, side", "plinth", "side", right(980, -90, 0, 640, 90)),
      ],
      known: [
        tape(camera, "carcass-front", [0, 0, 0], [980, 0, 0]),
        // the top overhangs the carcass, so that no corner of it lies on one of the others
        tape(camera, "top", [-15, 752, 10], [995, 752, 10]),
      ],
    },
  };
}

/** How far back the seat of the settle goes. */
const SEAT = 440;
/** How long its arms are: they stand forward of it. */
const ARM = 520;

function carvedSettle(): PhotoOfPiece {
  const camera: Camera = {
    stands: [460, 1330, 2550],
    turned: -4,
    tilted: 18,
    focal: 1.22,
    width: 1600,
    height: 1200,
  };
  const above = front(0, 512, -SEAT, 1380, 608);
  const panel = front(100, 590, 2 - SEAT, 1180, 430);
  const seat = top(70, 512, 0, 1240, SEAT);
  const rails = { top: top(0, 508, 0, 1380, SEAT), front: front(0, 470, 0, 1380, 38) };
  const below = front(0, 0, 0, 1380, 470);
  const [left, rightPanel] = [front(100, 90, 2, 560, 320), front(720, 90, 2, 560, 320)];
  const oak = (corners: Corners, seed: number, more: Partial<Surface> = {}): Surface => ({
    corners,
    ground: OAK,
    profile: "plain",
    light: LIGHT.front,
    seed,
    ...more,
  });
  const arms = (["left", "right"] as const).map((side) => {
    const x = side === "left" ? -70 : 1360;
    return {
      side,
      front: front(x, 512, ARM - SEAT, 90, 160),
      inner: side === "left" ? right(x + 90, 512, ARM - SEAT, ARM, 160) : leftwards(x, 512, ARM - SEAT, ARM, 160),
      top: top(x, 672, ARM - SEAT, 90, ARM),
    };
  });
  const zoned = (id: string, name: string, zoneId: string, looks: PhotoFace["looks"], corners: Corners) =>
    rounded({ ...marked(camera, id, looks, corners), name, zoneId });
  return {
    planId: "carved-settle",
    id: "carved-settle-photo",
    note: "As it came in",
    camera,
    floor: 0,
    stands: [0, 1380, -SEAT, 0],
    surfaces: [
      floor(0),
      skirting(0),
      oak(above, 21),
      oak(panel, 22, { profile: "carved" }),
      // the rails that the seat lies on
      oak(rails.top, 28, { light: LIGHT.top }),
      oak(rails.front, 29),
      oak(seat, 25, { light: LIGHT.top }),
      oak(front(70, 470, 0, 1240, 42), 26),
      oak(below, 27),
      oak(left, 23, { profile: "moulded" }),
      oak(rightPanel, 24, { profile: "moulded" }),
      ...arms.flatMap((arm, index) => [
        oak(arm.front, 31 + 4 * index),
        oak(arm.inner, 32 + 4 * index, { light: index === 0 ? LIGHT.side : 0.8 }),
        oak(arm.top, 33 + 4 * index, { light: LIGHT.top }),
      ]),
    ],
    marks: {
      faces: [
        zoned("above", "Frame above the seat", "frame", "front", above),
        zoned("back", "Back panel", "back", "front", panel),
        zoned("seat", "Seat", "seat-board", "top", seat),
        zoned("seat-front", "Front edge of the seat", "seat-board", "front", front(70, 470, 0, 1240, 42)),
        zoned("rails-top", "Rails under the seat", "frame", "top", rails.top),
        zoned("rails-front", "Front rail", "frame", "front", rails.front),
        zoned("below", "Frame below the seat", "frame", "front", below),
        zoned("left", "Left front panel", "front-panels", "front", left),
        zoned("right", "Right front panel", "front-panels", "front", rightPanel),
        ...arms.flatMap((arm) => [
          zoned(`${arm.side}-arm-front`, `Front of the ${arm.side} arm`, "arms", "front", arm.front),
          zoned(`${arm.side}-arm-side`, `Inside of the ${arm.side} arm`, "arms", "side", arm.inner),
          zoned(`${arm.side}-arm-top`, `Top of the ${arm.side} arm`, "arms", "top", arm.top),
        ]),
      ],
      known: [
        tape(camera, "above", [0, 1120, -SEAT], [1380, 1120, -SEAT]),
        tape(camera, "below", [0, 0, 0], [1380, 0, 0]),
        tape(camera, "seat", [70, 512, 0], [1310, 512, 0]),
        ...arms.flatMap(({ side, front: face, inner }) => [
          tape(camera, `${side}-arm-front`, face[3], face[2]),
          tape(camera, `${side}-arm-side`, inner[3], inner[2]),
        ]),
      ],
    },
  };
}

export const PHOTOS_OF_PIECES: readonly (() => PhotoOfPiece)[] = [chartCabinet, carvedSettle];
