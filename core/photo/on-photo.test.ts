import { describe, expect, it } from "vitest";
import { boardWorkOf, panelFor } from "../board/board-work.ts";
import { colourDifference } from "../colour/difference.ts";
import { hexOf, linearOf, toScreen } from "../colour/screen.ts";
import { judge } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import type { PhotoFace, PiecePhoto } from "../plan/photo-marks.ts";
import type { Plan } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { type Camera, marked, type PointInRoom, photoOf } from "./camera.ts";
import { measurePhoto } from "./measure.ts";
import { PieceOnPhoto } from "./on-photo.ts";
import { photoSteps } from "./steps.ts";
import { LIGHT_OF, type Pixels } from "./straightened.ts";

// A face of 600 × 400 mm seen askew, grey where it is lit and darker to the right, before a wall of one colour.

const CAMERA: Camera = { stands: [900, 500, 900], turned: 30, tilted: 12, focal: 0.9, width: 320, height: 240 };
const FACE: PointInRoom[] = [
  [0, 400, 0],
  [600, 400, 0],
  [600, 0, 0],
  [0, 0, 0],
];
const WALL = [90, 110, 140] as const;

const plan = (steps: Parameters<typeof examplePlan>[0]["steps"]): Plan =>
  examplePlan({ shows: "a face on a photo", ground: "raw timber", steps });

/** How light the face is where it lies in the photo: less and less towards the right. */
const lit = (ground: string, x: number) => linearOf(ground).map((value) => value * (1 - 0.5 * x));

function photographed(marks: PiecePhoto, ground: string): Pixels {
  const { width, height } = CAMERA;
  const data = new Uint8ClampedArray(4 * width * height);
  const [a, b, c, d] = [
    marks.faces[0]!.points[0]!,
    marks.faces[0]!.points[1]!,
    marks.faces[0]!.points[3]!,
    marks.faces[0]!.points[2]!,
  ];
  const outline = [a, b, c, d].map(([x, y]) => [x * width, y * height] as const);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const at = 4 * (row * width + column);
      const within = outline.every(([x, y], side) => {
        const [nx, ny] = outline[(side + 1) % 4]!;
        return (nx - x) * (row + 0.5 - y) - (ny - y) * (column + 0.5 - x) >= 0;
      });
      const colour = within ? lit(ground, column / width).map((value) => 255 * toScreen(value)) : WALL;
      data.set([colour[0]!, colour[1]!, colour[2]!, 255], at);
    }
  return { width, height, data };
}

const face = (more: Partial<PhotoFace> = {}) => marked(CAMERA, "front", "front", FACE, { zoneId: "z1", ...more });
const marksOf = (faces: PhotoFace[]) =>
  photoOf(CAMERA, faces, [{ faceId: "front", from: faces[0]!.points[2]!, to: faces[0]!.points[3]!, millimetres: 600 }]);

function painted(steps: Parameters<typeof examplePlan>[0]["steps"], faces = [face()], count?: number) {
  const made = plan(steps);
  const judged = judge(made).zones[0]!;
  const marks = marksOf(faces);
  const photo = photographed(marks, judged.zone.ground.colour);
  const zones = new Map([["z1", { zone: judged.zone, work: boardWorkOf(judged, panelFor(judged.zone), 1) }]]);
  const piece = new PieceOnPhoto(photo, marks, measurePhoto(marks), zones);
  const picture = piece.picture({ z1: count ?? judged.phases.length });
  return { picture, photo, judged, marks, piece };
}

/** Mean colour round a place of a picture, from 0 to 1 of its width and height. */
function meanAt(data: Uint8ClampedArray, x: number, y: number, reach = 3): string {
  const sum = [0, 0, 0];
  for (let row = -reach; row <= reach; row++)
    for (let column = -reach; column <= reach; column++) {
      const at = 4 * ((Math.round(y * CAMERA.height) + row) * CAMERA.width + Math.round(x * CAMERA.width) + column);
      for (let channel = 0; channel < 3; channel++) sum[channel]! += LIGHT_OF[data[at + channel]!]!;
    }
  return hexOf(sum.map((value) => value / (2 * reach + 1) ** 2) as [number, number, number]);
}

const middle = ([a, , , d]: readonly (readonly [number, number])[]) =>
  [(a![0] + d![0]) / 2, (a![1] + d![1]) / 2] as const;

describe("a finish on a photo", () => {
  it("has the colour that the crust is judged to have, under the photo's light", () => {
    const { picture, judged, marks } = painted([["brush", "emulsion-putty", { coats: 2 }]]);
    const [x, y] = middle(marks.faces[0]!.points);
    const seen = coloursSeen(judged.after).field;
    const under = hexOf(linearOf(seen).map((value) => value * (1 - 0.5 * x)) as [number, number, number]);
    expect(colourDifference(meanAt(picture, x, y), under)).toBeLessThan(6);
  });

  it("keeps the shade of the photo: as much darker on the right as it was", () => {
    const { picture, photo, marks } = painted([["brush", "chalk-bone-white", { coats: 3 }]]);
    const [a, b, , d] = marks.faces[0]!.points as [number, number][];
    const along = (part: number) => [a![0] + (b![0] - a![0]) * part, (a![1] + d![1]) / 2] as const;
    const light = (data: Uint8ClampedArray, part: number) => linearOf(meanAt(data, ...along(part)))[1];
    const before = light(photo.data, 0.85) / light(photo.data, 0.15);
    const after = light(picture, 0.85) / light(picture, 0.15);
    expect(after / before).toBeGreaterThan(0.85);
    expect(after / before).toBeLessThan(1.15);
  });

  it("leaves everything beside the face as it was", () => {
    const { picture, photo } = painted([["brush", "chalk-slate"]]);
    for (const [x, y] of [
      [0.03, 0.05],
      [0.97, 0.95],
      [0.03, 0.95],
    ] as const)
      expect(meanAt(picture, x, y)).toBe(meanAt(photo.data, x, y));
  });

  it("is the photo itself as long as no film lies on it", () => {
    const { picture, photo } = painted([["scuff"], ["brush", "chalk-slate"]], undefined, 1);
    expect(picture).toEqual(photo.data);
  });

  it("goes round what is left as it is, and through the opening of a frame", () => {
    const inner = [0.35, 0.65].flatMap((y) => [0.35, 0.65].map((x): PointInRoom => [600 * x, 400 * (1 - y), 0]));
    const [a, b, c, d] = inner as [PointInRoom, PointInRoom, PointInRoom, PointInRoom];
    const handle = marked(CAMERA, "handle", "front", [a, b, d, c], { asItIs: true });
    const left = painted([["brush", "chalk-slate", { coats: 2 }]], [face(), handle]);
    const at = middle(handle.points);
    expect(meanAt(left.picture, ...at)).toBe(meanAt(left.photo.data, ...at));
    const opening = [handle.points[0]!, handle.points[1]!, handle.points[3]!, handle.points[2]!];
    const frame = painted([["brush", "chalk-slate", { coats: 2 }]], [face({ opening })]);
    expect(meanAt(frame.picture, ...at, 2)).toBe(meanAt(frame.photo.data, ...at, 2));
    const member = [0.9 * handle.points[0]![0] + 0.1 * at[0] - 0.06, at[1]] as const;
    expect(
      colourDifference(meanAt(frame.picture, ...member, 2), meanAt(frame.photo.data, ...member, 2)),
    ).toBeGreaterThan(10);
  });

  it("lies at its true size: dabs on a face twice as wide are half as large in the photo", () => {
    const speckled = (millimetres: number) => {
      const made = plan([
        ["brush", "chalk-bone-white", { coats: 2 }],
        ["spatter", "chalk-lamp-black"],
      ]);
      const judged = judge(made).zones[0]!;
      const marks = { ...marksOf([face()]), known: [{ ...marksOf([face()]).known[0]!, millimetres }] };
      const photo = photographed(marks, judged.zone.ground.colour);
      const zones = new Map([["z1", { zone: judged.zone, work: boardWorkOf(judged, "top", 1) }]]);
      const picture = new PieceOnPhoto(photo, marks, measurePhoto(marks), zones).picture({ z1: judged.phases.length });
      const [x, y] = middle(marks.faces[0]!.points);
      // how often light turns to dark along a line: twice the size, half as often
      const row = Math.round(y * CAMERA.height);
      let turns = 0;
      for (let line = row - 20; line <= row + 20; line++)
        for (let column = Math.round((x - 0.1) * CAMERA.width); column < (x + 0.1) * CAMERA.width; column++) {
          const here = picture[4 * (line * CAMERA.width + column)]!;
          const next = picture[4 * (line * CAMERA.width + column + 1)]!;
          if (Math.abs(here - next) > 14) turns++;
        }
      return turns;
    };
    expect(speckled(300)).toBeGreaterThan(0);
    expect(speckled(150)).toBeLessThan(speckled(300));
  });

  it("is the same picture whether it is made at once or step by step, or taken over from an earlier plan", () => {
    const steps: Parameters<typeof examplePlan>[0]["steps"] = [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["wet-distress"],
    ];
    const { picture, piece, judged, marks, photo } = painted(steps);
    for (const _ of piece.work({ z1: judged.phases.length }));
    expect(piece.picture({ z1: judged.phases.length })).toEqual(picture);
    const more = judge(plan([...steps, ["wax", "wax-dark"]])).zones[0]!;
    const zones = new Map([["z1", { zone: more.zone, work: boardWorkOf(more, panelFor(more.zone), 1) }]]);
    const fresh = new PieceOnPhoto(photo, marks, measurePhoto(marks), zones);
    const taken = new PieceOnPhoto(photo, marks, measurePhoto(marks), zones, { before: piece });
    expect(taken.picture({ z1: more.phases.length })).toEqual(fresh.picture({ z1: more.phases.length }));
  });

  it("takes films over as they are after an edit above them, and none where the face or the photo is another", () => {
    const steps: Parameters<typeof examplePlan>[0]["steps"] = [["brush", "chalk-bone-white", { coats: 2 }]];
    const { piece, marks, photo } = painted(steps);
    const lower = piece.films("front", 2);
    expect(lower).toHaveLength(2);
    const more = judge(plan([...steps, ["wax", "wax-dark"]])).zones[0]!;
    const zones = new Map([["z1", { zone: more.zone, work: boardWorkOf(more, panelFor(more.zone), 1) }]]);
    const made = (on: typeof photo, by: PiecePhoto) =>
      new PieceOnPhoto(on, by, measurePhoto(by), zones, { before: piece }).films("front", 2);
    made(photo, marks).forEach((layer, index) => {
      expect(layer.thickness).toBe(lower[index]!.thickness);
    });
    expect(made({ ...photo }, marks)[0]!.thickness).not.toBe(lower[0]!.thickness);
    const moved = marksOf([face({ points: marks.faces[0]!.points.map(([x, y]) => [x + 0.01, y]) })]);
    expect(made(photo, moved)[0]!.thickness).not.toBe(lower[0]!.thickness);
    expect(piece.films("nothing", 2)).toEqual([]);
  });

  it("is lighter or darker by stops where it is painted, and nowhere else", () => {
    const { piece, photo, marks, judged } = painted([["brush", "chalk-slate", { coats: 2 }]]);
    const counts = { z1: judged.phases.length };
    const [x, y] = middle(marks.faces[0]!.points);
    const light = (stops: number) => linearOf(meanAt(piece.picture(counts, stops), x, y))[1];
    expect(light(1) / light(0)).toBeCloseTo(2, 0);
    expect(light(-1) / light(0)).toBeCloseTo(0.5, 1);
    expect(meanAt(piece.picture(counts, 1), 0.03, 0.05)).toBe(meanAt(photo.data, 0.03, 0.05));
  });

  it("does not fail on a photo of one colour, nor on a face that lies half outside it", () => {
    const made = plan([["brush", "chalk-slate"]]);
    const judged = judge(made).zones[0]!;
    const zones = new Map([["z1", { zone: judged.zone, work: boardWorkOf(judged, "carved", 1) }]]);
    const black = { width: 80, height: 60, data: new Uint8ClampedArray(4 * 80 * 60).fill(0) };
    const outside: PhotoFace = {
      ...face(),
      points: [
        [-0.5, -0.5],
        [0.8, -0.4],
        [-0.5, 1.5],
        [0.8, 1.4],
      ],
    };
    const marks = { ...marksOf([outside]), width: 80, height: 60 };
    const picture = new PieceOnPhoto(black, marks, measurePhoto(marks), zones).picture({ z1: 1 });
    expect(picture).toHaveLength(black.data.length);
    expect(picture.every((value) => Number.isInteger(value))).toBe(true);
  });
});

describe("the steps of a whole piece", () => {
  const two = () => {
    const made = plan([
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear"],
    ]);
    const [zone] = made.pieces[0]!.zones;
    made.pieces[0]!.zones.push({ ...zone!, id: "z2", name: "Same crust" });
    made.crusts.push({ id: "c2", name: "Other", steps: [{ ...made.crusts[0]!.steps[0]!, id: "o1", coats: 1 }] });
    made.pieces[0]!.zones.push({ ...zone!, id: "z3", name: "Own crust", crustId: "c2" });
    return judge(made).zones;
  };

  it("begin with the piece as it is and end with every zone finished", () => {
    const zones = two();
    const steps = photoSteps(zones);
    expect(steps[0]).toEqual({ last: null, counts: { z1: 0, z2: 0, z3: 0 } });
    expect(steps.at(-1)!.counts).toEqual(Object.fromEntries(zones.map(({ zone, phases }) => [zone.id, phases.length])));
  });

  it("do one thing at a time, on all zones of a crust together, and never go back", () => {
    const steps = photoSteps(two());
    expect(steps.map(({ last }) => last && [last.stepId, last.coat, last.zones.length])).toEqual([
      null,
      ["s1", 1, 2],
      ["o1", 1, 1],
      ["s1", 2, 2],
      ["s2", 1, 2],
    ]);
    steps.slice(1).forEach(({ counts }, index) => {
      for (const [zone, count] of Object.entries(counts))
        expect(count).toBeGreaterThanOrEqual(steps[index]!.counts[zone]!);
    });
  });
});
